import { Button, Group, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import type { PlantFile, Strand } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { distance, sayDay } from "../../dates";
import { QuantityInput } from "../../fields";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { Bare, Refused } from "../../shell/States";
import { sayQuantity, toMetric, useUnits } from "../../units";
import { type Letter, sayWhich } from "../pot/words";
import { useUndo } from "../undo";
import { sayCount, sentence } from "../words";
import classes from "./Growths.module.css";
import { type Looked, MarksOf } from "./growth/MarksOf";
import { usePlantFile } from "./PlantPage";
import { nameOfStrand } from "./SeamOf";

/** Each growth as a strand of its own: what came with the plant, and what it made here. */
export function Growths() {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const { strands, sorts, growths } = file.follow;
  const label = (sort: string) => knowledge.data?.growths.find((g) => g.id === sort);
  const groups = sorts.concat([...new Set(strands.map((s) => s.sort))].filter((s) => !sorts.includes(s)));
  return (
    <div className={classes.page}>
      <section className="patch" aria-label="What it grew">
        <h2>What it grew</h2>
        <div className="my-4">
          <b>{growths.made}</b> grown here, <b>{growths.gone}</b> lost.
          {growths.interval && (
            <>
              {" "}
              A new leaf about every <b>{sayCount(growths.interval.value, "day")}</b>{" "}
              <How working={growths.interval.working} of="the time from leaf to leaf" />.
            </>
          )}
          {growths.pace && (
            <>
              {" "}
              About <b>{growths.pace.value}</b> in half a year{" "}
              <How working={growths.pace.working} of="growths in half a year" />.
            </>
          )}
        </div>
        {growths.ratios.length > 0 && (
          <p className="small my-4">
            Each against the one before:{" "}
            {growths.ratios.map((r) => `${r.percent} %${onPlant(strands, r.strand)}`).join(", ")}.{" "}
            <span className="soft">{growths.means}</span>
          </p>
        )}
        {!file.over && <NewGrowth file={file} sorts={sorts.map((s) => ({ value: s, label: label(s)?.label ?? s }))} />}
      </section>
      {strands.length === 0 && (
        <Bare title="No growth is followed yet">
          <p>
            Follow a leaf, a bulb or a root: say when it starts and measure it now and then. Whether each is as large as
            the last tells more than any number of leaves.
          </p>
        </Bare>
      )}
      {plantsOf(file, strands).flatMap(({ letter, said }) =>
        groups.map((sort) => {
          const own = strands.filter((s) => s.sort === sort && (s.of ?? "") === letter).toReversed();
          if (own.length === 0) return null;
          const title = sentence(label(sort)?.many ?? sort) + said;
          return (
            <section key={letter + sort} className="patch" aria-label={title}>
              <h2>{title}</h2>
              <p className="soft small mt-0 mb-4">
                <Say>{label(sort)?.how}</Say>.
              </p>
              <ul className={`rows ${classes.list}`}>
                {own.map((s) => (
                  <StrandRow key={s.id} file={file} strand={s} sort={label(sort)?.label ?? sort} />
                ))}
              </ul>
            </section>
          );
        }),
      )}
    </div>
  );
}

/** On which plant of its pot a growth is; empty where it stands alone. */
function onPlant(strands: Strand[], id: string) {
  const of = strands.find((s) => s.id === id)?.of;
  return of ? ` (${of})` : "";
}

/** The plants of its pot whose growths are told apart; one without a letter where it stands alone. */
function plantsOf(file: PlantFile, strands: Strand[]) {
  const told = (file.shared?.plants ?? []).map((p) => ({ letter: p.letter as string, said: ` of ${sayWhich(p)}` }));
  const untold = strands.some((s) => !s.of);
  return untold ? [{ letter: "", said: told.length > 1 ? " of nobody knows which" : "" }, ...told] : told;
}

/** One tap for the usual growth; name, size and "came with it" when wanted. */
function NewGrowth({ file, sorts }: { file: PlantFile; sorts: { value: string; label: string }[] }) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [more, setMore] = useState(false);
  const [sort, setSort] = useState<string>();
  const [name, setName] = useState("");
  const [size, setSize] = useState<number>();
  const [came, setCame] = useState(false);
  const plants = file.shared && file.shared.plants.length > 1 ? file.shared.plants : [];
  const [of, setOf] = useState<Letter>();
  const plant = plants.find((p) => p.letter === of) ?? plants[0];
  const send = (sort: string, label: string) =>
    record.mutate(
      {
        on: file.today,
        grown: {
          growth: newId(),
          sort: sort as Strand["sort"],
          name: name || undefined,
          sizeMm: size,
          cameWith: came || undefined,
          of: plant?.letter,
          state: came ? "mature" : "starting",
        },
      },
      {
        onSuccess: (e) => {
          setName("");
          setSize(undefined);
          setCame(false);
          undo(`a new ${label}`, e.id);
        },
      },
    );
  const chosen = sorts.find((s) => s.value === sort) ?? sorts[0];
  return (
    <>
      {plant && (
        <Select
          label="On which plant of the pot"
          maw={260}
          allowDeselect={false}
          data={plants.map((p) => ({ value: p.letter, label: sayWhich(p) }))}
          value={plant.letter}
          onChange={(v) => setOf(plants.find((p) => p.letter === v)?.letter)}
        />
      )}
      <Group gap="xs" mt="sm">
        {sorts.slice(0, 3).map((s, i) => (
          <Button
            key={s.value}
            variant={i === 0 ? "filled" : "default"}
            loading={record.isPending}
            onClick={() => send(s.value, s.label)}
          >
            New {s.label}
          </Button>
        ))}
        <button type="button" className="linkbutton soft small" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? "Less" : "With a name, a size, or one that came with it"}
        </button>
      </Group>
      {more && (
        <div className={classes.form}>
          <Select label="What" data={sorts} value={chosen?.value ?? null} onChange={(v) => setSort(v ?? undefined)} />
          <TextInput
            label="Called"
            placeholder="third leaf"
            value={name}
            onChange={(e) => setName(e.currentTarget.value)}
          />
          <QuantityInput label="Size" unit="mm" value={size} onChange={setSize} />
          <label className={classes.came}>
            <input type="checkbox" checked={came} onChange={(e) => setCame(e.currentTarget.checked)} /> It came with the
            plant
          </label>
          <Button
            variant="default"
            loading={record.isPending}
            onClick={() => chosen && send(chosen.value, chosen.label)}
          >
            Follow it
          </Button>
        </div>
      )}
      <Refused error={record.error} />
    </>
  );
}

/** What a look at a growth says. */
type Said = { sizeMm?: number; state?: Strand["state"]; of?: Letter } & Looked;

interface WhichProps {
  file: PlantFile;
  strand: Strand;
  name: string;
  send: (said: string, body: Said) => void;
}

/** Asks of a growth that was followed before its pot was told apart on which plant it is. */
function OnWhichPlant({ file, strand, name, send }: WhichProps) {
  const plants = file.shared?.plants ?? [];
  if (strand.of || plants.length < 2 || file.over) return null;
  return (
    <div className="small">
      On which plant?{" "}
      {plants.map((p) => (
        <Button
          key={p.letter}
          size="compact-md"
          variant="default"
          mr={4}
          aria-label={`${name} is on ${sayWhich(p)}`}
          onClick={() => send(`${name} is on ${sayWhich(p)}`, { of: p.letter })}
        >
          {sayWhich(p)}
        </Button>
      ))}
    </div>
  );
}

const steps: Record<string, number> = { metric: 5, us: 0.25 };

/** A growth: tap to lengthen it, to say that it is as it was, ripe or lost. */
function StrandRow({ file, strand, sort }: { file: PlantFile; strand: Strand; sort: string }) {
  const [system] = useUnits();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const last = strand.sizes.at(-1);
  const [size, setSize] = useState<number>();
  const shown = size ?? last?.value ?? 0;
  const step = toMetric(steps[system] ?? 5, "mm", system);
  const over = strand.state === "lost";
  const send = (said: string, body: Said) =>
    record.mutate(
      { on: file.today, grown: { growth: strand.id, ...body } },
      {
        onSuccess: (e) => {
          setSize(undefined);
          undo(said, e.id);
        },
      },
    );
  const name = nameOfStrand(strand, sort);
  return (
    <li className={classes.strand}>
      <div>
        <b>{sentence(name)}</b>{" "}
        <span className={`small ${over ? "red" : strand.state === "stalled" ? "ochre" : "soft"}`}>
          {strand.cameWith ? "came with it" : `began ${distance(strand.began, file.today)}`}, {strand.state}
          {strand.state !== "growing" && !strand.cameWith && ` since ${sayDay(strand.stateOn, file.today)}`}
        </span>
        <div className="small soft">
          {strand.sizes.length > 0
            ? strand.sizes
                .slice(-5)
                .map((r) => `${sayQuantity(r.value, "mm", system)} (${distance(r.on, file.today)})`)
                .join(" → ")
            : "never measured"}
        </div>
        <OnWhichPlant file={file} strand={strand} name={name} send={send} />
        <MarksOf file={file} strand={strand} name={name} saving={record.isPending} send={send} />
      </div>
      {!over && !file.over && (
        <div className={classes.acts}>
          <span className={classes.stepper}>
            <button type="button" onClick={() => setSize(Math.max(0, shown - step))} aria-label={`Shorten ${name}`}>
              −
            </button>
            <output aria-label={`Size of ${name}`}>{sayQuantity(shown, "mm", system)}</output>
            <button type="button" onClick={() => setSize(shown + step)} aria-label={`Lengthen ${name}`}>
              +
            </button>
          </span>
          <Button
            size="compact-md"
            variant={size === undefined ? "default" : "filled"}
            disabled={size === undefined && !last}
            loading={record.isPending}
            onClick={() => send(`${name}: ${sayQuantity(shown, "mm", system)}`, { sizeMm: shown })}
          >
            {size === undefined ? "Same" : "Keep it"}
          </Button>
          {strand.state !== "mature" && (
            <Button
              size="compact-md"
              variant="default"
              onClick={() => send(`${name}: ripe`, { state: "mature", sizeMm: size })}
            >
              Ripe
            </Button>
          )}
          <Button size="compact-md" variant="default" onClick={() => send(`${name}: lost`, { state: "lost" })}>
            Lost
          </Button>
        </div>
      )}
      <Refused error={record.error} />
    </li>
  );
}
