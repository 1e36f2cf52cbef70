import type { Session } from "../api/client";
import { sayDay } from "../dates";

/** Whose collection is open, and which day it is there. */
export const Whose = ({ session }: { session: Session }) => (
  <span className="soft ml-auto text-right">
    <span className="not-phone">{session.collection} · </span>
    {sayDay(session.today, session.today)} <span aria-hidden>▾</span>
  </span>
);
