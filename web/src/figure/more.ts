import { blade, type Counts, type Drawing, foot, oval, type Shape, soil, stalked, upTo, within } from "./strokes";

/** A stalk of a flower with one open bloom. */
const bloom = (x: number, y: number, tx: number, ty: number): Shape[] => [
  { zone: "flowers", width: 1.4, d: `M${x} ${y} C${x + 10} ${(y + ty) / 2} ${tx - 14} ${ty + 40} ${tx} ${ty}` },
  {
    zone: "flowers",
    fill: "flower",
    d: `M${tx} ${ty} q-12 -10 0 -22 q12 12 0 22 Z M${tx - 8} ${ty + 2} q-14 2 -10 14 q12 -2 10 -14 Z M${tx + 8}
      ${ty + 2} q14 2 10 14 q-12 -2 -10 -14 Z`,
  },
];

/** A flat rosette of round stalked leaves with flowers in its middle. */
export function violet({ leaves }: Counts): Drawing {
  const n = within(leaves, 8, 5, 12);
  const shapes: Shape[] = [];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const low = Math.floor(i / 2);
    const zone = i === 2 ? "undersides" : "leaves";
    shapes.push(
      ...stalked(
        zone,
        200,
        soil - 8,
        side * (18 + low * 12),
        -20 - low * 14,
        side * (58 - low * 4),
        4 - low * 8,
        24,
        low < 1 ? "old" : "leaf",
      ),
    );
  }
  shapes.push(
    ...oval("new", 198, soil - 18, -4, -40, 9, "young"),
    { zone: "joints", width: 2, d: "M182 336 q18 -10 36 0" },
    { zone: "stem", width: 3.4, d: `M192 ${soil - 4} v-12 M208 ${soil - 4} v-12` },
    ...bloom(204, 318, 236, 216),
    foot(176, 224),
  );
  return {
    shapes,
    anchors: {
      new: [194, 296],
      leaves: [116, 336],
      undersides: [112, 312],
      stem: [208, 340],
      flowers: [236, 206],
      joints: [186, 334],
      base: [180, soil],
    },
  };
}

/** A bulb half out of the medium, strap leaves and a flower stalk. */
export function bulb({ leaves }: Counts): Drawing {
  const n = within(leaves, 5, 3, 8);
  const shapes: Shape[] = [
    {
      zone: "stem",
      fill: "bulb",
      d: `M200 ${soil - 56} C240 ${soil - 40} 248 ${soil + 8} 222 ${soil + 16} L178 ${soil + 16} C152 ${soil + 8} 160
        ${soil - 40} 200 ${soil - 56} Z`,
    },
    { zone: "stem", width: 1, d: `M186 ${soil - 42} q-18 28 -8 54 M214 ${soil - 42} q18 28 8 54` },
  ];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const lean = 26 + i * 15;
    const zone = i === 1 ? "undersides" : "leaves";
    shapes.push(...blade(zone, 200 + side * 4, soil - 54, side * lean, -190 + i * 16, 11, i > n - 3 ? "old" : "leaf"));
  }
  shapes.push(
    ...blade("new", 200, soil - 56, -4, -120, 7, "young"),
    { zone: "joints", width: 2.2, d: "M184 300 q16 -10 32 0" },
    ...bloom(204, soil - 56, 252, 108),
    foot(168, 232),
  );
  return {
    shapes,
    anchors: {
      new: [196, 184],
      leaves: [168, 180],
      undersides: [236, 190],
      stem: [232, 330],
      flowers: [252, 98],
      joints: [188, 298],
      base: [172, soil],
    },
  };
}

/** A fountain of narrow leaves from one clump, with a runner. */
export function clumpGrass({ leaves }: Counts): Drawing {
  const n = within(leaves, 11, 6, 17);
  const shapes: Shape[] = [];
  for (const i of upTo(n)) {
    const t = n > 1 ? i / (n - 1) : 0;
    const lean = (t - 0.5) * 2;
    const zone = i === Math.floor(n * 0.7) ? "undersides" : "leaves";
    const [tx, ty] = [200 + lean * 138, soil - 150 + Math.abs(lean) * 96];
    shapes.push({
      zone,
      fill: Math.abs(lean) > 0.8 ? "old" : "leaf",
      d: `M${196 + lean * 14} ${soil} C${200 + lean * 40} ${soil - 150} ${tx - lean * 34} ${ty - 34} ${tx} ${ty}
        C${tx - lean * 30} ${ty - 16} ${206 + lean * 46} ${soil - 120} ${206 + lean * 14} ${soil} Z`,
    });
  }
  shapes.push(
    ...blade("new", 200, soil, 4, -176, 6, "young"),
    { zone: "joints", width: 2.2, d: "M176 342 q24 -10 48 0" },
    { zone: "stem", width: 3.4, d: `M182 ${soil} v-14 M218 ${soil} v-14` },
    { zone: "flowers", width: 1.4, d: `M210 ${soil - 6} C262 230 316 236 330 292` },
    ...upTo(4).flatMap((i) => blade("flowers", 330, 292, -20 + i * 13, 26 - (i % 2) * 8, 3.4, "young")),
    foot(168, 232),
  );
  return {
    shapes,
    anchors: {
      new: [204, 186],
      leaves: [96, 282],
      undersides: [262, 214],
      stem: [218, 340],
      flowers: [322, 286],
      joints: [184, 338],
      base: [172, soil],
    },
  };
}

/** Stiff upright swords beside a branched fleshy stem. */
export function upright({ growths }: Counts): Drawing {
  const n = within(growths, 4, 2, 7);
  const shapes: Shape[] = [];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const x = 200 + side * (10 + Math.floor(i / 2) * 19);
    const zone = i === 1 ? "undersides" : "leaves";
    shapes.push(...blade(zone, x, soil, side * (4 + i * 5), -226 + i * 22, 12, i > 2 ? "old" : "leaf"));
  }
  shapes.push(
    ...blade("new", 200, soil, 2, -120, 9, "young"),
    { zone: "joints", width: 1.6, d: "M186 296 q6 -6 12 0 M204 262 q6 -6 12 0 M190 228 q6 -6 12 0" },
    { zone: "stem", width: 3.6, d: `M160 ${soil} v-16 M240 ${soil} v-16` },
    ...bloom(214, soil - 20, 276, 148),
    foot(156, 244),
  );
  return {
    shapes,
    anchors: {
      new: [202, 240],
      leaves: [186, 150],
      undersides: [220, 170],
      stem: [240, 342],
      flowers: [276, 138],
      joints: [192, 294],
      base: [162, soil],
    },
  };
}

/** Strands of beads over the rim. */
export function strands({ growths }: Counts): Drawing {
  const n = within(growths, 5, 3, 8);
  const shapes: Shape[] = [];
  const ends: [number, number][] = [];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const out = 44 + Math.floor(i / 2) * 24;
    const end: [number, number] = [200 + side * out, 424 - Math.floor(i / 2) * 40];
    ends.push(end);
    shapes.push({
      zone: "stem",
      width: 1.6,
      d: `M${200 + side * 10} ${soil - 6} C${200 + side * out * 0.6} ${soil - 60} ${end[0]} ${soil - 40} ${end[0]}
        ${end[1]}`,
    });
    for (const k of upTo(6)) {
      const y = soil - 24 + ((end[1] - soil + 24) * k) / 5;
      const zone = i === 0 && k === 3 ? "undersides" : k === 5 ? "new" : "leaves";
      shapes.push(...oval(zone, end[0] + (k % 2 ? 4 : -4), y, k % 2 ? 9 : -9, 3, 5.4, k === 5 ? "young" : "leaf"));
    }
  }
  shapes.push(
    { zone: "joints", width: 2, d: `M${(ends[0]?.[0] ?? 150) - 4} 380 h8 M${(ends[1]?.[0] ?? 250) - 4} 372 h8` },
    ...bloom(206, soil - 10, 238, 262),
    foot(170, 230),
  );
  const [x, y] = ends[0] ?? [150, 420];
  return {
    shapes,
    anchors: {
      new: [x, Math.min(436, y)],
      leaves: [ends[1]?.[0] ?? 250, 366],
      undersides: [x - 8, 384],
      stem: [164, 326],
      flowers: [238, 252],
      joints: [x + 4, 380],
      base: [174, soil],
    },
  };
}

/** Flat jointed segments that arch and bloom at their ends. */
export function segments({ growths }: Counts): Drawing {
  const n = within(growths, 5, 3, 7);
  const shapes: Shape[] = [];
  const joints: string[] = [];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const step = Math.floor(i / 2);
    let [x, y] = [200 + side * 6, soil - 4];
    for (const k of upTo(4)) {
      const dx = side * (10 + step * 10 + k * 9);
      const dy = -48 + k * 18 - step * 4;
      const zone = k === 3 ? (i === 0 ? "new" : "stem") : i === 1 && k === 2 ? "undersides" : k % 2 ? "leaves" : "stem";
      shapes.push(...oval(zone, x, y, dx, dy, 11, k === 3 ? "young" : "stem"));
      x += dx;
      y += dy;
      joints.push(`M${Math.round(x) - 6} ${Math.round(y)} h12`);
    }
    if (i === n - 1 || i === 2)
      shapes.push({
        zone: "flowers",
        fill: "flower",
        d: `M${x} ${y} q${side * 24} -8 ${side * 34} 8 q${side * -14} 10 ${side * -34} -8 Z`,
      });
  }
  shapes.push({ zone: "joints", width: 2.2, d: joints.join(" ") }, foot(172, 228));
  return {
    shapes,
    anchors: {
      new: [112, 236],
      leaves: [176, 282],
      undersides: [262, 258],
      stem: [210, 322],
      flowers: [n > 2 ? 80 : 300, 250],
      joints: [188, 304],
      base: [176, soil],
    },
  };
}

/** A tuft of silvery curved leaves that sits on a twig. */
export function airTuft({ leaves }: Counts): Drawing {
  const n = within(leaves, 11, 6, 15);
  const shapes: Shape[] = [{ zone: "stem", width: 5, d: "M120 348 C170 338 240 356 290 340" }];
  for (const i of upTo(n)) {
    const t = n > 1 ? i / (n - 1) : 0;
    const lean = (t - 0.5) * 2;
    const zone = i === Math.floor(n * 0.25) ? "undersides" : "leaves";
    shapes.push({
      zone,
      fill: Math.abs(lean) > 0.85 ? "old" : "leaf",
      d: `M${198 + lean * 8} 342 C${200 + lean * 40} 290 ${200 + lean * 120} ${250 + Math.abs(lean) * 50}
        ${200 + lean * 96} ${196 + Math.abs(lean) * 84} C${200 + lean * 96} ${262 + Math.abs(lean) * 40}
        ${206 + lean * 36} 300 ${205 + lean * 8} 342 Z`,
    });
  }
  shapes.push(
    ...blade("new", 200, 338, 0, -104, 6, "young"),
    { zone: "joints", width: 2, d: "M186 334 q14 -8 28 0" },
    ...bloom(204, 300, 232, 160),
    { zone: "base", width: 2.4, d: "M178 344 h44" },
    foot(178, 222),
  );
  return {
    shapes,
    anchors: {
      new: [200, 242],
      leaves: [292, 276],
      undersides: [122, 250],
      stem: [140, 344],
      flowers: [232, 150],
      joints: [190, 332],
      base: [182, 346],
    },
  };
}

/** Hinged traps and pitchers from one crown. */
export function traps({ growths }: Counts): Drawing {
  const n = within(growths, 6, 3, 9);
  const shapes: Shape[] = [];
  for (const i of upTo(n)) {
    const side = i % 2 ? 1 : -1;
    const step = Math.floor(i / 2);
    const [x, y] = [200 + side * (40 + step * 24), soil - 44 - (3 - step) * 22];
    const zone = i === 1 ? "undersides" : "leaves";
    shapes.push(
      { zone, width: 5, d: `M200 ${soil - 2} Q${200 + side * 14} ${y + 30} ${x} ${y}` },
      {
        zone,
        fill: step > 1 ? "old" : "leaf",
        d: `M${x} ${y} q-26 -8 -22 -34 q20 4 22 34 q2 -30 22 -34 q4 26 -22 34 Z`,
      },
      {
        zone,
        width: 0.9,
        d: upTo(5)
          .map((k) => `M${x - 20 + k * 4} ${y - 32 + k * 3} l-3 -6 M${x + 20 - k * 4} ${y - 32 + k * 3} l3 -6`)
          .join(" "),
      },
    );
  }
  shapes.push(
    ...oval("new", 200, soil - 4, 0, -60, 8, "young"),
    { zone: "joints", width: 2, d: "M182 342 q18 -10 36 0" },
    { zone: "stem", width: 3, d: `M190 ${soil} v-10 M210 ${soil} v-10` },
    ...bloom(204, soil - 10, 220, 150),
    foot(174, 226),
  );
  return {
    shapes,
    anchors: {
      new: [200, 290],
      leaves: [158, 220],
      undersides: [242, 220],
      stem: [210, 346],
      flowers: [220, 140],
      joints: [186, 340],
      base: [178, soil],
    },
  };
}

/** A branch of lobed leaves that creeps and climbs. */
export function ivy({ leaves }: Counts): Drawing {
  const n = within(leaves, 7, 4, 10);
  const along = (t: number): [number, number] => [120 + t * 170, soil - 40 - Math.sin(t * 3.1) * 150];
  const shapes: Shape[] = [
    {
      zone: "stem",
      width: 3,
      d: `M200 ${soil} C180 300 130 320 120 ${soil - 40} L${upTo(12)
        .map((i) =>
          along(i / 11)
            .map(Math.round)
            .join(" "),
        )
        .join(" L")}`,
    },
  ];
  const joints: string[] = [];
  for (const i of upTo(n)) {
    const [x, y] = along((i + 0.5) / n);
    const up = i % 2 ? 1 : -1;
    const [cx, cy] = [x, y + up * 34];
    const zone = i === 1 ? "undersides" : i === n - 1 ? "new" : "leaves";
    const fill = i === n - 1 ? "young" : i === 0 ? "old" : "leaf";
    const s = i === n - 1 ? 0.6 : 1;
    shapes.push(
      { zone, width: 1.3, d: `M${x} ${y} L${cx} ${cy}` },
      {
        zone,
        fill,
        d: `M${cx} ${cy} l${-24 * s} ${up * 6 * s} l${10 * s} ${up * 12 * s} l${-6 * s} ${up * 16 * s} l${20 * s}
          ${up * -6 * s} l${20 * s} ${up * 6 * s} l${-6 * s} ${up * -16 * s} l${10 * s} ${up * -12 * s} Z`,
      },
    );
    joints.push(`M${Math.round(x) - 5} ${Math.round(y)} h10`);
  }
  const [tx, ty] = along(0.97);
  shapes.push(
    { zone: "joints", width: 2.4, d: joints.join(" ") },
    { zone: "flowers", width: 1.3, d: "M236 196 q24 -40 44 -56" },
    { zone: "flowers", fill: "flower", d: "M280 140 q-10 -10 0 -20 q10 10 0 20 Z" },
    foot(184, 216),
  );
  const [lx, ly] = along(2.5 / n);
  const [ux, uy] = along(1.5 / n);
  return {
    shapes,
    anchors: {
      new: [Math.min(350, tx + 6), ty + 30],
      leaves: [lx, ly - 50],
      undersides: [ux + 10, uy + 50],
      stem: [142, 318],
      flowers: [280, 130],
      joints: [along(0.5 / n)[0], along(0.5 / n)[1]],
      base: [188, soil],
    },
  };
}

/** A bare cane with a tuft of sword leaves at its end; more canes beside it. */
export function cane({ growths }: Counts): Drawing {
  const n = within(growths, 2, 1, 3);
  const shapes: Shape[] = [];
  for (const i of upTo(n)) {
    const x = 200 + ([0, -52, 50][i] ?? 0);
    const top = soil - 150 + i * 46;
    shapes.push({ zone: "stem", width: 8 - i, d: `M${x} ${soil} L${x + (i ? 4 : 0)} ${top}` });
    for (const a of [-64, -40, -18, 18, 40, 64]) {
      const rad = (a * Math.PI) / 180;
      const zone = a === 40 && i === 0 ? "undersides" : "leaves";
      shapes.push(
        ...blade(
          zone,
          x,
          top,
          86 * Math.sin(rad),
          -78 * Math.cos(rad) + Math.abs(a) * 0.5,
          9,
          Math.abs(a) > 50 ? "old" : "leaf",
        ),
      );
    }
  }
  const top = soil - 150;
  shapes.push(
    ...blade("new", 200, top, 3, -98, 7, "young"),
    {
      zone: "joints",
      width: 1.6,
      d: upTo(5)
        .map((k) => `M194 ${top + 24 + k * 26} h12`)
        .join(" "),
    },
    ...bloom(204, top - 10, 262, 68),
    foot(184, 216),
  );
  return {
    shapes,
    anchors: {
      new: [204, top - 90],
      leaves: [128, top - 12],
      undersides: [256, top - 52],
      stem: [204, soil - 60],
      flowers: [262, 58],
      joints: [196, top + 76],
      base: [188, soil],
    },
  };
}

/** A scaly globe with a crown of stiff feathered fronds. */
export function cycad({ leaves }: Counts): Drawing {
  const n = within(leaves, 8, 4, 12);
  const shapes: Shape[] = [
    {
      zone: "stem",
      fill: "stem",
      d: `M200 ${soil - 66} C246 ${soil - 60} 246 ${soil + 2} 200 ${soil + 4} C154 ${soil + 2} 154 ${soil - 60} 200
        ${soil - 66} Z`,
    },
    {
      zone: "joints",
      width: 1.3,
      d: upTo(3)
        .flatMap((k) => upTo(4).map((m) => `M${172 + m * 18} ${soil - 46 + k * 18} l6 8 l6 -8`))
        .join(" "),
    },
  ];
  for (const i of upTo(n)) {
    const t = n > 1 ? i / (n - 1) : 0;
    const a = ((t - 0.5) * 168 * Math.PI) / 180;
    const [ex, ey] = [200 + 142 * Math.sin(a), soil - 66 - 132 * Math.cos(a) + Math.abs(t - 0.5) * 60];
    const zone = i === 1 ? "undersides" : "leaves";
    shapes.push({ zone, width: 1.8, d: `M200 ${soil - 66} Q${200 + 60 * Math.sin(a)} ${soil - 150} ${ex} ${ey}` });
    for (const k of upTo(7)) {
      const f = 0.25 + k * 0.11;
      const [x, y] = [200 + (ex - 200) * f, soil - 66 + (ey - soil + 66) * f - 14 * Math.sin(f * 3)];
      const [nx, ny] = [-Math.cos(a) * 15, -Math.sin(a) * 15 - 6];
      shapes.push({
        zone,
        width: 1.2,
        d: `M${x} ${y} l${nx.toFixed(1)} ${ny.toFixed(1)} M${x} ${y} l${(-nx).toFixed(1)} ${(-ny - 12).toFixed(1)}`,
      });
    }
  }
  shapes.push(
    ...blade("new", 200, soil - 66, 0, -84, 6, "young"),
    { zone: "flowers", fill: "flower", d: `M206 ${soil - 64} q-10 -26 2 -46 q14 22 -2 46 Z` },
    foot(162, 238),
  );
  return {
    shapes,
    anchors: {
      new: [200, 212],
      leaves: [306, 236],
      undersides: [110, 214],
      stem: [232, 328],
      flowers: [210, 262],
      joints: [178, 312],
      base: [166, soil],
    },
  };
}
