import { useElementSize, useMergedRef } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { addDays, daysBetween, shortDay } from "../dates";
import { Cloth, Thread } from "./Seam";
import classes from "./Story.module.css";
import { useSeamView } from "./view";
import { monthStarts, placeWords } from "./words";

type SeamData = Schemas["Seam"];
export type Strand = Schemas["Strand"];

export interface Curve {
  id: string;
  name: string;
  unit: string;
  readings: { on: string; value: number }[];
}

interface StoryProps {
  plant: string;
  seam: SeamData;
  today: string;
  label: string;
  curves: Curve[];
  /** The expected time of the next gate: open basting. */
  ahead?: { from: string; to: string; name: string };
  strands: Strand[];
  sayStrand: (s: Strand) => string;
  pictures: { on: string; picture: string }[];
  events: Schemas["Event"][];
}

const laneHeights = [46, 24, 24];
const strandRow = 24;
const mostStrands = 12;
/** Days from which there is something to come closer to. */
const leastZoomed = 30;

/** The whole story of a plant through time: curves, pictures, stages and looks, what was done, and its growths. */
export function Story(props: StoryProps) {
  const { seam, today, curves, ahead, strands, pictures, events } = props;
  const { ref, width } = useElementSize();
  const [chosen, setChosen] = useState<string>();
  const [picked, setPicked] = useState<string>();
  const w = Math.max(width, 280);
  const left = curves.length > 0 ? 42 : 14;
  // What lies ahead never takes more room than half of what was.
  const past = daysBetween(seam.from, today);
  const last = addDays(today, Math.max(14, Math.round(past / 2)));
  const end = seam.ended ?? (ahead ? (ahead.to < last ? addDays(ahead.to, 6) : last) : addDays(today, 7));
  const whole = Math.max(daysBetween(seam.from, end), 21);
  const seamView = useSeamView(whole, w - 8, left);
  const { view, perDay } = seamView;
  const box = useRef<HTMLDivElement>(null);
  const merged = useMergedRef(ref, box);
  const wheel = useRef(seamView.wheel);
  wheel.current = seamView.wheel;
  useEffect(() => {
    const seamBox = box.current;
    const turn = (e: WheelEvent) => wheel.current(e);
    // React listens passively: the page would zoom along.
    seamBox?.addEventListener("wheel", turn, { passive: false });
    return () => seamBox?.removeEventListener("wheel", turn);
  }, []);
  const x = (d: string) => left + (daysBetween(seam.from, d) - view.from) * perDay;
  const inView = (d: string) => {
    const n = daysBetween(seam.from, d);
    return n >= view.from - 1 && n <= view.to + 1;
  };
  const curve = curves.find((c) => c.id === chosen) ?? curves[0];
  const lanes = Math.max(1, ...seam.bands.map((b) => b.lane + 1));
  const curveTop = 24;
  const curveHeight = curve ? 104 : 0;
  const pictureY = curveTop + curveHeight + (curve ? 10 : 0);
  const cloth = pictureY + (pictures.length > 0 ? 26 : 6);
  const laneY = (lane: number) => cloth + laneHeights.slice(0, lane).reduce((a, b) => a + b + 4, 0);
  const clothEnd = laneY(lanes - 1) + (laneHeights[lanes - 1] ?? 24);
  const stitchY = cloth + 33;
  const eventY = clothEnd + 11;
  const words = placeWords(seam, x, w, inView);
  const wordsY = eventY + 14;
  const shownStrands = strands.filter((s) => !s.cameWith || strands.length <= mostStrands).slice(-mostStrands);
  const strandsY = wordsY + words.rows * 17 + (shownStrands.length > 0 ? 8 : 0);
  const height = strandsY + shownStrands.length * strandRow + 6;
  const said = events.filter((e) => inView(e.on));
  const now = seam.ended ?? today;
  return (
    <>
      <div className={classes.bar}>
        {curves.length > 1 && (
          <fieldset className={classes.curves}>
            <legend className={classes.legend}>Above it</legend>
            {curves.map((c) => (
              <button
                key={c.id}
                type="button"
                aria-pressed={c.id === curve?.id}
                className={classes.pick}
                onClick={() => setChosen(c.id)}
              >
                {c.name}
              </button>
            ))}
          </fieldset>
        )}
        {whole > leastZoomed && (
          <span className={classes.zoom}>
            <button type="button" className={classes.pick} onClick={seamView.wider} aria-label="Show more days">
              −
            </button>
            <button type="button" className={classes.pick} onClick={seamView.closer} aria-label="Show fewer days">
              +
            </button>
            {seamView.zoomed && (
              <button type="button" className={classes.pick} onClick={seamView.reset}>
                all of it
              </button>
            )}
          </span>
        )}
      </div>
      <div
        ref={merged}
        className={classes.seam}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the seam is moved by keys, like a map
        tabIndex={0}
        {...seamView.handlers}
        role="group"
        aria-label={`${props.label}. Arrow keys move along it, plus and minus zoom, 0 shows all of it.`}
      >
        <svg role="presentation" width={w} height={height} style={{ display: "block" }} data-testid="story">
          <defs>
            <clipPath id={`in-${props.plant}`}>
              <rect x={left - 12} y={0} width={w - left + 12} height={height} />
            </clipPath>
          </defs>
          {curve && <Scale curve={curve} top={curveTop} height={curveHeight} left={left} right={w - 6} />}
          <g clipPath={`url(#in-${props.plant})`}>
            {monthStarts(seam.from, end, perDay * 30 < 46 ? 2 : 1).map((m) => (
              <g key={m}>
                <line x1={x(m)} x2={x(m)} y1={16} y2={clothEnd} stroke="var(--weft)" />
                {x(m) < w - 32 && (
                  <text x={x(m) + 4} y={13} fontSize={12} fill="var(--soft)">
                    {shortDay(m).replace(/^1 /, "")}
                  </text>
                )}
              </g>
            ))}
            {perDay > 9 && <Weeks from={seam.from} view={view} x={x} top={16} bottom={clothEnd} />}
            {curve && <Line curve={curve} x={x} top={curveTop} height={curveHeight} />}
            {pictures
              .filter((p) => inView(p.on))
              .map((p) => (
                <Frame
                  key={p.picture}
                  x={x(p.on)}
                  y={pictureY}
                  on={p.on}
                  pick={() => setPicked(picked === p.picture ? undefined : p.picture)}
                  held={picked === p.picture}
                />
              ))}
            {seam.bare.map((b) => (
              <rect
                key={b.from}
                x={x(b.from)}
                y={cloth - 5}
                width={x(b.to) - x(b.from)}
                height={3}
                fill="var(--red)"
                opacity={0.55}
              />
            ))}
            {Array.from({ length: lanes }, (_, lane) => (
              <Lane
                key={`lane-${laneY(lane)}`}
                seam={seam}
                lane={lane}
                x={x}
                y={laneY(lane)}
                height={laneHeights[lane] ?? 24}
                now={now}
                left={left}
              />
            ))}
            {ahead && !seam.ended && (
              <Basting ahead={ahead} end={end} today={today} x={x} y={cloth} stitchY={stitchY} right={w} />
            )}
            <Thread
              seam={seam}
              x={x}
              y={stitchY}
              step={Math.max(1, Math.ceil((seam.stitches.length * 7) / (whole * perDay)))}
            />
            {[...seam.knots.map((on) => ({ on, lane: 0 })), ...seam.beside].map((k) => {
              const y = k.lane === 0 ? stitchY : laneY(k.lane) + (laneHeights[k.lane] ?? 24) / 2;
              const r = k.lane === 0 ? 1 : 0.7;
              return (
                <g key={`${k.on}${k.lane}`} stroke="var(--red)" strokeWidth={2}>
                  <circle cx={x(k.on)} cy={y} r={5.4 * r} fill="var(--red)" stroke="none" />
                  <path
                    d={`M${x(k.on) - 8 * r} ${y - 5 * r} l${16 * r} ${10 * r} M${x(k.on) - 8 * r} ${y + 5 * r} l${16 * r} ${-10 * r}`}
                  />
                </g>
              );
            })}
            {said.map((e, i) => (
              <path
                // biome-ignore lint/suspicious/noArrayIndexKey: events never move, and a day may have several
                key={i}
                d={`M${x(e.on)} ${eventY - 4} l4 4 l-4 4 l-4 -4 z`}
                fill={e.kind === "watered" || e.kind === "fed" ? "var(--slate)" : "var(--ochre)"}
              >
                <title>{`${shortDay(e.on)}: ${e.what}`}</title>
              </path>
            ))}
            <line
              x1={x(today)}
              x2={x(today)}
              y1={16}
              y2={height - 4}
              stroke="var(--ink)"
              strokeWidth={1}
              strokeDasharray="2 3"
            />
            {words.placed.map((p) => (
              <text
                key={p.text + p.x}
                className={classes.haloed}
                x={p.x}
                y={wordsY + 10 + p.row * 17}
                fontSize={12}
                fill="var(--red)"
              >
                {p.text}
              </text>
            ))}
            {shownStrands.map((s, i) => (
              <StrandLine
                key={s.id}
                strand={s}
                say={props.sayStrand(s)}
                most={mostOf(strands, s.sort)}
                x={x}
                y={strandsY + i * strandRow}
                now={now}
                left={left}
                right={w - 8}
              />
            ))}
          </g>
        </svg>
      </div>
      {strands.length > shownStrands.length && (
        <p className="soft small" style={{ margin: "2px 0" }}>
          {strands.length - shownStrands.length} more growths are on{" "}
          <Link to={`/plants/${props.plant}/growths`}>their page</Link>.
        </p>
      )}
      {picked && (
        <Held
          plant={props.plant}
          picture={pictures.find((p) => p.picture === picked)}
          close={() => setPicked(undefined)}
        />
      )}
      <Happened events={said} whole={!seamView.zoomed} />
    </>
  );
}

const mostOf = (strands: Strand[], sort: string) =>
  Math.max(1, ...strands.filter((s) => s.sort === sort).flatMap((s) => s.sizes.map((r) => r.value)));

function Weeks({
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

/** The curve's scale, in the gutter where the curve cannot run over it. */
function Scale({
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

function Line({ curve, x, top, height }: { curve: Curve; x: (d: string) => number; top: number; height: number }) {
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

function Frame({ x, y, on, pick, held }: { x: number; y: number; on: string; pick: () => void; held: boolean }) {
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

function Lane({
  seam,
  lane,
  x,
  y,
  height,
  now,
  left,
}: {
  seam: SeamData;
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

function Basting({
  ahead,
  end,
  today,
  x,
  y,
  stitchY,
  right,
}: {
  ahead: NonNullable<StoryProps["ahead"]>;
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

const strandColours: Record<string, string> = {
  leaf: "var(--kelp)",
  shoot: "var(--kelp)",
  root: "var(--slate)",
  spike: "var(--plum)",
};

/** One growth: a strand that starts, thickens as it lengthens, and ripens or breaks off. */
function StrandLine({
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

function Held({
  plant,
  picture,
  close,
}: {
  plant: string;
  picture?: { on: string; picture: string };
  close: () => void;
}) {
  if (!picture) return null;
  return (
    <p className={classes.held}>
      <Link to={`/plants/${plant}/pictures?show=${picture.picture}`}>
        <img
          src={`/api/plants/${plant}/pictures/${picture.picture}?small=true`}
          alt={`The plant on ${shortDay(picture.on)}`}
        />
      </Link>
      <span className="small">
        {shortDay(picture.on)}.{" "}
        <Link to={`/plants/${plant}/pictures?show=${picture.picture}`} style={{ color: "inherit" }}>
          Compare and measure
        </Link>{" "}
        <button type="button" className="linkbutton" onClick={close}>
          Put it away
        </button>
      </span>
    </p>
  );
}

const mostSaid = 6;

/** What was done and what happened in the days that are in view. */
function Happened({ events, whole }: { events: Schemas["Event"][]; whole: boolean }) {
  const [all, setAll] = useState(false);
  if (events.length === 0) return null;
  const shown = all ? events : events.slice(-mostSaid);
  return (
    <div className="small">
      <h3 className={classes.happened}>{whole ? "What was done and what happened" : "In these days"}</h3>
      <ul className={classes.events}>
        {shown.map((e, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: events never move, and a day may have several
          <li key={i}>
            <span className="soft">{shortDay(e.on)}</span> {e.what}
          </li>
        ))}
      </ul>
      {events.length > mostSaid && (
        <button type="button" className="linkbutton soft" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? "Only the last" : `All ${events.length}`}
        </button>
      )}
    </div>
  );
}
