import type { Knowledge } from "../api/client";
import { drawingOf, ground } from "./drawings";
import classes from "./Figure.module.css";
import type { Counts, Shape } from "./strokes";

export interface ZoneState {
  seen: number;
  absent: number;
}

const usual: Counts = { growths: 0, leaves: 0 };

interface FigureProps {
  figure: string;
  /** Growths and leaves as recorded: about as many are drawn. */
  counts?: Counts;
  zones: Knowledge["zones"];
  state: Record<string, ZoneState>;
  chosen?: string;
  onChoose?: (zone: string) => void;
  name: string;
}

const fills: Record<NonNullable<Shape["fill"]>, string> = {
  leaf: "var(--leaf)",
  old: "var(--leaf-old)",
  young: "var(--kelp-cloth)",
  bulb: "var(--bulb)",
  stem: "var(--bulb)",
  flower: "var(--plum-cloth)",
};

// Labels stand in two columns beside the drawing, so that none runs over a leaf.
const leftColumn = ["new", "leaves", "joints", "base", "medium"];
const columnGap = 36;

/** A line drawing of how the plant grows, with parts that can be touched. */
export function Figure({ figure, counts = usual, zones, state, chosen, onChoose, name }: FigureProps) {
  const drawing = drawingOf(figure, counts);
  const shapes = [...ground.shapes, ...drawing.shapes];
  const anchors = { ...ground.anchors, ...drawing.anchors };
  const labels = layOut(zones ?? [], anchors);
  return (
    <svg
      viewBox={labels.length > 0 ? "0 0 400 476" : "58 8 284 450"}
      width="100%"
      role={labels.length > 0 ? "group" : "img"}
      aria-label={labels.length > 0 ? `Drawing of ${name}: parts to look at` : `Drawing of ${name}`}
      className={classes.figure}
    >
      <path d="M128 346 H272 L258 450 H142 Z" fill="var(--pot)" stroke="none" />
      {shapes.map((s, i) => (
        <Part
          // biome-ignore lint/suspicious/noArrayIndexKey: a drawing's strokes never change places
          key={i}
          shape={s}
          look={state[s.zone]}
          chosen={chosen === s.zone}
          onChoose={onChoose}
        />
      ))}
      <g className={onChoose ? classes.touchable : undefined} onPointerUp={() => onChoose?.("pot")}>
        <path
          d="M124 340 H276 V354 H124 Z M130 354 L142 450 H258 L270 354"
          fill="none"
          stroke={strokeOf(state.pot)}
          strokeWidth={chosen === "pot" ? 3 : 1.6}
          strokeLinejoin="round"
        />
      </g>
      {onChoose &&
        labels.map((l) => (
          <Label key={l.zone.id} label={l} look={state[l.zone.id]} chosen={chosen === l.zone.id} onChoose={onChoose} />
        ))}
    </svg>
  );
}

function strokeOf(look: ZoneState | undefined): string {
  if (look?.seen) return "var(--red)";
  if (look?.absent) return "var(--ink)";
  return "var(--pale)";
}

function Part({
  shape,
  look,
  chosen,
  onChoose,
}: {
  shape: Shape;
  look?: ZoneState;
  chosen: boolean;
  onChoose?: (z: string) => void;
}) {
  const looked = Boolean(look?.seen || look?.absent);
  return (
    // The label beside it is the button; touching the drawing itself is a short cut for a finger or a mouse.
    <path
      d={shape.d}
      className={onChoose ? classes.touchable : undefined}
      fill={shape.fill ? fills[shape.fill] : "none"}
      fillOpacity={looked || chosen ? 1 : 0.55}
      stroke={shape.zone === "medium" && !look?.seen ? "var(--soil)" : strokeOf(look)}
      strokeWidth={(shape.width ?? 1.7) + (chosen ? 1 : 0)}
      strokeDasharray={shape.zone === "roots" && !looked ? "3 5" : undefined}
      strokeLinecap="round"
      strokeLinejoin="round"
      onPointerUp={() => onChoose?.(shape.zone)}
    />
  );
}

interface Placed {
  zone: Knowledge["zones"] extends (infer Z)[] | null ? Z : never;
  left: boolean;
  y: number;
  anchor: [number, number];
}

function layOut(zones: NonNullable<Knowledge["zones"]>, anchors: Record<string, [number, number]>): Placed[] {
  const placed: Placed[] = zones
    .filter((z) => z.drawn)
    .map((zone) => {
      const anchor = anchors[zone.id] ?? [200, 60];
      return {
        zone,
        left: zone.id === "stance" || leftColumn.includes(zone.id),
        y: zone.id === "stance" ? 16 : anchor[1],
        anchor,
      };
    });
  for (const side of [true, false]) {
    const column = placed.filter((p) => p.left === side).sort((a, b) => a.y - b.y);
    let floor = 12;
    for (const p of column) {
      p.y = Math.max(p.y, floor);
      floor = p.y + columnGap;
    }
    // What ran over the bottom is pushed back up.
    let ceiling = 456;
    for (const p of column.reverse()) {
      p.y = Math.min(p.y, ceiling);
      ceiling = p.y - columnGap;
    }
  }
  return placed;
}

function Label({
  label,
  look,
  chosen,
  onChoose,
}: {
  label: Placed;
  look?: ZoneState;
  chosen: boolean;
  onChoose: (z: string) => void;
}) {
  const { zone, left, y, anchor } = label;
  const x = left ? 2 : 398;
  const short = look?.seen ? `${look.seen} seen` : look?.absent ? "nothing there" : "not looked";
  const width = zone.label.length * 7.3;
  const edge = left ? x + width + 5 : x - width - 5;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      className={classes.label}
      data-zone={zone.id}
      onClick={() => onChoose(zone.id)}
      onKeyDown={(e) => {
        if (e.key === "Enter" || e.key === " ") {
          e.preventDefault();
          onChoose(zone.id);
        }
      }}
    >
      <rect
        x={left ? 0 : 400 - Math.max(width, 72) - 4}
        y={y - 14}
        width={Math.max(width, 72) + 4}
        height={33}
        fill="transparent"
      />
      {zone.id !== "stance" && (
        <path
          d={`M${edge} ${y - 4} L${left ? Math.max(edge, anchor[0] - 30) : Math.min(edge, anchor[0] + 30)} ${y - 4}
            L${anchor[0]} ${anchor[1]}`}
          fill="none"
          stroke={chosen ? "var(--red)" : "var(--basting)"}
          strokeWidth={chosen ? 1.6 : 1}
          strokeDasharray="1 3"
        />
      )}
      <text
        x={x}
        y={y}
        textAnchor={left ? "start" : "end"}
        fontSize={14}
        fontWeight={chosen ? 700 : 500}
        fill="var(--ink)"
      >
        {`${zone.label} `}
      </text>
      <text
        x={x}
        y={y + 15}
        textAnchor={left ? "start" : "end"}
        fontSize={12.5}
        fill={look?.seen ? "var(--red)" : "var(--soft)"}
      >
        {short}
      </text>
      {chosen && (
        <path
          d={`M${left ? x : x - width} ${y + 20} h${width}`}
          stroke="var(--red)"
          strokeWidth={2.4}
          strokeDasharray="7 3"
        />
      )}
    </g>
  );
}

/** Strokes that look alike and follow each other, as one: a list draws many small figures. */
function inRuns(shapes: Shape[]): Shape[] {
  const runs: Shape[] = [];
  for (const s of shapes) {
    const last = runs.at(-1);
    if (last && last.zone === s.zone && last.fill === s.fill && last.width === s.width) {
      runs[runs.length - 1] = { ...last, d: `${last.d} ${s.d}` };
    } else runs.push(s);
  }
  return runs;
}

interface SmallFigureProps {
  figure: string;
  marks: { growths: number; leaves: number; seen: string[]; looked: string[] };
}

/** The same drawing, small, as it stands in lists: red where the last look saw something. */
export function SmallFigure({ figure, marks }: SmallFigureProps) {
  const drawing = drawingOf(figure, marks);
  const tone = (zone: string) =>
    marks.seen.includes(zone) ? "var(--red)" : marks.looked.includes(zone) ? "var(--ink)" : "var(--pale)";
  return (
    <svg viewBox="58 40 284 420" width="40" height="59" aria-hidden="true" className={classes.small}>
      <path
        d="M124 340 H276 V354 H124 Z M130 354 L142 450 H258 L270 354"
        fill="var(--pot)"
        stroke={tone("pot")}
        strokeWidth={6}
        strokeLinejoin="round"
      />
      {inRuns(drawing.shapes.filter((s) => s.fill || (s.width ?? 0) >= 1.6)).map((s, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: a drawing's strokes never change places
          key={i}
          d={s.d}
          fill={s.fill ? fills[s.fill] : "none"}
          fillOpacity={marks.looked.includes(s.zone) || marks.seen.includes(s.zone) ? 1 : 0.6}
          stroke={tone(s.zone)}
          strokeWidth={(s.width ?? 2) <= 1 ? 2 : marks.seen.includes(s.zone) ? 7 : 5}
          strokeLinejoin="round"
        />
      ))}
      {marks.seen.includes("roots") && (
        <path d={ground.shapes[0]?.d} fill="none" stroke="var(--red)" strokeWidth={7} strokeLinecap="round" />
      )}
      {(marks.seen.includes("medium") || marks.seen.includes("surface")) && (
        <path d="M146 364 H254" stroke="var(--red)" strokeWidth={8} strokeDasharray="16 8" />
      )}
    </svg>
  );
}
