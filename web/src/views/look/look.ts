import type { Knowledge, LookAnswers, Schemas } from "../../api/client";
import { newId } from "../../api/id";

export type Sign = Knowledge["signs"][number];
export type Ask = Schemas["Ask"];
export type Degree = NonNullable<LookAnswers["degrees"]>[string];

/** What was answered at a look, before it is recorded. */
export type Answers = LookAnswers;

/** A look as it is kept on this device until it is recorded. */
export interface Draft extends Answers {
  id: string;
  overruled: { sign: string; reason: string }[];
}

export type Side = "present" | "absent" | "unknown";

export const emptyLook = (): Draft => ({ id: newId(), present: [], absent: [], overruled: [] });

/** What of a draft is an answer, as it is sent. */
export const answersOf = ({ present, absent, unsure, again, unknown, degrees }: Answers): Answers => ({
  present,
  absent,
  unsure: unsure?.length ? unsure : undefined,
  again: again?.length ? again : undefined,
  unknown: unknown?.length ? unknown : undefined,
  degrees: degrees && Object.keys(degrees).length > 0 ? degrees : undefined,
});

/**
 * Answers a sign; the same answer again takes it back. What wants a lens, a nose or a trained eye is only thought to
 * be seen until one says that one is sure.
 */
export function answered<T extends Answers>(draft: T, sign: Pick<Sign, "id" | "expert"> | undefined, to: Side): T {
  if (!sign) return draft;
  const id = sign.id;
  const was = (draft[to] ?? []).includes(id);
  const not = (list: string[] | undefined) => (list ?? []).filter((s) => s !== id);
  const { [id]: _, ...degrees } = draft.degrees ?? {};
  const open = {
    ...draft,
    present: not(draft.present),
    absent: not(draft.absent),
    unknown: not(draft.unknown),
    unsure: not(draft.unsure),
    again: not(draft.again),
    degrees,
  };
  if (was) return open;
  const thought = to === "present" && sign.expert ? [...open.unsure, id] : open.unsure;
  return { ...open, [to]: [...open[to], id], unsure: thought };
}

/** How sure one is of an answer; a sign seen can be looked for a second time. */
export type Sureness = "thought" | "sure" | "twice";

/** Says how sure one is of an answer. What is seen twice is seen, also where only the record said so. */
export const sureOf = <T extends Answers>(draft: T, id: string, how: Sureness): T => ({
  ...draft,
  present: how === "twice" && !draft.present.includes(id) ? [...draft.present, id] : draft.present,
  unsure: [...(draft.unsure ?? []).filter((s) => s !== id), ...(how === "thought" ? [id] : [])],
  again: [...(draft.again ?? []).filter((s) => s !== id), ...(how === "twice" ? [id] : [])],
});

/** Says how much there is of a sign seen; the same again takes it back. */
export function graded<T extends Answers>(draft: T, id: string, degree: Degree): T {
  const { [id]: was, ...others } = draft.degrees ?? {};
  return { ...draft, degrees: was === degree ? others : { ...others, [id]: degree } };
}

/** Answers a whole part with "nothing amiss": what it denies and nobody answered is thought not to be there. */
export function quiet<T extends Answers>(draft: T, denied: string[]): T {
  const open = denied.filter((s) => !draft.present.includes(s) && !draft.absent.includes(s));
  return { ...draft, absent: [...draft.absent, ...open], unsure: [...(draft.unsure ?? []), ...open] };
}
