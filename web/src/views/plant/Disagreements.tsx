import { Radio, Stack } from "@mantine/core";
import { memo } from "react";
import type { Answers, Schemas } from "../../api/client";

interface DisagreementsProps {
  choices: Schemas["Choice"][];
  taken: Partial<Answers>;
  choose: (choice: string, side: string) => void;
}

/** Where the trade disagrees: each side with what speaks for and against it. */
export const Disagreements = memo(function Disagreements({ choices, taken, choose }: DisagreementsProps) {
  return choices.map((c) => (
    <section key={c.id} className="patch" aria-label={c.ask}>
      <h2>{c.ask}</h2>
      <Radio.Group
        aria-label={c.ask}
        value={(taken as Record<string, string | undefined>)[c.id] ?? c.usual ?? ""}
        onChange={(v) => choose(c.id, v)}
      >
        <Stack gap="xs" mt="xs">
          {c.sides.map((side) => (
            <Radio
              key={side.id}
              value={side.id}
              label={side.label}
              description={`For it: ${side.for}. Against: ${side.but}.`}
            />
          ))}
        </Stack>
      </Radio.Group>
      <p className="soft small mt-6 mb-0">Kept as what you usually take.</p>
    </section>
  ));
});
