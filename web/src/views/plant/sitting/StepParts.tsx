import { Button, Checkbox, Group, TextInput } from "@mantine/core";
import { Link } from "react-router";
import type { Plan } from "../../../api/client";
import { sayDay } from "../../../dates";
import type { Step } from "../PlanParts";
import classes from "../Work.module.css";

interface WhereInPlanProps {
  plan: Plan;
  step: Step;
  left: number;
  today: string;
  due: boolean;
}

/** Which step of how many, and whether it is its time. */
export function WhereInPlan({ plan, step, left, today, due }: WhereInPlanProps) {
  const sitting = (plan.sittings ?? []).find((s) => s.n === step.sitting);
  const together = plan.steps.filter((s) => sitting && s.sitting === sitting.n);
  return (
    <>
      <p className="soft m-0">
        {sitting ? (
          <>
            <b>{sitting.name}</b>, step {together.findIndex((s) => s.id === step.id) + 1} of {together.length} in one
            sitting; {left} of the whole plan still to do
          </>
        ) : (
          <>
            step {plan.steps.findIndex((s) => s.id === step.id) + 1} of {plan.steps.length}, {left} still to do
          </>
        )}
      </p>
      {sitting?.held && (
        <p className="ochre">
          <b>Held back:</b> {sitting.held}. What needs no unpotting is done meanwhile.
        </p>
      )}
      {!due && (
        <p className="ochre">
          {step.gate ? <>This waits to be seen: {step.gate}</> : <>This is not for today: {sayDay(step.on, today)}.</>}
        </p>
      )}
    </>
  );
}

interface LayOutProps {
  things: string[];
  ticked: string[];
  tick: (ticked: string[]) => void;
}

/** What must be at hand, to be ticked. */
export function LayOut({ things, ticked, tick }: LayOutProps) {
  return (
    <>
      {things.length > 0 && (
        <fieldset className={classes.materials}>
          <legend className="soft">At hand?</legend>
          {things.map((m) => (
            <Checkbox
              key={m}
              size="md"
              label={m}
              checked={ticked.includes(m)}
              onChange={() => tick(ticked.includes(m) ? ticked.filter((x) => x !== m) : [...ticked, m])}
            />
          ))}
        </fieldset>
      )}
    </>
  );
}

/** What a step needs of the rest of the program. */
export function Opens({ step, plant }: { step: Step; plant: string }) {
  return (
    <>
      {(step.op === "tally" || step.phase === "tally-and-trim") && (
        <p>
          <Link to={`/plants/${plant}/measure`}>Count the roots</Link>{" "}
          <span className="soft">and come back; the plan can be made again from what you find.</span>
        </p>
      )}
      {step.op === "look" && (
        <p>
          <Button component={Link} to={`/plants/${plant}?check`} variant="default">
            Open the check-in
          </Button>{" "}
          <span className="soft">Recording it ticks this step.</span>
        </p>
      )}
      {step.op === "baseline" && (
        <p>
          <Link to={`/plants/${plant}/pictures`}>Take a picture</Link>
          {" or "}
          <Link to={`/plants/${plant}?check`}>count and measure</Link>{" "}
          <span className="soft">and come back; or write in the note that neither was made.</span>
        </p>
      )}
    </>
  );
}

/** How the step ends, and what to do when one must stop. */
export function HowItEnds({ step, stop }: { step: Step; stop: string | undefined }) {
  return (
    <>
      {stop && (
        <p className="ochre small">
          <b>If you must stop now:</b> {stop}
        </p>
      )}
      {step.ends && <p className="soft small">It ends with: {step.ends}</p>}
      {step.wrong && <p className="soft small">What can go wrong: {step.wrong}</p>}
    </>
  );
}

interface SkippingProps {
  reason: string;
  setReason: (reason: string) => void;
  skip: () => void;
  saving: boolean;
}

/** Why a step is skipped. */
export function Skipping({ reason, setReason, skip, saving }: SkippingProps) {
  return (
    <Group align="end" mt="sm">
      <TextInput
        className="grow"
        label="Why it is skipped"
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
      />
      <Button variant="default" onClick={skip} loading={saving}>
        Skip it
      </Button>
    </Group>
  );
}
