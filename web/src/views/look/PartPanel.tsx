import { Group } from "@mantine/core";
import { type ReactNode, useState } from "react";
import type { Knowledge } from "../../api/client";
import classes from "./Look.module.css";
import type { Answers, Ask, Sign } from "./look";

type Zone = Knowledge["zones"][number];

interface PartPanelProps {
  zone: Zone;
  next?: Zone;
  at: number;
  of: number;
  signs: Sign[];
  ask?: Ask;
  /** Signs that must be shown though the guide does not ask them. */
  wanted: string[];
  draft: Answers;
  put: (id: string, to: "present" | "absent") => void;
  quiet: () => void;
  go: (zone: string) => void;
  /** Says more of a sign, such as what the record answers. */
  beside?: (sign: Sign) => ReactNode;
  ruledOut: string[];
}

/** The signs of one part: those worth asking first, the rarer ones folded away. */
export function PartPanel(props: PartPanelProps) {
  const { zone, next, at, of, signs, ask, wanted, draft, put, quiet, go, beside, ruledOut } = props;
  const [all, setAll] = useState(false);
  const first = ask?.signs ?? [];
  const shown = (s: Sign) =>
    all ||
    first.length === 0 ||
    first.includes(s.id) ||
    wanted.includes(s.id) ||
    draft.present.includes(s.id) ||
    draft.absent.includes(s.id);
  const rank = (s: Sign) => (first.includes(s.id) ? first.indexOf(s.id) : first.length);
  const here = [...signs].sort((a, b) => rank(a) - rank(b));
  const folded = here.filter((s) => !shown(s)).length;
  return (
    <>
      <Group justify="space-between" wrap="nowrap" align="baseline">
        <h2>{zone.label}</h2>
        <span className="soft small">
          part {at + 1} of {of}
        </span>
      </Group>
      <p className="soft small" style={{ margin: "2px 0 8px" }}>
        {(ask?.quiet.length ?? 0) > 0 && (
          <>
            <button type="button" className="linkbutton" onClick={quiet}>
              Looked: nothing else here
            </button>
            {next && " · "}
          </>
        )}
        {next && (
          <button type="button" className="linkbutton" onClick={() => go(next.id)}>
            next: {next.label.toLowerCase()}
          </button>
        )}
      </p>
      <div className={`rows ${classes.signs}`}>
        {here.filter(shown).map((s) => (
          <SignRow
            key={s.id}
            sign={s}
            draft={draft}
            put={put}
            beside={beside?.(s)}
            ruledOut={ruledOut.includes(s.id)}
          />
        ))}
      </div>
      {folded > 0 && (
        <button type="button" className="linkbutton soft small" style={{ marginTop: 8 }} onClick={() => setAll(true)}>
          {folded} rarer {folded === 1 ? "sign" : "signs"} of this part
        </button>
      )}
    </>
  );
}

interface SignRowProps {
  sign: Sign;
  draft: Answers;
  put: (id: string, to: "present" | "absent") => void;
  beside?: ReactNode;
  ruledOut: boolean;
}

function SignRow({ sign, draft, put, beside, ruledOut }: SignRowProps) {
  const [open, setOpen] = useState(false);
  const seen = draft.present.includes(sign.id);
  const absent = draft.absent.includes(sign.id);
  return (
    <div className={beside ? `${classes.sign} ${classes.known}` : classes.sign} data-sign={sign.id}>
      <div id={`sign-${sign.id}`}>
        {sign.label}
        <span className="soft small" style={{ display: "block" }}>
          {sign.how}
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
      <SeenOrNot sign={sign} seen={seen} absent={absent} put={put} />
      {open && (
        <p className={`small ${classes.beside}`}>
          <b>Looks like:</b> {sign.looks}. <b>Not to be taken for it:</b> {sign.notThis}.
        </p>
      )}
      {beside}
    </div>
  );
}

interface SeenOrNotProps {
  sign: Sign;
  seen: boolean;
  absent: boolean;
  put: (id: string, to: "present" | "absent") => void;
  /** Tells two pairs of buttons for one sign apart. */
  where?: string;
}

/** The two answers to a sign; neither pressed means that nobody looked. */
export function SeenOrNot({ sign, seen, absent, put, where }: SeenOrNotProps) {
  const label = where ? `${sign.label} (${where})` : sign.label;
  return (
    <fieldset className="answers" aria-label={label} style={{ border: 0, margin: 0, padding: 0 }}>
      <button
        type="button"
        className="seen"
        aria-pressed={seen}
        aria-label={`seen: ${label}`}
        onClick={() => put(sign.id, "present")}
      >
        seen
      </button>
      <button
        type="button"
        className="absent"
        aria-pressed={absent}
        aria-label={`not there: ${label}`}
        onClick={() => put(sign.id, "absent")}
      >
        not there
      </button>
    </fieldset>
  );
}
