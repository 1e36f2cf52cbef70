import type { PlantFile } from "../../api/client";

export type Opening = NonNullable<PlantFile["follow"]["waiting"][string]>;

/** What a sitting waits for, one condition a line, and how each stands by the record. */
export function WaitsFor({ opening }: { opening: Opening }) {
  const conditions = opening.conditions ?? [];
  return (
    <ul className="small mt-2 mb-4 p-0 no-bullets">
      {conditions.map((c) => (
        <li key={c.wanted}>
          <span className={c.status === "met" ? "kelp" : "ochre"} aria-hidden>
            {c.status === "met" ? "✕ " : "· "}
          </span>
          {c.wanted}: <span className="soft">{c.status === "met" ? `so, ${c.found}` : c.found}</span>
        </li>
      ))}
    </ul>
  );
}
