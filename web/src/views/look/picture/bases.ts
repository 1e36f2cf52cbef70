import { dot, fill, line, type Stroke } from "./stroke";

/** A part of a plant, or a thing beside it, on which marks are drawn. The field is 96 wide and 64 high. */
export interface Base {
  /** The outline within which marks stay. */
  outline?: string;
  field: readonly [number, number, number, number];
  strokes: Stroke[];
}

const leaf = "M10 36C22 10 58 6 90 30C62 58 26 60 10 36Z";
const shoot = "M48 60C34 44 36 18 50 6C62 20 62 44 48 60Z";
const stem = "M40 62C42 40 42 24 40 2H56C54 24 54 40 56 62Z";
const pot = "M22 14H74L66 60H30Z";
const disc = "M48 10C72 10 82 22 82 34S70 58 48 58S14 48 14 34S24 10 48 10Z";
const petals =
  "M48 30C36 4 24 12 34 28C8 22 8 36 32 38C18 58 36 62 46 42C56 62 74 58 62 40C90 38 86 22 60 28C72 10 60 4 48 30Z";
const bulb = (x: number) => `M${x} 60C${x - 14} 52 ${x - 12} 28 ${x} 18C${x + 12} 28 ${x + 14} 52 ${x} 60Z`;

const ribs = "M10 36Q46 30 90 30M30 33L38 18M30 33L36 48M48 31L58 16M48 31L56 50M66 30L74 20M66 30L72 44";

/** Which base a picture stands on, by its first word. */
export const bases: Record<string, Base> = {
  leaf: {
    outline: leaf,
    field: [20, 18, 56, 30],
    strokes: [fill(leaf, "n"), line("M10 36Q46 30 90 30", "l", 1.2), line("M10 36L2 42", "n", 2.4)],
  },
  under: {
    outline: leaf,
    field: [20, 18, 56, 30],
    strokes: [
      fill(leaf, "n"),
      { ...fill(leaf, "l"), inside: true },
      line(ribs, "n", 1.4, true),
      line("M10 36L2 42", "n", 2.4),
    ],
  },
  frond: {
    outline: leaf,
    field: [20, 20, 56, 26],
    strokes: [fill(leaf, "n"), line(ribs, "l", 1.2, true), line("M10 36L2 42", "n", 2.4)],
  },
  shoot: {
    outline: shoot,
    field: [42, 14, 12, 38],
    strokes: [
      line("M48 60V64M48 60C30 56 20 46 14 34M48 60C66 56 76 46 82 34", "n", 3),
      fill(shoot, "n"),
      line("M48 60L50 8", "l", 1.2),
    ],
  },
  stem: {
    outline: stem,
    field: [42, 10, 12, 44],
    strokes: [
      fill(stem, "n"),
      line("M41 20H55M41 38H55", "l", 1.2),
      line("M54 20C66 16 74 8 84 8M42 38C30 36 22 28 12 30", "n", 3),
    ],
  },
  joint: {
    outline: stem,
    field: [38, 26, 26, 14],
    strokes: [fill(stem, "n"), line("M54 40C66 34 76 20 90 14", "n", 5)],
  },
  bulbs: {
    outline: bulb(30) + bulb(62),
    field: [22, 28, 48, 26],
    strokes: [fill(bulb(30), "n"), fill(bulb(62), "n"), line("M22 61H70", "t", 3)],
  },
  cut: { outline: disc, field: [24, 18, 48, 32], strokes: [fill(disc, "l"), line(disc, "n", 3)] },
  crown: {
    outline: disc,
    field: [36, 24, 24, 18],
    strokes: [line("M48 34L18 8M48 34L80 10M48 34L12 44M48 34L84 46M48 34L40 62M48 34L60 62", "n", 8)],
  },
  rosette: {
    outline: disc,
    field: [36, 24, 24, 18],
    strokes: [
      fill(
        `M48 60C30 52 14 44 8 18C30 20 44 34 48 60C52 34 66 20 88 18C82 44 66 52 48 60C42 38 42 22 48 4C54 22 54 38 48
          60Z`,
        "n",
      ),
    ],
  },
  flower: {
    outline: petals,
    field: [22, 18, 52, 32],
    strokes: [fill(petals, "l"), line(petals, "p", 1.2), dot(48, 34, 4, "o"), line("M48 40V64", "n", 2.4)],
  },
  pot: {
    outline: pot,
    field: [30, 20, 36, 34],
    strokes: [fill(pot, "t"), fill("M24 20H72L66 58H30Z", "b", true), line(pot, "k", 1.2)],
  },
  roots: {
    outline: "M10 2H86V64H10Z",
    field: [24, 18, 48, 40],
    strokes: [fill("M4 10H92V64H4Z", "u"), line("M48 2V14", "n", 6)],
  },
  paper: {
    field: [22, 20, 52, 30],
    strokes: [{ ...fill("M16 12H80V56H16Z", "w") }, line("M16 12H80V56H16Z", "g", 1.2)],
  },
  pair: { field: [10, 10, 76, 50], strokes: [line("M48 62V64", "n", 3)] },
  plant: { field: [16, 6, 64, 36], strokes: [fill("M34 46H62L58 62H38Z", "t")] },
  row: { field: [8, 10, 80, 50], strokes: [] },
  days: { field: [4, 10, 88, 50], strokes: [line("M4 58H92", "g", 1.2)] },
  can: {
    field: [10, 10, 76, 50],
    strokes: [
      fill("M30 26H62V56H30Z", "s"),
      line("M62 46L84 28M80 24L90 32", "s", 4),
      line("M30 32C16 30 16 52 30 50", "s", 3),
    ],
  },
  bottle: { field: [10, 10, 76, 50], strokes: [fill("M38 20H58V60H38Z", "s"), fill("M43 8H53V20H43Z", "s")] },
  kettle: {
    field: [10, 10, 76, 50],
    strokes: [fill("M28 24H64L70 58H22Z", "s"), line("M66 34L84 22", "s", 5), line("M34 22C34 8 58 8 58 22", "s", 3)],
  },
  jar: {
    outline: "M30 10H66V60H30Z",
    field: [34, 24, 28, 32],
    strokes: [fill("M30 26H66V60H30Z", "c"), line("M30 10V60H66V10", "g", 2)],
  },
  meter: { field: [14, 8, 68, 48], strokes: [line("M14 52A34 34 0 0 1 82 52", "g", 3), line("M14 52H82", "g", 1.2)] },
  window: {
    field: [10, 8, 40, 50],
    strokes: [
      line("M8 8H44V56H8ZM26 8V56M8 32H44", "g", 2),
      fill("M66 48H86L83 62H69Z", "t"),
      line("M76 48V34M76 44L66 34M76 44L86 32", "n", 3),
    ],
  },
  move: {
    field: [8, 8, 80, 50],
    strokes: [
      line("M10 30L30 14L50 30V58H10Z", "g", 2),
      fill("M66 48H86L83 62H69Z", "t"),
      line("M76 48V34M76 44L66 34M76 44L86 32", "n", 3),
    ],
  },
  parcel: {
    field: [16, 12, 64, 46],
    strokes: [fill("M16 20H80V60H16Z", "t"), line("M48 20V60M16 20L48 30L80 20", "b", 1.6)],
  },
  bowl: { field: [20, 8, 56, 30], strokes: [fill("M16 36H80C76 58 20 58 16 36Z", "s")] },
};
