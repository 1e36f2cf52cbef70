import { Button, Group } from "@mantine/core";
import type { ReactNode } from "react";
import type { Knowledge, Schemas } from "../../api/client";
import { Failed, Waiting } from "../../shell/States";
import { Clash } from "../look/Clash";
import type { Side } from "../look/look";
import classes from "./Guided.module.css";
import { ask, back, type Guide, put, read } from "./guided";
import { type Come, Outcome } from "./Outcome";
import { Question } from "./Question";
import { ReadBack } from "./ReadBack";
import { Say } from "./Say";
import { SureThread } from "./SureThread";
import { WhichPlant } from "./WhichPlant";
import { WhichSign } from "./WhichSign";

export interface GuidedProps {
  guide: Guide;
  set: (guide: Guide) => void;
  knowledge: Knowledge;
  /** What the answers come to so far. */
  come: { data?: Come; isFetching: boolean; error: Error | null; refetch: () => unknown };
  /** The drawing that stands for how it grows. */
  figure: string;
  /** Whether the plant is known, and not asked for. */
  known: boolean;
  /** What follows at the end where it is sure enough to act. */
  then: string;
  /** What can be done with the answers at the end. */
  finish: ReactNode;
}

/** A guided look: what is wrong, which plant, one question a screen, and what to do first. */
export function Guided(props: GuidedProps) {
  return (
    <div className={classes.guided}>
      {props.guide.step === "ask" || props.guide.step === "end" ? <Asking {...props} /> : <Beginning {...props} />}
    </div>
  );
}

/** What is said before the questions begin. */
function Beginning({ guide, set, knowledge, known }: GuidedProps) {
  const next = (g: Guide): Guide => ({ ...g, step: known || g.habit ? "ask" : "which" });
  const again = () => set(back(guide, known));
  switch (guide.step) {
    case "confirm":
      return <ReadBack guide={guide} knowledge={knowledge} set={set} on={() => set(next(guide))} back={again} />;
    case "pick":
      return (
        <WhichSign
          said={guide.said}
          signs={guide.candidates}
          knowledge={knowledge}
          pick={(sign) => set(next({ ...guide, answers: put(guide.answers, sign, "present") }))}
          none={() => set(next(guide))}
          back={again}
        />
      );
    case "which":
      return (
        <WhichPlant
          knowledge={knowledge}
          group={guide.group}
          pick={(plant) => set({ ...guide, ...plant, step: "ask" })}
          back={again}
        />
      );
    default:
      return (
        <Say
          guide={guide}
          knowledge={knowledge}
          set={set}
          read={(view) => set(read(guide, view))}
          pick={(c: Schemas["Complaint"]) =>
            set({ ...guide, said: c.said, candidates: c.signs, group: undefined, step: "pick" })
          }
          skip={() => set(next(guide))}
        />
      );
  }
}

/** Whether enough was asked for a first answer. */
const answered = ({ settled, most }: Come["guided"], guide: Guide) =>
  !guide.more && (settled || guide.asked.length >= most);

function Asking({ guide, set, knowledge, come, figure, known, then, finish }: GuidedProps) {
  const { data } = come;
  if (!data) return come.error ? <Failed error={come.error} retry={come.refetch} /> : <Waiting />;
  const check = data.checks.find((c) => c.sign === data.guided.next);
  const sign = knowledge.signs.find((s) => s.id === check?.sign);
  const answer = (side: Side) => {
    if (!check) return;
    const g = ask(guide, check.sign, side);
    set(
      check.again && side === "present"
        ? { ...g, answers: { ...g.answers, again: [...(g.answers.again ?? []), check.sign] } }
        : g,
    );
  };
  const clash = <Clash signs={data.clash} knowledge={knowledge} />;
  const answers = guide.answers.present.length + guide.answers.absent.length;
  if (guide.step === "end" || !check || !sign || answered(data.guided, guide)) {
    return (
      <>
        {clash}
        <Outcome of={data} knowledge={knowledge} then={then} />
        <Group gap="sm" mt="md">
          {finish}
          {check && (
            <Button variant="default" onClick={() => set({ ...guide, step: "ask", more: true })}>
              Look further
            </Button>
          )}
          <Button variant="default" onClick={() => set(back({ ...guide, more: false }, known))}>
            Back
          </Button>
        </Group>
      </>
    );
  }
  return (
    <>
      {clash}
      <SureThread causes={data.causes} knowledge={knowledge} answers={answers} />
      <Question
        key={check.sign}
        check={check}
        sign={sign}
        knowledge={knowledge}
        figure={figure}
        waiting={come.isFetching}
        answer={answer}
        back={() => set(back(guide, known))}
        end={() => set({ ...guide, step: "end" })}
      />
    </>
  );
}
