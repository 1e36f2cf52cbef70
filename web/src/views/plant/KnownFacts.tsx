import type { PlantFile, Schemas } from "../../api/client";
import { distance } from "../../dates";
import { sayQuantity, useUnits } from "../../units";
import classes from "./Standing.module.css";

type Fact = Schemas["Row"];

/** Where a fact comes from, as one says it. */
const sources: Record<string, string> = {
  usual: "usual for its kind",
  derived: "from the record",
  typed: "said",
  measured: "measured",
  done: "by a step done",
};

/** All that is known of the plant, each thing with its day and its source: what its plan, gates and water read. */
export function KnownFacts({ facts, today }: { facts: PlantFile["facts"]; today: string }) {
  const rows = facts ?? [];
  if (rows.length === 0) return null;
  return (
    <details>
      <summary>
        <h2 className="inline">What is known of it</h2>{" "}
        <span className="soft small">what plan, gates and water go by</span>
      </summary>
      <dl className={classes.known}>
        {rows.map((f) => (
          <Known key={f.id} fact={f} today={today} />
        ))}
      </dl>
    </details>
  );
}

function Known({ fact, today }: { fact: Fact; today: string }) {
  const [system] = useUnits();
  return (
    <>
      <dt>{fact.name}</dt>
      <dd>
        {fact.size !== undefined ? sayQuantity(fact.size, fact.unit ?? "", system) : fact.value}{" "}
        <span className="soft small">
          {sources[fact.from]}
          {fact.on ? `, ${distance(fact.on, today)}` : ""}
        </span>
      </dd>
    </>
  );
}
