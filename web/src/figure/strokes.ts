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

/** How many growths and leaves to draw, as recorded; 0 where nobody counted. */
export interface Counts {
  growths: number;
  leaves: number;
}

// The drawings share one ground: 400 wide, the medium's surface at y = 352, the
// middle at x = 200.
export const soil = 352;

/** A recorded count brought into what can be drawn; where nobody counted, the usual. */
export const within = (count: number, usual: number, least: number, most: number) =>
  Math.min(most, Math.max(least, count > 0 ? count : usual));

/** The numbers from 0 to n − 1. */
export const upTo = (n: number) => Array.from({ length: n }, (_, i) => i);

const r = (n: number) => Math.round(n * 10) / 10;

/** A pointed blade from (x, y) to (x+dx, y+dy); bulge is its half width. */
export function blade(
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
  const at = (t: number, side: number) => `${r(x + dx * t + nx * side)} ${r(y + dy * t + ny * side)}`;
  const [tx, ty] = [r(x + dx), r(y + dy)];
  return [
    {
      zone,
      fill,
      d: `M${r(x)} ${r(y)} C${at(0.25, 1)} ${at(0.7, 1)} ${tx} ${ty} C${at(0.7, -1)} ${at(0.25, -1)} ${r(x)} ${r(y)} Z`,
    },
    { zone, width: 0.9, d: `M${r(x)} ${r(y)} L${at(0.86, 0)}` },
  ];
}

/** A blunt, thick leaf from (x, y) to (x+dx, y+dy), widest in its middle. */
export function oval(
  zone: string,
  x: number,
  y: number,
  dx: number,
  dy: number,
  bulge: number,
  fill: Shape["fill"] = "leaf",
): Shape[] {
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * bulge * 1.3, (dx / length) * bulge * 1.3];
  const at = (t: number, side: number) => `${r(x + dx * t + nx * side)} ${r(y + dy * t + ny * side)}`;
  const [tx, ty] = [r(x + dx), r(y + dy)];
  return [
    {
      zone,
      fill,
      d: `M${r(x)} ${r(y)} C${at(0.1, 1)} ${at(0.9, 1)} ${tx} ${ty} C${at(0.9, -1)} ${at(0.1, -1)} ${r(x)} ${r(y)} Z`,
    },
    { zone, width: 0.9, d: `M${r(x)} ${r(y)} L${at(0.8, 0)}` },
  ];
}

/** Side veins on a leaf drawn from (x, y) to (x+dx, y+dy). */
export function veins(zone: string, x: number, y: number, dx: number, dy: number, bulge: number, pairs = 4): Shape {
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [-dy / length, dx / length];
  const lines = upTo(pairs).flatMap((i) => {
    const t = 0.2 + (0.6 * i) / pairs;
    const reach = bulge * 0.62 * Math.sin(Math.PI * (t + 0.1));
    return [1, -1].map(
      (side) =>
        `M${r(x + dx * t)} ${r(y + dy * t)} L${r(x + dx * (t + 0.14) + nx * reach * side)}
          ${r(y + dy * (t + 0.14) + ny * reach * side)}`,
    );
  });
  return { zone, width: 0.8, d: lines.join(" ") };
}

/** A leaf on its own stalk: the stalk from (x, y), the blade beyond it. */
export function stalked(
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
    { zone: "stem", width: 1.8, d: `M${r(x)} ${r(y)} Q${r(x + sx * 0.4)} ${r(y + sy)} ${r(x + sx)} ${r(y + sy)}` },
    ...blade(zone, x + sx, y + sy, dx, dy, bulge, fill),
  ];
}

/** A pseudobulb that stands on the surface at x. */
export function bulb(x: number, height: number, width: number): Shape[] {
  const top = soil - height;
  const half = width / 2;
  return [
    {
      zone: "stem",
      fill: "bulb",
      d: `M${r(x - half)} ${soil} C${r(x - width * 0.78)} ${r(soil - height * 0.36)} ${r(x - width * 0.6)}
        ${r(top + 8)} ${r(x)} ${r(top)} C${r(x + width * 0.6)} ${r(top + 8)} ${r(x + width * 0.78)}
        ${r(soil - height * 0.36)} ${r(x + half)} ${soil} Z`,
    },
    ...[-1, 1].map(
      (side): Shape => ({
        zone: "stem",
        width: 0.9,
        d: `M${r(x + side * width * 0.2)} ${soil - 3} Q${r(x + side * width * 0.32)} ${r(soil - height / 2)}
          ${r(x + side * 2)} ${r(top + 7)}`,
      }),
    ),
  ];
}

/** A feathered frond that arches from (x0, y0) to (x1, y1). */
export function feather(
  zone: string,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  size: number,
  fill: Shape["fill"],
): Shape[] {
  const [cx, cy] = [x0 + (x1 - x0) * 0.12, y0 - (y0 - y1) * 1.12];
  const leaflets: string[] = [];
  for (let i = 3; i <= 9; i++) {
    const t = i / 9.6;
    const x = (1 - t) ** 2 * x0 + 2 * t * (1 - t) * cx + t * t * x1;
    const y = (1 - t) ** 2 * y0 + 2 * t * (1 - t) * cy + t * t * y1;
    const reach = size * (1 - t * 0.62);
    const tx = 2 * (1 - t) * (cx - x0) + 2 * t * (x1 - cx);
    const ty = 2 * (1 - t) * (cy - y0) + 2 * t * (y1 - cy);
    const l = Math.hypot(tx, ty) || 1;
    for (const side of [1, -1]) {
      const [first] = blade(
        zone,
        x,
        y,
        ((-ty / l) * side + tx / l / 2) * reach,
        ((tx / l) * side + ty / l / 2) * reach,
        4.6,
      );
      if (first) leaflets.push(first.d);
    }
  }
  return [
    { zone, fill, width: 1, d: leaflets.join(" ") },
    { zone, width: 1.6, d: `M${r(x0)} ${r(y0)} Q${r(cx)} ${r(cy)} ${r(x1)} ${r(y1)}` },
  ];
}

/** A small flower of three petals at the end of a spike. */
export const flower = (x: number, y: number): Shape => ({
  zone: "flowers",
  fill: "flower",
  d: `M${x} ${y} q-13 -11 0 -21 q13 10 0 21 Z M${x - 2} ${y + 20} q-16 -4 -10 -17 q14 3 10 17 Z M${x} ${y + 13} q16 -6
    14 -17 q-15 2 -14 17 Z`,
});

/** The line where a plant meets the surface. */
export const foot = (from: number, to: number): Shape => ({
  zone: "base",
  width: 2.6,
  d: `M${r(from)} ${soil} Q${r((from + to) / 2)} ${soil + 6} ${r(to)} ${soil}`,
});
