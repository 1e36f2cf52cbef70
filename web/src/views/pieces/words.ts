import type { Schemas } from "../../api/client";

export type Batch = NonNullable<Schemas["PlantFile"]["batch"]>;
export type Way = Schemas["WayHere"];

/** What pieces root in, in words. */
export const vesselWords: Record<Batch["vessel"], string> = {
  water: "in water",
  mix: "in mix",
  moss: "in moss",
  "moss-box": "in a closed box of moss",
  mother: "on the mother",
  pot: "each in its own pot",
};

const many: Record<string, string> = { leaf: "leaves" };

/** So many of a piece: "12 nodes", "1 leaf". */
export const sayPieces = (n: number, one: string) => `${n} ${n === 1 ? one : (many[one] ?? `${one}s`)}`;
