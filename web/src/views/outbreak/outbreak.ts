import type { Schemas } from "../../api/client";
import { newId } from "../../api/id";

export type OutbreakOf = Schemas["Outbreak"];
export type OutbreakPlant = OutbreakOf["plants"][number];
export type Role = OutbreakPlant["role"];

/** What a plant is in an outbreak, in words, and the mark that stands for it. */
export const roleWords: Record<Role, { words: string; mark: string }> = {
  sick: { words: "has it", mark: "✕" },
  suspect: { words: "may have it, undecided", mark: "?" },
  exposed: { words: "may have caught it", mark: "" },
  watched: { words: "watched for it", mark: "…" },
  cleared: { words: "looked through, nothing found", mark: "–" },
};

/** The mark on a plant: of one that may have caught it, how likely. */
export const markOf = (p: OutbreakPlant) =>
  p.role === "exposed" && p.chance ? `${p.chance.value}` : roleWords[p.role].mark;

/** What is recorded of a plant that is put on watch, or wants one look. */
export function watchEntry(cause: string, label: string, p: OutbreakPlant, on: string) {
  const once = p.act === "look";
  const reason = `${label}: ${p.ways[0] ?? "it may have caught it."}`.slice(0, 300);
  return {
    id: newId(),
    plant: p.id,
    on,
    moved: {
      ...(once || p.isolation === "isolated" ? {} : { isolation: "watch" as const }),
      reason,
      exposed: { cause, plant: p.from, ...(once ? { once } : {}) },
    },
  };
}
