import { Stack, Switch } from "@mantine/core";
import { useRoutine, useSaveRoutine } from "../api/household";
import { Failed, Refused, Waiting } from "../shell/States";

/** Which jobs of ordinary care the collection wants at all. */
export function RoutinePage() {
  const routine = useRoutine();
  const save = useSaveRoutine();
  if (routine.isPending) return <Waiting />;
  if (routine.isLoadingError) return <Failed error={routine.error} retry={() => routine.refetch()} />;
  const { jobs, off } = routine.data;
  return (
    <div className="max-640">
      <title>Routine · Tender Mend</title>
      <section className="patch" aria-label="Routine">
        <h1>Routine</h1>
        <p className="soft">
          What plants that are well are asked for, joined to a look when it is due. What you switch off here is asked of
          no plant; a single plant can be left out on its own page.
        </p>
        <Stack gap="sm">
          {jobs.map((j) => (
            <Switch
              key={j.id}
              label={j.title}
              description={j.how}
              checked={!off.includes(j.id)}
              onChange={(e) => save.mutate(e.currentTarget.checked ? off.filter((x) => x !== j.id) : [...off, j.id])}
            />
          ))}
        </Stack>
        <Refused error={save.error} />
      </section>
    </div>
  );
}
