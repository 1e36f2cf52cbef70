import { useState } from "react";
import type { Plan, PlantFile, Schemas } from "../../api/client";
import { distance, sayDay, shortDay } from "../../dates";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { sayQuantity, useUnits } from "../../units";
import { sayCount } from "../words";
import { type Opening, WaitsFor } from "./WaitsFor";
import classes from "./WhatToDo.module.css";

export type { Plan };
export type Step = NonNullable<Plan["steps"]>[number];

/** What the plan is for, what to expect, when it ends and what to beware of. */
export function PlanHead({ plan }: { plan: Plan }) {
  const line = (label: string, list: string[] | undefined) =>
    list &&
    list.length > 0 && (
      <p className="small my-4">
        <b>{label}:</b> <span className="soft">{list.join(" ")}</span>
      </p>
    );
  return (
    <>
      <h2>{plan.names?.join(" · ")}</h2>
      {line("Begin only if", plan.entry)}
      {line("Normal from now on", plan.expect)}
      {line("It ends with", plan.ends)}
      {line("Look again when", plan.wrong)}
      {line("Give it up when", plan.stops)}
    </>
  );
}

/** What was left out or done otherwise, each with its reason. */
export function Rules({ rules }: { rules: Schemas["Rule"][] }) {
  const [all, setAll] = useState(false);
  if (rules.length === 0) return null;
  const shown = all ? rules : rules.slice(0, 6);
  return (
    <>
      <h3 className="mt-8">Left out or done otherwise, and why</h3>
      <ul className="small my-4 pl-18">
        {shown.map((r) => (
          <li key={r.id + r.what}>
            <b style={r.overruled ? { textDecoration: "line-through" } : undefined}>{r.what}.</b>
            <Say>{` ${r.why} `}</Say>
            {r.overruled && <span className="ochre">Set aside.</span>}
          </li>
        ))}
      </ul>
      {shown.length < rules.length && (
        <button type="button" className="linkbutton small soft" onClick={() => setAll(true)}>
          {rules.length - shown.length} more
        </button>
      )}
    </>
  );
}

/** The rules that a plan taken up goes against, with the carer's reason. */
export function Against({ breaches }: { breaches: NonNullable<Plan["breaches"]> }) {
  if (breaches.length === 0) return null;
  return (
    <div className={classes.broken}>
      <h3 className="red">Against the rules, by your own decision</h3>
      <ul className="small my-4 pl-18">
        {breaches.map((b) => (
          <li key={b.rule + b.step + b.index}>
            {b.why} <span className="soft">({b.rule})</span> <b>Your reason:</b> {b.reason}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What the steps need, against the cupboard, with what is to buy. */
export function Needs({ needs, low = [] }: { needs: Schemas["Need"][]; low?: Schemas["Supply"][] }) {
  const [system] = useUnits();
  if (needs.length + low.length === 0) return null;
  const say = (value: number, unit: string) =>
    unit === "pieces" ? (value ? String(value) : "") : sayQuantity(value, unit, system);
  const cost = needs.reduce((sum, n) => sum + (n.cost ?? 0), 0);
  const uncounted = needs.filter((n) => n.stock === undefined);
  const buy = needs.filter((n) => n.stock !== undefined && (n.buy > 0 || (n.need === 0 && n.stock <= 0)));
  const there = needs.filter((n) => !uncounted.includes(n) && !buy.includes(n));
  const withAmount = (n: Schemas["Need"]) => (n.need > 0 ? `${n.what} ${say(n.need, n.unit)}` : n.what).trim();
  return (
    <section className="patch" aria-label="What it takes">
      <h2>What it takes</h2>
      <ul className={classes.needs}>
        {buy.map((n) => (
          <li key={n.what}>
            <span>{withAmount(n)}</span>
            <span className="red small">{n.buy > 0 ? `buy ${say(n.buy, n.unit)}` : "none left"}</span>
          </li>
        ))}
      </ul>
      {there.length > 0 && <p className="small mt-8 mb-0">There: {there.map(withAmount).join(", ")}.</p>}
      {uncounted.length > 0 && (
        <p className="small mt-8 mb-0">
          To have at hand: {uncounted.map(withAmount).join(", ")}.{" "}
          <span className="soft">None of it is counted in the cupboard.</span>
        </p>
      )}
      {low.length > 0 && (
        <p className="small mt-8 mb-0">
          <b className="ochre">Running low:</b> {low.map((s) => `${s.name} (${say(s.stock, s.unit)})`).join(", ")}.
        </p>
      )}
      {cost > 0 && (
        <p className="small mt-8 mb-0">
          What is used up costs about <b>{cost.toFixed(2)}</b> at your own prices.
        </p>
      )}
    </section>
  );
}

/** The cautions of each step that no step before it in the list has said yet. */
export function saidOnce(steps: Step[]): Map<string, string[]> {
  const said = new Set<string>();
  return new Map(
    steps.map((s) => {
      const first = (s.cautions ?? []).filter((c) => !said.has(c));
      for (const c of first) said.add(c);
      return [s.id, first];
    }),
  );
}

interface StepTextProps {
  step: Step;
  plan: Pick<Plan, "cautions" | "names">;
  today: string;
  /** Ids of the cautions to say at it. */
  say?: string[];
}

/** One step with its amounts and the cautions to say at it: all of its own, where nothing else is given. */
export function StepText({ step, plan, today, say }: StepTextProps) {
  const cautions = (plan.cautions ?? []).filter((c) => (say ?? step.cautions)?.includes(c.id));
  const several = (plan.names?.length ?? 0) > 1 && (step.reasons?.length ?? 0) > 0;
  return (
    <div>
      <h3>{step.title}</h3>
      <span className={classes.phase}>
        {!step.sitting ? `${shortDay(step.on)} (${distance(step.on, today)}) · ` : ""}
        {step.minutes} min
        {step.every ? ` · again ${step.every === 1 ? "every day" : `every ${sayCount(step.every, "day")}`}` : ""}
        {several && ` · for ${step.reasons?.join(" and ").toLowerCase()}`}
      </span>
      {step.if && (
        <p className="ochre my-2">
          <b>{step.if}</b>
        </p>
      )}
      <p className="my-2">
        <Say>{step.how}</Say>
      </p>
      {step.gate && !step.sitting && <p className="soft small my-2">Not by the day alone; first: {step.gate}</p>}
      {!step.sitting && (step.materials?.length ?? 0) > 0 && (
        <p className="soft small my-2">At hand: {step.materials?.join(", ")}.</p>
      )}
      <Amounts amounts={step.amounts ?? []} />
      {step.writes && <p className="soft small my-2">When it is done the record says: {step.writes}.</p>}
      {cautions.map((c) => (
        <p key={c.id} className="small red my-3">
          <b aria-hidden>! </b>
          <Say>{c.text}</Say>
        </p>
      ))}
    </div>
  );
}

/** What of a plan that is followed is not as it was promised, and why. */
export function Changed({ changed, today }: { changed: PlantFile["follow"]["changed"]; today: string }) {
  if (!changed?.length) return null;
  return (
    <>
      <h3 className="mt-8">Changed since it was taken up</h3>
      <ul className="small my-4 pl-18">
        {changed.map((c) => (
          <li key={c.how + c.steps?.join()}>
            <b>{c.titles?.join(", ")}</b>{" "}
            {c.how === "moved" && c.to && (
              <>
                {sayDay(c.to, today)} <span className="soft">instead of {sayDay(c.from, today)}.</span>
              </>
            )}
            {c.how === "held" && <span className="ochre">held back.</span>}
            {c.how === "dropped" && <span className="soft">no longer asked for.</span>} {c.because}
          </li>
        ))}
      </ul>
    </>
  );
}

export type Sitting = NonNullable<Plan["sittings"]>[number];

/** When a sitting is, or what it waits for, and why it is held back. */
export function SittingHead({ sitting, today, opening }: { sitting: Sitting; today: string; opening?: Opening }) {
  return (
    <>
      <h3 className={classes.sitting}>
        {sitting.gate ? (
          <span className={opening?.open ? "kelp" : "ochre"}>
            {opening?.open ? "What it waited for is so" : "Waits for"}
            {!opening && `: ${sitting.gate}`}
            {opening && !opening.open && opening.on && <> its day, {shortDay(opening.on)}</>}
          </span>
        ) : (
          <>
            {shortDay(sitting.on)} <span className="soft">({distance(sitting.on, today)})</span>
            {sitting.slot !== "morning" && `, ${sitting.slot}`}
          </>
        )}
        <span className={classes.because}>
          {" "}
          {sitting.name} · {sitting.minutes} min
          {sitting.gate && !opening?.on && ` · look about ${shortDay(sitting.on)}`}
        </span>
      </h3>
      {opening ? (
        <WaitsFor opening={opening} today={today} />
      ) : (
        sitting.else && <p className="soft small mt-2 mb-4">{sitting.else}</p>
      )}
      {sitting.held && (
        <p className="ochre small mt-2 mb-6">
          <b>Held back:</b> {sitting.held}. What needs no unpotting is done meanwhile.
        </p>
      )}
      {(sitting.layOut?.length ?? 0) > 0 && (
        <p className="soft small mt-2 mb-4">Lay out first: {sitting.layOut?.join(", ")}.</p>
      )}
    </>
  );
}

/** A sitting with the steps that belong to it. */
export interface Seated {
  sitting: Sitting;
  steps: Step[];
}

/** The sittings of a plan with their steps, in order; none for a plan of older records. */
export function sittingsOf(plan: Plan, steps: Step[] = plan.steps): Seated[] {
  return (plan.sittings ?? []).map((sitting) => ({ sitting, steps: steps.filter((s) => s.sitting === sitting.n) }));
}

/** Amounts in the person's units, each open to its working; large where they are read at arm's length. */
export function Amounts({ amounts, large }: { amounts: Schemas["Amount"][]; large?: boolean }) {
  const [system] = useUnits();
  if (amounts.length === 0) return null;
  return (
    <ul className={large ? `${classes.amounts} ${classes.large}` : classes.amounts}>
      {amounts.map((a) => (
        <li key={`${a.what} ${a.value}`}>
          {a.what} <b className="numbers">{sayQuantity(a.value, a.unit, system)}</b>{" "}
          <How working={a.working} of={a.what} />
        </li>
      ))}
    </ul>
  );
}
