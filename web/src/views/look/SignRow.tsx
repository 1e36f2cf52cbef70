import { type ReactNode, useState } from "react";
import { Say } from "../../Say";
import classes from "./Look.module.css";
import type { Answers, Degree, Side, Sign, Sureness } from "./look";
import { SignPicture } from "./SignPicture";

/** What a row can change of the answers. */
export interface Answering {
  put: (sign: Sign, to: Side) => void;
  sure: (sign: Sign, how: Sureness) => void;
  grade: (sign: Sign, degree: Degree) => void;
}

interface SignRowProps extends Answering {
  sign: Sign;
  draft: Answers;
  beside?: ReactNode;
  ruledOut: boolean;
  /** Named where the row stands among those of other parts. */
  part?: string;
}

/** One sign to be answered: seen, not there, or nobody knows; how sure, and how much of it. */
export function SignRow({ sign, draft, beside, ruledOut, part, ...answering }: SignRowProps) {
  const [open, setOpen] = useState(false);
  const seen = draft.present.includes(sign.id);
  const absent = draft.absent.includes(sign.id);
  return (
    <div className={beside ? `${classes.sign} ${classes.known}` : classes.sign} data-sign={sign.id}>
      <div id={`sign-${sign.id}`}>
        {part && <span className="soft small">{part}: </span>}
        <Say>{sign.label}</Say>
        <span className="soft small block">
          <Say>{sign.how}</Say>
          {sign.disturbance === 3 && " · unpots it"}
          {ruledOut && !seen && !absent && " · ruled out by what you saw"}{" "}
          <button
            type="button"
            className="linkbutton"
            aria-expanded={open}
            aria-label={`Like what: ${sign.label}`}
            onClick={() => setOpen(!open)}
          >
            like what?
          </button>
        </span>
      </div>
      <SeenOrNot sign={sign} draft={draft} {...answering} />
      {open && <LikeWhat sign={sign} />}
      {beside}
    </div>
  );
}

/** What a sign looks like, beside what it is commonest taken for. */
export function LikeWhat({ sign }: { sign: Sign }) {
  return (
    <div className={`small ${classes.beside} ${classes.pictures}`}>
      <figure>
        <SignPicture drawing={sign.drawing} />
        <figcaption>
          <b>Looks like:</b> <Say>{sign.looks}</Say>.
        </figcaption>
      </figure>
      <figure>
        <SignPicture drawing={sign.lookAlike} />
        <figcaption>
          <b>Not to be taken for it:</b> <Say>{sign.notThis}</Say>.
        </figcaption>
      </figure>
    </div>
  );
}

interface SeenOrNotProps extends Answering {
  sign: Sign;
  draft: Answers;
  /** Tells two pairs of buttons for one sign apart. */
  where?: string;
}

/** The answers to a sign; none pressed means that nobody looked. */
export function SeenOrNot({ sign, draft, put, sure, grade, where }: SeenOrNotProps) {
  const label = where ? `${sign.label} (${where})` : sign.label;
  const seen = draft.present.includes(sign.id);
  const absent = draft.absent.includes(sign.id);
  const unknown = (draft.unknown ?? []).includes(sign.id);
  const thinks = (draft.unsure ?? []).includes(sign.id);
  const twice = (draft.again ?? []).includes(sign.id);
  return (
    <fieldset className={classes.answering} aria-label={label}>
      <div className="answers">
        <Answer word="seen" tone="seen" on={seen} label={label} act={() => put(sign, "present")} />
        <Answer word="not there" tone="absent" on={absent} label={label} act={() => put(sign, "absent")} />
        <Answer word="don’t know" on={unknown} label={label} act={() => put(sign, "unknown")} />
      </div>
      {(seen || absent) && (
        <div className={classes.howSure}>
          <span>
            <Chip word="I think so" on={thinks} label={label} act={() => sure(sign, "thought")} />
            <Chip word="sure" on={!thinks && !twice} label={label} act={() => sure(sign, "sure")} />
            {seen && <Chip word="looked twice" on={twice} label={label} act={() => sure(sign, "twice")} />}
          </span>
          {seen && (sign.degrees ?? []).length > 0 && (
            <span>
              {(sign.degrees ?? []).map((d) => (
                <Chip key={d} word={d} on={draft.degrees?.[sign.id] === d} label={label} act={() => grade(sign, d)} />
              ))}
            </span>
          )}
        </div>
      )}
    </fieldset>
  );
}

/** The answers to a second look at a sign that was seen. */
export function StillThere({ sign, put, sure }: Pick<Answering, "put" | "sure"> & { sign: Sign }) {
  const label = `${sign.label} (second look)`;
  return (
    <fieldset className={classes.answering} aria-label={label}>
      <div className="answers">
        <Answer word="still there" tone="seen" on={false} label={label} act={() => sure(sign, "twice")} />
        <Answer word="not there after all" tone="absent" on={false} label={label} act={() => put(sign, "absent")} />
      </div>
    </fieldset>
  );
}

interface AnswerProps {
  word: string;
  tone?: string;
  on: boolean;
  label: string;
  act: () => void;
}

function Answer({ word, tone, on, label, act }: AnswerProps) {
  return (
    <button type="button" data-answer className={tone} aria-pressed={on} aria-label={`${word}: ${label}`} onClick={act}>
      {word}
    </button>
  );
}

function Chip({ word, on, label, act }: AnswerProps) {
  return (
    <button type="button" aria-pressed={on} aria-label={`${word}: ${label}`} onClick={act}>
      {word}
    </button>
  );
}
