import { Button, Group } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import { Fragment } from "react";
import { Link } from "react-router";
import type { Schemas, Task } from "../api/client";
import { useKnowledge, useRecord, useRounds } from "../api/hooks";
import { daysBetween, distance, shortDay } from "../dates";
import { SmallFigure } from "../figure/Figure";
import { SmallSeam } from "../seam/Seam";
import { Bare, Failed, Refused, Waiting } from "../shell/States";
import classes from "./Rounds.module.css";
import { useUndo } from "./undo";

type Stop = Schemas["WalkStop"];

/** Today's walk: what to look at, in which order, why now, with the answer taken right there. */
export function Rounds() {
  const rounds = useRounds();
  const knowledge = useKnowledge();
  if (rounds.isPending) return <Waiting />;
  if (rounds.isError) return <Failed error={rounds.error} retry={() => rounds.refetch()} />;
  const { today, places, looks, minutes, more, plants } = rounds.data;
  if (plants === 0) {
    return (
      <Bare title="No plants yet">
        <p>
          Take in the first one: a name and how it grows are enough. Then you look it over from the outside in, and the
          walk begins.
        </p>
        <Button component={Link} to="/plants/new">
          Take a plant in
        </Button>
      </Bare>
    );
  }
  return (
    <>
      <title>Today’s walk · Tender Mend</title>
      <Group justify="space-between" align="end" mb="xs">
        <div>
          <h1>Today’s walk</h1>
          <p className="soft" style={{ margin: "4px 0 0" }}>
            {looks === 0
              ? "Nothing is due. A glance never harms."
              : `${looks} ${looks === 1 ? "plant" : "plants"}, about ${minutes} minutes. Clean rooms first, the isolated ones last.`}
          </p>
        </div>
        <Button component={Link} to="/plants/new" variant="default">
          Take a plant in
        </Button>
      </Group>
      {places?.map((p) => (
        <section key={p.place + p.apart} aria-label={p.place}>
          <div className={classes.place}>
            <h2 className={p.apart ? "plum" : undefined}>
              {p.apart && <span aria-hidden>▦ </span>}
              {p.place}
              {p.apart && <span className={classes.wash}> wash hands and tools first</span>}
            </h2>
            <span className="soft">
              {p.stops?.length} of {looks}
            </span>
          </div>
          <div className={classes.stops}>
            {p.stops?.map((s) => (
              <StopRow
                key={s.id}
                stop={s}
                today={today}
                figure={knowledge.data?.habits.find((h) => h.id === s.habit)?.figure ?? ""}
              />
            ))}
          </div>
        </section>
      ))}
      {more > 0 && <p className="soft">{more} more are due; the weightiest stand above. They move up as you go.</p>}
    </>
  );
}

function StopRow({ stop, today, figure }: { stop: Stop; today: string; figure: string }) {
  const [first, ...rest] = stop.tasks ?? [];
  if (!first) return null;
  const late = daysBetween(first.until, today);
  return (
    <article className={classes.stop} data-testid="stop">
      <div className={classes.head}>
        <SmallFigure figure={figure} marks={stop.figure} />
        <h3>
          <Link to={`/plants/${stop.id}`}>{stop.name}</Link>
        </h3>
        <span className="soft small">{stop.label}</span>
      </div>
      <p className={classes.why}>
        <b className={late > 3 ? "red" : undefined}>{first.what}.</b> {first.why}{" "}
        <span className={late > 0 ? "red" : "soft"}>
          {late > 0 ? `Due ${distance(first.from, today)}.` : `By ${shortDay(first.until)}.`}
        </span>{" "}
        <span className="soft">Last look {distance(stop.lastLook, today)}.</span>
      </p>
      {rest.length > 0 && (
        <p className={`${classes.why} soft small`}>Also: {rest.map((t) => t.what.toLowerCase()).join("; ")}.</p>
      )}
      <SmallSeam
        seam={stop.seam}
        today={today}
        label={`${stop.name}: ${stop.seam.looks} looks, stage ${stop.stage || stop.standing}`}
      />
      <Answers stop={stop} task={first} today={today} />
    </article>
  );
}

/** The answers a task takes on the spot; what needs thought opens the plant's file. */
function Answers({ stop, task, today }: { stop: Stop; task: Task; today: string }) {
  const record = useRecord(stop.id);
  const undo = useUndo(stop.id);
  const knowledge = useKnowledge();
  const send = (said: string, body: Parameters<typeof record.mutate>[0]) =>
    record.mutate(body, {
      onSuccess: (entry) => undo(`${stop.name}: ${said}`, entry.id),
      onError: (e) => notifications.show({ message: e.message, color: "madder" }),
    });
  const open = (to: string, label: string) => (
    <Button component={Link} to={`/plants/${stop.id}${to}`} className={classes.answer}>
      {label}
    </Button>
  );
  const quick = (label: string, body: Parameters<typeof record.mutate>[0]) => (
    <Button variant="default" className={classes.answer} onClick={() => send(label, body)} loading={record.isPending}>
      {label}
    </Button>
  );
  const on = today;
  // What is asked of any plant in passing.
  const alarms = (knowledge.data?.measures ?? []).filter((m) => m.alarm && m.unstaged);
  const answers = () => {
    switch (task.kind) {
      case "examine":
        return open("/examine", "look it over");
      case "decide":
      case "plan":
        return open("/do", task.kind === "plan" ? "make the plan" : "decide");
      case "pass":
      case "back":
        return open("", task.kind === "pass" ? "see the gate" : "see the setback");
      case "step":
        return (
          <>
            {quick("done", { on, did: { step: task.step ?? "", skipped: false } })}
            {open("/do", "open the plan")}
          </>
        );
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
            {open("?check", "check in")}
            {alarms.length > 0 &&
              quick("firm", { on, checked: { readings: alarms.map((m) => ({ measure: m.id, value: 0 })) } })}
            {alarms
              .filter((m) => m.word)
              .map((m) => (
                <Fragment key={m.id}>
                  {quick(m.word, { on, checked: { readings: [{ measure: m.id, value: 1 }] } })}
                </Fragment>
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
