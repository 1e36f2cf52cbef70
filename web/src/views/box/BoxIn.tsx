import { Button, Group, Select, Switch, Textarea, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useBoxPreview } from "../../api/boxes";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { usePlaces, useSession } from "../../api/plants";
import { useMany } from "../../api/recording";
import { sayDay } from "../../dates";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { packings } from "../arrival/parts";
import classes from "../TakeIn.module.css";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import { BoxPlants } from "./BoxPlants";
import { type BoxDraft, emptyBox, entriesOf, idsFor, labelsAndLeft, nameOf, useBoxDraft } from "./draft";

/** A box comes in: a list, what is said once for all of it, and what differs. */
export function BoxIn() {
  const [draft, setDraft] = useBoxDraft();
  const today = useSession().data?.today ?? "";
  const [text] = useDebouncedValue(draft.text, 250);
  const [changes] = useDebouncedValue(draft.changes, 250);
  const preview = useBoxPreview({
    text,
    pattern: draft.pattern || undefined,
    price: draft.price,
    ...labelsAndLeft(changes),
  });
  const many = useMany("whole");
  const undo = useUndoMany();
  const navigate = useNavigate();
  const [refused, setRefused] = useState<Schemas["RefusedOf"][]>([]);
  const set = (part: Partial<BoxDraft>) => setDraft({ ...draft, ...part });
  const box = draft.box.trim() || `Box of ${sayDay(draft.on ?? today, today)}${draft.from ? `, ${draft.from}` : ""}`;
  const plants = (text.trim() !== "" && preview.data?.plants) || [];
  const wanted = plants.length - Object.values(draft.changes).filter((c) => c.left).length;
  const unsaid = plants.some((p, i) => !draft.changes[i]?.left && !(draft.changes[i]?.habit || p.habit || draft.habit));
  const takeIn = () => {
    const ids = idsFor(plants, draft.ids);
    set({ ids });
    many.mutate(entriesOf({ ...draft, box, ids }, plants, today), {
      onSuccess: ({ kept, refused: list }) => {
        setRefused(list);
        if (list.length > 0) return;
        undo("taken in", sayCount(new Set(kept.map((k) => k.plant)).size, "plant"), kept);
        setDraft(emptyBox);
        navigate(`/together?tag=${encodeURIComponent(box)}`);
      },
    });
  };
  return (
    <>
      <title>A box comes in · Tender Mend</title>
      <h1>A box comes in</h1>
      <p className="soft">
        A line for each plant, or for several alike: how many, what it is by any name, and after a comma what it has.
      </p>
      <div className="columns">
        <form
          className="patch"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            takeIn();
          }}
        >
          <Textarea
            label="What is in it"
            placeholder={"12 x moth orchid, soft roots\nHoya, sticky leaves"}
            autosize
            minRows={4}
            data-autofocus
            value={draft.text}
            onChange={(e) => set({ text: e.currentTarget.value, changes: {} })}
          />
          <OnceForAll draft={draft} set={set} box={box} today={today} pattern={preview.data?.pattern} />
          {unsaid && <HowAllGrow draft={draft} set={set} />}
          <Group mt="md">
            <Button type="submit" size="md" disabled={wanted === 0 || unsaid} loading={many.isPending}>
              Take in {sayCount(wanted, "plant")}
            </Button>
            {unsaid && <span className="ochre small">It waits for how they grow: some lines name no known kind.</span>}
          </Group>
          <Refused error={many.error} />
          {refused.length > 0 && (
            <div role="alert" className="red small">
              <p>Nothing of the box is taken in yet. Put this right, or leave it out, and take it in again:</p>
              <ul>
                {refused.map((r) => (
                  <li key={r.plant}>
                    {nameOf(plants, draft, r.plant)}: {r.problem.detail}{" "}
                    {(r.problem.errors ?? []).map((e) => e.message).join("; ")}
                  </li>
                ))}
              </ul>
            </div>
          )}
        </form>
        <section className="patch" aria-label="The plants of the box" aria-live="polite">
          <h2>{plants.length === 0 ? "The plants of the box" : sayCount(wanted, "plant")}</h2>
          {plants.length === 0 && <p className="soft">They stand here as they are read, to be put right one by one.</p>}
          <Refused error={preview.error} />
          {(preview.data?.problems ?? []).map((p) => (
            <p key={p.line} className="ochre small">
              <b>Line {p.line}</b>, left out: {p.why}.
            </p>
          ))}
          {preview.data && <BoxPlants plants={plants} kinds={preview.data.kinds} draft={draft} set={set} />}
        </section>
      </div>
    </>
  );
}

interface OnceProps {
  draft: BoxDraft;
  set: (part: Partial<BoxDraft>) => void;
}

/** What is said once for all that came in it. */
function OnceForAll({ draft, set, box, today, pattern }: OnceProps & { box: string; today: string; pattern?: string }) {
  const places = usePlaces().data?.places ?? [];
  return (
    <div className={classes.two}>
      <TextInput label="Seller or source" value={draft.from} onChange={(e) => set({ from: e.currentTarget.value })} />
      <NumberField
        label="Price of the whole box"
        description="Parted among its plants"
        min={0}
        decimalScale={2}
        value={draft.price}
        onChange={(price) => set({ price })}
      />
      <TextInput
        type="date"
        label="Came on"
        max={today}
        value={draft.on ?? today}
        onChange={(e) => set({ on: e.currentTarget.value || undefined })}
      />
      <Select
        label="How it was packed"
        clearable
        data={packings}
        value={draft.packing ?? null}
        onChange={(v) => set({ packing: (v as BoxDraft["packing"]) ?? undefined })}
      />
      <Select
        label="Place"
        placeholder={places.length > 0 ? "pick a place" : "no places yet"}
        clearable
        data={places.map((p) => ({ value: p.id, label: p.name }))}
        value={draft.place ?? null}
        onChange={(v) => set({ place: v ?? undefined })}
      />
      <QuantityInput
        unit="cm"
        label="Pots, inner width"
        value={draft.potWidthCm}
        onChange={(potWidthCm) => set({ potWidthCm })}
      />
      <TextInput
        label="Labels"
        description="A # for each digit"
        placeholder={pattern ?? "T-###"}
        maxLength={20}
        value={draft.pattern}
        onChange={(e) => set({ pattern: e.currentTarget.value })}
      />
      <TextInput
        label="The box is called"
        description="All of it is found by that"
        placeholder={box}
        maxLength={80}
        value={draft.box}
        onChange={(e) => set({ box: e.currentTarget.value })}
      />
      <Switch
        label="Isolated: own trays, own tools, at least two weeks"
        checked={draft.isolated}
        onChange={(e) => set({ isolated: e.currentTarget.checked })}
      />
    </div>
  );
}

/** How plants grow of which no kind is known. */
function HowAllGrow({ draft, set }: OnceProps) {
  const habits = useKnowledge().data?.habits ?? [];
  return (
    <Select
      mt="sm"
      label="How those without a kind grow"
      searchable
      data={habits.map((h) => ({ value: h.id, label: h.label }))}
      value={draft.habit ?? null}
      onChange={(v) => set({ habit: v ?? undefined })}
    />
  );
}
