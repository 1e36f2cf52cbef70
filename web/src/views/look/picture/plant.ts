import { dot, fill, line, type Stroke, tone } from "./stroke";

/** The leaves of the small plant: the two oldest, two in the middle, the newest. */
const leaves = [
  "M48 46C34 46 20 44 14 36C28 32 42 36 48 46Z",
  "M48 46C62 46 76 44 82 36C68 32 54 36 48 46Z",
  "M48 46C36 38 26 26 24 14C38 18 48 30 48 46Z",
  "M48 46C60 38 70 26 72 14C58 18 48 30 48 46Z",
  "M48 46C42 32 42 16 48 4C54 16 54 32 48 46Z",
];
const limp = [
  "M48 46C36 42 24 46 16 58C28 60 42 56 48 46Z",
  "M48 46C60 42 72 46 80 58C68 60 54 56 48 46Z",
  "M48 46C38 34 22 34 14 44C26 50 40 50 48 46Z",
  "M48 46C58 34 74 34 82 44C70 50 56 50 48 46Z",
  "M48 46C46 32 56 24 68 26C68 36 58 44 48 46Z",
];
const which: Record<string, number[]> = {
  low: [0, 1],
  most: [0, 1, 2, 3],
  whole: [0, 1, 2, 3, 4],
  inner: [2, 3],
  oneside: [1, 3],
};
/** Marks that change the plant itself and add nothing beside it. */
export const shapesOfPlant = new Set([
  ...Object.keys(which),
  "limp",
  "dark",
  "dwarf",
  "small",
  "stretched",
  "climbing",
]);

const small = new Set(["dwarf", "small"]);
const tall = new Set(["stretched", "climbing"]);

/** The strokes of a whole plant with its marks, and whether it leans. */
export function plantStrokes(marks: [string, string | undefined][]): Stroke[] {
  const has = (m: string) => marks.some(([name]) => name === m);
  const shape = has("limp") ? limp : leaves;
  const colours = shape.map(() => tone(has("dark") ? "k" : "n"));
  for (const [name, letter] of marks) for (const i of which[name] ?? []) colours[i] = tone(letter, "y");
  let drawn: Stroke[] = shape.map((d, i) => ({ d, fill: colours[i], line: tone("w"), width: 0.8 }));
  if ([...small].some(has)) drawn = [line("M48 46V38M48 44L42 36M48 44L54 36", "n", 4)];
  if ([...tall].some(has)) drawn = [line("M48 46C46 30 52 16 48 2M48 36L60 30M49 24L36 18M49 12L60 6", "n", 2.4)];
  if (has("climbing")) drawn.push(line("M68 46V2", "t", 3));
  if (has("dwarf")) drawn.push(line("M70 38V10M64 16L70 10L76 16", "g", 1.6), line("M64 30L76 24", "r", 2));
  return drawn;
}

/** What stands round the small plant. */
export const aroundPlant: Record<string, Stroke[]> = {
  fallen: [
    fill("M8 60C12 54 22 54 26 60Z", "y"),
    fill("M66 62C70 56 80 56 84 62Z", "y"),
    fill("M16 64C20 58 28 58 32 64Z", "n"),
  ],
  onefallen: [fill("M8 60C12 54 22 54 26 60Z", "y")],
  sun: [dot(86, 8, 6, "y"), fill("M50 44C60 36 68 26 71 15C62 20 52 32 50 44Z", "l")],
  leaning: [line("M20 62C30 60 40 56 46 50", "g", 1.6), line("M84 8L72 2M84 8L76 18", "g", 1.6)],
  heavy: [line("M48 4V20M42 14L48 20L54 14", "r", 2)],
  offset: [line("M66 62V52M66 58L60 52M66 58L72 52", "n", 3)],
  drop: [fill("M84 12C90 22 88 28 84 28S78 22 84 12Z", "c")],
  perks: [line("M10 30V10M4 16L10 10L16 16", "n", 2)],
  evening: [fill("M84 6A10 10 0 1 0 92 20A8 8 0 0 1 84 6Z", "g")],
  clock: [line("M84 6A9 9 0 1 0 84 24A9 9 0 1 0 84 6M84 9V15L88 17", "g", 1.6)],
  room: [line("M4 62V20L48 2L92 20V62", "g", 1.6)],
  fan: [line("M8 12L20 20M20 12L8 20M14 20V34", "g", 2)],
  wind: [line("M2 12H22C28 12 28 4 22 4M2 22H30M2 32H20", "c", 2)],
  lamp: [fill("M34 0H62L58 4H38Z", "k")],
  close: [line("M40 6L36 12M48 6V12M56 6L60 12", "y", 2)],
  toppatch: [fill("M48 5C44 14 44 20 48 26C52 20 52 14 48 5Z", "l")],
  airroots: [line("M34 46C24 48 20 56 22 64M62 46C72 48 76 56 74 64", "s", 2.4)],
  cat: [fill("M74 62C70 50 74 42 82 42C90 42 94 50 90 62Z", "k"), fill("M75 44L75 36L80 41L84 41L89 36L89 44Z", "k")],
  shelf: [line("M20 63H76M26 63V68M70 63V68", "b", 3)],
};
