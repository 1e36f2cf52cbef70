import { TextInput } from "@mantine/core";
import { useState } from "react";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

/** The words of the trade, said plainly. */
export function Glossary() {
  const k = useTables();
  const [typed, setTyped] = useState("");
  const asked = typed.trim().toLowerCase();
  const found = k.glossary.filter((w) => `${w.term} ${w.also ?? ""} ${w.meaning}`.toLowerCase().includes(asked));
  return (
    <article className="patch">
      <h2 className="size-26">Words of the trade</h2>
      <TextInput label="Find a word" value={typed} onChange={(e) => setTyped(e.currentTarget.value)} />
      {found.length === 0 && <p className="soft">No such word here.</p>}
      <dl className={classes.words} data-testid="glossary">
        {found.map((w) => (
          <div key={w.term}>
            <dt>
              <b>{w.term}</b>
              {w.also && <span className="soft small"> also {w.also}</span>}
            </dt>
            <dd>{w.meaning}</dd>
          </div>
        ))}
      </dl>
    </article>
  );
}
