import {
  blade,
  type Counts,
  type Drawing,
  foot,
  oval,
  type Shape,
  soil,
  stalked,
  upTo,
  veins,
  within,
} from "./strokes";

/** A climbing stem with leaves to both sides; more vines stand behind the first. */
export function vine({ growths, leaves }: Counts): Drawing {
  const stems = within(growths, 1, 1, 3);
  const n = within(leaves, 7, 3, 9);
  const along = (t: number): [number, number] => [200 + Math.sin(t * 5.6) * 16, soil - 20 - t * 262];
  const shapes: Shape[] = [];
  for (const i of upTo(stems - 1)) {
    const side = i === 0 ? -1 : 1;
    const x = 200 + side * 22;
    shapes.push({
      zone: "stem",
      width: 3,
      d: `M${x} ${soil} C${x + side * 20} 310 ${x + side * 34} 280 ${x + side * 38} 236`,
    });
    shapes.push(...stalked("leaves", x + side * 34, 282, side * 18, -10, side * 34, 12, 14));
    shapes.push(...blade("new", x + side * 38, 238, side * 12, -30, 8, "young"));
  }
  shapes.push({
    zone: "stem",
    width: 4.4,
    d: `M200 ${soil} L${upTo(13)
      .map((i) =>
        along(i / 12)
          .map(Math.round)
          .join(" "),
      )
      .join(" L")}`,
  });
  const joints: string[] = [];
  for (const i of upTo(n)) {
    const [x, y] = along(i / n);
    const side = i % 2 ? -1 : 1;
    const zone = i === Math.floor(n / 2) ? "undersides" : "leaves";
    const size = 1 - (i / n) * 0.2;
    const fill = i < Math.max(1, Math.round(n * 0.3)) ? "old" : "leaf";
    shapes.push(...stalked(zone, x, y, side * 34, -14, side * 52 * size, (22 - i * 7) * size, 23 * size, fill));
    joints.push(`M${x - 5} ${y} l10 1`);
  }
  const [tx, ty] = along(1);
  const [ux, uy] = along(Math.floor(n / 2) / n);
  const under = Math.floor(n / 2) % 2 ? -1 : 1;
  shapes.push(
    ...stalked("new", tx, ty, 6, -10, 20, -40, 11, "young"),
    { zone: "joints", width: 2.6, d: joints.join(" ") },
    { zone: "flowers", width: 1.4, d: "M206 180 q40 -8 62 -44" },
    { zone: "flowers", fill: "flower", d: "M268 136 q-10 -11 0 -22 q10 10 0 22 Z" },
    foot(184, 216),
  );
  return {
    shapes,
    anchors: {
      new: [tx + 14, ty - 30],
      leaves: [270, soil - 22],
      undersides: [ux + under * 66, uy - 10],
      stem: [202, soil - 66],
      flowers: [268, 124],
      joints: along(1 / n),
      base: [186, soil],
    },
  };
}

/** Stalked leaves that rise from one crown like a fan. */
export function clump({ leaves }: Counts): Drawing {
  const n = within(leaves, 6, 3, 11);
  const shapes: Shape[] = [];
  let under: [number, number] = [292, 186];
  for (const i of upTo(n)) {
    // Old leaves lie outside and low, young ones inside and high.
    const side = i % 2 ? 1 : -1;
    const age = 1 - i / n;
    const spread = 12 + age * 42;
    const rise = 74 + (1 - age) * 106;
    const zone = i === Math.min(n - 1, 3) ? "undersides" : "leaves";
    const [dx, dy] = [side * (30 + age * 18), 20 - (1 - age) * 92];
    if (zone === "undersides") under = [200 + side * spread + dx * 0.8, soil - rise + dy * 0.5];
    shapes.push(...stalked(zone, 200 + side * 6, soil, side * spread, -rise, dx, dy, 31, age > 0.7 ? "old" : "leaf"));
  }
  shapes.push(
    ...stalked("new", 203, soil, 18, -178, 16, -56, 9, "young"),
    { zone: "joints", width: 2.4, d: "M186 330 q14 -8 28 0 M190 316 q10 -6 20 0" },
    { zone: "flowers", width: 1.4, d: `M208 ${soil} C236 300 262 230 280 150` },
    { zone: "flowers", fill: "flower", d: "M280 150 q-12 -16 2 -30 q13 14 -2 30 Z" },
    foot(176, 224),
  );
  return {
    shapes,
    anchors: {
      new: [236, 124],
      leaves: [110, soil - 78],
      undersides: under,
      stem: [186, 270],
      flowers: [281, 130],
      joints: [190, 322],
      base: [180, soil],
    },
  };
}

/** Patterned oval leaves held flat, tier over tier. */
export function tiered({ leaves }: Counts): Drawing {
  const n = within(leaves, 7, 3, 11);
  const shapes: Shape[] = [];
  let under: [number, number] = [280, 214];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const t = i / n;
    const rise = 44 + t * 176;
    const reach = side * (10 + (1 - t) * 12);
    const [dx, dy] = [side * (82 - t * 30), 10 - t * 26];
    const zone = i === Math.floor(n / 2) ? "undersides" : "leaves";
    const [x, y] = [200 + side * 4 + reach, soil - rise];
    if (zone === "undersides") under = [x + dx * 0.8, y + dy * 0.8];
    shapes.push({ zone: "stem", width: 1.6, d: `M${200 + side * 3} ${soil} Q${200 + side * 3} ${y + 20} ${x} ${y}` });
    shapes.push(...oval(zone, x, y, dx, dy, 17, t < 0.25 ? "old" : "leaf"), veins(zone, x, y, dx, dy, 17, 5));
  }
  shapes.push(
    // The newest leaf is still rolled like a paper.
    { zone: "new", fill: "young", d: "M198 150 C190 120 194 84 204 66 C212 88 212 122 206 150 Z" },
    { zone: "new", width: 1, d: "M202 148 C198 116 202 90 205 74" },
    { zone: "stem", width: 1.6, d: `M202 ${soil} Q204 240 202 150` },
    { zone: "joints", width: 2, d: "M188 334 q12 -8 24 0 M192 318 q8 -6 16 0" },
    { zone: "flowers", width: 1.3, d: `M208 ${soil} Q232 330 250 326` },
    { zone: "flowers", fill: "flower", d: "M250 326 q8 -12 16 -2 q-6 10 -16 2 Z" },
    foot(172, 228),
  );
  return {
    shapes,
    anchors: {
      new: [202, 80],
      leaves: [108, soil - 44],
      undersides: under,
      stem: [196, 296],
      flowers: [262, 324],
      joints: [190, 326],
      base: [178, soil],
    },
  };
}

/** One lopsided leaf with its stalk at the notch. */
function lopsided(zone: string, x: number, y: number, size: number, side: number, fill: Shape["fill"]): Shape[] {
  const s = size * side;
  return [
    {
      zone,
      fill,
      d: `M${x} ${y} C${x - s * 0.5} ${y - size * 0.1} ${x - s * 0.6} ${y - size * 0.9} ${x + s * 0.1}
        ${y - size * 0.8} C${x + s * 0.7} ${y - size * 0.7} ${x + s * 1.2} ${y - size * 0.1} ${x + s * 1.6}
        ${y + size * 0.3} C${x + s} ${y + size * 0.5} ${x + s * 0.3} ${y + size * 0.5} ${x} ${y} Z`,
    },
    {
      zone,
      width: 0.9,
      d: `M${x} ${y} L${x + s * 1.3} ${y + size * 0.2} M${x} ${y} L${x + s * 0.5} ${y - size * 0.55} M${x} ${y}
        L${x - s * 0.25} ${y - size * 0.5}`,
    },
  ];
}

/** Lopsided leaves on jointed canes. */
export function begonia({ growths, leaves }: Counts): Drawing {
  const canes = within(growths, 2, 1, 3);
  const each = Math.max(2, Math.round(within(leaves, 7, 3, 12) / canes));
  const shapes: Shape[] = [];
  const joints: string[] = [];
  let under: [number, number] = [280, 220];
  for (const c of upTo(canes)) {
    const lean = canes === 1 ? 0 : (c - (canes - 1) / 2) * 46;
    const height = 226 - c * 26;
    const at = (t: number): [number, number] => [200 + lean * (0.4 + t), soil - t * height];
    const [ex, ey] = at(1);
    shapes.push({ zone: "stem", width: 4, d: `M${200 + lean * 0.4} ${soil} L${ex} ${ey}` });
    for (const i of upTo(Math.min(each, 5))) {
      const [x, y] = at((i + 0.8) / (Math.min(each, 5) + 0.6));
      const side = (i + c) % 2 ? -1 : 1;
      const zone = c === 0 && i === 1 ? "undersides" : "leaves";
      const [lx, ly] = [x + side * 16, y - 8];
      if (zone === "undersides") under = [lx + side * 34, ly];
      shapes.push({ zone: "stem", width: 1.6, d: `M${x} ${y} L${lx} ${ly}` });
      shapes.push(...lopsided(zone, lx, ly, 32 - i * 2, side, i === 0 ? "old" : "leaf"));
      joints.push(`M${x - 5} ${y + 1} h10`);
    }
    shapes.push(...lopsided("new", ex, ey, 15, c % 2 ? -1 : 1, "young"));
  }
  shapes.push(
    { zone: "joints", width: 2.2, d: joints.join(" ") },
    { zone: "flowers", width: 1.3, d: "M206 214 Q236 190 262 208" },
    { zone: "flowers", fill: "flower", d: "M262 208 q-7 10 2 16 q9 -7 -2 -16 Z M252 200 q-6 10 2 15 q8 -7 -2 -15 Z" },
    foot(172, 228),
  );
  return {
    shapes,
    anchors: {
      new: [200 - (canes > 1 ? 32 : 0), soil - 234],
      leaves: [140, 300],
      undersides: under,
      stem: [196, 312],
      flowers: [264, 214],
      joints: [190, 268],
      base: [178, soil],
    },
  };
}

/** Soft stems that fall over the rim, leaf after leaf. */
export function trailer({ growths }: Counts): Drawing {
  const n = within(growths, 4, 2, 7);
  const shapes: Shape[] = [];
  const joints: string[] = [];
  const ends: [number, number][] = [];
  for (const i of upTo(n)) {
    const spread = n === 1 ? 0 : (i / (n - 1)) * 2 - 1;
    const upright = Math.abs(spread) < 0.34;
    const [ex, ey] = upright ? [200 + spread * 50, 232 - i * 3] : [200 + spread * 108, 428 - Math.abs(spread) * 18];
    const [cx, cy] = upright ? [200 + spread * 18, 290] : [200 + spread * 92, 262];
    const at = (t: number): [number, number] => [
      (1 - t) ** 2 * (200 + spread * 8) + 2 * t * (1 - t) * cx + t * t * ex,
      (1 - t) ** 2 * soil + 2 * t * (1 - t) * cy + t * t * ey,
    ];
    ends.push([ex, ey]);
    shapes.push({ zone: "stem", width: 2.4, d: `M${200 + spread * 8} ${soil} Q${cx} ${cy} ${ex} ${ey}` });
    for (const k of upTo(5)) {
      const [x, y] = at((k + 1) / 6);
      const zone = k === 3 && i === n - 1 ? "undersides" : "leaves";
      for (const side of [-1, 1])
        shapes.push(...blade(zone, x, y, side * 26, upright ? -14 : 4 - k * 3, 8.5, k < 2 ? "old" : "leaf"));
      joints.push(`M${x - 3} ${y - 3} l6 4`);
    }
    shapes.push(...blade("new", ex, ey, -8, upright ? -26 : 18, 7, "young"));
    shapes.push(...blade("new", ex, ey, 10, upright ? -24 : 18, 7, "young"));
  }
  const [lx, ly] = ends[0] ?? [96, 416];
  shapes.push(
    { zone: "joints", width: 2, d: joints.join(" ") },
    { zone: "flowers", width: 1.3, d: "M204 262 q18 -36 30 -44" },
    { zone: "flowers", fill: "flower", d: "M234 218 q-7 -10 3 -17 q9 8 -3 17 Z" },
    foot(180, 220),
  );
  return {
    shapes,
    anchors: {
      new: [lx, ly],
      leaves: [128, 318],
      undersides: [296, 362],
      stem: [264, 312],
      flowers: [236, 206],
      joints: [156, 314],
      base: [186, soil],
    },
  };
}

/** A small tree: one or several trunks, branches, leaves at their ends. */
export function tree({ growths }: Counts): Drawing {
  const trunks = within(growths, 1, 1, 3);
  const shapes: Shape[] = [];
  for (const i of upTo(trunks - 1)) {
    const side = i === 0 ? 1 : -1;
    shapes.push({
      zone: "stem",
      width: 5,
      d: `M${200 + side * 16} ${soil} C${200 + side * 20} 310 ${200 + side * 30} 290 ${200 + side * 32} 262`,
    });
    shapes.push(...blade("leaves", 200 + side * 32, 264, side * 36, -22, 13));
    shapes.push(...blade("leaves", 200 + side * 32, 264, side * 2, -38, 12));
  }
  shapes.push(
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
    foot(180, 220),
  );
  return {
    shapes,
    anchors: {
      new: [190, 90],
      leaves: [108, 190],
      undersides: [300, 178],
      stem: [208, 300],
      flowers: [229, 142],
      joints: [194, 260],
      base: [184, soil],
    },
  };
}

/** Paddle leaves in one plane on long stalks, the newest a rolled spear. */
export function fan({ leaves }: Counts): Drawing {
  const n = within(leaves, 5, 3, 9);
  const shapes: Shape[] = [];
  let under: [number, number] = [270, 142];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const age = 1 - i / n;
    const zone = i === Math.min(n - 1, 3) ? "undersides" : "leaves";
    const [sx, sy] = [side * (14 + age * 58), -190 + age * 78];
    const [dx, dy] = [side * (12 + age * 28), -86 + age * 46];
    if (zone === "undersides") under = [200 + sx + dx * 0.6, soil + sy + dy * 0.5];
    shapes.push(...stalked(zone, 200 + side * 4, soil, sx, sy, dx, dy, 21, age > 0.7 ? "old" : "leaf"));
  }
  shapes.push(
    ...stalked("new", 200, soil, 2, -196, 2, -86, 8, "young"),
    { zone: "stem", fill: "stem", d: `M182 ${soil} C190 318 194 300 196 276 L204 276 C206 300 212 318 218 ${soil} Z` },
    { zone: "joints", width: 1.8, d: "M186 334 q14 -8 28 0 M190 314 q10 -6 20 0" },
    { zone: "flowers", width: 1.6, d: "M212 340 C248 300 266 250 270 230" },
    {
      zone: "flowers",
      fill: "flower",
      d: "M270 230 q18 -12 40 -4 q-18 8 -40 4 Z M276 226 q2 -18 14 -24 q2 14 -14 24 Z",
    },
    foot(174, 226),
  );
  return {
    shapes,
    anchors: {
      new: [203, 92],
      leaves: [108, soil - 140],
      undersides: under,
      stem: [206, 300],
      flowers: [296, 224],
      joints: [190, 324],
      base: [178, soil],
    },
  };
}

/** Wiry loops with pairs of thick leaves and an umbel of flowers. */
export function waxVine({ growths }: Counts): Drawing {
  const n = within(growths, 2, 1, 4);
  const loops: [number, number, number, number, number, number][] = [
    [150, 250, 110, 150, 190, 96],
    [236, 262, 318, 190, 262, 92],
    [170, 300, 84, 300, 92, 398],
    [240, 300, 320, 300, 308, 394],
  ];
  const shapes: Shape[] = [];
  const joints: string[] = [];
  for (const i of upTo(n)) {
    const [ax, ay, bx, by, ex, ey] = loops[i] as (typeof loops)[number];
    const at = (t: number): [number, number] => [
      (1 - t) ** 3 * 200 + 3 * t * (1 - t) ** 2 * ax + 3 * t * t * (1 - t) * bx + t ** 3 * ex,
      (1 - t) ** 3 * soil + 3 * t * (1 - t) ** 2 * ay + 3 * t * t * (1 - t) * by + t ** 3 * ey,
    ];
    shapes.push({ zone: "stem", width: 2.2, d: `M200 ${soil} C${ax} ${ay} ${bx} ${by} ${ex} ${ey}` });
    for (const k of upTo(4)) {
      const [x, y] = at(0.24 + k * 0.2);
      const zone = i === 1 && k === 1 ? "undersides" : "leaves";
      shapes.push(...oval(zone, x, y, -38, -12 + k * 2, 11, k === 0 ? "old" : "leaf"));
      shapes.push(...oval(zone, x, y, 38, -10 - k * 2, 11, k === 0 ? "old" : "leaf"));
      joints.push(`M${x - 4} ${y} h8`);
    }
    shapes.push(...oval("new", ex, ey, -10, -22, 5, "young"), ...oval("new", ex, ey, 12, -20, 5, "young"));
  }
  if (n === 1) shapes.push(...oval("undersides", 166, 262, 44, -16, 11));
  shapes.push(
    { zone: "joints", width: 2.4, d: joints.join(" ") },
    { zone: "flowers", width: 1.4, d: "M162 214 Q196 186 210 206" },
    {
      zone: "flowers",
      fill: "flower",
      d: upTo(7)
        .map((i) => {
          const a = Math.PI * (0.1 + i * 0.13);
          const [x, y] = [210 + Math.cos(a) * 18, 206 + Math.sin(a) * 18];
          return `M${x.toFixed(0)} ${y.toFixed(0)} m-5 0 a5 5 0 1 0 10 0 a5 5 0 1 0 -10 0`;
        })
        .join(" "),
    },
    foot(184, 216),
  );
  return {
    shapes,
    anchors: {
      new: [190, 82],
      leaves: [124, 242],
      undersides: n === 1 ? [206, 246] : [290, 232],
      stem: [168, 286],
      flowers: [214, 220],
      joints: [150, 246],
      base: [186, soil],
    },
  };
}
