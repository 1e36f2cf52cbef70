import type { Knowledge } from "../../api/client";

/** Two answers that cannot both be true. */
export function Clash({ signs, knowledge }: { signs: string[]; knowledge: Knowledge }) {
  const [one, other] = signs.map((id) => knowledge.signs.find((s) => s.id === id)?.label ?? id);
  if (!one || !other) return null;
  return (
    <p className="red" role="alert">
      Your answers to “{one}” and “{other}” cannot both be true. Keep the one you are sure of.
    </p>
  );
}
