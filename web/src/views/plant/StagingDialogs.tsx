import { Button, Group, Modal, Radio, Stack, Textarea } from "@mantine/core";
import { Refused } from "../../shell/States";
import { marks, nameOf, type Recovery, type Staging } from "./Passing";

interface StagingDialogProps {
  r: Recovery;
  /** The stage that it goes to. */
  to: string;
  opened: boolean;
  close: () => void;
  staging: Staging;
}

/** Passing on without the gate: what usually happens, what is missing, and why all the same. */
export function PassAnyway({ r, to, opened, close, staging }: StagingDialogProps) {
  const { reason, setReason, record } = staging;
  return (
    <Modal opened={opened} onClose={close} title={`On to “${nameOf(r, to)}” without its gate`}>
      <p>{r.stages?.[r.index]?.tooEarly}</p>
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
      <Answer label="Pass it on" close={close} staging={staging} />
    </Modal>
  );
}

/** A step back: to which stage, and why. */
export function BackTo({ r, to, setTo, opened, close, staging }: StagingDialogProps & { setTo: (to: string) => void }) {
  const { reason, setReason, record } = staging;
  return (
    <Modal opened={opened} onClose={close} title="A step back">
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
      <Answer label="Step back" close={close} staging={staging} />
    </Modal>
  );
}

function Answer({ label, close, staging }: { label: string; close: () => void; staging: Staging }) {
  return (
    <Group mt="md">
      <Button onClick={staging.send} loading={staging.record.isPending}>
        {label}
      </Button>
      <Button variant="default" onClick={close}>
        Leave it here
      </Button>
    </Group>
  );
}
