import { Button, Checkbox, Drawer, Group, Stack, Textarea } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useState } from "react";
import type { Measure, PlantFile } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { type System, sayProse, sayQuantity, useUnits } from "../../units";
import { useUndo } from "../undo";

interface Draft {
  id: string;
  on?: string;
  values: Record<string, number>;
  /** Warnings of its plan that were seen. */
  seen?: string[];
  note: string;
}

/** A check-in: what the stage's gate needs, the same things in the same way. */
export function CheckIn({ file, opened, close }: { file: PlantFile; opened: boolean; close: () => void }) {
  const phone = useMediaQuery("(max-width: 47.5em)");
  const knowledge = useKnowledge();
  const fresh = (): Draft => ({ id: newId(), values: {}, note: "" });
  const [draft, setDraft] = useLocalStorage<Draft>({
    key: `check-${file.id}`,
    defaultValue: fresh(),
    getInitialValueInEffect: false,
  });
  const [more, setMore] = useState(false);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [system] = useUnits();
  const asked = askedOf(file, knowledge.data?.measures ?? []);
  const rest = (knowledge.data?.measures ?? []).filter((m) => !asked.some((a) => a.id === m.id));
  const set = (id: string, value: number | undefined) => {
    const values = { ...draft.values };
    if (value === undefined) delete values[id];
    else values[id] = value;
    setDraft({ ...draft, values });
  };
  const lastOf = (m: Measure) => (file.curves as Record<string, { on: string; value: number }[]>)[m.id]?.at(-1);
  const setMany = (more: Record<string, number>) => setDraft({ ...draft, values: { ...more, ...draft.values } });
  // What nobody has answered yet, in one tap: no alarm, or as it was read last.
  const bad = (m: Measure) => m.alarm || (m.sinceLook && !m.growing && m.kind !== "percent");
  const quiet = asked.filter((m) => bad(m) && draft.values[m.id] === undefined);
  const same = asked.filter((m) => !bad(m) && draft.values[m.id] === undefined && lastOf(m) && !m.sinceLook);
  const send = () =>
    record.mutate(
      {
        id: draft.id,
        on: draft.on ?? file.today,
        checked: {
          readings: Object.entries(draft.values).map(([measure, value]) => ({ measure, value })),
          seen: draft.seen?.length ? draft.seen : undefined,
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
      title={`Check in: ${file.name}`}
    >
      <Stack gap="sm">
        <Group gap="xs">
          {quiet.length > 0 && (
            <Button variant="default" onClick={() => setMany(Object.fromEntries(quiet.map((m) => [m.id, 0])))}>
              Nothing amiss
            </Button>
          )}
          {same.length > 0 && (
            <Button
              variant="default"
              onClick={() => setMany(Object.fromEntries(same.map((m) => [m.id, lastOf(m)?.value ?? 0])))}
            >
              The rest as last time
            </Button>
          )}
        </Group>
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
        {file.warnings.length > 0 && (
          <Checkbox.Group
            label="What its plan warns of. Seen any of it?"
            value={draft.seen ?? []}
            onChange={(seen) => setDraft({ ...draft, seen })}
          >
            <Stack gap={6} mt={6}>
              {file.warnings.map((w) => (
                <Checkbox key={w.id} value={w.id} label={sayProse(w.words, system)} />
              ))}
            </Stack>
          </Checkbox.Group>
        )}
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

/**
 * What is asked: what the gates of all its tracks need, or of a plant in no stage what is asked of any; and what would
 * change its water rule.
 */
function askedOf(file: PlantFile, measures: Measure[]): Measure[] {
  const ids = new Set([file.recovery, ...file.beside].flatMap((r) => r?.asks ?? []).map((m) => m.id));
  const season = new Set(file.water?.seasonAsks?.map((m) => m.id));
  return measures.filter((m) => season.has(m.id) || (ids.size > 0 ? ids.has(m.id) : m.unstaged));
}

interface ReadingProps {
  measure: Measure;
  value: number | undefined;
  set: (v: number | undefined) => void;
  last: { on: string; value: number } | undefined;
  today: string;
}

const sayReading = (measure: Measure, value: number, system: System) => {
  if (measure.kind === "yes-no") return value ? "yes" : "no";
  return measure.kind === "mm" ? sayQuantity(value, "mm", system) : value;
};

function Reading({ measure, value, set, last, today }: ReadingProps) {
  const [system] = useUnits();
  const ask = sayProse(measure.ask, system);
  const before = last && `last: ${sayReading(measure, last.value, system)}, ${distance(last.on, today)}`;
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
          <span className="soft small block">{[measure.how, before].filter(Boolean).join(" · ")}</span>
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
  if (measure.kind === "scale") return <Plump measure={measure} ask={ask} before={before} value={value} set={set} />;
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

/** The scale of plumpness, each grade with its picture: a bulb in cross-section, from folded to full. */
function Plump({
  measure,
  ask,
  before,
  value,
  set,
}: Omit<ReadingProps, "last" | "today"> & { ask: string; before?: string }) {
  const grades = Array.from({ length: measure.most }, (_, i) => i + 1);
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="p-0">
        {ask}
        <span className="soft small block">{[measure.how, before].filter(Boolean).join(" · ")}</span>
      </legend>
      <span className="answers mt-4">
        {grades.map((g) => {
          const wide = 5 + (g / measure.most) * 9;
          const folds = grades.length - g;
          return (
            <button
              key={g}
              type="button"
              className="absent"
              aria-pressed={value === g}
              aria-label={`${g} of ${measure.most}`}
              onClick={() => set(value === g ? undefined : g)}
            >
              <svg className="block" width={34} height={36} viewBox="0 0 34 36" aria-hidden>
                <ellipse cx={17} cy={19} rx={wide} ry={15} fill="none" stroke="currentColor" strokeWidth={1.6} />
                {grades.slice(0, folds).map((fold, i) => (
                  <path
                    key={fold}
                    d={`M${17 + (i - (folds - 1) / 2) * (wide / 2)} 7 q-2 12 0 24`}
                    fill="none"
                    stroke="currentColor"
                    strokeWidth={1.1}
                  />
                ))}
              </svg>
              {g}
            </button>
          );
        })}
      </span>
    </fieldset>
  );
}
