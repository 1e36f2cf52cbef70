import { Button } from "@mantine/core";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { type TripPot, useSit, useTick } from "../../api/trips";
import { sayDay, shortDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { sayCount } from "../words";
import classes from "./Trips.module.css";
import { byPlace, daysOf } from "./words";

type SitView = Schemas["SitView"];

/** What a sitter does today: one plant a card, two large taps; nothing else of the collection. */
export function Sit() {
  const { token = "" } = useParams();
  const sit = useSit(token);
  return (
    <main className="page" style={{ maxWidth: 620 }}>
      <title>Watering for somebody · Tender Mend</title>
      {sit.isPending && <Waiting />}
      {sit.isError && <Failed error={sit.error} />}
      {sit.data && <Sheet view={sit.data} token={token} />}
    </main>
  );
}

/** The day on which a plant is seen to next, today or before where it was not ticked since. */
function nextDay(p: TripPot, v: SitView): string | undefined {
  const ticked = v.ticks.filter((t) => t.plant === p.plant).map((t) => t.on);
  return daysOf(p, v.from).find((d) => d >= v.today || !ticked.some((on) => on >= d));
}

function Sheet({ view: v, token }: { view: SitView; token: string }) {
  const done = (p: TripPot) => v.ticks.some((t) => t.plant === p.plant && t.on === v.today);
  const waters = v.sheet.filter((p) => p.days.length > 0);
  const now = waters.filter((p) => {
    const next = nextDay(p, v);
    return done(p) || (next !== undefined && next <= v.today);
  });
  const later = waters.filter((p) => !now.includes(p));
  const days = new Map<string, string[]>();
  for (const p of later) {
    const day = nextDay(p, v);
    if (day) days.set(day, [...(days.get(day) ?? []), p.name]);
  }
  const byDay = [...days].sort(([x], [y]) => x.localeCompare(y));
  const never = v.sheet.filter((p) => p.never);
  const open = now.filter((p) => !done(p)).length;
  return (
    <>
      <h1>Hello {v.sitter}</h1>
      <p>
        {v.carer} is away until {sayDay(v.back, v.today)}.{" "}
        <b>
          {v.today < v.from
            ? `It begins on ${shortDay(v.from)}.`
            : open > 0
              ? `Today: ${sayCount(open, "plant")}.`
              : now.length > 0
                ? "All done for today. Thank you!"
                : "Nothing to do today."}
        </b>
      </p>
      <p>Feel first, a finger deep. If it is wet, leave it and say so: too much water harms more than too little.</p>
      {(v.note || v.phone) && (
        <p className="patch">
          {v.note} {v.phone && <b>In doubt: {v.phone}</b>}
        </p>
      )}
      {byPlace(now).map(([place, list]) => (
        <section key={place} className="patch mb-18" aria-label={place || "no place"}>
          <h2>{place || "Somewhere"}</h2>
          {list.map((p) => (
            <Card key={p.plant} pot={p} token={token} done={done(p)} />
          ))}
        </section>
      ))}
      {never.length > 0 && (
        <section className="patch mb-18" aria-label="Do not water">
          <h2 className="red">Do not water</h2>
          {never.map((p) => (
            <p key={p.plant} className="my-8">
              <b>{p.name}</b> <span className="soft">({p.place})</span>
            </p>
          ))}
        </section>
      )}
      {byDay.length > 0 && (
        <section className="patch" aria-label="On other days">
          <h2>On other days</h2>
          {byDay.map(([day, names]) => (
            <p key={day} className="my-8">
              <b>{shortDay(day)}</b>: {names.join(", ")}
            </p>
          ))}
        </section>
      )}
    </>
  );
}

function Card({ pot: p, token, done }: { pot: TripPot; token: string; done: boolean }) {
  const tick = useTick(token);
  const [system] = useUnits();
  const amount = p.otherwise || (p.millilitres ? sayQuantity(p.millilitres, "ml", system) : "a little water");
  return (
    <div className={classes.card}>
      <div>
        <b>{p.name}</b> <span className="soft">{p.label}</span>
        {p.isolated && <div className="plum small">Kept apart: do it last, and wash your hands afterwards.</div>}
        <div className="large">{amount}</div>
      </div>
      {done ? (
        <p className="kelp m-0" role="status">
          ticked today
        </p>
      ) : (
        <div className={classes.taps}>
          <Button
            size="lg"
            loading={tick.isPending}
            onClick={() => tick.mutate({ plant: p.plant, did: "watered" })}
            aria-label={`${p.name}: done`}
          >
            Done
          </Button>
          <Button
            size="lg"
            variant="default"
            disabled={tick.isPending}
            onClick={() => tick.mutate({ plant: p.plant, did: "wet" })}
            aria-label={`${p.name}: still wet, left it`}
          >
            Still wet
          </Button>
        </div>
      )}
      {tick.error && <Refused error={tick.error} />}
    </div>
  );
}
