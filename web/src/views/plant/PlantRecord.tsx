import { Button, Group, Select, Switch, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Knowledge, ListedEntry } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useEntries, usePlaces } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { distance, sayDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";
import { useUnits } from "../../units";
import { isolationWord, sayCount } from "../words";
import { CorrectEntry } from "./CorrectEntry";
import { wayOf } from "./corrections";
import { sayEntry } from "./entryWords";
import { usePlantFile } from "./PlantPage";
import classes from "./PlantRecord.module.css";

/** Everything recorded of a plant, newest first; each entry can be corrected or undone, none is lost. */
export function PlantRecord() {
  const file = usePlantFile();
  const entries = useEntries(file.id);
  const knowledge = useKnowledge();
  const [undone, setUndone] = useState(false);
  const [search, setSearch] = useSearchParams();
  if (entries.isPending || knowledge.isPending) return <Waiting rows={6} />;
  if (entries.isLoadingError) return <Failed error={entries.error} retry={() => entries.refetch()} />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const all = entries.data.entries ?? [];
  const of = file.cases.find((c) => c.id === search.get("case"));
  const inCase = (e: ListedEntry) => !of || e.cases.includes(of.id);
  const shown = (undone ? all : all.filter((e) => e.live && !e.voided)).filter(inCase);
  const counting = shown.filter((e) => e.live && !e.voided).length;
  return (
    <div className={classes.record}>
      <section className="patch" aria-label="Entries">
        <Group justify="space-between">
          <h2>{sayCount(counting, "entry")}</h2>
          {file.cases.length > 0 && (
            <Select
              aria-label="Of which case"
              placeholder="of all cases"
              clearable
              data={file.cases.map((c) => ({ value: c.id, label: `${c.name}, from ${sayDay(c.from, file.today)}` }))}
              value={of?.id ?? null}
              onChange={(v) => setSearch(v ? { case: v } : {})}
            />
          )}
          <Switch
            label="Show what was undone or corrected"
            checked={undone}
            onChange={(e) => setUndone(e.currentTarget.checked)}
          />
        </Group>
        <ul className={`rows ${classes.list}`}>
          {shown.map((e) => (
            <EntryRow key={e.id} entry={e} knowledge={knowledge.data} all={all} />
          ))}
        </ul>
      </section>
      <div className="grid gap-18">
        <AddNote />
        <MovePlant />
        <section className="patch" aria-label="Take it out">
          <h2>Take it out</h2>
          <p className="small my-4">
            <a className="colour-inherit" href={`/api/plants/${file.id}/archive.json`} download>
              With its pictures, as JSON
            </a>{" "}
            ·{" "}
            <a className="colour-inherit" href={`/api/plants/${file.id}/entries.csv`} download>
              as a table
            </a>
          </p>
        </section>
        <section className="patch" aria-label="A piece of it">
          <h2>A piece of it</h2>
          <p className="soft small">
            A cutting, division or plantlet is a plant of its own, with its mother named; many alike are one batch.
          </p>
          <Group gap="sm">
            <Button component={Link} to={`/plants/${file.id}/pieces`} variant="default">
              Take pieces
            </Button>
            <Button component={Link} to={`/plants/new?mother=${file.id}`} variant="default">
              Take in a piece
            </Button>
            <Button component={Link} to={`/plants/${file.id}/pot`} variant="default">
              Several in one pot
            </Button>
          </Group>
        </section>
      </div>
    </div>
  );
}

function EntryRow({ entry, knowledge, all }: { entry: ListedEntry; knowledge: Knowledge; all: ListedEntry[] }) {
  const file = usePlantFile();
  const record = useRecord(file.id);
  const [correcting, setCorrecting] = useState(false);
  const [system] = useUnits();
  const words = sayEntry(entry, knowledge, file, all, system);
  const undo = () => record.mutate({ on: file.today, voided: { entry: entry.id } });
  return (
    <li className={entry.live ? classes.entry : `${classes.entry} ${classes.dead}`} data-kind={entry.kind}>
      <span className="soft small">
        {sayDay(entry.on, file.today)}
        <span className="block">{distance(entry.on, file.today)}</span>
      </span>
      <div>
        <b>{words.title}</b> {words.text}
        <div className="soft small">
          {entry.by}
          {entry.replaces && " · a correction"}
          {!entry.live && " · undone or corrected"}
        </div>
        {entry.despite && (
          <div className="ochre small">Recorded all the same: {entry.despite.map((c) => c.said).join(" ")}</div>
        )}
        <Refused error={record.error} />
      </div>
      {entry.live && (
        <Group gap="xs" wrap="nowrap" align="start">
          {wayOf(entry.kind) === "look" ? (
            <Link
              to={`/plants/${file.id}/examine?corrects=${entry.id}`}
              className="linkbutton small"
              aria-label={`Correct: ${words.title}`}
            >
              Correct
            </Link>
          ) : (
            wayOf(entry.kind) !== "never" && (
              <button
                type="button"
                className="linkbutton small"
                onClick={() => setCorrecting(true)}
                aria-label={`Correct: ${words.title}`}
              >
                Correct
              </button>
            )
          )}
          <button
            type="button"
            className="linkbutton small"
            onClick={undo}
            aria-label={`Undo: ${words.title}`}
            disabled={record.isPending}
          >
            {entry.kind === "voided" ? "Bring back" : "Undo"}
          </button>
        </Group>
      )}
      {correcting && <CorrectEntry entry={entry} knowledge={knowledge} close={() => setCorrecting(false)} />}
    </li>
  );
}

function AddNote() {
  const file = usePlantFile();
  const record = useRecord(file.id);
  const [text, setText] = useState("");
  const [id, setId] = useState(newId);
  return (
    <section className="patch" aria-label="Add a note">
      <h2>A note</h2>
      <Textarea
        mt="xs"
        aria-label="Note"
        autosize
        minRows={2}
        maxLength={4000}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
      />
      <Button
        mt="sm"
        variant="default"
        loading={record.isPending}
        onClick={() =>
          record.mutate(
            { id, on: file.today, noted: { text } },
            {
              onSuccess: () => {
                setText("");
                setId(newId());
              },
            },
          )
        }
      >
        Write it down
      </Button>
      <Refused error={record.error} />
    </section>
  );
}

function MovePlant() {
  const file = usePlantFile();
  const places = usePlaces();
  const record = useRecord(file.id);
  const [place, setPlace] = useState<string | null>(file.placeId ?? null);
  const [isolation, setIsolation] = useState<string>(file.isolation);
  const [tray, setTray] = useState(file.tray ?? "");
  const elsewhere = place !== null && place !== file.placeId;
  const otherTray = tray.trim() !== "" && (elsewhere || tray.trim() !== file.tray);
  const changed = elsewhere || otherTray || isolation !== file.isolation;
  return (
    <section className="patch" aria-label="Move it">
      <h2>Move it</h2>
      <Select
        mt="xs"
        label="Place"
        data={places.data?.places?.map((p) => ({ value: p.id, label: p.name })) ?? []}
        value={place}
        onChange={setPlace}
        placeholder={places.data?.places?.length ? "pick a place" : "no places yet"}
      />
      <TextInput
        mt="sm"
        label="Tray or saucer that it shares"
        description="A name for it, so that it is known who stood in it together"
        value={tray}
        maxLength={40}
        onChange={(e) => setTray(e.currentTarget.value)}
      />
      <Select
        mt="sm"
        label="Kept apart"
        data={["clean", "watch", "isolated"].map((v) => ({ value: v, label: isolationWord(v) }))}
        value={isolation}
        onChange={(v) => v && setIsolation(v)}
        allowDeselect={false}
      />
      <Button
        mt="sm"
        variant="default"
        disabled={!changed}
        loading={record.isPending}
        onClick={() =>
          record.mutate({
            on: file.today,
            moved: {
              place: elsewhere ? place : undefined,
              tray: otherTray ? tray.trim() : undefined,
              isolation: isolation !== file.isolation ? (isolation as "clean") : undefined,
            },
          })
        }
      >
        Record the move
      </Button>
      <Refused error={record.error} />
    </section>
  );
}
