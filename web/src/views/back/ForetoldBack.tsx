import type { Schemas } from "../../api/client";
import { useReliability } from "../../api/plants";
import { How } from "../../shell/How";
import { sayCount, sayPercent } from "../words";
import { Interval } from "./Interval";
import classes from "./LookBack.module.css";

const verdicts: Record<Schemas["Reliability"]["says"], string> = {
  "too-few": "Too few looks to say how well.",
  agrees: "What was found lies where it was foretold.",
  "too-sure": "The forecasts were too sure: trust the finger more than the day.",
  "too-unsure": "The forecasts were right more often than they said: trust their day more.",
  "too-dry": "Pots were found dry less often than foretold: they dry more slowly than is reckoned.",
  "too-wet": "Pots were found dry more often than foretold: they dry faster than is reckoned.",
};

/** How well drying was foretold: each look with a stick, by the chance that was foretold before it. */
export function ForetoldBack() {
  const r = useReliability().data;
  if (!r || r.looks === 0) return null;
  const looks = sayCount(r.looks, "look");
  return (
    <section className="patch" aria-label="How well drying was foretold">
      <h2>How well drying was foretold</h2>
      <p className="mt-2 mb-10">
        {verdicts[r.says]} <span className="soft">{looks} with a stick in the last two months of each pot.</span>{" "}
        <How working={r.working} of="how well drying was foretold" />
      </p>
      <table className={classes.table}>
        <thead>
          <tr className="small soft">
            <th>foretold dry</th>
            <th>looks</th>
            <th>found dry</th>
            <th>share</th>
          </tr>
        </thead>
        <tbody>
          {r.fifths.map((f) => (
            <tr key={f.from}>
              <th scope="row">
                {sayPercent(f.from)} to {sayPercent(f.to)}
              </th>
              <td>{f.looks}</td>
              <td className={f.says === "too-dry" || f.says === "too-wet" ? "ochre" : undefined}>{f.dry}</td>
              <td>{f.looks > 0 && <Interval share={f.dry / f.looks} low={f.low} high={f.high} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
