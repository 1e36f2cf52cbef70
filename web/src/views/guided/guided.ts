import type { LookAnswers, Schemas } from "../../api/client";
import { newId } from "../../api/id";
import type { Side } from "../look/look";

/** Where a guided look stands: what was said, which plant, one question after the other, and its end. */
export type Step = "say" | "confirm" | "pick" | "which" | "ask" | "end";

/** A guided look as it is kept on this device. */
export interface Guide {
  id: string;
  step: Step;
  said: string;
  /** Signs that were said and are still to be shown to whoever said them. */
  candidates: string[];
  habit?: string;
  kind?: string;
  kindName?: string;
  /** The group of kinds that was spoken of, where no kind was named: "my orchid". */
  group?: Schemas["KindGroup"];
  answers: LookAnswers;
  /** True where one goes on although enough was asked. */
  more?: boolean;
  /** Signs in the order in which they were answered one by one, for going back. */
  asked: string[];
}

export const begin = (): Guide => ({
  id: newId(),
  step: "say",
  said: "",
  candidates: [],
  answers: { present: [], absent: [], unsure: [], unknown: [] },
  asked: [],
});

const without = (list: string[] | undefined, id: string) => (list ?? []).filter((x) => x !== id);

/** The answers with nothing said of a sign. */
export const unanswered = (a: LookAnswers, id: string): LookAnswers => ({
  ...a,
  present: without(a.present, id),
  absent: without(a.absent, id),
  unsure: without(a.unsure, id),
  unknown: without(a.unknown, id),
});

/** The answers with one more: seen, not there, or nobody can tell. */
export function put(a: LookAnswers, id: string, side: Side, sure = true): LookAnswers {
  const open = unanswered(a, id);
  const unsure = sure || side === "unknown" ? open.unsure : [...(open.unsure ?? []), id];
  return { ...open, unsure, [side]: [...(open[side] ?? []), id] };
}

/** What was said of a sign; nothing where it was not answered. */
export function sideOf(a: LookAnswers, id: string): Side | undefined {
  if (a.present.includes(id)) return "present";
  if (a.absent.includes(id)) return "absent";
  return a.unknown?.includes(id) ? "unknown" : undefined;
}

/** The answer to a question that was asked by itself. */
export const ask = (g: Guide, sign: string, side: Side): Guide => ({
  ...g,
  answers: put(g.answers, sign, side),
  asked: [...without(g.asked, sign), sign],
});

/** One step back: the last question is open again, or the step before the first one is shown. */
export function back(g: Guide, known: boolean): Guide {
  const last = g.asked.at(-1);
  if ((g.step === "ask" || g.step === "end") && last) {
    return { ...g, step: "ask", asked: g.asked.slice(0, -1), answers: unanswered(g.answers, last) };
  }
  if (g.step === "ask" || g.step === "end") return { ...g, step: known ? "say" : "which" };
  return { ...g, step: "say" };
}

/** Takes over what a sentence was read as: all of it is still to be confirmed. */
export function read(g: Guide, view: Schemas["ReadView"]): Guide {
  const kind = view.kinds[0];
  let answers = g.answers;
  for (const s of view.present) answers = put(answers, s.sign, "present", s.sure);
  for (const s of view.absent) answers = put(answers, s, "absent");
  return {
    ...g,
    answers,
    candidates: [...view.present.map((s) => s.sign), ...view.absent],
    step: "confirm",
    group: view.group,
    ...(kind && !g.kind ? { kind: kind.id, habit: kind.habit, kindName: kind.common } : {}),
  };
}
