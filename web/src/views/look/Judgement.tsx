import type { Differential, Knowledge, Schemas } from "../../api/client";
import { addDays, sayDay } from "../../dates";

type Judged = Pick<Differential, "verdict" | "outside"> &
  Partial<Pick<Differential, "unexplained" | "conditions" | "toRuleOut">>;

const tones: Record<Schemas["Judgement"]["kind"], string> = {
  act: "red",
  harmless: "kelp",
  "nothing-found": "kelp",
  "look-further": "ochre",
  "not-enough": "ochre",
  "something-else": "red",
};

/** Where a look stands: the verdict, and what it must not make one overlook. */
export function Judgement({ of, knowledge, today }: { of: Judged; knowledge: Knowledge; today: string }) {
  const { verdict, outside, unexplained = [], conditions = [], toRuleOut = [] } = of;
  const cause = (id: string) => knowledge.causes.find((c) => c.id === id)?.label ?? id;
  const quoted = (id: string) => `“${knowledge.signs.find((s) => s.id === id)?.label ?? id}”`;
  const part = (id: string) => knowledge.zones.find((z) => z.id === id)?.label.toLowerCase() ?? id;
  const list = (ids: string[], say: (id: string) => string) => ids.map(say).join(", ");
  return (
    <div className="mb-10" data-testid="verdict-of-look" data-verdict={verdict.kind}>
      <p className={tones[verdict.kind]} style={{ margin: "2px 0 4px", fontWeight: 700 }} aria-live="polite">
        {verdict.words}
      </p>
      <ul className="small m-0 pl-18">
        {verdict.missing.length > 0 && <li>Not looked at yet: {list(verdict.missing, part)}.</li>}
        {verdict.again !== undefined && verdict.again > 0 && (
          <li>Look again on {sayDay(addDays(today, verdict.again), today)}.</li>
        )}
        {outside.words && <li>{outside.words}</li>}
        {unexplained.length > 0 && <li>Nothing on the list explains: {list(unexplained, quoted)}.</li>}
        {conditions.length > 0 && <li>Seen, and so not reckoned: {list(conditions, cause)}.</li>}
        {toRuleOut.length > 0 && (
          <li>
            To rule out, because it is quick to kill:{" "}
            {list(
              toRuleOut.map((c) => c.id),
              cause,
            ).toLowerCase()}
            .
          </li>
        )}
      </ul>
    </div>
  );
}
