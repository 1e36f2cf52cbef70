import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { shortDay } from "../dates";
import classes from "./Story.module.css";

/** The picture that was taken up from the seam. */
export function Held({
  plant,
  picture,
  close,
}: {
  plant: string;
  picture?: { on: string; picture: string };
  close: () => void;
}) {
  if (!picture) return null;
  return (
    <p className={classes.held}>
      <Link to={`/plants/${plant}/pictures?show=${picture.picture}`}>
        <img
          src={`/api/plants/${plant}/pictures/${picture.picture}?small=true`}
          alt={`The plant on ${shortDay(picture.on)}`}
        />
      </Link>
      <span className="small">
        {shortDay(picture.on)}.{" "}
        <Link className="colour-inherit" to={`/plants/${plant}/pictures?show=${picture.picture}`}>
          Compare and measure
        </Link>{" "}
        <button type="button" className="linkbutton" onClick={close}>
          Put it away
        </button>
      </span>
    </p>
  );
}

const mostSaid = 6;

/** What was done and what happened in the days that are in view. */
export function Happened({ events, whole }: { events: Schemas["Event"][]; whole: boolean }) {
  const [all, setAll] = useState(false);
  if (events.length === 0) return null;
  const shown = all ? events : events.slice(-mostSaid);
  return (
    <div className="small">
      <h3 className={classes.happened}>{whole ? "What was done and what happened" : "In these days"}</h3>
      <ul className={classes.events}>
        {shown.map((e, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: events never move, and a day may have several
          <li key={i}>
            <span className="soft">{shortDay(e.on)}</span> {e.what}
          </li>
        ))}
      </ul>
      {events.length > mostSaid && (
        <button type="button" className="linkbutton soft" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? "Only the last" : `All ${events.length}`}
        </button>
      )}
    </div>
  );
}
