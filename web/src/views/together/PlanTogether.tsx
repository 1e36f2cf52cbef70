import { Button } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Knowledge, PlantRow, Schemas } from "../../api/client";
import { type Draft, useMany } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndoMany } from "../undo";
import { likelihood, sayCount } from "../words";
import { byCause, type Shared, type SideBySide } from "./sides";
import classes from "./Together.module.css";

interface PlanTogetherProps {
  rows: PlantRow[];
  sides: SideBySide;
  knowledge: Knowledge;
  judged: (plant: string) => Schemas["Differential"] | undefined;
  today: string;
  tag: string;
}

type Refusal = Schemas["RefusedOf"];

/** What they share: accepted and planned for in one go, each with its own amounts; or their looks alone are kept. */
export function PlanTogether({ rows, sides, knowledge, judged, today, tag }: PlanTogetherProps) {
  const many = useMany();
  const undo = useUndoMany();
  const [refused, setRefused] = useState<Refusal[]>([]);
  const [planned, setPlanned] = useState(false);
  const looked = rows.filter((r) => sides.of(r.id).present.length + sides.of(r.id).absent.length > 0);
  const label = (id: string) => knowledge.causes.find((c) => c.id === id)?.label ?? id;
  const entries = (r: PlantRow, cause?: string): (Draft & { plant: string })[] => {
    const id = (what: string) => sides.idFor(`${r.id}-${what}`);
    const said = sides.of(r.id);
    const look = { present: said.present, absent: said.absent, unsure: said.unsure?.length ? said.unsure : undefined };
    const examined = { plant: r.id, id: id("look"), on: today, examined: look };
    if (!cause) return [examined];
    return [
      examined,
      { plant: r.id, id: id(`cause-${cause}`), on: today, diagnosed: { causes: [cause] } },
      { plant: r.id, id: id(`plan-${cause}`), on: today, planned: { answers: {} } },
    ];
  };
  const send = (said: string, plants: PlantRow[], cause?: string) =>
    many.mutate(
      plants.flatMap((r) => entries(r, cause)),
      {
        onSuccess: ({ kept, refused: list }) => {
          const of = new Set(kept.map((k) => k.plant));
          if (kept.length > 0) undo(said, sayCount(of.size, "plant"), kept);
          setRefused(list);
          if (cause && kept.length > 0) setPlanned(true);
          sides.done([...of]);
        },
      },
    );
  const groups = byCause(looked, judged);
  return (
    <section className="patch" aria-label="What they share">
      <h2>What they share</h2>
      {looked.length === 0 && !planned && (
        <p className="soft">Answer a sign or two above: what each may have stands here, and who shares it.</p>
      )}
      <ul className={classes.shared}>
        {groups.map((g) => (
          <li key={g.cause}>
            <b>{label(g.cause)}</b>: {sayCount(g.plants.length, "plant")}, {sureness(g, judged, knowledge)}
            <div className="soft small">{g.plants.map((r) => r.label || r.name).join(", ")}</div>
            <Button
              mt="xs"
              size="compact-md"
              loading={many.isPending}
              onClick={() => send(`${label(g.cause).toLowerCase()} accepted and planned for`, g.plants, g.cause)}
            >
              Accept {label(g.cause).toLowerCase()} and plan for {sayCount(g.plants.length, "plant")}
            </Button>
          </li>
        ))}
      </ul>
      {looked.length > 0 && (
        <Button variant="default" loading={many.isPending} onClick={() => send("looked at", looked)}>
          Keep the looks alone
        </Button>
      )}
      {planned && (
        <p>
          <Link to={`/bench-day?tag=${encodeURIComponent(tag)}`}>To their bench day</Link>: one sitting after the other,
          clean before infested.
        </p>
      )}
      {refused.length > 0 && (
        <ul role="alert" className="red small">
          {refused.map((r) => (
            <li key={r.plant}>
              <b>{rows.find((x) => x.id === r.plant)?.name}</b>, not recorded: {r.problem.detail}
            </li>
          ))}
        </ul>
      )}
      <Refused error={many.error} />
    </section>
  );
}

/** From how likely to how likely it is among them. */
function sureness(g: Shared, judged: PlanTogetherProps["judged"], knowledge: Knowledge) {
  const chances = g.plants.map((r) => judged(r.id)?.causes[0]?.chance ?? 0);
  const least = likelihood(knowledge, Math.min(...chances)).word;
  const most = likelihood(knowledge, Math.max(...chances)).word;
  return least === most ? most : `${least} to ${most}`;
}
