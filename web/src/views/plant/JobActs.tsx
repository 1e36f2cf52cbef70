import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import type { Draft } from "../../api/recording";
import { addDays } from "../../dates";
import classes from "./Cases.module.css";

/** How long a job is put off by one tap, days. */
const putOff = 7;

/** How what is done to a job is sent. */
export interface Sending {
  today: string;
  send: (said: string, body: Draft) => void;
  pending: boolean;
}

interface JobActsProps extends Sending {
  job: Schemas["Snoozed"]["job"];
  title: string;
  /** How it is answered. */
  children: ReactNode;
}

/** What can be done to a job: answer it, put it off, or have no more of it for this plant. */
export function JobActs({ job, title, today, send, pending, children }: JobActsProps) {
  const act = (label: string, aria: string, said: string, snoozed: Schemas["Snoozed"]) => (
    <button
      type="button"
      className="linkbutton small"
      aria-label={`${aria}: ${title.toLowerCase()}`}
      disabled={pending}
      onClick={() => send(`${said}: ${title.toLowerCase()}`, { on: today, snoozed })}
    >
      {label}
    </button>
  );
  return (
    <div className={classes.acts}>
      {children}
      {act("in a week", "Put off", "put off", { job, until: addDays(today, putOff) })}
      {act("not for this plant", "Not for this plant", "switched off", { job, off: true })}
    </div>
  );
}
