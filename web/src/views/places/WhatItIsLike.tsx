import { Button, Checkbox, Select, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { type Details, type PlaceView, useChangePlace } from "../../api/places";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import classes from "./Places.module.css";

const settings = [
  { value: "room", label: "in a heated room" },
  { value: "sill", label: "on a window sill" },
  { value: "cold-room", label: "in a cold room" },
  { value: "porch", label: "in an unheated porch" },
  { value: "outdoors", label: "outdoors" },
];
const aspects = [
  { value: "", label: "no window" },
  ...[
    ["N", "north"],
    ["NE", "north-east"],
    ["E", "east"],
    ["SE", "south-east"],
    ["S", "south"],
    ["SW", "south-west"],
    ["W", "west"],
    ["NW", "north-west"],
  ].map(([value = "", label = ""]) => ({ value, label })),
];
const blocks = [
  { value: "open", label: "nothing" },
  { value: "some", label: "a tree, a house across" },
  { value: "half", label: "half of the sky" },
  { value: "walled", label: "nearly all of it" },
];
const curtains = [
  { value: "none", label: "none" },
  { value: "sheer", label: "sheer" },
  { value: "blind", label: "a blind" },
];

type Window = Schemas["LitBy"];
type Air = Schemas["TypedAir"];

/** What a place is like: said once, its year is reckoned from it. */
export function WhatItIsLike({ view: v, places }: { view: PlaceView; places: Schemas["PlaceRow"][] }) {
  const change = useChangePlace(v.id);
  const [name, setName] = useState(v.name);
  const [light, setLight] = useState(v.light);
  const [isolation, setIsolation] = useState(v.isolation);
  const [partOf, setPartOf] = useState<string | null>(v.partOf ?? null);
  const [d, setDetails] = useState<Details>(v.details ?? { setting: "room" });
  const set = (more: Partial<Details>) => setDetails({ ...d, ...more });
  const inWindow = (more: Partial<Window>) => set({ window: { aspect: "S", ...d.window, ...more } });
  const air = (season: "winter" | "summer", more: Air) => set({ [season]: { ...d[season], ...more } });
  const save = (e: FormEvent) => {
    e.preventDefault();
    change.mutate({ version: v.version, name, light, isolation, details: d, ...(partOf && { partOf }) });
  };
  return (
    <form className="patch" onSubmit={save} aria-label="What it is like">
      <h2>What it is like</h2>
      <div className={classes.fields}>
        <TextInput label="Name" value={name} onChange={(e) => setName(e.currentTarget.value)} />
        <Select
          label="It is"
          data={settings}
          value={d.setting}
          allowDeselect={false}
          onChange={(s) => s && set({ setting: s as Details["setting"] })}
        />
        <Select
          label={d.setting === "outdoors" ? "Open to the" : "Its window looks"}
          data={aspects}
          value={d.window?.aspect ?? ""}
          allowDeselect={false}
          onChange={(a) => (a ? inWindow({ aspect: a as Window["aspect"] }) : set({ window: undefined }))}
        />
      </div>
      {d.window && <WindowFields window={d.window} set={inWindow} />}
      <div className={`${classes.fields} mt-10`}>
        <NumberField
          label="Lamp at the leaves"
          suffix=" µmol"
          value={d.lamp?.ppfd}
          onChange={(ppfd) => set({ lamp: ppfd ? { hours: 12, ...d.lamp, ppfd } : undefined })}
        />
        {d.lamp && (
          <NumberField
            label="Lamp on"
            suffix=" h a day"
            value={d.lamp.hours}
            onChange={(hours) => d.lamp && set({ lamp: { ...d.lamp, hours: hours ?? 0 } })}
          />
        )}
        <NumberField label="Plants it holds" value={d.slots} onChange={(slots) => set({ slots })} />
        <QuantityInput unit="cm" label="Room for" value={d.heightCm} onChange={(heightCm) => set({ heightCm })} />
      </div>
      <details className="mt-10">
        <summary className="small">More: its air, what it is a part of, who reaches it</summary>
        <AirFields details={d} set={air} />
        <div className={`${classes.fields} mt-10`}>
          <TextInput label="Its light in words" value={light} onChange={(e) => setLight(e.currentTarget.value)} />
          <Select
            label="A part of"
            data={places.filter((p) => p.id !== v.id).map((p) => ({ value: p.id, label: p.name }))}
            value={partOf}
            clearable
            onChange={setPartOf}
          />
        </div>
        <Checkbox
          mt="sm"
          label="Children or animals reach it"
          checked={d.reach ?? false}
          onChange={(e) => set({ reach: e.currentTarget.checked })}
        />
        <Checkbox
          mt="sm"
          label="A fan moves its air"
          checked={d.fan ?? false}
          onChange={(e) => set({ fan: e.currentTarget.checked })}
        />
        <Checkbox
          mt="sm"
          label="For isolation: its own tray and tools, walked last"
          checked={isolation}
          onChange={(e) => setIsolation(e.currentTarget.checked)}
        />
      </details>
      {change.error && <Refused error={change.error} />}
      <Button type="submit" mt="md" loading={change.isPending}>
        Keep it and reckon its year
      </Button>
    </form>
  );
}

/** The window that lights it. */
function WindowFields({ window: w, set }: { window: Window; set: (more: Partial<Window>) => void }) {
  return (
    <div className={`${classes.fields} mt-10`}>
      <NumberField
        label="Plants from the glass"
        suffix=" m"
        value={w.distanceM}
        onChange={(distanceM) => set({ distanceM })}
      />
      <NumberField label="Window wide" suffix=" m" value={w.widthM} onChange={(widthM) => set({ widthM })} />
      <NumberField label="Window high" suffix=" m" value={w.heightM} onChange={(heightM) => set({ heightM })} />
      <Select
        label="What hides the sky"
        data={blocks}
        value={w.blocked ?? "open"}
        allowDeselect={false}
        onChange={(b) => set({ blocked: b as Window["blocked"] })}
      />
      <Select
        label="Curtain"
        data={curtains}
        value={w.curtain ?? "none"}
        allowDeselect={false}
        onChange={(c) => set({ curtain: c as Window["curtain"] })}
      />
    </div>
  );
}

/** Its air, where somebody knows it by heart. */
function AirFields({ details: d, set }: { details: Details; set: (season: "winter" | "summer", more: Air) => void }) {
  return (["winter", "summer"] as const).map((season) => (
    <div className={`${classes.fields} mt-10`} key={season}>
      <QuantityInput
        unit="°C"
        label={`By night in ${season}`}
        value={d[season]?.night}
        onChange={(night) => set(season, { night })}
      />
      <QuantityInput
        unit="°C"
        label={`By day in ${season}`}
        value={d[season]?.day}
        onChange={(day) => set(season, { day })}
      />
      <NumberField
        label={`Humidity in ${season}`}
        suffix=" %"
        value={d[season]?.humidity}
        onChange={(humidity) => set(season, { humidity })}
      />
    </div>
  ));
}
