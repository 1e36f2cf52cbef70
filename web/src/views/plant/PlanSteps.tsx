import { Button, Group } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import { useKnowledge } from "../../api/handbook";
import { useShopping } from "../../api/household";
import { distance, sayDay } from "../../dates";
import { Say } from "../../Say";
import { sayCount } from "../words";
import { PlanDraft } from "./PlanDraft";
import {
  Against,
  Amounts,
  Changed,
  Needs,
  PlanHead,
  Rules,
  type Seated,
  SittingHead,
  type Step,
  saidOnce,
  sittingsOf,
} from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import { Story } from "./plan/Story";
import { SittingDone } from "./SittingDone";
import { StepRow } from "./StepRow";
import classes from "./WhatToDo.module.css";

/** The plan taken up: its steps in working order, ticked or skipped. */
export function PlanSteps({ decideAgain }: { decideAgain: () => void }) {
  const file = usePlantFile();
  const shopping = useShopping(file.id);
  const [anew, setAnew] = useState(false);
  const plan = file.plan;
  if (!plan) return null;
  if (anew) return <PlanDraft decideAgain={() => setAnew(false)} keeps />;
  const steps = (plan.steps ?? []).map((s) => ({ ...s, on: file.follow.due[s.id] ?? s.on }));
  const open = steps.filter((s) => !file.ticks[s.id]);
  return (
    <div className={classes.plan}>
      <section className="patch" aria-label="Steps">
        <h2>
          {open.length === 0 ? "Every step is done" : `${open.length} of ${sayCount(steps.length, "step")} to do`}
          <span className={classes.because}> plan of {sayDay(file.plannedOn ?? file.today, file.today)}</span>
        </h2>
        <Group gap="sm" mt={6} className={classes.unprinted}>
          {open.length > 0 && (
            <Button component={Link} to={`/plants/${file.id}/work`}>
              Work through it
            </Button>
          )}
          <Button variant="default" onClick={() => window.print()}>
            Print plan and list
          </Button>
        </Group>
        {plan.sittings ? <Sittings seated={sittingsOf(plan, steps)} /> : <Rows steps={steps} />}
      </section>
      <div className="grid gap-18">
        <section className="patch">
          <PlanHead plan={plan} />
          <Against breaches={plan.breaches ?? []} />
          <Changed changed={file.follow.changed} today={file.today} />
          <Rules rules={plan.rules} />
          <hr className="rule" />
          <p style={{ margin: 0 }} className={classes.unprinted}>
            <button type="button" className="linkbutton" onClick={() => setAnew(true)}>
              Make the plan again
            </button>
            <span className="soft small"> when the roots look different; what is done stays done. </span>
            <button type="button" className="linkbutton" onClick={decideAgain}>
              Decide again
            </button>
            <span className="soft small"> what it is.</span>
          </p>
        </section>
        <Prepared />
        <Needs needs={shopping.data?.needs ?? []} low={shopping.data?.low ?? []} />
        <section className="patch" aria-label="Cautions">
          <h2>Take care</h2>
          <ul className={`small ${classes.cautions}`} style={{ paddingLeft: 18, margin: "6px 0 0" }}>
            {plan.cautions?.map((c) => (
              <li key={c.id}>
                <Say>{c.text}</Say>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

/** The sittings in order of what is due: today's, then dated ones, then what waits to be seen, then what is done. */
function Sittings({ seated }: { seated: Seated[] }) {
  const file = usePlantFile();
  const day = (s: Seated) => s.steps.find((x) => !file.ticks[x.id])?.on ?? s.sitting.on;
  const done = seated.filter((s) => s.steps.every((x) => file.ticks[x.id]));
  const open = seated.filter((s) => !done.includes(s));
  // What waits has no day before its gate is met, or its day is known.
  const waits = (s: Seated) => !!s.sitting.gate && !file.follow.waiting[s.sitting.n]?.on;
  const waiting = open.filter(waits);
  const due = open.filter((s) => !waits(s) && day(s) <= file.today).slice(0, file.mostToday);
  const later = open.filter((s) => !waits(s) && !due.includes(s));
  return (
    <>
      <Due title="Today" of={due} />
      <Due title="Later, by the day" of={later} told />
      <Due title="When it is seen, not by the day" of={waiting} told />
      <DoneSittings of={done} />
    </>
  );
}

/** The sittings of a part of the plan: with a row to tick for each step, or told where nothing is to be done yet. */
function Due({ title, of, told }: { title: string; of: Seated[]; told?: boolean }) {
  const file = usePlantFile();
  if (of.length === 0) return null;
  return (
    <section className="mt-14" aria-label={title}>
      <h2 className="size-18">{title}</h2>
      {of.map(({ sitting, steps }) => (
        <section key={sitting.n} className={classes.sat} aria-label={`${sitting.name}, sitting ${sitting.n}`}>
          <SittingHead sitting={sitting} today={file.today} opening={file.follow.waiting[sitting.n]} />
          {told ? <Later steps={steps} /> : <Rows steps={steps} />}
          <WholeSitting sitting={sitting} steps={steps} />
          {sitting.stop && steps.some((s) => !file.ticks[s.id]) && (
            <p className="soft small my-2">If you must stop: {sitting.stop}</p>
          )}
        </section>
      ))}
    </section>
  );
}

/** A sitting that is not to be done yet, told; its steps behind a touch. */
function Later({ steps }: { steps: Step[] }) {
  const file = usePlantFile();
  const left = steps.filter((s) => !file.ticks[s.id]);
  return (
    <>
      {file.plan && <Story steps={left} plan={file.plan} />}
      <details className={classes.unprinted}>
        <summary className="soft small">its steps, one by one</summary>
        <Rows steps={steps} />
      </details>
    </>
  );
}

/** What is done, a line each; its steps behind a touch. */
function DoneSittings({ of }: { of: Seated[] }) {
  const file = usePlantFile();
  if (of.length === 0) return null;
  return (
    <section className="mt-14" aria-label="Done">
      <h2 className="size-18">Done</h2>
      {of.map(({ sitting, steps }) => (
        <details key={sitting.n} className={classes.sat}>
          <summary>
            {sayDay(sitting.on, file.today)}, <b>{sitting.name}</b>: {sayCount(steps.length, "step")}
          </summary>
          <Rows steps={steps} />
        </details>
      ))}
    </section>
  );
}

/** Offers to record what is left of a sitting in one go, where it has several steps. */
function WholeSitting({ sitting, steps }: Seated) {
  const file = usePlantFile();
  const left = steps.filter((s) => !file.ticks[s.id]);
  if (left.length < 2 || left.every((s) => s.op === "look" || s.op === "by-rule")) return null;
  return <SittingDone sitting={sitting} steps={left} />;
}

function Rows({ steps }: { steps: Step[] }) {
  const file = usePlantFile();
  const say = saidOnce(steps.filter((s) => !file.ticks[s.id]));
  return (
    <ol className="rows no-bullets p-0 mt-6 mb-0">
      {steps.map((s) => (
        <StepRow key={s.id} step={s} say={say.get(s.id)} />
      ))}
    </ol>
  );
}

/** What the bench sent to this plant, and the products used on it. */
function Prepared() {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const away = file.treated.at(-1);
  return (
    <section className="patch" aria-label="From the bench">
      <h2>From the bench</h2>
      {file.prepared.map((p) => (
        <div className="my-6" key={p.entry}>
          <b>{p.what}</b> <span className="soft small">{distance(p.on, file.today)}</span>
          <Amounts amounts={p.amounts} />
        </div>
      ))}
      {file.treated.map((t) => (
        <div className="my-6" key={t.entry}>
          <b>{t.product}</b>{" "}
          <span className="soft small">
            {distance(t.on, file.today)}
            {t.batch && `, batch ${t.batch}`}
            {t.against && `, against ${knowledge.data?.causes.find((c) => c.id === t.against)?.label.toLowerCase()}`}
          </span>
          <Amounts amounts={t.amounts ?? []} />
        </div>
      ))}
      {away?.reentryHours ? (
        <p className="red small my-4">
          By its label people and animals keep away from it for {sayCount(away.reentryHours, "hour")}.
        </p>
      ) : null}
      <p className={`small ${classes.unprinted}`} style={{ margin: "6px 0 0" }}>
        <Link className="colour-inherit" to={`/bench?plant=${file.id}`}>
          Pot
        </Link>
        {" · "}
        <Link className="colour-inherit" to={`/bench/dilution?plant=${file.id}`}>
          dilution
        </Link>
        {" · "}
        <Link className="colour-inherit" to={`/bench/dose?plant=${file.id}`}>
          a label’s dose
        </Link>
      </p>
    </section>
  );
}
