import { Button, Checkbox, Group } from "@mantine/core";
import { Link } from "react-router";
import type { Schemas } from "../../../api/client";
import { sayCount } from "../../words";
import { usePlantFile } from "../PlantPage";
import classes from "../Work.module.css";

interface LayOutPageProps {
  sitting: Schemas["Sitting"];
  steps: number;
  minutes: number;
  ticked: string[];
  tick: (ticked: string[]) => void;
  begin: () => void;
}

/** What a sitting wants at hand, before its first step: once the hands are wet there is no going back for it. */
export function LayOutPage({ sitting, steps, minutes, ticked, tick, begin }: LayOutPageProps) {
  const file = usePlantFile();
  const things = sitting.layOut ?? [];
  const missing = things.filter((t) => !ticked.includes(t)).length;
  return (
    <section className={`patch ${classes.work}`} aria-label="Lay out first">
      <p className="soft m-0">
        <b>{sitting.name}</b>: {sayCount(steps, "step")} in one sitting, about {sayCount(minutes, "minute")}
      </p>
      <h2 className={classes.title}>Lay out first</h2>
      <div className={classes.things}>
        {things.map((t) => (
          <Checkbox
            key={t}
            size="lg"
            label={t}
            checked={ticked.includes(t)}
            onChange={() => tick(ticked.includes(t) ? ticked.filter((x) => x !== t) : [...ticked, t])}
          />
        ))}
      </div>
      <div className={classes.bar}>
        <Button size="lg" className={`${classes.done} ${classes.whole}`} onClick={begin}>
          {missing === 0
            ? "All at hand: begin"
            : ticked.length === 0
              ? "Begin"
              : `Begin; ${missing} of ${things.length} not ticked`}
        </Button>
      </div>
      <Group mt="sm" justify="flex-end">
        <Link to={`/plants/${file.id}/do`} className="soft">
          Not today
        </Link>
      </Group>
    </section>
  );
}
