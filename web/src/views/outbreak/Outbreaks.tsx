import { Link } from "react-router";
import { useOutbreaks } from "../../api/outbreaks";
import { useSession } from "../../api/plants";
import { sayDay } from "../../dates";
import { Bare, Failed, Waiting } from "../../shell/States";
import { sayCount } from "../words";

/** All that travels and is on plants here, each as one thing. */
export function Outbreaks() {
  const list = useOutbreaks();
  const session = useSession();
  if (list.isPending) return <Waiting />;
  if (list.isLoadingError) return <Failed error={list.error} retry={() => list.refetch()} />;
  const today = session.data?.today ?? "";
  const { outbreaks } = list.data;
  if (outbreaks.length === 0) {
    return (
      <Bare title="Nothing goes round">
        <p>No plant here has anything that goes from plant to plant, and none is watched for it.</p>
        <Link to="/plants">To the plants</Link>
      </Bare>
    );
  }
  return (
    <>
      <title>What goes round · Tender Mend</title>
      <h1>What goes round</h1>
      <p className="soft mt-4">What goes from plant to plant, and which plants have it.</p>
      <ul className="rows no-bullets p-0 m-0 max-720">
        {outbreaks.map((o) => (
          <li key={o.cause} className="patch mb-16">
            <h2 className="m-0">
              <Link to={`/outbreaks/${o.cause}`}>{o.label}</Link>
            </h2>
            <p className="my-2">
              {o.sick > 0 ? `On ${sayCount(o.sick, "plant")}` : "On no plant for sure"}
              {o.suspects > 0 && `, ${o.suspects} more may have it by the last look`}
              {o.watched > 0 && `, ${o.watched} watched for it`}. Since {sayDay(o.since, today)}.
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}
