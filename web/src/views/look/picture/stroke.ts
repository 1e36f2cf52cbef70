/** One stroke of a small picture: a path that is filled or drawn, or a dot. */
export interface Stroke {
  d: string;
  fill?: string;
  line?: string;
  width?: number;
  /** Whether it stays inside the part that it is on. */
  inside?: boolean;
}

/** What a letter after a mark stands for: the colours of the cloth, so that both themes hold. */
const tones: Record<string, string> = {
  y: "#d9a92c",
  l: "#ece3b0",
  b: "#8a5a2c",
  k: "#2b2622",
  w: "#fbf8ee",
  g: "#8f9290",
  r: "#b5432f",
  o: "#d2722a",
  t: "#b48e5f",
  s: "#c9ced0",
  p: "#7a4a72",
  c: "#5f9bb0",
  n: "#4f7d4c",
  /** The cloth that a picture lies on, for what is missing. */
  h: "#f1ead9",
  u: "#cdb892",
};

export const tone = (letter: string | undefined, other = "b") => tones[letter ?? other] ?? tones[other] ?? "#8a5a2c";

export const fill = (d: string, letter: string, inside = false): Stroke => ({ d, fill: tone(letter), inside });
export const line = (d: string, letter: string, width = 1.6, inside = false): Stroke => ({
  d,
  line: tone(letter),
  width,
  inside,
});

/** A dot as a path. */
export const dot = (x: number, y: number, r: number, letter: string, inside = false): Stroke =>
  fill(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`, letter, inside);

export const ring = (x: number, y: number, r: number, letter: string, inside = false): Stroke =>
  line(`M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`, letter, 1.6, inside);

/** Places scattered over a field, the same each time. */
export function scatter(
  n: number,
  [x, y, w, h]: readonly [number, number, number, number],
  seed = 7,
): [number, number][] {
  let s = seed;
  const next = () => {
    s = (s * 16807) % 2147483647;
    return s / 2147483647;
  };
  return Array.from({ length: n }, () => [Math.round(x + w * next()), Math.round(y + h * next())]);
}
