import { Button } from "@mantine/core";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { distance, shortDay } from "../../dates";
import { Refused } from "../../shell/States";
import { doneBody } from "../jobs";
import { useUndo } from "../undo";
import classes from "./Cases.module.css";
import { JobActs, type Sending } from "./JobActs";

/** The ordinary care of a plant that is well: each job with its reason, its last time and its next. */
export function Routine({ file }: { file: PlantFile }) {
  const record = useRecord(file.id, "waits");
  const undo = useUndo(file);
  if (file.over || file.cases.some((c) => c.open)) return null;
  const send = (said: string, body: Parameters<typeof record.mutate>[0]) =>
    record.mutate(body, { onSuccess: (e) => undo(said, e.id) });
  const jobs = [...file.routine].sort((a, b) => a.on.localeCompare(b.on));
  return (
    <section className="patch mt-18" aria-label="Its routine">
      <h2>
        Its routine{" "}
        <span className={classes.when}>{file.resting ? "it rests now" : "joined to the next look when due"}</span>
      </h2>
      {file.resting && (
        <p className="mt-2 mb-6">
          Its kind rests in these months. Standing still is no stall, and a long time without water no drought.
        </p>
      )}
      {jobs.length === 0 && <p className="soft">Nothing but a look now and then.</p>}
      <ul className={classes.jobs}>
        {jobs.map((j) => (
          <JobRow key={j.job} job={j} today={file.today} send={send} pending={record.isPending} />
        ))}
      </ul>
      <Refused error={record.error} />
    </section>
  );
}

interface JobRowProps extends Sending {
  job: Schemas["Due"];
}

function JobRow({ job, today, send, pending }: JobRowProps) {
  const due = job.on <= today;
  return (
    <li data-job={job.job}>
      <div>
        <b className={due ? "ochre" : undefined}>{job.title}</b>{" "}
        <span className="small">{due ? "due" : `from ${shortDay(job.on)}`}</span>
        <div className="soft small">
          {job.why} {job.last ? `Last ${distance(job.last, today)}.` : "Never recorded here."}
        </div>
      </div>
      <JobActs
        job={job.job}
        title={job.title}
        putOff={job.putOff}
        putOffWhy={job.putOffWhy}
        unwanted={job.unwanted}
        today={today}
        send={send}
        pending={pending}
      >
        <Button
          size="compact-sm"
          variant="default"
          disabled={pending}
          onClick={() => send(job.done, doneBody(job, today))}
        >
          {job.done}
        </Button>
      </JobActs>
    </li>
  );
}
