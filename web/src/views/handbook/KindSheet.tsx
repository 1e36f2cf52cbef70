import { Button, Group } from "@mantine/core";
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useKind } from "../../api/handbook";
import { newId } from "../../api/id";
import { Figure } from "../../figure/Figure";
import { Say } from "../../Say";
import { Failed, Waiting } from "../../shell/States";
import { type System, sayProse, sayQuantity, useUnits } from "../../units";
import { sayCount } from "../words";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";
import { Year } from "./Year";

/** A kind with all that it wants, each value with its source. */
export function KindSheet() {
  const { kind = "" } = useParams();
  const k = useTables();
  const [system] = useUnits();
  const found = useKind(kind);
  if (found.isPending) return <Waiting />;
  if (found.isLoadingError) return <Failed error={found.error} />;
  const { profile: p, water, year } = found.data;
  const habit = k.habits.find((h) => h.id === p.habit);
  const cause = (id: string) => k.causes.find((c) => c.id === id)?.label ?? id;
  const track = (id: string) => k.tracks.find((t) => t.id === id)?.name ?? id;
  const called = [...(p.names ?? []), ...(p.synonyms ?? [])];
  const t = p.temperature.map((v) => sayQuantity(v, "°C", system));
  const fact = (field: string, name: string, value: ReactNode) => (
    <>
      <dt>{name}</dt>
      <dd>
        {value}{" "}
        {p.sources[field] && p.sources[field] !== p.source && <span className="soft small">({p.sources[field]})</span>}
      </dd>
    </>
  );
  return (
    <article className="patch">
      {habit && (
        <div className={classes.growing}>
          <Figure figure={habit.figure} zones={[]} state={{}} name={`how ${p.botanical} grows`} />
        </div>
      )}
      <h2 className="size-26">
        <i className="weight-400">{p.botanical}</i> {p.common && <span className="soft">{p.common}</span>}
      </h2>
      <p className="soft mt-2 mb-8">
        {habit && (
          <Link className="colour-inherit" to={`/handbook/habits/${habit.id}?list=habits`}>
            {habit.label}
          </Link>
        )}
        {p.own && " · added here"}
      </p>
      <p className="mt-0 mb-8">
        <Link to={`/handbook/kinds/${kind}/key?list=kinds`}>A key to its commonest troubles, to print</Link>
      </p>
      {called.length > 0 && <p className="soft small mt-0 mb-8">Also called {called.join(", ")}.</p>}
      {p.poisons.map((x) => (
        <Harm key={x.whom + x.what} poison={x} />
      ))}
      {p.note && (
        <p className="mt-0 mb-6">
          <Say>{p.note}</Say>
        </p>
      )}
      {p.lookAlike && <p className="mt-0 mb-6">Taken for another: {p.lookAlike}.</p>}
      <dl className={classes.facts}>
        {fact("light", "Light", `${p.light[0]}-${p.light[2]} mol m⁻² a day, best ${p.light[1]}; ${suns[p.sun]}`)}
        {fact("temperature", "Warmth", `${t[0]} to ${t[2]}, best ${t[1]}${chilled(p.chill, system)}`)}
        {fact("humidity", "Air", `at least ${p.humidity[0]} %, best ${p.humidity[1]} %`)}
        {fact("waterRule", "Water", water.map((w) => `${w.when}: ${sayProse(w.words, system)}`).join("; "))}
        {fact("rest", "Rest", <Say>{p.rest || "no rest of its own"}</Say>)}
        {fact(
          "feed",
          "Feed",
          `${p.feed.ppmN} ppm N while it grows, ${Math.round(p.feed.low * 100)} % of that in low light`,
        )}
        {fact(
          "mixes",
          "Mix",
          p.mixes.map((m) => `${m.name}: ${m.parts.map((x) => `${x.parts} ${x.what}`).join(" : ")}`).join("; "),
        )}
        {fact(
          "repotMonths",
          "Fresh mix",
          p.repotMonths[0] === p.repotMonths[1]
            ? `every ${sayCount(p.repotMonths[0] ?? 0, "month")}`
            : `every ${p.repotMonths[0]}-${p.repotMonths[1]} months`,
        )}
        {fact(
          "perMonth",
          "Makes",
          `${round(p.perMonth[0])}-${round(p.perMonth[1])} leaves or growths a month over the year`,
        )}
        {p.setups?.length ? fact("setups", "Usually in", p.setups.join(", ").replaceAll("-", " ")) : null}
        {p.propagation?.length
          ? fact("propagation", "Multiplied by", p.propagation.join(", ").replaceAll("-", " "))
          : null}
        {p.troubles?.length ? fact("troubles", "Its usual troubles", p.troubles.join("; ")) : null}
        {p.traits.length > 0 && fact("traits", "Minds", p.traits.map((x) => k.traits[x] ?? x).join("; "))}
      </dl>
      <p className="soft small mt-8 mb-0">Where nothing else is said: {p.source}.</p>
      <Year months={year} />
      <h3 className="mt-14">Pests that come to it</h3>
      <ul className={classes.shown}>
        {p.pests.map((x) => (
          <li key={x.pest}>
            <Link to={`/handbook/causes/${x.pest}`}>{cause(x.pest)}</Link>
            <span className="soft small">
              <Say>{x.how}</Say>
            </span>
          </li>
        ))}
      </ul>
      <h3 className="mt-14">How long it usually takes to mend</h3>
      <ul className={classes.shown}>
        {p.weeks.map((w) => (
          <li key={w.track}>
            <span>{track(w.track)}</span>
            <span className="soft small">
              {w.weeks[0]}-{w.weeks[1]} weeks
            </span>
          </li>
        ))}
      </ul>
      <Group mt="md">
        {p.own ? (
          <Button component={Link} to={`/handbook/kinds/${p.id}/edit?list=kinds`} variant="default">
            Change it
          </Button>
        ) : (
          <Button component={Link} to={`/handbook/kinds/own:${newId()}/edit?list=kinds&from=${p.id}`} variant="default">
            Make a kind of your own from it
          </Button>
        )}
      </Group>
    </article>
  );
}

/** How it harms people or animals, by severity; what nobody knows is never shown as safe. */
function Harm({ poison }: { poison: Schemas["Poison"] }) {
  const whom = poison.whom;
  if (poison.bad === "none") {
    return <p className="soft small mt-0 mb-6">No harm known to {whom}; do not let anybody chew it all the same.</p>;
  }
  if (poison.bad === "not known") {
    return (
      <p className="ochre mt-0 mb-6">
        <b>Not known whether it harms {whom}:</b> treat it as if it did, out of reach.
      </p>
    );
  }
  return (
    <p className="red mt-0 mb-6">
      <b>Harms {whom}</b> ({poison.bad}): {poison.what}. After swallowing, call a poison centre
      {whom === "pets" ? " or a vet" : ""}.
    </p>
  );
}

export const suns: Record<Schemas["Profile"]["sun"], string> = {
  none: "no direct sun",
  filtered: "sun only through a curtain or leaves",
  morning: "morning sun until about eleven",
  full: "full sun once it is used to it",
};

const chilled = (c: number | undefined, system: System) =>
  c === undefined ? "" : `; under ${sayQuantity(c, "°C", system)} a night harms it`;

const round = (n = 0) => Number(n.toFixed(1));
