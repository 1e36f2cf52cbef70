import { Button, Checkbox, Group, TextInput } from "@mantine/core";
import { useState } from "react";
import type { PlantFile, Schemas } from "../../api/client";
import { newId } from "../../api/id";
import { useTakeOut } from "../../api/pot";
import { QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import { sayWhich } from "./words";

type Out = Schemas["TakenOut"];

/** Takes plants out of the pot, each into one of its own: with a record, and the growths that were told of it. */
export function OwnPots({ file, shared }: { file: PlantFile; shared: Schemas["PotView"] }) {
  const take = useTakeOut(file.id);
  const undo = useUndoMany();
  const [asked, setAsked] = useState(newId());
  const [out, setOut] = useState<Out[]>([]);
  const others = shared.plants.filter((p) => p.letter !== "A");
  const set = (letter: string, part: Partial<Out>) =>
    setOut(out.map((o) => (o.letter === letter ? { ...o, ...part } : o)));
  const toggle = (p: (typeof others)[number]) =>
    setOut(
      out.some((o) => o.letter === p.letter)
        ? out.filter((o) => o.letter !== p.letter)
        : [...out, { letter: p.letter as Out["letter"], plant: newId(), name: `${file.name}, ${p.name || p.letter}` }],
    );
  const done = () =>
    take.mutate(
      { id: asked, on: file.today, out },
      {
        onSuccess: ({ kept }) => {
          undo(`${sayCount(out.length, "plant")} taken out of its pot`, file.name, kept);
          setOut([]);
          setAsked(newId());
        },
      },
    );
  return (
    <form
      className="mt-16"
      onSubmit={(e) => {
        e.preventDefault();
        done();
      }}
    >
      <b>Which come into pots of their own?</b>{" "}
      <span className="soft small">A stays: the record goes on as its own.</span>
      {others.map((p) => {
        const one = out.find((o) => o.letter === p.letter);
        return (
          <div key={p.letter} className="mt-6">
            <Checkbox
              label={`${sayWhich(p)}${p.kind ? ` (${p.kind})` : ""}, ${sayCount(p.growths, "growth")} followed`}
              checked={one !== undefined}
              onChange={() => toggle(p)}
            />
            {one && (
              <Group align="end" gap="sm" ml="xl" mt={4}>
                <TextInput
                  label={`Name of ${p.letter}`}
                  maxLength={120}
                  required
                  value={one.name}
                  onChange={(e) => set(p.letter, { name: e.currentTarget.value })}
                />
                <TextInput
                  label={`Label of ${p.letter}`}
                  maxLength={24}
                  value={one.label ?? ""}
                  onChange={(e) => set(p.letter, { label: e.currentTarget.value || undefined })}
                />
                <QuantityInput
                  label={`Pot of ${p.letter}, inner width`}
                  unit="cm"
                  value={one.potWidthCm}
                  onChange={(v) => set(p.letter, { potWidthCm: v })}
                />
              </Group>
            )}
          </div>
        );
      })}
      {out.length > 0 && (
        <Button type="submit" mt="sm" loading={take.isPending}>
          {sayCount(out.length, "plant")} into {out.length > 1 ? "pots of their own" : "a pot of its own"}
        </Button>
      )}
      <Refused error={take.error} />
    </form>
  );
}
