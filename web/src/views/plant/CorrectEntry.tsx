import { Button, Group, Modal, MultiSelect, Select, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Knowledge, ListedEntry } from "../../api/client";
import { newId } from "../../api/id";
import { type Draft, useRecord } from "../../api/recording";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { sayProse, useUnits } from "../../units";
import { ArrivalForm } from "../arrival/ArrivalForm";
import { type Moisture, moistures } from "../words";
import { type Field, fieldsOf } from "./corrections";
import { usePlantFile } from "./PlantPage";

/** What an entry said, without what the server adds to it. */
function said(
  { plantId, recordedAt, by, kind, live, cases, replaces, despite, ...rest }: ListedEntry,
  id: string,
): Draft {
  return { ...rest, id, replaces: rest.id };
}

type Grown = NonNullable<Draft["grown"]>;

/** A growth with other marks: one with marks is no clean one. */
const withMarks = (grown: Draft["grown"], marks: string[]): Grown => ({
  ...(grown as Grown),
  marks: marks as Grown["marks"],
  clean: marks.length === 0 ? grown?.clean : undefined,
});

interface MarksFieldProps {
  marks: string[];
  knowledge: Knowledge;
  change: (marks: string[]) => void;
}

function MarksField({ marks, knowledge, change }: MarksFieldProps) {
  return (
    <MultiSelect
      mt="sm"
      label="Marks that it had"
      data={knowledge.marks.map((m) => ({ value: m.id, label: m.label }))}
      value={marks}
      onChange={change}
    />
  );
}

/** Corrects an entry by one that replaces it; the old one stays readable. */
export function CorrectEntry({
  entry,
  knowledge,
  close,
}: {
  entry: ListedEntry;
  knowledge: Knowledge;
  close: () => void;
}) {
  const file = usePlantFile();
  const record = useRecord(file.id);
  const [id] = useState(newId);
  const [draft, setDraft] = useState<Draft>(() => said(entry, id));
  const profile = file.profile;
  const [kind, setKind] = useState(profile ? `${profile.botanical} (${profile.common})` : "");
  const send = (d: Draft) => record.mutate(d, { onSuccess: close });
  if (draft.arrived) {
    return (
      <Modal opened onClose={close} title="Correct the arrival" size="xl">
        <ArrivalForm
          value={draft.arrived}
          on={draft.on}
          kind={kind}
          change={(arrived, on, k) => {
            setDraft({ ...draft, on, arrived: arrived as NonNullable<Draft["arrived"]> });
            setKind(k);
          }}
          submit={(arrived, on) => send({ ...draft, arrived, on })}
          submitLabel="Save the correction"
          error={record.error}
          busy={record.isPending}
        />
      </Modal>
    );
  }
  return (
    <Modal opened onClose={close} title="Correct this entry">
      <TextInput
        type="date"
        label="Day"
        value={draft.on}
        max={file.today}
        onChange={(e) => setDraft({ ...draft, on: e.currentTarget.value })}
      />
      {draft.probed && (
        <Select
          mt="sm"
          label="The stick came out"
          data={moistures}
          allowDeselect={false}
          value={draft.probed.moisture}
          onChange={(v) => v && setDraft({ ...draft, probed: { moisture: v as Moisture } })}
        />
      )}
      {draft.grown && (
        <Select
          mt="sm"
          label="How it was"
          data={knowledge.growthStates}
          value={draft.grown.state ?? null}
          onChange={(v) =>
            setDraft({ ...draft, grown: { ...draft.grown, state: v ?? undefined } as typeof draft.grown })
          }
        />
      )}
      {draft.grown && (
        <MarksField
          marks={draft.grown.marks ?? []}
          knowledge={knowledge}
          change={(marks) => setDraft({ ...draft, grown: withMarks(draft.grown, marks) })}
        />
      )}
      {draft.pictured && (
        <Select
          mt="sm"
          label="From which side"
          data={knowledge.sides}
          allowDeselect={false}
          value={draft.pictured.side}
          onChange={(v) =>
            v && setDraft({ ...draft, pictured: { ...draft.pictured, side: v } as typeof draft.pictured })
          }
        />
      )}
      <Readings draft={draft} setDraft={setDraft} knowledge={knowledge} />
      {fieldsOf(entry.kind)
        .filter((f) => !f.within || partOf(entry, entry.kind, f)[f.key] !== undefined)
        .map((f) => (
          <OneField key={`${f.within}.${f.key}`} of={entry.kind} field={f} draft={draft} setDraft={setDraft} />
        ))}
      <Group mt="md">
        <Button onClick={() => send(draft)} loading={record.isPending}>
          Save the correction
        </Button>
      </Group>
      <Refused error={record.error} />
    </Modal>
  );
}

interface Edits {
  draft: Draft;
  setDraft: (d: Draft) => void;
}

type Part = Record<string, unknown>;

/** The part of an entry that a field stands in. */
const partOf = (entry: object, of: string, field: Field): Part => {
  const content = (entry as Record<string, Part>)[of] ?? {};
  return field.within ? ((content[field.within] as Part | undefined) ?? {}) : content;
};

function OneField({ of, field, draft, setDraft }: Edits & { of: string; field: Field }) {
  const part = partOf(draft, of, field);
  const value = part[field.key];
  const put = (v: unknown) => {
    const changed = { ...part, [field.key]: v };
    const content = (draft as Record<string, unknown>)[of] as Part;
    setDraft({ ...draft, [of]: field.within ? { ...content, [field.within]: changed } : changed });
  };
  const number = {
    mt: "sm",
    label: field.label,
    value: value as number | undefined,
    onChange: (v: number | undefined) => (v !== undefined || field.open) && put(v),
  };
  if (field.unit === undefined) {
    return (
      <Textarea
        mt="sm"
        label={field.label}
        autosize
        value={(value as string | undefined) ?? ""}
        onChange={(e) => put(e.currentTarget.value)}
      />
    );
  }
  return field.unit ? <QuantityInput unit={field.unit} {...number} /> : <NumberField {...number} />;
}

/** The readings of a check-in, each as it was asked. */
function Readings({ draft, setDraft, knowledge }: Edits & { knowledge: Knowledge }) {
  const [system] = useUnits();
  const checked = draft.checked;
  return checked?.readings?.map((r, i) => {
    const measure = knowledge.measures?.find((m) => m.id === r.measure);
    const label = sayProse(measure?.ask ?? r.measure, system);
    const put = (value: number | undefined) =>
      value !== undefined &&
      setDraft({
        ...draft,
        checked: { ...checked, readings: (checked.readings ?? []).map((x, k) => (k === i ? { ...x, value } : x)) },
      });
    if (measure?.kind === "yes-no") {
      return (
        <Select
          key={r.measure}
          mt="sm"
          label={label}
          data={[
            { value: "1", label: "yes" },
            { value: "0", label: "no" },
          ]}
          allowDeselect={false}
          value={String(r.value)}
          onChange={(v) => v && put(Number(v))}
        />
      );
    }
    const common = { mt: "sm", label, value: r.value, onChange: put };
    return measure?.kind === "mm" ? (
      <QuantityInput key={r.measure} unit="mm" {...common} />
    ) : (
      <NumberField key={r.measure} {...common} />
    );
  });
}
