import { Button, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import type { Knowledge, Schemas } from "../../api/client";
import { useProfiles } from "../../api/handbook";
import { SmallFigure } from "../../figure/Figure";
import classes from "./Guided.module.css";
import { Heading } from "./Heading";

interface WhichPlantProps {
  knowledge: Knowledge;
  /** The group of kinds that was spoken of, as "my orchid"; its commonest are offered first. */
  group: Schemas["KindGroup"] | undefined;
  pick: (plant: { habit?: string; kind?: string; kindName?: string }) => void;
  back: () => void;
}

const unmarked = { growths: 0, leaves: 0, seen: [], looked: ["leaves", "stem", "new", "base", "flowers"] };
const mostNamed = 5;

/** Which plant it is: by a name, by how it grows, or not at all. */
export function WhichPlant({ knowledge, group, pick, back }: WhichPlantProps) {
  const [typed, type] = useState("");
  const [words] = useDebouncedValue(typed, 150);
  const kinds = useProfiles(words);
  const found = words.trim() === "" ? [] : (kinds.data?.profiles ?? []).slice(0, mostNamed);
  const usual = knowledge.habits.find((h) => h.id === group?.habits[0]);
  const unknown = () => pick(group ? { habit: group.habits[0], kindName: group.said } : {});
  const grows = [...knowledge.habits].sort((a, b) => placeIn(group, a.id) - placeIn(group, b.id));
  return (
    <>
      <Heading>{group ? `Which ${group.said} is it?` : "Which plant is it?"}</Heading>
      {group && <Named kinds={group.kinds} pick={pick} />}
      <Button size="md" variant={group ? "default" : "filled"} onClick={unknown}>
        I do not know
      </Button>
      {usual && <p className="soft">It is then taken for a {usual.label.toLowerCase()}.</p>}
      <TextInput
        mt="md"
        type="search"
        label="A name that you know it by"
        placeholder="pothos, moth orchid, snake plant"
        value={typed}
        onChange={(e) => type(e.currentTarget.value)}
      />
      <div aria-live="polite">
        <Named kinds={found} pick={pick} />
      </div>
      <h2>Or how it grows</h2>
      <ul className={classes.habits}>
        {grows.map((h) => (
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

/** How early a way of growing is offered: those of the group that was spoken of first. */
const placeIn = (group: Schemas["KindGroup"] | undefined, habit: string) => {
  const at = group?.habits.indexOf(habit) ?? -1;
  return at < 0 ? Number.MAX_SAFE_INTEGER : at;
};

/** Kinds by name, each to be picked. */
function Named({ kinds, pick }: { kinds: Schemas["Profile"][]; pick: WhichPlantProps["pick"] }) {
  return (
    <ul className={classes.named}>
      {kinds.map((p) => (
        <li key={p.id}>
          <Button variant="default" onClick={() => pick({ habit: p.habit, kind: p.id, kindName: p.common })}>
            {p.common} ({p.botanical})
          </Button>
        </li>
      ))}
    </ul>
  );
}
