import { Button, Checkbox, Group, NumberInput, Textarea, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Plan } from "../../api/client";
import { useRecord, useSupplies } from "../../api/hooks";
import { newId } from "../../api/id";
import { sayDay } from "../../dates";
import { Bare, Refused } from "../../shell/States";
import { sayProse, useUnits } from "../../units";
import { useUndo } from "../undo";
import { sayCount } from "../words";
import { caseInHand } from "./Cases";
import { Amounts, type Step } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import classes from "./Work.module.css";

interface Draft {
  /** The step that is open, so that interrupted work goes on where it was. */
  at?: string;
  ticked: string[];
  note: string;
  used: Record<string, number>;
  /** When a clock that was started ends, in milliseconds of the device's time. */
  until?: number;
  id: string;
}

const fresh = (): Draft => ({ ticked: [], note: "", used: {}, id: newId() });

/** The plan at the bench: one step at a time, large, by thumb or key. */
export function Work() {
  const file = usePlantFile();
  const plan = file.plan;
  const open = (plan?.steps ?? [])
    .map((s) => ({
      ...s,
      on: file.follow.due[s.id] ?? s.on,
      // A gate that is met waits for nothing any more.
      gate: file.follow.waiting[s.sitting ?? 0]?.open
        ? undefined
        : (s.gate ?? plan?.sittings?.find((x) => x.n === s.sitting)?.gate),
    }))
    .filter((s) => !file.ticks[s.id]);
  if (!plan || file.closed) {
    return (
      <Bare title="There is no plan to work through">
        <Link to={`/plants/${file.id}/do`}>What to do</Link>
      </Bare>
    );
  }
  if (open.length === 0) return <Finished plan={plan} />;
  return <AtTheBench plan={plan} open={open} />;
}

/** Whether a step may be done by pressing Done: its day has come and it waits for nothing. */
const isDue = (s: Step, today: string) => !s.gate && s.on <= today;

/** What is seen when nothing of today is left: the plan goes on later. */
function EnoughForToday({ open, goOn }: { open: Step[]; goOn: () => void }) {
  const file = usePlantFile();
  const next = open.filter((s) => !s.gate).sort((a, b) => a.on.localeCompare(b.on))[0];
  const waiting = open.find((s) => s.gate);
  return (
    <section className={`patch ${classes.work}`} aria-label="That is all for today">
      <h2 className={classes.title}>That is all for today</h2>
      {next && (
        <p>
          Next on {sayDay(next.on, file.today)}: <b>{next.title.toLowerCase()}</b>.
        </p>
      )}
      {waiting && (
        <p>
          <b>{waiting.title}</b> waits for this to be seen: {waiting.gate}.
        </p>
      )}
      <Group mt="sm">
        <Button component={Link} to={`/plants/${file.id}`}>
          Where it stands
        </Button>
        <Button variant="default" onClick={goOn}>
          I did something early, or saw what it waits for
        </Button>
      </Group>
    </section>
  );
}

function AtTheBench({ plan, open }: { plan: Plan; open: Step[] }) {
  const file = usePlantFile();
  const navigate = useNavigate();
  const [system] = useUnits();
  const [draft, setDraft] = useLocalStorage<Draft>({
    key: `work-${file.id}`,
    defaultValue: fresh(),
    getInitialValueInEffect: false,
  });
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const heading = useRef<HTMLHeadingElement>(null);
  const [skipping, setSkipping] = useState(false);
  const [reason, setReason] = useState("");
  const [early, setEarly] = useState("");
  const [beyond, setBeyond] = useState(false);
  const today = open.filter((s) => isDue(s, file.today));
  const chosen = open.findIndex((s) => s.id === draft.at);
  const first = open.findIndex((s) => isDue(s, file.today));
  const at = Math.max(0, chosen >= 0 ? chosen : first);
  const step = open[at] as Step;
  const go = (to: number) => {
    const next = open[to];
    if (!next) return;
    setSkipping(false);
    setEarly("");
    setBeyond(true);
    setDraft({ ...fresh(), at: next.id });
    heading.current?.focus();
  };
  const send = (skipped: boolean, seen = false) =>
    record.mutate(
      {
        id: draft.id,
        on: file.today,
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
          setSkipping(false);
          setReason("");
          setEarly("");
          setBeyond(false);
          // On to the next step of today; when there is none the sitting ends.
          setDraft({ ...fresh(), at: today.find((s) => s.id !== step.id && open.indexOf(s) > at)?.id });
          heading.current?.focus();
        },
      },
    );
  useStepKeys(go, at);
  if (!beyond && today.length === 0) {
    return <EnoughForToday open={open} goOn={() => setBeyond(true)} />;
  }
  const due = isDue(step, file.today);
  // Days and runs of looks are no sight: what waits for them wants a reason.
  const sight = !!step.gate && file.follow.waiting[step.sitting ?? 0]?.seeable !== false;
  const sitting = (plan.sittings ?? []).find((s) => s.n === step.sitting);
  const together = plan.steps.filter((s) => sitting && s.sitting === sitting.n);
  // Everything is laid out before the first step that is still to do; after that there is no gap.
  const begins = !!sitting && open.find((s) => s.sitting === sitting.n)?.id === step.id;
  const begun = together.some((s) => file.ticks[s.id]);
  const lay = sitting ? (begins ? (sitting.layOut ?? []) : []) : (step.materials ?? []);
  const cautions = plan.cautions.filter((c) => step.cautions.includes(c.id));
  return (
    <section className={`patch ${classes.work}`} aria-label="At the bench">
      <WhereInPlan plan={plan} step={step} left={open.length} today={file.today} due={due} />
      <h2 ref={heading} tabIndex={-1} className={classes.title}>
        {step.title}
      </h2>
      {step.if && (
        <p className="ochre">
          <b>{step.if}</b>
        </p>
      )}
      {step.entry && <p className="soft">Only if: {step.entry}</p>}
      <p className={classes.how}>{sayProse(step.how, system)}</p>
      {cautions.map((c) => (
        <p key={c.id} className="red my-6">
          <b aria-hidden>! </b>
          {c.text}
        </p>
      ))}
      <Amounts amounts={step.amounts} />
      <LayOut things={lay} whole={!!sitting} ticked={draft.ticked} tick={(ticked) => setDraft({ ...draft, ticked })} />
      {step.waitMinutes ? (
        <Clock minutes={step.waitMinutes} until={draft.until} set={(until) => setDraft({ ...draft, until })} />
      ) : null}
      <Opens step={step} plant={file.id} />
      {!due && !sight && (
        <TextInput
          mt="sm"
          label="I did it early, because"
          value={early}
          onChange={(e) => setEarly(e.currentTarget.value)}
        />
      )}
      <UsedUp step={step} used={draft.used} set={(used) => setDraft({ ...draft, used })} />
      <Textarea
        mt="sm"
        label="Note"
        autosize
        value={draft.note}
        onChange={(e) => setDraft({ ...draft, note: e.currentTarget.value })}
      />
      <HowItEnds step={step} stop={begun ? sitting?.stop : undefined} />
      {skipping && <Skipping reason={reason} setReason={setReason} skip={() => send(true)} saving={record.isPending} />}
      <Refused error={record.error} />
      <div className={classes.bar}>
        <Button size="lg" variant="default" onClick={() => go(at - 1)} disabled={at === 0}>
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
            loading={record.isPending && !skipping}
          >
            {sight ? "Seen, and done" : due ? "Done" : "Done early"}
          </Button>
        )}
        <Button size="lg" variant="default" onClick={() => go(at + 1)} disabled={at === open.length - 1}>
          Next
        </Button>
      </div>
      <Group mt="sm" justify="space-between">
        <button type="button" className="linkbutton soft" onClick={() => setSkipping(!skipping)}>
          Skip this step
        </button>
        <button type="button" className="linkbutton soft" onClick={() => navigate(`/plants/${file.id}/do`)}>
          Enough for today
        </button>
      </Group>
    </section>
  );
}

/** A clock that goes on when the page is left, and says when it is done. */
function Clock({ minutes, until, set }: { minutes: number; until?: number; set: (until: number | undefined) => void }) {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const tick = window.setInterval(() => setNow(Date.now()), 1000);
    return () => window.clearInterval(tick);
  }, []);
  if (until === undefined) {
    return (
      <Button
        mt="sm"
        variant="default"
        onClick={() => {
          const start = Date.now();
          setNow(start);
          set(start + minutes * 60_000);
        }}
      >
        Start the clock: {minutes >= 120 ? sayCount(minutes / 60, "hour") : sayCount(minutes, "minute")}
      </Button>
    );
  }
  const left = Math.max(0, Math.ceil((until - now) / 1000));
  const pad = (n: number) => String(n).padStart(2, "0");
  return (
    <p role="timer" className={classes.clock}>
      {left === 0 ? (
        <b className="kelp">The time is up.</b>
      ) : (
        <b className="numbers">
          {left >= 3600 && `${Math.floor(left / 3600)}:`}
          {pad(Math.floor(left / 60) % 60)}:{pad(left % 60)}
        </b>
      )}{" "}
      <button type="button" className="linkbutton small soft" onClick={() => set(undefined)}>
        stop the clock
      </button>
    </p>
  );
}

/** What the step takes from the cupboard, where it is kept there. */
function UsedUp({
  step,
  used,
  set,
}: {
  step: Step;
  used: Record<string, number>;
  set: (used: Record<string, number>) => void;
}) {
  const supplies = useSupplies();
  const wanted = [...step.amounts.map((a) => a.what), ...(step.materials ?? [])].map((w) => w.toLowerCase());
  const kept = (supplies.data?.supplies ?? []).filter((s) => wanted.some((w) => w.startsWith(s.name.toLowerCase())));
  if (kept.length === 0) return null;
  return (
    <fieldset className={classes.materials}>
      <legend className="soft">Taken from the cupboard</legend>
      {kept.map((s) => (
        <NumberInput
          key={s.id}
          label={s.name}
          hideControls
          min={0}
          w={140}
          suffix={` ${s.unit}`}
          value={used[s.id] ?? ""}
          onChange={(v) => set({ ...used, [s.id]: Number(v) || 0 })}
        />
      ))}
    </fieldset>
  );
}

/** What was really done, when nothing is left to do. */
function Finished({ plan }: { plan: Plan }) {
  const file = usePlantFile();
  return (
    <section className={`patch ${classes.work}`} aria-label="What was done">
      <h2 className={classes.title}>Every step is done or skipped</h2>
      <ul className="pl-18">
        {plan.steps.map((s) => {
          const tick = file.ticks[s.id];
          return (
            <li key={s.id}>
              {s.title}: {tick?.skipped ? <span className="ochre">skipped, {tick.reason}</span> : "done"}
            </li>
          );
        })}
      </ul>
      <Button component={Link} to={`/plants/${file.id}`}>
        Where it stands
      </Button>
    </section>
  );
}

interface WhereInPlanProps {
  plan: Plan;
  step: Step;
  left: number;
  today: string;
  due: boolean;
}

/** Which step of how many, and whether it is its time. */
function WhereInPlan({ plan, step, left, today, due }: WhereInPlanProps) {
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
  whole: boolean;
  ticked: string[];
  tick: (ticked: string[]) => void;
}

/** What must be at hand, to be ticked. */
function LayOut({ things, whole, ticked, tick }: LayOutProps) {
  return (
    <>
      {things.length > 0 && (
        <fieldset className={classes.materials}>
          <legend className="soft">{whole ? "Lay out first, for the whole sitting" : "At hand?"}</legend>
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
function Opens({ step, plant }: { step: Step; plant: string }) {
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
function HowItEnds({ step, stop }: { step: Step; stop: string | undefined }) {
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

/** Steps by keys of a keyboard or a foot switch; not while something is typed. */
function useStepKeys(go: (to: number) => void, at: number) {
  const keys = useRef({ go, at });
  keys.current = { go, at };
  useEffect(() => {
    const on = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement) return;
      if (e.key === "ArrowRight" || e.key === "PageDown") keys.current.go(keys.current.at + 1);
      if (e.key === "ArrowLeft" || e.key === "PageUp") keys.current.go(keys.current.at - 1);
    };
    window.addEventListener("keydown", on);
    return () => window.removeEventListener("keydown", on);
  }, []);
}

interface SkippingProps {
  reason: string;
  setReason: (reason: string) => void;
  skip: () => void;
  saving: boolean;
}

/** Why a step is skipped. */
function Skipping({ reason, setReason, skip, saving }: SkippingProps) {
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
