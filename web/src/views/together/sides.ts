import { useLocalStorage } from "@mantine/hooks";
import type { LookAnswers, PlantRow, Schemas } from "../../api/client";
import { newId } from "../../api/id";
import { answered, type Sign } from "../look/look";

/** What was answered of plants that are looked at side by side: the signs that are asked, and each plant's answers. */
export interface Sides {
  signs: string[];
  of: Record<string, LookAnswers>;
  /** Ids of what is sent, made once. */
  ids: Record<string, string>;
}

const none: Sides = { signs: [], of: {}, ids: {} };
const empty: LookAnswers = { present: [], absent: [] };

/** The looks at plants of one tag, kept on this device until they are recorded. */
export function useSides(tag: string) {
  const [sides, setSides] = useLocalStorage<Sides>({
    key: `together-${tag}`,
    defaultValue: none,
    getInitialValueInEffect: false,
  });
  const of = (plant: string) => sides.of[plant] ?? empty;
  return {
    sides,
    of,
    ask: (sign: string) => setSides((s) => ({ ...s, signs: [...s.signs.filter((x) => x !== sign), sign] })),
    drop: (sign: Sign) =>
      setSides((s) => ({
        ...s,
        signs: s.signs.filter((x) => x !== sign.id),
        of: Object.fromEntries(Object.entries(s.of).map(([id, a]) => [id, put(a, sign, undefined)])),
      })),
    /** Answers one sign for some plants; undefined leaves it open. */
    put: (plants: string[], sign: Sign, to: "present" | "absent" | undefined) =>
      setSides((s) => ({
        ...s,
        of: { ...s.of, ...Object.fromEntries(plants.map((p) => [p, put(s.of[p] ?? empty, sign, to)])) },
      })),
    /** What was recorded of these is no draft any more. */
    done: (plants: string[]) =>
      setSides((s) => {
        const of = Object.fromEntries(Object.entries(s.of).filter(([id]) => !plants.includes(id)));
        const ids = Object.fromEntries(
          Object.entries(s.ids).filter(([what]) => !plants.some((p) => what.startsWith(p))),
        );
        return { signs: Object.keys(of).length > 0 ? s.signs : [], of, ids };
      }),
    idFor: (what: string) => {
      const id = sides.ids[what] ?? newId();
      if (!sides.ids[what]) setSides((s) => ({ ...s, ids: { ...s.ids, [what]: id } }));
      return id;
    },
  };
}

export type SideBySide = ReturnType<typeof useSides>;

/** What was answered of a sign. */
export const answerTo = (a: LookAnswers, sign: string) =>
  a.present.includes(sign) ? "present" : a.absent.includes(sign) ? "absent" : undefined;

function put(a: LookAnswers, sign: Sign, to: "present" | "absent" | undefined): LookAnswers {
  const now = answerTo(a, sign.id);
  if (now === to) return a;
  return answered(a, sign, to ?? (now as "present" | "absent"));
}

/** What a tap makes of an answer: seen, then not there, then open again. */
export const turned = (now: "present" | "absent" | undefined) =>
  now === undefined ? "present" : now === "present" ? "absent" : undefined;

export interface Shared {
  cause: string;
  plants: PlantRow[];
}

/** Plants by the likeliest cause of each, the commonest first. */
export function byCause(rows: PlantRow[], judged: (plant: string) => Schemas["Differential"] | undefined): Shared[] {
  const groups = new Map<string, PlantRow[]>();
  for (const row of rows) {
    const cause = judged(row.id)?.causes[0]?.id;
    if (cause) groups.set(cause, [...(groups.get(cause) ?? []), row]);
  }
  return [...groups].map(([cause, plants]) => ({ cause, plants })).sort((a, b) => b.plants.length - a.plants.length);
}
