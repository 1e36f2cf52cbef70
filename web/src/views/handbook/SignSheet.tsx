import { Link, useParams } from "react-router";
import { useSign } from "../../api/handbook";
import { Say } from "../../Say";
import { Failed, Waiting } from "../../shell/States";
import { LikeWhat } from "../look/SignRow";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

const disturbs = ["eyes and nose only", "a touch", "the pot is lifted or probed", "the roots come out of the pot"];

/** A sign: how to look for it and the causes behind it. */
export function SignSheet() {
  const { sign = "" } = useParams();
  const k = useTables();
  const sheet = useSign(sign);
  if (sheet.isPending) return <Waiting />;
  if (sheet.isLoadingError) return <Failed error={sheet.error} />;
  const s = sheet.data.sign;
  return (
    <article className="patch">
      <h2 className="size-26">
        <Say>{s.label}</Say>
      </h2>
      <p>
        <Say>{s.how}</Say>.
      </p>
      <LikeWhat sign={s} />
      <p className="soft small">
        {s.minutes} min, {disturbs[s.disturbance]}. Seen with none of the causes in{" "}
        {Number((s.background * 100).toFixed(1))} of 100 plants.
      </p>
      <h3>Behind it</h3>
      <ul className={classes.shown}>
        {sheet.data.causes.map((c) => (
          <li key={c.cause}>
            <Link to={`/handbook/causes/${c.cause}`}>{k.causes.find((x) => x.id === c.cause)?.label}</Link>
            <span className="soft small">shows it {c.word}</span>
          </li>
        ))}
      </ul>
      <p className="soft small mb-0">Source: common practice.</p>
    </article>
  );
}
