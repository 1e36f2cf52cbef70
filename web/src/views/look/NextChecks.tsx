import { useEffect, useRef, useState } from "react";
import type { Knowledge, Schemas } from "../../api/client";
import { sayDay } from "../../dates";
import { How } from "../../shell/How";
import { sayTimesIn100 } from "../words";
import type { Answers, Sign } from "./look";
import { type Answering, LikeWhat, SeenOrNot, StillThere } from "./SignRow";

interface NextChecksProps extends Answering {
  checks: Schemas["Check"][];
  knowledge: Knowledge;
  draft: Answers;
  today: string;
  /** By sign: when what takes days can be answered. */
  waits?: Record<string, Schemas["Wait"]>;
  show: (sign: Sign) => void;
}

/** The look most worth its trouble, what each answer would mean, and two others. */
export function NextChecks({ checks, knowledge, draft, today, waits, show, ...answering }: NextChecksProps) {
  const [more, setMore] = useState(false);
  const signOf = (c: Schemas["Check"]) => knowledge.signs.find((s) => s.id === c.sign);
  const [first, ...rest] = checks.filter(signOf);
  const sign = first && signOf(first);
  const box = useFocusKept(first?.sign);
  if (!first || !sign) {
    return (
      <div className="next" data-testid="no-check" ref={box} tabIndex={-1}>
        No further look is worth its trouble.
      </div>
    );
  }
  const shared = { knowledge, draft, today, waits, show, ...answering };
  return (
    <div className="next" data-testid="next-check" ref={box} tabIndex={-1}>
      <One key={first.sign} check={first} sign={sign} lead={first.again ? "Once more: " : "Next: "} {...shared} />
      {rest.length > 0 &&
        (more ? (
          rest.map((c) => {
            const other = signOf(c);
            return (
              other && (
                <div key={c.sign} style={{ marginTop: 10, borderTop: "1px solid var(--basting)", paddingTop: 8 }}>
                  <One check={c} sign={other} lead="Or: " {...shared} />
                </div>
              )
            );
          })
        ) : (
          <button type="button" className="linkbutton small soft mt-8" onClick={() => setMore(true)}>
            or another look
          </button>
        ))}
    </div>
  );
}

/** The answered look gives way to another with its buttons: the focus that was on them comes to what follows. */
function useFocusKept(shown: string | undefined) {
  const box = useRef<HTMLDivElement>(null);
  const held = useRef(false);
  useEffect(() => {
    const follow = () => {
      if (document.activeElement !== document.body) held.current = !!box.current?.contains(document.activeElement);
    };
    document.addEventListener("focusin", follow);
    return () => document.removeEventListener("focusin", follow);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another look is shown, and only then
  useEffect(() => {
    if (held.current && document.activeElement === document.body) box.current?.focus({ preventScroll: true });
  }, [shown]);
  return box;
}

const disturbs = ["look only", "a touch", "lift or probe", "unpot"];

interface OneProps extends Answering {
  check: Schemas["Check"];
  sign: Sign;
  knowledge: Knowledge;
  draft: Answers;
  today: string;
  waits?: Record<string, Schemas["Wait"]>;
  show: (sign: Sign) => void;
  lead: string;
}

function One({ check, sign, knowledge, draft, today, waits, show, lead, ...answering }: OneProps) {
  const wait = waits?.[check.sign];
  const label = (id: string) => knowledge.causes.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const say = (list: { id: string; chance: number }[] | null | undefined) =>
    (list ?? [])
      .slice(0, 2)
      .map((c) => `${label(c.id)} ${Math.round(c.chance * 100)} %`)
      .join(", ");
  return (
    <>
      <b>
        {lead}
        {sign.how.charAt(0).toLowerCase() + sign.how.slice(1)}.
      </b>{" "}
      <button type="button" className="linkbutton small soft" onClick={() => show(sign)}>
        {sign.label.toLowerCase()}?
      </button>
      {check.reason && <div className="small">{check.reason}</div>}
      {wait && <When wait={wait} today={today} />}
      <div className="small soft">
        {check.minutes} min, {disturbs[sign.disturbance]}; expected {sayTimesIn100(check.outcomes.seen)}. If so:{" "}
        {say(check.outcomes.ifSeen)}. If not: {say(check.outcomes.ifNot)}.{" "}
        <How of={`the choice of “${sign.label}”`} working={check.working} />
      </div>
      {check.again && <LikeWhat sign={sign} />}
      <div className="mt-8">
        {check.again ? (
          <StillThere sign={sign} {...answering} />
        ) : (
          <SeenOrNot sign={sign} draft={draft} where="next look" {...answering} />
        )}
      </div>
    </>
  );
}

/** When a look that takes days can be answered. */
function When({ wait: { since, on }, today }: { wait: Schemas["Wait"]; today: string }) {
  if (since && on <= today) {
    return <div className="small">Compare with the look of {sayDay(since, today)}.</div>;
  }
  return (
    <div className="small">
      {since && since < today ? `Begun on ${sayDay(since, today)}` : "Begin today"}, answer on{" "}
      <b>{sayDay(on, today)}</b>. Nothing urgent waits for it.
    </div>
  );
}
