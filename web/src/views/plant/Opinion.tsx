import { useElementSize } from "@mantine/hooks";
import type { Knowledge, PlantFile } from "../../api/client";
import { daysBetween, shortDay } from "../../dates";
import { sayPercent } from "../words";

const threads = [
  { stroke: "var(--red)", dash: "13 4" },
  { stroke: "var(--slate)", dash: "4 4" },
  { stroke: "var(--ochre)", dash: "9 3 2 3" },
  { stroke: "var(--kelp)", dash: undefined },
];

/** How the opinion moved from look to look: the chances as they stood then. */
export function Opinion({ file, knowledge }: { file: PlantFile; knowledge: Knowledge }) {
  const { ref, width } = useElementSize();
  const said = file.said;
  const [first, last] = [said[0], said.at(-1)];
  if (!first || !last || said.length < 2) return null;
  const label = (c: string) => knowledge.causes.find((x) => x.id === c)?.label ?? c;
  // The causes that led at any look, most often first.
  const led = new Map<string, number>();
  for (const s of said) for (const c of s.chances.slice(0, 2)) led.set(c.id, (led.get(c.id) ?? 0) + c.chance);
  const causes = [...led.entries()].sort((a, b) => b[1] - a[1]).slice(0, threads.length);
  const w = Math.max(width, 240);
  const days = Math.max(1, daysBetween(first.on, last.on));
  const x = (on: string) => 42 + ((w - 58) * daysBetween(first.on, on)) / days;
  const y = (p: number) => 8 + 84 * (1 - p);
  const chance = (s: (typeof said)[number], id: string) => s.chances.find((c) => c.id === id)?.chance ?? 0;
  return (
    <section className="patch mt-18" aria-label="How the opinion moved">
      <h2>How the opinion moved</h2>
      <div ref={ref}>
        <svg className="block" width={w} height={118} aria-hidden="true">
          {[0, 0.5, 1].map((p) => (
            <g key={p}>
              <line x1={42} x2={w - 12} y1={y(p)} y2={y(p)} stroke="var(--weft)" />
              <text x={37} y={y(p) + 4} textAnchor="end" fontSize={11.5} fill="var(--soft)">
                {p * 100} %
              </text>
            </g>
          ))}
          {causes.map(([id], i) => (
            <g key={id}>
              <polyline
                points={said.map((s) => `${x(s.on)},${y(chance(s, id))}`).join(" ")}
                fill="none"
                stroke={threads[i]?.stroke}
                strokeDasharray={threads[i]?.dash}
                strokeWidth={2.6}
              />
              {said.map((s) => (
                <circle key={s.entry} cx={x(s.on)} cy={y(chance(s, id))} r={3.4} fill={threads[i]?.stroke} />
              ))}
            </g>
          ))}
          <text x={42} y={112} fontSize={11.5} fill="var(--soft)">
            {shortDay(first.on)}
          </text>
          <text x={w - 12} y={112} textAnchor="end" fontSize={11.5} fill="var(--soft)">
            {shortDay(last.on)}
          </text>
        </svg>
      </div>
      <table className="small full-width joined-borders">
        <thead>
          <tr className="soft">
            <th className="text-left weight-400">at the look of</th>
            {said.slice(-5).map((s) => (
              <th className="text-right weight-400" key={s.entry}>
                {shortDay(s.on)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {causes.map(([id], i) => (
            <tr key={id}>
              <td>
                <svg className="mr-6" width="30" height="8" aria-hidden="true">
                  <line
                    x1="0"
                    x2="30"
                    y1="4"
                    y2="4"
                    stroke={threads[i]?.stroke}
                    strokeWidth="2.6"
                    strokeDasharray={threads[i]?.dash}
                  />
                </svg>
                {label(id)}
              </td>
              {said.slice(-5).map((s) => (
                <td key={s.entry} className="numbers text-right">
                  {sayPercent(chance(s, id))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
