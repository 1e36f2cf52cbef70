import type { Knowledge, Schemas } from "../api/client";

const standings: Record<string, string> = {
  arrived: "just arrived",
  examined: "examined",
  opened: "to be looked at",
  well: "well",
  watched: "watched",
  diagnosed: "diagnosed",
  mending: "mending",
  mended: "mended",
  wished: "as was wished",
  done: "done",
  "given-away": "given away",
  lost: "lost",
  "kept-under-watch": "kept under watch",
  "nothing-found": "nothing found",
  rooting: "rooting",
  rooted: "rooting, some with roots",
  parted: "all parted",
  died: "all died",
};

/** Where a plant stands, in words. */
export const standingWord = (standing: string) => standings[standing] ?? standing;

const isolations: Record<string, string> = { clean: "among the others", watch: "under watch", isolated: "isolated" };

/** How freely a plant stands among the others, in words. */
export const isolationWord = (isolation: string) => isolations[isolation] ?? isolation;

/** How many of a thing: "1 look", "3 looks". */
export const sayCount = (n: number, one: string) => `${n} ${n === 1 ? one : (many[one] ?? `${one}s`)}`;

const many: Record<string, string> = { leaf: "leaves", entry: "entries", person: "persons" };

/** How long something takes: minutes, and from two hours on hours to the half. */
export const sayTime = (minutes: number) =>
  minutes < 120 ? sayCount(minutes, "minute") : sayCount(Math.round(minutes / 30) / 2, "hour");

/** How often something is so: "11 times in 100", "once in 100". */
export const sayTimesIn100 = (chance: number) => {
  const n = Math.max(1, Math.round(chance * 100));
  return `${n === 1 ? "once" : sayCount(n, "time")} in 100`;
};

/** How likely a cause is, in the words that the trade's tables give to its chance. */
export const likelihood = (knowledge: Knowledge, chance: number) =>
  knowledge.likelihoods?.find((l) => chance >= l.from) ?? { word: sayPercent(chance), folded: false };

/** A chance as people say it: "7 in 10", "1 in 12", "nearly sure". */
export function sayChance(chance: number): string {
  if (chance >= 0.985) return "nearly sure";
  if (chance >= 0.095) return `${Math.round(chance * 10)} in 10`;
  if (chance >= 0.01) return `1 in ${Math.round(1 / chance)}`;
  return "hardly";
}

/** A chance in per cent, finer where it is small. */
export function sayPercent(chance: number): string {
  // Nothing is ever certain, and it must not look so.
  if (chance > 0.995 && chance < 1) return "over 99 %";
  return `${(chance * 100).toFixed(chance < 0.0995 && chance > 0 ? 1 : 0)} %`;
}

/** How many times likelier a sign made a cause: "×4", or "÷3" when it speaks against it. */
export function sayTimes(times: number): string {
  const size = times >= 1 ? times : 1 / times;
  return `${times >= 1 ? "×" : "÷"}${size < 9.5 ? Number(size.toFixed(1)) : Math.min(999, Math.round(size))}`;
}

/** Words as they begin a sentence. */
export const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Words with the mark that ends a sentence; one that they end with stays. */
export const asSentence = (words: string) => (/[.?!]$/.test(words) ? words : `${words}.`);

/** How a stick comes out of the medium, driest first. */
export const moistures = ["dry", "barely", "moist", "wet"] as const;
export type Moisture = (typeof moistures)[number];

type Result = Schemas["Judged"]["result"];

/** What may come of a trial, in the order in which it is asked. */
export const results: { value: Result; label: string }[] = [
  { value: "better", label: "it helped" },
  { value: "same", label: "no difference" },
  { value: "worse", label: "it did harm" },
  { value: "unclear", label: "cannot tell" },
];

export const resultWord = (result: string) => results.find((r) => r.value === result)?.label ?? result;
