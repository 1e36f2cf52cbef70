import { TextInput } from "@mantine/core";
import { type ReactNode, useState } from "react";
import type { Schemas } from "../../api/client";
import type { Draft } from "../../api/recording";
import { addDays } from "../../dates";
import { sayCount } from "../words";
import classes from "./Cases.module.css";

/** How long a job is put off by one tap, days, and what that is called. */
const putOffs = [
  { days: 1, label: "tomorrow" },
  { days: 3, label: "in 3 days" },
  { days: 7, label: "in a week" },
];

/** How what is done to a job is sent. */
export interface Sending {
  today: string;
  send: (said: string, body: Draft) => void;
  pending: boolean;
}

interface JobActsProps extends Sending {
  job: Schemas["Snoozed"]["job"];
  title: string;
  /** How often it was put off since it was done last, and why. */
  putOff?: number;
  putOffWhy?: string;
  /** Whether it was put off so often that it may not be wanted. */
  unwanted?: boolean;
  /** How it is answered. */
  children: ReactNode;
}

/** What can be done to a job: answer it, put it off with a reason, or have no more of it for this plant. */
export function JobActs({ job, title, putOff = 0, putOffWhy, unwanted, today, send, pending, children }: JobActsProps) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState("");
  const named = title.toLowerCase();
  const act = (label: string, aria: string, said: string, snoozed: Omit<Schemas["Snoozed"], "job">) => (
    <button
      key={label}
      type="button"
      className="linkbutton small"
      aria-label={`${aria}: ${named}`}
      disabled={pending}
      onClick={() => {
        send(`${said}: ${named}`, { on: today, snoozed: { job, ...snoozed, reason: reason.trim() || undefined } });
        setOpen(false);
        setReason("");
      }}
    >
      {label}
    </button>
  );
  return (
    <div className={classes.acts}>
      {children}
      <button
        type="button"
        className="linkbutton small"
        aria-expanded={open}
        aria-label={`Later: ${named}`}
        onClick={() => setOpen(!open)}
      >
        later
      </button>
      {act("not for this plant", "Not for this plant", "switched off", { off: true })}
      {putOff > 0 && (
        <span className="soft small">
          Put off {sayCount(putOff, "time")}
          {putOffWhy && <>: {putOffWhy}</>}.{unwanted && " Is it wanted for this plant at all?"}
        </span>
      )}
      {open && (
        <div className={classes.later}>
          <TextInput
            size="xs"
            label="Why, if you like"
            maxLength={200}
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
          />
          {putOffs.map((p) => act(p.label, `Put off, ${p.label}`, "put off", { until: addDays(today, p.days) }))}
        </div>
      )}
    </div>
  );
}
