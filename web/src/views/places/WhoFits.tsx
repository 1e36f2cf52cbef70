import { Button, Checkbox } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useFit } from "../../api/places";
import { useSession } from "../../api/plants";
import { useMany } from "../../api/recording";
import { shortDay } from "../../dates";
import { Say } from "../../Say";
import { Bare, Failed, Refused, Waiting } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import classes from "./Places.module.css";
import { sayScore, sayWhy } from "./words";

/** Who stands badly in the coming half year, and the few moves that mend it. */
export function WhoFits() {
  const fit = useFit();
  const today = useSession().data?.today ?? "";
  const [left, setLeft] = useState<string[]>([]);
  const many = useMany();
  const undo = useUndoMany();
  if (fit.isPending) return <Waiting />;
  if (fit.isLoadingError) return <Failed error={fit.error} retry={() => fit.refetch()} />;
  const f = fit.data;
  if (!f) return null;
  const picked = f.moves.filter((m) => !left.includes(m.plant));
  return (
    <>
      <title>Who fits where · Tender Mend</title>
      <p className="small mb-0">
        <Link to="/places">Places</Link>
      </p>
      <h1>Who fits where</h1>
      <p>
        In the coming half year {sayCount(f.fitting, "plant")} stand well or passably where they are
        {f.moves.length > 0 && `; ${sayCount(f.moves.length, "move")} would mend most of the rest`}.
        {f.unknown.length > 0 && ` Nobody has said what ${f.unknown.join(", ")} is like: their plants are left out.`}
      </p>
      {f.moves.length + f.poor.length + f.season.length === 0 && (
        <Bare title="Nobody needs to move">
          <p>Everybody whose place is known stands as well as the places allow.</p>
        </Bare>
      )}
      {f.season.length > 0 && (
        <section className="patch mb-18" aria-label="The season">
          <h2>The season</h2>
          <ul className="rows no-bullets p-0 m-0">
            {f.season.map((s) => (
              <li key={s.plant} className="py-5 px-0">
                <Link to={`/plants/${s.plant}`}>{s.name}</Link>{" "}
                <span className={s.move === "bring-in" ? "red" : undefined}>
                  {s.move === "bring-in" ? `comes in from ${s.place}` : "can go out"}{" "}
                  {s.on <= today ? "now" : `from ${shortDay(s.on)}`}, by {shortDay(s.until)}
                </span>
                <div className="soft small">
                  <Say>{s.why}</Say> <Say>{s.how}</Say>
                </div>
              </li>
            ))}
          </ul>
          {f.moreSeason > 0 && <p className="small soft">And {sayCount(f.moreSeason, "plant")} more.</p>}
        </section>
      )}
      <div className={classes.two}>
        {f.moves.length > 0 && (
          <section className="patch" aria-label="Moves">
            <h2>{sayCount(f.moves.length, "move")} worth making</h2>
            <ul className="rows no-bullets p-0 m-0">
              {f.moves.map((m) => (
                <Move
                  key={m.plant}
                  move={m}
                  on={!left.includes(m.plant)}
                  toggle={(on) => setLeft(on ? left.filter((x) => x !== m.plant) : [...left, m.plant])}
                />
              ))}
            </ul>
            {many.error && <Refused error={many.error} />}
            {many.data?.refused.map((r) => (
              <p key={r.plant} className="red small">
                {f.moves.find((m) => m.plant === r.plant)?.name}: {r.problem.detail}
              </p>
            ))}
            <Button
              mt="sm"
              disabled={picked.length === 0}
              loading={many.isPending}
              onClick={() =>
                many.mutate(
                  picked.map((m) => ({ plant: m.plant, on: today, moved: { place: m.to, reason: "it fits better" } })),
                  { onSuccess: ({ kept }) => undo("moved", sayCount(kept.length, "plant"), kept) },
                )
              }
            >
              {picked.length === 0 ? "Pick some" : `I have moved ${sayCount(picked.length, "plant")}`}
            </Button>
          </section>
        )}
        {f.poor.length > 0 && (
          <section className="patch" aria-label="Badly placed">
            <h2>No better place is left for {sayCount(f.poor.length + f.morePoor, "plant")}</h2>
            {f.lamps.map((l) => (
              <p key={l.place} className="my-8">
                A lamp over <Link to={`/places/${l.place}`}>{l.name}</Link> would mend {l.plants} of them.
                <span className="soft small">
                  {" "}
                  {l.ppfd} µmol at the leaves, {sayCount(l.hours, "hour")} a day.
                </span>
              </p>
            ))}
            <ul className="rows no-bullets p-0 m-0">
              {f.poor.map((p) => (
                <li key={p.id} className="py-5 px-0">
                  <Link to={`/plants/${p.id}`}>{p.name}</Link>{" "}
                  <span className="red small">
                    {p.score !== undefined && sayScore(p.score)}
                    {p.rules && `: ${sayWhy(p.rules, p.month)}`}
                  </span>
                </li>
              ))}
            </ul>
            {f.morePoor > 0 && <p className="small soft">The worst stand here, and {f.morePoor} more stand badly.</p>}
          </section>
        )}
      </div>
    </>
  );
}

function Move({ move: m, on, toggle }: { move: Schemas["FitMove"]; on: boolean; toggle: (on: boolean) => void }) {
  const last = m.steps[m.steps.length - 1];
  return (
    <li className={`py-8 px-0 ${classes.move}`}>
      <Checkbox checked={on} onChange={(e) => toggle(e.currentTarget.checked)} aria-label={`Move ${m.name}`} mt={3} />
      <div>
        <Link to={`/plants/${m.plant}`}>
          <b>{m.name}</b>
        </Link>{" "}
        from {m.fromName || "nowhere"} to <b>{m.toName}</b>
        <div className="small">
          {m.clean
            ? "no longer has to be kept apart; "
            : m.makesRoom
              ? "makes room; "
              : m.rules
                ? `${sayWhy(m.rules, m.month)} where it stands; `
                : ""}
          {m.from && `${sayScore(m.here)} there, `}
          {sayScore(m.there)} in {m.toName}
        </div>
        {m.steps.length > 1 && last && (
          <div className="small ochre">
            Raise its light in {sayCount(m.steps.length, "step")} over {sayCount(last.day, "day")}:{" "}
            {m.steps.map((s) => `day ${s.day} ${s.light.toFixed(1)} mol`).join(", ")}.
          </div>
        )}
        {m.darker && <div className="small soft">{m.darker}</div>}
      </div>
    </li>
  );
}
