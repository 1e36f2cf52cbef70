import { TextInput } from "@mantine/core";
import { useEffect, useRef } from "react";
import type { Answers, Schemas } from "../../../api/client";
import { Say } from "../../../Say";
import classes from "../WhatToDo.module.css";

export type Edit = NonNullable<Answers["edits"]>[number];

interface BrokenByProps {
  breaches: Schemas["RuleBroken"][];
  /** The title of the step that was changed, or of the sitting that was moved. */
  named: string;
  step: string;
  /** The day on which it comes instead, in words; undefined where the plan goes against the rule. */
  instead?: string | undefined;
  change: Edit | undefined;
  edit: (step: string, part: Partial<Edit>) => void;
}

/** What one change goes against, beside what it changed, and why it is made all the same. */
export function BrokenBy({ step, named, breaches, instead, change, edit }: BrokenByProps) {
  const box = useRef<HTMLElement>(null);
  const unsaid = !change?.reason;
  // What was pressed is gone with the step that it left out: the reason is asked where one is.
  // biome-ignore lint/correctness/useExhaustiveDependencies: when it comes up, and only then
  useEffect(() => {
    if (!unsaid) return;
    box.current?.scrollIntoView({ block: "nearest" });
    if (document.activeElement === document.body) box.current?.querySelector("input")?.focus({ preventScroll: true });
  }, []);
  const what = change?.leaveOut
    ? `Leaving out “${named}”`
    : change?.day !== undefined
      ? `The other day for “${named}”`
      : `The other pot for “${named}”`;
  return (
    <section ref={box} className={classes.broken} aria-label={`Against the rules: ${what}`}>
      <h3 className="red">
        {what} {instead ? "would go" : "goes"} against what is never done
      </h3>
      <ul className="my-4 pl-18">
        {breaches.map((b) => (
          <li key={b.rule + b.step + b.here}>
            <b>Never {b.never}</b>: <Say>{b.why}</Say>.{" "}
            <span className="soft small">
              {b.step && `${b.step}: `}
              {b.here}. ({b.rule})
            </span>
          </li>
        ))}
      </ul>
      {instead && <p className="mt-0 mb-8">So it comes {instead}, the nearest day that the rules allow.</p>}
      <TextInput
        label="Why you do it all the same"
        description="It is kept with the plan, for this change alone."
        value={change?.reason ?? ""}
        onChange={(e) =>
          edit(step, {
            reason: e.currentTarget.value || undefined,
            against: [...new Set(breaches.map((b) => b.rule))],
          })
        }
      />
    </section>
  );
}
