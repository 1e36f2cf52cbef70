import type { Schemas } from "../api/client";
import type { Draft } from "../api/recording";

/** What is recorded when a job is answered in one tap: exactly what its label says. */
export function doneBody(job: Pick<Schemas["Due"], "job" | "strength" | "measure">, on: string): Draft {
  if (job.strength) return { on, fed: { strength: job.strength } };
  if (job.measure) return { on, checked: { readings: [{ measure: job.measure, value: 0 }] } };
  return { on, tended: { jobs: [job.job] } };
}
