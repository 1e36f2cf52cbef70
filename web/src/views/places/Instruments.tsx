import { Button, FileButton, Group, Select } from "@mantine/core";
import { useState } from "react";
import { type PlaceView, useAddLight, useAddReadings } from "../../api/places";
import { NumberField } from "../../fields";
import { Refused } from "../../shell/States";
import { sayCount } from "../words";
import classes from "./Places.module.css";

const skies = [
  { value: "overcast", label: "overcast" },
  { value: "clear", label: "clear" },
];

/** One reading of daylight, which corrects what the eye made of the window. */
export function LightForm({ view: v, today }: { view: PlaceView; today: string }) {
  const add = useAddLight(v.id);
  const [ppfd, setPpfd] = useState<number>();
  const [hour, setHour] = useState<number | undefined>(12);
  const [sky, setSky] = useState<string | null>("overcast");
  if (!v.details?.window) return null;
  return (
    <form
      className="patch"
      aria-label="A reading of light"
      onSubmit={(e) => {
        e.preventDefault();
        if (ppfd !== undefined && hour !== undefined)
          add.mutate(
            { on: today, hour, ppfd, sky: sky as "overcast" | "clear" },
            { onSuccess: () => setPpfd(undefined) },
          );
      }}
    >
      <h2>Read its light</h2>
      <p className="small soft mt-2">
        {v.meter} {sayCount(v.read, "reading")} so far.
      </p>
      <div className={classes.fields}>
        <NumberField label="The meter shows" suffix=" µmol" value={ppfd} onChange={setPpfd} />
        <NumberField label="At what hour" suffix=" h" value={hour} onChange={setHour} />
        <Select label="The sky is" data={skies} value={sky} onChange={setSky} allowDeselect={false} />
      </div>
      {add.error && <Refused error={add.error} />}
      <Button type="submit" variant="default" mt="sm" disabled={ppfd === undefined} loading={add.isPending}>
        {ppfd === undefined ? "Type what it shows" : "Keep this reading"}
      </Button>
    </form>
  );
}

/** Takes the file of a logger over, after saying how it is read. */
export function LoggerForm({ view: v }: { view: PlaceView }) {
  const read = useAddReadings(v.id);
  const [text, setText] = useState<string>();
  const [monthFirst, setMonthFirst] = useState<boolean>();
  const r = read.data;
  const look = (of: string, first?: boolean) => {
    setText(of);
    setMonthFirst(first);
    read.mutate({ text: of, preview: true, ...(first !== undefined && { monthFirst: first }) });
  };
  const asks = r?.dayOrMonth && monthFirst === undefined;
  return (
    <section className="patch" aria-label="A logger's file">
      <h2>Take over a logger’s file</h2>
      <p className="small soft mt-2">Time, temperature and humidity as a table, whatever its separator and headings.</p>
      <FileButton accept=".csv,.txt,text/csv,text/plain" onChange={async (f) => f && look(await f.text())}>
        {(props) => (
          <Button variant="default" {...props} loading={read.isPending}>
            Choose the file
          </Button>
        )}
      </FileButton>
      {read.error && <Refused error={read.error} />}
      {r && (
        <div aria-live="polite">
          <p className="mb-5">
            {r.added > 0
              ? `${sayCount(r.added, "new reading")} kept.`
              : `${sayCount(r.readings, "reading")}, ${r.times}${r.fahrenheit ? ", °F" : ""}.`}
          </p>
          {r.notes.map((n) => (
            <p key={n} className="ochre small my-8">
              {n}
            </p>
          ))}
          {asks && text && (
            <Group>
              <span>Which stands first in its dates?</span>
              <Button variant="default" onClick={() => look(text, false)}>
                the day
              </Button>
              <Button variant="default" onClick={() => look(text, true)}>
                the month
              </Button>
            </Group>
          )}
          {!asks && r.added === 0 && text && (
            <Button
              mt="xs"
              onClick={() => read.mutate({ text, ...(monthFirst !== undefined && { monthFirst }) })}
              loading={read.isPending}
            >
              Take them over
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
