import { Button, Checkbox, Group, Textarea, TextInput } from "@mantine/core";
import { type ReactNode, useState } from "react";
import { Problem } from "../../api/client";
import type { TripWanted } from "../../api/trips";
import { Refused } from "../../shell/States";
import classes from "./Trips.module.css";

interface TripFormProps {
  /** What stands in its fields at first. */
  begin: TripWanted;
  /** Whether it has begun: the day of leaving stays. */
  begun?: boolean;
  button: string;
  send: (wanted: TripWanted) => void;
  sending: boolean;
  error: Error | null;
  /** What else can be pressed beside the button. */
  children?: ReactNode;
}

/** What is said of a trip: its days, the heating, and who comes in. */
export function TripForm({ begin, begun, button, send, sending, error, children }: TripFormProps) {
  const [wanted, setWanted] = useState(begin);
  const set = (part: Partial<TripWanted>) => setWanted({ ...wanted, ...part });
  const wrong = error instanceof Problem ? error.fields : {};
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send(wanted);
      }}
    >
      <div className={classes.fields}>
        <TextInput
          type="date"
          label="Leaving on"
          value={wanted.from}
          disabled={begun}
          onChange={(e) => set({ from: e.currentTarget.value })}
          error={wrong.from}
        />
        <TextInput
          type="date"
          label="Back on"
          value={wanted.back}
          onChange={(e) => set({ back: e.currentTarget.value })}
          error={wrong.back}
        />
      </div>
      <Checkbox
        mt="sm"
        label="The heating is turned down meanwhile"
        checked={wanted.cooler ?? false}
        onChange={(e) => set({ cooler: e.currentTarget.checked })}
      />
      <div className={`${classes.fields} mt-10`}>
        <TextInput
          label="Who comes in"
          description="empty for nobody"
          maxLength={60}
          value={wanted.sitter ?? ""}
          onChange={(e) => set({ sitter: e.currentTarget.value })}
        />
        <TextInput
          label="Where you are reached"
          description="for whoever comes in"
          maxLength={60}
          value={wanted.phone ?? ""}
          onChange={(e) => set({ phone: e.currentTarget.value })}
        />
      </div>
      <Textarea
        mt="sm"
        label="What they have to know"
        autosize
        minRows={2}
        maxLength={1000}
        value={wanted.note ?? ""}
        onChange={(e) => set({ note: e.currentTarget.value })}
      />
      {error && Object.keys(wrong).length === 0 && <Refused error={error} />}
      <Group mt="md">
        <Button type="submit" loading={sending}>
          {button}
        </Button>
        {children}
      </Group>
    </form>
  );
}
