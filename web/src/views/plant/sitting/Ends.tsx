import { Button, Group } from "@mantine/core";
import { Link } from "react-router";
import type { Plan } from "../../../api/client";
import { sayDay } from "../../../dates";
import type { Step } from "../PlanParts";
import { usePlantFile } from "../PlantPage";
import classes from "../Work.module.css";

/** What is seen when nothing of today is left: the plan goes on later. */
export function EnoughForToday({ open, goOn }: { open: Step[]; goOn: () => void }) {
  const file = usePlantFile();
  const next = open.filter((s) => !s.gate).sort((a, b) => a.on.localeCompare(b.on))[0];
  const waiting = open.find((s) => s.gate);
  return (
    <section className={`patch ${classes.work}`} aria-label="That is all for today">
      <h2 className={classes.title}>That is all for today</h2>
      {next && (
        <p>
          Next on {sayDay(next.on, file.today)}: <b>{next.title.toLowerCase()}</b>.
        </p>
      )}
      {waiting && (
        <p>
          <b>{waiting.title}</b> waits for this to be seen: {waiting.gate}.
        </p>
      )}
      <Group mt="sm">
        <Button component={Link} to={`/plants/${file.id}`}>
          Where it stands
        </Button>
        <Button variant="default" onClick={goOn}>
          I did something early, or saw what it waits for
        </Button>
      </Group>
    </section>
  );
}

/** What was really done, when nothing is left to do. */
export function Finished({ plan }: { plan: Plan }) {
  const file = usePlantFile();
  return (
    <section className={`patch ${classes.work}`} aria-label="What was done">
      <h2 className={classes.title}>Every step is done or skipped</h2>
      <ul className="pl-18">
        {plan.steps.map((s) => {
          const tick = file.ticks[s.id];
          return (
            <li key={s.id}>
              {s.title}: {tick?.skipped ? <span className="ochre">skipped, {tick.reason}</span> : "done"}
            </li>
          );
        })}
      </ul>
      <Button component={Link} to={`/plants/${file.id}`}>
        Where it stands
      </Button>
    </section>
  );
}
