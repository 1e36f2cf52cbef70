import { Button } from "@mantine/core";
import { Link } from "react-router";
import type { PlantFile } from "../../api/client";
import { useRecord } from "../../api/recording";
import { shortDay } from "../../dates";
import { Say } from "../../Say";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import classes from "./Cases.module.css";
import { JobActs } from "./JobActs";

/** What the turn of the year, or a move into more light, asks for: each between two days, with its reason. */
export function Season({ file }: { file: PlantFile }) {
  const record = useRecord(file.id, "waits");
  const undo = useUndo(file);
  const asks = (file.tasks ?? []).filter((t) => t.kind === "season");
  if (asks.length === 0) return null;
  const sending = {
    today: file.today,
    pending: record.isPending,
    send: (said: string, body: Parameters<typeof record.mutate>[0]) =>
      record.mutate(body, { onSuccess: (e) => undo(said, e.id) }),
  };
  return (
    <section className="patch mt-18" id="season" aria-label="The season">
      <h2>
        The season <span className={classes.when}>by its kind and by the light where it stands</span>
      </h2>
      <ul className={classes.jobs}>
        {asks.map((t) => (
          <li key={t.what} data-job={t.job}>
            <div>
              <b className={t.from <= file.today ? "ochre" : undefined}>{t.what}</b>{" "}
              <span className="small">
                {t.from <= file.today ? "now" : `from ${shortDay(t.from)}`}, by {shortDay(t.until)}
              </span>
              <div className="small">
                <Say>{t.how}</Say>
              </div>
              <div className="soft small">
                <Say>{t.why}</Say>
              </div>
            </div>
            {t.job && (
              <JobActs
                job={t.job}
                title={t.what}
                putOff={t.putOff}
                putOffWhy={t.putOffWhy}
                unwanted={t.unwanted}
                {...sending}
              >
                {t.done && t.from <= file.today && (
                  <Button
                    size="compact-sm"
                    variant="default"
                    disabled={record.isPending}
                    onClick={() => t.job && sending.send(t.done ?? "", { on: file.today, tended: { jobs: [t.job] } })}
                  >
                    {t.done}
                  </Button>
                )}
                {!t.done && <Link to={`/plants/${file.id}/record`}>say where it stands now</Link>}
              </JobActs>
            )}
          </li>
        ))}
      </ul>
      <Refused error={record.error} />
    </section>
  );
}
