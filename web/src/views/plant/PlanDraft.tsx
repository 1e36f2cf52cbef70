import { Button, Group, Radio, Select, type SelectProps, Stack, TextInput } from "@mantine/core";
import { useDebouncedValue, useLocalStorage } from "@mantine/hooks";
import { useMemo, useState } from "react";
import type { Answers, Schemas } from "../../api/client";
import { usePlanPreview, useRecord, useSaveChoices, useSettings } from "../../api/hooks";
import { newId } from "../../api/id";
import { daysBetween, shortDay } from "../../dates";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { NumberField, QuantityInput } from "../../units";
import { useUndo } from "../undo";
import { WhoLivesHere } from "../WhoLivesHere";
import { Needs, PlanHead, Rules, type Seated, SittingHead, StepText, sittingsOf } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import classes from "./WhatToDo.module.css";

const yesNo = [
  { value: "yes", label: "yes" },
  { value: "no", label: "no" },
];

/** A plan before it is taken up: a few questions, both sides where the trade disagrees, the steps as they would be. */
export function PlanDraft(props: Omit<DraftProps, "settled">) {
  const settings = useSettings();
  if (settings.isPending) return <Waiting />;
  if (settings.isError) return <Failed error={settings.error} retry={() => settings.refetch()} />;
  return <Draft {...props} settled={settings.data} />;
}

interface DraftProps {
  decideAgain: () => void;
  /** A plan made anew in the middle of the same work: what is done stays done. */
  keeps?: boolean;
  /** What is wished of a plant that nothing ails. */
  wish?: Answers["wish"];
  settled: Schemas["Settled"];
}

function Draft({ decideAgain, keeps, wish, settled }: DraftProps) {
  const file = usePlantFile();
  const [answers, setAnswers, clear] = useLocalStorage<Answers>({
    key: `plan-${file.id}${wish ? `-${wish}` : ""}`,
    defaultValue: wish ? { wish } : keeps ? file.answers : {},
    getInitialValueInEffect: false,
  });
  // What this person usually takes stands until it is answered otherwise here.
  const full = useMemo(() => ({ ...(settled.choices as Partial<Answers>), ...answers }), [settled.choices, answers]);
  const [asked] = useDebouncedValue(full, 200);
  const preview = usePlanPreview(file.id, asked, keeps ?? false);
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  const saveChoices = useSaveChoices();
  const [id] = useState(newId);
  const set = (part: Partial<Answers>) => setAnswers({ ...answers, ...part });
  const orchid = file.habitInfo.orchid;
  const count = (
    key: "liveRoots" | "deadRoots" | "liveTips" | "lookDays" | "offsetsSeen",
    label: string,
    description: string,
  ) => (
    <NumberField
      label={label}
      description={description}
      allowDecimal={false}
      value={answers[key] ?? preview.data?.answers[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const pick = (key: "moist" | "reserves", label: string, placeholder: string, data: SelectProps["data"]) => (
    <Select
      label={label}
      placeholder={placeholder}
      clearable
      data={data}
      value={answers[key] ?? null}
      onChange={(v) => set({ [key]: v ?? undefined })}
    />
  );
  const yes = (key: "liveRot" | "inSpike" | "limp" | "standing" | "plug" | "potHoles", label: string) => (
    <Select
      label={label}
      placeholder="not looked"
      clearable
      data={yesNo}
      value={answers[key] === undefined ? null : answers[key] ? "yes" : "no"}
      onChange={(v) => set({ [key]: v === null ? undefined : v === "yes" })}
    />
  );
  const plan = preview.data?.plan;
  const schools = preview.data?.schools ?? [];
  const choices = preview.data?.choices ?? [];
  const choose = (key: string, side: string) => {
    set({ [key]: side } as Partial<Answers>);
    saveChoices.mutate({ ...settled.choices, [key]: side });
  };
  const edits = answers.edits ?? [];
  const edit = (step: string, part: Partial<Edit>) => {
    const others = edits.filter((e) => e.step !== step);
    const mine = { ...edits.find((e) => e.step === step), ...part, step };
    const says = mine.leaveOut || mine.day !== undefined || mine.potWidthCm !== undefined || mine.reason;
    set({ edits: says ? [...others, mine] : others });
  };
  const breaches = preview.data?.breaches ?? [];
  const unsaid = breaches.some((b) => !b.reason);
  const take = () =>
    record.mutate(
      { id, on: file.today, planned: { answers: full, keeps } },
      {
        onSuccess: (e) => {
          clear();
          undo("plan taken up", e.id);
          if (keeps || wish) decideAgain();
        },
      },
    );
  return (
    <div className={classes.plan}>
      <section className="patch" aria-label="The plan as it would be">
        {preview.isError && <Failed error={preview.error} retry={() => preview.refetch()} />}
        {preview.isPending && <Waiting />}
        {plan && preview.data && (
          <>
            <PlanHead plan={plan} />
            <p style={{ margin: "0 0 8px" }}>
              Of ten such plants about <b>{Math.round(preview.data.odds.value * 10)}</b> live.{" "}
              <How working={preview.data.odds.working} of="these odds" />
            </p>
            <Rules rules={plan.rules} />
            {breaches.length > 0 && <Broken breaches={breaches} edits={edits} edit={edit} />}
            <hr className="rule" />
            {sittingsOf(plan).map(({ sitting, steps }) => (
              <section key={sitting.n} className={classes.sat} aria-label={`Sitting ${sitting.n}`}>
                <SittingHead sitting={sitting} today={file.today} />
                {!sitting.gate && <Move sitting={sitting} steps={steps} edits={edits} edit={edit} />}
                <ol>
                  {steps.map((s) => (
                    <li key={s.id} data-step={s.id}>
                      <StepText step={s} plan={plan} today={file.today} />
                      <button
                        type="button"
                        className="linkbutton soft small"
                        aria-label={`Leave out: ${s.title}`}
                        onClick={() => edit(s.id, { leaveOut: true })}
                      >
                        leave this out
                      </button>
                      {s.op === "ready-pot" && (
                        <QuantityInput
                          unit="cm"
                          label="Another pot, width"
                          w={180}
                          value={edits.find((e) => e.step === s.id)?.potWidthCm}
                          onChange={(v) => edit(s.id, { potWidthCm: v })}
                        />
                      )}
                    </li>
                  ))}
                </ol>
              </section>
            ))}
            {edits.filter((e) => e.leaveOut).length > 0 && (
              <p className="soft small">
                Left out by you:{" "}
                {edits
                  .filter((e) => e.leaveOut)
                  .map((e) => (
                    <button
                      key={e.step}
                      type="button"
                      className="linkbutton"
                      onClick={() => edit(e.step, { leaveOut: undefined, reason: undefined })}
                    >
                      put {e.step.split("@")[0]?.replaceAll("-", " ")} back
                    </button>
                  ))}
              </p>
            )}
          </>
        )}
      </section>
      <div style={{ display: "grid", gap: 18 }}>
        {!settled.asked && <WhoLivesHere household={settled.household} />}
        <section className="patch" aria-label="Questions">
          <h2>A few questions</h2>
          <p className="soft small">Leave what you do not know; the plan says where it matters.</p>
          <div className={classes.questions}>
            <QuantityInput
              unit="cm"
              label="Live root ball, width"
              description="After the tally, or as you expect it"
              value={answers.rootBallCm ?? preview.data?.answers.rootBallCm}
              onChange={(v) => set({ rootBallCm: v })}
            />
            <QuantityInput
              unit="cm"
              label="Present pot, width"
              value={answers.potWidthCm ?? file.pot.widthCm}
              onChange={(v) => set({ potWidthCm: v })}
            />
            {count("liveRoots", "Live roots", "In doubt, count it as live")}
            {count("deadRoots", "Dead roots", "Mush or hollow string")}
            {yes("limp", "Hangs limp now")}
            {pick("moist", "The medium is", "not felt", [
              { value: "wet", label: "wet" },
              { value: "right", label: "moist, as it should be" },
              { value: "due", label: "as dry as it likes" },
              { value: "dry", label: "too dry" },
              { value: "bone", label: "dry to the core" },
            ])}
            {yes("standing", "Water in saucer or outer pot")}
            {yes("potHoles", "Its pot has holes")}
            {yes("inSpike", "In spike")}
            {count("offsetsSeen", "Plantlets or offsets", "On it now")}
            {orchid && (
              <>
                {count("liveTips", "Growing tips", "Green, red or white ends")}
                {pick("reserves", "Reserves", "not looked", ["plump", "ridged", "shrivelled"])}
                {yes("plug", "A nursery plug in its roots")}
                <QuantityInput
                  unit="°C"
                  label="Warmth of the room"
                  value={answers.warmthC}
                  onChange={(v) => set({ warmthC: v })}
                />
                <NumberField
                  label="Humidity"
                  suffix=" %"
                  value={answers.humidityPct}
                  onChange={(v) => set({ humidityPct: v })}
                />
                {count("lookDays", "You look every … days", "How often you can")}
              </>
            )}
          </div>
        </section>
        {schools.length > 0 && (
          <Schools schools={schools} value={answers.school} onChange={(v) => set({ school: v })} />
        )}
        {choices.map((c) => (
          <section key={c.id} className="patch" aria-label={c.ask}>
            <h2>{c.ask}</h2>
            <Radio.Group
              aria-label={c.ask}
              value={(full as Record<string, string | undefined>)[c.id] ?? c.sides[0]?.id}
              onChange={(v) => choose(c.id, v)}
            >
              <Stack gap="xs" mt="xs">
                {c.sides.map((side) => (
                  <Radio
                    key={side.id}
                    value={side.id}
                    label={side.label}
                    description={`For it: ${side.for}. Against: ${side.but}.`}
                  />
                ))}
              </Stack>
            </Radio.Group>
            <p className="soft small" style={{ margin: "6px 0 0" }}>
              Kept as what you usually take.
            </p>
          </section>
        ))}
        <Needs needs={preview.data?.needs ?? []} />
        <Group>
          <Button size="md" onClick={take} disabled={!plan || unsaid} loading={record.isPending}>
            {keeps ? "Go on with this plan" : "Take up this plan"}
          </Button>
          <Button variant="default" onClick={decideAgain}>
            {keeps ? "Leave the plan as it is" : wish ? "Leave it" : "Decide again"}
          </Button>
        </Group>
        <Refused error={record.error} />
      </div>
    </div>
  );
}

type Edit = NonNullable<Answers["edits"]>[number];

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

/** The rules that a changed plan goes against: it can be done with a reason, never silently. */
function Broken({ breaches, edits, edit }: BrokenProps) {
  const changed = edits.find((e) => e.leaveOut || e.day !== undefined || e.potWidthCm !== undefined) ?? edits[0];
  return (
    <section className={classes.broken} aria-label="Against the rules">
      <h3 className="red">This goes against what is never done</h3>
      <ul style={{ margin: "4px 0", paddingLeft: 18 }}>
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
        description="It is kept with the plan."
        value={edits.find((e) => e.reason)?.reason ?? ""}
        onChange={(e) => edit(changed?.step ?? "plan", { reason: e.currentTarget.value || undefined })}
      />
    </section>
  );
}

interface SchoolsProps {
  schools: Schemas["School"][];
  value: string | undefined;
  onChange: (school: string) => void;
}

/** The schools for an orchid with few roots, best first, the rest folded away. */
function Schools({ schools, value, onChange }: SchoolsProps) {
  const [all, setAll] = useState(false);
  const chosen = value ?? schools[0]?.id;
  const shown = schools.filter((s, i) => all || i < 3 || s.id === chosen);
  return (
    <section className="patch" aria-label="Schools">
      <h2>Ways to re-establish it</h2>
      <Radio.Group value={chosen} onChange={onChange} aria-label="School">
        <Stack gap="sm" mt="xs">
          {shown.map((s) => (
            <Radio
              key={s.id}
              value={s.id}
              disabled={!!s.refused}
              label={
                <>
                  <b>{s.name}</b> <span className="soft small">{s.score > 0 ? `+${s.score}` : s.score}</span>
                  {s.id === schools[0]?.id && <span className="kelp"> · recommended here</span>}
                  {s.refused && <span className="ochre"> · not for this plant: {s.refused}</span>}
                </>
              }
              description={
                <>
                  {s.idea} For {s.suits}. Against it: {s.against}.
                  {(s.reasons?.length ?? 0) > 0 && (
                    <>
                      {" "}
                      Weighed:{" "}
                      {s.reasons
                        ?.slice(0, 3)
                        .map((r) => `${r.text} (${r.weight > 0 ? "+" : "−"}${Math.abs(r.weight)})`)
                        .join("; ")}
                      .
                    </>
                  )}
                </>
              }
            />
          ))}
        </Stack>
      </Radio.Group>
      {shown.length < schools.length && (
        <button type="button" className="linkbutton small" style={{ marginTop: 8 }} onClick={() => setAll(true)}>
          {schools.length - shown.length} other schools
        </button>
      )}
    </section>
  );
}
