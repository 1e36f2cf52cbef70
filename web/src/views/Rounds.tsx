import { Button, Group, NativeSelect } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { usePlaces, useRounds } from "../api/plants";
import { sayDay } from "../dates";
import { Say } from "../Say";
import { How } from "../shell/How";
import { Bare, Failed, Waiting } from "../shell/States";
import { firstStops, useDrawn } from "./drawn";
import { usePicked } from "./many/picked";
import { WhenPicked } from "./many/WhenPicked";
import { ColdComing } from "./places/ColdComing";
import classes from "./Rounds.module.css";
import { useRecent } from "./recent";
import type { Stop } from "./StopRow";
import { JustRecorded } from "./undo";
import { answeredAt, WalkPlaces } from "./WalkPlaces";
import { sayCount } from "./words";

/** How many plants the walk lists at first, and how many more each time. */
const page = 40;

const must = (stop: Stop) => stop.must;
const later = (stop: Stop) => !stop.must;

/** Today's walk: what to look at, in which order, why now, with the answer taken right there. */
export function Rounds() {
  const [listed, setListed] = useState(page);
  const recent = useRecent();
  const picking = usePicked();
  const [minutes, setMinutes] = useLocalStorage({
    key: "walk-minutes",
    defaultValue: 0,
    getInitialValueInEffect: false,
  });
  const rounds = useRounds(listed, minutes);
  const standing = usePlaces(); // asked beside the walk, so that what comes in tonight moves no row
  const data = rounds.data;
  const listedNow = (data?.places ?? []).reduce((n, p) => n + (p.stops ?? []).length, 0);
  const drawn = useDrawn(listedNow);
  if (rounds.isLoadingError) return <Failed error={rounds.error} retry={() => rounds.refetch()} />;
  if (!data || standing.isLoading) return <Waiting />;
  const { today, places, looks, more, plants } = data;
  const opens = looks > 0 && !data.budget; // the minutes of a cut walk are added up from its rows
  const stops = firstStops(places ?? [], drawn);
  const waiting = data.budget ? listedNow - data.must : looks - data.must;
  const atOnce = answeredAt(places ?? [], recent, must);
  const afterwards = answeredAt(places ?? [], recent, later).filter((r) => !atOnce.includes(r));
  if (plants === 0) {
    return (
      <Bare title="No plants yet">
        <p>
          Take in the first one: a name and how it grows are enough. Then you look it over from the outside in, and the
          walk begins.
        </p>
        <Group gap="sm">
          <Button component={Link} to="/trouble">
            Something is wrong with my plant
          </Button>
          <Button component={Link} to="/plants/new" variant="default">
            Take a plant in
          </Button>
        </Group>
      </Bare>
    );
  }
  return (
    <>
      <title>Today’s walk · Tender Mend</title>
      <Group justify="space-between" align="end" mb="xs">
        <div>
          <h1>Today’s walk</h1>
          <div className="soft mt-4 mb-0">
            {promise(data)} {opens && <How working={data.pace.working} of="the minutes of this walk" />}
          </div>
        </div>
        <Group gap="sm" align="end">
          <HowLong minutes={minutes} setMinutes={setMinutes} />
          <Button component={Link} to="/trouble" variant="default">
            Something is wrong
          </Button>
          <Button component={Link} to="/plants/new" variant="default">
            Take a plant in
          </Button>
          <Button variant="default" className="not-phone" onClick={() => window.print()}>
            Print the walk
          </Button>
        </Group>
      </Group>
      {data.budget && <Cut budget={data.budget} today={today} />}
      <Alarming places={places ?? []} />
      {standing.data && <ColdComing cold={standing.data.cold} places={standing.data.places} today={today} />}
      <WalkPlaces places={stops} today={today} wants={must} answered={atOnce} asks={data} picking={picking} />
      {waiting > 0 && (
        <details className={classes.waiting} open={data.must === 0}>
          <summary>
            Can wait: {sayCount(waiting, "plant")}, about {sayCount(data.waitMinutes, "minute")}
          </summary>
          <WalkPlaces places={stops} today={today} wants={later} answered={afterwards} asks={data} picking={picking} />
        </details>
      )}
      {more > 0 && (
        <Group mt="md" gap="sm">
          <span className="soft">The most urgent {looks - more} are listed. The rest move up as you go.</span>
          <Button variant="default" onClick={() => setListed(listed + page)} loading={rounds.isPlaceholderData}>
            List {Math.min(page, more)} more
          </Button>
        </Group>
      )}
      <JustRecorded elsewhere={[...atOnce, ...afterwards]} />
      <WhenPicked picking={picking} today={today} />
    </>
  );
}

const spans = [
  { value: "0", label: "all it takes" },
  ...[5, 10, 20, 40, 60].map((m) => ({ value: String(m), label: sayCount(m, "minute") })),
];

/** How long one has: a walk is cut to what is worth most in that time. */
function HowLong({ minutes, setMinutes }: { minutes: number; setMinutes: (m: number) => void }) {
  return (
    <NativeSelect
      label="I have"
      data={spans}
      value={String(minutes)}
      w={130}
      onChange={(e) => setMinutes(Number(e.currentTarget.value))}
    />
  );
}

/** What was left out for want of time, and until when that is safe. */
function Cut({ budget, today }: { budget: Schemas["Budget"]; today: string }) {
  const until = budget.worst && budget.worst >= today ? `until ${sayDay(budget.worst, today)}` : "no longer";
  const safe = budget.worst ? `; the first of them is safe ${until}` : "";
  return (
    <p className="mt-0">
      What is worth most in {sayCount(budget.minutes, "minute")}, with the way and washing your hands:{" "}
      {sayCount(budget.takes, "minute")}.{" "}
      {budget.left === 0 ? "Nothing is left out." : `${sayCount(budget.left, "plant")} left out${safe}.`}
    </p>
  );
}

/** What must be today, in minutes, and that the rest can wait. */
function promise({ looks, must, mustMinutes }: Schemas["Rounds"]) {
  if (looks === 0) return "Nothing is due. A glance never harms.";
  if (must === 0) return "Nothing is pressing today.";
  return `${sayCount(must, "plant")} cannot wait: about ${sayCount(mustMinutes, "minute")}. Isolated ones last.`;
}

/** What alarms, above all places: it cannot wait for its turn. */
function Alarming({ places }: { places: Schemas["WalkPlace"][] }) {
  const stops = places.flatMap((p) =>
    (p.stops ?? []).flatMap((s) =>
      (s.tasks ?? []).filter((t) => t.kind === "signal").map((t) => ({ stop: s, task: t, place: p.place })),
    ),
  );
  if (stops.length === 0) return null;
  return (
    <section className={classes.alarming} aria-label="What cannot wait" role="alert">
      <ul>
        {stops.map(({ stop, task, place }) => (
          <li key={stop.id + task.signal}>
            <b className="red">
              <Say>{task.what}</Say>
            </b>
            : <Link to={`/plants/${stop.id}`}>{stop.name}</Link> <span className="soft">in {place}.</span>{" "}
            <Say>{task.why}</Say> <Say>{task.how}</Say>
          </li>
        ))}
      </ul>
    </section>
  );
}
