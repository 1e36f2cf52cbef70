/** A pot seen from the side, in cm: wider above than below, standing on the ground line. */
export interface PotShape {
  width: number;
  depth: number;
}

/** How much narrower a pot is at its foot than at its rim. */
const foot = 0.76;

/** The outline of a pot that stands on a ground line round a middle. */
export function outline({ width, depth }: PotShape, middle: number, ground: number): string {
  const rim = width / 2;
  const below = rim * foot;
  const top = ground - depth;
  return `M${middle - rim} ${top} L${middle - below} ${ground} L${middle + below} ${ground} L${middle + rim} ${top}`;
}

/** Half the width of a pot so high above its foot. */
export const halfAt = ({ width, depth }: PotShape, up: number) =>
  (width / 2) * (foot + (1 - foot) * Math.min(1, Math.max(0, up / depth)));

/** A layer of a filled pot, from one height above its foot to another. */
export function layer(pot: PotShape, from: number, to: number, middle: number, ground: number): string {
  const a = halfAt(pot, from);
  const b = halfAt(pot, to);
  return (
    `M${middle - a} ${ground - from} L${middle + a} ${ground - from} ` +
    `L${middle + b} ${ground - to} L${middle - b} ${ground - to} Z`
  );
}
