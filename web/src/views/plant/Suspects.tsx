import { Checkbox } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Differential, Knowledge } from "../../api/client";
import { How } from "../../shell/How";
import { likelihood, sayPercent, sayTimes, sayTimesIn100 } from "../words";

type Suspect = NonNullable<Differential["causes"]>[number];

interface SuspectListProps {
  differential: Differential;
  knowledge: Knowledge;
  /** With accepted causes the list lets them be ticked. */
  accepted?: string[];
  onAccept?: (cause: string, accept: boolean) => void;
}

/** The differential as stitching: the longer the thread, the likelier the cause. */
export function SuspectList({ differential, knowledge, accepted, onAccept }: SuspectListProps) {
  const [all, setAll] = useState(false);
  const causes = differential.causes ?? [];
  const shown = all ? causes : causes.filter((c) => !c.folded);
  const rest = causes.length - shown.length + differential.others;
  return (
    <>
      <div className="rows">
        {shown.map((s) => (
          <SuspectRow
            key={s.id}
            suspect={s}
            knowledge={knowledge}
            seen={differential.conditions.includes(s.id)}
            accepted={accepted?.includes(s.id)}
            onAccept={onAccept}
          />
        ))}
      </div>
      <div className="soft small mt-4 mb-10">
        {shown.length > 1 && "Several can be true at once, so these need not add up to 100 %. "}
        {rest} other causes come after these.{" "}
        {!all && (
          <button type="button" className="linkbutton" onClick={() => setAll(true)}>
            more causes
          </button>
        )}{" "}
        {shown[0] && shown[1] && (
          <Link className="colour-inherit" to={`/handbook/look-alikes?causes=${shown[0].id},${shown[1].id}`}>
            the first two side by side
          </Link>
        )}{" "}
        <How working={differential.working} of="these chances" />
      </div>
      {all && <Together differential={differential} knowledge={knowledge} />}
    </>
  );
}

/** The likeliest combinations: troubles often come together. */
function Together({ differential, knowledge }: { differential: Differential; knowledge: Knowledge }) {
  return (
    <div className="small mb-10">
      <b>Together, most likely:</b>
      <ol className="my-2 pl-20">
        {differential.sets?.map((s) => (
          <li key={s.causes.join()}>
            {s.causes.length === 0
              ? "none of these"
              : s.causes.map((c) => labelOf(knowledge, c).toLowerCase()).join(" and ")}{" "}
            <span className="soft">{sayPercent(s.chance)}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** What the leading cause hangs on, and what would change one's mind. */
export function Doubts({ differential, knowledge }: { differential: Differential; knowledge: Knowledge }) {
  const label = (id: string) => knowledge.signs.find((s) => s.id === id)?.label.toLowerCase() ?? id;
  const quoted = (id: string) => `“${label(id)}”`;
  const { turns } = differential;
  // What is looked for once more next is said there.
  const hinge = differential.checks?.[0]?.again ? undefined : differential.hinge;
  const lead = labelOf(knowledge, differential.causes[0]?.id ?? "").toLowerCase();
  if (!hinge && turns.length === 0) {
    return <p className="soft small mt-10 mb-0">No single further look would change the picture.</p>;
  }
  return (
    <div className="small mt-12" data-testid="doubts">
      {hinge && (
        <p className="ochre mt-0 mb-6">
          <b>It hangs on one answer:</b> {quoted(hinge.sign)}
          {hinge.present ? "" : ", not there"}. Without it {lead} falls from {sayPercent(hinge.chance)} to{" "}
          {sayPercent(hinge.without)}. Look at it twice.
        </p>
      )}
      {turns.length > 0 && (
        <>
          <b>What would change the picture</b>
          <ul className="my-2 pl-18">
            {turns.map((t) => (
              <li key={`${t.sign}${t.present}`}>
                {t.present ? "" : "not: "}
                {label(t.sign)}{" "}
                <span className="soft">
                  ({sayTimesIn100(t.answer)}): {lead} goes to {sayPercent(t.falls)}
                  {t.leads.id !== differential.causes[0]?.id &&
                    `, ${labelOf(knowledge, t.leads.id).toLowerCase()} leads with ${sayPercent(t.leads.chance)}`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

const labelOf = (knowledge: Knowledge, cause: string) => knowledge.causes?.find((c) => c.id === cause)?.label ?? cause;

interface SuspectRowProps {
  suspect: Suspect;
  knowledge: Knowledge;
  /** Whether it is a condition that was seen, and not reckoned. */
  seen: boolean;
  accepted?: boolean;
  onAccept?: (cause: string, accept: boolean) => void;
}

function SuspectRow({ suspect, knowledge, seen, accepted, onAccept }: SuspectRowProps) {
  const cause = knowledge.causes?.find((c) => c.id === suspect.id);
  const strong = suspect.standsOut;
  const colour = cause?.harmless ? "var(--kelp)" : strong ? "var(--red)" : "var(--ochre)";
  const telling = (suspect.evidence ?? []).filter((e) => e.tells);
  const speaks = (ws: typeof telling) =>
    ws
      .slice(0, whole ? 40 : 3)
      .map((e) => `${e.told} ${sayTimes(e.times)}`)
      .join(" · ");
  const pro = telling.filter((e) => e.times > 1);
  const con = telling.filter((e) => e.times < 1);
  const percent = sayPercent(suspect.chance);
  const [whole, setWhole] = useState(false);
  const [figures, setFigures] = useState(false);
  const word = likelihood(knowledge, suspect.chance);
  return (
    <div className="py-8 px-0" data-cause={suspect.id}>
      <div className="flex apart-x gap-10">
        {onAccept ? (
          <Checkbox
            checked={accepted ?? false}
            onChange={(e) => onAccept(suspect.id, e.currentTarget.checked)}
            label={<b>{cause?.label}</b>}
          />
        ) : (
          <span style={{ fontWeight: strong ? 700 : 400 }}>{cause?.label}</span>
        )}
        <span
          className="numbers"
          style={{ fontWeight: 700, color: strong ? "var(--red)" : undefined, whiteSpace: "nowrap" }}
        >
          {seen ? "seen" : word.word}{" "}
          {!seen && (!word.folded || figures) && <span className="soft small">{percent}</span>}
          {!seen && word.folded && !figures && (
            <button
              type="button"
              className="linkbutton soft small"
              aria-label={`how likely? ${cause?.label}`}
              onClick={() => setFigures(true)}
            >
              how likely?
            </button>
          )}
        </span>
      </div>
      <svg
        className="block"
        viewBox="0 0 400 12"
        width="100%"
        height="12"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <line x1="0" x2="400" y1="6" y2="6" stroke="var(--weft)" strokeWidth="1.5" />
        <line x1="0" x2={400 * suspect.chance} y1="6" y2="6" stroke={colour} strokeWidth="5" strokeDasharray="13 4" />
      </svg>
      <div className="soft small">
        {pro.length > 0 && <>for: {speaks(pro)} </>}
        {con.length > 0 && (
          <>
            {pro.length > 0 && " — "}against: {speaks(con)}
          </>
        )}
        {telling.length === 0 && cause?.summary}
        {(pro.length > 3 || con.length > 3) && (
          <>
            {" "}
            <button
              type="button"
              className="linkbutton"
              aria-label={`${whole ? "Less" : "All"} evidence on ${cause?.label.toLowerCase()}`}
              onClick={() => setWhole(!whole)}
            >
              {whole ? "less" : `all ${telling.length}`}
            </button>
          </>
        )}
      </div>
    </div>
  );
}
