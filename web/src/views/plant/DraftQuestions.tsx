import { Select, type SelectProps } from "@mantine/core";
import { memo } from "react";
import type { Answers } from "../../api/client";
import { useBench } from "../../api/household";
import { NumberField, QuantityInput } from "../../fields";
import classes from "./WhatToDo.module.css";

const yesNo = [
  { value: "yes", label: "yes" },
  { value: "no", label: "no" },
];

interface DraftQuestionsProps {
  answers: Answers;
  /** What the plan was made with, where the record knew it. */
  known: Answers | undefined;
  potWidthCm: number | undefined;
  orchid: boolean;
  set: (part: Partial<Answers>) => void;
}

/** A few questions that make the plan fuller; none must be answered. */
export const DraftQuestions = memo(function DraftQuestions(props: DraftQuestionsProps) {
  const { answers, known, potWidthCm, orchid, set } = props;
  const count = (
    key: "liveRoots" | "deadRoots" | "liveTips" | "lookDays" | "offsetsSeen",
    label: string,
    description: string,
  ) => (
    <NumberField
      label={label}
      description={description}
      allowDecimal={false}
      value={answers[key] ?? known?.[key]}
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
  return (
    <section className="patch" aria-label="Questions">
      <details>
        <summary>
          <h2 className="inline">A few questions more</h2>{" "}
          <span className="soft small">what else you measured, or know</span>
        </summary>
        <div className={classes.questions}>
          <QuantityInput
            unit="cm"
            label="Live root ball, width"
            description="After the tally, or as you expect it"
            value={answers.rootBallCm ?? known?.rootBallCm}
            onChange={(v) => set({ rootBallCm: v })}
          />
          <QuantityInput
            unit="cm"
            label="Present pot, width"
            value={answers.potWidthCm ?? potWidthCm}
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
          <OwnMix answers={answers} set={set} />
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
      </details>
    </section>
  );
});

const asItsKind = "as its kind likes it";

/** The mix that is taken: that of its kind, or a recipe of the bench. */
function OwnMix({ answers, set }: Pick<DraftQuestionsProps, "answers" | "set">) {
  const recipes = useBench().data?.recipes ?? [];
  const said = (parts: { what: string; parts: number }[]) => parts.map((p) => `${p.parts} ${p.what}`).join(" : ");
  const taken = answers.mix && said(answers.mix);
  const named = recipes.find((r) => said(r.parts) === taken)?.name ?? taken;
  const names = [...new Set([asItsKind, ...(named ? [named] : []), ...recipes.map((r) => r.name)])];
  return (
    <Select
      label="Mix"
      description="Recipes are kept at the bench"
      data={names}
      allowDeselect={false}
      value={named ?? asItsKind}
      onChange={(name) => set({ mix: recipes.find((r) => r.name === name)?.parts })}
    />
  );
}
