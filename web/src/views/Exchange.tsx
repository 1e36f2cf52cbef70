import { Button, FileButton, Group, Progress, Textarea } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { useImport } from "../api/files";
import { Refused } from "../shell/States";
import { ListPreview } from "./ListPreview";
import { sayCount } from "./words";

const out = [
  {
    href: "/api/archive.json",
    label: "Everything, as JSON",
    text: "Places, own kinds, cupboard, every plant with its whole record and its pictures.",
  },
  {
    href: "/api/archive.json?pictures=false",
    label: "Everything but pictures, as JSON",
    text: "The same, small enough for a mail.",
  },
  {
    href: "/api/entries.csv",
    label: "Every entry, as a table",
    text: "CSV, one row for each thing that was recorded. Only pictures are left out.",
  },
  {
    href: "/api/register.csv",
    label: "The register, as a table",
    text: "CSV, one row for each plant: where it stands, its place, its causes.",
  },
];

/** How large a list may be that is looked at first, bytes. */
const mostList = 8_000_000;

/** What goes out of the collection and comes into it, in open formats. */
export function Exchange() {
  const [progress, setProgress] = useState<Schemas["Progress"]>();
  const take = useImport(setProgress);
  const [chosen, setChosen] = useState<{ file: Blob; name: string }>();
  const [name, setName] = useState("");
  const added = take.data;
  const send = (as?: Record<string, string>) => {
    if (!chosen) return;
    take.mutate({ file: chosen.file, as }, { onSuccess: () => setChosen(undefined) });
  };
  return (
    <>
      <title>Out and in · Tender Mend</title>
      <h1>Out and in</h1>
      <p className="soft mt-2 mb-16">
        What you recorded is yours, in open formats. One plant goes out from its record.
      </p>
      <div className="columns">
        <section className="patch" aria-label="Take out">
          <h2>Take out</h2>
          <ul className="rows no-bullets p-0 mt-6 mb-0">
            {out.map((o) => (
              <li className="py-8 px-0" key={o.href}>
                <a className="colour-inherit" href={o.href} download>
                  {o.label}
                </a>
                <div className="soft small">{o.text}</div>
              </li>
            ))}
          </ul>
        </section>
        <section className="patch" aria-label="Take in">
          <h2>Take in</h2>
          <p className="mt-4 mb-10">
            Any of these files, or your own list of plants or readings: its headings in your own words, kinds by any
            name, days as you write them. You see what it is read as before anything is taken in. What is here already
            is left alone, so the same file may come twice.{" "}
            <a href="/api/template.csv" download>
              A list to fill in
            </a>
            . <Link to="/folder">A folder of pictures</Link> goes to its plants by what it is called.
          </p>
          <Group align="end">
            <FileButton
              accept=".json,.csv,.tsv,.txt,application/json,text/csv,text/plain"
              onChange={(file) => {
                if (!file) return;
                setName(file.name);
                setProgress(undefined);
                take.reset();
                // An archive is no list, and what is larger than a list was not typed by hand.
                if (file.name.endsWith(".json") || file.size > mostList) {
                  setChosen(undefined);
                  take.mutate({ file });
                } else setChosen({ file, name: file.name });
              }}
              inputProps={{ "aria-label": "A file to take in" }}
            >
              {(props) => (
                <Button {...props} loading={take.isPending}>
                  Pick a file
                </Button>
              )}
            </FileButton>
          </Group>
          <Pasted
            look={(text) => {
              setChosen({ file: new Blob([text]), name: "what was pasted" });
              setName("what was pasted");
              take.reset();
            }}
          />
          {chosen && (
            <ListPreview
              key={chosen.name + chosen.file.size}
              file={chosen.file}
              name={name}
              busy={take.isPending}
              leave={() => setChosen(undefined)}
              ours={() => send()}
              take={(as) => send(as)}
            />
          )}
          {take.isPending && (
            <div className="mt-10">
              <span className="soft" role="status">
                {progress ? `${name}: ${progress.done} of ${sayCount(progress.of, "entry")}` : `Sending ${name}`}
              </span>
              <Progress
                value={progress ? (100 * progress.done) / Math.max(1, progress.of) : 0}
                color="slate"
                aria-label={`How far ${name} has come in`}
              />
            </div>
          )}
          <Refused error={take.error} />
          {added && (
            <p className="mt-10 mb-0" role="status">
              From {name}: <b>{sayCount(added.plants, "plant")}</b>, {sayCount(added.entries, "entry")} and{" "}
              {sayCount(added.pictures, "picture")}
              {added.cases > 0 && `, ${sayCount(added.cases, "case")} to learn from`} taken over; {added.known} were
              here already.
            </p>
          )}
          {added?.notes && added.notes.length > 0 && (
            <ul aria-label="What is to be said of the file" className="small">
              {added.notes.map((n) => (
                <li key={n}>{n}</li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </>
  );
}

/** A list that is typed or pasted: a plant in each row. */
function Pasted({ look }: { look: (text: string) => void }) {
  const [text, setText] = useState("");
  return (
    <details className="mt-10">
      <summary>Type or paste a list</summary>
      <Textarea
        label="A plant in each row"
        description="With headings, or the names alone: Boston fern, snake plant …"
        autosize
        minRows={4}
        maxRows={14}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
      />
      <Button mt="xs" variant="default" disabled={text.trim() === ""} onClick={() => look(text)}>
        {text.trim() === "" ? "Type something first" : "See what it is read as"}
      </Button>
    </details>
  );
}
