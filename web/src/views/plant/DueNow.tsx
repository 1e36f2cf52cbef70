import { Link } from "react-router";
import type { PlantFile } from "../../api/client";
import { daysBetween, shortDay } from "../../dates";
import { Say } from "../../Say";
import { taskPlace } from "../tasks";
import { sayCount } from "../words";
import classes from "./Standing.module.css";

/** Where a task is done: its page, read for its case where the plant has several in work. */
function placeOf(file: PlantFile, t: NonNullable<PlantFile["tasks"]>[number]) {
  const place = taskPlace(t.kind);
  const many = file.cases.filter((c) => c.open).length > 1 && file.cases.some((c) => c.id === t.case);
  return `/plants/${file.id}${place}${many && !place.includes("?") ? `?case=${t.case}` : ""}`;
}

/** What is due now, before anything else that could be said of the plant. */
export function DueNow({ file }: { file: PlantFile }) {
  // What alarms stands above it, in a place of its own.
  const due = (file.tasks ?? []).filter((t) => t.from <= file.today && t.kind !== "signal");
  if (due.length === 0) return null;
  const minutes = due.reduce((sum, t) => sum + t.minutes, 0);
  return (
    <section className={`patch ${classes.due}`} aria-label="Due now">
      <h2>
        Due now{" "}
        <span className={classes.stage}>
          {sayCount(due.length, "thing")}, about {minutes} min
        </span>
      </h2>
      <ul>
        {due.slice(0, file.mostToday).map((t) => (
          <li key={t.kind + t.what + t.case + (t.step ?? "")}>
            {taskPlace(t.kind) ? (
              <Link to={placeOf(file, t)}>
                <Say>{t.what}</Say>
              </Link>
            ) : (
              <b>
                <Say>{t.what}</Say>
              </b>
            )}{" "}
            <span className="soft small">
              <Say>{t.why}</Say>{" "}
              <span className={t.until < file.today ? "red" : undefined}>
                {t.until < file.today
                  ? `Open for ${sayCount(daysBetween(t.from, file.today), "day")}.`
                  : `By ${shortDay(t.until)}.`}
              </span>
            </span>
          </li>
        ))}
      </ul>
      {due.length > file.mostToday && (
        <p className="small mt-4 mb-0">
          <Link to={`/plants/${file.id}/do`}>{due.length - file.mostToday} more in its plan</Link>
        </p>
      )}
    </section>
  );
}
