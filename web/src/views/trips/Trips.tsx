import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { newId } from "../../api/id";
import { useSession } from "../../api/plants";
import { usePlanTrip, useTrips } from "../../api/trips";
import { addDays, sayDay } from "../../dates";
import { Failed, Waiting } from "../../shell/States";
import { TripForm } from "./TripForm";

/** The trips that were planned, and a form for the next. */
export function Trips() {
  const trips = useTrips();
  const today = useSession().data?.today ?? "";
  if (trips.isPending || !today) return <Waiting />;
  if (trips.isLoadingError) return <Failed error={trips.error} retry={() => trips.refetch()} />;
  const list = trips.data?.trips ?? [];
  return (
    <>
      <title>Going away · Tender Mend</title>
      <h1>Going away</h1>
      <p className="soft">
        From what is known of each pot it is reckoned who lasts, who is watered on the day before, what helps the
        others, and who has to come in for whom.
      </p>
      <div className="columns">
        <NextTrip today={today} />
        {list.length > 0 && (
          <ul className="patch rows no-bullets m-0">
            {list.map((t) => (
              <li key={t.id} className="py-8 px-0">
                <Link to={`/trips/${t.id}`}>
                  {sayDay(t.from, today)} to {sayDay(t.back, today)}
                </Link>{" "}
                <span className="soft small">{whoComes(t)}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </>
  );
}

const whoComes = (t: Schemas["Trip"]) => (t.off ? "called off" : t.sitter ? `${t.sitter} comes in` : "nobody comes in");

function NextTrip({ today }: { today: string }) {
  const plan = usePlanTrip();
  const go = useNavigate();
  const [id] = useState(newId);
  return (
    <section className="patch" aria-label="The next trip">
      <h2>The next trip</h2>
      <TripForm
        begin={{ from: addDays(today, 2), back: addDays(today, 16) }}
        button="Plan it"
        sending={plan.isPending}
        error={plan.error}
        send={(wanted) => plan.mutate({ id, ...wanted }, { onSuccess: () => go(`/trips/${id}`) })}
      />
    </section>
  );
}
