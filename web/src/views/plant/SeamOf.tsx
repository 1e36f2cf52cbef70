import { useState } from "react";
import type { PlantFile } from "../../api/client";
import { addDays, daysBetween, sayDay } from "../../dates";
import { LargeSeam } from "../../seam/Seam";
import { type System, toShown, useUnits } from "../../units";
import classes from "./Standing.module.css";

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? "" : "s"}`;

// Which curve tells most, when several are kept.
const curves = [
  { measure: "longest-root", name: "longest root", unit: "mm" },
  { measure: "live-tips", name: "live tips", unit: "" },
  { measure: "new-leaves", name: "new leaves", unit: "" },
  { measure: "live-pests", name: "live pests", unit: "" },
];

/** The plant’s story as a seam, with its curve, and the same as a table. */
export function SeamOf({ file }: { file: PlantFile }) {
  const [table, setTable] = useState(false);
  const [system] = useUnits();
  const kept = file.curves as Record<string, { on: string; value: number }[]>;
  const curve = curves.find((c) => (kept[c.measure]?.length ?? 0) > 1);
  const r = file.recovery;
  const stage = r?.stages?.[r.index];
  const after = r?.stages?.[r.index + 1]?.name ?? "mended";
  const seam = file.seam;
  const said = `${count(seam.looks, "look")} in ${count(daysBetween(seam.from, seam.ended ?? file.today), "day")}, ${count(seam.knots.length, "gate")} passed, ${seam.loose.length === 1 ? "1 step" : `${seam.loose.length} steps`} back`;
  return (
    <>
      <LargeSeam
        seam={seam}
        today={file.today}
        label={`Seam: ${said}`}
        curve={curve && { ...curve, ...inUnits(kept[curve.measure] ?? [], curve.unit, system) }}
        ahead={
          stage && r.expected
            ? {
                from: r.expected.from,
                to: r.expected.to > r.expected.from ? r.expected.to : addDays(r.expected.from, 7),
                name: `${after}?`,
              }
            : undefined
        }
      />
      <p className="soft small" style={{ margin: "6px 0 0" }}>
        {said}.{" "}
        <button type="button" className="linkbutton" aria-expanded={table} onClick={() => setTable(!table)}>
          {table ? "Hide the table" : "As a table"}
        </button>
      </p>
      {table && <SeamTable file={file} />}
    </>
  );
}

/** Readings in the person's units. */
function inUnits(readings: { on: string; value: number }[], unit: string, system: System) {
  const turned = readings.map((r) => ({ on: r.on, value: Number(toShown(r.value, unit, system).value.toFixed(1)) }));
  return { readings: turned, unit: toShown(0, unit, system).unit };
}

function SeamTable({ file }: { file: PlantFile }) {
  return (
    <table className={classes.table}>
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
          <tr key={b.from + b.stage}>
            <td>{b.name}</td>
            <td>{sayDay(b.from, file.today)}</td>
            <td>{b.to ? sayDay(b.to, file.today) : "now"}</td>
            <td>{daysBetween(b.from, b.to ?? file.today)}</td>
            <td>{b.back ? `stepped back: ${b.reason}` : b.early ? `without its gate: ${b.reason}` : "—"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
