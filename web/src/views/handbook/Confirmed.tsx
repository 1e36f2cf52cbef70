import { Link } from "react-router";
import { useConfirmed } from "../../api/handbook";
import { sayDay } from "../../dates";
import { How } from "../../shell/How";
import { Failed, Waiting } from "../../shell/States";
import { sayPercent } from "../words";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";
import { Learning } from "./Learning";

/** The collection's own confirmed cases against what the first look said. */
export function ConfirmedCases() {
  const k = useTables();
  const found = useConfirmed();
  if (found.isPending) return <Waiting />;
  if (found.isLoadingError) return <Failed error={found.error} retry={() => found.refetch()} />;
  const { cases, score, enough, wanted, working, today } = found.data;
  const label = (c: string) => k.causes.find((x) => x.id === c)?.label ?? c;
  const shortly = (s: { id: string; chance: number }) => `${label(s.id).toLowerCase()} ${sayPercent(s.chance)}`;
  return (
    <>
      <article className="patch">
        <h2 className="size-26">How often it was right</h2>
        {!score ? (
          <p>
            No case of yours is confirmed yet. When you know what a plant had, say so on its page, and the chances of
            the first look are held against it here.
          </p>
        ) : !enough ? (
          <p>
            {score.cases} confirmed {score.cases === 1 ? "case" : "cases"}. Too few for a share of right first looks to
            mean anything: it is shown from {wanted} on.
          </p>
        ) : (
          <>
            <p>
              Of {score.cases} confirmed {score.cases === 1 ? "case" : "cases"} the first look named a true cause first
              in <b>{score.firstTrue}</b> and the main cause among its first three in <b>{score.mainIn3}</b>. Brier
              score {score.brier.toFixed(3)} a case; 0 would be perfect. <How working={working} of="these scores" />
            </p>
            <h3>Said, and how often it was so</h3>
            <table className={classes.table}>
              <thead>
                <tr>
                  <th>Chance said</th>
                  <th>Causes</th>
                  <th>Said on average</th>
                  <th>True</th>
                </tr>
              </thead>
              <tbody>
                {score.reliability.map((b, i) =>
                  b.stated === 0 ? null : (
                    // biome-ignore lint/suspicious/noArrayIndexKey: the tenths never change places
                    <tr key={i} className="numbers">
                      <td>
                        {10 * i}-{10 * i + 10} %
                      </td>
                      <td>{b.stated}</td>
                      <td>{sayPercent(b.sum / b.stated)}</td>
                      <td>
                        {b.true} of {b.stated} ({sayPercent(b.true / b.stated)})
                      </td>
                    </tr>
                  ),
                )}
              </tbody>
            </table>
          </>
        )}
        {cases.length > 0 && (
          <>
            <h3 className="mt-14">The cases</h3>
            <ul className={classes.shown}>
              {cases.map((c) => (
                <li key={c.plant + c.on}>
                  <span>
                    <Link to={`/plants/${c.plant}`}>{c.name}</Link>{" "}
                    <b>{c.true.length ? c.true.map(label).join(", ").toLowerCase() : "nothing wrong"}</b>{" "}
                    <span className="soft small">{sayDay(c.on, today)}</span>
                  </span>
                  <span className={c.right ? "kelp small" : "ochre small"}>
                    {c.said[0] ? `${c.right ? "✕✕" : "– –"} said ${shortly(c.said[0])}` : "nothing was said"}
                  </span>
                </li>
              ))}
            </ul>
          </>
        )}
      </article>
      <Learning knowledge={k} />
    </>
  );
}
