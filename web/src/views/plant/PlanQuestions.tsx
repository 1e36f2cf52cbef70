import type { Answers, Schemas } from "../../api/client";
import { Say } from "../../Say";
import classes from "./WhatToDo.module.css";

interface PlanQuestionsProps {
  questions: Schemas["Question"][];
  answers: Answers;
  set: (part: Partial<Answers>) => void;
}

/** What nobody said and would change this plan: one tap each, before the steps are read. */
export function PlanQuestions({ questions, answers, set }: PlanQuestionsProps) {
  if (questions.length === 0) return null;
  const leave = (id: string) => set({ unknown: [...(answers.unknown ?? []), id] });
  return (
    <section className="patch" aria-label="Before the steps">
      <h2>Before the steps</h2>
      <p className="soft small">
        Nobody has said this yet, and it changes the plan. Until then the cautious way is taken.
      </p>
      {questions.map((q) => (
        <fieldset key={q.id} className={classes.asked}>
          <legend>
            <b>
              <Say>{q.ask}</Say>
            </b>{" "}
            <span className="soft small">
              <Say>{q.how}</Say>.
            </span>
          </legend>
          <span className="answers flex wrap">
            {(q.answers ?? []).map((a) => (
              <button key={a.id} type="button" className="absent" onClick={() => set(a.says as Partial<Answers>)}>
                {a.label}
              </button>
            ))}
            <button type="button" className="absent" aria-label={`${q.ask} Don’t know`} onClick={() => leave(q.id)}>
              don’t know
            </button>
          </span>
          <span className="soft small">Taken meanwhile: {q.taken}.</span>
        </fieldset>
      ))}
    </section>
  );
}
