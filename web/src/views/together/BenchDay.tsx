import { Button, Group } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { newId } from "../../api/id";
import { useMany } from "../../api/recording";
import { useBenchDay } from "../../api/together";
import { Say } from "../../Say";
import { Bare, Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { useUndoMany } from "../undo";
import { sayCount, sayTime } from "../words";
import classes from "./Together.module.css";

type OnBench = Schemas["BenchDay"]["plants"][number];

/** One bench day for plants that belong together: what to lay out, then one plant after the other. */
export function BenchDay() {
  const [search] = useSearchParams();
  const tag = search.get("tag") ?? "";
  const day = useBenchDay(tag);
  const [system] = useUnits();
  if (day.isPending) return <Waiting />;
  if (day.isLoadingError) return <Failed error={day.error} retry={() => day.refetch()} />;
  const { plants, needs, minutes, nothing, more, turns, today } = day.data;
  const back = `/together?tag=${encodeURIComponent(tag)}`;
  if (plants.length === 0) {
    return (
      <Bare title="Nothing is due on the bench today">
        <p>
          {sayCount(nothing, "plant")} of “{tag}” want no step of a plan by today.
        </p>
        <Link to={back}>To the plants</Link>
      </Bare>
    );
  }
  const inTurns = turns
    .map((t) => ({ ...t, here: plants.filter((p) => p.turn === t.turn) }))
    .filter((t) => t.here.length > 0);
  return (
    <>
      <title>{`Bench day: ${tag} · Tender Mend`}</title>
      <Group justify="space-between" align="end">
        <div>
          <h1>Bench day</h1>
          <p className="soft mt-4 mb-0">
            <Link to={back}>{tag}</Link>: {sayCount(plants.length, "plant")}, about {sayTime(minutes)}.
            {more > 0 && ` ${sayCount(more, "plant")} more are not listed: those that are due longest are.`}
            {nothing > 0 && ` ${sayCount(nothing, "plant")} more want nothing today.`}
          </p>
        </div>
        <Button variant="default" className="not-phone" onClick={() => window.print()}>
          Print it
        </Button>
      </Group>
      <div className={classes.halves}>
        <div>
          {inTurns.map((t) => (
            <section key={t.title} className="patch mb-16" aria-label={t.title}>
              <h2>{t.title}</h2>
              <p className="soft small mt-2 mb-0">{t.before}</p>
              <ol className={classes.turn}>
                {alike(t.here).map((plants) => (
                  <Alike key={plants[0]?.id} plants={plants} today={today} />
                ))}
              </ol>
            </section>
          ))}
        </div>
        <section className="patch" aria-label="Lay out for all of them">
          <h2>Lay out for all</h2>
          {needs.length === 0 && <p className="soft">Nothing that is used up.</p>}
          <ul className="rows no-bullets p-0 m-0">
            {needs.map((n) => (
              <li key={n.what} className="flex apart-x gap-12 py-5 px-0">
                <span>
                  {n.what}
                  {n.stock !== undefined && n.buy > 0 && <span className="ochre small"> · not enough here</span>}
                </span>
                <b className="numbers">{n.need > 0 ? sayQuantity(n.need, n.unit, system) : "some"}</b>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </>
  );
}

/** Plants that want the same, word for word, together: their steps are told once. */
function alike(plants: OnBench[]): OnBench[][] {
  const groups = new Map<string, OnBench[]>();
  for (const p of plants) {
    const said = p.steps.map((s) => s.how).join("\n");
    groups.set(said, [...(groups.get(said) ?? []), p]);
  }
  return [...groups.values()];
}

/** What some plants want that are alike, and each of them with its own answers. */
function Alike({ plants, today }: { plants: OnBench[]; today: string }) {
  const [first] = plants;
  if (!first) return null;
  return (
    <li>
      <p className="soft small m-0">
        {first.causes.join(", ")}
        {plants.length > 1 &&
          ` · ${sayCount(plants.length, "plant")} alike: one after the other, the whole of it each time`}
      </p>
      <ol className={classes.steps}>
        {first.steps.map((s) => (
          <li key={s.id}>
            <Say>{s.how}</Say>
          </li>
        ))}
      </ol>
      <ul className={classes.turn}>
        {plants.map((p) => (
          <OnePlant key={p.id} plant={p} today={today} />
        ))}
      </ul>
    </li>
  );
}

const nobody = "00000000-0000-0000-0000-000000000000";

function OnePlant({ plant, today }: { plant: OnBench; today: string }) {
  const many = useMany();
  const undo = useUndoMany();
  const all = plant.steps.some((s) => s.op === "baseline") ? "All done, without a picture" : "All done";
  const done = () =>
    many.mutate(
      plant.steps.map((s) => ({
        plant: plant.id,
        id: newId(),
        on: today,
        case: s.case === nobody ? undefined : s.case,
        did: { step: s.id, skipped: false, note: s.op === "baseline" ? "no picture was made" : undefined },
      })),
      { onSuccess: ({ kept }) => kept.length > 0 && undo("what was due is done", plant.name, kept) },
    );
  return (
    <li data-testid="on-bench">
      <Group gap="sm">
        <h3 className="m-0">
          <Link to={`/plants/${plant.id}`}>{plant.name}</Link>{" "}
          <span className="soft small">
            {plant.label} · {sayCount(plant.minutes, "minute")}
          </span>
        </h3>
        <Button component={Link} to={`/plants/${plant.id}/work`} size="compact-md">
          Work through it
        </Button>
        <Button
          size="compact-md"
          variant="default"
          loading={many.isPending}
          aria-label={`${all}: ${plant.name}`}
          onClick={done}
        >
          {all}
        </Button>
      </Group>
      <Refused error={many.error} />
      {many.data?.refused.map((r) => (
        <p key={r.plant} role="alert" className="red small m-0">
          Not recorded: {r.problem.detail}
        </p>
      ))}
    </li>
  );
}
