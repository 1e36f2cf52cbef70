import type { QueryClient } from "@tanstack/react-query";
import type { LookAnswers } from "./client";

/**
 * Keys of what is fetched. All that hangs on one plant's record stands under the plant, all that is summed over the
 * collection stands under the collection, and the rest does not change with what is recorded.
 */
export const keys = {
  plant: (plant: string) => ["plant", plant] as const,
  file: (plant: string, of = "") => ["plant", plant, "file", of] as const,
  entries: (plant: string) => ["plant", plant, "entries"] as const,
  differential: (plant: string, said: LookAnswers, overruled: string[]) =>
    [
      "plant",
      plant,
      "differential",
      ...[said.present, said.absent, said.unsure ?? [], said.again ?? [], said.unknown ?? [], overruled].map((ids) =>
        [...ids].sort(),
      ),
      said.degrees ?? {},
    ] as const,
  preview: (plant: string, decided: string, ...asked: unknown[]) =>
    ["plant", plant, "preview", decided, ...asked] as const,
  choices: (plant: string, decided: string, ...asked: unknown[]) =>
    ["plant", plant, "choices", decided, ...asked] as const,
  review: (plant: string, span: string, of: string) => ["plant", plant, "review", span, of] as const,
  shopping: (plant: string) => ["plant", plant, "shopping"] as const,
  ways: (plant: string) => ["plant", plant, "ways"] as const,
  family: (plant: string) => ["plant", plant, "family"] as const,
  plants: ["plant"] as const,

  collection: ["collection"] as const,
  register: (filter: object) => ["collection", "plants", filter] as const,
  rounds: ["collection", "rounds"] as const,
  walk: (limit: number, minutes: number) => ["collection", "rounds", limit, minutes] as const,
  places: ["collection", "places"] as const,
  years: ["collection", "places", "years"] as const,
  place: (place: string) => ["collection", "places", place] as const,
  fit: ["collection", "places", "fit"] as const,
  comparison: (plants: string[], sisters: boolean) => ["collection", "comparison", plants, sisters] as const,
  benchDay: (tag: string) => ["collection", "bench-day", tag] as const,
  batches: ["collection", "batches"] as const,
  outbreaks: ["collection", "outbreaks"] as const,
  outbreak: (cause: string, plant: string) => ["collection", "outbreaks", cause, plant] as const,
  box: (said: object) => ["collection", "box", said] as const,
  confirmed: ["collection", "confirmed"] as const,
  learning: ["collection", "learning"] as const,
  learningScores: ["collection", "learning", "scores"] as const,
  reliability: ["collection", "reliability"] as const,
  collectionReview: (span: string) => ["collection", "review", span] as const,
  trips: ["collection", "trips"] as const,
  trip: (trip: string) => ["collection", "trips", trip] as const,
  calendar: ["collection", "calendar"] as const,
  origins: (by: string, span: string) => ["collection", "origins", by, span] as const,
  originPlants: (by: string, span: string, of: string) => ["collection", "origins", by, span, of] as const,
  supplies: ["collection", "supplies"] as const,
  routine: ["collection", "routine"] as const,

  kinds: ["kinds"] as const,
  kind: (kind: string) => ["kinds", kind] as const,
  profiles: ["profiles"] as const,
  season: ["season"] as const,
  settings: ["settings"] as const,
  account: ["account"] as const,
};

type Query = { queryKey: readonly unknown[] } | undefined;

/** Keeps what was there while the same plant is asked something else; never what was there of another. */
export const ofPlant =
  (plant: string) =>
  <T>(before: T | undefined, query: Query) =>
    query?.queryKey[1] === plant ? before : undefined;

/** The same of one decision on a plant: the plan of another decision is never shown. */
export const ofDecision =
  (plant: string, decided: string) =>
  <T>(before: T | undefined, query: Query) =>
    query?.queryKey[1] === plant && query.queryKey[3] === decided ? before : undefined;

/** What was recorded on plants may change all that hangs on each, and every sum over the collection. */
export const recorded = (cache: QueryClient, ...plants: string[]) =>
  Promise.all([
    ...plants.map((plant) => cache.invalidateQueries({ queryKey: keys.plant(plant) })),
    cache.invalidateQueries({ queryKey: keys.collection }),
  ]);
