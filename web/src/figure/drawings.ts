/** One stroke or area of a line drawing, and the part of the plant it belongs to. */
export interface Shape {
  zone: string;
  d: string;
  fill?: "leaf" | "old" | "young" | "bulb" | "stem" | "flower";
  width?: number;
}

export interface Drawing {
  shapes: Shape[];
  /** Where the line from a part's label meets the part. */
  anchors: Record<string, [number, number]>;
}

// The drawings share one ground: 400 wide, the medium's surface at y = 352, the
// middle at x = 200.
const soil = 352;

/** A pointed blade from (x, y) to (x+dx, y+dy); bulge is its half width. */
function blade(
  zone: string,
  x: number,
  y: number,
  dx: number,
  dy: number,
  bulge: number,
  fill: Shape["fill"] = "leaf",
): Shape[] {
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * bulge, (dx / length) * bulge];
  const at = (t: number, side: number) =>
    `${(x + dx * t + nx * side).toFixed(1)} ${(y + dy * t + ny * side).toFixed(1)}`;
  return [
    {
      zone,
      fill,
      d: `M${x} ${y} C${at(0.25, 1)} ${at(0.7, 1)} ${x + dx} ${y + dy} C${at(0.7, -1)} ${at(0.25, -1)} ${x} ${y} Z`,
    },
    { zone, width: 0.9, d: `M${x} ${y} L${at(0.86, 0)}` },
  ];
}

/** A leaf on its own stalk: the stalk from (x, y), the blade beyond it. */
function stalked(
  zone: string,
  x: number,
  y: number,
  sx: number,
  sy: number,
  dx: number,
  dy: number,
  bulge: number,
  fill?: Shape["fill"],
): Shape[] {
  return [
    { zone: "stem", width: 1.8, d: `M${x} ${y} Q${x + sx * 0.4} ${y + sy} ${x + sx} ${y + sy}` },
    ...blade(zone, x + sx, y + sy, dx, dy, bulge, fill),
  ];
}

function bulb(zone: string, x: number, height: number, width: number): Shape[] {
  const top = soil - height;
  const half = width / 2;
  return [
    {
      zone,
      fill: "bulb",
      d: `M${x - half} ${soil} C${x - width * 0.78} ${soil - height * 0.36} ${x - width * 0.6} ${top + 8} ${x} ${top} C${x + width * 0.6} ${top + 8} ${x + width * 0.78} ${soil - height * 0.36} ${x + half} ${soil} Z`,
    },
    {
      zone,
      width: 0.9,
      d: `M${x - width * 0.2} ${soil - 3} Q${x - width * 0.32} ${soil - height / 2} ${x - 2} ${top + 7}`,
    },
    {
      zone,
      width: 0.9,
      d: `M${x + width * 0.2} ${soil - 3} Q${x + width * 0.32} ${soil - height / 2} ${x + 2} ${top + 7}`,
    },
  ];
}

const bulbed: Drawing = {
  shapes: [
    ...blade("leaves", 158, 300, -62, -92, 11, "old"),
    ...blade("leaves", 196, 282, -34, -150, 12),
    ...blade("undersides", 196, 282, 10, -172, 12),
    ...blade("leaves", 232, 272, 66, -118, 12),
    ...blade("new", 232, 272, 22, -160, 10, "young"),
    ...bulb("stem", 156, 54, 34),
    ...bulb("stem", 194, 70, 36),
    ...bulb("stem", 232, 82, 38),
    { zone: "new", fill: "young", d: `M256 ${soil} q3 -24 13 -34 q6 16 -3 34 Z` },
    { zone: "flowers", width: 1.6, d: "M214 340 C250 250 286 196 288 120" },
    {
      zone: "flowers",
      fill: "flower",
      d: "M288 120 q-13 -13 0 -22 q13 9 0 22 Z M286 142 q-16 -4 -10 -18 q14 3 10 18 Z M288 134 q16 -6 14 -18 q-15 2 -14 18 Z",
    },
    { zone: "joints", width: 1.6, d: "M150 302 q6 -5 12 0 M188 285 q7 -5 14 0 M225 275 q7 -5 14 0" },
    { zone: "base", width: 2.4, d: `M138 ${soil} C170 ${soil + 5} 220 ${soil + 5} 270 ${soil - 1}` },
  ],
  anchors: {
    new: [264, 322],
    leaves: [112, 226],
    undersides: [206, 140],
    stem: [232, 320],
    flowers: [288, 118],
    joints: [158, 300],
    base: [146, 352],
  },
};

const singleStem: Drawing = {
  shapes: [
    ...blade("leaves", 196, 330, -112, 4, 21, "old"),
    ...blade("leaves", 204, 326, 112, 0, 21, "old"),
    ...blade("leaves", 197, 308, -106, -46, 20),
    ...blade("undersides", 203, 304, 106, -52, 20),
    ...blade("new", 200, 290, -56, -92, 16, "young"),
    { zone: "stem", fill: "stem", d: `M190 ${soil} L194 288 L206 288 L210 ${soil} Z` },
    { zone: "joints", width: 1.6, d: "M191 331 h18 M192 309 h16" },
    { zone: "flowers", width: 1.6, d: "M206 316 C250 270 248 150 284 96" },
    {
      zone: "flowers",
      fill: "flower",
      d: "M284 96 q-14 -10 -2 -20 q15 5 2 20 Z M270 124 q-17 0 -14 -15 q15 0 14 15 Z M278 112 q10 -14 20 -5 q-6 13 -20 5 Z",
    },
    { zone: "base", width: 2.4, d: `M180 ${soil} q20 6 40 0` },
    { zone: "roots", width: 2.6, d: `M192 340 C168 346 150 338 132 352 M208 338 C236 344 246 340 262 356` },
  ],
  anchors: {
    new: [152, 214],
    leaves: [104, 300],
    undersides: [292, 268],
    stem: [206, 300],
    flowers: [284, 92],
    joints: [192, 320],
    base: [184, 352],
  },
};

const vine: Drawing = {
  shapes: [
    {
      zone: "stem",
      width: 4.4,
      d: `M200 ${soil} C196 308 182 278 190 240 C198 204 226 186 218 148 C210 118 182 106 190 70`,
    },
    ...stalked("leaves", 196, 330, 34, -14, 52, 26, 21, "old"),
    ...stalked("leaves", 188, 296, -34, -8, -48, 26, 21, "old"),
    ...stalked("leaves", 190, 250, 34, -18, 56, -4, 23),
    ...stalked("undersides", 206, 206, -36, -14, -54, -4, 22),
    ...stalked("leaves", 220, 162, 28, -18, 50, -20, 20),
    ...stalked("leaves", 206, 122, -30, -14, -46, -22, 19),
    ...stalked("new", 190, 74, 8, -12, 22, -42, 11, "young"),
    { zone: "joints", width: 2.6, d: "M184 296 l9 1 M186 251 l9 -2 M203 207 l8 3 M214 163 l9 -2 M200 120 l9 2" },
    { zone: "flowers", width: 1.4, d: "M221 150 q24 -4 30 -24" },
    { zone: "flowers", fill: "flower", d: "M251 126 q-9 -10 0 -19 q9 9 0 19 Z" },
    { zone: "base", width: 2.6, d: `M184 ${soil} q16 5 32 0` },
  ],
  anchors: {
    new: [214, 34],
    leaves: [122, 310],
    undersides: [118, 188],
    stem: [190, 272],
    flowers: [253, 114],
    joints: [216, 164],
    base: [186, 352],
  },
};

const clump: Drawing = {
  shapes: [
    ...stalked("leaves", 192, soil, -62, -84, -42, 12, 25, "old"),
    ...stalked("leaves", 208, soil, 66, -74, 40, 16, 24, "old"),
    ...stalked("leaves", 195, soil, -44, -150, -46, -24, 27),
    ...stalked("undersides", 205, soil, 48, -148, 46, -20, 27),
    ...stalked("leaves", 199, soil, -8, -188, -20, -62, 26),
    ...stalked("new", 203, soil, 20, -176, 18, -56, 9, "young"),
    { zone: "joints", width: 2.4, d: "M186 330 q14 -8 28 0 M190 316 q10 -6 20 0" },
    { zone: "flowers", width: 1.4, d: `M208 ${soil} C236 300 262 230 272 172` },
    { zone: "flowers", fill: "flower", d: "M272 172 q-12 -16 2 -30 q13 14 -2 30 Z" },
    { zone: "base", width: 3, d: `M176 ${soil} q24 7 48 0` },
  ],
  anchors: {
    new: [238, 126],
    leaves: [108, 268],
    undersides: [292, 186],
    stem: [182, 250],
    flowers: [273, 150],
    joints: [190, 322],
    base: [180, 353],
  },
};

const rosette: Drawing = {
  shapes: [
    ...[-84, -66, 66, 84].flatMap((a) => ray("leaves", a, 104, 13, "old")),
    ...[-46, -24].flatMap((a) => ray("leaves", a, 112, 14)),
    ...[24, 46].flatMap((a) => ray("undersides", a, 112, 14)),
    ...[-8, 9].flatMap((a) => ray("new", a, 92, 10, "young")),
    { zone: "joints", width: 1.8, d: "M176 326 q24 -12 48 0" },
    { zone: "stem", width: 3.4, d: `M186 ${soil - 2} v-14 M214 ${soil - 2} v-14` },
    { zone: "flowers", width: 1.5, d: "M206 300 C232 230 262 180 274 120" },
    {
      zone: "flowers",
      fill: "flower",
      d: "M274 120 q-9 -9 0 -18 q9 9 0 18 Z M268 140 q-13 -2 -9 -13 q11 2 9 13 Z M275 134 q12 -5 11 -15 q-11 3 -11 15 Z",
    },
    { zone: "base", width: 2.6, d: `M172 ${soil} q28 6 56 0` },
  ],
  anchors: {
    new: [196, 252],
    leaves: [108, 322],
    undersides: [266, 262],
    stem: [214, 342],
    flowers: [274, 110],
    joints: [182, 322],
    base: [176, 352],
  },
};

/** A thick blade that leaves the rosette's middle at an angle from upright. */
function ray(zone: string, degrees: number, length: number, bulge: number, fill?: Shape["fill"]): Shape[] {
  const a = (degrees * Math.PI) / 180;
  return blade(zone, 200 + 10 * Math.sin(a), 340, length * Math.sin(a), -length * Math.cos(a), bulge, fill);
}

const trailer: Drawing = {
  shapes: [
    { zone: "stem", width: 2.6, d: `M194 ${soil} C170 292 128 300 106 356 C98 378 96 400 94 424` },
    { zone: "stem", width: 2.6, d: `M206 ${soil} C236 286 276 302 296 350 C304 372 304 392 306 412` },
    { zone: "stem", width: 2.6, d: `M200 ${soil} C198 310 206 282 202 236` },
    ...[
      [168, 302, -20, -28],
      [138, 316, -30, -14],
      [112, 346, -32, 4],
      [98, 388, -30, 12],
    ].flatMap(([x = 0, y = 0, dx = 0, dy = 0], i) => blade("leaves", x, y, dx, dy, 10, i > 1 ? "old" : "leaf")),
    ...[
      [238, 298, 16, -30],
      [268, 312, 28, -18],
      [293, 342, 32, 2],
      [304, 384, 30, 10],
    ].flatMap(([x = 0, y = 0, dx = 0, dy = 0], i) => blade(i === 3 ? "leaves" : "undersides", x, y, dx, dy, 10)),
    ...blade("leaves", 202, 300, -34, -20, 10),
    ...blade("leaves", 204, 276, 34, -20, 10),
    ...blade("new", 202, 238, -16, -30, 8, "young"),
    ...blade("new", 202, 238, 16, -30, 8, "young"),
    {
      zone: "joints",
      width: 2.4,
      d: "M164 303 l7 5 M135 317 l7 3 M234 299 l7 -3 M264 312 l6 -4 M198 300 h9 M199 276 h9",
    },
    { zone: "flowers", width: 1.3, d: "M204 262 q18 -26 30 -30" },
    { zone: "flowers", fill: "flower", d: "M234 232 q-6 -9 3 -15 q8 7 -3 15 Z" },
    { zone: "base", width: 2.6, d: `M184 ${soil} q16 5 32 0` },
  ],
  anchors: {
    new: [190, 216],
    leaves: [92, 346],
    undersides: [292, 300],
    stem: [300, 362],
    flowers: [237, 222],
    joints: [140, 318],
    base: [186, 352],
  },
};

const tree: Drawing = {
  shapes: [
    { zone: "stem", fill: "stem", d: `M192 ${soil} C194 300 190 250 196 206 L204 206 C206 250 206 300 210 ${soil} Z` },
    {
      zone: "stem",
      width: 3,
      d: "M198 262 C176 236 158 222 142 208 M202 244 C226 222 246 208 262 192 M199 210 C196 176 198 150 202 126",
    },
    ...blade("leaves", 166, 230, -44, 12, 15, "old"),
    ...blade("leaves", 236, 214, 44, 16, 15, "old"),
    ...blade("leaves", 142, 208, -42, -24, 16),
    ...blade("leaves", 152, 216, -6, -52, 15),
    ...blade("undersides", 262, 192, 44, -18, 16),
    ...blade("undersides", 250, 202, 8, -54, 15),
    ...blade("leaves", 198, 176, -46, -26, 15),
    ...blade("leaves", 200, 160, 44, -26, 15),
    ...blade("new", 202, 126, -14, -44, 11, "young"),
    ...blade("new", 202, 126, 18, -40, 10, "young"),
    { zone: "joints", width: 2.4, d: "M192 262 q7 -6 14 -1 M196 244 q6 -4 12 0 M194 208 h12" },
    { zone: "flowers", fill: "flower", d: "M228 150 q-8 -8 0 -16 q8 8 0 16 Z" },
    { zone: "flowers", width: 1.2, d: "M202 170 q14 -14 25 -20" },
    { zone: "base", width: 2.8, d: `M180 ${soil} q20 6 40 0` },
  ],
  anchors: {
    new: [190, 90],
    leaves: [108, 190],
    undersides: [300, 178],
    stem: [208, 300],
    flowers: [229, 142],
    joints: [194, 260],
    base: [184, 352],
  },
};

const fan: Drawing = {
  shapes: [
    ...stalked("leaves", 194, soil, -66, -120, -38, -46, 19, "old"),
    ...stalked("leaves", 206, soil, 70, -116, 38, -46, 19, "old"),
    ...stalked("leaves", 197, soil, -36, -158, -24, -76, 22),
    ...stalked("undersides", 203, soil, 38, -156, 26, -76, 22),
    ...stalked("new", 200, soil, 2, -190, 2, -86, 8, "young"),
    { zone: "stem", fill: "stem", d: `M182 ${soil} C190 318 194 300 196 276 L204 276 C206 300 212 318 218 ${soil} Z` },
    { zone: "joints", width: 1.8, d: "M186 334 q14 -8 28 0 M190 314 q10 -6 20 0" },
    { zone: "flowers", width: 1.6, d: `M212 340 C248 300 266 250 270 214` },
    {
      zone: "flowers",
      fill: "flower",
      d: "M270 214 q18 -12 40 -4 q-18 8 -40 4 Z M276 210 q2 -18 14 -24 q2 14 -14 24 Z",
    },
    { zone: "base", width: 2.8, d: `M174 ${soil} q26 6 52 0` },
  ],
  anchors: {
    new: [203, 92],
    leaves: [100, 202],
    undersides: [262, 142],
    stem: [206, 300],
    flowers: [292, 206],
    joints: [190, 324],
    base: [178, 352],
  },
};

const column: Drawing = {
  shapes: [
    {
      zone: "stem",
      fill: "leaf",
      d: `M168 ${soil} C160 260 160 190 172 150 C182 122 218 122 228 150 C240 190 240 260 232 ${soil} Z`,
    },
    {
      zone: "leaves",
      width: 1.2,
      d: `M184 ${soil} C178 260 178 180 190 132 M200 ${soil} V126 M216 ${soil} C222 260 222 180 210 132`,
    },
    {
      zone: "joints",
      width: 1.5,
      d: "M176 190 l-9 -5 m9 5 l-9 5 M174 240 l-9 -5 m9 5 l-9 5 M176 290 l-9 -5 m9 5 l-9 5 M224 190 l9 -5 m-9 5 l9 5 M226 240 l9 -5 m-9 5 l9 5 M224 290 l9 -5 m-9 5 l9 5",
    },
    {
      zone: "undersides",
      width: 1.2,
      d: "M200 170 l-5 -5 m5 5 l5 -5 M200 220 l-5 -5 m5 5 l5 -5 M200 270 l-5 -5 m5 5 l5 -5",
    },
    { zone: "new", fill: "young", d: "M188 132 C190 108 210 108 212 132 Z" },
    { zone: "flowers", fill: "flower", d: "M226 152 q8 -22 26 -22 q-2 20 -26 22 Z" },
    { zone: "base", width: 2.6, d: `M162 ${soil} q38 7 76 0` },
  ],
  anchors: {
    new: [190, 114],
    leaves: [182, 250],
    undersides: [204, 220],
    stem: [232, 270],
    flowers: [246, 138],
    joints: [166, 190],
    base: [166, 352],
  },
};

const frond: Drawing = {
  shapes: [
    ...feather("leaves", -84, 84, "old"),
    ...feather("leaves", 86, 80, "old"),
    ...feather("leaves", -66, 158, "leaf"),
    ...feather("undersides", 68, 154, "leaf"),
    ...feather("leaves", -20, 196, "leaf"),
    {
      zone: "new",
      width: 2.2,
      d: `M206 ${soil} C218 300 224 262 222 232 C221 216 206 216 206 228 C206 238 217 238 216 230`,
    },
    { zone: "stem", width: 3, d: `M188 ${soil} v-14 M200 ${soil} v-18 M212 ${soil} v-14` },
    { zone: "joints", width: 2, d: "M184 336 q16 -10 32 0" },
    { zone: "flowers", width: 1.3, d: `M212 346 q26 -14 44 -12` },
    { zone: "flowers", fill: "flower", d: "M256 334 q8 -10 14 0 q-6 8 -14 0 Z" },
    { zone: "base", width: 2.8, d: `M176 ${soil} q24 6 48 0` },
  ],
  anchors: {
    new: [222, 232],
    leaves: [116, 262],
    undersides: [262, 212],
    stem: [212, 340],
    flowers: [264, 332],
    joints: [188, 334],
    base: [180, 352],
  },
};

/** A feathered frond that arches from the crown to (200+dx, soil−rise). */
function feather(zone: string, dx: number, rise: number, fill: Shape["fill"]): Shape[] {
  const [x0, y0, x1, y1] = [200 + dx * 0.08, soil - 4, 200 + dx, soil - rise];
  const [cx, cy] = [200 + dx * 0.2, soil - rise * 1.12];
  const shapes: Shape[] = [{ zone, width: 1.6, d: `M${x0} ${y0} Q${cx} ${cy} ${x1} ${y1}` }];
  for (let i = 3; i <= 9; i++) {
    const t = i / 9.6;
    const x = (1 - t) ** 2 * x0 + 2 * t * (1 - t) * cx + t * t * x1;
    const y = (1 - t) ** 2 * y0 + 2 * t * (1 - t) * cy + t * t * y1;
    const size = 26 * (1 - t * 0.62);
    const tx = 2 * (1 - t) * (cx - x0) + 2 * t * (x1 - cx);
    const ty = 2 * (1 - t) * (cy - y0) + 2 * t * (y1 - cy);
    const l = Math.hypot(tx, ty) || 1;
    for (const side of [1, -1]) {
      shapes.push(
        ...blade(
          zone,
          x,
          y,
          ((-ty / l) * side + tx / l / 2) * size,
          ((tx / l) * side + ty / l / 2) * size,
          3.6,
          fill,
        ).slice(0, 1),
      );
    }
  }
  return shapes;
}

const drawings: Record<string, Drawing> = {
  bulbed,
  "single-stem": singleStem,
  vine,
  clump,
  rosette,
  trailer,
  tree,
  fan,
  column,
  frond,
};

/** The drawing that stands for a habit's figure. */
export const drawingOf = (figure: string): Drawing => drawings[figure] ?? clump;

/** Pot, medium and roots, the same under every plant. */
export const ground: { shapes: Shape[]; anchors: Drawing["anchors"] } = {
  shapes: [
    {
      zone: "roots",
      width: 2.8,
      d: "M192 358 C186 384 170 396 176 430 M200 358 C202 392 214 404 206 434 M210 358 C226 380 240 390 236 420 M186 358 C168 374 160 386 164 410",
    },
    {
      zone: "medium",
      width: 1,
      d: Array.from({ length: 40 }, (_, i) => `M${150 + ((i * 53) % 96)} ${366 + ((i * 37) % 70)} q4 -3 8 0`).join(" "),
    },
    { zone: "surface", width: 1.4, d: `M142 ${soil + 6} q8 -5 16 0 t16 0 t16 0 t16 0 t16 0 t16 0 t14 0` },
  ],
  anchors: { surface: [250, 358], medium: [152, 388], pot: [252, 412], roots: [206, 432] },
};
