import { Button, Group, Modal, Radio, Stack, Textarea } from "@mantine/core";
import { useState } from "react";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { standingWord } from "../words";

type Outcome = Schemas["Closed"]["outcome"];

interface EndingDialogProps {
  file: PlantFile;
  /** The case that ends; the plant leaves where none is named. */
  of?: string;
  label: string;
  title: string;
  outcomes: { value: Outcome; label: string }[];
  opened: boolean;
  close: () => void;
}

/** How a case ended, or how the plant left. */
export function EndingDialog({ file, of, label, title, outcomes, opened, close }: EndingDialogProps) {
  const [outcome, setOutcome] = useState(outcomes[0]?.value ?? "mended");
  const [reason, setReason] = useState("");
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const end = () =>
    record.mutate(
      { on: file.today, case: of, closed: { outcome, reason: reason || undefined } },
      {
        onSuccess: (e) => {
          close();
          undo(of ? "case closed" : standingWord(outcome), e.id);
        },
      },
    );
  return (
    <Modal opened={opened} onClose={close} title={title}>
      <Radio.Group label="Outcome" value={outcome} onChange={(v) => setOutcome(v as Outcome)}>
        <Stack gap={6} mt={6}>
          {outcomes.map((o) => (
            <Radio key={o.value} value={o.value} label={o.label} />
          ))}
        </Stack>
      </Radio.Group>
      <Textarea
        mt="sm"
        label={outcome === "lost" ? "What it died of, as far as you know" : "Anything to remember"}
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
      />
      <Refused error={record.error} />
      <Group mt="md">
        <Button loading={record.isPending} onClick={end}>
          {label}
        </Button>
      </Group>
    </Modal>
  );
}
