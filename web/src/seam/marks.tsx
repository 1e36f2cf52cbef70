import type { Schemas } from "../api/client";
import { addDays, shortDay } from "../dates";
import { Cloth } from "./Seam";

/** How high the cloth of each track is, the leading one first. */
export const laneHeights = [46, 24, 24];

/** When the next gate may open, and what comes after it. */
export interface Ahead {
  from: string;
  to: string;
  name: string;
}

/** Fine lines at each week, when the seam is seen from near. */
export function Weeks({
  from,
  view,
  x,
  top,
  bottom,
}: {
  from: string;
  view: { from: number; to: number };
  x: (d: string) => number;
  top: number;
  bottom: number;
}) {
  const days: string[] = [];
  for (let n = Math.ceil(view.from / 7) * 7; n <= view.to; n += 7) days.push(addDays(from, n));
  return days.map((d) => (
    <g key={d}>
      <line x1={x(d)} x2={x(d)} y1={top + 4} y2={bottom} stroke="var(--weft)" strokeDasharray="1 4" />
    </g>
  ));
}

/** A picture on its day, to be taken up. */
export function Frame({ x, y, on, pick, held }: { x: number; y: number; on: string; pick: () => void; held: boolean }) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={held}
      aria-label={`Picture of ${shortDay(on)}`}
      onClick={pick}
      onPointerDown={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key === "Enter" || e.key === " ") {
          e.preventDefault();
          pick();
        }
      }}
      style={{ cursor: "pointer" }}
    >
      <rect x={x - 11} y={y - 3} width={22} height={24} fill="transparent" />
      <rect
        x={x - 7}
        y={y}
        width={14}
        height={17}
        fill={held ? "var(--ochre-cloth)" : "var(--cloth)"}
        stroke="var(--ink)"
        strokeWidth={1.3}
      />
      <path
        d={`M${x} ${y + 13} v-6 M${x} ${y + 9} q-4 -1 -4 -5 q4 0 4 5 M${x} ${y + 8} q4 -1 4 -5 q-4 0 -4 5`}
        fill="none"
        stroke="var(--kelp)"
        strokeWidth={1.2}
      />
    </g>
  );
}

/** The cloth of one track, its stages named where there is room. */
export function Lane({
  seam,
  lane,
  x,
  y,
  height,
  now,
  left,
}: {
  seam: Schemas["Seam"];
  lane: number;
  x: (d: string) => number;
  y: number;
  height: number;
  now: string;
  left: number;
}) {
  const bands = seam.bands.filter((b) => b.lane === lane);
  return (
    <>
      <Cloth seam={{ ...seam, bands }} x={x} end={now} y={y} height={height} bare={lane > 0} />
      {bands.map((b) => {
        const from = x(b.from);
        const to = x(b.to ?? now);
        const start = Math.max(from, left);
        return (
          <g key={`${b.track}${b.from}${b.stage}`}>
            <rect
              x={from + 4}
              y={y + 4}
              width={Math.max(0, to - from - 10)}
              height={height - 8}
              fill="none"
              stroke="var(--cloth)"
              strokeDasharray="4 4"
              opacity={0.8}
            />
            {to - start > b.name.length * 6.6 + (b.back ? 28 : 16) && (
              <text
                x={start + (b.back && start === from ? 22 : 10)}
                y={y + (lane === 0 ? 18 : 16)}
                fontSize={12.5}
                fontWeight={600}
                fill="var(--ink)"
              >
                {b.name}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

/** Open basting ahead: the days in which the next gate may open. */
export function Basting({
  ahead,
  end,
  today,
  x,
  y,
  stitchY,
  right,
}: {
  ahead: Ahead;
  /** The last day that the seam has room for. */
  end: string;
  today: string;
  x: (d: string) => number;
  y: number;
  stitchY: number;
  right: number;
}) {
  const width = Math.max(4, Math.min(x(ahead.to), right) - x(ahead.from));
  const beyond = ahead.from > end;
  const later = `${ahead.name} from ${shortDay(ahead.from)}`;
  const name = ahead.to > end ? `${ahead.name} to ${shortDay(ahead.to)}` : ahead.name;
  return (
    <g>
      {!beyond && (
        <rect
          x={x(ahead.from)}
          y={y}
          width={width}
          height={laneHeights[0]}
          rx={2}
          fill="var(--slate-cloth)"
          opacity={0.5}
        />
      )}
      {beyond && right - x(today) > later.length * 6.4 + 16 && (
        <text x={right - 10} y={y + 18} fontSize={12} textAnchor="end" fill="var(--soft)">
          {later}
        </text>
      )}
      <line
        x1={x(today) + 4}
        x2={right - 8}
        y1={stitchY}
        y2={stitchY}
        stroke="var(--soft)"
        strokeWidth={1.4}
        strokeDasharray="7 6"
      />
      {!beyond && width > name.length * 6.6 + 14 && (
        <text x={x(ahead.from) + 8} y={y + 18} fontSize={12.5} fill="var(--ink)">
          {name}
        </text>
      )}
    </g>
  );
}
