import type { Schemas } from "../../api/client";

export type Potmate = Schemas["Potmate"];
export type Letter = Potmate["letter"];

const all: Letter[] = ["A", "B", "C", "D", "E", "F", "G", "H", "I", "J", "K", "L"];

/** The letters that can stand in a pot: those that were taken out of it are not used again. */
export const lettersOf = (shared: Schemas["PotView"] | undefined) =>
  all.filter((l) => !shared?.out.some((o) => o.letter === l));

/** A plant of a pot in a few words. */
export const sayWhich = (p: Pick<Potmate, "letter" | "name">) => (p.name ? `${p.letter}, ${p.name}` : p.letter);
