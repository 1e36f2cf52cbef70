import { Button, CopyButton, Group } from "@mantine/core";
import { Link, useParams } from "react-router";
import { useSession } from "../../api/plants";
import { type TripPot, type TripView, useEndTrip, useLinkTrip, useTrip } from "../../api/trips";
import { daysBetween, sayDay, shortDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { sayChance, sayCount } from "../words";
import { ChangeTrip, EarlierTrips } from "./ChangeTrip";
import classes from "./Trips.module.css";
import { byPlace, daysOf, sayAids } from "./words";

/** A trip: what is done before leaving, by whom meanwhile, and whom to look at first afterwards. */
export function TripPage() {
  const { trip = "" } = useParams();
  const view = useTrip(trip);
  const today = useSession().data?.today ?? "";
  if (view.isPending || !today) return <Waiting />;
  if (view.isLoadingError) return <Failed error={view.error} retry={() => view.refetch()} />;
  const t = view.data;
  if (!t) return null;
  const lasts = t.sheet.filter((p) => p.verdict === "lasts");
  const sits = t.sheet.filter((p) => p.days.length > 0);
  const never = t.sheet.filter((p) => p.never);
  return (
    <>
      <title>Going away · Tender Mend</title>
      <p className={`small mb-0 ${classes.unprinted}`}>
        <Link to="/trips">Going away</Link>
      </p>
      <Group justify="space-between" align="baseline">
        <h1>
          {sayDay(t.from, today)} to {sayDay(t.back, today)}
        </h1>
        <Button variant="default" className={classes.unprinted} onClick={() => window.print()}>
          Print it
        </Button>
      </Group>
      <p>
        {sayCount(daysBetween(t.from, t.back), "day")}
        {t.cooler && ", with the heating turned down"}. {sayCount(lasts.length, "plant")} last as they stand
        {sits.length > 0 && `, ${sayCount(sits.length, "plant")} must be seen to`}
        {never.length > 0 && `, ${never.length} must not be watered`}.
      </p>
      <ChangeTrip view={t} />
      <After view={t} />
      <Before view={t} />
      <Sitting view={t} pots={sits} never={never} />
      {!t.off && <Sitter view={t} needed={sits.length > 0} />}
      <EarlierTrips view={t} />
    </>
  );
}

/** After coming back: whom to look at first. */
function After({ view: t }: { view: TripView }) {
  if (t.first.length === 0) return null;
  return (
    <section className="patch mb-18" aria-label="Whom to look at first">
      <h2 className="red">Look at these first</h2>
      <ul className="rows no-bullets p-0 m-0">
        {t.first.map((l) => (
          <li key={l.plant} className="py-5 px-0">
            <Link to={`/plants/${l.plant}`}>{l.name}</Link>: that it stood too dry, {sayChance(l.chance)}
            {l.missed.length > 0 && `; nothing was ticked for ${l.missed.map(shortDay).join(", ")}`}. A finger first.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is done before leaving. */
function Before({ view: t }: { view: TripView }) {
  const water = t.sheet.filter((p) => p.waterBefore);
  const aided = t.sheet.filter((p) => p.aids.length > 0);
  const guessed = t.sheet.filter((p) => p.guess && !p.never);
  return (
    <section className="patch mb-18" aria-label="Before leaving">
      <h2>On the day before</h2>
      {water.length === 0 && <p>Nobody needs water on the day before.</p>}
      {byPlace(water).map(([place, pots]) => (
        <div key={place}>
          <h3>{place || "no place"}: water through</h3>
          <ul className={classes.ticks}>
            {pots.map((p) => (
              <li key={p.plant}>
                <span className={classes.box} aria-hidden />
                <Link to={`/plants/${p.plant}`}>{p.name}</Link>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {aided.length > 0 && <h3>So that they last</h3>}
      <ul className={classes.ticks}>
        {aided.map((p) => (
          <li key={p.plant}>
            <span className={classes.box} aria-hidden />
            <Link to={`/plants/${p.plant}`}>{p.name}</Link>: {sayAids(p.aids)}
          </li>
        ))}
      </ul>
      {guessed.length > 0 && (
        <details>
          <summary className="small">
            Nobody has recorded a watering of {sayCount(guessed.length, "plant")}: what is said of{" "}
            {guessed.length === 1 ? "it" : "them"} is a guess
          </summary>
          <p className="small mb-0">{guessed.map((p) => p.name).join(", ")}. Feel the pots before you leave.</p>
        </details>
      )}
    </section>
  );
}

/** Who is seen to meanwhile, by place, isolated ones last; and who must not be watered. */
function Sitting({ view: t, pots, never }: { view: TripView; pots: TripPot[]; never: TripPot[] }) {
  const [system] = useUnits();
  if (pots.length === 0 && never.length === 0) return null;
  return (
    <section className="patch mb-18" aria-label="Meanwhile">
      <h2>{t.sitter ? `What ${t.sitter} does` : "Meanwhile"}</h2>
      {pots.length > 0 && (
        <p className="mt-2">
          {t.feel} {t.phone && `In doubt: ${t.phone}. `}
          {t.note}
        </p>
      )}
      {byPlace(pots).map(([place, list]) => (
        <div key={place}>
          <h3>{place || "no place"}</h3>
          <table className={classes.sheet}>
            <tbody>
              {list.map((p) => (
                <tr key={p.plant}>
                  <th scope="row">
                    <b>{p.name}</b> <span className="soft small">{p.label}</span>
                    {p.isolated && <span className="plum small"> {t.apart}</span>}
                  </th>
                  <td className="no-wrap">
                    {p.otherwise || (p.millilitres ? sayQuantity(p.millilitres, "ml", system) : "a little")}
                  </td>
                  <td>
                    {daysOf(p, t.from).map((d) => (
                      <span key={d} className={classes.day}>
                        <span className={classes.box} aria-hidden />
                        {shortDay(d)}
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ))}
      {never.length > 0 && (
        <>
          <h3 className="red">Do not water</h3>
          {never.map((p) => (
            <p key={p.plant} className="my-8">
              <b>{p.name}</b> <span className="soft">({p.place})</span>: {p.never}
            </p>
          ))}
        </>
      )}
    </section>
  );
}

/** The sitter's address, and what was ticked. */
function Sitter({ view: t, needed }: { view: TripView; needed: boolean }) {
  const link = useLinkTrip(t.id);
  const end = useEndTrip(t.id);
  if (!t.sitter)
    return needed ? (
      <p className={`ochre ${classes.unprinted}`}>
        Somebody has to come in. Change the trip and say who: they get a page to tick on.
      </p>
    ) : null;
  const ticks = "What is ticked there stands in the record under their name.";
  const url = link.data?.link;
  const full = url?.startsWith("/") ? window.location.origin + url : url;
  return (
    <section className={`patch ${classes.unprinted}`} aria-label="The sitter">
      <h2>{t.sitter}</h2>
      <p className="mt-2">
        {t.ended
          ? "The address was taken back."
          : `An address shows this trip and nothing else, without an account, and ends two days after it. ${ticks}`}
      </p>
      {t.ticks.length > 0 && <p>{sayCount(t.ticks.length, "tick")} so far.</p>}
      {full && (
        <p className="mb-5">
          <a href={full}>{full}</a>{" "}
          <CopyButton value={full}>
            {({ copied, copy }) => (
              <Button size="compact-sm" variant="default" onClick={copy}>
                {copied ? "copied" : "copy"}
              </Button>
            )}
          </CopyButton>
        </p>
      )}
      {link.error && <Refused error={link.error} />}
      {end.error && <Refused error={end.error} />}
      {!t.ended && (
        <Group>
          <Button loading={link.isPending} onClick={() => link.mutate()}>
            {full ? "Make another address" : `Make ${t.sitter}’s address`}
          </Button>
          <Button variant="default" loading={end.isPending} onClick={() => end.mutate()}>
            Take the address back
          </Button>
        </Group>
      )}
    </section>
  );
}
