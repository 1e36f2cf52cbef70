import { useElementSize, useMergedRef } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { addDays, daysBetween } from "../dates";
import { Happened, Held } from "./Below";
import { type Curve, Line, Scale } from "./Curve";
import { Bare, Events, Knots, Months, StageWords } from "./layers";
import { type Ahead, Basting, Frame, Lane, laneHeights, Weeks } from "./marks";
import { Thread } from "./Seam";
import classes from "./Story.module.css";
import { StoryBar } from "./StoryBar";
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
  const merged = useMergedRef(ref, useWheel(seamView));
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
      <StoryBar curves={curves} curve={curve} choose={setChosen} seamView={seamView} zooms={whole > leastZoomed} />
      <div
        ref={merged}
        className={classes.seam}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the seam is moved by keys, like a map
        tabIndex={0}
        {...seamView.handlers}
        role="group"
        aria-label={`${props.label}. Arrow keys move along it, plus and minus zoom, 0 shows all of it.`}
      >
        <svg className="block" role="presentation" width={w} height={height} data-testid="story">
          <defs>
            <clipPath id={`in-${props.plant}`}>
              <rect x={left - 12} y={0} width={w - left + 12} height={height} />
            </clipPath>
          </defs>
          {curve && <Scale curve={curve} top={curveTop} height={curveHeight} left={left} right={w - 6} />}
          <g clipPath={`url(#in-${props.plant})`}>
            <Months starts={monthStarts(seam.from, end, perDay * 30 < 46 ? 2 : 1)} x={x} bottom={clothEnd} right={w} />
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
            <Bare spans={seam.bare} x={x} y={cloth} />
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
            <Knots seam={seam} x={x} stitchY={stitchY} laneY={laneY} />
            <Events events={said} x={x} y={eventY} />
            <line
              x1={x(today)}
              x2={x(today)}
              y1={16}
              y2={height - 4}
              stroke="var(--ink)"
              strokeWidth={1}
              strokeDasharray="2 3"
            />
            <StageWords placed={words.placed} y={wordsY} />
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
      <MoreGrowths plant={props.plant} n={strands.length - shownStrands.length} />
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

/** The box that zooms by the wheel. */
function useWheel(seamView: ReturnType<typeof useSeamView>) {
  const box = useRef<HTMLDivElement>(null);
  const wheel = useRef(seamView.wheel);
  wheel.current = seamView.wheel;
  useEffect(() => {
    const seamBox = box.current;
    const turn = (e: WheelEvent) => wheel.current(e);
    // React listens passively: the page would zoom along.
    seamBox?.addEventListener("wheel", turn, { passive: false });
    return () => seamBox?.removeEventListener("wheel", turn);
  }, []);
  return box;
}

function MoreGrowths({ plant, n }: { plant: string; n: number }) {
  if (n <= 0) return null;
  return (
    <p className="soft small my-2">
      {n} more growths are on <Link to={`/plants/${plant}/growths`}>their page</Link>.
    </p>
  );
}
