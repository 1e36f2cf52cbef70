import { Button, Group } from "@mantine/core";
import type { Knowledge, Schemas } from "../../api/client";
import { SmallFigure } from "../../figure/Figure";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import type { Side, Sign } from "../look/look";
import { SignPicture } from "../look/SignPicture";
import classes from "./Guided.module.css";
import { Heading } from "./Heading";

interface QuestionProps {
  check: Schemas["Check"];
  sign: Sign;
  knowledge: Knowledge;
  figure: string;
  /** True until the question after the last answer is here: nothing is answered unread. */
  waiting: boolean;
  answer: (side: Side) => void;
  back: () => void;
  end: () => void;
}

const looked: { side: Side; word: string }[] = [
  { side: "present", word: "Seen" },
  { side: "absent", word: "Not there" },
  { side: "unknown", word: "Cannot tell" },
];

/** The answers to what is not looked at on the plant: how it is cared for, where it stands, how it went. */
const told: { side: Side; word: string }[] = [
  { side: "present", word: "Yes" },
  { side: "absent", word: "No" },
  { side: "unknown", word: "Do not know" },
];

/** One question: what to look for, what it looks like and what it is mistaken for, and three answers. */
export function Question({ check, sign, knowledge, figure, waiting, answer, back, end }: QuestionProps) {
  const part = knowledge.zones.find((z) => z.id === sign.zone);
  const choice = `the choice of “${sign.label}”`;
  return (
    <>
      <div className={classes.question}>
        <div>
          {part && <p className="soft small m-0">{part.label}</p>}
          <Heading>
            <Say>{sign.label}</Say>?
          </Heading>
          <p className="mt-4 mb-0">
            <Say>{sign.how}</Say>.
          </p>
        </div>
        {part?.drawn && (
          <SmallFigure figure={figure} marks={{ growths: 0, leaves: 0, seen: [sign.zone], looked: [] }} />
        )}
      </div>
      <div className={classes.pair}>
        <figure>
          <SignPicture drawing={sign.drawing} width={220} />
          <figcaption>
            <b>Like this:</b> <Say>{sign.looks}</Say>
          </figcaption>
        </figure>
        <figure>
          <SignPicture drawing={sign.lookAlike} width={220} />
          <figcaption>
            <b>Not this:</b> <Say>{sign.notThis}</Say>
          </figcaption>
        </figure>
      </div>
      <fieldset className={classes.three} aria-label={sign.label} disabled={waiting}>
        {(part?.drawn ? looked : told).map((a) => (
          <button type="button" key={a.side} aria-label={`${a.word}: ${sign.label}`} onClick={() => answer(a.side)}>
            {a.word}
          </button>
        ))}
      </fieldset>
      <details className="small mt-10">
        <summary>Why this question</summary>
        <Why check={check} knowledge={knowledge} /> <How of={choice} working={check.working} />
      </details>
      <Group gap="md" mt="md">
        <Button variant="default" onClick={back}>
          Back
        </Button>
        <button type="button" className="linkbutton" onClick={end}>
          See what to do now
        </button>
      </Group>
    </>
  );
}

/** What each answer would mean, in words. */
function Why({ check, knowledge }: { check: Schemas["Check"]; knowledge: Knowledge }) {
  const label = (id: string) => knowledge.causes.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const lead = (list: Schemas["CauseChance"][] | null) => {
    const [first] = [...(list ?? [])].sort((a, b) => b.chance - a.chance);
    return first ? `${label(first.id)} would be ${Math.round(100 * first.chance)} in 100` : "little would change";
  };
  return (
    <>
      {check.reason && `${check.reason} `}
      If it is there, {lead(check.outcomes.ifSeen)}. If not, {lead(check.outcomes.ifNot)}.
    </>
  );
}
