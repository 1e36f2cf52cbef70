import { Button, SegmentedControl, Select, Switch, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useKinds, useLights } from "../../api/handbook";

import { useSession } from "../../api/plants";
import { NumberField, QuantityInput } from "../../fields";
import classes from "./Bench.module.css";
import { bench, KindPick, Sheet, useReckoning } from "./Instrument";

type Dose = Schemas["Dose"];

const emptyDose = (): Dose => ({ label: { name: "", n: 0, p2o5: 0, k2o: 0, ca: 0, mg: 0 }, perLitre: 1 });
const elements = [
  { key: "n", label: "N %" },
  { key: "p2o5", label: "P₂O₅ %" },
  { key: "k2o", label: "K₂O %" },
  { key: "ca", label: "Ca %" },
  { key: "mg", label: "Mg %" },
] as const;

/** What feeds bring to the water. */
export function FeedBench() {
  const [doses, setDoses] = useState<Dose[]>([emptyDose()]);
  const [wanted, setWanted] = useState<number>();
  const [pot, setPot] = useState<number>();
  const set = (i: number, d: Dose) => setDoses(doses.map((x, n) => (n === i ? d : x)));
  const some = doses.some((d) => elements.some((e) => d.label[e.key] > 0));
  const { result, error, fields, example } = useReckoning(
    "feed",
    { doses, wantedN: wanted, potCm: pot },
    some,
    (body) => bench.POST("/api/bench/feed", { body }),
    {
      words: "1 g of a 10-5-10 feed in each litre",
      input: { doses: [{ label: { name: "a 10-5-10 feed", n: 10, p2o5: 5, k2o: 10, ca: 0, mg: 0 }, perLitre: 1 }] },
    },
  );
  return (
    <Sheet
      title="Feed in the water"
      about="From the percentages on the label and grams in each litre. Several salts add up."
      result={result}
      error={error}
      example={example}
      empty="Type the percentages from the label."
      what="feed"
    >
      {doses.map((d, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines are only added at the end
        <div key={i} className={classes.feed}>
          <TextInput
            label="Feed"
            value={d.label.name}
            onChange={(e) => set(i, { ...d, label: { ...d.label, name: e.currentTarget.value } })}
            error={i === 0 ? fields.doses : undefined}
          />
          {elements.map((e) => (
            <NumberField
              key={e.key}
              label={e.label}
              min={0}
              value={d.label[e.key] || undefined}
              onChange={(v) => set(i, { ...d, label: { ...d.label, [e.key]: v ?? 0 } })}
            />
          ))}
          <NumberField
            label="g in 1 l"
            min={0}
            value={d.perLitre}
            onChange={(v) => set(i, { ...d, perLitre: v ?? 0 })}
          />
        </div>
      ))}
      <Button variant="default" onClick={() => setDoses([...doses, emptyDose()])} disabled={doses.length > 5}>
        Another salt
      </Button>
      <span />
      <NumberField label="Wanted nitrogen" suffix=" ppm" value={wanted} onChange={setWanted} error={fields.wantedN} />
      <QuantityInput unit="cm" label="Pot, for a flush" value={pot} onChange={setPot} error={fields.potCm} />
    </Sheet>
  );
}

/** A light reading over a day, against a kind. */
export function LightBench() {
  const kinds = useKinds();
  const [reading, setReading] = useState<number>();
  const [unit, setUnit] = useState("lux");
  const lights = useLights();
  const [lamp, setLamp] = useState("sun");
  const [hours, setHours] = useState<number | undefined>(10);
  const [kind, setKind] = useState<string | null>(null);
  const { result, error, fields, example } = useReckoning(
    "light",
    {
      reading: reading ?? 0,
      unit: unit as "lux" | "fc",
      lamp: lamp as Schemas["LightInput"]["lamp"],
      hours: hours ?? 0,
      kind: kind ?? undefined,
    },
    reading !== undefined && hours !== undefined,
    (body) => bench.POST("/api/bench/light", { body }),
    { words: "9000 lux of daylight for ten hours", input: { reading: 9000, unit: "lux", lamp: "sun", hours: 10 } },
  );
  return (
    <Sheet
      title="Light over a day"
      about="Hold the meter at leaf height, facing the light."
      result={result}
      error={error}
      example={example}
      empty="Give a reading."
      what="light"
    >
      <NumberField label="Reading" min={0} value={reading} onChange={setReading} error={fields.reading} />
      <SegmentedControl
        mt={25}
        aria-label="Unit"
        data={[
          { value: "lux", label: "lux" },
          { value: "fc", label: "foot-candles" },
        ]}
        value={unit}
        onChange={setUnit}
      />
      <Select
        label="From"
        allowDeselect={false}
        data={lights}
        value={lamp}
        onChange={(v) => setLamp(v ?? "sun")}
        error={fields.lamp}
      />
      <NumberField label="Hours a day" value={hours} onChange={setHours} error={fields.hours} />
      <KindPick kinds={kinds.data?.profiles ?? []} value={kind} onChange={setKind} />
    </Sheet>
  );
}

/** What air feels like to a leaf. */
export function AirBench() {
  const kinds = useKinds();
  const [temp, setTemp] = useState<number>();
  const [humidity, setHumidity] = useState<number>();
  const [chamber, setChamber] = useState(false);
  const [kind, setKind] = useState<string | null>(null);
  const { result, error, fields, example } = useReckoning(
    "air",
    { tempC: temp ?? 0, humidityPct: humidity ?? 0, chamber, kind: kind ?? undefined },
    temp !== undefined && humidity !== undefined,
    (body) => bench.POST("/api/bench/air", { body }),
    { words: "a room of 21 °C and 45 %", input: { tempC: 21, humidityPct: 45, chamber: false } },
  );
  return (
    <Sheet
      title="Air"
      about="How much a leaf loses to it, and when it drips."
      result={result}
      error={error}
      example={example}
      empty="Give warmth and humidity."
      what="air"
    >
      <QuantityInput unit="°C" label="Warmth" value={temp} onChange={setTemp} error={fields.tempC} />
      <NumberField label="Humidity" suffix=" %" value={humidity} onChange={setHumidity} error={fields.humidityPct} />
      <KindPick kinds={kinds.data?.profiles ?? []} value={kind} onChange={setKind} />
      <Switch
        mt={30}
        label="In a closed chamber"
        checked={chamber}
        onChange={(e) => setChamber(e.currentTarget.checked)}
      />
    </Sheet>
  );
}

const looks = [
  { value: "plump", label: "bulbs plump" },
  { value: "ridged", label: "bulbs ridged" },
  { value: "shrivelled", label: "bulbs shrivelled" },
  { value: "thin-stemmed", label: "thin-stemmed, in a chamber" },
] as const;

/** How long a rootless plant lives on reserves. */
export function RunwayBench() {
  const session = useSession();
  const today = session.data?.today ?? "";
  const [reserves, setReserves] = useState<string | null>(null);
  const [weighings, setWeighings] = useState<{ on: string; grams?: number }[]>([{ on: "" }, { on: "" }]);
  const full = weighings.flatMap((w) => (w.on && w.grams !== undefined ? [{ on: w.on, grams: w.grams }] : []));
  const { result, error, fields, example } = useReckoning(
    "runway",
    { reserves: (reserves as Schemas["RunwayInput"]["reserves"]) ?? undefined, weighings: full },
    reserves !== null || full.length > 1,
    (body) => bench.POST("/api/bench/runway", { body }),
    { words: "an orchid without roots whose bulbs are ridged", input: { reserves: "ridged", weighings: [] } },
  );
  return (
    <Sheet
      title="How long reserves last"
      about="For a plant without roots: weigh it bare, twice, some days apart; or go by the eye."
      result={result}
      error={error}
      example={example}
      empty="Say how its reserves look, or give two weighings."
      what="reserves"
    >
      <Select
        className={classes.wide}
        label="How its reserves look"
        clearable
        data={[...looks]}
        value={reserves}
        onChange={setReserves}
        error={fields.reserves}
      />
      {weighings.map((w, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines are only added at the end
        <div key={i} style={{ display: "contents" }}>
          <TextInput
            label="Weighed on"
            type="date"
            max={today}
            value={w.on}
            onChange={(e) => {
              const on = e.currentTarget.value;
              setWeighings(weighings.map((x, n) => (n === i ? { ...x, on } : x)));
            }}
          />
          <QuantityInput
            unit="g"
            label="Bare weight"
            value={w.grams}
            onChange={(grams) => setWeighings(weighings.map((x, n) => (n === i ? { ...x, grams } : x)))}
            error={i === 0 ? fields.weighings : undefined}
          />
        </div>
      ))}
      <Button variant="default" onClick={() => setWeighings([...weighings, { on: "" }])}>
        One more weighing
      </Button>
    </Sheet>
  );
}
