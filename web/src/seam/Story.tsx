import { useElementSize, useMergedRef } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { addDays, daysBetween, shortDay } from "../dates";
import { Happened, Held } from "./Below";
import { type Curve, Line, Scale } from "./Curve";
import { type Ahead, Basting, Frame, Lane, laneHeights, Weeks } from "./marks";
import { Thread } from "./Seam";
import classes from "./Story.module.css";
import { type Strand, StrandLine } from "./StrandLine";
import { useSeamView } from "./view";
import { monthStarts, placeWords } from "./words";

type SeamData = Schemas["Seam"];

interface StoryProps {
  plant: string;
  seam: SeamData;
  today: string;
  label: string;
  curves: Curve[];
  /** The expected time of the next gate: open basting. */
  ahead?: Ahead;
  strands: Strand[];
  sayStrand: (s: Strand) => string;
  pictures: { on: string; picture: string }[];
  events: Schemas["Event"][];
}

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
