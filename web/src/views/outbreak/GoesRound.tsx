import { Link } from "react-router";
import { useOutbreaks } from "../../api/outbreaks";

/** One line that leads to what goes round; nothing where nothing does. */
export function GoesRound() {
  const outbreaks = useOutbreaks().data?.outbreaks ?? [];
  if (outbreaks.length === 0) return null;
  return (
    <p className="small my-6">
      Goes round:{" "}
      {outbreaks.map((o, i) => (
        <span key={o.cause}>
          {i > 0 && ", "}
          <Link to={`/outbreaks/${o.cause}`}>{o.label}</Link> <span className="soft">on {o.sick + o.suspects}</span>
        </span>
      ))}
    </p>
  );
}
