import { Button, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useSaveForecast, useSaveSite } from "../../api/places";
import { NumberField } from "../../fields";
import { Refused } from "../../shell/States";
import { toMetric, toShown, useUnits } from "../../units";
import classes from "./Places.module.css";

const skies = [
  { value: "cloudy", label: "often cloudy" },
  { value: "mixed", label: "mixed" },
  { value: "sunny", label: "mostly sunny" },
];

/** Numbers as people type them in a row. */
const numbers = (text: string) =>
  text
    .split(/[;\s]+/)
    .filter(Boolean)
    .map((n) => Number(n.replace(",", ".").replace("−", "-")));

/** Where the collection is, its usual nights, and how cold the coming ones get. */
export function SiteForm({ site, today }: { site: Schemas["Site"]; today: string }) {
  const [system] = useUnits();
  const unit = toShown(0, "°C", system).unit;
  const shown = (list: number[]) => list.map((n) => Number(toShown(n, "°C", system).value.toFixed(1))).join(" ");
  const [latitude, setLatitude] = useState<number | undefined>(site.latitude);
  const [sky, setSky] = useState<string | null>(site.sky);
  const [nights, setNights] = useState(shown(site.nights));
  const [coming, setComing] = useState("");
  const save = useSaveSite();
  const tell = useSaveForecast();
  const metric = (text: string) => numbers(text).map((n) => toMetric(n, "°C", system));
  return (
    <section className="patch" aria-label="Where it is">
      <h2>Where it is</h2>
      <p className="small mt-2">
        {site.assumed
          ? "Assumed from the time zone: say it, and light and cold nights are told more surely."
          : "The sun and the nights are reckoned from this."}
      </p>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (latitude === undefined) return;
          save.mutate({ latitude, sky: (sky ?? "mixed") as Schemas["Site"]["sky"], nights: metric(nights) });
        }}
      >
        <div className={classes.fields}>
          <NumberField
            label="Latitude"
            suffix=" °"
            value={latitude}
            onChange={setLatitude}
            description="south below 0"
          />
          <Select label="Its sky" data={skies} value={sky} onChange={setSky} allowDeselect={false} />
        </div>
        <TextInput
          mt="sm"
          label={`Usual coldest of the nights, January to December, ${unit}`}
          description="twelve numbers with blanks between them"
          value={nights}
          onChange={(e) => setNights(e.currentTarget.value)}
          error={metric(nights).length !== 12 || metric(nights).some(Number.isNaN) ? "give twelve numbers" : undefined}
        />
        {save.error && <Refused error={save.error} />}
        <Button type="submit" variant="default" mt="sm" loading={save.isPending}>
          Keep it
        </Button>
      </form>
      <form
        className="mt-18"
        onSubmit={(e) => {
          e.preventDefault();
          tell.mutate({ from: today, nights: metric(coming), source: "typed" }, { onSuccess: () => setComing("") });
        }}
      >
        <TextInput
          label={`The coming nights outdoors, from tonight on, ${unit}`}
          description="as a forecast says: 6 4 -1"
          value={coming}
          onChange={(e) => setComing(e.currentTarget.value)}
          error={metric(coming).some(Number.isNaN) ? "give numbers with blanks between them" : undefined}
        />
        {tell.error && <Refused error={tell.error} />}
        <Button type="submit" variant="default" mt="sm" disabled={coming.trim() === ""} loading={tell.isPending}>
          {coming.trim() === "" ? "Type the nights first" : "See who comes in"}
        </Button>
      </form>
    </section>
  );
}
