import type { Plan } from "../../api/client";
import { distance, shortDay } from "../../dates";
import { How } from "../../shell/How";
import { sayProse, sayQuantity, useUnits } from "../../units";
import classes from "./WhatToDo.module.css";

export type Step = NonNullable<Plan["steps"]>[number];

/** What the plan is for, what to expect, when it ends and what to beware of. */
export function PlanHead({ plan }: { plan: Plan }) {
  return (
    <>
      <h2>{plan.names?.join(" · ")}</h2>
      {plan.expect?.map((e) => (
        <p key={e} style={{ margin: "6px 0" }}>
          {e}
        </p>
      ))}
      {plan.ends?.map((e) => (
        <p key={e} className="soft small" style={{ margin: "4px 0" }}>
          It ends with: {e}
        </p>
      ))}
      {plan.wrong?.map((e) => (
        <p key={e} className="soft small" style={{ margin: "4px 0" }}>
          What can go wrong: {e}
        </p>
      ))}
      {(plan.rules?.length ?? 0) > 0 && (
        <ul className="small" style={{ margin: "6px 0", paddingLeft: 18 }}>
          {plan.rules?.map((r) => (
            <li key={r.what}>
              <b>{r.what}.</b> {r.why}
            </li>
          ))}
        </ul>
      )}
      <hr className="rule" />
    </>
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
      <p style={{ margin: "2px 0" }}>{sayProse(step.how, system)}</p>
      {(step.amounts?.length ?? 0) > 0 && (
        <ul className={classes.amounts}>
          {step.amounts?.map((a) => (
            <li key={a.what}>
              {a.what} <b className="numbers">{sayQuantity(a.value, a.unit, system)}</b>{" "}
              <How working={a.working} of={a.what} />
            </li>
          ))}
        </ul>
      )}
      {cautions.map((c) => (
        <p key={c.id} className="small red" style={{ margin: "3px 0" }}>
          <b aria-hidden>! </b>
          {c.text}
        </p>
      ))}
    </div>
  );
}
