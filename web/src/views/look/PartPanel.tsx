import { Group } from "@mantine/core";
import { type ReactNode, useState } from "react";
import type { Knowledge } from "../../api/client";
import classes from "./Look.module.css";
import type { Answers, Ask, Sign } from "./look";
import { type Answering, SignRow } from "./SignRow";

type Zone = Knowledge["zones"][number];

interface PartPanelProps extends Answering {
  zone: Zone;
  next?: Zone;
  at: number;
  of: number;
  signs: Sign[];
  ask?: Ask;
  /** Signs that must be shown though the guide does not ask them. */
  wanted: string[];
  draft: Answers;
  quiet: () => void;
  go: (zone: string) => void;
  /** Says more of a sign, such as what the record answers. */
  beside?: (sign: Sign) => ReactNode;
  ruledOut: string[];
}

/** The signs of one part: those worth asking first, the rarer ones folded away. */
export function PartPanel(props: PartPanelProps) {
  const { zone, next, at, of, signs, ask, wanted, draft, put, sure, grade, quiet, go, beside, ruledOut } = props;
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
      <p className="soft small mt-2 mb-8">
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
            sure={sure}
            grade={grade}
            beside={beside?.(s)}
            ruledOut={ruledOut.includes(s.id)}
          />
        ))}
      </div>
      {folded > 0 && (
        <button type="button" className="linkbutton soft small mt-8" onClick={() => setAll(true)}>
          {folded} rarer {folded === 1 ? "sign" : "signs"} of this part
        </button>
      )}
    </>
  );
}
