import { TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import type { Knowledge, PlantRow, Schemas } from "../../api/client";
import { useSigns } from "../../api/plants";
import { SignPicture } from "../look/SignPicture";
import { sayCount } from "../words";
import { answerTo, type SideBySide, turned } from "./sides";
import classes from "./Together.module.css";

interface SignsTogetherProps {
  rows: PlantRow[];
  sides: SideBySide;
  knowledge: Knowledge;
  judged: (plant: string) => Schemas["Differential"] | undefined;
}

/** How many signs are offered at a time. */
const most = 6;

/** One look at several: a sign is answered for all of them, and where one differs by a tap on it. */
export function SignsTogether({ rows, sides, knowledge, judged }: SignsTogetherProps) {
  const [words, setWords] = useState("");
  const [asked] = useDebouncedValue(words.trim(), 150);
  const found = useSigns(asked).data?.signs ?? [];
  const known = (id: string) => knowledge.signs.find((s) => s.id === id);
  const open = (id: string) => !sides.sides.signs.includes(id);
  const offered = asked === "" ? nextOf(rows, judged).filter(open) : found.filter(open);
  const add = (id: string) => {
    sides.ask(id);
    setWords("");
  };
  return (
    <section className="patch" aria-label="Look at them side by side">
      <h2>Look at them side by side</h2>
      {sides.sides.signs
        .flatMap((id) => known(id) ?? [])
        .map((sign) => (
          <OneSign key={sign.id} sign={sign} rows={rows} sides={sides} />
        ))}
      <div role="search">
        <TextInput
          type="search"
          label="A sign that you see on some of them"
          placeholder="soft roots, sticky, white fluff"
          mt="sm"
          value={words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        {asked === "" && offered.length > 0 && <p className="soft small mt-8 mb-0">What tells most now:</p>}
        <ul className={classes.offered}>
          {offered
            .flatMap((id) => known(id) ?? [])
            .slice(0, most)
            .map((s) => (
              <li key={s.id}>
                <button type="button" data-answer onClick={() => add(s.id)}>
                  <SignPicture drawing={s.drawing} width={54} />
                  {s.label}
                </button>
              </li>
            ))}
        </ul>
      </div>
    </section>
  );
}

/** The signs that would tell most, of the plants that were answered so far, the commonest first. */
function nextOf(rows: PlantRow[], judged: SignsTogetherProps["judged"]): string[] {
  const times = new Map<string, number>();
  for (const r of rows) {
    for (const c of judged(r.id)?.checks ?? []) times.set(c.sign, (times.get(c.sign) ?? 0) + 1);
  }
  return [...times].sort((a, b) => b[1] - a[1]).map(([id]) => id);
}

interface OneSignProps {
  sign: Knowledge["signs"][number];
  rows: PlantRow[];
  sides: SideBySide;
}

const marks = { present: "seen", absent: "not there", open: "open" };

function OneSign({ sign, rows, sides }: OneSignProps) {
  const all = rows.map((r) => r.id);
  const seen = all.filter((id) => answerTo(sides.of(id), sign.id) === "present").length;
  return (
    <fieldset className={classes.sign} aria-label={sign.label}>
      <div className={classes.head}>
        <SignPicture drawing={sign.drawing} width={54} />
        <div>
          <b>{sign.label}</b> <span className="soft small">seen on {sayCount(seen, "plant")}</span>
          <div className="answers flex wrap">
            <button
              type="button"
              aria-label={`Seen on all: ${sign.label}`}
              onClick={() => sides.put(all, sign, "present")}
            >
              on all
            </button>
            <button type="button" aria-label={`On none: ${sign.label}`} onClick={() => sides.put(all, sign, "absent")}>
              on none
            </button>
            <button type="button" aria-label={`Leave it: ${sign.label}`} onClick={() => sides.drop(sign)}>
              leave it
            </button>
          </div>
        </div>
      </div>
      <div className={classes.chips}>
        {rows.map((r) => {
          const now = answerTo(sides.of(r.id), sign.id);
          return (
            <button
              key={r.id}
              type="button"
              className={classes[now ?? "open"]}
              aria-label={`${r.label || r.name}: ${marks[now ?? "open"]}, ${sign.label}`}
              onClick={() => sides.put([r.id], sign, turned(now))}
            >
              {r.label || r.name} <span aria-hidden>{now === "present" ? "●" : now === "absent" ? "–" : "·"}</span>
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
