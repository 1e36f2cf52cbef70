import { Button, Group } from "@mantine/core";
import { useDebouncedValue, useLocalStorage } from "@mantine/hooks";
import { useCallback, useMemo, useState } from "react";
import type { Answers, Schemas } from "../../api/client";
import { useSaveChoices, useSettings } from "../../api/household";
import { newId } from "../../api/id";
import { usePlanChoices, usePlanPreview } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { Failed, Refused, Waiting } from "../../shell/States";
import { useUndo } from "../undo";
import { WhoLivesHere } from "../WhoLivesHere";
import { openCase } from "./Cases";
import { Disagreements } from "./Disagreements";
import { DraftQuestions } from "./DraftQuestions";
import { DraftSteps } from "./DraftSteps";
import { Needs } from "./PlanParts";
import { PlanQuestions } from "./PlanQuestions";
import { usePlantFile } from "./PlantPage";
import type { Edit } from "./plan/Broken";
import { Schools } from "./Schools";
import classes from "./WhatToDo.module.css";

const none: Schemas["Choice"][] = [];
const noEdits: Edit[] = [];

/** A plan before it is taken up: a few questions, both sides where the trade disagrees, the steps as they would be. */
export function PlanDraft(props: Omit<DraftProps, "settled">) {
  const settings = useSettings();
  if (settings.isPending) return <Waiting />;
  if (settings.isLoadingError) return <Failed error={settings.error} retry={() => settings.refetch()} />;
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
  const decided = file.verdict?.entry ?? "";
  const [settledOn] = useDebouncedValue(full, 400);
  // A wish of a plant that is well begins a case of its own.
  const of = openCase(file);
  const preview = usePlanPreview(file.id, decided, full, keeps ?? false, of);
  const disagreements = usePlanChoices(file.id, decided, settledOn, keeps ?? false, of);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const saveChoices = useSaveChoices();
  const [id] = useState(newId);
  const set = useCallback((part: Partial<Answers>) => setAnswers((a) => ({ ...a, ...part })), [setAnswers]);
  const plan = preview.data?.plan;
  const schools = preview.data?.schools ?? [];
  const choices = disagreements.data?.choices ?? none;
  const keep = saveChoices.mutate;
  const choose = useCallback(
    (key: string, side: string) => {
      set({ [key]: side } as Partial<Answers>);
      keep({ ...settled.choices, [key]: side });
    },
    [set, keep, settled.choices],
  );
  const chooseSchool = useCallback((school: string) => set({ school }), [set]);
  const edits = answers.edits ?? noEdits;
  const edit = useCallback(
    (step: string, part: Partial<Edit>) =>
      setAnswers((a) => {
        const was = a.edits ?? [];
        const mine = { ...was.find((e) => e.step === step), ...part, step };
        const says = mine.leaveOut || mine.day !== undefined || mine.potWidthCm !== undefined || mine.reason;
        const others = was.filter((e) => e.step !== step);
        return { ...a, edits: says ? [...others, mine] : others };
      }),
    [setAnswers],
  );
  const changeSetAside = useCallback((setAside: string | undefined) => set({ setAside }), [set]);
  const breaches = preview.data?.breaches ?? [];
  const unsaid = breaches.some((b) => !b.reason);
  const gone = (preview.data?.gone ?? []).length > 0;
  const take = () =>
    record.mutate(
      { id, on: file.today, case: of, planned: { answers: full, keeps, instead: file.planEntry } },
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
      <div style={{ display: "grid", gap: 18, alignContent: "start" }}>
        {!settled.asked && <WhoLivesHere household={settled.household} />}
        <PlanQuestions questions={preview.data?.questions ?? []} answers={answers} set={set} />
        <section className="patch" aria-label="The plan as it would be">
          {preview.isLoadingError && <Failed error={preview.error} retry={() => preview.refetch()} />}
          {preview.isPending && <Waiting />}
          {plan && preview.data && (
            <DraftSteps
              preview={preview.data}
              edits={edits}
              edit={edit}
              setAside={answers.setAside}
              changeSetAside={changeSetAside}
              today={file.today}
            />
          )}
        </section>
      </div>
      <div className="grid gap-18">
        <DraftQuestions
          answers={answers}
          known={preview.data?.answers}
          potWidthCm={file.pot.widthCm}
          orchid={file.habitInfo.orchid}
          set={set}
        />
        {schools.length > 0 && <Schools schools={schools} value={answers.school} onChange={chooseSchool} />}
        <Disagreements choices={choices} taken={full} choose={choose} />
        <Needs needs={preview.data?.needs ?? []} />
        <Group>
          <Button size="md" onClick={take} disabled={!plan || unsaid || gone} loading={record.isPending}>
            {keeps ? "Go on with this plan" : "Take up this plan"}
          </Button>
          <Button variant="default" onClick={decideAgain}>
            {keeps ? "Leave the plan as it is" : wish ? "Leave it" : "Decide again"}
          </Button>
        </Group>
        {unsaid && <p className="ochre small m-0">It waits for your reason where the plan goes against a rule.</p>}
        {gone && <p className="ochre small m-0">It waits until you take back the change that no longer fits it.</p>}
        <Refused error={record.error} />
      </div>
    </div>
  );
}
