import { useElementSize } from "@mantine/hooks";
import type { Schemas } from "../api/client";
import { daysBetween } from "../dates";
import { bandColour } from "./cloth";

type SeamData = Schemas["Seam"];

interface SmallSeamProps {
  seam: SeamData;
  today: string;
  label: string;
}

/** The seam as it stands in lists: bands, stitches, knots and loose threads, no words. */
export function SmallSeam({ seam, today, label }: SmallSeamProps) {
  const { ref, width } = useElementSize();
  const end = seam.ended ?? today;
  const days = Math.max(daysBetween(seam.from, end), 14);
  const w = Math.max(width, 60);
  const beside = seam.bands.some((b) => b.lane > 0);
  const x = (d: string) => 3 + ((w - 6) * daysBetween(seam.from, d)) / days;
  return (
    <div ref={ref} style={{ height: 20, width: "100%" }}>
      <svg width={w} height={20} role="img" aria-label={label}>
        <Cloth
          seam={{ ...seam, bands: seam.bands.filter((b) => b.lane === 0) }}
          x={x}
          end={end}
          y={2}
          height={beside ? 11 : 16}
        />
        {beside && (
          <Cloth
            seam={{ ...seam, bands: seam.bands.filter((b) => b.lane > 0) }}
            x={x}
            end={end}
            y={14}
            height={5}
            bare
          />
        )}
        <Thread seam={seam} x={x} y={10} step={Math.max(1, Math.ceil(seam.stitches.length / (w / 7)))} />
        {seam.knots.map((k) => (
          <circle key={k} cx={x(k)} cy={10} r={4.2} fill="var(--red)" />
        ))}
      </svg>
    </div>
  );
}

interface ClothProps {
  seam: SeamData;
  x: (day: string) => number;
  end: string;
  y: number;
  height: number;
  /** Without the line under it: the cloth of a track beside the first. */
  bare?: boolean;
}

export function Cloth({ seam, x, end, y, height, bare }: ClothProps) {
  return (
    <>
      {!bare && (
        <line
          x1={x(seam.from)}
          x2={x(end)}
          y1={y + height / 2}
          y2={y + height / 2}
          stroke="var(--weft)"
          strokeWidth={1.5}
        />
      )}
      {seam.bands.map((b, i) => {
        const from = x(b.from);
        return (
          <rect
            key={`${b.track}${b.from}${b.stage}`}
            x={from}
            y={y}
            width={Math.max(1, x(b.to ?? end) - from - 2)}
            height={height}
            rx={2}
            fill={bandColour(b, i)}
          />
        );
      })}
    </>
  );
}

/** The running stitch: one for each day on which somebody looked, thinned to what fits. */
export function Thread({ seam, x, y, step }: { seam: SeamData; x: (day: string) => number; y: number; step: number }) {
  return (
    <>
      <path
        d={seam.stitches
          .filter((_, i) => i % step === 0)
          .map((s) => `M${(x(s) - 2.6).toFixed(1)} ${y + 0.6}l5.2 -1.2`)
          .join("")}
        data-stitches={Math.ceil(seam.stitches.length / step)}
        stroke="var(--red)"
        strokeWidth={2.2}
        strokeLinecap="round"
      />
      {seam.loose.map((l) => (
        <path
          key={l.on}
          d={`M${x(l.on) - 7} ${y} q5 -${y > 40 ? 20 : 8} 8 -${y > 40 ? 7 : 3} t5 -${y > 40 ? 14 : 5}`}
          fill="none"
          stroke="var(--red)"
          strokeWidth={1.8}
        />
      ))}
    </>
  );
}
