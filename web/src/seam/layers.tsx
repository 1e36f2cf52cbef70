import type { Schemas } from "../api/client";
import { shortDay } from "../dates";
import { laneHeights } from "./marks";
import classes from "./Story.module.css";
import type { placeWords } from "./words";

type X = (day: string) => number;

/** The first of each month, with its name. */
export function Months({ starts, x, bottom, right }: { starts: string[]; x: X; bottom: number; right: number }) {
  return (
    <>
      {starts.map((m) => (
        <g key={m}>
          <line x1={x(m)} x2={x(m)} y1={16} y2={bottom} stroke="var(--weft)" />
          {x(m) < right - 32 && (
            <text x={x(m) + 4} y={13} fontSize={12} fill="var(--soft)">
              {shortDay(m).replace(/^1 /, "")}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

/** Days on which nobody looked for too long. */
export function Bare({ spans, x, y }: { spans: Schemas["Seam"]["bare"]; x: X; y: number }) {
  return (
    <>
      {spans.map((b) => (
        <rect
          key={b.from}
          x={x(b.from)}
          y={y - 5}
          width={x(b.to) - x(b.from)}
          height={3}
          fill="var(--red)"
          opacity={0.55}
        />
      ))}
    </>
  );
}

interface KnotsProps {
  seam: Schemas["Seam"];
  x: X;
  stitchY: number;
  laneY: (lane: number) => number;
}

/** Gates that were passed; smaller on the cloth beside. */
export function Knots({ seam, x, stitchY, laneY }: KnotsProps) {
  return (
    <>
      {[...seam.knots.map((on) => ({ on, lane: 0 })), ...seam.beside].map((k) => {
        const y = k.lane === 0 ? stitchY : laneY(k.lane) + (laneHeights[k.lane] ?? 24) / 2;
        const r = k.lane === 0 ? 1 : 0.7;
        return (
          <g key={`${k.on}${k.lane}`} stroke="var(--red)" strokeWidth={2}>
            <circle cx={x(k.on)} cy={y} r={5.4 * r} fill="var(--red)" stroke="none" />
            <path
              d={`M${x(k.on) - 8 * r} ${y - 5 * r} l${16 * r} ${10 * r} M${x(k.on) - 8 * r} ${y + 5 * r}
                l${16 * r} ${-10 * r}`}
            />
          </g>
        );
      })}
    </>
  );
}

/** What was done, as small tufts under the cloth. */
export function Events({ events, x, y }: { events: Schemas["Event"][]; x: X; y: number }) {
  return (
    <>
      {events.map((e, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: events never move, and a day may have several
          key={i}
          d={`M${x(e.on)} ${y - 4} l4 4 l-4 4 l-4 -4 z`}
          fill={e.kind === "watered" || e.kind === "fed" ? "var(--slate)" : "var(--ochre)"}
        >
          <title>{`${shortDay(e.on)}: ${e.what}`}</title>
        </path>
      ))}
    </>
  );
}

/** The stages by name, each where it began. */
export function StageWords({ placed, y }: { placed: ReturnType<typeof placeWords>["placed"]; y: number }) {
  return (
    <>
      {placed.map((p) => (
        <text
          key={p.text + p.x}
          className={classes.haloed}
          x={p.x}
          y={y + 10 + p.row * 17}
          fontSize={12}
          fill="var(--red)"
        >
          {p.text}
        </text>
      ))}
    </>
  );
}
