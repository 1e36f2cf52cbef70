import type { TripPot } from "../../api/trips";
import { addDays } from "../../dates";

const aids: Record<string, string> = {
  "out-of-sun": "out of the sun",
  together: "close together with others",
  covered: "under a clear bag",
};

/** What is done to a plant before leaving, in words. */
export const sayAids = (list: string[]) => list.map((a) => aids[a] ?? a).join(", ");

/** The days on which a plant is seen to. */
export const daysOf = (pot: TripPot, from: string) => pot.days.map((d) => addDays(from, d));

/** Places in the order of the sheet, each with its plants. */
export function byPlace<T extends { place: string }>(list: T[]): [string, T[]][] {
  const places = new Map<string, T[]>();
  for (const p of list) places.set(p.place, [...(places.get(p.place) ?? []), p]);
  return [...places];
}
