import { Button, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { usePlaces } from "../../api/plants";
import { type Draft, useMany } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import classes from "./Many.module.css";
import type { Picking } from "./picked";

type Body = Omit<Draft, "on" | "id">;
/** How many plants stand side by side at most. */
const mostBeside = 6;

type Refusal = Schemas["RefusedOf"];

/** What the picked plants get at once, each as it would alone: one tap, one undo for the lot. */
export function ManyBar({ picking, today }: { picking: Picking; today: string }) {
  const many = useMany();
  const undo = useUndoMany();
  const passing = useKnowledge().data?.inPassing ?? [];
  const [day, setDay] = useState<string>();
  const on = day || today;
  const [asking, setAsking] = useState<"place" | "note" | "tag">();
  const [refused, setRefused] = useState<{ said: string; body: Body; list: Refusal[] }>();
  const { plants } = picking;
  const send = (said: string, body: Body, of: { id: string; despite?: Draft["despite"] }[] = plants) =>
    many.mutate(
      of.map(({ id, despite }) => ({ plant: id, on, despite, ...body })),
      {
        onSuccess: ({ kept, refused: list }) => {
          if (kept.length > 0) undo(said, sayCount(new Set(kept.map((k) => k.plant)).size, "plant"), kept);
          setRefused(list.length > 0 ? { said, body, list } : undefined);
          setAsking(undefined);
          picking.keep(list.map((r) => r.plant));
        },
      },
    );
  const act = (said: string, body: Body) => (
    <Button size="compact-md" variant="default" disabled={many.isPending} onClick={() => send(said, body)}>
      {said}
    </Button>
  );
  return (
    <section className={classes.bar} aria-label="The picked plants">
      <div className={classes.acts}>
        <p className={classes.said} aria-live="polite">
          <b>{sayCount(plants.length, "plant")} picked.</b> What you press is recorded for each of them.
        </p>
        {act("watered", { watered: {} })}
        {act("still moist", { probed: { moisture: "moist" } })}
        {passing
          .filter((m) => m.calm)
          .map((m) => (
            <span key={m.id}>{act(m.calm, { checked: { readings: [{ measure: m.id, value: 0 }] } })}</span>
          ))}
        <Button size="compact-md" variant="default" onClick={() => setAsking("place")}>
          moved to …
        </Button>
        <Button size="compact-md" variant="default" onClick={() => setAsking("note")}>
          note …
        </Button>
        <Button size="compact-md" variant="default" onClick={() => setAsking("tag")}>
          tag …
        </Button>
        <Button
          size="compact-md"
          variant="default"
          component={Link}
          to={`/labels?${plants.map((p) => `plants=${p.id}`).join("&")}`}
        >
          labels …
        </Button>
        {plants.length > 1 && plants.length <= mostBeside && (
          <Button
            size="compact-md"
            variant="default"
            component={Link}
            to={`/compare?${plants.map((p) => `plants=${p.id}`).join("&")}`}
          >
            side by side
          </Button>
        )}
        {act("kept apart", { moved: { isolation: "isolated", reason: "kept apart with others" } })}
        {day === undefined && (
          <Button size="compact-md" variant="subtle" onClick={() => setDay(today)}>
            on another day …
          </Button>
        )}
        {day !== undefined && (
          <TextInput
            type="date"
            size="xs"
            label="On"
            value={day}
            max={today}
            onChange={(e) => setDay(e.currentTarget.value)}
          />
        )}
        <Button size="compact-md" variant="subtle" onClick={picking.clear}>
          pick none
        </Button>
      </div>
      {asking === "place" && <AskPlace send={(said, moved) => send(said, { moved })} />}
      {asking === "tag" && (
        <AskWords
          label="The tag"
          act="Tag them"
          send={(tag) => send(`tagged “${tag}”`, { tagged: { add: [tag] } })}
          busy={many.isPending}
        />
      )}
      {asking === "note" && (
        <AskWords
          label="The note"
          act="Note it"
          send={(text) => send("noted", { noted: { text } })}
          busy={many.isPending}
        />
      )}
      {refused && <NotRecorded {...refused} picking={picking} again={(of) => send(refused.said, refused.body, of)} />}
      <Refused error={many.error} />
    </section>
  );
}

/** Where they went; who stands in one tray is known by its name. */
function AskPlace({ send }: { send: (said: string, moved: { place: string; tray?: string }) => void }) {
  const places = usePlaces().data?.places ?? [];
  const [tray, setTray] = useState("");
  const name = (id: string) => places.find((p) => p.id === id)?.name;
  return (
    <div className={classes.acts}>
      <TextInput
        label="Tray, where they share one"
        value={tray}
        maxLength={40}
        onChange={(e) => setTray(e.currentTarget.value)}
      />
      <Select
        label="Where they went"
        placeholder="pick a place"
        data={places.map((p) => ({ value: p.id, label: p.name }))}
        onChange={(id) => id && send(`moved to ${name(id)}`, { place: id, tray: tray.trim() || undefined })}
      />
    </div>
  );
}

interface AskWordsProps {
  label: string;
  act: string;
  send: (text: string) => void;
  busy: boolean;
}

/** Asks for a few words that all of them get. */
function AskWords({ label, act, send, busy }: AskWordsProps) {
  const [text, setText] = useState("");
  return (
    <form
      className={classes.acts}
      onSubmit={(e) => {
        e.preventDefault();
        send(text);
      }}
    >
      <TextInput label={label} value={text} onChange={(e) => setText(e.currentTarget.value)} data-autofocus />
      <Button type="submit" size="compact-md" loading={busy}>
        {act}
      </Button>
    </form>
  );
}

interface NotRecordedProps {
  said: string;
  list: Refusal[];
  picking: Picking;
  again: (of: { id: string; despite: Draft["despite"] }[]) => void;
}

/** What was not recorded, plant by plant; what is only asked about can be recorded all the same. */
function NotRecorded({ said, list, picking, again }: NotRecordedProps) {
  const name = (id: string) => picking.plants.find((p) => p.id === id)?.name ?? "";
  const concerns = (r: Refusal) =>
    (r.problem.errors ?? []).filter((e) => e.location === "body.despite").map((e) => e.value as string);
  const asked = list.filter((r) => concerns(r).length > 0);
  return (
    <div role="alert">
      <ul className={classes.refused}>
        {list.map((r) => (
          <li key={r.plant}>
            <b>{name(r.plant)}</b>, not recorded: {r.problem.detail}
          </li>
        ))}
      </ul>
      {asked.length > 0 && (
        <Button
          mt="xs"
          size="compact-md"
          variant="default"
          onClick={() => again(asked.map((r) => ({ id: r.plant, despite: concerns(r) as Draft["despite"] })))}
        >
          {said}, all the same: {sayCount(asked.length, "plant")}
        </Button>
      )}
    </div>
  );
}
