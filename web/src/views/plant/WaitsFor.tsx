import type { PlantFile } from "../../api/client";
import { sayDay } from "../../dates";
import { Say } from "../../Say";

export type Opening = NonNullable<PlantFile["follow"]["waiting"][string]>;

/** What a sitting waits for, one condition a line, how each stands by the record, and what is done if it is late. */
export function WaitsFor({ opening, today }: { opening: Opening; today: string }) {
  const conditions = opening.conditions ?? [];
  const { late } = opening;
  return (
    <>
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
      {late && !opening.open && (
        <p className={late.by <= today ? "ochre small mt-2 mb-4" : "soft small mt-2 mb-4"}>
          {late.by <= today ? "Was to be so by" : "Not so by"} {sayDay(late.by, today)}
          {conditions.length > 1 && ` (${late.awaited})`}: <Say>{late.act}</Say>
        </p>
      )}
    </>
  );
}
