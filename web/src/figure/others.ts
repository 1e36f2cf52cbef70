import { blade, type Counts, type Drawing, feather, foot, type Shape, soil, upTo, within } from "./strokes";

/** A thick blade that leaves a rosette's middle at an angle from upright. */
function ray(
  zone: string,
  x: number,
  degrees: number,
  length: number,
  bulge: number,
  fill?: Shape["fill"],
  y = 340,
): Shape[] {
  const a = (degrees * Math.PI) / 180;
  return blade(zone, x + 10 * Math.sin(a), y, length * Math.sin(a), -length * Math.cos(a), bulge, fill);
}

/** A rosette of thick leaves; offsets stand at its foot. */
export function rosette({ growths }: Counts): Drawing {
  const offsets = within(growths, 1, 1, 4) - 1;
  const shapes: Shape[] = [];
  for (const i of upTo(offsets)) {
    const x = [150, 252, 132][i] ?? 150;
    for (const a of [-70, 70, -35, 35, 0])
      shapes.push(...ray("flowers", x, a, 34, 5.5, a === 0 ? "young" : "leaf", 348));
  }
  shapes.push(
    ...[-84, -66, 66, 84].flatMap((a) => ray("leaves", 200, a, 104, 13, "old")),
    ...[-46, -24].flatMap((a) => ray("leaves", 200, a, 112, 14)),
    ...[24, 46].flatMap((a) => ray("undersides", 200, a, 112, 14)),
    ...[-8, 9].flatMap((a) => ray("new", 200, a, 92, 10, "young")),
    { zone: "joints", width: 1.8, d: "M176 326 q24 -12 48 0" },
    { zone: "stem", width: 3.4, d: `M186 ${soil - 2} v-14 M214 ${soil - 2} v-14` },
    { zone: "flowers", width: 1.5, d: "M206 300 C232 230 262 180 274 120" },
    {
      zone: "flowers",
      fill: "flower",
      d: `M274 120 q-9 -9 0 -18 q9 9 0 18 Z M268 140 q-13 -2 -9 -13 q11 2 9 13 Z M275 134 q12 -5 11 -15 q-11 3 -11 15
        Z`,
    },
    foot(172, 228),
  );
  return {
    shapes,
    anchors: {
      new: [196, 252],
      leaves: [108, 322],
      undersides: [266, 262],
      stem: [214, 342],
      flowers: [274, 110],
      joints: [182, 322],
      base: [176, soil],
    },
  };
}

/** One ribbed column with areoles along its ribs. */
function rib(x: number, top: number, half: number): Shape[] {
  const mid = (soil + top) / 2;
  return [
    {
      zone: "stem",
      fill: "leaf",
      d: `M${x - half * 0.9} ${soil} C${x - half * 1.15} ${mid} ${x - half * 1.1} ${top + 40} ${x - half * 0.7}
        ${top + 16} C${x - half * 0.4} ${top - 6} ${x + half * 0.4} ${top - 6} ${x + half * 0.7} ${top + 16}
        C${x + half * 1.1} ${top + 40} ${x + half * 1.15} ${mid} ${x + half * 0.9} ${soil} Z`,
    },
    {
      zone: "leaves",
      width: 1.2,
      d: `M${x - half * 0.45} ${soil} C${x - half * 0.6} ${mid} ${x - half * 0.55} ${top + 40} ${x - half * 0.28}
        ${top + 6} M${x} ${soil} V${top} M${x + half * 0.45} ${soil} C${x + half * 0.6} ${mid} ${x + half * 0.55}
        ${top + 40} ${x + half * 0.28} ${top + 6}`,
    },
  ];
}

/** A ribbed body; more of them stand beside it. */
export function column({ growths }: Counts): Drawing {
  const n = within(growths, 1, 1, 3);
  const shapes: Shape[] = [];
  if (n > 1) shapes.push(...rib(264, 258, 22));
  if (n > 2) shapes.push(...rib(142, 276, 20));
  shapes.push(
    ...rib(200, 130, 36),
    {
      zone: "joints",
      width: 1.5,
      d: [190, 240, 290].flatMap((y) => [`M170 ${y} l-9 -5 m9 5 l-9 5`, `M230 ${y} l9 -5 m-9 5 l9 5`]).join(" "),
    },
    {
      zone: "undersides",
      width: 1.2,
      d: [170, 220, 270].map((y) => `M200 ${y} l-5 -5 m5 5 l5 -5`).join(" "),
    },
    { zone: "new", fill: "young", d: "M188 132 C190 108 210 108 212 132 Z" },
    { zone: "flowers", fill: "flower", d: "M226 152 q8 -22 26 -22 q-2 20 -26 22 Z" },
    foot(162, 238),
  );
  return {
    shapes,
    anchors: {
      new: [190, 114],
      leaves: [182, 250],
      undersides: [204, 220],
      stem: [232, 270],
      flowers: [246, 138],
      joints: [166, 190],
      base: [166, soil],
    },
  };
}

/** Feathered fronds round a crown, and a crozier that uncurls. */
export function frond({ leaves }: Counts): Drawing {
  const n = within(leaves, 6, 3, 10);
  const shapes: Shape[] = [];
  let under: [number, number] = [262, 212];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const age = 1 - i / n;
    const [dx, rise] = [side * (20 + age * 96), 252 - age * 158];
    const zone = i === Math.min(n - 1, 3) ? "undersides" : "leaves";
    if (zone === "undersides") under = [200 + dx, soil - rise];
    shapes.push(...feather(zone, 200 + dx * 0.08, soil - 4, 200 + dx, soil - rise, 31, age > 0.65 ? "old" : "leaf"));
  }
  shapes.push(
    {
      zone: "new",
      width: 2.2,
      d: `M206 ${soil} C218 300 224 262 222 232 C221 216 206 216 206 228 C206 238 217 238 216 230`,
    },
    { zone: "stem", width: 3, d: `M188 ${soil} v-14 M200 ${soil} v-18 M212 ${soil} v-14` },
    { zone: "joints", width: 2, d: "M184 336 q16 -10 32 0" },
    { zone: "flowers", width: 1.3, d: "M212 346 q26 -14 44 -12" },
    { zone: "flowers", fill: "flower", d: "M256 334 q8 -10 14 0 q-6 8 -14 0 Z" },
    foot(176, 224),
  );
  return {
    shapes,
    anchors: {
      new: [222, 232],
      leaves: [116, 270],
      undersides: under,
      stem: [212, 340],
      flowers: [264, 332],
      joints: [188, 334],
      base: [180, soil],
    },
  };
}

/** Stiff feathered leaves over a ringed shaft, the newest a closed spear. */
export function palm({ growths, leaves }: Counts): Drawing {
  const n = within(leaves, 5, 3, 8);
  const shafts = within(growths, 1, 1, 3);
  const shapes: Shape[] = [];
  let under: [number, number] = [276, 120];
  for (const i of upTo(shafts - 1)) {
    const x = 200 + (i === 0 ? 26 : -26);
    shapes.push({ zone: "stem", width: 6, d: `M${x} ${soil} Q${x} 310 ${x + (i === 0 ? 8 : -8)} 288` });
    shapes.push(...feather("leaves", x, 292, x + (i === 0 ? 60 : -60), 262, 15, "leaf"));
  }
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const age = 1 - i / n;
    const [dx, up] = [side * (30 + age * 104), 150 - age * 112];
    const zone = i === Math.min(n - 1, 3) ? "undersides" : "leaves";
    if (zone === "undersides") under = [200 + dx, 252 - up];
    shapes.push(...feather(zone, 200, 252, 200 + dx, 252 - up, 40, age > 0.65 ? "old" : "leaf"));
  }
  shapes.push(
    {
      zone: "stem",
      fill: "stem",
      d: `M186 ${soil} C190 320 192 290 193 254 L207 254 C208 290 210 320 214 ${soil} Z`,
    },
    { zone: "joints", width: 1.6, d: "M189 328 q11 5 22 0 M191 304 q9 5 18 0 M192 280 q8 4 16 0" },
    ...blade("new", 200, 256, 4, -186, 5, "young"),
    { zone: "flowers", width: 1.3, d: "M208 270 q30 -6 46 14" },
    { zone: "flowers", fill: "flower", d: "M254 284 q-4 10 4 14 q8 -6 -4 -14 Z M244 276 q-4 9 3 13 q7 -6 -3 -13 Z" },
    foot(178, 222),
  );
  return {
    shapes,
    anchors: {
      new: [203, 84],
      leaves: [112, 214],
      undersides: under,
      stem: [212, 334],
      flowers: [256, 290],
      joints: [191, 304],
      base: [182, soil],
    },
  };
}

/** Strap leaves that hold a cup, a flower spike in its middle, offsets at its foot. */
export function cup({ growths }: Counts): Drawing {
  const offsets = within(growths, 1, 1, 4) - 1;
  const shapes: Shape[] = [];
  for (const i of upTo(offsets)) {
    const x = [142, 258, 166][i] ?? 142;
    for (const a of [-40, 40, -14, 14]) shapes.push(...ray("flowers", x, a, 52, 6, "leaf", 350));
  }
  const strap = (zone: string, side: number, out: number, rise: number, fill: Shape["fill"]): Shape => ({
    zone,
    fill,
    d: `M${200 + side * 4} 346 C${200 + side * 12} ${soil - rise * 0.7} ${200 + side * out * 0.5} ${soil - rise - 18}
      ${200 + side * out} ${soil - rise} C${200 + side * out * 0.55} ${soil - rise + 4} ${200 + side * 34}
      ${soil - rise * 0.55} ${200 + side * 24} 346 Z`,
  });
  for (const side of [-1, 1]) {
    shapes.push(strap("leaves", side, 122, 96, "old"));
    shapes.push(strap("leaves", side, 108, 148, "leaf"));
    shapes.push(strap(side > 0 ? "undersides" : "leaves", side, 78, 186, "leaf"));
  }
  shapes.push(
    { zone: "flowers", width: 2, d: "M200 300 V150" },
    {
      zone: "flowers",
      fill: "flower",
      d: upTo(5)
        .map(
          (i) =>
            `M200 ${208 - i * 22} q-20 -6 -22 -22 q18 2 22 22 Z M200 ${208 - i * 22} q20 -6 22 -22 q-18 2 -22 22 Z`,
        )
        .join(" "),
    },
    ...blade("new", 196, 330, -22, -128, 9, "young"),
    ...blade("new", 204, 330, 22, -128, 9, "young"),
    { zone: "joints", width: 1.8, d: "M180 322 q20 -12 40 0 M186 306 q14 -9 28 0" },
    { zone: "stem", width: 3.4, d: `M188 ${soil - 2} v-10 M212 ${soil - 2} v-10` },
    foot(174, 226),
  );
  return {
    shapes,
    anchors: {
      new: [180, 226],
      leaves: [94, 250],
      undersides: [268, 172],
      stem: [212, 346],
      flowers: [204, 128],
      joints: [186, 314],
      base: [178, soil],
    },
  };
}
