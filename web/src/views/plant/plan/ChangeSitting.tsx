import { TextInput } from "@mantine/core";
import { memo, useState } from "react";
import { daysBetween, shortDay } from "../../../dates";
import { NumberField, QuantityInput } from "../../../fields";
import { type Seated, type Step, StepText, saidOnce } from "../PlanParts";
import { usePlantFile } from "../PlantPage";
import type { Edit } from "./Broken";

type ChangeStep = (step: string, part: Partial<Edit>) => void;

interface ChangedStepsProps {
  steps: Step[];
  plan: Parameters<typeof StepText>[0]["plan"];
  edits: Edit[];
  edit: ChangeStep;
  today: string;
}

/** The steps of a sitting one by one: each can be left out, a pot can be another. */
export function ChangedSteps({ steps, plan, edits, edit, today }: ChangedStepsProps) {
  const say = saidOnce(steps);
  return (
    <ol>
      {steps.map((s) => (
        <DraftStep
          key={s.id}
          step={s}
          cautions={plan.cautions}
          names={plan.names}
          say={(say.get(s.id) ?? []).join(" ")}
          width={edits.find((e) => e.step === s.id)?.potWidthCm}
          edit={edit}
          today={today}
        />
      ))}
    </ol>
  );
}

interface DraftStepProps extends Pick<ChangedStepsProps, "edit" | "today"> {
  step: Step;
  cautions: ChangedStepsProps["plan"]["cautions"];
  names: ChangedStepsProps["plan"]["names"];
  /** Ids of the cautions said at it, with spaces between. */
  say: string;
  /** The width of the pot that the carer has, where another was named. */
  width: number | undefined;
}

/** One step: drawn anew only when it changes, so that a changed answer shows at once. */
const DraftStep = memo(function DraftStep({ step, cautions, names, say, width, edit, today }: DraftStepProps) {
  return (
    <li data-step={step.id}>
      <StepText step={step} plan={{ cautions, names }} today={today} say={say.split(" ")} />
      <button
        type="button"
        className="linkbutton soft small"
        aria-label={`Leave this out: ${step.title}`}
        onClick={() => edit(step.id, { leaveOut: true })}
      >
        leave this out
      </button>
      {step.op === "ready-pot" && (
        <QuantityInput
          unit="cm"
          label="Another pot, width"
          w={180}
          value={width}
          onChange={(v) => edit(step.id, { potWidthCm: v })}
        />
      )}
    </li>
  );
});

interface MoveProps extends Seated {
  edits: Edit[];
  edit: ChangeStep;
}

/** Moves a whole sitting to another day: what belongs together stays together. */
export function Move({ sitting, steps, edits, edit }: MoveProps) {
  const file = usePlantFile();
  const [open, setOpen] = useState(false);
  const moved = edits.find((e) => e.day !== undefined && steps.some((s) => s.id === e.step));
  const first = moved?.step ?? sitting.movedBy ?? steps[0]?.id;
  if (!first) return null;
  if (!open && !moved) {
    return (
      <button
        type="button"
        className="linkbutton soft small"
        aria-label={`On another day: ${sitting.name}, ${shortDay(sitting.on)}`}
        onClick={() => setOpen(true)}
      >
        on another day
      </button>
    );
  }
  return (
    <NumberField
      label="Days from today"
      w={160}
      allowDecimal={false}
      value={moved?.day ?? daysBetween(file.today, sitting.on)}
      onChange={(v) => edit(first, { day: v })}
    />
  );
}

interface HoldAsideProps {
  sitting: Seated["sitting"];
  why: string | undefined;
  change: (why: string | undefined) => void;
}

/** Sets aside what holds a sitting back: the carer's own word, with a reason that is kept with the plan. */
export function HoldAside({ sitting, why, change }: HoldAsideProps) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState(why ?? "");
  if (!asking) {
    return (
      <button
        type="button"
        className="linkbutton soft small"
        aria-label={`Do it all the same: ${sitting.name}`}
        onClick={() => setAsking(true)}
      >
        do it all the same
      </button>
    );
  }
  return (
    <TextInput
      label="Why nothing should hold it back"
      description="It is kept with the plan."
      value={reason}
      onChange={(e) => setReason(e.currentTarget.value)}
      onBlur={() => change(reason.trim() || undefined)}
      onKeyDown={(e) => e.key === "Enter" && change(reason.trim() || undefined)}
      data-autofocus
    />
  );
}
