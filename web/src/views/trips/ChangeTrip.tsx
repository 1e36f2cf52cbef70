import { Button, Group } from "@mantine/core";
import { useState } from "react";
import { useSession } from "../../api/plants";
import { type TripView, type TripWanted, useChangeTrip } from "../../api/trips";
import { sayDay } from "../../dates";
import { Refused } from "../../shell/States";
import { sayCount } from "../words";
import { TripForm } from "./TripForm";
import classes from "./Trips.module.css";

/** A trip is changed, called off, or over sooner: the plan is made anew from today. */
export function ChangeTrip({ view: t }: { view: TripView }) {
  const today = useSession().data?.today ?? "";
  const change = useChangeTrip(t.id);
  const [open, setOpen] = useState(false);
  const { from, back, sitter, phone, note, cooler, begun, version = 1 } = t;
  const as: TripWanted = { from, back, sitter, phone, note, cooler };
  if (t.off)
    return (
      <div className="mb-18">
        <p className="ochre">This trip was called off.</p>
        {!begun && (
          <Button variant="default" loading={change.isPending} onClick={() => change.mutate({ ...as, version })}>
            It takes place after all
          </Button>
        )}
        {change.error && <Refused error={change.error} />}
      </div>
    );
  if (t.over) return null;
  if (open)
    return (
      <section className={`patch mb-18 ${classes.unprinted}`} aria-label="Change the trip">
        <h2>Change the trip</h2>
        <p className="mt-2 soft small">
          Every plant is planned anew from today. What was planned before is kept.
          {t.sitter && ` ${t.sitter}’s address stays good, unless somebody else comes in.`}
        </p>
        <TripForm
          begin={as}
          begun={begun}
          button="Change it"
          sending={change.isPending}
          error={change.error}
          send={(wanted) => change.mutate({ ...wanted, version }, { onSuccess: () => setOpen(false) })}
        >
          <Button variant="default" onClick={() => setOpen(false)}>
            Leave it as it is
          </Button>
        </TripForm>
      </section>
    );
  return (
    <div className={`mb-18 ${classes.unprinted}`}>
      <Group>
        <Button variant="default" onClick={() => setOpen(true)}>
          Change the trip
        </Button>
        {begun && from < today && back > today && (
          <Button
            variant="default"
            loading={change.isPending}
            onClick={() => change.mutate({ ...as, back: today, version })}
          >
            I am back already
          </Button>
        )}
        {!begun && (
          <Button
            variant="default"
            loading={change.isPending}
            onClick={() => change.mutate({ ...as, off: true, version })}
          >
            Call it off
          </Button>
        )}
      </Group>
      {change.error && <Refused error={change.error} />}
    </div>
  );
}

/** What the trip was before it was changed. */
export function EarlierTrips({ view: t }: { view: TripView }) {
  const today = useSession().data?.today ?? "";
  const earlier = t.earlier ?? [];
  if (earlier.length === 0) return null;
  return (
    <details className={classes.unprinted}>
      <summary className="small">Changed {sayCount(earlier.length, "time")}: what it was before</summary>
      <ul className="small">
        {earlier.map((v) => (
          <li key={v.version}>
            {sayDay(v.from, today)} to {sayDay(v.back, today)}, {v.sitter ? `${v.sitter} comes in` : "nobody comes in"}
            {v.cooler && ", the heating turned down"}
            {v.phone && `, reached at ${v.phone}`}
            {v.note && `: ${v.note}`}
          </li>
        ))}
      </ul>
    </details>
  );
}
