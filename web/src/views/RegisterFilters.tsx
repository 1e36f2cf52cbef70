import { Select, TextInput } from "@mantine/core";
import type { Schemas } from "../api/client";
import { usePlaces } from "../api/plants";
import classes from "./Register.module.css";
import { isolationWord, standingWord } from "./words";

const sorts = [
  { value: "name", label: "name" },
  { value: "due", label: "what is due first" },
  { value: "condition", label: "condition, worst first" },
  { value: "newest", label: "arrival, newest first" },
  { value: "oldest", label: "arrival, oldest first" },
];

interface FiltersProps {
  /** The first page, with how many plants stand where. */
  first: Schemas["Register"] | undefined;
  search: URLSearchParams;
  set: (key: string, value: string | null) => void;
  words: string;
  setWords: (words: string) => void;
}

/** What narrows the register, and its order; all of it stands in the address. */
export function Filters({ first, search, set, words, setWords }: FiltersProps) {
  const places = usePlaces();
  const count = (n: Record<string, number> | undefined, word: (k: string) => string) =>
    Object.entries(n ?? {})
      .sort()
      .map(([value, many]) => ({ value, label: `${word(value)} (${many})` }));
  return (
    <div className={classes.filters}>
      <TextInput
        label="Words"
        placeholder="Name, kind, place, trouble …"
        value={words}
        onChange={(e) => setWords(e.currentTarget.value)}
        className={classes.words}
      />
      <Select
        label="Where it stands"
        placeholder="any"
        clearable
        data={count(first?.standing, standingWord)}
        value={search.get("standing")}
        onChange={(v) => set("standing", v)}
      />
      <Select
        label="Stage"
        placeholder="any"
        clearable
        data={count(first?.stage, (s) => s)}
        value={search.get("stage")}
        onChange={(v) => set("stage", v)}
      />
      <Select
        label="Place"
        placeholder="any"
        clearable
        data={places.data?.places?.map((p) => ({ value: p.id, label: `${p.name} (${p.plants})` })) ?? []}
        value={search.get("place")}
        onChange={(v) => set("place", v)}
      />
      <Select
        label="Kept apart"
        placeholder="any"
        clearable
        data={count(first?.isolation, isolationWord)}
        value={search.get("isolation")}
        onChange={(v) => set("isolation", v)}
      />
      {Object.keys(first?.tags ?? {}).length > 0 && (
        <Select
          label="Box or tag"
          placeholder="any"
          clearable
          searchable
          data={count(first?.tags, (t) => t)}
          value={search.get("tag")}
          onChange={(v) => set("tag", v)}
        />
      )}
      <Select
        label="In the order of"
        data={sorts}
        allowDeselect={false}
        value={search.get("sort") ?? "name"}
        onChange={(v) => set("sort", v === "name" ? null : v)}
      />
    </div>
  );
}
