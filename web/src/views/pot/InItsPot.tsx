import { Button, Group, NumberInput } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { PlantFile, Schemas } from "../../api/client";
import { useRecord } from "../../api/recording";
import { sayDay } from "../../dates";
import { Refused } from "../../shell/States";
import { usePlantFile } from "../plant/PlantPage";
import { useUndo } from "../undo";
import { sayCount } from "../words";
import { OnePlant } from "./OnePlant";
import { OwnPots } from "./OwnPots";
import { lettersOf, type Potmate } from "./words";

/** The plants that stand in one pot: told from each other, kept together, or parted. */
export function InItsPot() {
  const file = usePlantFile();
  const shared = file.shared;
  const several = shared !== undefined && shared.plants.length > 1;
  return (
    <div className="max-720">
      <section className="patch" aria-label="In its pot">
        <h2>{several ? `${sayCount(shared.plants.length, "plant")} in one pot` : "Several in one pot?"}</h2>
        {!several && (
          <p className="soft">
            What is sold as one plant is often two, five or a dozen. Slide it out and look: stems that come apart at the
            base, each with roots of its own, are plants. Told from each other they can be followed one by one.
          </p>
        )}
        {!file.over && <Told key={shared?.plants.length ?? 0} file={file} shared={shared} />}
      </section>
      {several && shared.advice && !file.over && (
        <section className="patch mt-16" aria-label="Part them or keep them">
          <h2>{shared.advice.part ? "Better parted" : "Better kept together"}</h2>
          {shared.advice.why.map((w) => (
            <p key={w} className="my-4">
              {w}
            </p>
          ))}
          <p className="my-4">
            <b>{shared.advice.when}</b> <span className="soft small">({shared.source})</span>
          </p>
          <Keep file={file} shared={shared} />
          <OwnPots file={file} shared={shared} />
        </section>
      )}
      {shared && shared.out.length > 0 && (
        <section className="patch mt-16" aria-label="Taken out of it">
          <h2>Taken out of it</h2>
          <ul className="rows">
            {shared.out.map((o) => (
              <li key={o.letter}>
                <b>{o.letter}</b>{" "}
                {o.name ? <Link to={`/plants/${o.plant}`}>{o.name}</Link> : <span className="soft">was undone</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

interface PotProps {
  file: PlantFile;
  shared: Schemas["PotView"];
}

/** How many stand in it, and what tells each from the others. */
function Told({ file, shared }: { file: PlantFile; shared: PotProps["shared"] | undefined }) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const letters = lettersOf(shared);
  const [plants, setPlants] = useState<Potmate[]>(
    shared?.plants.map(({ letter, name, profile }) => ({ letter, name, profile })) ??
      letters.slice(0, 2).map((letter) => ({ letter })),
  );
  const count = (n: number) =>
    setPlants(letters.slice(0, n).map((letter) => plants.find((p) => p.letter === letter) ?? { letter }));
  const save = () =>
    record.mutate(
      { on: file.today, shared: { plants, keep: shared?.kept || undefined } },
      { onSuccess: (e) => undo(`${sayCount(plants.length, "plant")} in one pot`, e.id) },
    );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <NumberInput
        label="How many plants are in the pot?"
        value={plants.length}
        min={shared ? 1 : 2}
        max={letters.length}
        allowDecimal={false}
        maw={260}
        onChange={(v) => typeof v === "number" && v >= 1 && v <= letters.length && count(v)}
      />
      {plants.map((p) => (
        <OnePlant
          key={p.letter}
          plant={p}
          kind={shared?.plants.find((x) => x.letter === p.letter)?.kind}
          own={file.name}
          change={(to) => setPlants(plants.map((x) => (x.letter === p.letter ? to : x)))}
        />
      ))}
      <Group mt="sm">
        <Button type="submit" loading={record.isPending}>
          {shared ? "Keep this" : `Tell ${sayCount(plants.length, "plant")} from each other`}
        </Button>
        <Button component={Link} to={`/plants/${file.id}/growths`} variant="default">
          Their growths
        </Button>
      </Group>
      <Refused error={record.error} />
    </form>
  );
}

/** One tap that they stay together, and says since when that stands. */
function Keep({ file, shared }: PotProps) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  if (shared.kept) {
    return (
      <p className="soft">They stay together; they were told from each other {sayDay(shared.since, file.today)}.</p>
    );
  }
  const plants = shared.plants.map(({ letter, name, profile }) => ({ letter, name, profile }));
  return (
    <>
      <Button
        variant="default"
        loading={record.isPending}
        onClick={() =>
          record.mutate(
            { on: file.today, shared: { plants, keep: true } },
            { onSuccess: (e) => undo("they stay together", e.id) },
          )
        }
      >
        They stay together
      </Button>
      <Refused error={record.error} />
    </>
  );
}
