import { useState } from "react";
import { Link } from "react-router";
import type { Knowledge, PlantFile } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { addDays, daysBetween, sayDay } from "../../dates";
import type { Curve } from "../../seam/Curve";
import { Story } from "../../seam/Story";
import type { Strand } from "../../seam/StrandLine";
import { type System, sayQuantity, toShown, useUnits } from "../../units";
import { sayCount } from "../words";
import classes from "./Standing.module.css";

type Readings = Record<string, { on: string; value: number }[]>;

/** The plant’s story as a seam with its curves and growths, and the same as a table. */
export function SeamOf({ file }: { file: PlantFile }) {
  const [table, setTable] = useState(false);
  const [system] = useUnits();
  const knowledge = useKnowledge();
  const r = file.recovery;
  const stage = r?.stages?.[r.index];
  const after = r?.stages?.[r.index + 1]?.name ?? "mended";
  const seam = file.seam;
  const curves = curvesOf(file, knowledge.data, system);
  const said = [
    `${sayCount(seam.looks, "look")} in ${sayCount(daysBetween(seam.from, seam.ended ?? file.today), "day")}`,
    `${sayCount(seam.knots.length + seam.beside.length, "gate")} passed`,
    `${sayCount(seam.loose.length, "step")} back`,
  ].join(", ");
  return (
    <>
      <Story
        plant={file.id}
        seam={seam}
        today={file.today}
        label={`Seam: ${said}`}
        curves={curves}
        ahead={
          stage && r.expected
            ? {
                from: r.expected.from,
                to: r.expected.to > r.expected.from ? r.expected.to : addDays(r.expected.from, 7),
                name: `${after}?`,
              }
            : undefined
        }
        strands={file.follow.strands}
        sayStrand={(s) => sayStrand(s, knowledge.data, system)}
        pictures={file.follow.pictures}
        events={file.follow.events}
      />
      <p className="soft small mt-6 mb-0">
        {said}.{" "}
        <button type="button" className="linkbutton" aria-expanded={table} onClick={() => setTable(!table)}>
          {table ? "Hide the table" : "As a table"}
        </button>
      </p>
      {table && <SeamTable file={file} curves={curves} knowledge={knowledge.data} />}
    </>
  );
}

/** The curves that tell most, in the person's units; the condition last. */
function curvesOf(file: PlantFile, k: Knowledge | undefined, system: System): Curve[] {
  const kept = file.curves as Readings;
  const units: Record<string, string> = { mm: "mm", percent: "%" };
  const measured = (k?.measures ?? [])
    .filter((m) => m.curve > 0 && (kept[m.id]?.length ?? 0) > 1)
    .sort((a, b) => a.curve - b.curve)
    .slice(0, 4)
    .map((m) => ({ id: m.id, name: m.short, ...inUnits(kept[m.id] ?? [], units[m.kind] ?? "", system) }));
  if (file.follow.scores.length > 1)
    measured.push({ id: "condition", name: "condition", unit: "of 100", readings: file.follow.scores });
  return measured;
}

/** Readings in the person's units. */
function inUnits(readings: { on: string; value: number }[], unit: string, system: System) {
  const turned = readings.map((r) => ({ on: r.on, value: Number(toShown(r.value, unit, system).value.toFixed(1)) }));
  return { readings: turned, unit: toShown(0, unit, system).unit };
}

/** What a growth is called here: its own name, or its sort with its turn. */
export const nameOfStrand = (s: Strand, sort: string) => s.name || `${sort} ${s.number}`;

/** A growth in a few words: its name or sort, its last size and how it is. */
export function sayStrand(s: Strand, k: Knowledge | undefined, system: System): string {
  const sort = k?.growths?.find((g) => g.id === s.sort)?.label ?? s.sort;
  const size = s.sizes.at(-1);
  const state = s.state === "growing" || s.state === "mature" ? "" : s.state;
  return [nameOfStrand(s, sort), s.cameWith ? "came with it" : "", size && sayQuantity(size.value, "mm", system), state]
    .filter(Boolean)
    .join(", ");
}

function SeamTable({ file, curves, knowledge }: { file: PlantFile; curves: Curve[]; knowledge?: Knowledge }) {
  const [system] = useUnits();
  return (
    <div className={classes.tables}>
      <table className={classes.table}>
        <caption>Stages</caption>
        <thead>
          <tr>
            <th>Stage</th>
            <th>From</th>
            <th>To</th>
            <th>Days</th>
            <th>How entered</th>
          </tr>
        </thead>
        <tbody>
          {file.seam.bands.map((b) => (
            <tr key={b.track + b.from + b.stage}>
              <td>{b.name}</td>
              <td>{sayDay(b.from, file.today)}</td>
              <td>{b.to ? sayDay(b.to, file.today) : "now"}</td>
              <td>{daysBetween(b.from, b.to ?? file.today)}</td>
              <td>{b.back ? `stepped back: ${b.reason}` : b.early ? `without its gate: ${b.reason}` : "—"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {curves.map((c) => (
        <table key={c.id} className={classes.table}>
          <caption>
            {c.name}
            {c.unit && `, ${c.unit}`}
          </caption>
          <tbody>
            {c.readings.map((r, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: readings never move, and a day may have two
              <tr key={i}>
                <th scope="row">{sayDay(r.on, file.today)}</th>
                <td>{r.value}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
      {file.seam.bare.length > 0 && (
        <table className={classes.table}>
          <caption>Nobody looked</caption>
          <tbody>
            {file.seam.bare.map((b) => (
              <tr key={b.from}>
                <th scope="row">
                  {sayDay(b.from, file.today)} to {sayDay(b.to, file.today)}
                </th>
                <td>{sayCount(daysBetween(b.from, b.to), "day")}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {file.follow.pictures.length > 0 && (
        <table className={classes.table}>
          <caption>Pictures</caption>
          <tbody>
            {file.follow.pictures.map((p) => (
              <tr key={p.entry}>
                <th scope="row">
                  <Link to={`/plants/${file.id}/pictures?show=${p.picture}`}>{sayDay(p.on, file.today)}</Link>
                </th>
                <td>from the {p.side}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {file.follow.strands.length > 0 && (
        <table className={classes.table}>
          <caption>Growths</caption>
          <tbody>
            {file.follow.strands.map((s) => (
              <tr key={s.id}>
                <th scope="row">{sayStrand(s, knowledge, system)}</th>
                <td>from {sayDay(s.began, file.today)}</td>
                <td>{s.state === "lost" ? `lost ${sayDay(s.stateOn, file.today)}` : s.state}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
