import { Button, Group } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import type { Knowledge, PlantRow, Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { useRegister } from "../../api/plants";
import { useDifferentials } from "../../api/together";
import { SmallFigure } from "../../figure/Figure";
import { Bare, Failed, Waiting } from "../../shell/States";
import { likelihood, sayCount, standingWord } from "../words";
import { PlanTogether } from "./PlanTogether";
import { SignsTogether } from "./SignsTogether";
import { type SideBySide, useSides } from "./sides";
import classes from "./Together.module.css";

/** Plants that belong together, a box or a tag: looked at side by side, and planned for by what they share. */
export function Together() {
  const [search] = useSearchParams();
  const tag = search.get("tag") ?? "";
  const register = useRegister({ tag });
  const knowledge = useKnowledge();
  const sides = useSides(tag);
  const rows = register.data?.pages.flatMap((p) => p.plants ?? []) ?? [];
  const judged = useDifferentials(rows.map((r) => ({ id: r.id, said: sides.of(r.id) })));
  if (register.isPending || knowledge.isPending) return <Waiting />;
  if (register.isLoadingError) return <Failed error={register.error} retry={() => register.refetch()} />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  if (rows.length === 0) {
    return (
      <Bare title="Nothing has this tag">
        <p>What came in one box has the box as its tag; others are tagged when they are picked in the register.</p>
        <Link to="/plants">To the register</Link>
      </Bare>
    );
  }
  const of = (plant: string) => judged[rows.findIndex((r) => r.id === plant)]?.data;
  const today = register.data?.pages[0]?.today ?? "";
  return (
    <>
      <title>{`${tag} · Tender Mend`}</title>
      <Group justify="space-between" align="end">
        <div>
          <h1>{tag}</h1>
          <p className="soft mt-4 mb-0">
            {sayCount(register.data?.pages[0]?.total ?? rows.length, "plant")} that belong together
          </p>
        </div>
        <Group gap="sm">
          <Button component={Link} to={`/labels?tag=${encodeURIComponent(tag)}`} variant="default">
            Print labels
          </Button>
          <Button component={Link} to={`/bench-day?tag=${encodeURIComponent(tag)}`} variant="default">
            Bench day
          </Button>
        </Group>
      </Group>
      <div className={classes.halves}>
        <div className="grid gap-18">
          <SignsTogether rows={rows} sides={sides} knowledge={knowledge.data} judged={of} />
          <PlanTogether rows={rows} sides={sides} knowledge={knowledge.data} judged={of} today={today} tag={tag} />
        </div>
        <section className="patch" aria-label="The plants">
          <h2>The plants</h2>
          <ul className={classes.plants}>
            {rows.map((r) => (
              <OnePlant key={r.id} row={r} sides={sides} words={firstOf(of(r.id), knowledge.data)} />
            ))}
          </ul>
          {register.hasNextPage && (
            <Button variant="default" mt="sm" onClick={() => register.fetchNextPage()}>
              The others as well
            </Button>
          )}
        </section>
      </div>
    </>
  );
}

/** The likeliest cause of one, in words. */
function firstOf(judged: Schemas["Differential"] | undefined, knowledge: Knowledge) {
  const first = judged?.causes[0];
  if (!first) return undefined;
  const label = knowledge.causes.find((c) => c.id === first.id)?.label ?? first.id;
  return `${label}, ${likelihood(knowledge, first.chance).word}`;
}

function OnePlant({ row, sides, words }: { row: PlantRow; sides: SideBySide; words: string | undefined }) {
  const said = sides.of(row.id);
  return (
    <li>
      <SmallFigure figure={row.drawing} marks={row.figure} />
      <div>
        <Link to={`/plants/${row.id}`}>{row.name}</Link> <span className="soft small">{row.label}</span>
        <div className="soft small">
          {words ?? (row.causes.length > 0 ? row.causes.join(", ") : standingWord(row.standing))}
          {said.present.length + said.absent.length > 0 &&
            ` · ${sayCount(said.present.length + said.absent.length, "answer")}`}
        </div>
      </div>
    </li>
  );
}
