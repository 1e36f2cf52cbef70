import { Button, Group, TextInput } from "@mantine/core";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import classes from "./Cases.module.css";

/** What alarms and nobody has answered: what to do first, and the two ways to answer it. */
export function Alarms({ file }: { file: PlantFile }) {
  return file.alarms.map((a) => <AlarmPatch key={a.id} file={file} alarm={a} />);
}

function AlarmPatch({ file, alarm }: { file: PlantFile; alarm: Schemas["Alarm"] }) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const navigate = useNavigate();
  const [harmless, setHarmless] = useState(false);
  const [reason, setReason] = useState("");
  return (
    <section className={`patch ${classes.alarm}`} aria-label={alarm.title} role="alert">
      <h2 className="red">
        {alarm.title} <span className={classes.when}>{distance(alarm.on, file.today)}</span>
      </h2>
      <p className="mt-2 mb-6">{alarm.said} First:</p>
      <ol className={classes.first}>
        {alarm.first.map((f) => (
          <li key={f}>{f}</li>
        ))}
      </ol>
      <Group gap="sm" mt="sm">
        {alarm.isolate && file.isolation !== "isolated" && (
          <Button
            color="plum"
            loading={record.isPending}
            onClick={() =>
              record.mutate(
                { on: file.today, moved: { isolation: "isolated", reason: alarm.title } },
                { onSuccess: (e) => undo("kept apart", e.id) },
              )
            }
          >
            It is kept apart now
          </Button>
        )}
        {alarm.plan ? (
          <>
            <Button component={Link} to={`/plants/${file.id}/examine?case=${alarm.case}`}>
              Look it over again
            </Button>
            <Button component={Link} variant="default" to={`/plants/${file.id}/do?case=${alarm.case}`}>
              Make the plan again
            </Button>
          </>
        ) : (
          <Button
            variant={alarm.isolate && file.isolation !== "isolated" ? "default" : "filled"}
            loading={record.isPending}
            onClick={() =>
              // The alarm is answered and gone by then: what follows must not hang on it.
              record.mutateAsync({ on: file.today, opened: { why: alarm.title, signal: alarm.id } }).then(
                (e) => {
                  undo("a case opened", e.id);
                  navigate(`/plants/${file.id}/examine?case=${e.id}`);
                },
                () => undefined, // shown below
              )
            }
          >
            Open a case and look it over
          </Button>
        )}
        {!harmless && (
          <button type="button" className="linkbutton" onClick={() => setHarmless(true)}>
            {alarm.plan ? "I looked: …" : "Seen, and harmless"}
          </button>
        )}
      </Group>
      {harmless && (
        <form
          className={classes.harmless}
          onSubmit={(e) => {
            e.preventDefault();
            record.mutate(
              { on: file.today, dismissed: { signal: alarm.id, reason } },
              { onSuccess: (done) => undo(alarm.plan ? "looked at" : "seen, and harmless", done.id) },
            );
          }}
        >
          <TextInput
            label={alarm.plan ? "What I found" : "Harmless because"}
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
            data-autofocus
          />
          <Button type="submit" variant="default" loading={record.isPending}>
            Say so
          </Button>
        </form>
      )}
      <Refused error={record.error} />
    </section>
  );
}
