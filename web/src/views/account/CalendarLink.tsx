import { Button, Group } from "@mantine/core";
import { useCalendarLink, useSetCalendar } from "../../api/trips";
import { Refused } from "../../shell/States";

/** The secret address at which a calendar program reads what is due. */
export function CalendarLink() {
  const link = useCalendarLink();
  const set = useSetCalendar();
  const url = link.data?.url;
  const full = url?.startsWith("/") ? window.location.origin + url : url;
  return (
    <section className="patch" aria-label="Calendar">
      <h2>In your calendar</h2>
      <p className="mt-2">
        A calendar program reads what is due in the coming two months, trips and cold nights from a secret address.
        Whoever has the address reads it; a new one ends the one before.
      </p>
      {full && (
        <p className="small">
          <a href={full}>{full}</a>
          <br />
          It is shown this once: put it into your calendar now.
        </p>
      )}
      {set.error && <Refused error={set.error} />}
      <Group>
        <Button variant="default" loading={set.isPending} onClick={() => set.mutate(true)}>
          {link.data?.has ? "Make a new address" : "Make an address"}
        </Button>
        {link.data?.has && (
          <Button variant="default" disabled={set.isPending} onClick={() => set.mutate(false)}>
            Take it back
          </Button>
        )}
      </Group>
    </section>
  );
}
