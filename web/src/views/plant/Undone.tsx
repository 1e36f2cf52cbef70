import { Button } from "@mantine/core";
import dayjs from "dayjs";
import { Link } from "react-router";
import { useEntries, useSession } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { distance, sayDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";

/** A plant whose arrival was undone: its record is still here, and the arrival comes back in one tap. */
export function Undone({ plant }: { plant: string }) {
  const entries = useEntries(plant);
  const session = useSession();
  const record = useRecord(plant);
  if (entries.isPending) return <Waiting />;
  if (entries.isLoadingError) return <Failed error={entries.error} retry={() => entries.refetch()} />;
  const all = entries.data.entries ?? [];
  const today = session.data?.today ?? dayjs().format("YYYY-MM-DD");
  const arrivals = new Map(all.filter((e) => e.arrived).map((e) => [e.id, e]));
  const by = all.find((e) => e.live && e.voided && arrivals.has(e.voided.entry));
  const name = by?.voided && arrivals.get(by.voided.entry)?.arrived?.name;
  return (
    <section className="patch max-720">
      <h1>{name || "A plant"} was taken out again</h1>
      <p>Its arrival was undone, so it stands in no list. Nothing of its record is lost.</p>
      {by && (
        <Button
          loading={record.isPending}
          onClick={() => record.mutate({ on: today, voided: { entry: by.id, reason: "the arrival is brought back" } })}
        >
          Bring it back
        </Button>
      )}
      <Refused error={record.error} />
      <h2 className="mt-18">All that was recorded</h2>
      <ul className="rows no-bullets p-0">
        {all.map((e) => (
          <li className="py-4 px-0" key={e.id}>
            {e.kind.replaceAll("-", " ")}{" "}
            <span className="soft small">
              {sayDay(e.on, today)}, {distance(e.on, today)} · {e.by}
              {!e.live && " · undone or corrected"}
            </span>
          </li>
        ))}
      </ul>
      <Link to="/plants">To the register</Link>
    </section>
  );
}
