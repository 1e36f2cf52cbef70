import { useId } from "react";
import { bases } from "./picture/bases";
import { mark } from "./picture/marks";
import { aroundPlant, plantStrokes, shapesOfPlant } from "./picture/plant";
import { type Stroke, tone } from "./picture/stroke";

/** The strokes of a drawing: the part first, then its marks, each with a letter for its colour where it has one. */
export function strokesOf(drawing: string): { strokes: Stroke[]; outline?: string; missing: string[] } {
  const [part = "", ...words] = drawing.split(" ");
  const base = bases[part];
  if (!base) return { strokes: [], missing: [part] };
  const marks = words.map((w) => w.split("/") as [string, string | undefined]);
  const missing: string[] = [];
  const strokes = [...base.strokes];
  if (part === "plant") strokes.push(...plantStrokes(marks));
  for (const [name, letter] of marks) {
    const drawn = part === "plant" ? (aroundPlant[name] ?? []) : mark(name, letter, base, part);
    strokes.push(...drawn);
    if (drawn.length === 0 && !(part === "plant" && shapesOfPlant.has(name))) missing.push(name);
  }
  return { strokes, outline: base.outline, missing };
}

/** A small picture of a sign, drawn by the program in one manner. */
export function SignPicture({ drawing, width = 116 }: { drawing: string; width?: number }) {
  const clip = useId();
  const { strokes, outline } = strokesOf(drawing);
  if (strokes.length === 0) return null;
  return (
    <svg viewBox="0 0 96 64" width={width} height={(width * 64) / 96} aria-hidden="true" data-drawing={drawing}>
      {outline && (
        <clipPath id={clip}>
          <path d={outline} />
        </clipPath>
      )}
      <rect width="96" height="64" fill={tone("h")} rx="3" />
      {strokes.map((s, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes have no name and never change their order
          key={i}
          d={s.d}
          fill={s.fill ?? "none"}
          stroke={s.line}
          strokeWidth={s.width}
          strokeLinecap="round"
          strokeLinejoin="round"
          clipPath={s.inside && outline ? `url(#${clip})` : undefined}
        />
      ))}
    </svg>
  );
}
