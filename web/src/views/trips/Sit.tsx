import { Button } from "@mantine/core";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useSit, useTick } from "../../api/trips";
import { sayDay, shortDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { sayCount } from "../words";
import classes from "./Trips.module.css";
import { byPlace } from "./words";

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

function Sheet({ view: v, token }: { view: SitView; token: string }) {
  const now = v.sheet.filter((p) => p.done || (p.next !== undefined && p.next <= v.today));
  const days = new Map<string, string[]>();
  for (const p of v.sheet) if (p.next && !now.includes(p)) days.set(p.next, [...(days.get(p.next) ?? []), p.name]);
  const byDay = [...days].sort(([x], [y]) => x.localeCompare(y));
  const never = v.sheet.filter((p) => p.never);
  const open = now.filter((p) => !p.done).length;
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
      {v.said && <p role="status">{v.said}</p>}
      <p>{v.feel}</p>
      {(v.note || v.phone) && (
        <p className="patch">
          {v.note} {v.phone && <b>In doubt: {v.phone}</b>}
        </p>
      )}
      {byPlace(now).map(([place, list]) => (
        <section key={place} className="patch mb-18" aria-label={place || "no place"}>
          <h2>{place || "Somewhere"}</h2>
          {list.map((p) => (
            <Card key={p.plant} pot={p} token={token} apart={v.apart} />
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

function Card({ pot: p, token, apart }: { pot: Schemas["SitPot"]; token: string; apart: string }) {
  const tick = useTick(token);
  const [system] = useUnits();
  const amount = p.otherwise || (p.millilitres ? sayQuantity(p.millilitres, "ml", system) : "a little water");
  return (
    <div className={classes.card}>
      <div>
        <b>{p.name}</b> <span className="soft">{p.label}</span>
        {p.isolated && <div className="plum small">{apart}</div>}
        <div className="large">{amount}</div>
      </div>
      {p.done ? (
        <div>
          <p className="kelp m-0" role="status">
            {p.did === "wet" ? "still wet, left today" : "watered today"}
          </p>
          {p.did && (
            <Button
              variant="transparent"
              size="compact-md"
              px={0}
              td="underline"
              loading={tick.isPending}
              onClick={() => tick.mutate({ plant: p.plant, did: p.did === "wet" ? "watered" : "wet" })}
              aria-label={`${p.name}: ${p.did === "wet" ? "no, I watered it" : "no, it was still wet"}`}
            >
              {p.did === "wet" ? "No, I watered it" : "No, it was still wet"}
            </Button>
          )}
        </div>
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
