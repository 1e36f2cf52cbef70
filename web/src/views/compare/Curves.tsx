import type { Knowledge, PlantRow, Schemas } from "../../api/client";
import { shortDay } from "../../dates";
import { sentence } from "../words";
import classes from "./Compare.module.css";

type History = Schemas["SideBySide"]["curves"][number];

interface CurvesProps {
  plants: PlantRow[];
  curves: History[];
  measures: Knowledge["measures"];
}

/** How a plant's line is drawn, so that it is told from the others without colour. */
const dashes = ["none", "7 3", "2 3", "10 3 2 3", "4 4", "1 5"];

const width = 320;
const height = 120;
const edge = 8;

/** Readings of all of them, measure by measure, each on one scale. */
export function Curves({ plants, curves, measures }: CurvesProps) {
  const shown = measures.filter((m) => curves.some((c) => (c[m.id]?.length ?? 0) > 1) && m.kind !== "yes-no");
  if (shown.length === 0) return null;
  return (
    <section className="patch mt-18" aria-label="Their readings">
      <h2>Their readings</h2>
      <ul className={classes.legend}>
        {plants.map((p, i) => (
          <li key={p.id}>
            <svg width={36} height={10} aria-hidden="true">
              <line x1={0} x2={36} y1={5} y2={5} stroke="currentColor" strokeWidth={2} strokeDasharray={dashes[i]} />
            </svg>{" "}
            {p.name}
          </li>
        ))}
      </ul>
      <div className={classes.curves}>
        {shown.map((m) => (
          <OneMeasure key={m.id} measure={m} plants={plants} curves={curves} />
        ))}
      </div>
    </section>
  );
}

function OneMeasure({
  measure,
  plants,
  curves,
}: { measure: Knowledge["measures"][number] } & Omit<CurvesProps, "measures">) {
  const lines = curves.map((c) => c[measure.id] ?? []);
  const days = lines.flat().map((r) => Date.parse(r.on));
  const values = lines.flat().map((r) => r.value);
  const [from, to] = [Math.min(...days), Math.max(...days)];
  const most = Math.max(...values, 1);
  const x = (on: string) => edge + ((Date.parse(on) - from) / Math.max(1, to - from)) * (width - 2 * edge);
  const y = (value: number) => height - edge - (value / most) * (height - 2 * edge);
  const said = plants
    .flatMap((p, i) => {
      const last = lines[i]?.at(-1);
      return last ? [`${p.name} ${last.value}`] : [];
    })
    .join(", ");
  return (
    <figure className={classes.curve}>
      <figcaption className="small">
        <b>{sentence(measure.short)}</b> <span className="soft">to {Number(most.toFixed(1))}</span>
      </figcaption>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`${measure.short}, last: ${said}`}>
        <line x1={edge} x2={width - edge} y1={height - edge} y2={height - edge} stroke="var(--weft)" />
        {lines.map((line, i) => (
          <polyline
            key={plants[i]?.id}
            points={line.map((r) => `${x(r.on).toFixed(1)},${y(r.value).toFixed(1)}`).join(" ")}
            fill="none"
            stroke="currentColor"
            strokeWidth={2}
            strokeDasharray={dashes[i]}
          />
        ))}
      </svg>
      <div className="flex apart-x soft small">
        <span>{shortDay(new Date(from).toISOString().slice(0, 10))}</span>
        <span>{shortDay(new Date(to).toISOString().slice(0, 10))}</span>
      </div>
    </figure>
  );
}
