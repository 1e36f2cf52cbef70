import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { shortDay } from "../../dates";
import { resultWord, sayPercent } from "../words";
import classes from "./LookBack.module.css";

/** What was tried here, by product or method, with how often it helped. */
export function MethodsTried({ methods, source }: { methods: Schemas["Method"][]; source: string }) {
  if (methods.length === 0) return null;
  return (
    <section className="patch" aria-label="What was tried">
      <h2>What was tried</h2>
      <table className={classes.table}>
        <thead>
          <tr className="small soft">
            <th />
            <th>helped</th>
            <th>no difference</th>
            <th>did harm</th>
            <th>cannot tell</th>
            <th>open</th>
          </tr>
        </thead>
        <tbody>
          {methods.map((m) => (
            <tr key={m.what}>
              <th scope="row">
                {m.what}
                <div className="soft small">
                  {m.low !== undefined && m.high !== undefined
                    ? `helped ${sayPercent(m.low)} to ${sayPercent(m.high)}. `
                    : "No clear result yet. "}
                  {m.on.map((t, i) => (
                    <span key={t.id}>
                      {i > 0 && ", "}
                      <Link to={`/plants/${t.plant}`}>{t.name}</Link>{" "}
                      {t.result ? resultWord(t.result.result) : `since ${shortDay(t.on)}`}
                    </span>
                  ))}
                </div>
              </th>
              <td>{m.better}</td>
              <td>{m.same}</td>
              <td>{m.worse}</td>
              <td>{m.unclear}</td>
              <td>{m.open}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft small">{source}</p>
    </section>
  );
}
