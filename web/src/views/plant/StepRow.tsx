import { Button, Group, TextInput } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { caseInHand } from "./Cases";
import { hasMade, type Made, MadeFields, otherwise } from "./MadeFields";
import { type Step, StepText } from "./PlanParts";
import { usePlantFile } from "./PlantPage";
import classes from "./WhatToDo.module.css";

type Asking = "skip" | "early" | "made";

/** A step of the plan taken up: ticked with what it makes so, or skipped with a reason. */
export function StepRow({ step, say }: { step: Step; say?: string[] }) {
  const file = usePlantFile();
  const tick = file.ticks[step.id];
  if (!tick) return <OpenStep step={step} say={say} />;
  return (
    <li className={`${classes.step} ${classes.done}`} data-step={step.id}>
      <span className={tick.skipped ? "ochre" : "kelp"} aria-hidden>
        {tick.skipped ? "—" : "✕"}
      </span>
      <h3>{step.title}</h3>
      <span className="soft small">
        {tick.skipped ? `skipped: ${tick.reason}` : "done"}, {distance(tick.on, file.today)}
      </span>
    </li>
  );
}

function OpenStep({ step, say }: { step: Step; say?: string[] }) {
  const file = usePlantFile();
  const record = useRecord(file.id, "waits");
  const undo = useUndo(file);
  const [asking, setAsking] = useState<Asking>();
  const [reason, setReason] = useState("");
  const [made, setMade] = useState<Made>({});
  const opening = file.follow.waiting[step.sitting ?? 0];
  const waits = !!step.gate && !opening?.open;
  const send = (skipped: boolean, note?: string) =>
    record.mutate(
      {
        on: file.today,
        case: caseInHand(file),
        did: {
          step: step.id,
          skipped,
          reason: reason || undefined,
          note,
          seen: (waits && opening?.seeable !== false && !skipped) || undefined,
          made: skipped ? undefined : otherwise(made),
        },
      },
      {
        onSuccess: (e) => {
          setAsking(undefined);
          undo(`${skipped ? "skipped" : "done"}: ${step.title.toLowerCase()}`, e.id);
        },
      },
    );
  const due = step.on <= file.today && !waits;
  return (
    <li className={classes.step} data-step={step.id}>
      <span className={due ? "red" : "soft"} aria-hidden>
        {due ? "–" : "·"}
      </span>
      {file.plan && <StepText step={step} plan={file.plan} today={file.today} say={say} />}
      <StepButtons
        step={step}
        due={due}
        waits={waits}
        asking={asking}
        ask={setAsking}
        send={send}
        pending={record.isPending}
      />
      {asking && (
        <Asked
          asking={asking}
          step={step}
          reason={reason}
          setReason={setReason}
          made={made}
          setMade={setMade}
          send={() => send(asking === "skip")}
          pending={record.isPending}
        />
      )}
      {record.error && (
        <div className="from-second-column">
          <Refused error={record.error} />
          {!asking && (
            <button type="button" className="linkbutton small" onClick={() => setAsking("early")}>
              Say why it is done all the same
            </button>
          )}
        </div>
      )}
    </li>
  );
}

interface StepButtonsProps {
  step: Step;
  due: boolean;
  waits: boolean;
  asking: Asking | undefined;
  ask: (what: Asking | undefined) => void;
  send: (skipped: boolean, note?: string) => void;
  pending: boolean;
}

function StepButtons({ step, due, waits, asking, ask, send, pending }: StepButtonsProps) {
  const file = usePlantFile();
  const early = step.on > file.today && !step.gate;
  const baseline = step.op === "baseline";
  // Days and runs of looks are no sight: what waits for them is done with a reason, or not yet.
  const sight = file.follow.waiting[step.sitting ?? 0]?.seeable !== false;
  const answer = waits
    ? sight
      ? "Seen, and done"
      : "Done all the same"
    : early
      ? "I did it early"
      : baseline
        ? "No picture, no count"
        : "Done";
  const press = () => {
    if (early || (waits && !sight)) ask("early");
    else if (hasMade(step) && step.makes?.counts) ask("made");
    else send(false, baseline ? "neither was made" : undefined);
  };
  return (
    <Group gap="xs" wrap="wrap" align="start">
      {baseline && (
        <Button
          size="compact-md"
          variant="default"
          component={Link}
          to={`/plants/${file.id}/pictures`}
          aria-label={`Take a picture: ${step.title}`}
        >
          Take a picture
        </Button>
      )}
      {step.op === "look" && due ? (
        <Button
          size="compact-md"
          component={Link}
          to={`/plants/${file.id}?check`}
          aria-label={`Check in: ${step.title}`}
        >
          Check in
        </Button>
      ) : (
        <Button
          size="compact-md"
          variant={due && !baseline ? "filled" : "default"}
          onClick={press}
          loading={pending && !asking}
          aria-label={`${answer}: ${step.title}`}
        >
          {answer}
        </Button>
      )}
      {hasMade(step) && !early && (
        <Button
          size="compact-md"
          variant="default"
          onClick={() => ask(asking === "made" ? undefined : "made")}
          aria-expanded={asking === "made"}
          aria-label={`With other amounts: ${step.title}`}
        >
          With other amounts
        </Button>
      )}
      <Button
        size="compact-md"
        variant="default"
        onClick={() => ask(asking === "skip" ? undefined : "skip")}
        aria-expanded={asking === "skip"}
        aria-label={`Skip: ${step.title}`}
      >
        Skip
      </Button>
    </Group>
  );
}

interface AskedProps {
  asking: Asking;
  step: Step;
  reason: string;
  setReason: (reason: string) => void;
  made: Made;
  setMade: (made: Made) => void;
  send: () => void;
  pending: boolean;
}

/** What is asked before it is recorded: a reason, or what came out otherwise. */
function Asked({ asking, step, reason, setReason, made, setMade, send, pending }: AskedProps) {
  return (
    <Group className="from-second-column" align="end">
      {asking === "made" ? (
        <MadeFields step={step} made={made} change={setMade} />
      ) : (
        <TextInput
          className="grow"
          label={asking === "skip" ? "Why it is skipped" : "Why it was done before its time"}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          data-autofocus
        />
      )}
      <Button variant="default" onClick={send} loading={pending}>
        {asking === "skip" ? "Skip it" : "Record it"}
      </Button>
    </Group>
  );
}
