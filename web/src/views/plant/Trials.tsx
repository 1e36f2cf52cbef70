import { Button } from "@mantine/core";
import { lazy, Suspense, useState } from "react";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { shortDay } from "../../dates";
import { useAtRest } from "../../shell/atRest";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { asSentence, results, resultWord, sayCount } from "../words";
import classes from "./Cases.module.css";

const form = () => import("./TryForm");
const TryForm = lazy(async () => ({ default: (await form()).TryForm }));

type Send = (said: string, body: Parameters<ReturnType<typeof useRecord>["mutate"]>[0], then?: () => void) => void;

/** What was tried on the plant: what came of it, what is still open, and the way to try something. */
export function Trials({ file }: { file: PlantFile }) {
  const [asking, setAsking] = useState(false);
  useAtRest(form);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  if (file.over && file.trials.length === 0) return null;
  const send: Send = (said, body, then) =>
    record.mutate(body, {
      onSuccess: (e) => {
        undo(said, e.id);
        then?.();
      },
    });
  return (
    <section className="patch mt-18" aria-label="Trials">
      <h2>What was tried on it</h2>
      {file.trials.length === 0 && (
        <p className="soft mt-2">
          A product or a method that one is not sure of: say what you hope to see, and you are asked for the result when
          its time is over.
        </p>
      )}
      <ul className={classes.jobs}>
        {file.trials.map((t) => (
          <TrialRow key={t.id} trial={t} file={file} send={send} pending={record.isPending} />
        ))}
      </ul>
      {asking && (
        <Suspense fallback={null}>
          <TryForm
            pending={record.isPending}
            usual={file.trialDays}
            send={(tried) => send(`tried: ${tried.what}`, { on: file.today, tried }, () => setAsking(false))}
            close={() => setAsking(false)}
          />
        </Suspense>
      )}
      {!asking && !file.over && (
        <Button variant="default" size="xs" onClick={() => setAsking(true)}>
          Try something
        </Button>
      )}
      <Refused error={record.error} />
    </section>
  );
}

interface TrialRowProps {
  trial: Schemas["Trial"];
  file: PlantFile;
  send: Send;
  pending: boolean;
}

function TrialRow({ trial: t, file, send, pending }: TrialRowProps) {
  const due = !t.result && t.asksOn <= file.today;
  return (
    <li>
      <b className={due ? "ochre" : undefined}>{t.what}</b>{" "}
      <span className="small">
        since {shortDay(t.on)}, {sayCount(t.days, "day")}
      </span>
      <div className="soft small">It helps if this is seen: {asSentence(t.hope)}</div>
      {t.result && (
        <div>
          {shortDay(t.result.on)}: <b>{resultWord(t.result.result)}</b>
          {t.result.note && <span className="small"> {t.result.note}</span>}
        </div>
      )}
      {!t.result && (
        <div className={classes.acts}>
          <span className="small">
            {due ? "Its time is over:" : `Asked for on ${shortDay(t.asksOn)}; known before?`}
          </span>
          {results.map((r) => (
            <button
              key={r.value}
              type="button"
              className="linkbutton"
              aria-label={`${t.what}: ${r.label}`}
              disabled={pending}
              onClick={() => send(r.label, { on: file.today, judged: { trial: t.id, result: r.value } })}
            >
              {r.label}
            </button>
          ))}
        </div>
      )}
    </li>
  );
}
