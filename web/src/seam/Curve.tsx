import { shortDay } from "../dates";

/** A measured curve above the seam, in the person's units. */
export interface Curve {
  id: string;
  name: string;
  unit: string;
  readings: { on: string; value: number }[];
}

/** The curve's scale, in the gutter where the curve cannot run over it. */
export function Scale({
  curve,
  top,
  height,
  left,
  right,
}: {
  curve: Curve;
  top: number;
  height: number;
  left: number;
  right: number;
}) {
  const most = roundTop(curve);
  return (
    <g fontSize={11} fill="var(--soft)">
      {[0, most / 2, most].map((v) => {
        const y = top + height - (height - 8) * (v / most);
        return (
          <g key={v}>
            <line x1={left} x2={right} y1={y} y2={y} stroke="var(--weft)" strokeDasharray="2 4" />
            <text x={left - 6} y={y + 4} textAnchor="end">
              {Number(v.toFixed(1))}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** A round number above every reading. */
function roundTop(curve: Curve): number {
  const most = Math.max(...curve.readings.map((r) => r.value), 2);
  const size = 10 ** Math.floor(Math.log10(most));
  return [1, 2, 4, 5, 10].map((n) => n * size).find((n) => n >= most) ?? most;
}

/** The curve through its readings, with the last one in figures. */
export function Line({
  curve,
  x,
  top,
  height,
}: {
  curve: Curve;
  x: (d: string) => number;
  top: number;
  height: number;
}) {
  const most = roundTop(curve);
  const y = (v: number) => top + height - (height - 8) * (v / most);
  const last = curve.readings.at(-1);
  const d = curve.readings.map((r, i) => `${i ? "L" : "M"}${x(r.on).toFixed(1)} ${y(r.value).toFixed(1)}`).join(" ");
  return (
    <g>
      <path d={d} fill="none" stroke="var(--kelp)" strokeWidth={2.2} strokeLinejoin="round" />
      {last && (
        <text
          x={x(last.on)}
          y={Math.max(y(last.value) - 8, 12 + top - 12)}
          textAnchor="end"
          fontSize={12}
          fontWeight={600}
          fill="var(--kelp)"
        >
          {last.value} {curve.unit}
        </text>
      )}
      {curve.readings.map((r, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: readings never move, and a day may have two
        <circle key={i} cx={x(r.on)} cy={y(r.value)} r={2.6} fill="var(--cloth)" stroke="var(--kelp)" strokeWidth={1.6}>
          <title>
            {shortDay(r.on)}: {r.value} {curve.unit}
          </title>
        </circle>
      ))}
    </g>
  );
}
