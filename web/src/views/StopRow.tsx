import { Fragment } from "react";
import { Link } from "react-router";
import type { Schemas, Task } from "../api/client";
import { useConnection } from "../api/connection";
import { useRecord } from "../api/recording";
import { daysBetween, distance, shortDay } from "../dates";
import { SmallFigure } from "../figure/Figure";
import { Say } from "../Say";
import { SmallSeam } from "../seam/Seam";
import { Refused } from "../shell/States";
import { doneBody } from "./jobs";
import { PickBox } from "./many/PickBox";
import type { Picking } from "./many/picked";
import classes from "./Rounds.module.css";
import { taskPlace } from "./tasks";
import { useUndo } from "./undo";
import { asSentence, results, sayCount } from "./words";

export type Stop = Schemas["WalkStop"];

interface StopRowProps {
  stop: Stop;
  today: string;
  /** Where the row stands on the walk: what was answered there can be undone there. */
  place: string;
  asks: Asks;
  picking: Picking;
}

/** The measures that answers on the walk read. */
export type Asks = Pick<Schemas["Rounds"], "asked" | "inPassing">;

/** One plant on the walk: what it wants and how, the answers, and what is still open; why now behind a touch. */
export function StopRow({ stop, today, place, asks, picking }: StopRowProps) {
  const [first, ...rest] = stop.tasks ?? [];
  if (!first) return null;
  const late = daysBetween(first.until, today);
  return (
    <article className={classes.stop} data-testid="stop">
      <div className={classes.head}>
        <SmallFigure figure={stop.drawing} marks={stop.figure} />
        <h3>
          <Link to={`/plants/${stop.id}`}>{stop.name}</Link>
        </h3>
        <span className="soft small no-wrap">{stop.label}</span>
        <span className={classes.picks}>
          <PickBox plant={{ id: stop.id, name: stop.name }} picking={picking} />
        </span>
      </div>
      <p className={classes.why}>
        <span className={classes.box} aria-hidden />
        <b className={late > 0 ? "red" : undefined}>
          <Say>{asSentence(first.what)}</Say>
        </b>{" "}
        <Say>{first.how}</Say>{" "}
        <span className={late > 0 ? "red" : "soft"}>
          {late > 0 ? `Open for ${sayCount(daysBetween(first.from, today), "day")}.` : `By ${shortDay(first.until)}.`}
        </span>
      </p>
      {first.jobs && first.jobs.length > 0 && (
        <p className={`${classes.why} small`}>With it: {first.jobs.map((j) => j.title.toLowerCase()).join("; ")}.</p>
      )}
      {rest.length > 0 && (
        <p className={`${classes.why} small`}>
          Then {sayCount(rest.length, "thing")} more:{" "}
          {rest.map((t, i) => (
            <span key={t.kind + t.what + (t.step ?? "")} className="soft">
              {i > 0 && "; "}
              <span className={classes.box} aria-hidden />
              {t.what.toLowerCase()}
            </span>
          ))}
          .
        </p>
      )}
      <details className={classes.because}>
        <summary>Why now</summary>
        <Say>{first.why}</Say>{" "}
        {stop.standing === "arrived" ? "Nobody has looked at it yet." : `Last look ${distance(stop.lastLook, today)}.`}
      </details>
      <SmallSeam
        seam={stop.seam}
        today={today}
        label={`${stop.name}: ${sayCount(stop.seam.looks, "look")}, stage ${stop.stage || stop.standing}`}
      />
      <Answers stop={stop} task={first} today={today} place={place} asks={asks} />
    </article>
  );
}

interface AnswersProps {
  stop: Stop;
  task: Task;
  today: string;
  place: string;
  asks: Asks;
}

/** The answers a task takes on the spot; what needs thought opens the plant's file. */
function Answers({ stop, task, today, place, asks }: AnswersProps) {
  const record = useRecord(stop.id, "waits");
  const there = useConnection();
  const undo = useUndo({ id: stop.id, name: stop.name, place }, true);
  // The row may be gone when the answer has come: what it asked for is done.
  const send = (said: string, body: Parameters<typeof record.mutate>[0]) =>
    void record.mutateAsync(body).then(
      (entry) => undo(said, entry.id),
      () => {}, // it stands beside the answer
    );
  const open = (to: string, label: string) => (
    <Link to={`/plants/${stop.id}${to}`} className={`${classes.answer} ${classes.opens}`}>
      {label}
    </Link>
  );
  const quick = (label: string, body: Parameters<typeof record.mutate>[0]) => (
    <button
      type="button"
      data-answer
      className={classes.answer}
      onClick={() => send(label, body)}
      disabled={record.isPending}
    >
      {label}
    </button>
  );
  const on = today;
  const asked = (asks.asked ?? []).find((m) => m.id === task.measure);
  const inPassing = asks.inPassing ?? [];
  const answers = () => {
    switch (task.kind) {
      case "examine":
        return open(taskPlace(task.kind), "look it over");
      case "decide":
      case "plan":
        return open(taskPlace(task.kind), task.kind === "plan" ? "make the plan" : "decide");
      case "pass":
      case "back":
        return open(taskPlace(task.kind), task.kind === "pass" ? "see the gate" : "see the setback");
      case "step":
        return (
          <>
            {quick(task.gate ? "seen, and done" : "done", {
              on,
              case: task.case,
              did: { step: task.step ?? "", skipped: false, seen: task.gate ? true : undefined },
            })}
            {open(taskPlace(task.kind), "open the plan")}
          </>
        );
      case "signal":
        return (
          <>
            {quick("open a case", { on, opened: { why: task.what, signal: task.signal } })}
            {open("", "see what to do first")}
          </>
        );
      case "pests":
        return (
          <>
            {inPassing
              .filter((m) => m.id === task.measure)
              .map((m) => (
                <Fragment key={m.id}>
                  {quick(m.calm, { on, checked: { readings: [{ measure: m.id, value: 0 }] } })}
                  {quick(m.word, { on, checked: { readings: [{ measure: m.id, value: 1 }] } })}
                </Fragment>
              ))}
          </>
        );
      case "apart":
        return (
          <>
            {quick("kept apart now", { on, moved: { isolation: "isolated", reason: task.why } })}
            {open("", "see why")}
          </>
        );
      case "asleep":
        return (
          <>
            {asked?.calm && quick(asked.calm, { on, checked: { readings: [{ measure: asked.id, value: 0 }] } })}
            {asked?.word && quick(asked.word, { on, checked: { readings: [{ measure: asked.id, value: 1 }] } })}
            {open(taskPlace(task.kind), asked?.word ? "check in" : "measure it")}
          </>
        );
      case "release":
        return (
          <>
            {quick("back among the others", { on, moved: { isolation: "clean" } })}
            {open("", "see what kept it")}
          </>
        );
      case "trial":
        return (
          <>
            {results.map((r) => (
              <Fragment key={r.value}>
                {quick(r.label, { on, judged: { trial: task.trial ?? "", result: r.value } })}
              </Fragment>
            ))}
            {open("", "see what was tried")}
          </>
        );
      case "season":
        return (
          <>
            {task.job && task.done && quick(task.done, { on, tended: { jobs: [task.job] } })}
            {task.done ? open("", "see its season") : open("/record", "say where it stands now")}
          </>
        );
      case "stall":
        return open(taskPlace(task.kind), "count its roots");
      case "water":
        return (
          <>
            {quick("watered", { on, watered: {} })}
            {quick("still moist", { on, probed: { moisture: "moist" } })}
          </>
        );
      default:
        return (
          <>
            {open(taskPlace("check"), "check in")}
            {inPassing.map((m) => (
              <Fragment key={m.id}>
                {m.calm && quick(m.calm, { on, checked: { readings: [{ measure: m.id, value: 0 }] } })}
                {m.word && quick(m.word, { on, checked: { readings: [{ measure: m.id, value: 1 }] } })}
              </Fragment>
            ))}
            {task.jobs
              ?.filter((j) => !j.measure)
              .map((j) => (
                <Fragment key={j.job}>{quick(j.done, doneBody(j, on))}</Fragment>
              ))}
          </>
        );
    }
  };
  return (
    <div className={classes.answers}>
      {answers()}
      {record.isPending && !there && <span className="soft small">Kept here until the connection is back.</span>}
      <Refused error={record.error} />
    </div>
  );
}
