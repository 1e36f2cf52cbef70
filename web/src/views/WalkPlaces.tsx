import type { Schemas } from "../api/client";
import { PickAll } from "./many/PickBox";
import type { Picking } from "./many/picked";
import classes from "./Rounds.module.css";
import { type Recent, recentKey } from "./recent";
import { type Asks, type Stop, StopRow } from "./StopRow";
import { AnsweredRow } from "./undo";
import { sayCount } from "./words";

interface WalkPlacesProps {
  places: Schemas["WalkPlace"][];
  today: string;
  /** Which of the stops stand here. */
  wants: (stop: Stop) => boolean;
  /** What was answered just now at these places, and left the walk. */
  answered: Recent[];
  asks: Asks;
  picking: Picking;
}

/** What was answered at a place that is still on the walk, by a plant that is not: it can be undone there. */
export function answeredAt(places: Schemas["WalkPlace"][], recent: Recent[], wants: (stop: Stop) => boolean) {
  const plants = new Set(places.flatMap((p) => (p.stops ?? []).map((s) => s.id)));
  const shown = new Set(places.filter((p) => (p.stops ?? []).some(wants)).map((p) => p.place));
  return recent.filter((r) => r.place !== undefined && shown.has(r.place) && !r.of.some((e) => plants.has(e.plant)));
}

/** The stops of a walk by place; what was answered at one stays there, to be undone. */
export function WalkPlaces({ places, today, wants, answered, asks, picking }: WalkPlacesProps) {
  return places.map((p) => {
    const stops = (p.stops ?? []).filter(wants);
    if (stops.length === 0) return null;
    const here = answered.filter((r) => r.place === p.place);
    return (
      <section key={p.place + p.apart} aria-label={p.place}>
        <div className={classes.place}>
          <h2 className={p.apart ? "plum" : undefined}>
            {p.apart && <span aria-hidden>▦ </span>}
            {p.place}
            {p.apart && <span className={classes.wash}> wash hands and tools first</span>}
          </h2>
          <span className="soft">
            {sayCount(stops.length, "plant")} <PickAll plants={stops} of={p.place} picking={picking} />
          </span>
        </div>
        {here.length > 0 && (
          <ul className="rows no-bullets p-0 m-0 max-620">
            {here.map((r) => (
              <AnsweredRow key={recentKey(r)} one={r} />
            ))}
          </ul>
        )}
        <div className={classes.stops}>
          {stops.map((s) => (
            <StopRow key={s.id} stop={s} today={today} place={p.place} asks={asks} picking={picking} />
          ))}
        </div>
      </section>
    );
  });
}
