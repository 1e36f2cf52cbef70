import { memo, useState } from "react";
import type { Schemas } from "../../api/client";
import { sayDay } from "../../dates";
import { How } from "../../shell/How";
import { PlanHead, Rules, type Seated, SittingHead, sittingsOf } from "./PlanParts";
import { BrokenBy, type Edit } from "./plan/Broken";
import { ChangedSteps, HoldAside, Move } from "./plan/ChangeSitting";
import { Story } from "./plan/Story";
import classes from "./WhatToDo.module.css";

interface DraftStepsProps {
  preview: Schemas["PlanPreview"];
  edits: Edit[];
  edit: (step: string, part: Partial<Edit>) => void;
  /** Why nothing holds its root work back, by the carer's own word. */
  setAside: string | undefined;
  changeSetAside: (why: string | undefined) => void;
  today: string;
}

/** The plan as it would be, told by day; each sitting can be opened and changed step by step. */
export const DraftSteps = memo(function DraftSteps(props: DraftStepsProps) {
  const { preview, edits, edit, setAside, changeSetAside } = props;
  const { plan, odds } = preview;
  const sittings = sittingsOf(plan);
  // A change that the plan has not heard of yet stands where its step does.
  const known = (step: string) => preview.edited.find((e) => e.step === step) ?? plan.steps?.find((s) => s.id === step);
  return (
    <>
      <PlanHead plan={plan} />
      {(plan.causes?.length ?? 0) > 0 && (
        <p className="mt-0 mb-8">
          Of ten such plants about <b>{Math.round(odds.value * 10)}</b> live.{" "}
          <How working={odds.working} of="these odds" />
        </p>
      )}
      <hr className="rule" />
      {sittings.map((seated) => (
        <OneSitting
          key={seated.sitting.n}
          {...seated}
          {...props}
          of={edits.filter((e) => known(e.step)?.sitting === seated.sitting.n)}
          titled={(step) => known(step)?.title ?? ""}
        />
      ))}
      {preview.gone.map((g) => (
        <p key={g.step} className="ochre small">
          You changed “{g.title}”, and this plan has no such step any more.{" "}
          <button
            type="button"
            className="linkbutton"
            aria-label={`Take the change back: ${g.title}`}
            onClick={() => edit(g.step, noChange)}
          >
            take the change back
          </button>
        </p>
      ))}
      {setAside && (
        <p className="soft small">
          Nothing holds its root work back, because: {setAside}.{" "}
          <button type="button" className="linkbutton" onClick={() => changeSetAside(undefined)}>
            let it be held again
          </button>
        </p>
      )}
      <Rules rules={plan.rules} />
    </>
  );
});

const noChange: Partial<Edit> = {
  leaveOut: undefined,
  day: undefined,
  potWidthCm: undefined,
  reason: undefined,
  against: undefined,
};

interface OneSittingProps extends Seated, DraftStepsProps {
  /** The changes to its steps. */
  of: Edit[];
  titled: (step: string) => string;
}

/** One sitting: told, or opened to be changed. What goes against a rule is said beside what was changed. */
function OneSitting(props: OneSittingProps) {
  const { sitting, steps, of, titled, preview, edits, edit, setAside, changeSetAside, today } = props;
  const [open, setOpen] = useState(false);
  const broken = (change: Edit) =>
    // What no single change brought about is said with the first.
    [...preview.breaches, ...preview.kept].filter(
      (b) => b.edit === change.step || (!b.edit && change.step === preview.edited[0]?.step),
    );
  return (
    <section className={classes.sat} aria-label={`Sitting ${sitting.n}`}>
      <SittingHead sitting={sitting} today={today} />
      {open ? (
        <ChangedSteps steps={steps} plan={preview.plan} edits={edits} edit={edit} today={today} />
      ) : (
        <Story steps={steps} plan={preview.plan} />
      )}
      {of.map((change) => (
        <div key={change.step}>
          {change.leaveOut && (
            <p className="soft small my-4">
              Left out by you: {titled(change.step)}.{" "}
              <button
                type="button"
                className="linkbutton"
                aria-label={`Put back: ${titled(change.step)}`}
                onClick={() => edit(change.step, { leaveOut: undefined, reason: undefined, against: undefined })}
              >
                put back
              </button>
            </p>
          )}
          {broken(change).length > 0 && (
            <BrokenBy
              step={change.step}
              named={change.day === undefined ? titled(change.step) : sitting.name}
              breaches={broken(change)}
              instead={preview.kept.some((b) => b.edit === change.step) ? `on ${sayDay(sitting.on, today)}` : undefined}
              change={change}
              edit={edit}
            />
          )}
        </div>
      ))}
      <div className={classes.changes}>
        <button
          type="button"
          className="linkbutton soft small"
          aria-expanded={open}
          aria-label={`${open ? "As it reads" : "Change its steps"}: ${sitting.name}, sitting ${sitting.n}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "as it reads" : "change its steps"}
        </button>
        {!sitting.gate && <Move sitting={sitting} steps={steps} edits={edits} edit={edit} />}
        {sitting.held && <HoldAside sitting={sitting} why={setAside} change={changeSetAside} />}
      </div>
    </section>
  );
}
