import type { Schemas } from "../api/client";
import type { Draft } from "../api/hooks";

/** What is recorded when a job is answered in one tap: exactly what its label says. */
export function doneBody(job: Pick<Schemas["Due"], "job" | "strength">, on: string): Draft {
  if (job.strength) return { on, fed: { strength: job.strength } };
  if (job.job === "pest-look") return { on, checked: { readings: [{ measure: "live-pests", value: 0 }] } };
  return { on, tended: { jobs: [job.job] } };
}
