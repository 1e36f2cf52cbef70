import type { Answers } from "../look/look";

/** A plant that somebody sells, as far as it was looked at. */
export interface Offer extends Answers {
  habit: string;
  asked?: number;
  sound?: number;
  /** What it is called among others. */
  name?: string;
}

export const nothing: Offer = { habit: "", present: [], absent: [] };

/** What an offer is called: by name, or by its turn. */
export const nameOf = (offer: Offer, at: number) => offer.name?.trim() || `Offer ${at + 1}`;
