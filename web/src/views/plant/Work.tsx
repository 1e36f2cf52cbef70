import { Button, Group, Textarea, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Plan, PlantFile, Task } from "../../api/client";
import { useRecord } from "../../api/recording";
import { Say } from "../../Say";
import { Bare, Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { caseInHand } from "./Cases";
import { Amounts, type Step } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import { Clock } from "./sitting/Clock";
import { type Draft, fresh } from "./sitting/draft";
import { EnoughForToday, Finished } from "./sitting/Ends";
import { useStepKeys } from "./sitting/keys";
import { LayOutPage } from "./sitting/LayOutPage";
import { HowItEnds, LayOut, Opens, Skipping, WhereInPlan } from "./sitting/StepParts";
import { UsedUp } from "./sitting/UsedUp";
import classes from "./Work.module.css";

/** The plan at the bench: what to lay out, then one step at a time, large, by thumb or key. */
export function Work() {
  const file = usePlantFile();
  const plan = file.plan;
  const due = dueSteps(file);
  const open = (plan?.steps ?? [])
    .map((s) => ({
      ...s,
      ...again(due.get(s.id), !!file.ticks[s.id]),
      on: due.get(s.id)?.from ?? file.follow.due[s.id] ?? s.on,
      // A gate that is met waits for nothing any more.
      gate:
        due.has(s.id) || file.follow.waiting[s.sitting ?? 0]?.open
          ? undefined
          : (s.gate ?? plan?.sittings?.find((x) => x.n === s.sitting)?.gate),
    }))
    // What is done again and again is open whenever it is due.
    .filter((s) => !file.ticks[s.id] || due.has(s.id));
  if (!plan || file.closed) {
    return (
      <Bare title="There is no plan to work through">
        <Link to={`/plants/${file.id}/do`}>What to do</Link>
      </Bare>
    );
  }
  if (open.length === 0) return <Finished plan={plan} />;
  return <AtTheBench plan={plan} open={open} isDue={(s) => due.has(s.id)} />;
}

/** The steps that are due, each from which day on: what the walk and the plant's page ask for, and nothing else. */
const dueSteps = (file: PlantFile) =>
  new Map((file.tasks ?? []).flatMap((t) => (t.kind === "step" && t.from <= file.today ? [[t.step, t]] : [])));

/** What is done once more stands alone: it is told as it is asked for, and nothing is laid out for it. */
const again = (task: Task | undefined, begun: boolean): Partial<Step> =>
  task && begun ? { title: task.what, how: task.how ?? "", sitting: undefined, materials: [] } : {};

/** Which page is open: what to lay out, a step, or the end of the day. */
function AtTheBench({ plan, open, isDue }: { plan: Plan; open: Step[]; isDue: (s: Step) => boolean }) {
  const file = usePlantFile();
  const [draft, setDraft] = useLocalStorage<Draft>({
    key: `work-${file.id}`,
    defaultValue: fresh(),
    getInitialValueInEffect: false,
  });
  const heading = useRef<HTMLHeadingElement>(null);
  const [beyond, setBeyond] = useState(false);
  const today = open.filter(isDue);
  const chosen = open.findIndex((s) => s.id === draft.at);
  const first = open.findIndex(isDue);
  const at = Math.max(0, chosen >= 0 ? chosen : first);
  const step = open[at] as Step;
  const go = (to: number) => {
    const next = open[to];
    if (!next) return;
    setBeyond(true);
    setDraft({ ...fresh(draft.laid), at: next.id });
    heading.current?.focus();
  };
  useStepKeys(go, at);
  if (!beyond && today.length === 0) {
    return <EnoughForToday open={open} goOn={() => setBeyond(true)} />;
  }
  const sitting = (plan.sittings ?? []).find((s) => s.n === step.sitting);
  const together = plan.steps.filter((s) => sitting && s.sitting === sitting.n);
  // Everything is laid out before the first step that is still to do; after that there is no gap.
  const begins = !!sitting && open.find((s) => s.sitting === sitting.n)?.id === step.id;
  if (sitting?.layOut?.length && begins && isDue(step) && !draft.laid?.includes(sitting.n)) {
    const left = together.filter((s) => !file.ticks[s.id]);
    return (
      <LayOutPage
        sitting={sitting}
        steps={left.length}
        minutes={left.reduce((sum, s) => sum + s.minutes, 0)}
        ticked={draft.ticked}
        tick={(ticked) => setDraft({ ...draft, ticked })}
        begin={() => setDraft({ ...fresh([...(draft.laid ?? []), sitting.n]), at: step.id })}
      />
    );
  }
  return (
    <StepPage
      key={step.id}
      plan={plan}
      step={step}
      due={isDue(step)}
      left={open.length}
      heading={heading}
      draft={draft}
      setDraft={setDraft}
      back={at > 0 ? () => go(at - 1) : undefined}
      next={at < open.length - 1 ? () => go(at + 1) : undefined}
      sent={() => {
        setBeyond(false);
        // On to the next step of today; when there is none the sitting ends.
        setDraft({ ...fresh(draft.laid), at: today.find((s) => s.id !== step.id && open.indexOf(s) > at)?.id });
        heading.current?.focus();
      }}
    />
  );
}

interface StepPageProps {
  plan: Plan;
  step: Step;
  due: boolean;
  left: number;
  heading: React.RefObject<HTMLHeadingElement | null>;
  draft: Draft;
  setDraft: (draft: Draft) => void;
  back: (() => void) | undefined;
  next: (() => void) | undefined;
  sent: () => void;
}

/** One step: what to do, its amounts, what it opens, and how it ends. */
function StepPage({ plan, step, due, left, heading, draft, setDraft, back, next, sent }: StepPageProps) {
  const file = usePlantFile();
  const sitting = (plan.sittings ?? []).find((s) => s.n === step.sitting);
  const together = plan.steps.filter((s) => sitting && s.sitting === sitting.n);
  const before = together.slice(
    0,
    together.findIndex((s) => s.id === step.id),
  );
  // A caution stands once in a sitting, at the first step that it belongs to.
  const cautions = plan.cautions.filter(
    (c) => step.cautions.includes(c.id) && !before.some((s) => s.cautions.includes(c.id)),
  );
  const begun = together.some((s) => file.ticks[s.id]);
  return (
    <section className={`patch ${classes.work}`} aria-label="At the bench">
      <WhereInPlan plan={plan} step={step} left={left} today={file.today} due={due} />
      <h2 ref={heading} tabIndex={-1} className={classes.title}>
        {step.title}
      </h2>
      {step.if && (
        <p className="ochre">
          <b>{step.if}</b>
        </p>
      )}
      {step.entry && <p className="soft">Only if: {step.entry}</p>}
      <p className={classes.how}>
        <Say>{step.how}</Say>
      </p>
      {cautions.map((c) => (
        <p key={c.id} className="red my-6">
          <b aria-hidden>! </b>
          <Say>{c.text}</Say>
        </p>
      ))}
      <Amounts amounts={step.amounts} />
      {!sitting && (
        <LayOut things={step.materials ?? []} ticked={draft.ticked} tick={(ticked) => setDraft({ ...draft, ticked })} />
      )}
      {step.waitMinutes ? (
        <Clock minutes={step.waitMinutes} until={draft.until} set={(until) => setDraft({ ...draft, until })} />
      ) : null}
      <Opens step={step} plant={file.id} />
      <UsedUp step={step} used={draft.used} set={(used) => setDraft({ ...draft, used })} />
      <HowItEnds step={step} stop={begun ? sitting?.stop : undefined} />
      <Answer step={step} due={due} draft={draft} setDraft={setDraft} back={back} next={next} sent={sent} />
    </section>
  );
}

type AnswerProps = Pick<StepPageProps, "step" | "due" | "draft" | "setDraft" | "back" | "next" | "sent">;

/** How the step is answered: done today, early or on another day, or skipped; a note only where it is wanted. */
function Answer({ step, due, draft, setDraft, back, next, sent }: AnswerProps) {
  const file = usePlantFile();
  const navigate = useNavigate();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [more, setMore] = useState<"skip" | "day">();
  const [reason, setReason] = useState("");
  const [early, setEarly] = useState("");
  const [day, setDay] = useState<string>();
  const [noting, setNoting] = useState(draft.note !== "");
  // Days and runs of looks are no sight: what waits for them wants a reason.
  const sight = !!step.gate && file.follow.waiting[step.sitting ?? 0]?.seeable !== false;
  const send = (skipped: boolean, seen = false) =>
    record.mutate(
      {
        id: draft.id,
        on: day || file.today,
        case: caseInHand(file),
        did: {
          step: step.id,
          skipped,
          reason: skipped ? reason : early || undefined,
          seen: seen || undefined,
          note: draft.note || undefined,
          used: Object.entries(draft.used)
            .filter(([, amount]) => amount > 0)
            .map(([supply, amount]) => ({ supply, amount })),
        },
      },
      {
        onSuccess: (e) => {
          undo(`${skipped ? "skipped" : "done"}: ${step.title.toLowerCase()}`, e.id);
          sent();
        },
      },
    );
  const link = (label: string, act: () => void) => (
    <button type="button" className="linkbutton soft" onClick={act}>
      {label}
    </button>
  );
  return (
    <>
      {!due && !sight && (
        <TextInput
          mt="sm"
          label="I did it early, because"
          value={early}
          onChange={(e) => setEarly(e.currentTarget.value)}
        />
      )}
      {noting && (
        <Textarea
          mt="sm"
          label="Note"
          autosize
          value={draft.note}
          onChange={(e) => setDraft({ ...draft, note: e.currentTarget.value })}
        />
      )}
      {more === "day" && (
        <TextInput
          mt="sm"
          type="date"
          label="It was done on"
          value={day ?? file.today}
          max={file.today}
          onChange={(e) => setDay(e.currentTarget.value)}
        />
      )}
      {more === "skip" && (
        <Skipping reason={reason} setReason={setReason} skip={() => send(true)} saving={record.isPending} />
      )}
      <Refused error={record.error} />
      <div className={classes.bar}>
        <Button size="lg" variant="default" onClick={back} disabled={!back}>
          Back
        </Button>
        {step.op === "look" && due ? (
          <Button size="lg" className={classes.done} component={Link} to={`/plants/${file.id}?check`}>
            Look again
          </Button>
        ) : (
          <Button
            size="lg"
            className={classes.done}
            onClick={() => send(false, sight)}
            disabled={!due && !sight && !early.trim()}
            loading={record.isPending && more !== "skip"}
          >
            {sight ? "Seen, and done" : due ? "Done" : early.trim() ? "Done early" : "Done early: say why"}
          </Button>
        )}
        <Button size="lg" variant="default" onClick={next} disabled={!next}>
          Next
        </Button>
      </div>
      <Group mt="sm" justify="space-between">
        {!noting && link("Add a note", () => setNoting(true))}
        {link("Done on another day", () => setMore(more === "day" ? undefined : "day"))}
        {link("Skip this step", () => setMore(more === "skip" ? undefined : "skip"))}
        {link("Enough for today", () => navigate(`/plants/${file.id}/do`))}
      </Group>
    </>
  );
}
