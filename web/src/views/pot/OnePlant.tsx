import { Autocomplete, Group, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import { useProfiles } from "../../api/handbook";
import type { Potmate } from "./words";

interface OnePlantProps {
  plant: Potmate;
  /** The name of its kind, where it is another than the record's. */
  kind?: string;
  /** What the record is called: plant A. */
  own: string;
  change: (to: Potmate) => void;
}

/** What tells one plant of a pot from the others, and its kind where that is another. */
export function OnePlant({ plant, kind, own, change }: OnePlantProps) {
  const [typed, setTyped] = useState(kind ?? "");
  const [words] = useDebouncedValue(typed, 120);
  const found = useProfiles(words).data?.profiles ?? [];
  const pick = (to: string) => {
    setTyped(to);
    change({ ...plant, profile: found.find((p) => p.botanical === to)?.id });
  };
  const first = plant.letter === "A";
  return (
    <Group align="end" gap="sm" mt="xs">
      <TextInput
        label={first ? `A, whose record this is: ${own}` : `Plant ${plant.letter}`}
        placeholder="the tall one"
        w={280}
        maxLength={60}
        value={plant.name ?? ""}
        onChange={(e) => change({ ...plant, name: e.currentTarget.value || undefined })}
      />
      {!first && (
        <Autocomplete
          label={`Kind of ${plant.letter}, if it is another`}
          data={[...new Set(found.map((p) => p.botanical))]}
          filter={({ options }) => options}
          value={typed}
          onChange={pick}
          error={
            typed.trim() !== "" && !plant.profile && found.length === 0
              ? "This kind is not known here; leave it empty."
              : undefined
          }
        />
      )}
    </Group>
  );
}
