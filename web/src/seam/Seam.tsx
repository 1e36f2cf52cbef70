import { useElementSize } from "@mantine/hooks";
import type { Schemas } from "../api/client";
import { addDays, daysBetween, shortDay } from "../dates";
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
  const x = (d: string) => 3 + ((w - 6) * daysBetween(seam.from, d)) / days;
  return (
    <div ref={ref} style={{ height: 20, width: "100%" }}>
      <svg width={w} height={20} role="img" aria-label={label}>
        <Cloth seam={seam} x={x} end={end} y={2} height={16} />
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
}

export function Cloth({ seam, x, end, y, height }: ClothProps) {
  return (
    <>
      <line
        x1={x(seam.from)}
        x2={x(end)}
        y1={y + height / 2}
        y2={y + height / 2}
        stroke="var(--weft)"
        strokeWidth={1.5}
      />
      {seam.bands.map((b, i) => {
        const from = x(b.from);
        return (
          <rect
            key={`${b.from}${b.stage}`}
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
      {seam.stitches
        .filter((_, i) => i % step === 0)
        .map((s) => (
          <line
            key={s}
            x1={x(s) - 2.6}
            x2={x(s) + 2.6}
            y1={y + 0.6}
            y2={y - 0.6}
            stroke="var(--red)"
            strokeWidth={2.2}
            strokeLinecap="round"
          />
        ))}
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

interface LargeSeamProps extends SmallSeamProps {
  /** What is measured along the way, drawn above the cloth. */
  curve?: { name: string; unit: string; readings: { on: string; value: number }[] };
  /** The expected time of the next gate: open basting. */
  ahead?: { from: string; to: string; name: string };
}

/** The seam as it stands on a plant's page: with dates, stage names, a measured curve and the basting ahead. */
export function LargeSeam({ seam, today, label, curve, ahead }: LargeSeamProps) {
  const { ref, width } = useElementSize();
  const w = Math.max(width, 280);
  const left = 6;
  const end = seam.ended ?? (ahead ? addDays(ahead.to, 6) : addDays(today, 7));
  const days = Math.max(daysBetween(seam.from, end), 21);
  const x = (d: string) => left + ((w - left - 8) * daysBetween(seam.from, d)) / days;
  const curveTop = 28;
  const curveHeight = curve ? 84 : 0;
  const y = curveTop + curveHeight + 12;
  const band = 46;
  const stitchY = y + 33;
  const months = monthStarts(seam.from, end, w < 520 ? 2 : 1);
  const words = placeWords(seam, x, w);
  const height = y + band + 12 + words.rows * 17;
  return (
    <div ref={ref} style={{ width: "100%" }}>
      <svg width={w} height={height} role="img" aria-label={label} style={{ display: "block" }}>
        {months.map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1={18} y2={y + band} stroke="var(--weft)" />
            <text x={x(m) + 4} y={13} fontSize={12} fill="var(--soft)">
              {shortDay(m).replace(/^1 /, "")}
            </text>
          </g>
        ))}
        {curve && curve.readings.length > 1 && (
          <Curve curve={curve} x={x} top={curveTop} height={curveHeight} right={w} />
        )}
        {seam.bare.map((b) => (
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
        <Cloth seam={seam} x={x} end={seam.ended ?? today} y={y} height={band} />
        {seam.bands.map((b) => {
          const from = x(b.from);
          const to = x(b.to ?? seam.ended ?? today);
          return (
            <g key={`${b.from}${b.stage}`}>
              <rect
                x={from + 4}
                y={y + 4}
                width={Math.max(0, to - from - 10)}
                height={band - 8}
                fill="none"
                stroke="var(--cloth)"
                strokeDasharray="4 4"
                opacity={0.8}
              />
              {to - from > b.name.length * 6.6 + (b.back ? 28 : 16) && (
                <text x={from + (b.back ? 22 : 10)} y={y + 18} fontSize={12.5} fontWeight={600} fill="var(--ink)">
                  {b.name}
                </text>
              )}
            </g>
          );
        })}
        {ahead && !seam.ended && (
          <g>
            <rect
              x={x(ahead.from)}
              y={y}
              width={Math.max(4, x(ahead.to) - x(ahead.from))}
              height={band}
              rx={2}
              fill="var(--slate-cloth)"
              opacity={0.5}
            />
            <line
              x1={x(today) + 4}
              x2={w - 8}
              y1={stitchY}
              y2={stitchY}
              stroke="var(--soft)"
              strokeWidth={1.4}
              strokeDasharray="7 6"
            />
            {x(ahead.to) - x(ahead.from) > ahead.name.length * 6.6 + 14 && (
              <text x={x(ahead.from) + 8} y={y + 18} fontSize={12.5} fill="var(--ink)">
                {ahead.name}
              </text>
            )}
          </g>
        )}
        <Thread seam={seam} x={x} y={stitchY} step={Math.max(1, Math.ceil(seam.stitches.length / (w / 7)))} />
        {seam.knots.map((k) => (
          <g key={k} stroke="var(--red)" strokeWidth={2}>
            <circle cx={x(k)} cy={stitchY} r={5.4} fill="var(--red)" stroke="none" />
            <path d={`M${x(k) - 8} ${stitchY - 5} l16 10 M${x(k) - 8} ${stitchY + 5} l16 -10`} />
          </g>
        ))}
        <line
          x1={x(today)}
          x2={x(today)}
          y1={18}
          y2={y + band + 4}
          stroke="var(--ink)"
          strokeWidth={1}
          strokeDasharray="2 3"
        />
        {words.placed.map((p) => (
          <text key={p.text + p.x} x={p.x} y={y + band + 14 + p.row * 17} fontSize={12} fill="var(--red)">
            {p.text}
          </text>
        ))}
      </svg>
    </div>
  );
}

function Curve({
  curve,
  x,
  top,
  height,
  right,
}: {
  curve: NonNullable<LargeSeamProps["curve"]>;
  x: (d: string) => number;
  top: number;
  height: number;
  right: number;
}) {
  const most = Math.max(...curve.readings.map((r) => r.value), 1);
  const y = (v: number) => top + height - (height - 8) * (v / most);
  const last = curve.readings.at(-1);
  const d = curve.readings.map((r, i) => `${i ? "L" : "M"}${x(r.on).toFixed(1)} ${y(r.value).toFixed(1)}`).join(" ");
  return (
    <g>
      {[0, most].map((v) => (
        <line
          key={v}
          x1={x(curve.readings[0]?.on ?? "")}
          x2={x(last?.on ?? "")}
          y1={y(v)}
          y2={y(v)}
          stroke="var(--weft)"
          strokeDasharray="2 4"
        />
      ))}
      <path d={d} fill="none" stroke="var(--kelp)" strokeWidth={2.2} strokeLinejoin="round" />
      {curve.readings.map((r, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: readings never move, and a day may have two
        <circle key={i} cx={x(r.on)} cy={y(r.value)} r={2.6} fill="var(--cloth)" stroke="var(--kelp)" strokeWidth={1.6}>
          <title>
            {shortDay(r.on)}: {r.value} {curve.unit}
          </title>
        </circle>
      ))}
      {last && (
        <text
          x={Math.min(x(last.on) + 4, right - 6)}
          textAnchor="end"
          y={Math.max(y(last.value) - 9, 26)}
          fontSize={12}
          fill="var(--kelp)"
          fontWeight={600}
        >
          {curve.name} {last.value} {curve.unit}
        </text>
      )}
    </g>
  );
}

/** The first of each month between two days, or of every nth. */
function monthStarts(from: string, to: string, every: number): string[] {
  const months: string[] = [];
  let [year = 0, month = 1] = from.split("-").map(Number);
  for (let i = 0; ; i++) {
    month++;
    if (month > 12) {
      month = 1;
      year++;
    }
    const first = `${year}-${String(month).padStart(2, "0")}-01`;
    if (first > to) return months;
    if (i % every === 0) months.push(first);
  }
}

/** Words under the seam, each on the first row where it does not touch another. */
function placeWords(seam: SeamData, x: (d: string) => number, w: number) {
  const placed: { text: string; x: number; row: number }[] = [];
  const rowEnds: number[] = [];
  const wanted = [
    ...seam.loose.map((l) => ({ on: l.on, text: `stepped back: ${l.why}` })),
    ...seam.bare
      .filter((b) => !seam.loose.some((l) => l.on === b.to))
      .map((b) => ({ on: b.from, text: `nobody looked for ${daysBetween(b.from, b.to)} days` })),
  ].sort((a, b) => (a.on < b.on ? -1 : 1));
  for (const { on, text } of wanted) {
    const most = Math.floor(w / 6.2);
    const said = text.length > most ? `${text.slice(0, most - 1)}…` : text;
    const length = said.length * 6.1;
    const at = Math.max(4, Math.min(x(on), w - length - 4));
    let row = rowEnds.findIndex((e) => e + 12 < at);
    if (row < 0) row = rowEnds.push(0) - 1;
    rowEnds[row] = at + length;
    placed.push({ text: said, x: at, row });
  }
  return { placed, rows: rowEnds.length };
}
