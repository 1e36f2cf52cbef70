import { Button, Group, Textarea } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { answer, client, type Knowledge, type Schemas } from "../../api/client";
import { Refused } from "../../shell/States";
import classes from "./Guided.module.css";
import type { Guide } from "./guided";
import { Heading } from "./Heading";

interface SayProps {
  guide: Guide;
  knowledge: Knowledge;
  set: (guide: Guide) => void;
  /** Takes over what the sentence was read as. */
  read: (view: Schemas["ReadView"]) => void;
  /** Goes on with the signs that a complaint may mean. */
  pick: (complaint: Schemas["Complaint"]) => void;
  /** Goes on without having said anything. */
  skip: () => void;
}

/** What is wrong, in one's own words or by what people say most. */
export function Say({ guide, knowledge, set, read, pick, skip }: SayProps) {
  const reading = useMutation({
    mutationFn: (text: string) => answer(client.POST("/api/read", { body: { text } })),
    onSuccess: read,
  });
  return (
    <>
      <Heading>What is wrong?</Heading>
      <fieldset className={classes.complaints} aria-label="What people say most">
        {knowledge.complaints.map((c) => (
          <button type="button" key={c.said} onClick={() => pick(c)}>
            {c.said}
          </button>
        ))}
      </fieldset>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (guide.said.trim()) reading.mutate(guide.said);
        }}
      >
        <Textarea
          label="Or say it in your own words"
          placeholder="My pothos is going yellow, tiny black flies, no smell"
          autosize
          minRows={2}
          maxLength={2000}
          value={guide.said}
          onChange={(e) => set({ ...guide, said: e.currentTarget.value })}
        />
        <Group mt="sm" gap="sm">
          <Button type="submit" loading={reading.isPending} disabled={!guide.said.trim()}>
            Read it
          </Button>
          <button type="button" className="linkbutton" onClick={skip}>
            I cannot say: ask me
          </button>
        </Group>
        <Refused error={reading.error} />
      </form>
    </>
  );
}
