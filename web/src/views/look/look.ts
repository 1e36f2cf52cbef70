import type { Knowledge, Schemas } from "../../api/client";
import { newId } from "../../api/id";

export type Sign = Knowledge["signs"][number];
export type Ask = Schemas["Ask"];

/** What was answered at a look, before it is recorded. */
export interface Answers {
  present: string[];
  absent: string[];
}

/** A look as it is kept on this device until it is recorded. */
export interface Draft extends Answers {
  id: string;
  overruled: { sign: string; reason: string }[];
}

export const emptyLook = (): Draft => ({ id: newId(), present: [], absent: [], overruled: [] });

/** Answers a sign; the same answer again takes it back. */
export function answered<T extends Answers>(draft: T, sign: string, to: "present" | "absent"): T {
  const was = draft[to].includes(sign);
  const without = {
    ...draft,
    present: draft.present.filter((s) => s !== sign),
    absent: draft.absent.filter((s) => s !== sign),
  };
  return was ? without : { ...without, [to]: [...without[to], sign] };
}

/** Answers a whole part with "nothing amiss": what it denies and nobody answered is not there. */
export function quiet<T extends Answers>(draft: T, denied: string[]): T {
  const open = denied.filter((s) => !draft.present.includes(s) && !draft.absent.includes(s));
  return { ...draft, absent: [...draft.absent, ...open] };
}
