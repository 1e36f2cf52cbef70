import { Link, useParams } from "react-router";
import { useKey } from "../../api/handbook";
import { Failed, Waiting } from "../../shell/States";
import { SignPicture } from "../look/SignPicture";
import { sayCount } from "../words";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

/** A page to print and hang by the bench: what is seen on a kind, what it may be, what is done first. */
export function KindKey() {
  const { kind = "" } = useParams();
  const k = useTables();
  const key = useKey(kind);
  if (key.isPending) return <Waiting />;
  if (key.isLoadingError) return <Failed error={key.error} retry={() => key.refetch()} />;
  const { botanical, common, rows } = key.data;
  const sign = (id: string | undefined) => k.signs.find((s) => s.id === id);
  const cause = (id: string | undefined) => k.causes.find((c) => c.id === id)?.label;
  const move = (id: string) => k.moves.find((m) => m.id === id)?.label;
  const part = (id: string) => k.zones.find((z) => z.id === id)?.label;
  return (
    <article className={`patch ${classes.key}`}>
      <h2 className="size-22">
        <i>{botanical}</i> {common && <span className="soft">{common}</span>}: its commonest troubles
      </h2>
      <table className={classes.table} data-testid="key">
        <thead>
          <tr>
            <th>Look at</th>
            <th>You see</th>
            <th>It may be</th>
            <th>Not to be taken for it</th>
            <th>First</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.cause}>
              <td>{part(r.zone)}</td>
              <td>
                <span className={classes.keySign}>
                  <SignPicture drawing={sign(r.sign)?.drawing ?? ""} width={54} />
                  <span>
                    {sign(r.sign)?.label}
                    {r.with && <span className="soft small"> · {sign(r.with)?.label.toLowerCase()}</span>}
                  </span>
                </span>
              </td>
              <td>
                <Link to={`/handbook/causes/${r.cause}`}>{cause(r.cause)}</Link>
                {r.soon && <span className="red small"> act within {sayCount(r.daysToAct, "day")}</span>}
              </td>
              <td className="small">
                {r.alike && (
                  <>
                    {cause(r.alike)}: {sign(r.apart)?.how.toLowerCase()}
                  </>
                )}
              </td>
              <td>{r.first && move(r.first)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft small">
        By how it grows and the pests it is known for; common practice, tables {k.version}. Isolate what may spread.
        Labels, local rules and licensed practice stand above this page.
      </p>
    </article>
  );
}
