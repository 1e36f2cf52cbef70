import { Button } from "@mantine/core";
import { lazy, Suspense, useState } from "react";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { useAtRest } from "../../shell/atRest";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { useAsking } from "./useAsking";

const dialogs = () => import("./StagingDialogs");
const PassAnyway = lazy(async () => ({ default: (await dialogs()).PassAnyway }));
const BackTo = lazy(async () => ({ default: (await dialogs()).BackTo }));

export type Recovery = Schemas["Recovery"];

/** A stage's name by its id. */
export const nameOf = (r: Recovery, id: string) => r.stages?.find((s) => s.id === id)?.name ?? id;

/** How a gate's condition stands: a stitch, a word and a thread. */
export const marks: Record<string, { sign: string; word: string; tone: string }> = {
  met: { sign: "✕✕", word: "met", tone: "kelp" },
  missing: { sign: "– –", word: "not yet", tone: "ochre" },
  unknown: { sign: "···", word: "not looked", tone: "soft" },
};

/** Passing on: at once when the gate is met, with what usually happens and a reason when it is not. */
export function Pass({ file, r }: { file: PlantFile; r: Recovery }) {
  const [asking, setAsking] = useAsking();
  const to = r.stages?.[r.index + 1]?.id ?? "mended";
  const staging = useStaging(file, r, to, () => setAsking(false));
  const { send, record } = staging;
  return (
    <>
      <Button
        variant={r.gate.open ? "filled" : "default"}
        color={r.gate.open ? "kelp" : undefined}
        onClick={() => (r.gate.open ? send() : setAsking(true))}
        loading={record.isPending}
      >
        {r.gate.open ? `Pass to “${nameOf(r, to)}”` : "Pass anyway"}
      </Button>
      {!asking && <Refused error={record.error} />}
      {asking !== undefined && (
        <Suspense fallback={null}>
          <PassAnyway r={r} to={to} opened={asking} close={() => setAsking(false)} staging={staging} />
        </Suspense>
      )}
    </>
  );
}

/** A step back, to which stage and why. */
export function StepBack({ file, r }: { file: PlantFile; r: Recovery }) {
  const [asking, setAsking] = useAsking();
  const [to, setTo] = useState(r.setback?.backTo ?? r.stages?.[r.index - 1]?.id ?? "");
  const staging = useStaging(file, r, to, () => setAsking(false));
  return (
    <>
      <Button
        variant={r.setback ? "filled" : "default"}
        color={r.setback ? "madder" : undefined}
        onClick={() => setAsking(true)}
      >
        Step back
      </Button>
      {asking !== undefined && (
        <Suspense fallback={null}>
          <BackTo r={r} to={to} setTo={setTo} opened={asking} close={() => setAsking(false)} staging={staging} />
        </Suspense>
      )}
    </>
  );
}

/** What is sent when a plant changes its stage, with the reason that was typed. */
export type Staging = ReturnType<typeof useStaging>;

function useStaging(file: PlantFile, r: Recovery, to: string, done: () => void) {
  useAtRest(dialogs);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [reason, setReason] = useState("");
  const from = r.stages?.[r.index]?.id ?? "mended";
  const send = () =>
    record.mutate(
      { on: file.today, case: r.case, staged: { track: r.track, from, to, reason: reason || undefined } },
      {
        onSuccess: (e) => {
          setReason("");
          done();
          undo(`now in “${nameOf(r, to)}”`, e.id);
        },
      },
    );
  return { send, record, reason, setReason };
}
