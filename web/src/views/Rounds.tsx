import { Button, Group } from "@mantine/core";
import { Fragment, useDeferredValue, useState } from "react";
import { Link } from "react-router";
import type { Measure, Schemas, Task } from "../api/client";
import { useKnowledge, useRecord, useRounds } from "../api/hooks";
import { daysBetween, distance, shortDay } from "../dates";
import { SmallFigure } from "../figure/Figure";
import { SmallSeam } from "../seam/Seam";
import { Bare, Failed, Refused, Waiting } from "../shell/States";
import { doneBody } from "./jobs";
import classes from "./Rounds.module.css";
import { taskPlace } from "./tasks";
import { JustRecorded, useUndo } from "./undo";
import { sayCount } from "./words";

type Stop = Schemas["WalkStop"];

/** How many plants the walk lists at first, and how many more each time. */
const page = 40;

/** Today's walk: what to look at, in which order, why now, with the answer taken right there. */
export function Rounds() {
  const [listed, setListed] = useState(page);
  const rounds = useRounds(listed);
  // A long walk is drawn in small pieces, so that a tap in between is not kept waiting.
  const data = useDeferredValue(rounds.data, undefined);
  if (rounds.isLoadingError) return <Failed error={rounds.error} retry={() => rounds.refetch()} />;
  if (!data) return <Waiting />;
  const { today, places, looks, minutes, more, plants } = data;
  if (plants === 0) {
    return (
      <Bare title="No plants yet">
        <p>
          Take in the first one: a name and how it grows are enough. Then you look it over from the outside in, and the
          walk begins.
        </p>
        <Group gap="sm">
          <Button component={Link} to="/trouble">
            Something is wrong with my plant
          </Button>
          <Button component={Link} to="/plants/new" variant="default">
            Take a plant in
          </Button>
        </Group>
      </Bare>
    );
  }
  return (
    <>
      <title>Today’s walk · Tender Mend</title>
      <Group justify="space-between" align="end" mb="xs">
        <div>
          <h1>Today’s walk</h1>
          <p className="soft mt-4 mb-0">
            {looks === 0
              ? "Nothing is due. A glance never harms."
              : `${sayCount(looks, "plant")}, about ${sayCount(minutes, "minute")}. Isolated ones last.`}
          </p>
        </div>
        <Group gap="sm">
          <Button component={Link} to="/trouble" variant="default">
            Something is wrong
          </Button>
          <Button component={Link} to="/plants/new" variant="default">
            Take a plant in
          </Button>
        </Group>
      </Group>
      <Alarming places={places ?? []} />
      {places?.map((p) => (
        <section key={p.place + p.apart} aria-label={p.place}>
          <div className={classes.place}>
            <h2 className={p.apart ? "plum" : undefined}>
              {p.apart && <span aria-hidden>▦ </span>}
              {p.place}
              {p.apart && <span className={classes.wash}> wash hands and tools first</span>}
            </h2>
            <span className="soft">{sayCount(p.stops?.length ?? 0, "plant")}</span>
          </div>
          <div className={classes.stops}>
            {p.stops?.map((s) => (
              <StopRow key={s.id} stop={s} today={today} asks={data.asks} />
            ))}
          </div>
        </section>
      ))}
      {more > 0 && (
        <Group mt="md" gap="sm">
          <span className="soft">The most urgent {looks - more} are listed. The rest move up as you go.</span>
          <Button variant="default" onClick={() => setListed(listed + page)} loading={rounds.isPlaceholderData}>
            List {Math.min(page, more)} more
          </Button>
        </Group>
      )}
      <JustRecorded />
    </>
  );
}

/** What alarms, above all places: it cannot wait for its turn. */
function Alarming({ places }: { places: Schemas["WalkPlace"][] }) {
  const stops = places.flatMap((p) =>
    (p.stops ?? []).flatMap((s) =>
      (s.tasks ?? []).filter((t) => t.kind === "signal").map((t) => ({ stop: s, task: t, place: p.place })),
    ),
  );
  if (stops.length === 0) return null;
  return (
    <section className={classes.alarming} aria-label="What cannot wait" role="alert">
      <ul>
        {stops.map(({ stop, task, place }) => (
          <li key={stop.id + task.signal}>
            <b className="red">{task.what}</b>: <Link to={`/plants/${stop.id}`}>{stop.name}</Link>{" "}
            <span className="soft">in {place}.</span> {task.why}
          </li>
        ))}
      </ul>
    </section>
  );
}

function StopRow({ stop, today, asks }: { stop: Stop; today: string; asks: Measure[] }) {
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
        <span className="soft small">{stop.label}</span>
      </div>
      <p className={classes.why}>
        <b className={late > 0 ? "red" : undefined}>{first.what}.</b> {first.why}{" "}
        <span className={late > 0 ? "red" : "soft"}>
          {late > 0 ? `Open for ${sayCount(daysBetween(first.from, today), "day")}.` : `By ${shortDay(first.until)}.`}
        </span>{" "}
        <span className="soft">
          {stop.standing === "arrived"
            ? "Nobody has looked at it yet."
            : `Last look ${distance(stop.lastLook, today)}.`}
        </span>
      </p>
      {first.jobs && first.jobs.length > 0 && (
        <p className={`${classes.why} small`}>With it: {first.jobs.map((j) => j.title.toLowerCase()).join("; ")}.</p>
      )}
      {rest.length > 0 && (
        <p className={`${classes.why} soft small`}>Also: {rest.map((t) => t.what.toLowerCase()).join("; ")}.</p>
      )}
      <SmallSeam
        seam={stop.seam}
        today={today}
        label={`${stop.name}: ${sayCount(stop.seam.looks, "look")}, stage ${stop.stage || stop.standing}`}
      />
      <Answers stop={stop} task={first} today={today} asks={asks} />
    </article>
  );
}

interface AnswersProps {
  stop: Stop;
  task: Task;
  today: string;
  asks: Measure[];
}

/** The answers a task takes on the spot; what needs thought opens the plant's file. */
function Answers({ stop, task, today, asks }: AnswersProps) {
  const record = useRecord(stop.id);
  const undo = useUndo(stop, true);
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
    <button type="button" className={classes.answer} onClick={() => send(label, body)} disabled={record.isPending}>
      {label}
    </button>
  );
  const on = today;
  const asked = useKnowledge().data?.measures.find((m) => m.id === task.measure);
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
            {asks
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
            {asks.map((m) => (
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
      <Refused error={record.error} />
    </div>
  );
}
