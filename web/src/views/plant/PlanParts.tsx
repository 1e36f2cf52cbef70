import type { Plan, Schemas } from "../../api/client";
import { distance, shortDay } from "../../dates";
import { How } from "../../shell/How";
import { sayProse, sayQuantity, useUnits } from "../../units";
import classes from "./WhatToDo.module.css";

export type Step = NonNullable<Plan["steps"]>[number];

/** What the plan is for, what to expect, when it ends and what to beware of. */
export function PlanHead({ plan }: { plan: Plan }) {
  const small = (label: string, list: string[] | undefined) =>
    list?.map((e) => (
      <p key={e} className="soft small" style={{ margin: "4px 0" }}>
        {label}: {e}
      </p>
    ));
  return (
    <>
      <h2>{plan.names?.join(" · ")}</h2>
      {plan.expect?.map((e) => (
        <p key={e} style={{ margin: "6px 0" }}>
          {e}
        </p>
      ))}
      {small("Begin only if", plan.entry)}
      {small("It ends with", plan.ends)}
      {small("What can go wrong", plan.wrong)}
      {small("When to stop", plan.stops)}
    </>
  );
}

interface RulesProps {
  rules: Schemas["Rule"][];
  overruled?: string[];
  /** Missing where a plan is only read. */
  toggle?: (rule: string) => void;
}

/** The rules that shaped the plan, each with its reason; the carer may set one aside. */
export function Rules({ rules, overruled = [], toggle }: RulesProps) {
  if (rules.length === 0) return null;
  return (
    <>
      <h3 style={{ marginTop: 8 }}>Where its parts disagreed</h3>
      <ul className="small" style={{ margin: "4px 0", paddingLeft: 18 }}>
        {rules.map((r) => (
          <li key={r.id + r.what}>
            <b style={r.overruled ? { textDecoration: "line-through" } : undefined}>{r.what}.</b> {r.why}{" "}
            {r.overruled && !toggle && <span className="ochre">Set aside.</span>}
            {toggle && (
              <button
                type="button"
                className="linkbutton soft"
                aria-label={`${overruled.includes(r.id) ? "Follow" : "Set aside"}: ${r.what}`}
                onClick={() => toggle(r.id)}
              >
                {overruled.includes(r.id) ? "follow it after all" : "set aside"}
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** What the steps need, against the cupboard, with what is to buy. */
export function Needs({ needs, low = [] }: { needs: Schemas["Need"][]; low?: Schemas["Supply"][] }) {
  const [system] = useUnits();
  if (needs.length + low.length === 0) return null;
  const say = (value: number, unit: string) =>
    unit === "pieces" ? (value ? String(value) : "") : sayQuantity(value, unit, system);
  const cost = needs.reduce((sum, n) => sum + (n.cost ?? 0), 0);
  return (
    <section className="patch" aria-label="What it takes">
      <h2>What it takes</h2>
      <ul className={classes.needs}>
        {needs.map((n) => (
          <li key={n.what}>
            <span>
              {n.what} <b className="numbers">{n.need > 0 ? say(n.need, n.unit) : ""}</b>
            </span>
            <span className={n.stock === undefined ? "soft small" : n.buy > 0 ? "red small" : "kelp small"}>
              {n.stock === undefined
                ? "not in the cupboard"
                : n.buy > 0
                  ? `buy ${say(n.buy, n.unit)}`
                  : n.need === 0 && n.stock <= 0
                    ? "none left"
                    : "there"}
            </span>
          </li>
        ))}
      </ul>
      {low.length > 0 && (
        <p className="small" style={{ margin: "8px 0 0" }}>
          <b className="ochre">Running low:</b>{" "}
          {low.map((s) => `${s.name} (${Number(s.stock.toFixed(2))} ${s.unit})`).join(", ")}.
        </p>
      )}
      {cost > 0 && (
        <p className="small" style={{ margin: "8px 0 0" }}>
          What is used up costs about <b>{cost.toFixed(2)}</b> at your own prices.
        </p>
      )}
    </section>
  );
}

const phases: Record<string, string> = {
  "pre-soak": "soak",
  "tally-and-trim": "tally and trim",
  "set-and-stake": "set and stake",
  "clean-roots": "clean",
};

/** One step with its amounts and the cautions that belong to it. */
export function StepText({ step, plan, today }: { step: Step; plan: Plan; today: string }) {
  const [system] = useUnits();
  const cautions = (plan.cautions ?? []).filter((c) => step.cautions?.includes(c.id));
  return (
    <div>
      <span className={classes.phase}>
        {phases[step.phase] ?? step.phase.replaceAll("-", " ")} · {shortDay(step.on)} ({distance(step.on, today)}) ·{" "}
        {step.minutes} min
        {(plan.names?.length ?? 0) > 1 && step.reasons && ` · for ${step.reasons.join(" and ").toLowerCase()}`}
      </span>
      <h3>{step.title}</h3>
      {step.if && (
        <p className="ochre" style={{ margin: "2px 0" }}>
          <b>{step.if}</b>
        </p>
      )}
      <p style={{ margin: "2px 0" }}>{sayProse(step.how, system)}</p>
      {step.gate && (
        <p className="soft small" style={{ margin: "2px 0" }}>
          Not by the day alone; first: {step.gate}
        </p>
      )}
      {(step.materials?.length ?? 0) > 0 && (
        <p className="soft small" style={{ margin: "2px 0" }}>
          At hand: {step.materials?.join(", ")}.
        </p>
      )}
      <Amounts amounts={step.amounts ?? []} />
      {cautions.map((c) => (
        <p key={c.id} className="small red" style={{ margin: "3px 0" }}>
          <b aria-hidden>! </b>
          {c.text}
        </p>
      ))}
    </div>
  );
}

/** Amounts in the person's units, each open to its working. */
export function Amounts({ amounts }: { amounts: Schemas["Amount"][] }) {
  const [system] = useUnits();
  if (amounts.length === 0) return null;
  return (
    <ul className={classes.amounts}>
      {amounts.map((a) => (
        <li key={a.what}>
          {a.what} <b className="numbers">{sayQuantity(a.value, a.unit, system)}</b>{" "}
          <How working={a.working} of={a.what} />
        </li>
      ))}
    </ul>
  );
}
