import { Button, Checkbox, Group, TextInput } from "@mantine/core";
import { useState } from "react";
import { newId } from "../../api/id";
import { useDoSitting } from "../../api/recording";
import { sayDay } from "../../dates";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { caseInHand } from "./Cases";
import { hasMade, type Made, MadeFields, otherwise } from "./MadeFields";
import type { Sitting, Step } from "./PlanParts";
import { usePlantFile } from "./PlantPage";

interface SittingDoneProps {
  sitting: Sitting;
  /** Its steps that are not done. */
  steps: Step[];
}

/** Records a whole sitting in one go, of today or of any past day; each step may be left out of it. */
export function SittingDone({ sitting, steps }: SittingDoneProps) {
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <Button
        size="compact-md"
        variant="default"
        aria-label={`All of it was done: ${sitting.name}, sitting ${sitting.n}`}
        onClick={() => setOpen(true)}
      >
        All of it was done
      </Button>
    );
  }
  return <SittingForm sitting={sitting} steps={steps} close={() => setOpen(false)} />;
}

function SittingForm({ sitting, steps, close }: SittingDoneProps & { close: () => void }) {
  const file = usePlantFile();
  const undo = useUndo(file);
  const sit = useDoSitting(file.id);
  const [whole] = useState(newId);
  const [ids] = useState(() => new Map(steps.map((s) => [s.id, newId()])));
  const [on, setOn] = useState(file.today);
  const [out, setOut] = useState<string[]>([]);
  const [made, setMade] = useState<Record<string, Made>>({});
  const [reason, setReason] = useState("");
  const done = steps.filter((s) => !out.includes(s.id));
  // A day before the plan has it, or a gate that is not met, wants its reason.
  const early = !!sitting.gate || done.some((s) => s.on > on);
  const send = () =>
    sit.mutate(
      {
        id: whole,
        n: sitting.n,
        on,
        case: caseInHand(file),
        steps: done.map((s) => ({
          id: ids.get(s.id) ?? newId(),
          step: s.id,
          skipped: false,
          seen: sitting.gate ? true : undefined,
          reason: reason || undefined,
          note: s.op === "baseline" ? "done in this sitting" : undefined,
          made: otherwise(made[s.id] ?? {}),
        })),
      },
      {
        onSuccess: () => {
          undo(`${sitting.name.toLowerCase()}, ${sayDay(on, file.today)}`, whole);
          close();
        },
      },
    );
  return (
    <fieldset className="sittingdone">
      <legend className="small">{sitting.name}: what was done</legend>
      <TextInput
        type="date"
        label="Done on"
        w={170}
        value={on}
        max={file.today}
        min={file.plannedOn}
        onChange={(e) => setOn(e.currentTarget.value || file.today)}
        data-autofocus
      />
      <ul className="no-bullets p-0 my-8">
        {steps.map((s) => (
          <li className="my-6" key={s.id}>
            <Checkbox
              label={s.title}
              checked={!out.includes(s.id)}
              onChange={(e) => setOut(e.currentTarget.checked ? out.filter((id) => id !== s.id) : [...out, s.id])}
            />
            {!out.includes(s.id) && hasMade(s) && (
              <div className="pl-30">
                <MadeFields
                  step={s}
                  made={made[s.id] ?? {}}
                  change={(m) => setMade((all) => ({ ...all, [s.id]: m }))}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
      {early && (
        <TextInput
          label="Why it was done before its day, or before all it waits for"
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
      )}
      <Group mt="xs" gap="xs">
        <Button onClick={send} loading={sit.isPending} disabled={done.length === 0}>
          Record the sitting
        </Button>
        <Button variant="default" onClick={close}>
          Not now
        </Button>
      </Group>
      <Refused error={sit.error} />
    </fieldset>
  );
}
