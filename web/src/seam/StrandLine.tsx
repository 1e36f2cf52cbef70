import type { Schemas } from "../api/client";

export type Strand = Schemas["Strand"];

const strandColours: Record<string, string> = {
  leaf: "var(--kelp)",
  shoot: "var(--kelp)",
  root: "var(--slate)",
  spike: "var(--plum)",
};

/** One growth: a strand that starts, thickens as it lengthens, and ripens or breaks off. */
export function StrandLine({
  strand,
  say,
  most,
  x,
  y,
  now,
  left,
  right,
}: {
  strand: Strand;
  say: string;
  most: number;
  x: (d: string) => number;
  y: number;
  now: string;
  left: number;
  right: number;
}) {
  const colour = strandColours[strand.sort] ?? "var(--ochre)";
  const lost = strand.state === "lost";
  const line = y + 18;
  const end = lost ? strand.stateOn : now;
  const points = [{ on: strand.began, value: 0 }, ...strand.sizes, { on: end, value: strand.sizes.at(-1)?.value ?? 0 }];
  const half = (v: number) => 0.7 + 2.6 * (v / most);
  const upper = points
    .map((p, i) => `${i ? "L" : "M"}${x(p.on).toFixed(1)} ${(line - half(p.value)).toFixed(1)}`)
    .join(" ");
  const lower = [...points]
    .reverse()
    .map((p) => `L${x(p.on).toFixed(1)} ${(line + half(p.value)).toFixed(1)}`)
    .join(" ");
  return (
    <g>
      <path d={`${upper} ${lower} Z`} fill={colour} opacity={strand.cameWith ? 0.45 : 0.9} />
      {lost && (
        <path d={`M${x(end) - 4} ${line - 4} l8 8 m0 -8 l-8 8`} stroke="var(--red)" strokeWidth={1.8} fill="none" />
      )}
      {strand.state === "mature" && (
        <circle cx={x(strand.stateOn)} cy={line} r={3.6} fill="var(--cloth)" stroke={colour} strokeWidth={1.8} />
      )}
      <text
        x={Math.max(left + 1, Math.min(x(strand.began) + 1, right - say.length * 6))}
        y={y + 12}
        fontSize={11.5}
        fill="var(--soft)"
      >
        {say}
      </text>
    </g>
  );
}
