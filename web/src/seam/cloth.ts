import type { Schemas } from "../api/client";

type Band = Schemas["Span"];

/** The cloth of a stage: red where it was fallen back into, then from slate to green as it mends. */
export function bandColour(band: Band, index: number): string {
  if (band.back) return "var(--red-cloth)";
  if (band.stage === "mended") return "var(--kelp-cloth)";
  return index % 2 === 0 ? "var(--slate-cloth)" : "var(--kelp-cloth)";
}
