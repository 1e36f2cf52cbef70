import { Button, Group } from "@mantine/core";
import type { Knowledge } from "../../api/client";
import type { Side } from "../look/look";
import { SignPicture } from "../look/SignPicture";
import classes from "./Guided.module.css";
import { type Guide, put, sideOf } from "./guided";
import { Heading } from "./Heading";

interface ReadBackProps {
  guide: Guide;
  knowledge: Knowledge;
  set: (guide: Guide) => void;
  on: () => void;
  back: () => void;
}

/** What was understood, each thing to be confirmed by its drawing; nothing is taken silently. */
export function ReadBack({ guide, knowledge, set, on, back }: ReadBackProps) {
  const signs = guide.candidates.flatMap((id) => knowledge.signs.find((s) => s.id === id) ?? []);
  return (
    <>
      <Heading>{signs.length > 0 ? "Did you mean this?" : "Nothing of it was understood"}</Heading>
      {guide.kindName && <p>The plant: {guide.kindName}.</p>}
      {signs.length === 0 && <p>Try a word for what you see, such as “brown tips”, or let yourself be asked.</p>}
      <ul className={classes.readback}>
        {signs.map((s) => (
          <li key={s.id} data-sign={s.id}>
            <SignPicture drawing={s.drawing} width={92} />
            <div>
              <span className="block">{s.label}</span>
              {guide.answers.unsure?.includes(s.id) && (
                <span className="block small slate">Perhaps: it counts less until you say so.</span>
              )}
              <Answers
                sign={s.label}
                side={sideOf(guide.answers, s.id)}
                answer={(side) => set(answered(guide, s.id, side))}
              />
            </div>
          </li>
        ))}
      </ul>
      <Group gap="sm" mt="md">
        <Button size="md" onClick={on}>
          Go on
        </Button>
        <button type="button" className="linkbutton" onClick={back}>
          Back
        </button>
      </Group>
    </>
  );
}

const answered = (guide: Guide, sign: string, side: Side): Guide => ({
  ...guide,
  answers: put(guide.answers, sign, side),
});

const sides: { side: Side; word: string; tone?: string }[] = [
  { side: "present", word: "seen", tone: "seen" },
  { side: "absent", word: "not there", tone: "absent" },
  { side: "unknown", word: "cannot tell" },
];

interface AnswersProps {
  sign: string;
  side: Side | undefined;
  answer: (side: Side) => void;
}

function Answers({ sign, side, answer }: AnswersProps) {
  return (
    <fieldset className="answers" aria-label={sign}>
      {sides.map((s) => (
        <button
          type="button"
          key={s.side}
          className={s.tone}
          aria-pressed={side === s.side}
          aria-label={`${s.word}: ${sign}`}
          onClick={() => answer(s.side)}
        >
          {s.word}
        </button>
      ))}
    </fieldset>
  );
}
