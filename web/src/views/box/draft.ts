import { useLocalStorage } from "@mantine/hooks";
import type { Schemas } from "../../api/client";
import { newId } from "../../api/id";

/** What was changed by hand at one plant of a box. */
export interface Change {
  name?: string;
  label?: string;
  kind?: string;
  habit?: string;
  left?: boolean;
  potWidthCm?: number;
  place?: string;
  note?: string;
}

/** A box that is being taken in: what is said once for all, its list, and what differs. */
export interface BoxDraft {
  text: string;
  box: string;
  on?: string;
  from: string;
  price?: number;
  packing?: Schemas["Arrived"]["packing"];
  place?: string;
  isolated: boolean;
  potWidthCm?: number;
  pattern: string;
  /** How all of it grows, where the list does not tell. */
  habit?: string;
  changes: Record<number, Change>;
  /**
   * Ids of each plant, of its arrival and of its first look, made once and found by its name: sent again after a
   * failure nothing is recorded twice, also where other lines were changed in between.
   */
  ids: Record<string, string[]>;
}

export const emptyBox: BoxDraft = {
  text: "",
  box: "",
  from: "",
  isolated: true,
  pattern: "",
  changes: {},
  ids: {},
};

/** The box at hand, kept on this device until it is recorded. */
export const useBoxDraft = () =>
  useLocalStorage<BoxDraft>({ key: "box-in", defaultValue: emptyBox, getInitialValueInEffect: false });

type Listed = Schemas["BoxPreview"]["plants"][number];

/** What tells plants of a box apart: what their lines call them, and which of the same name it is. */
const keysOf = (plants: Listed[]) => {
  const seen = new Map<string, number>();
  return plants.map((p) => {
    const n = (seen.get(p.name) ?? 0) + 1;
    seen.set(p.name, n);
    return `${p.name}#${n}`;
  });
};

/** Three ids for each plant, the known ones kept. */
export const idsFor = (plants: Listed[], known: BoxDraft["ids"]): BoxDraft["ids"] => ({
  ...known,
  ...Object.fromEntries(keysOf(plants).map((k) => [k, known[k] ?? [newId(), newId(), newId()]])),
});

/** What the preview asks of labels: those written by hand, by turn, and whose turn is left out. */
export function labelsAndLeft(changes: BoxDraft["changes"]): { labels?: string[]; left?: number[] } {
  const turns = Object.entries(changes);
  const left = turns.filter(([, c]) => c.left).map(([turn]) => Number(turn));
  const byHand = turns.filter(([, c]) => c.label);
  const labels: string[] = new Array(Math.max(-1, ...byHand.map(([turn]) => Number(turn))) + 1).fill("");
  for (const [turn, c] of byHand) labels[Number(turn)] = c.label ?? "";
  return { labels: labels.length > 0 ? labels : undefined, left: left.length > 0 ? left : undefined };
}

/** What a plant of a box is called that was sent with an id. */
export function nameOf(plants: Listed[], draft: BoxDraft, id: string): string {
  const at = keysOf(plants).findIndex((key) => draft.ids[key]?.[0] === id);
  return draft.changes[at]?.name ?? plants[at]?.name ?? "A plant";
}

/** What is recorded of a box: each plant's arrival, and as its first look what its line says it has. */
export function entriesOf(draft: BoxDraft, plants: Listed[], today: string) {
  const on = draft.on ?? today;
  const keys = keysOf(plants);
  return plants.flatMap((p, i) => {
    const changed = draft.changes[i] ?? {};
    if (changed.left) return [];
    const [plant = "", arrival = "", look = ""] = draft.ids[keys[i] ?? ""] ?? [];
    const kind = changed.kind ?? p.kinds[0];
    const arrived = {
      name: changed.name ?? p.name,
      label: changed.label ?? p.label,
      profile: kind || undefined,
      habit: changed.habit || p.habit || draft.habit || "",
      from: draft.from || undefined,
      price: p.price,
      packing: draft.packing,
      place: changed.place ?? draft.place,
      isolated: draft.isolated,
      potWidthCm: changed.potWidthCm ?? draft.potWidthCm,
      note: changed.note?.trim() || undefined,
      had: "unknown" as const,
      box: draft.box,
    };
    const present = p.present.map((s) => s.sign);
    const unsure = p.present.filter((s) => !s.sure).map((s) => s.sign);
    const seen = p.present.length + p.absent.length > 0;
    return [
      { plant, id: arrival, on, arrived },
      ...(seen ? [{ plant, id: look, on, examined: { present, unsure, absent: p.absent } }] : []),
    ];
  });
}
