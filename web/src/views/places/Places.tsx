import { Group } from "@mantine/core";
import { Link } from "react-router";
import { useOrderPlaces, usePlacesWithYears } from "../../api/places";
import { useSession } from "../../api/plants";
import { Say } from "../../Say";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayCount } from "../words";
import { ColdComing } from "./ColdComing";
import { NewPlace } from "./NewPlace";
import classes from "./Places.module.css";
import { SiteForm } from "./SiteForm";
import { YearOfLight } from "./YearOfLight";

/** The rooms and corners of the walk, in its order, each with its year of light. */
export function Places() {
  const places = usePlacesWithYears();
  const today = useSession().data?.today ?? "";
  const order = useOrderPlaces();
  if (places.isPending) return <Waiting />;
  if (places.isLoadingError) return <Failed error={places.error} retry={() => places.refetch()} />;
  const list = places.data.places;
  const raise = (at: number) => {
    const ids = list.map((p) => p.id);
    const [id] = ids.splice(at, 1);
    if (id) ids.splice(at - 1, 0, id);
    order.mutate(ids);
  };
  return (
    <>
      <title>Places · Tender Mend</title>
      <Group justify="space-between" align="baseline" mb="sm">
        <h1>Places</h1>
        <Group gap="md">
          {list.some((p) => p.details) && <Link to="/fit">Who fits where</Link>}
          <Link to="/trips">Going away</Link>
        </Group>
      </Group>
      <ColdComing cold={places.data.cold} places={list} today={today} />
      <p className="soft">
        {list.length === 0
          ? "No places yet. A place is a room, a shelf or a corner; the walk goes through them in order, isolated last."
          : "In the order of the walk. Isolated places come last, whatever their turn."}
      </p>
      {order.error && <Refused error={order.error} />}
      <div className={classes.two}>
        {list.length > 0 && (
          <ul className="patch rows no-bullets m-0">
            {list.map((p, i) => (
              <li key={p.id} className={`py-8 px-0 ${p.partOf ? classes.part : ""}`}>
                <div className={classes.row}>
                  <div>
                    <Link to={`/places/${p.id}`}>
                      <b className={p.isolation ? "plum" : undefined}>
                        {p.isolation && <span aria-hidden>▦ </span>}
                        {p.name}
                      </b>
                    </Link>
                    <div className="soft small">
                      {[p.light, p.isolation ? "kept apart" : ""].filter(Boolean).join(" · ")}
                    </div>
                    <div className="small">
                      <Say>{p.says || "What is it like? Say it once, and its year is reckoned."}</Say>
                    </div>
                  </div>
                  {p.year.length > 0 ? <YearOfLight year={p.year} says={p.says} small /> : <span />}
                  <div className="no-wrap small">
                    <Link to={`/plants?place=${p.id}`} className="colour-inherit">
                      {sayCount(p.plants, "plant")}
                    </Link>
                    {i > 0 && list[i - 1]?.isolation === p.isolation && (
                      <div>
                        <button
                          type="button"
                          className="linkbutton small soft"
                          disabled={order.isPending}
                          onClick={() => raise(i)}
                          aria-label={`Walk ${p.name} one earlier`}
                        >
                          earlier
                        </button>
                      </div>
                    )}
                  </div>
                </div>
              </li>
            ))}
          </ul>
        )}
        <div className={classes.side}>
          <NewPlace />
          <SiteForm site={places.data.site} today={today} />
        </div>
      </div>
    </>
  );
}
