import { Say } from "../../../Say";
import { sayCount } from "../../words";
import { Amounts, type Plan, type Step } from "../PlanParts";
import classes from "./Story.module.css";

interface StoryProps {
  steps: Step[];
  plan: Pick<Plan, "cautions">;
}

/** A sitting told as it goes: what is done in sentences, part by part, how much of what, and what to beware of. */
export function Story({ steps, plan }: StoryProps) {
  const cautions = (plan.cautions ?? []).filter((c) => steps.some((s) => s.cautions?.includes(c.id)));
  return (
    <div className={classes.story}>
      {partsOf(steps).map((part) => (
        <div key={part.steps[0]?.id} className={classes.part}>
          <span className={classes.name}>{part.name}</span>
          <div>
            <p className={classes.told}>
              {part.steps.map((s) => (
                <Told key={s.id} step={s} />
              ))}
            </p>
            <Amounts amounts={part.steps.flatMap((s) => s.amounts ?? [])} large />
          </div>
        </div>
      ))}
      {cautions.length > 0 && (
        <details className={classes.cautions} open>
          <summary>Take care</summary>
          {cautions.map((c) => (
            <p key={c.id} className="small red my-3">
              <Say>{c.text}</Say>
            </p>
          ))}
        </details>
      )}
    </div>
  );
}

/** The steps part by part of the work; what keeps house stays with what it is done in the middle of. */
function partsOf(steps: Step[]) {
  const parts: { name: string; steps: Step[] }[] = [];
  for (const s of steps) {
    const last = parts.at(-1);
    if (last && (!s.part || !last.name || s.part === last.name)) {
      last.steps.push(s);
      last.name ||= s.part ?? "";
    } else {
      parts.push({ name: s.part ?? "", steps: [s] });
    }
  }
  return parts;
}

/** The sentences of one step. */
function Told({ step }: { step: Step }) {
  // Its own words say how often, where they do.
  const often = step.every && !/every|each/i.test(step.how) ? ` Again ${sayEvery(step.every)}.` : "";
  return (
    <span data-step={step.id}>
      {step.if && <b className="ochre">{step.if} </b>}
      <Say>{step.how}</Say>
      {often}{" "}
    </span>
  );
}

const sayEvery = (days: number) => (days === 1 ? "every day" : `every ${sayCount(days, "day")}`);
