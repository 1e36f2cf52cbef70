import { TextInput } from "@mantine/core";
import { memo, useState } from "react";
import type { Answers, Schemas } from "../../api/client";
import { daysBetween, shortDay } from "../../dates";
import { NumberField, QuantityInput } from "../../fields";
import { How } from "../../shell/How";
import { PlanHead, Rules, type Seated, SittingHead, type Step, StepText, saidOnce, sittingsOf } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import classes from "./WhatToDo.module.css";

export type Edit = NonNullable<Answers["edits"]>[number];
type Plan = Schemas["PlanPreview"]["plan"];

interface DraftStepsProps {
  preview: Schemas["PlanPreview"];
  edits: Edit[];
  edit: (step: string, part: Partial<Edit>) => void;
  /** Why nothing holds its root work back, by the carer's own word. */
  setAside: string | undefined;
  changeSetAside: (why: string | undefined) => void;
  today: string;
}

/** The steps as they would be: each can be left out, moved, or done with another pot. */
export const DraftSteps = memo(function DraftSteps(props: DraftStepsProps) {
  const { preview, edits, edit, setAside, changeSetAside, today } = props;
  const { plan, odds, breaches } = preview;
  const out = edits.filter((e) => e.leaveOut);
  return (
    <>
      <PlanHead plan={plan} />
      <p className="mt-0 mb-8">
        Of ten such plants about <b>{Math.round(odds.value * 10)}</b> live.{" "}
        <How working={odds.working} of="these odds" />
      </p>
      <Rules rules={plan.rules} />
      {breaches.length > 0 && <Broken breaches={breaches} edits={edits} edit={edit} />}
      <hr className="rule" />
      {sittingsOf(plan).map(({ sitting, steps }) => {
        const say = saidOnce(steps);
        return (
          <section key={sitting.n} className={classes.sat} aria-label={`Sitting ${sitting.n}`}>
            <SittingHead sitting={sitting} today={today} />
            {sitting.held && <HoldAside sitting={sitting} why={setAside} change={changeSetAside} />}
            {!sitting.gate && <Move sitting={sitting} steps={steps} edits={edits} edit={edit} />}
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
          </section>
        );
      })}
      {setAside && (
        <p className="soft small">
          Nothing holds its root work back, because: {setAside}.{" "}
          <button type="button" className="linkbutton" onClick={() => changeSetAside(undefined)}>
            let it be held again
          </button>
        </p>
      )}
      {out.length > 0 && (
        <p className="soft small">
          Left out by you:{" "}
          {out.map((e) => (
            <button
              key={e.step}
              type="button"
              className="linkbutton"
              onClick={() => edit(e.step, { leaveOut: undefined, reason: undefined, against: undefined })}
            >
              put {e.step.split("@")[0]?.replaceAll("-", " ")} back
            </button>
          ))}
        </p>
      )}
    </>
  );
});

interface DraftStepProps extends Pick<DraftStepsProps, "edit" | "today">, Pick<Plan, "cautions" | "names"> {
  step: Step;
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
        aria-label={`Leave out: ${step.title}`}
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

interface BrokenProps {
  breaches: Schemas["RuleBroken"][];
  edits: Edit[];
  edit: (step: string, part: Partial<Edit>) => void;
}

interface MoveProps extends Seated {
  edits: Edit[];
  edit: (step: string, part: Partial<Edit>) => void;
}

/** Moves a whole sitting to another day: what belongs together stays together. */
function Move({ sitting, steps, edits, edit }: MoveProps) {
  const file = usePlantFile();
  const [open, setOpen] = useState(false);
  const moved = edits.find((e) => e.day !== undefined && steps.some((s) => s.id === e.step));
  const first = moved?.step ?? steps[0]?.id;
  if (!first) return null;
  if (!open && !moved) {
    return (
      <button
        type="button"
        className="linkbutton soft small"
        aria-label={`Another day: ${sitting.name}, ${shortDay(sitting.on)}`}
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

/** The rules that a changed plan goes against: each change with a reason of its own, never silently. */
function Broken({ breaches, edits, edit }: BrokenProps) {
  const changes = edits.filter((e) => e.leaveOut || e.day !== undefined || e.potWidthCm !== undefined);
  // What no single change brought about is said with the first.
  const of = (b: Schemas["RuleBroken"]) => b.edit || changes[0]?.step || "plan";
  return (
    <>
      {[...new Set(breaches.map(of))].map((step) => (
        <BrokenBy
          key={step}
          step={step}
          breaches={breaches.filter((b) => of(b) === step)}
          change={edits.find((e) => e.step === step)}
          edit={edit}
        />
      ))}
    </>
  );
}

/** What one change goes against, and why it is made all the same. */
function BrokenBy({
  step,
  breaches,
  change,
  edit,
}: { step: string; change?: Edit } & Pick<BrokenProps, "breaches" | "edit">) {
  const named = step.split("@")[0]?.replaceAll("-", " ") ?? step;
  const what = change?.leaveOut
    ? `Leaving out “${named}”`
    : change?.day !== undefined
      ? `The other day for “${named}”`
      : `The other pot for “${named}”`;
  return (
    <section className={classes.broken} aria-label={`Against the rules: ${what}`}>
      <h3 className="red">{what} goes against what is never done</h3>
      <ul className="my-4 pl-18">
        {breaches.map((b) => (
          <li key={b.rule + b.step + b.here}>
            <b>Never {b.never}</b>: {b.why}.{" "}
            <span className="soft small">
              {b.step && `${b.step}: `}
              {b.here}. ({b.rule})
            </span>
          </li>
        ))}
      </ul>
      <TextInput
        label="Why you do it all the same"
        description="It is kept with the plan, for this change alone."
        value={change?.reason ?? ""}
        onChange={(e) =>
          edit(step, {
            reason: e.currentTarget.value || undefined,
            against: [...new Set(breaches.map((b) => b.rule))],
          })
        }
      />
    </section>
  );
}

interface HoldAsideProps {
  sitting: Seated["sitting"];
  why: string | undefined;
  change: (why: string | undefined) => void;
}

/** Sets aside what holds a sitting back: the carer's own word, with a reason that is kept with the plan. */
function HoldAside({ sitting, why, change }: HoldAsideProps) {
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
