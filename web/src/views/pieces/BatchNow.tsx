import { Button, Group, NumberInput } from "@mantine/core";
import { useState } from "react";
import type { PlantFile } from "../../api/client";
import { newId } from "../../api/id";
import { useWays } from "../../api/pieces";
import { useMany, useRecord } from "../../api/recording";
import { daysBetween, distance, sayDay } from "../../dates";
import { Say } from "../../Say";
import { Refused } from "../../shell/States";
import { useUndo, useUndoMany } from "../undo";
import { sayCount } from "../words";
import classes from "./Pieces.module.css";
import { type Batch, sayPieces, vesselWords } from "./words";

interface BatchProps {
  file: PlantFile;
  batch: Batch;
}

/** A batch of pieces in one row: what each look found, the next count, and what leaves it. */
export function BatchNow({ file, batch }: BatchProps) {
  const ways = useWays(file.id);
  const one = ways.data?.ways.find((w) => w.method === batch.method)?.one ?? "piece";
  return (
    <section className="patch mb-16" aria-label="The batch">
      <h2>
        {sayPieces(batch.n, one)} {vesselWords[batch.vessel]}
      </h2>
      <p className="my-4">{inWords(batch)}</p>
      <Rows file={file} batch={batch} />
      <p className={classes.legend} aria-hidden>
        {cells.map((c) => (
          <span key={c.cell}>
            <span data-cell={c.cell} /> {c.words}{" "}
          </span>
        ))}
      </p>
      {batch.alive > 0 && !file.over && (
        <div className={classes.acts}>
          <CountNow file={file} batch={batch} />
          <PotOut file={file} batch={batch} one={one} said={ways.data?.potOut} />
        </div>
      )}
    </section>
  );
}

const cells = [
  { cell: "rooted", words: "with roots" },
  { cell: "shoot", words: "with a shoot" },
  { cell: "alive", words: "alive" },
  { cell: "gone", words: "no longer here" },
];

const inWords = (b: Batch) =>
  [
    `${b.alive} alive`,
    `${b.shoots} with a shoot`,
    `${b.rooted} with roots`,
    b.lost > 0 && `${b.lost} died${b.rotted > 0 ? ` (${b.rotted} rotted)` : ""}`,
    b.potted > 0 && `${b.potted} potted out`,
    b.returned > 0 && `${b.returned} back with the mother`,
  ]
    .filter(Boolean)
    .join(", ");

/** A cell for each piece at each look: with roots, with a shoot, alive, gone. */
function Rows({ file, batch }: BatchProps) {
  const counts = [{ on: file.arrivedOn, alive: batch.n, shoots: 0, rooted: 0 }, ...batch.counts];
  const cells = Math.min(batch.n, 40);
  return (
    <table className={classes.rows} aria-label="What each look found">
      <tbody>
        {counts.map((c) => (
          <tr key={`${c.on} ${c.alive} ${c.rooted}`}>
            <th scope="row" className="small">
              {sayDay(c.on, file.today)} <span className="soft">day {daysBetween(file.arrivedOn, c.on)}</span>
            </th>
            <td aria-label={`${c.alive} alive, ${c.shoots} with a shoot, ${c.rooted} with roots`}>
              {Array.from({ length: cells }, (_, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place in the row
                <span key={i} data-cell={cellOf(i, c)} />
              ))}
            </td>
            <td className="small numbers">{c.alive}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function cellOf(i: number, c: { alive: number; shoots: number; rooted: number }) {
  if (i < c.rooted) return "rooted";
  if (i < Math.max(c.rooted, c.shoots)) return "shoot";
  return i < c.alive ? "alive" : "gone";
}

function CountNow({ file, batch }: BatchProps) {
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [alive, setAlive] = useState(batch.alive);
  const [shoots, setShoots] = useState(batch.shoots);
  const [rooted, setRooted] = useState(batch.rooted);
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        record.mutate(
          { on: file.today, counted: { alive, shoots, rooted } },
          { onSuccess: (entry) => undo(`${alive} alive, ${rooted} with roots`, entry.id) },
        );
      }}
    >
      <h3>
        Count it{" "}
        {batch.countOn && (
          <span className="soft small">
            next {sayDay(batch.countOn, file.today)}, {distance(batch.countOn, file.today)}
          </span>
        )}
      </h3>
      <Group align="end" gap="sm">
        <Few label="Alive" value={alive} set={setAlive} />
        <Few label="With a shoot" value={shoots} set={setShoots} />
        <Few label="With roots" value={rooted} set={setRooted} />
        <Button type="submit" loading={record.isPending}>
          Counted
        </Button>
      </Group>
      {alive < batch.alive && (
        <p className="soft small">{sayCount(batch.alive - alive, "piece")} rotted since: taken out.</p>
      )}
      <Refused error={record.error} />
    </form>
  );
}

interface FewProps {
  label: string;
  value: number;
  set: (n: number) => void;
}

const Few = ({ label, value, set }: FewProps) => (
  <NumberInput label={label} value={value} min={0} max={500} w="7rem" onChange={(v) => set(Number(v) || 0)} />
);

/** Pots rooted pieces out as plants of their own, or puts pieces back with the mother. */
function PotOut({ file, batch, one, said }: BatchProps & { one: string; said?: string }) {
  const many = useMany();
  const undo = useUndoMany();
  const [n, setN] = useState(Math.max(1, batch.rooted));
  const [refused, setRefused] = useState<string>();
  const mother = file.mother;
  const send = (done: string, drafts: Parameters<typeof many.mutate>[0]) =>
    many.mutate(drafts, {
      onSuccess: ({ kept, refused: list }) => {
        setRefused(list.map((r) => r.problem.detail).join(" ") || undefined);
        if (kept.length > 0) undo(done, file.name, kept);
      },
    });
  const out = () => {
    const first = batch.potted + 1;
    const plants = Array.from({ length: n }, (_, i) => ({ id: newId(), name: `${file.name}, no. ${first + i}` }));
    send(`${n} potted out`, [
      {
        id: newId(),
        plant: file.id,
        on: file.today,
        parted: { potted: n, returned: 0, plants: plants.map((p) => p.id) },
      },
      ...plants.map((p) => ({
        id: newId(),
        plant: p.id,
        on: file.today,
        arrived: {
          name: p.name,
          habit: file.habit,
          profile: file.profile?.id,
          mother: mother?.id,
          batchOf: file.id,
          from: mother?.name ?? file.name,
          isolated: file.isolation !== "clean",
          place: file.placeId,
          well: true,
        },
      })),
    ]);
  };
  return (
    <div>
      <h3>Take out of it</h3>
      <Group align="end" gap="sm">
        <Few label={`How many ${sayPieces(2, one).slice(2)}`} value={n} set={setN} />
        <Button onClick={out} loading={many.isPending} disabled={n < 1 || n > batch.alive}>
          Pot out as {n === 1 ? "a plant" : "plants"}
        </Button>
        {mother && (
          <Button
            variant="default"
            loading={many.isPending}
            disabled={n < 1 || n > batch.alive}
            onClick={() =>
              send(`${n} put back with the mother`, [
                { id: newId(), plant: file.id, on: file.today, parted: { potted: 0, returned: n } },
                {
                  id: newId(),
                  plant: mother.id,
                  on: file.today,
                  noted: { text: `Refilled with ${sayPieces(n, one)} from “${file.name}”.` },
                },
              ])
            }
          >
            Back with the mother
          </Button>
        )}
      </Group>
      <p className="soft small">
        <Say>{said}</Say>
      </p>
      {refused && (
        <p role="alert" className="red">
          {refused}
        </p>
      )}
      <Refused error={many.error} />
    </div>
  );
}
