import { Button, Group, Modal, Radio, Stack, Textarea } from "@mantine/core";
import { useState } from "react";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";

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
  const [asking, setAsking] = useState(false);
  const stage = r.stages?.[r.index];
  const to = r.stages?.[r.index + 1]?.id ?? "mended";
  const { send, record, reason, setReason } = useStaging(file, r, to, () => setAsking(false));
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
      <Modal opened={asking} onClose={() => setAsking(false)} title={`On to “${nameOf(r, to)}” without its gate`}>
        <p>{stage?.tooEarly}</p>
        <ul>
          {r.gate.conditions
            ?.filter((c) => c.status !== "met")
            .map((c) => (
              <li key={c.wanted}>
                {c.wanted}: {marks[c.status]?.word}
              </li>
            ))}
        </ul>
        <Textarea
          label="Why it moves on all the same"
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          data-autofocus
        />
        <Refused error={record.error} />
        <Group mt="md">
          <Button onClick={send} loading={record.isPending}>
            Pass it on
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            Leave it here
          </Button>
        </Group>
      </Modal>
    </>
  );
}

/** A step back, to which stage and why. */
export function StepBack({ file, r }: { file: PlantFile; r: Recovery }) {
  const [asking, setAsking] = useState(false);
  const [to, setTo] = useState(r.setback?.backTo ?? r.stages?.[r.index - 1]?.id ?? "");
  const { send, record, reason, setReason } = useStaging(file, r, to, () => setAsking(false));
  return (
    <>
      <Button
        variant={r.setback ? "filled" : "default"}
        color={r.setback ? "madder" : undefined}
        onClick={() => setAsking(true)}
      >
        Step back
      </Button>
      <Modal opened={asking} onClose={() => setAsking(false)} title="A step back">
        <Radio.Group label="To which stage" value={to} onChange={setTo}>
          <Stack gap={6} mt={6}>
            {r.stages?.slice(0, r.index).map((s) => (
              <Radio key={s.id} value={s.id} label={s.name} />
            ))}
          </Stack>
        </Radio.Group>
        <Textarea
          mt="sm"
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          placeholder={r.setback?.why}
          data-autofocus
        />
        <Refused error={record.error} />
        <Group mt="md">
          <Button onClick={send} loading={record.isPending}>
            Step back
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            Leave it here
          </Button>
        </Group>
      </Modal>
    </>
  );
}

function useStaging(file: PlantFile, r: Recovery, to: string, done: () => void) {
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
