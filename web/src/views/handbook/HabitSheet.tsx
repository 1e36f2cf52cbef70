import { Link, useParams } from "react-router";
import { useKinds } from "../../api/handbook";
import { Figure } from "../../figure/Figure";
import { Say } from "../../Say";
import { Bare } from "../../shell/States";
import { sayCount } from "../words";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

/** A way of growing: how it is drawn, what is usual, and the kinds that grow so. */
export function HabitSheet() {
  const { habit = "" } = useParams();
  const k = useTables();
  const kinds = useKinds();
  const h = k.habits.find((x) => x.id === habit);
  if (!h) {
    return (
      <Bare title="No such way of growing">
        <p>Pick one from the list.</p>
      </Bare>
    );
  }
  const grown = (kinds.data?.profiles ?? []).filter((p) => p.habit === h.id);
  return (
    <article className="patch">
      <h2 className="size-26">{h.label}</h2>
      <div className={classes.withFigure}>
        <div>
          <dl className={classes.facts}>
            <dt>Makes</dt>
            <dd>
              {h.growth}; one in {h.growthDays[0]}-{h.growthDays[1]} days of its season
            </dd>
            <dt>Roots</dt>
            <dd>{h.roots}</dd>
            <dt>Water</dt>
            <dd>
              <Say>{k.waterRules[h.waterRule] ?? ""}</Say>
            </dd>
            <dt>Stands still</dt>
            <dd>
              {h.stallWeeks > 0
                ? `${sayCount(h.stallWeeks, "week")} without measured growth in season are still normal`
                : "rests, and is never called stalled by time alone"}
            </dd>
            <dt>Rests</dt>
            <dd>{h.restSeasons.length > 0 ? `possible in ${h.restSeasons.join(", ")}` : "has no rest of its own"}</dd>
            <dt>Looked at</dt>
            <dd>every {sayCount(h.lookDays, "day")} while it is well</dd>
          </dl>
          <h3>Kinds that grow so</h3>
          <ul className={classes.shown}>
            {grown.map((p) => (
              <li key={p.id}>
                <Link to={`/handbook/kinds/${p.id}?list=kinds`}>
                  <i className="botanical">{p.botanical}</i>
                </Link>
                <span className="soft small">{p.common}</span>
              </li>
            ))}
          </ul>
        </div>
        <Figure figure={h.figure} zones={[]} state={{}} name={h.label} />
      </div>
      <p className="soft small mb-0">Source: common practice.</p>
    </article>
  );
}
