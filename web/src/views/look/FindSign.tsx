import { TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import type { Knowledge } from "../../api/client";
import { useSigns } from "../../api/plants";
import classes from "./Look.module.css";
import type { Answers } from "./look";
import { type Answering, SignRow } from "./SignRow";

const most = 8;

interface FindSignProps extends Answering {
  knowledge: Knowledge;
  /** The signs that may be asked here. */
  fits: (id: string) => boolean;
  draft: Answers;
}

/** Finds a sign by the words one has for it, wherever on the plant it is. */
export function FindSign({ knowledge, fits, draft, ...answering }: FindSignProps) {
  const [words, setWords] = useState("");
  const [asked] = useDebouncedValue(words.trim(), 150);
  const signs = useSigns(asked);
  const found = (signs.data?.signs ?? []).filter(fits).flatMap((id) => knowledge.signs.find((s) => s.id === id) ?? []);
  return (
    <div role="search" className={classes.found}>
      <TextInput
        type="search"
        label="Find a sign by your own words"
        placeholder="sticky, holes, white fluff, yellow"
        value={words}
        onChange={(e) => setWords(e.currentTarget.value)}
      />
      {words.trim() !== "" && (
        <div className="rows" aria-live="polite" data-testid="found-signs">
          {found.length === 0 && signs.isFetched && (
            <p className="soft small">No sign is called so. Try one word of what you see.</p>
          )}
          {found.slice(0, most).map((s) => (
            <SignRow
              key={s.id}
              sign={s}
              draft={draft}
              ruledOut={false}
              part={knowledge.zones.find((z) => z.id === s.zone)?.label}
              {...answering}
            />
          ))}
          {found.length > most && <p className="soft small">{found.length - most} more: add a word.</p>}
        </div>
      )}
    </div>
  );
}
