import { Button, Drawer, Group, Stack, Textarea } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useState } from "react";
import type { Measure, PlantFile } from "../../api/client";
import { useKnowledge, useRecord } from "../../api/hooks";
import { newId } from "../../api/id";
import { distance } from "../../dates";
import { Refused } from "../../shell/States";
import { NumberField, QuantityInput, sayProse, useUnits } from "../../units";
import { useUndo } from "../undo";

interface Draft {
  id: string;
  on?: string;
  values: Record<string, number>;
  note: string;
}

/** A check-in: what the stage's gate needs, the same things in the same way. */
export function CheckIn({ file, opened, close }: { file: PlantFile; opened: boolean; close: () => void }) {
  const phone = useMediaQuery("(max-width: 760px)");
  const knowledge = useKnowledge();
  const fresh = (): Draft => ({ id: newId(), values: {}, note: "" });
  const [draft, setDraft] = useLocalStorage<Draft>({
    key: `check-${file.id}`,
    defaultValue: fresh(),
    getInitialValueInEffect: false,
  });
  const [more, setMore] = useState(false);
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  const asked = file.recovery?.asks?.length
    ? file.recovery.asks
    : (knowledge.data?.measures ?? []).filter((m) => ["wilt", "smell", "new-leaves"].includes(m.id));
  const rest = (knowledge.data?.measures ?? []).filter((m) => !asked.some((a) => a.id === m.id));
  const set = (id: string, value: number | undefined) => {
    const values = { ...draft.values };
    if (value === undefined) delete values[id];
    else values[id] = value;
    setDraft({ ...draft, values });
  };
  const lastOf = (m: Measure) => (file.curves as Record<string, { on: string; value: number }[]>)[m.id]?.at(-1);
  const send = () =>
    record.mutate(
      {
        id: draft.id,
        on: draft.on ?? file.today,
        checked: {
          readings: Object.entries(draft.values).map(([measure, value]) => ({ measure, value })),
          note: draft.note || undefined,
        },
      },
      {
        onSuccess: (e) => {
          setDraft(fresh());
          close();
          undo("check-in", e.id);
        },
      },
    );
  return (
    <Drawer
      opened={opened}
      onClose={close}
      position={phone ? "bottom" : "right"}
      size={phone ? "92%" : 460}
      title={<h2>Check in: {file.name}</h2>}
    >
      <Stack gap="sm">
        {asked.map((m) => (
          <Reading
            key={m.id}
            measure={m}
            value={draft.values[m.id]}
            set={(v) => set(m.id, v)}
            last={lastOf(m)}
            today={file.today}
          />
        ))}
        {more &&
          rest.map((m) => (
            <Reading
              key={m.id}
              measure={m}
              value={draft.values[m.id]}
              set={(v) => set(m.id, v)}
              last={lastOf(m)}
              today={file.today}
            />
          ))}
        <button type="button" className="linkbutton soft" onClick={() => setMore(!more)} aria-expanded={more}>
          {more ? "Only what the gate needs" : "Measure something else"}
        </button>
        <Textarea
          label="Note"
          autosize
          minRows={1}
          value={draft.note}
          onChange={(e) => setDraft({ ...draft, note: e.currentTarget.value })}
        />
        <label className="small soft">
          Looked on{" "}
          <input
            type="date"
            value={draft.on ?? file.today}
            max={file.today}
            onChange={(e) => setDraft({ ...draft, on: e.currentTarget.value })}
          />
        </label>
        <Refused error={record.error} />
        <Group>
          <Button size="md" onClick={send} loading={record.isPending} data-testid="save-check">
            Record the check-in
          </Button>
        </Group>
      </Stack>
    </Drawer>
  );
}

interface ReadingProps {
  measure: Measure;
  value: number | undefined;
  set: (v: number | undefined) => void;
  last: { on: string; value: number } | undefined;
  today: string;
}

function Reading({ measure, value, set, last, today }: ReadingProps) {
  const [system] = useUnits();
  const ask = sayProse(measure.ask, system);
  const before =
    last &&
    `last: ${measure.kind === "yes-no" ? (last.value ? "yes" : "no") : last.value}, ${distance(last.on, today)}`;
  if (measure.kind === "yes-no") {
    const press = (v: number) => set(value === v ? undefined : v);
    return (
      <fieldset
        style={{
          border: 0,
          padding: 0,
          margin: 0,
          display: "flex",
          justifyContent: "space-between",
          gap: 12,
          alignItems: "center",
        }}
      >
        <legend style={{ float: "left", padding: 0 }}>
          {ask}
          <span className="soft small" style={{ display: "block" }}>
            {[measure.how, before].filter(Boolean).join(" · ")}
          </span>
        </legend>
        <span className="answers">
          <button type="button" className="absent" aria-pressed={value === 1} onClick={() => press(1)}>
            yes
          </button>
          <button type="button" className="absent" aria-pressed={value === 0} onClick={() => press(0)}>
            no
          </button>
        </span>
      </fieldset>
    );
  }
  const common = { label: ask, description: [measure.how, before].filter(Boolean).join(" · ") };
  if (measure.kind === "mm") return <QuantityInput unit="mm" value={value} onChange={set} {...common} />;
  return (
    <NumberField
      {...common}
      inputMode="numeric"
      suffix={measure.kind === "percent" ? " %" : undefined}
      value={value}
      onChange={set}
    />
  );
}
