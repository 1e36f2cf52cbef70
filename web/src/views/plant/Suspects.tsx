import { Checkbox } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Differential, Knowledge } from "../../api/client";
import { How } from "../../shell/How";
import { sayChance, sayTimes } from "../words";

type Suspect = NonNullable<Differential["causes"]>[number];

interface SuspectListProps {
  differential: Differential;
  knowledge: Knowledge;
  most: number;
  /** With accepted causes the list lets them be ticked. */
  accepted?: string[];
  onAccept?: (cause: string, accept: boolean) => void;
}

/** The differential as stitching: the longer the thread, the likelier the cause. */
export function SuspectList({ differential, knowledge, most, accepted, onAccept }: SuspectListProps) {
  const [all, setAll] = useState(false);
  const shown = (differential.causes ?? []).slice(0, all ? 8 : most);
  const rest = (differential.causes ?? []).length - shown.length + differential.others;
  const pair = differential.sets?.find((s) => (s.causes?.length ?? 0) > 1);
  return (
    <>
      <div className="rows">
        {shown.map((s) => (
          <SuspectRow
            key={s.id}
            suspect={s}
            knowledge={knowledge}
            accepted={accepted?.includes(s.id)}
            onAccept={onAccept}
          />
        ))}
      </div>
      <p className="soft small" style={{ margin: "4px 0 10px" }}>
        {rest} other causes share the rest.{" "}
        {pair && (
          <>
            Together: {pair.causes?.map((c) => labelOf(knowledge, c).toLowerCase()).join(" and ")},{" "}
            {sayChance(pair.chance)}.{" "}
          </>
        )}
        {!all && (
          <button type="button" className="linkbutton" onClick={() => setAll(true)}>
            more causes
          </button>
        )}{" "}
        {shown[0] && shown[1] && (
          <Link to={`/handbook/look-alikes?causes=${shown[0].id},${shown[1].id}`} style={{ color: "inherit" }}>
            the first two side by side
          </Link>
        )}{" "}
        <How working={differential.working} of="these chances" />
      </p>
    </>
  );
}

const labelOf = (knowledge: Knowledge, cause: string) => knowledge.causes?.find((c) => c.id === cause)?.label ?? cause;

interface SuspectRowProps {
  suspect: Suspect;
  knowledge: Knowledge;
  accepted?: boolean;
  onAccept?: (cause: string, accept: boolean) => void;
}

function SuspectRow({ suspect, knowledge, accepted, onAccept }: SuspectRowProps) {
  const cause = knowledge.causes?.find((c) => c.id === suspect.id);
  const sign = (id: string) => knowledge.signs?.find((s) => s.id === id)?.label ?? id;
  const strong = suspect.chance >= 0.5 && !cause?.harmless;
  const colour = cause?.harmless ? "var(--kelp)" : strong ? "var(--red)" : "var(--ochre)";
  const telling = (suspect.evidence ?? []).filter((e) => Math.max(e.times, 1 / e.times) >= 1.15);
  const speaks = (ws: typeof telling) =>
    ws
      .slice(0, 3)
      .map((e) => `${e.present ? "" : "no "}${short(sign(e.sign))} ${sayTimes(e.times)}`)
      .join(" · ");
  const pro = telling.filter((e) => e.times > 1);
  const con = telling.filter((e) => e.times < 1);
  const percent = `${(suspect.chance * 100).toFixed(suspect.chance < 0.0995 ? 1 : 0)} %`;
  return (
    <div style={{ padding: "8px 0" }} data-cause={suspect.id}>
      <div style={{ display: "flex", justifyContent: "space-between", gap: 10 }}>
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
          title={percent}
          style={{ fontWeight: 700, color: strong ? "var(--red)" : undefined, whiteSpace: "nowrap" }}
        >
          {sayChance(suspect.chance)} <span className="soft small">{percent}</span>
        </span>
      </div>
      <svg
        viewBox="0 0 400 12"
        width="100%"
        height="12"
        preserveAspectRatio="none"
        aria-hidden="true"
        style={{ display: "block" }}
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
      </div>
    </div>
  );
}

/** A sign's label cut to what can stand in a line of evidence. */
function short(label: string): string {
  const cut = (label.split(/[;,:]/)[0] ?? label).toLowerCase();
  if (cut.length <= 40) return cut;
  const words = `${cut.slice(0, cut.lastIndexOf(" ", 38))} …`;
  return words;
}
