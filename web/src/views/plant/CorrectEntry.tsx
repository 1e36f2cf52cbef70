import { Button, Group, Modal, Select, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Knowledge, ListedEntry } from "../../api/client";
import { type Draft, useRecord } from "../../api/hooks";
import { newId } from "../../api/id";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { sayProse, useUnits } from "../../units";
import { ArrivalForm } from "../arrival/ArrivalForm";
import { type Moisture, moistures } from "../words";
import { usePlantFile } from "./PlantPage";

interface Field {
  of: keyof Draft;
  key: string;
  label: string;
  /** A unit makes it a quantity, "" a bare number; left out, it is words. */
  unit?: string;
  /** Whether it may be left empty. */
  open?: boolean;
}

const fields: Field[] = [
  { of: "watered", key: "millilitres", label: "Water given", unit: "ml", open: true },
  { of: "weighed", key: "grams", label: "Weight", unit: "g" },
  { of: "fed", key: "strength", label: "Share of the label’s rate", unit: "" },
  { of: "fed", key: "product", label: "Product" },
  { of: "potted", key: "widthCm", label: "Inner width", unit: "cm", open: true },
  { of: "potted", key: "depthCm", label: "Depth", unit: "cm", open: true },
  { of: "potted", key: "medium", label: "Fresh medium" },
  { of: "metered", key: "lux", label: "Light, lux", unit: "", open: true },
  { of: "metered", key: "hours", label: "Hours a day", unit: "", open: true },
  { of: "metered", key: "minC", label: "Coldest night", unit: "°C", open: true },
  { of: "metered", key: "maxC", label: "Warmest day", unit: "°C", open: true },
  { of: "metered", key: "humidityPct", label: "Humidity, %", unit: "", open: true },
  { of: "tallied", key: "tips", label: "Live tips", unit: "", open: true },
  { of: "tallied", key: "longestMm", label: "Longest root", unit: "mm", open: true },
  { of: "tallied", key: "rootBallCm", label: "Root ball", unit: "cm", open: true },
  { of: "treated", key: "product", label: "Product" },
  { of: "treated", key: "batch", label: "Batch" },
  { of: "treated", key: "intervalDays", label: "Days until it may be repeated", unit: "", open: true },
  { of: "grown", key: "name", label: "Called" },
  { of: "grown", key: "sizeMm", label: "Size", unit: "mm", open: true },
  { of: "pictured", key: "note", label: "Note" },
  { of: "noted", key: "text", label: "Note" },
  { of: "did", key: "reason", label: "Why" },
  { of: "did", key: "note", label: "Note" },
  { of: "diagnosed", key: "reason", label: "Why" },
  { of: "moved", key: "reason", label: "Why" },
  { of: "staged", key: "reason", label: "Why" },
  { of: "adjusted", key: "reason", label: "Why" },
  { of: "confirmed", key: "note", label: "Note" },
  { of: "checked", key: "note", label: "Note" },
  { of: "tallied", key: "note", label: "Note" },
  { of: "treated", key: "note", label: "Note" },
  { of: "closed", key: "reason", label: "Why" },
  { of: "reopened", key: "reason", label: "Why" },
];

/** What an entry said, without what the server adds to it. */
function said(
  { plantId, recordedAt, by, kind, live, cases, replaces, despite, ...rest }: ListedEntry,
  id: string,
): Draft {
  return { ...rest, id, replaces: rest.id };
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
      {fields
        .filter((f) => draft[f.of])
        .map((f) => (
          <OneField key={`${f.of}.${f.key}`} field={f} draft={draft} setDraft={setDraft} />
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

function OneField({ field, draft, setDraft }: Edits & { field: Field }) {
  const part = draft[field.of] as Record<string, unknown>;
  const value = part[field.key];
  const put = (v: unknown) => setDraft({ ...draft, [field.of]: { ...part, [field.key]: v } });
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
