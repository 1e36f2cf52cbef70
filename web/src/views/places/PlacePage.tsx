import { Button, Group, Select } from "@mantine/core";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { type PlaceView, usePlace, useRemovePlace } from "../../api/places";
import { usePlaces, useSession } from "../../api/plants";
import { useMany } from "../../api/recording";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { sayCount } from "../words";
import { ColdComing } from "./ColdComing";
import { LightForm, LoggerForm } from "./Instruments";
import classes from "./Places.module.css";
import { WhatItIsLike } from "./WhatItIsLike";
import { sayScore, sayWhy } from "./words";
import { YearOfLight } from "./YearOfLight";

/** A place: its year of light and air, what was read there, and how well those fit that stand there. */
export function PlacePage() {
  const { place = "" } = useParams();
  const view = usePlace(place);
  const places = usePlaces();
  const today = useSession().data?.today ?? "";
  if (view.isPending || places.isPending) return <Waiting />;
  if (view.isLoadingError) return <Failed error={view.error} retry={() => view.refetch()} />;
  if (places.isLoadingError) return <Failed error={places.error} retry={() => places.refetch()} />;
  const v = view.data;
  if (!v) return null;
  return (
    <>
      <title>{`${v.name} · Tender Mend`}</title>
      <p className="small mb-0">
        <Link to="/places">Places</Link>
      </p>
      <h1>
        {v.isolation && <span aria-hidden>▦ </span>}
        {v.name}
      </h1>
      <ColdComing cold={v.cold} places={places.data?.places ?? []} today={today} />
      <p>
        <Say>
          {v.says || "Nobody has said what it is like. Say it below: its light, sun and nights are reckoned from that."}
        </Say>
      </p>
      <div className={classes.two}>
        <div className={classes.side}>
          {v.year.length > 0 && (
            <section className="patch" aria-label="Its year">
              <h2>Its year</h2>
              <YearOfLight year={v.year} says={v.says} />
              {v.lightNow && (
                <p className="mb-0">
                  This month <b>{v.lightNow.value.toFixed(1)} mol a day</b>{" "}
                  <How working={v.lightNow.working} of={`the light of ${v.name}`} />
                </p>
              )}
              {v.odd && (
                <p className="ochre mb-0">
                  What was read differs so much from what its window would give that the aspect or the size is likely
                  wrong. Look at them again.
                </p>
              )}
            </section>
          )}
          <Stands view={v} />
          <Days view={v} />
        </div>
        <div className={classes.side}>
          <WhatItIsLike key={v.version} view={v} places={places.data?.places ?? []} />
          <LightForm view={v} today={today} />
          <LoggerForm view={v} />
          <Remove view={v} today={today} />
        </div>
      </div>
    </>
  );
}

/** Those that stand there, the worst fit first. */
function Stands({ view: v }: { view: PlaceView }) {
  return (
    <section className="patch" aria-label="Who stands there">
      <h2>{v.stands.length === 0 ? "Nobody stands there" : `${sayCount(v.stands.length, "plant")} here`}</h2>
      <ul className="rows no-bullets p-0 m-0">
        {v.stands.map((p) => (
          <li key={p.id} className="py-5 px-0">
            <Link to={`/plants/${p.id}`}>{p.name}</Link>{" "}
            {p.score !== undefined && (
              <span className={p.word === "poor" ? "red small" : p.word === "passable" ? "ochre small" : "kelp small"}>
                fits {p.word === "poor" ? "badly" : p.word === "passable" ? "passably" : "well"}, {sayScore(p.score)}
                {p.word !== "good" && p.rules && `: ${sayWhy(p.rules, p.month)}`}
              </span>
            )}
          </li>
        ))}
      </ul>
      {v.stands.some((p) => p.word === "poor") && (
        <p className="mb-0">
          <Link to="/fit">Where they would stand better</Link>
        </p>
      )}
    </section>
  );
}

/** What instruments read there, a line a day from its coldest to its warmest. */
function Days({ view: v }: { view: PlaceView }) {
  const [system] = useUnits();
  if (v.days.length === 0) return null;
  const low = Math.min(...v.days.map((d) => d.low));
  const high = Math.max(...v.days.map((d) => d.high));
  const y = (t: number) => 8 + (84 * (high - t)) / Math.max(1, high - low);
  const last = v.days[v.days.length - 1];
  return (
    <section className="patch" aria-label="What was read">
      <h2>What was read</h2>
      <svg
        viewBox={`0 0 ${v.days.length * 12} 100`}
        className={classes.year}
        role="img"
        aria-label={`From ${sayQuantity(low, "°C", system)} to ${sayQuantity(high, "°C", system)}`}
      >
        {v.days.map((d, i) => (
          <line
            key={d.on}
            x1={12 * i + 6}
            x2={12 * i + 6}
            y1={y(d.high)}
            y2={y(d.low)}
            stroke={d.whole ? "var(--slate)" : "var(--weft)"}
            strokeWidth={5}
            strokeDasharray="6 2"
          />
        ))}
      </svg>
      {last && (
        <p className="small mb-0">
          {sayCount(v.days.length, "day")}, between {sayQuantity(low, "°C", system)} and{" "}
          {sayQuantity(high, "°C", system)}. The last: {sayQuantity(last.low, "°C", system)} to{" "}
          {sayQuantity(last.high, "°C", system)}
          {last.humidity !== undefined && `, ${Math.round(last.humidity)} % humidity`}
          {last.vpd !== undefined && `, ${last.vpd.toFixed(2)} kPa vapour pressure deficit`}. Its nights correct what is
          reckoned of the nights to come.
        </p>
      )}
    </section>
  );
}

/** Removes a place; those that stand there go to another one first. */
function Remove({ view: v, today }: { view: PlaceView; today: string }) {
  const remove = useRemovePlace(v.id);
  const many = useMany();
  const places = usePlaces().data?.places ?? [];
  const go = useNavigate();
  const [to, setTo] = useState<string | null>(null);
  const empty = v.stands.length === 0 && v.plants === 0;
  const away = () => remove.mutate(v.version, { onSuccess: () => go("/places") });
  return (
    <details className="patch">
      <summary>Remove it, or join it to another</summary>
      {!empty && (
        <Select
          mt="sm"
          label={`Move ${sayCount(v.stands.length, "plant")} to`}
          data={places.filter((p) => p.id !== v.id).map((p) => ({ value: p.id, label: p.name }))}
          value={to}
          onChange={setTo}
        />
      )}
      <Group mt="sm">
        <Button
          variant="default"
          loading={remove.isPending || many.isPending}
          disabled={!empty && to === null}
          onClick={() =>
            empty || to === null
              ? away()
              : many.mutate(
                  v.stands.map((p) => ({ plant: p.id, on: today, moved: { place: to } })),
                  { onSuccess: ({ refused }) => refused.length === 0 && away() },
                )
          }
        >
          {empty ? `Remove ${v.name}` : to === null ? "Say where they go" : `Move them and remove ${v.name}`}
        </Button>
      </Group>
      {remove.error && <Refused error={remove.error} />}
      {many.error && <Refused error={many.error} />}
      {many.data?.refused.map((r) => (
        <p key={r.plant} className="red small">
          {v.stands.find((p) => p.id === r.plant)?.name}: {r.problem.detail}
        </p>
      ))}
    </details>
  );
}
