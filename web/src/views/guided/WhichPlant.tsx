import { Button, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import type { Knowledge } from "../../api/client";
import { useProfiles } from "../../api/handbook";
import { SmallFigure } from "../../figure/Figure";
import classes from "./Guided.module.css";
import { Heading } from "./Heading";

interface WhichPlantProps {
  knowledge: Knowledge;
  pick: (plant: { habit?: string; kind?: string; kindName?: string }) => void;
  back: () => void;
}

const unmarked = { growths: 0, leaves: 0, seen: [], looked: ["leaves", "stem", "new", "base", "flowers"] };
const mostNamed = 5;

/** Which plant it is: by a name, by how it grows, or not at all. */
export function WhichPlant({ knowledge, pick, back }: WhichPlantProps) {
  const [typed, type] = useState("");
  const [words] = useDebouncedValue(typed, 150);
  const kinds = useProfiles(words);
  const found = words.trim() === "" ? [] : (kinds.data?.profiles ?? []).slice(0, mostNamed);
  return (
    <>
      <Heading>Which plant is it?</Heading>
      <Button size="md" onClick={() => pick({})}>
        I do not know
      </Button>
      <TextInput
        mt="md"
        type="search"
        label="A name that you know it by"
        placeholder="pothos, moth orchid, snake plant"
        value={typed}
        onChange={(e) => type(e.currentTarget.value)}
      />
      <ul className={classes.named} aria-live="polite">
        {found.map((p) => (
          <li key={p.id}>
            <Button variant="default" onClick={() => pick({ habit: p.habit, kind: p.id, kindName: p.common })}>
              {p.common} ({p.botanical})
            </Button>
          </li>
        ))}
      </ul>
      <h2>Or how it grows</h2>
      <ul className={classes.habits}>
        {knowledge.habits.map((h) => (
          <li key={h.id}>
            <button type="button" onClick={() => pick({ habit: h.id, kindName: h.label.toLowerCase() })}>
              <SmallFigure figure={h.figure} marks={unmarked} />
              <span>{h.label}</span>
            </button>
          </li>
        ))}
      </ul>
      <p>
        <button type="button" className="linkbutton" onClick={back}>
          Back
        </button>
      </p>
    </>
  );
}
