import { Button, Group, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { NumberField } from "../../fields";
import classes from "./Cases.module.css";

interface TryFormProps {
  send: (tried: Schemas["Tried"]) => void;
  close: () => void;
  pending: boolean;
  /** For how many days a trial is proposed. */
  usual: number;
}

/** Which product or method is tried, what it should do, and when one is asked for the result. */
export function TryForm({ send, close, pending, usual }: TryFormProps) {
  const [what, setWhat] = useState("");
  const [hope, setHope] = useState("");
  const [days, setDays] = useState<number | undefined>(usual);
  return (
    <form
      className={classes.narrow}
      aria-label="Try something"
      onSubmit={(e) => {
        e.preventDefault();
        send({ what, hope, days: days ?? 0 });
      }}
    >
      <TextInput
        label="Which product or method"
        description="A product by its label, and never more than it says."
        value={what}
        onChange={(e) => setWhat(e.currentTarget.value)}
        data-autofocus
      />
      <TextInput
        mt="xs"
        label="What you will see if it helps"
        placeholder="a new leaf; no new marks; roots through the moss"
        value={hope}
        onChange={(e) => setHope(e.currentTarget.value)}
      />
      <NumberField mt="xs" label="Ask me after, days" value={days} onChange={setDays} />
      <p className="soft small mt-4">
        Change nothing else meanwhile, and leave a plant like it as it is: then the result tells something.
      </p>
      <Group mt="xs">
        <Button type="submit" loading={pending}>
          Begin
        </Button>
        <Button variant="default" onClick={close}>
          Not now
        </Button>
      </Group>
    </form>
  );
}
