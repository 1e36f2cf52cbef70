import {
  blade,
  bulb,
  type Counts,
  type Drawing,
  flower,
  foot,
  oval,
  type Shape,
  soil,
  upTo,
  veins,
  within,
} from "./strokes";

/** Bulbs in a row along a rhizome: the oldest bare at the left, the newest leafy, a shoot before it. */
export function bulbed({ growths }: Counts): Drawing {
  const n = within(growths, 3, 1, 6);
  const gap = Math.min(40, 132 / n);
  const start = 196 - (gap * (n - 1)) / 2;
  const shapes: Shape[] = [];
  const at = (i: number) => start + gap * i;
  const height = (i: number) => 84 - (n - 1 - i) * 12;
  for (const i of upTo(n)) {
    const [x, top] = [at(i), soil - height(i)];
    const age = n - 1 - i;
    if (age >= 3) continue;
    if (age === 2) shapes.push(...blade("leaves", x, top, -60, -92, 11, "old"));
    if (age === 1) {
      shapes.push(...blade("leaves", x, top, -40, -144, 12));
      shapes.push(...blade("undersides", x, top, 8, -168, 12));
    }
    if (age === 0) {
      shapes.push(...blade("leaves", x, top, 66, -120, 12));
      shapes.push(...blade("new", x, top, 22, -158, 10, "young"));
      if (n === 1) shapes.push(...blade("undersides", x, top, -48, -136, 12));
    }
  }
  for (const i of upTo(n)) shapes.push(...bulb(at(i), height(i), Math.min(38, gap * 0.95)));
  const [last, lastTop] = [at(n - 1), soil - height(n - 1)];
  const old = at(Math.max(0, n - 2));
  shapes.push(
    { zone: "new", fill: "young", d: `M${last + 24} ${soil} q3 -24 13 -34 q6 16 -3 34 Z` },
    { zone: "flowers", width: 1.6, d: `M${last - 17} 340 C${last + 20} 250 ${last + 56} 196 288 120` },
    flower(288, 120),
    {
      zone: "joints",
      width: 1.6,
      d: upTo(n)
        .map((i) => `M${at(i) - 6} ${soil - height(i) + 3} q6 -5 12 0`)
        .join(" "),
    },
    foot(at(0) - 20, last + 38),
  );
  return {
    shapes,
    anchors: {
      new: [last + 34, 322],
      leaves: [old - 30, 226],
      undersides: [old + 4, 150],
      stem: [last, lastTop + 50],
      flowers: [288, 118],
      joints: [at(0), soil - height(0) + 2],
      base: [at(0) - 12, soil],
    },
  };
}

/** One stem with strap leaves in two ranks and roots that leave the pot. */
export function singleStem({ leaves }: Counts): Drawing {
  const pairs = Math.ceil(within(leaves, 5, 2, 10) / 2);
  const step = Math.min(24, 84 / pairs);
  const shapes: Shape[] = [];
  for (const i of upTo(pairs)) {
    const y = 332 - i * step;
    const reach = 112 - i * 4;
    const rise = 4 - i * 26;
    const fill = i === 0 && pairs > 1 ? "old" : "leaf";
    shapes.push(...blade("leaves", 196, y, -reach, rise, 20, fill));
    shapes.push(...blade(i === 1 || pairs === 1 ? "undersides" : "leaves", 204, y - 3, reach, rise - 4, 20, fill));
  }
  const top = 332 - pairs * step;
  shapes.push(
    ...blade("new", 200, top + 6, -50, -84, 15, "young"),
    { zone: "stem", fill: "stem", d: `M190 ${soil} L194 ${top} L206 ${top} L210 ${soil} Z` },
    {
      zone: "joints",
      width: 1.6,
      d: upTo(pairs)
        .map((i) => `M191 ${332 - i * step} h18`)
        .join(" "),
    },
    { zone: "flowers", width: 1.6, d: "M206 316 C250 270 248 150 284 96" },
    flower(284, 96),
    foot(180, 220),
    { zone: "roots", width: 2.6, d: "M192 340 C168 346 150 338 132 352 M208 338 C236 344 246 340 262 356" },
  );
  return {
    shapes,
    anchors: {
      new: [160, top - 50],
      leaves: [104, 332],
      undersides: [294, 332 - step - 28],
      stem: [206, 322],
      flowers: [284, 92],
      joints: [192, 326],
      base: [184, soil],
    },
  };
}

/** Fat bulbs in papery sheaths; only the newest carries its broad, pleated leaves. */
export function deciduous({ growths }: Counts): Drawing {
  const n = within(growths, 3, 1, 5);
  const gap = Math.min(48, 140 / n);
  const start = 190 - (gap * (n - 1)) / 2;
  const at = (i: number) => start + gap * i;
  const height = (i: number) => 92 - (n - 1 - i) * 14;
  const last = at(n - 1);
  const top = soil - height(n - 1);
  const broad: [string, number, number, Shape["fill"]][] = [
    ["leaves", -88, -70, "old"],
    ["leaves", 92, -64, "leaf"],
    ["leaves", -52, -138, "leaf"],
    ["undersides", 66, -130, "leaf"],
    ["new", 6, -164, "young"],
  ];
  const shapes = broad.flatMap(([zone, dx, dy, fill]) => [
    ...blade(zone, last, top + 6, dx, dy, 19, fill),
    // The pleats along the blade.
    {
      zone,
      width: 0.8,
      d: [-0.4, 0.4]
        .map((side) => {
          const l = Math.hypot(dx, dy);
          const [nx, ny] = [(-dy / l) * 19 * side, (dx / l) * 19 * side];
          return `M${last} ${top + 6} Q${last + dx * 0.45 + nx * 1.4} ${top + 6 + dy * 0.45 + ny * 1.4}
            ${last + dx * 0.92} ${top + 6 + dy * 0.92}`;
        })
        .join(" "),
    },
  ]);
  for (const i of upTo(n)) {
    const [x, h] = [at(i), height(i)];
    const w = Math.min(46, gap);
    shapes.push(...bulb(x, h, w));
    // Rings and torn sheaths of the leaves that fell.
    shapes.push({
      zone: "stem",
      width: 0.9,
      d: [0.3, 0.52, 0.72].map((t) => `M${x - w * 0.56} ${soil - h * t} q${w * 0.56} 7 ${w * 1.12} 0`).join(" "),
    });
    shapes.push({
      zone: "base",
      width: 1,
      d: `M${x - w * 0.5} ${soil} l-5 -22 l7 6 l3 -10 l5 12 M${x + w * 0.5} ${soil} l4 -20 l-6 5 l-3 -9 l-4 11`,
    });
  }
  shapes.push(
    { zone: "joints", width: 1.7, d: `M${last - 9} ${top + 8} q9 -7 18 0` },
    { zone: "flowers", width: 1.6, d: `M${at(0) + 8} ${soil - 16} C${at(0) - 10} 260 110 210 106 152` },
    flower(106, 150),
    foot(at(0) - 26, last + 30),
  );
  return {
    shapes,
    anchors: {
      new: [last + 4, top - 120],
      leaves: [last - 46, top - 90],
      undersides: [last + 48, top - 90],
      stem: [last + 14, top + 50],
      flowers: [106, 146],
      joints: [last - 8, top + 6],
      base: [at(0) - 20, soil],
    },
  };
}

/** Stems that creep along the surface and turn up, with netted oval leaves. */
export function creeper({ growths }: Counts): Drawing {
  const n = within(growths, 2, 1, 3);
  const shapes: Shape[] = [];
  const rising: [number, number, number][] = [
    [146, 236, 178],
    [200, 262, 222],
    [232, 286, 256],
  ];
  for (const i of upTo(n)) {
    const [from, to, top] = rising[i] as [number, number, number];
    shapes.push({
      zone: "stem",
      width: 3,
      d: `M${from} ${soil} C${from + 30} ${soil - 4} ${to - 22} ${soil - 10} ${to - 8} ${soil - 44} Q${to} ${top + 44}
        ${to - 6} ${top + 10}`,
    });
    const [x, step] = [to - 6, (soil - 60 - top) / 3];
    for (const k of upTo(3)) {
      const y = soil - 50 - k * step;
      for (const side of [-1, 1]) {
        const zone = k === 1 && side === 1 ? "undersides" : "leaves";
        const [dx, dy, bulge] = [side * (48 - k * 7), -14 - k * 5, 14 - k];
        shapes.push(...oval(zone, x, y, dx, dy, bulge, k === 0 ? "old" : "leaf"), veins(zone, x, y, dx, dy, bulge));
      }
    }
    shapes.push(...oval("new", x, top + 14, -16, -30, 8, "young"), ...oval("new", x, top + 14, 14, -32, 8, "young"));
  }
  shapes.push(
    ...oval("leaves", 150, soil - 6, -34, -16, 11, "old"),
    { zone: "joints", width: 2.4, d: `M168 ${soil - 8} l6 6 M190 ${soil - 11} l6 6 M${212} ${soil - 16} l6 5` },
    { zone: "flowers", width: 1.4, d: "M222 196 Q214 120 224 66" },
    {
      zone: "flowers",
      fill: "flower",
      d: upTo(5)
        .map((i) => `M${221 + (i % 2) * 2} ${72 + i * 16} q-7 -5 0 -10 q7 5 0 10 Z`)
        .join(" "),
    },
    foot(138, 232),
  );
  return {
    shapes,
    anchors: {
      new: [232, 180],
      leaves: [196, 282],
      undersides: [270, 248],
      stem: [228, 300],
      flowers: [224, 84],
      joints: [172, soil - 4],
      base: [150, soil],
    },
  };
}
