import { Button, Group, Radio, Select, Stack } from "@mantine/core";
import { useDebouncedValue, useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import type { Answers } from "../../api/client";
import { usePlanPreview, useRecord } from "../../api/hooks";
import { newId } from "../../api/id";
import { Failed, Refused, Waiting } from "../../shell/States";
import { NumberField, QuantityInput } from "../../units";
import { useUndo } from "../undo";
import { PlanHead, StepText } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import classes from "./WhatToDo.module.css";

const yesNo = [
  { value: "yes", label: "yes" },
  { value: "no", label: "no" },
];

/** A plan before it is taken up: a few questions, the schools where they differ, the steps as they would be. */
export function PlanDraft({ decideAgain }: { decideAgain: () => void }) {
  const file = usePlantFile();
  const [answers, setAnswers, clear] = useLocalStorage<Answers>({
    key: `plan-${file.id}`,
    defaultValue: {},
    getInitialValueInEffect: false,
  });
  const [settled] = useDebouncedValue(answers, 200);
  const preview = usePlanPreview(file.id, settled, true);
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  const [id] = useState(newId);
  const set = (part: Partial<Answers>) => setAnswers({ ...answers, ...part });
  const orchid = file.habitInfo.orchid;
  const count = (key: "liveRoots" | "liveTips" | "lookDays", label: string, description: string) => (
    <NumberField
      label={label}
      description={description}
      allowDecimal={false}
      value={answers[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const yes = (key: "liveRot" | "inSpike", label: string) => (
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
  const take = () =>
    record.mutate(
      { id, on: file.today, planned: { answers } },
      {
        onSuccess: (e) => {
          clear();
          undo("plan taken up", e.id);
        },
      },
    );
  return (
    <div className={classes.plan}>
      <section className="patch" aria-label="The plan as it would be">
        {preview.isError && <Failed error={preview.error} retry={() => preview.refetch()} />}
        {preview.isPending && <Waiting />}
        {plan && (
          <>
            <PlanHead plan={plan} />
            <ol className="rows" style={{ listStyle: "none", padding: 0, margin: 0 }}>
              {plan.steps?.map((s) => (
                <li key={s.id} style={{ padding: "10px 0" }}>
                  <StepText step={s} plan={plan} today={file.today} />
                </li>
              ))}
            </ol>
          </>
        )}
      </section>
      <div style={{ display: "grid", gap: 18 }}>
        <section className="patch" aria-label="Questions">
          <h2>A few questions</h2>
          <p className="soft small">Leave what you do not know; the plan says where it matters.</p>
          <div className={classes.questions}>
            <QuantityInput
              unit="cm"
              label="Live root ball, width"
              description="After the tally, or as you expect it"
              value={answers.rootBallCm}
              onChange={(v) => set({ rootBallCm: v })}
            />
            <QuantityInput
              unit="cm"
              label="Present pot, width"
              value={answers.potWidthCm ?? file.arrival.potWidthCm}
              onChange={(v) => set({ potWidthCm: v })}
            />
            {count("liveRoots", "Live roots", "In doubt, count it as live")}
            {orchid ? (
              <>
                {count("liveTips", "Growing tips", "Green, red or white ends")}
                <Select
                  label="Reserves"
                  placeholder="not looked"
                  clearable
                  data={[
                    { value: "plump", label: "plump" },
                    { value: "ridged", label: "ridged" },
                    { value: "shrivelled", label: "shrivelled" },
                  ]}
                  value={answers.reserves ?? null}
                  onChange={(v) => set({ reserves: (v as Answers["reserves"]) ?? undefined })}
                />
                {yes("liveRot", "Live rot at the base")}
                {yes("inSpike", "In spike")}
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
            ) : (
              <Select
                label="Root wash"
                description="Three schools; soap is the mildest"
                data={[
                  { value: "soap", label: "mild soap" },
                  { value: "peroxide", label: "weak peroxide" },
                  { value: "fungicide", label: "labelled fungicide" },
                ]}
                value={answers.rootWash ?? "soap"}
                onChange={(v) => set({ rootWash: (v as Answers["rootWash"]) ?? undefined })}
              />
            )}
          </div>
        </section>
        {schools.length > 0 && (
          <section className="patch" aria-label="Schools">
            <h2>Two schools for few roots</h2>
            <Radio.Group
              value={answers.school ?? schools[0]?.id}
              onChange={(v) => set({ school: v })}
              aria-label="School"
            >
              <Stack gap="sm" mt="xs">
                {schools.map((s, i) => (
                  <Radio
                    key={s.id}
                    value={s.id}
                    label={
                      <>
                        <b>{s.name}</b>
                        {i === 0 && <span className="kelp"> · recommended here</span>}
                      </>
                    }
                    description={
                      <>
                        {s.idea} Suits {s.suits}. Against it: {s.against}.
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
          </section>
        )}
        <Group>
          <Button size="md" onClick={take} disabled={!plan} loading={record.isPending}>
            Take up this plan
          </Button>
          <Button variant="default" onClick={decideAgain}>
            Decide again
          </Button>
        </Group>
        <Refused error={record.error} />
      </div>
    </div>
  );
}
