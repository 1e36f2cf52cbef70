import { begonia, clump, fan, tiered, trailer, tree, vine, waxVine } from "./foliage";
import { airTuft, bulb, cane, clumpGrass, cycad, ivy, segments, strands, traps, upright, violet } from "./more";
import { bulbed, creeper, deciduous, singleStem } from "./orchids";
import { column, cup, frond, palm, rosette } from "./others";
import { type Counts, type Drawing, type Shape, soil, upTo } from "./strokes";

const drawings: Record<string, (counts: Counts) => Drawing> = {
  bulbed,
  "single-stem": singleStem,
  deciduous,
  creeper,
  vine,
  clump,
  tiered,
  begonia,
  trailer,
  tree,
  fan,
  "wax-vine": waxVine,
  rosette,
  column,
  frond,
  palm,
  cup,
  violet,
  bulb,
  "clump-grass": clumpGrass,
  upright,
  strands,
  segments,
  "air-tuft": airTuft,
  traps,
  ivy,
  cane,
  cycad,
};

/** The names under which a habit's drawing can stand. */
export const figureNames = Object.keys(drawings);

const drawn = new Map<string, Drawing>();

/** The drawing that stands for a habit's figure, with about as many growths and leaves as were counted. */
export function drawingOf(figure: string, { growths, leaves }: Counts): Drawing {
  const key = `${figure} ${growths} ${leaves}`;
  const drawing = drawn.get(key) ?? (drawings[figure] ?? clump)({ growths, leaves });
  drawn.set(key, drawing);
  return drawing;
}

/** Pot, medium and roots, the same under every plant. */
export const ground: { shapes: Shape[]; anchors: Drawing["anchors"] } = {
  shapes: [
    {
      zone: "roots",
      width: 2.8,
      d: `M192 358 C186 384 170 396 176 430 M200 358 C202 392 214 404 206 434 M210 358 C226 380 240 390 236 420 M186
        358 C168 374 160 386 164 410`,
    },
    {
      zone: "medium",
      width: 1,
      d: upTo(40)
        .map((i) => `M${150 + ((i * 53) % 96)} ${366 + ((i * 37) % 70)} q4 -3 8 0`)
        .join(" "),
    },
    { zone: "surface", width: 1.4, d: `M142 ${soil + 6} q8 -5 16 0 t16 0 t16 0 t16 0 t16 0 t16 0 t14 0` },
  ],
  anchors: { surface: [250, 358], medium: [152, 388], pot: [252, 412], roots: [206, 432] },
};
