import type { Knowledge } from "../../api/client";
import type { ZoneState } from "../../figure/Figure";

/** How many signs of each zone were seen, and looked for in vain. */
export function zoneStates(
  knowledge: Knowledge | undefined,
  present: string[],
  absent: string[],
): Record<string, ZoneState> {
  const states: Record<string, ZoneState> = {};
  for (const sign of knowledge?.signs ?? []) {
    const state = states[sign.zone] ?? { seen: 0, absent: 0 };
    states[sign.zone] = state;
    if (present.includes(sign.id)) state.seen++;
    else if (absent.includes(sign.id)) state.absent++;
  }
  return states;
}
