import { Button, Checkbox, Group, Textarea, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { Problem } from "../../api/client";
import { newId } from "../../api/id";
import { useSession } from "../../api/plants";
import { usePlanTrip, useTrips } from "../../api/trips";
import { addDays, sayDay } from "../../dates";
import { Failed, Refused, Waiting } from "../../shell/States";
import classes from "./Trips.module.css";

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
                <span className="soft small">{t.sitter ? `${t.sitter} comes in` : "nobody comes in"}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </>
  );
}

function NextTrip({ today }: { today: string }) {
  const plan = usePlanTrip();
  const go = useNavigate();
  const [id] = useState(newId);
  const [from, setFrom] = useState(addDays(today, 2));
  const [back, setBack] = useState(addDays(today, 16));
  const [sitter, setSitter] = useState("");
  const [phone, setPhone] = useState("");
  const [note, setNote] = useState("");
  const [cooler, setCooler] = useState(false);
  const wrong = plan.error instanceof Problem ? plan.error.fields : {};
  const send = (e: FormEvent) => {
    e.preventDefault();
    plan.mutate({ id, from, back, sitter, phone, note, cooler }, { onSuccess: () => go(`/trips/${id}`) });
  };
  return (
    <form className="patch" onSubmit={send} aria-label="The next trip">
      <h2>The next trip</h2>
      <div className={classes.fields}>
        <TextInput
          type="date"
          label="Leaving on"
          value={from}
          onChange={(e) => setFrom(e.currentTarget.value)}
          error={wrong.from}
        />
        <TextInput
          type="date"
          label="Back on"
          value={back}
          onChange={(e) => setBack(e.currentTarget.value)}
          error={wrong.back}
        />
      </div>
      <Checkbox
        mt="sm"
        label="The heating is turned down meanwhile"
        checked={cooler}
        onChange={(e) => setCooler(e.currentTarget.checked)}
      />
      <div className={`${classes.fields} mt-10`}>
        <TextInput
          label="Who comes in"
          description="empty for nobody"
          value={sitter}
          onChange={(e) => setSitter(e.currentTarget.value)}
        />
        <TextInput
          label="Where you are reached"
          description="for whoever comes in"
          value={phone}
          onChange={(e) => setPhone(e.currentTarget.value)}
        />
      </div>
      <Textarea
        mt="sm"
        label="What they have to know"
        autosize
        minRows={2}
        value={note}
        onChange={(e) => setNote(e.currentTarget.value)}
      />
      {plan.error && Object.keys(wrong).length === 0 && <Refused error={plan.error} />}
      <Group mt="md">
        <Button type="submit" loading={plan.isPending}>
          Plan it
        </Button>
      </Group>
    </form>
  );
}
