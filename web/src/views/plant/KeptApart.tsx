import { Button, Group } from "@mantine/core";
import { Link } from "react-router";
import type { PlantFile } from "../../api/client";
import { useRecord } from "../../api/recording";
import { distance, sayDay, shortDay } from "../../dates";
import { Say } from "../../Say";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import classes from "./Cases.module.css";

/** Why it is kept apart, what that means at the shelf, and what is missing before it may go back. */
export function KeptApart({ file }: { file: PlantFile }) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const a = file.apart;
  if (!a) return null;
  const good = a.reasons.some((r) => r.forGood);
  const travels = [...new Set(a.reasons.map((r) => r.cause).filter((c) => c !== undefined))];
  return (
    <section className="patch mt-18" aria-label="Kept apart">
      <h2 className="plum">
        {a.wanted ? "Keep it apart" : file.isolation === "isolated" ? "Kept apart" : "Under watch"}{" "}
        <span className={classes.when}>
          {a.wanted
            ? "it stands among the others"
            : good
              ? "for good"
              : a.release.open
                ? "nothing keeps it any more"
                : "not yet to be released"}
        </span>
      </h2>
      <p className="my-2">
        {a.reasons.map((r) => `${r.what} Since ${sayDay(r.since, file.today)}.`).join(" ")}
        {a.quarantine && (
          <>
            {" "}
            <Say>{a.quarantine.why}</Say> Pest looks on {a.quarantine.looks.map(shortDay).join(", ")}.
          </>
        )}
      </p>
      {travels.map((cause) => (
        <p key={cause} className="my-2">
          <Link to={`/outbreaks/${cause}`}>Who has it here, and who may have caught it</Link>
        </p>
      ))}
      {a.means.length > 0 && (
        <ul className="my-4 pl-18">
          {a.means.map((m) => (
            <li key={m}>{m}</li>
          ))}
        </ul>
      )}
      {a.release.conditions.length > 0 && (
        <ul className={classes.conditions} aria-label="Before it may go back">
          {a.release.conditions.map((c) => (
            <li key={c.wanted}>
              <span className={c.met ? "kelp" : "ochre"} aria-hidden>
                {c.met ? "✕✕" : "– –"}
              </span>
              <span>
                {c.wanted} <b className={c.met ? "kelp" : "ochre"}>{c.met ? "met" : "not yet"}</b>{" "}
                {c.found && <span className="soft small">{c.found}</span>}
              </span>
            </li>
          ))}
        </ul>
      )}
      {a.release.earliest && a.release.earliest > file.today && (
        <p className="soft small mt-2 mb-6">
          Not before {sayDay(a.release.earliest, file.today)}, {distance(a.release.earliest, file.today)}.
        </p>
      )}
      <Group>
        {a.wanted ? (
          <Button
            color="plum"
            loading={record.isPending}
            onClick={() =>
              record.mutate(
                { on: file.today, moved: { isolation: "isolated", reason: a.reasons[0]?.what } },
                { onSuccess: (e) => undo("kept apart", e.id) },
              )
            }
          >
            It is kept apart now
          </Button>
        ) : (
          <Button
            variant={a.release.open ? "filled" : "default"}
            loading={record.isPending}
            onClick={() =>
              record.mutate(
                { on: file.today, moved: { isolation: "clean" } },
                { onSuccess: (e) => undo("back among the others", e.id) },
              )
            }
          >
            {a.release.open ? "Back among the others" : "Back among the others all the same"}
          </Button>
        )}
      </Group>
      <Refused error={record.error} />
    </section>
  );
}
