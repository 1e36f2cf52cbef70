import { Button, Group, SegmentedControl, Select, TextInput } from "@mantine/core";
import { type ReactNode, useState } from "react";
import type { Schemas } from "../../api/client";
import { useKnowledge, useLights } from "../../api/handbook";
import { newId } from "../../api/id";

import { type Draft, useRecord } from "../../api/recording";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { type Moisture, moistures, sayCount } from "../words";
import classes from "./Measure.module.css";
import { usePlantFile } from "./PlantPage";
import { RootTally } from "./RootTally";
import { Wishes } from "./Wishes";

/** What is counted, read and given: the record answers signs from it, so that nobody has to remember. */
export function Measure() {
  return (
    <div className={classes.measure}>
      <RootTally />
      <div className={classes.forms}>
        <Weight />
        <Stick />
        <LightAndAir />
        <Feeding />
        <NewPot />
        <Wishes />
      </div>
    </div>
  );
}

/** Records one entry; the id stays until it is recorded, so that trying again does nothing twice. */
function useOneEntry(said: string, clear: () => void) {
  const file = usePlantFile();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [id, setId] = useState(newId);
  const send = (body: Partial<Draft>) =>
    record.mutate(
      { id, on: file.today, ...body },
      {
        onSuccess: (e) => {
          setId(newId());
          clear();
          undo(said, e.id);
        },
      },
    );
  return { send, record };
}

interface FormProps {
  title: string;
  children: ReactNode;
  ready: boolean;
  busy: boolean;
  error: Error | null;
  send: () => void;
}

function Form({ title, children, ready, busy, error, send }: FormProps) {
  return (
    <form
      className="patch"
      aria-label={title}
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) send();
      }}
    >
      <h2>{title}</h2>
      <Group align="end" gap="sm" mt={6}>
        {children}
        <Button type="submit" variant="default" disabled={!ready} loading={busy}>
          Record
        </Button>
      </Group>
      <Refused error={error} />
    </form>
  );
}

function Weight() {
  const [grams, setGrams] = useState<number>();
  const [what, setWhat] = useState("potted");
  const { send, record } = useOneEntry("weight", () => setGrams(undefined));
  return (
    <Form
      title="Weight"
      ready={grams !== undefined}
      busy={record.isPending}
      error={record.error}
      send={() => send({ weighed: { grams: grams ?? 0, bare: what === "bare" || undefined } })}
    >
      <SegmentedControl
        aria-label="What was weighed"
        data={[
          { value: "potted", label: "Pot and plant" },
          { value: "bare", label: "Bare plant" },
        ]}
        value={what}
        onChange={setWhat}
      />
      <QuantityInput unit="g" label="Weighs" value={grams} onChange={setGrams} w={140} />
    </Form>
  );
}

function Stick() {
  const [moisture, setMoisture] = useState("barely");
  const { send, record } = useOneEntry("stick", () => {});
  return (
    <Form
      title="Stick to the bottom"
      ready
      busy={record.isPending}
      error={record.error}
      send={() => send({ probed: { moisture: moisture as Moisture } })}
    >
      <SegmentedControl aria-label="It came out" data={[...moistures]} value={moisture} onChange={setMoisture} />
    </Form>
  );
}

function LightAndAir() {
  type Readings = NonNullable<Draft["metered"]>;
  const lights = useLights();
  const [r, setR] = useState<Readings>({});
  const { send, record } = useOneEntry("light and air", () => setR({}));
  const set = (part: Partial<Readings>) => setR({ ...r, ...part });
  const some = [r.lux, r.minC, r.maxC, r.humidityPct].some((v) => v !== undefined);
  return (
    <Form
      title="Light and air at its leaves"
      ready={some}
      busy={record.isPending}
      error={record.error}
      send={() => send({ metered: r })}
    >
      <NumberField label="Lux" min={0} value={r.lux} onChange={(v) => set({ lux: v })} w={100} />
      <Select label="From" data={lights} value={r.lamp ?? "sun"} onChange={(v) => set({ lamp: v as never })} w={170} />
      <NumberField label="Hours a day" min={0} value={r.hours} onChange={(v) => set({ hours: v })} w={100} />
      <QuantityInput unit="°C" label="Coldest night" value={r.minC} onChange={(v) => set({ minC: v })} w={120} />
      <QuantityInput unit="°C" label="Warmest day" value={r.maxC} onChange={(v) => set({ maxC: v })} w={120} />
      <NumberField
        label="Humidity"
        suffix=" %"
        value={r.humidityPct}
        onChange={(v) => set({ humidityPct: v })}
        w={100}
      />
    </Form>
  );
}

const strengths = [
  { value: "0.25", label: "a quarter" },
  { value: "0.5", label: "half" },
  { value: "1", label: "as the label says" },
  { value: "2", label: "double" },
];

function Feeding() {
  const [what, setWhat] = useState("label");
  const [strength, setStrength] = useState("0.5");
  const [product, setProduct] = useState("");
  const slow = useKnowledge().data?.slowFeeds ?? [];
  const { send, record } = useOneEntry("feed", () => setProduct(""));
  const labelled = what === "label";
  const fed = labelled
    ? { strength: Number(strength), product: product || undefined }
    : { slow: what as Schemas["Fed"]["slow"] };
  return (
    <Form title="Feed given" ready busy={record.isPending} error={record.error} send={() => send({ fed })}>
      <Select
        label="What"
        data={[
          { value: "label", label: "a feed with a label" },
          ...slow.map((f) => ({ value: f.id, label: `${f.label} (about ${sayCount(f.lastsDays, "day")})` })),
        ]}
        value={what}
        onChange={(v) => setWhat(v ?? "label")}
        allowDeselect={false}
        w={280}
      />
      {labelled && (
        <>
          <Select
            label="Strength"
            data={strengths}
            value={strength}
            onChange={(v) => setStrength(v ?? "0.5")}
            allowDeselect={false}
            w={170}
          />
          <TextInput
            label="Product"
            value={product}
            onChange={(e) => setProduct(e.currentTarget.value)}
            maxLength={120}
          />
        </>
      )}
    </Form>
  );
}

function NewPot() {
  const file = usePlantFile();
  const [width, setWidth] = useState<number>();
  const [depth, setDepth] = useState<number>();
  const [medium, setMedium] = useState("");
  const { send, record } = useOneEntry("pot", () => {
    setWidth(undefined);
    setDepth(undefined);
    setMedium("");
  });
  return (
    <Form
      title="New pot or medium"
      ready={width !== undefined || depth !== undefined || medium.trim() !== ""}
      busy={record.isPending}
      error={record.error}
      send={() => send({ potted: { widthCm: width, depthCm: depth, medium: medium || undefined } })}
    >
      <QuantityInput unit="cm" label="Inner width" value={width} onChange={setWidth} w={120} />
      <QuantityInput unit="cm" label="Depth" value={depth} onChange={setDepth} w={120} />
      <TextInput
        label="Fresh medium"
        placeholder={file.pot.medium || "empty: the old one stays"}
        value={medium}
        onChange={(e) => setMedium(e.currentTarget.value)}
        maxLength={120}
      />
    </Form>
  );
}
