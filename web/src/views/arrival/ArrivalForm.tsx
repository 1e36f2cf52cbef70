import { Button, Group } from "@mantine/core";
import { useState } from "react";
import { Problem } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { Failed, Refused, Waiting } from "../../shell/States";
import { NewPlace } from "../places/NewPlace";
import classes from "../TakeIn.module.css";
import { type Arrived, Drawn, type Fields, HowItCame, WhatItHas } from "./parts";
import { WhatItIs } from "./WhatItIs";
import { WhereItGoes } from "./WhereItGoes";

interface ArrivalFormProps {
  value: Partial<Arrived>;
  on: string;
  kind: string;
  change: (value: Partial<Arrived>, on: string, kind: string) => void;
  submit: (value: Arrived, on: string) => void;
  submitLabel: string;
  error: Error | null;
  busy: boolean;
}

/** The fields of an arrival, for taking in and for correcting. */
export function ArrivalForm({ value, on, kind, change, submit, submitLabel, error, busy }: ArrivalFormProps) {
  const knowledge = useKnowledge();
  const [addingPlace, setAddingPlace] = useState(false);
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;

  const set = (part: Partial<Arrived>) => change({ ...value, ...part }, on, kind);
  const faults = error instanceof Problem ? error.fields : {};
  const fields: Fields = { value, set, fault: (key) => faults[`arrived.${key}`] ?? faults[key] };
  const habit = knowledge.data.habits?.find((h) => h.id === value.habit);
  const alone = value.isolated ?? knowledge.data.isolated[value.had ?? ""] ?? true;
  return (
    <div className={classes.form}>
      <form
        className="patch"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          submit(
            {
              ...value,
              name: value.name ?? "",
              habit: value.habit ?? "",
              isolated: alone,
            } as Arrived,
            on,
          );
        }}
      >
        <WhatItIs
          fields={fields}
          habits={knowledge.data.habits}
          on={on}
          kind={kind}
          setOn={(d) => change(value, d, kind)}
          setKind={(k, part) => change({ ...value, ...part }, on, k)}
        />
        <hr className="rule" />
        <WhereItGoes fields={fields} alone={alone} add={addingPlace ? undefined : () => setAddingPlace(true)} />
        <HowItCame fields={fields} />
        <WhatItHas fields={fields} />
        <Group mt="md">
          <Button type="submit" loading={busy} size="md">
            {submitLabel}
          </Button>
          <Refused error={error} />
        </Group>
      </form>
      <Drawn habit={habit} value={value} />
      {addingPlace && (
        <div className={classes.place}>
          <NewPlace
            onAdded={(id) => {
              set({ place: id });
              setAddingPlace(false);
            }}
          />
        </div>
      )}
    </div>
  );
}
