import type { Base } from "./bases";
import { dot, fill, line, ring, type Stroke, scatter } from "./stroke";

type Draw = (letter: string | undefined, base: Base) => Stroke[];

const dots =
  (n: number, r: number, other: string, seed?: number): Draw =>
  (c, b) =>
    scatter(n, b.field, seed).map(([x, y]) => dot(x, y, r, c ?? other, true));
const still =
  (...strokes: Stroke[]): Draw =>
  () =>
    strokes;
const patch = `M22 22C30 14 40 20 36 30C28 36 20 32 22 22Z
  M50 36C60 28 70 36 62 46C52 50 46 44 50 36ZM54 14C62 12 66 20 58 24C52
    24 50 18 54 14Z`;
const stars = (x: number, y: number) =>
  `M${x - 3} ${y}H${x + 3}M${x} ${y - 3}V${y + 3}M${x - 2} ${y - 2}L${x + 2} ${y + 2}M${x - 2} ${y + 2}L${x + 2}
    ${y - 2}`;
const wave = (y: number) => `M14 ${y}Q18 ${y - 4} 22 ${y}T30 ${y}T38 ${y}T46 ${y}T54 ${y}T62 ${y}T70 ${y}T78 ${y}`;
const strands =
  "M48 12C40 26 28 34 20 58M48 12C44 30 38 44 38 60M48 12V60M48 12C52 30 58 44 60 60M48 12C56 26 70 36 78 58";
const calendar = "M70 4H92V24H70ZM70 10H92M76 2V6M86 2V6";
const plantlet = (x: number, tall = 14) =>
  `M${x} 58V${58 - tall}M${x} ${58 - tall / 2}L${x - 5} ${52 - tall / 2}M${x} ${58 - tall / 2}L${x + 5}
    ${52 - tall / 2}`;
const bug = (x: number, y: number, letter: string) => [
  dot(x, y, 2.4, letter),
  line(`M${x - 4} ${y - 2}L${x + 4} ${y + 2}M${x - 4} ${y + 2}L${x + 4} ${y - 2}`, letter, 0.8),
];

/** Marks on a leaf, a shoot, a stem, a flower. */
const onParts: Record<string, Draw> = {
  whole: (c, b) => (b.outline ? [fill(b.outline, c ?? "y", true), line("M10 36Q46 30 90 30", "t", 1, true)] : []),
  tip: (c) => [fill("M76 0H96V64H76ZM30 0H66V16H30Z", c ?? "b", true)],
  edge: (c, b) => [line(b.outline ?? "", c ?? "b", 9, true)],
  foot: (c) => [fill("M0 20H30V64H0ZM30 46H70V64H30Z", c ?? "b", true)],
  patches: (c) => [fill(patch, c ?? "y", true)],
  spots: dots(7, 3.4, "b"),
  halo: (c, b) =>
    scatter(5, b.field, 11).flatMap(([x, y]) => [dot(x, y, 6, "y", true), dot(x, y, 3.2, c ?? "b", true)]),
  dots: dots(46, 0.9, "l"),
  pits: (c, b) => scatter(9, b.field, 5).map(([x, y]) => ring(x, y, 2.6, c ?? "t", true)),
  specks: dots(16, 1, "k", 23),
  redspecks: dots(14, 1.3, "r", 23),
  freckles: dots(12, 1.6, "p", 3),
  ringdots: () => [...scatter(8, [76, 24, 8, 14])].map(([x, y]) => dot(x, y, 1.1, "k", true)),
  rowdots: (c) =>
    [26, 36, 46, 56, 66].flatMap((x) => [dot(x, 26, 2.2, c ?? "b", true), dot(x, 40, 2.2, c ?? "b", true)]),
  streaks: (c) => [line("M22 30L38 24M30 42L48 36M46 24L60 20M56 40L74 34M40 50L54 46", c ?? "s", 4, true)],
  powder: (c, b) => scatter(6, b.field, 13).map(([x, y]) => ({ ...dot(x, y, 6, c ?? "w", true) })),
  bloom: () => [{ ...fill("M0 0H96V64H0Z", "w", true), fill: "rgb(251 248 238 / 55%)" }],
  fuzz: (c, b) => scatter(14, b.field, 17).map(([x, y]) => line(stars(x, y), c ?? "g", 1.2)),
  film: (c) => [line("M18 38C34 26 50 40 66 26M24 48C40 36 56 50 74 36", c ?? "c", 5, true)],
  wiped: still(line("M30 14L58 50", "n", 12, true)),
  drops: (c, b) =>
    scatter(5, b.field, 29).map(([x, y]) =>
      fill(
        `M${x} ${y - 5}C${x + 5} ${y + 2} ${x + 3} ${y + 5} ${x} ${y + 5}S${x - 5} ${y + 2} ${x} ${y - 5}Z`,
        c ?? "c",
      ),
    ),
  enddrops: (c) => [fill("M90 30C96 40 94 45 90 45S84 40 90 30ZM66 50C72 58 70 62 66 62S60 58 66 50Z", c ?? "c")],
  ooze: (c) => [fill("M44 34C50 46 48 60 44 60S38 46 44 34Z", c ?? "o"), dot(44, 32, 5, c ?? "k")],
  mosaic: (c) => [
    fill(
      "M20 26H34V36H20ZM38 14H50V26H38ZM44 36H58V50H44ZM60 20H74V30H60ZM28 42H38V52H28ZM66 36H78V46H66Z",
      c ?? "l",
      true,
    ),
  ],
  rings: (c) => [ring(36, 28, 6, c ?? "l", true), ring(62, 38, 5, c ?? "l", true), ring(58, 18, 3, c ?? "l", true)],
  waterrings: (c) => [
    ring(30, 30, 9, c ?? "l", true),
    ring(58, 32, 12, c ?? "l", true),
    line("M70 14C72 26 68 40 74 50", c ?? "l", 2, true),
  ],
  variegated: still(fill("M10 36C22 10 58 6 90 30Q46 30 10 36Z", "l", true)),
  redbelow: still(fill("M10 36Q46 30 90 30C62 58 26 60 10 36Z", "r", true)),
  sunpatch: (c) => [fill("M44 12C62 8 76 20 70 30C58 34 44 28 44 12Z", c ?? "l", true)],
  glassy: (c) => [
    { ...fill("M0 0H96V64H0Z", c ?? "c", true), fill: "rgb(95 155 176 / 55%)" },
    line("M26 26C34 18 44 16 52 16", "w", 3, true),
  ],
  holes: still(dot(36, 26, 5, "h"), dot(58, 38, 6, "h"), dot(66, 22, 3.4, "h")),
  notches: still(dot(30, 52, 6, "h"), dot(50, 56, 6, "h"), dot(70, 48, 6, "h"), dot(44, 10, 6, "h")),
  ragged: still(fill("M58 0L66 18L74 10L80 26L92 20L90 64L70 56L64 44L56 52L58 34L48 26Z", "h", true)),
  tear: still(fill("M48 64L54 38L62 64Z", "h"), line("M30 54L36 38", "h", 2.4)),
  chewed: still(dot(50, 8, 8, "h"), dot(64, 10, 7, "h"), dot(76, 18, 7, "h")),
  cracks: still(line("M24 40L34 30L32 22M48 46L52 34L60 30M66 40L72 30", "k", 1, true)),
  droop: still(line("M90 30C94 40 94 50 90 58", "b", 4)),
  fall: still(line("M6 44V58M2 53L6 58L10 53", "r", 1.8)),
  rolled: still(
    fill("M12 34C30 24 66 20 90 30C66 32 34 36 12 34ZM12 38C34 44 66 42 90 32C66 36 34 40 12 38Z", "k", true),
  ),
  pleats: still(line("M16 30L84 24M14 36L88 31M20 44L82 38M26 50L72 46", "k", 1.2, true)),
  lengthwise: still(line("M10 36Q46 24 90 30M10 36Q46 40 90 30", "l", 1.2, true)),
  bands: (c) => [fill("M60 0H96V64H60Z", c ?? "b", true), line("M60 8V58M70 8V58M80 12V50", "k", 2, true)],
  blocks: (c) => [fill("M30 33L38 18L58 16L48 31ZM48 31L56 50L72 44L66 30Z", c ?? "b", true)],
  mines: (c) => [line("M20 40C28 26 36 46 44 32S56 24 60 34S72 40 78 28", c ?? "l", 2.6, true)],
  slime: still(line("M6 54C24 40 34 56 50 40S76 36 92 18", "s", 3)),
  snail: still(fill("M70 58C70 46 88 46 88 58Z", "b"), line("M88 58H64M66 58L62 50", "t", 2.4)),
  caterpillar: still(...[62, 68, 74, 80].map((x) => dot(x, 46, 4, "y")), dot(86, 44, 4, "k")),
  bumps: (c, b) => scatter(9, b.field, 19).map(([x, y]) => dot(x, y, 2.8, c ?? "t")),
  scales: (c, b) =>
    scatter(6, b.field, 31).flatMap(([x, y]) => [
      dot(x, y, 4, c ?? "b"),
      line(`M${x - 2} ${y - 1}A3 3 0 0 1 ${x + 2} ${y - 1}`, "w", 1),
    ]),
  shields: (c, b) => scatter(7, b.field, 37).flatMap(([x, y]) => [ring(x, y, 4, c ?? "t"), dot(x, y, 1.4, c ?? "t")]),
  grains: (c, b) =>
    scatter(12, b.field, 41).map(([x, y]) => fill(`M${x - 2} ${y - 2}H${x + 2}V${y + 2}H${x - 2}Z`, c ?? "w")),
  tufts: (_, b) => scatter(6, b.field, 43).flatMap(([x, y]) => [dot(x, y, 4, "w"), line(stars(x, y), "g", 0.8)]),
  flies: (c, b) =>
    scatter(6, [b.field[0], 2, b.field[2], 26], 47).flatMap(([x, y]) => [
      dot(x, y, 1.6, c ?? "k"),
      line(`M${x} ${y}L${x - 5} ${y - 4}M${x} ${y}L${x + 5} ${y - 4}`, c ?? "k", 1.4),
    ]),
  web: still(
    line("M50 8L14 34M50 20L14 34M50 34L14 34M26 26L27 34M38 16L40 34M50 8L82 34M54 28L82 34M66 22L68 30", "g", 1),
  ),
  thread: still(line("M14 34C30 20 44 24 52 10", "g", 1)),
  aphids: () =>
    scatter(9, [40, 8, 18, 26], 53).flatMap(([x, y]) => [
      dot(x, y, 2.6, "y"),
      line(`M${x} ${y}L${x + 4} ${y + 2}`, "k", 0.8),
    ]),
  slender: () => scatter(6, [26, 20, 44, 26], 59).map(([x, y]) => line(`M${x} ${y}L${x + 6} ${y + 2}`, "k", 1.8)),
  mites: () => scatter(8, [24, 20, 48, 26], 61).flatMap(([x, y]) => bug(x, y, "r")),
  dust: () => scatter(12, [24, 20, 48, 26], 67).map(([x, y]) => dot(x, y, 1, "g")),
  ants: () =>
    [
      [46, 14],
      [50, 28],
      [46, 44],
    ].flatMap(([x = 0, y = 0]) => [dot(x, y - 3, 1.8, "k"), dot(x, y, 1.6, "k"), dot(x, y + 4, 2.2, "k")]),
};

/** What only a shoot, a stem, bulbs or a flower can be. */
const ofShapes: Record<string, Draw> = {
  furled: still(line("M44 54L54 10M52 54L56 14", "l", 1.4)),
  stuck: still(line("M42 20L56 24L42 28L56 32L42 36L56 40", "k", 1.6, true)),
  twisted: still(line("M40 50C58 44 36 34 58 26C44 20 56 14 50 8", "k", 2, true)),
  crease: still(line("M40 34L58 30", "l", 2)),
  sheath: (c) => [
    fill("M34 42C38 60 58 60 62 42L58 36C50 44 44 44 38 36Z", c ?? "t"),
    line("M40 44V56M48 46V58M56 44V56", "b", 0.8),
  ],
  young: still(line("M40 14L48 4L56 14", "n", 1.6)),
  knocked: still(line("M42 14L58 10", "b", 3)),
  half: still(fill("M30 0H66V28H30Z", "h", true), line("M38 28H58", "k", 1.6)),
  rest: still(fill("M66 6A12 12 0 1 0 78 22A10 10 0 0 1 66 6Z", "g")),
  calendar: still(line(calendar, "g", 1.6)),
  tick: still(line("M72 14L79 22L92 6", "n", 3)),
  nothing: still(line("M66 34L78 46M78 34L66 46", "r", 2.4)),
  soft: still(line("M38 50C30 54 28 62 34 64M58 50C66 54 68 62 62 64", "b", 3)),
  bark: (c) => [line("M42 62V34M46 62V30M50 62V34M54 62V30", c ?? "t", 2.6, true)],
  bare: still(line("M41 30H55M41 48H55", "t", 2), fill("M0 24H40V64H0ZM57 0H96V64H57Z", "h")),
  trunk: still(line("M41 26H55M41 34H55M41 42H55M41 50H55M41 58H55", "b", 2)),
  severed: still(line("M36 34L60 28", "h", 6), line("M36 31L60 25M36 38L60 32", "b", 1.2)),
  joined: still(line("M36 34L44 32M52 30L60 28", "h", 6)),
  collapsed: still(fill("M36 0H60V34H36Z", "h"), line("M48 38C60 34 76 44 88 60", "b", 9)),
  tie: still(line("M38 32H58M38 35H58", "k", 2), line("M58 33L70 26M58 34L70 42", "k", 1.4)),
  scar: still(line("M41 32H55", "t", 1.4)),
  newpleats: still(line("M54 30V54M58 26V58M62 24V58M66 26V58M70 32V52", "k", 1.2, true)),
  oldpleats: still(line("M22 30V54M26 26V58M30 24V58M34 26V58M38 32V52", "k", 1.2, true)),
  ribs: still(
    line("M26 26C24 38 24 48 28 58M34 26C36 38 36 48 32 58M58 26C56 38 56 48 60 58M66 26C68 38 68 48 64 58", "l", 1.2),
  ),
  creep: (c) => [fill("M14 40C30 30 50 46 80 36V64H14Z", c ?? "k", true)],
  ring: (c) => [line("M48 20C64 20 70 28 70 34S62 48 48 48S26 42 26 34S32 20 48 20Z", c ?? "p", 5)],
  rim: (c) => [line("M48 12C70 12 80 22 80 34S68 56 48 56S16 46 16 34S26 12 48 12Z", c ?? "b", 3)],
  cup: (c) => [fill("M38 30H58C58 46 38 46 38 30Z", c ?? "c")],
  spent: still(line("M48 30V2M44 8H52M44 14H52", "t", 3)),
  offset: still(line("M74 62V50M74 58L66 50M74 58L82 50M22 62V50M22 58L14 50M22 58L30 50", "n", 3)),
  open: still(line("M48 52L36 46", "n", 2)),
  faded: still(fill("M32 28C8 22 8 36 32 38Z", "b"), fill("M60 28C90 22 86 38 62 40Z", "b")),
  limp: still(line("M30 24C22 34 22 46 28 54M66 24C74 34 74 46 68 54", "b", 4)),
  none: still(line("M28 14L68 54M68 14L28 54", "r", 3)),
  budsfallen: still(
    fill("M20 58C20 50 28 50 28 58ZM66 60C66 52 74 52 74 60Z", "y"),
    line("M48 40L34 32M48 44L62 36", "n", 2),
  ),
  stink: still(line("M72 26C68 20 76 16 72 10M80 26C76 20 84 16 80 10M88 26C84 20 92 16 88 10", "o", 1.8)),
  oldnet: still(
    ...pairOf("n", "n"),
    line("M44 58L14 38M36 52L30 42M28 47L24 40", "y", 5),
    line("M44 58L14 38", "n", 1.4),
  ),
  oldwhole: (c) => pairOf(c ?? "y", "n"),
  oldedge: (c) => [...pairOf("n", "n"), line("M48 60C30 58 12 50 8 36C24 30 42 40 48 60Z", c ?? "y", 5)],
  newnet: still(...pairOf("n", "l"), line("M48 60L80 14M60 42L56 28M66 34L78 32", "n", 1.6)),
  newwhole: (c) => pairOf("n", c ?? "l"),
  newsmall: still(
    fill("M48 60C30 58 12 50 8 36C24 30 42 40 48 60Z", "n"),
    fill("M50 58C52 50 58 44 66 42C66 52 60 58 50 58Z", "n"),
    line("M70 42L76 36M76 42L70 36", "r", 1.6),
  ),
  newgrowing: still(
    fill("M48 60C30 58 12 50 8 36C24 30 42 40 48 60Z", "n"),
    fill("M50 58C52 50 58 44 66 42C66 52 60 58 50 58Z", "n"),
    line("M72 46V28M67 34L72 28L77 34", "n", 1.8),
  ),
};

/** An old leaf and a new one, each in its colour. */
function pairOf(old: string, young: string): Stroke[] {
  return [
    fill("M48 60C30 58 12 50 8 36C24 30 42 40 48 60Z", old),
    fill("M48 60C48 40 60 18 84 10C86 34 70 54 48 60Z", young),
  ];
}

/** Roots, pot and medium. */
const below: Record<string, Draw> = {
  live: still(line(strands, "w", 4), line("M20 58L19 62M38 60V63M60 60V63M78 58L79 62", "n", 3)),
  soft: still(line(strands, "b", 6), line("M36 40L30 50M58 44L66 54", "k", 3)),
  dry: (_, b) =>
    b.outline?.startsWith("M22")
      ? [line("M36 22L42 36L36 50M56 24L50 40L58 56", "l", 1.6)]
      : [line(strands, "b", 2), line("M24 46L28 50M58 40L62 44", "w", 1.4)],
  few: still(
    line("M48 12C44 30 38 44 38 60", "w", 4),
    line("M48 12C56 20 60 26 62 30M48 12C40 18 34 24 32 28", "b", 2),
  ),
  wiry: still(line(strands, "b", 1.2)),
  circling: still(line("M20 24C40 14 76 18 76 34S24 52 24 38S70 24 70 42S34 56 40 60", "w", 3)),
  wall: still(line("M24 16V58M72 16V58M48 12V30", "w", 3)),
  notips: still(line(strands, "w", 4), line("M16 60H24M34 62H42M56 62H64M74 60H82", "k", 2)),
  tips: (c) => [
    line(strands, "w", 4),
    dot(20, 58, 3, c ?? "n"),
    dot(38, 60, 3, c ?? "n"),
    dot(60, 60, 3, c ?? "n"),
    dot(78, 58, 3, c ?? "n"),
  ],
  hairs: still(line(strands, "w", 4), line("M38 40L34 38M40 46L36 46M58 40L62 38M56 46L60 46", "w", 1)),
  moss: (_, b) => scatter(16, b.field, 71).map(([x, y]) => line(stars(x, y), "n", 1.8)),
  deadmoss: still(
    line(strands, "w", 3),
    ...scatter(10, [24, 18, 48, 40], 71).map(([x, y]) => line(stars(x, y), "t", 1.4)),
  ),
  plug: still(line(strands, "w", 3), line("M36 14H60L56 36H40Z", "b", 2)),
  knots: still(
    line(strands, "w", 4),
    ...[
      [32, 40],
      [40, 52],
      [58, 48],
      [68, 42],
    ].map(([x = 0, y = 0]) => dot(x, y, 5, "t")),
  ),
  tubers: still(line(strands, "w", 4), dot(60, 50, 7, "w")),
  gnawed: still(
    line("M48 12C42 22 36 28 34 34M48 12V40M48 12C54 22 60 28 62 36", "w", 4),
    line("M30 34L38 36M44 40L52 42M58 36L66 38", "b", 1.4),
  ),
  roots: (c) => [line("M48 24C42 34 38 44 38 56M48 24V58M48 24C54 34 58 44 58 56", c ?? "w", 2.6)],
  whiteshoot: still(line("M48 56C44 46 50 40 46 28M46 34L40 30M47 42L54 38", "w", 3)),
  hole: still(fill("M42 58H54V62H42Z", "w")),
  earth: still(line("M72 22C78 18 84 22 90 16", "n", 1.8)),
  nohole: still(line("M30 60H66", "k", 3), line("M42 54L54 64M54 54L42 64", "r", 2)),
  reservoir: still(fill("M28 48H68L66 60H30Z", "c"), line("M74 44V58M71 48H77", "g", 1.4)),
  saucer: still(fill("M8 56H88L82 64H14Z", "c")),
  rootsout: still(line("M36 60C34 64 28 64 24 62M48 60V66M60 60C62 64 70 64 74 62", "l", 2.6)),
  wetdeep: still(fill("M26 30H70L66 58H30Z", "c", true)),
  wettop: still(fill("M24 20H72L71 28H25Z", "c", true)),
  drytop: still(fill("M24 20H72L71 32H25Z", "l", true), fill("M27 40H69L66 58H30Z", "c", true)),
  runsoff: still(line("M26 16L34 58M70 16L62 58", "c", 3)),
  dense: dots(80, 1, "k", 73),
  dressed: (_, b) => scatter(14, [b.field[0] - 4, 15, b.field[2] + 8, 4], 79).map(([x, y]) => dot(x, y, 2, "s")),
  mud: still(fill("M24 24H72L66 58H30Z", "k", true), line(wave(34), "b", 2, true)),
  fines: dots(16, 1.2, "k", 83),
  crust: (c) => [line("M22 17H74", c ?? "w", 5), dot(30, 20, 2, c ?? "w"), dot(62, 20, 2.4, c ?? "w")],
  mould: () => scatter(9, [26, 14, 44, 6], 89).map(([x, y]) => line(stars(x, y), "g", 1.4)),
  big: still(line("M44 14V2M40 8L44 2L48 8", "n", 2), line("M42 22C42 28 46 30 48 34", "l", 2)),
  shallow: still(fill("M20 14H76L66 36H30Z", "w"), line("M22 40H74L70 60H26Z", "k", 1.4)),
  buried: still(line("M48 34V4M48 12L38 4M48 12L58 4", "n", 3), line("M30 16H66", "l", 2.4)),
  plant: still(line("M48 16V0M48 8L38 0M48 8L58 0", "n", 3)),
  rocking: still(line("M12 30C8 24 8 18 12 12M84 30C88 24 88 18 84 12", "r", 2)),
  cachepot: still(line("M14 20V62H82V20", "g", 2)),
  repotted: still(line("M84 10V30M79 24L84 30L89 24", "n", 2), line("M48 16V2M48 8L40 2M48 8L56 2", "n", 3)),
  ill: still(line("M40 2L36 10M56 2L60 10", "y", 3)),
  limp: still(line("M48 16C48 6 60 4 66 12M48 16C46 8 36 6 30 14", "n", 3)),
  larvae: () =>
    scatter(5, [32, 24, 30, 14], 97).flatMap(([x, y]) => [
      line(`M${x} ${y}q4 -4 8 0t8 0`, "w", 2),
      dot(x, y, 1.4, "k"),
    ]),
  springing: () =>
    scatter(6, [30, 12, 36, 8], 101).flatMap(([x, y]) => [dot(x, y, 1.6, "w"), line(`M${x} ${y}q4 -10 8 0`, "g", 1)]),
  grubs: still(
    line("M38 34A7 7 0 1 0 48 42M58 26A6 6 0 1 0 66 34", "l", 5),
    dot(38, 33, 2.6, "b"),
    dot(58, 25, 2.6, "b"),
  ),
  threads: still(line("M48 18L30 30M48 18L40 34M48 18V36M48 18L56 34M48 18L66 30", "w", 1.6)),
  fresh: still(line("M84 6V22M76 14H92", "n", 2.4)),
  peat: still(fill("M24 20H72L66 58H30Z", "k", true)),
  tap: still(line("M30 6H52V14M52 6V2", "g", 3), dot(52, 20, 2, "c")),
};

/** Care, place and how it went. */
const around: Record<string, Draw> = {
  sudden: still(
    ...[10, 28, 46].map((x) => line(plantlet(x), "n", 2.4)),
    ...[66, 84].map((x) => line(plantlet(x), "b", 2.4)),
  ),
  slow: still(
    ...[
      ["n", 10],
      ["n", 28],
      ["y", 46],
      ["y", 66],
      ["b", 84],
    ].map(([c, x]) => line(plantlet(Number(x)), String(c), 2.4)),
  ),
  season: (_, b) =>
    b.strokes.length > 2
      ? [dot(26, 20, 6, "y"), line("M14 44C20 28 32 28 38 44", "g", 1.4)]
      : [10, 28, 46, 66, 84].map((x, i) => line(plantlet(x, 10 + 4 * Math.abs(2 - i)), "n", 2.4)),
  spreading: still(
    ...[10, 28, 46, 66, 84].flatMap((x, i) => [line(plantlet(x), "n", 2.4), dot(x, 36, 1 + i * 1.4, "b")]),
  ),
  same: still(...[10, 28, 46, 66, 84].flatMap((x) => [line(plantlet(x), "n", 2.4), dot(x, 36, 3, "b")])),
  short: still(...[10, 28].flatMap((x) => [line(plantlet(x), "n", 2.4), dot(x, 36, 3, "b")])),
  marked: still(
    ...[16, 48, 80].flatMap((x) => [line(plantlet(x, 26), "n", 3), dot(x, 34, 4, "b"), dot(x - 6, 42, 2.4, "b")]),
  ),
  place: still(line("M6 8V60H90", "g", 2), ...[24, 50, 76].map((x) => line(plantlet(x, 20), "y", 3))),
  touching: still(...[30, 48, 66].map((x) => line(`M${x} 58V26M${x} 44L${x - 14} 30M${x} 44L${x + 14} 30`, "n", 3))),
  onetouch: still(...[20, 44, 82].map((x) => line(`M${x} 58V26M${x} 44L${x - 12} 30M${x} 44L${x + 12} 30`, "n", 3))),
  many: still(...[66, 72, 78, 84, 90].map((x) => line(`M${x} 36V58`, "c", 2)), line(calendar, "g", 1.4)),
  felt: still(line("M74 40V60M78 40V60", "t", 4), line("M70 62H90", "b", 2)),
  missed: still(line(calendar, "g", 1.4), line("M70 4L92 24", "r", 2)),
  winter: still(line(stars(82, 14), "c", 2)),
  swings: still(line("M66 40V60", "c", 5), line("M84 40L78 60M84 40L90 60", "t", 1.6)),
  even: still(line("M72 40V56M84 40V56", "c", 2.4)),
  asleep: still(fill("M80 2A10 10 0 1 0 90 16A8 8 0 0 1 80 2Z", "g"), line("M84 36V58", "c", 2.4)),
  sip: still(dot(84, 44, 3, "c")),
  rain: still(
    fill("M8 12C8 4 24 2 28 8C36 6 38 16 30 18H12C6 18 6 12 8 12Z", "g"),
    line("M14 22L12 28M22 22L20 28", "c", 1.8),
  ),
  flush: still(line("M72 34V60M78 34V60M84 34V60M90 34V60", "c", 3)),
  sun: still(dot(26, 20, 9, "y"), line("M44 30L66 44", "y", 2.4)),
  early: still(dot(26, 46, 9, "o")),
  bright: still(fill("M9 9H25V31H9ZM27 33H43V55H27Z", "l")),
  dim: still(fill("M9 9H43V55H9Z", "k")),
  jump: still(line("M60 20C66 10 78 10 82 24M77 20L82 26L88 20", "r", 2)),
  much: still(fill("M40 30H56V58H40Z", "o"), line("M70 18V34M62 26H78", "r", 3)),
  little: still(fill("M40 50H56V58H40Z", "o")),
  spray: still(line("M54 12H66M70 6L82 2M70 12H84M70 18L82 22", "c", 2)),
  fur: still(line("M24 56H68M30 50H62", "w", 3)),
  clear: still(line("M28 52H64", "c", 2)),
  softener: still(fill("M74 34H92V60H74Z", "g"), ...scatter(6, [76, 38, 14, 18]).map(([x, y]) => dot(x, y, 1.2, "w"))),
  jug: still(line("M76 34V60H92V34M92 40C98 42 98 50 92 52", "g", 1.6)),
  pool: still(line(wave(8), "c", 2)),
  stood: still(line("M84 34A10 10 0 1 0 84 54A10 10 0 1 0 84 34M84 38V44L88 46", "g", 1.6)),
  drop: still(fill("M84 30C92 42 90 50 84 50S76 42 84 30Z", "c")),
  low: still(line("M48 52L22 36", "r", 3)),
  high: still(line("M48 52L76 38", "r", 3)),
  still: still(line("M30 8H66M34 2H62", "g", 1.6)),
  once: still(dot(48, 24, 3, "o"), line("M48 52L34 28", "r", 2)),
  cold: (_, b) => [line(stars(b.field[0] + b.field[2] - 6, b.field[1] + 6), "c", 2.4)],
  cool: still(line("M48 52L40 24", "n", 3)),
  hot: still(line("M48 52L76 38", "r", 3), line("M60 8C56 2 64 0 60 -4M70 12C66 6 74 4 70 0", "o", 1.6)),
  fan: still(line("M78 4L90 12M90 4L78 12M84 12V24", "g", 2)),
  ph: still(line("M30 46V36H35V41H30M40 36V46M45 36V46M40 41H45", "k", 1.4)),
  salt: still(...scatter(8, [34, 36, 28, 10]).map(([x, y]) => dot(x, y, 1.4, "k"))),
  recent: still(line("M52 44H62M58 40L62 44L58 48", "r", 2), line(calendar, "g", 1.4), dot(81, 17, 2, "r")),
  old: still(
    line("M52 44H62M58 40L62 44L58 48", "g", 2),
    ...[2, 8].map((o) => line(`M${66 + o} ${2 + o}H${82 + o}V${16 + o}H${66 + o}Z`, "g", 1.2)),
  ),
  fruit: still(dot(36, 30, 9, "o"), dot(54, 28, 10, "r"), line("M54 18C54 12 58 10 60 8", "n", 1.6)),
  smoke: still(line("M74 28C68 20 80 14 74 4M82 28C76 20 88 14 82 4", "g", 2)),
  candle: still(fill("M44 18H52V36H44Z", "l"), fill("M48 6C52 12 50 16 48 16S44 12 48 6Z", "y")),
  night: still(fill("M84 4A10 10 0 1 0 94 18A8 8 0 0 1 84 4Z", "g")),
  sunup: still(dot(86, 10, 7, "y")),
};

const all: Record<string, Draw>[] = [onParts, ofShapes, below, around];

/** Which of the tables a base looks a mark up in first, where several have the name. */
const first: Record<string, number> = {
  roots: 2,
  pot: 2,
  jar: 2,
  can: 3,
  bottle: 3,
  kettle: 3,
  meter: 3,
  window: 3,
  days: 3,
  row: 3,
  move: 3,
  parcel: 3,
  bowl: 3,
  stem: 1,
  shoot: 1,
};

/** The strokes of a mark; none for a mark that nobody drew. */
export function mark(name: string, letter: string | undefined, base: Base, baseName: string): Stroke[] {
  const from = first[baseName] ?? 0;
  const table = [all[from], ...all].find((t) => t && Object.hasOwn(t, name));
  return table?.[name]?.(letter, base) ?? [];
}
