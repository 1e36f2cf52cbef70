import { Autocomplete, Button, Group, Select, Switch, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import type { Schemas } from "../../api/client";
import { useProfiles } from "../../api/handbook";
import classes from "../TakeIn.module.css";
import { type Arrived, type Fields, textOf } from "./parts";

type Match = Schemas["Match"];

const say = (p: Pick<Match, "botanical" | "common">) => `${p.botanical} (${p.common})`;

/** Asks which one it is, where kinds that want different things go by one name. */
function WhichOne({ matches, pick }: { matches: Match[]; pick: (kind: Match) => void }) {
  const several = matches.filter((m) => (m.shared?.length ?? 0) > 0);
  const why = several.find((m) => m.why)?.why;
  if (several.length < 2) return null;
  return (
    <section className="mt-10 mb-0" aria-label="Which one is it?">
      <p className="m-0">
        <b className="ochre">Several kinds go by this name.</b> {why}
      </p>
      <Group gap="xs" mt={6}>
        {several.map((m) => (
          <Button key={m.id} variant="default" size="compact-md" onClick={() => pick(m)}>
            {say(m)}
          </Button>
        ))}
      </Group>
    </section>
  );
}

const had = [
  { value: "weeks", label: "some weeks" },
  { value: "months", label: "some months" },
  { value: "years", label: "a year or more" },
  { value: "unknown", label: "I do not know" },
  { value: "day", label: "since a day that I know" },
];

interface WhatItIsProps {
  fields: Fields;
  habits: Schemas["Habit"][];
  on: string;
  setOn: (on: string) => void;
  /** What is typed for the kind. */
  kind: string;
  setKind: (typed: string, part: Partial<Arrived>) => void;
}

/** What the plant is, how it grows, and since when it is here. */
export function WhatItIs({ fields, habits, on, setOn, kind, setKind }: WhatItIsProps) {
  const { value, set, fault } = fields;
  const [words] = useDebouncedValue(kind, 120);
  const profiles = useProfiles(words);
  const found = profiles.data?.profiles ?? [];
  const pickKind = (p: Match) => setKind(say(p), { profile: p.id, habit: p.habit });
  const pick = (typed: string) => {
    const profile = found.find((p) => say(p) === typed);
    if (profile) pickKind(profile);
    else setKind(typed, { profile: undefined });
  };
  // A kind that was typed and not picked is said to be unknown, not dropped.
  const unknownKind = kind.trim() !== "" && !value.profile;
  return (
    <>
      <h2>What it is</h2>
      <div className={classes.two}>
        <TextInput label="Name" description="What it is called here" maxLength={120} {...textOf(fields, "name")} />
        <TextInput
          label="Label code"
          description="On its label, if it has one"
          maxLength={24}
          {...textOf(fields, "label")}
        />
      </div>
      <div className={classes.two}>
        <Autocomplete
          label="Kind"
          description="Botanical or common name; leave it empty when nobody knows"
          data={found.map(say)}
          filter={({ options }) => options}
          value={kind}
          onChange={pick}
          error={
            fault("profile") ??
            (unknownKind && found.length === 0 ? "This kind is not known here; pick only how it grows." : undefined)
          }
        />
        <Select
          label="How it grows"
          description="Enough when the kind is unknown"
          data={habits.map((h) => ({ value: h.id, label: h.label }))}
          value={value.habit ?? null}
          onChange={(v) => set({ habit: v ?? undefined, ...(value.profile ? { profile: undefined } : {}) })}
          error={fault("habit")}
          searchable
        />
        <Select
          label="How long have you had it?"
          description="New plants often sulk. Leave it if you do not know"
          data={had}
          value={value.had ?? "day"}
          allowDeselect={false}
          onChange={(v) => set({ had: v === "day" ? undefined : (v as Arrived["had"]) })}
          error={fault("had")}
        />
        {!value.had && (
          <TextInput
            label="It came on"
            type="date"
            value={on}
            onChange={(e) => setOn(e.currentTarget.value)}
            error={fault("on")}
          />
        )}
      </div>
      {!value.profile && kind.trim() && <WhichOne matches={found} pick={(p) => pickKind(p)} />}
      <div className={classes.two}>
        <Switch
          mt="md"
          label="It is well, as far as you see: it gets its routine"
          checked={value.well ?? false}
          onChange={(e) => set({ well: e.currentTarget.checked || undefined })}
        />
        {!value.had && (
          <Switch
            mt="md"
            label="Where it comes from is suspect: pests, or not known"
            checked={value.suspect ?? false}
            onChange={(e) => set({ suspect: e.currentTarget.checked || undefined })}
          />
        )}
      </div>
    </>
  );
}
