import { Button, FileButton, Group, Switch } from "@mantine/core";
import { useState } from "react";
import type { Knowledge, Schemas } from "../../api/client";
import { useTakeCases } from "../../api/files";
import { useLearning, useLearningScores, useSaveSwitches } from "../../api/handbook";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayCount, sayPercent } from "../words";
import classes from "./Handbook.module.css";

type Learnt = Schemas["Learnt"];
type Switches = Schemas["Switches"];

const tables: { key: keyof Pick<Switches, "priors" | "links" | "backgrounds">; title: string; how: string }[] = [
  { key: "priors", title: "How common each cause is", how: "by how the plant grows" },
  { key: "links", title: "How often a cause shows a sign", how: "where the sign was looked for" },
  { key: "backgrounds", title: "How common a sign is with no cause", how: "where nothing that was true shows it" },
];

/** What confirmed cases would make of the tables; nothing changes until it is switched on. */
export function Learning({ knowledge }: { knowledge: Knowledge }) {
  const learning = useLearning();
  const save = useSaveSwitches();
  const take = useTakeCases();
  if (learning.isPending) return <Waiting />;
  if (learning.isLoadingError) return <Failed error={learning.error} retry={() => learning.refetch()} />;
  const l = learning.data;
  return (
    <article className="patch mt-18" aria-label="What the cases teach">
      <h2>What the cases teach</h2>
      <p>
        {l.own} of your own confirmed {l.own === 1 ? "case" : "cases"} and {l.taken} taken in from others. Guesses do
        not count. Nothing changes until you switch it on, table by table; a diagnosis keeps what it was made by.{" "}
        <How of="what the cases teach" working={l.working} />
      </p>
      {l.cases > 1 && <BothScored />}
      <Refused error={save.error} />
      {tables.map((t) => (
        <section className="mt-14" key={t.key} aria-label={t.title}>
          <Switch
            checked={l.switches[t.key]}
            disabled={save.isPending || l.cases === 0}
            label={
              <>
                <b>{t.title}</b> <span className="soft small">{t.how}</span>
              </>
            }
            onChange={(e) => save.mutate({ ...l.switches, [t.key]: e.currentTarget.checked })}
          />
          <Figures list={l[t.key]} knowledge={knowledge} />
        </section>
      ))}
      <Group mt="md">
        <Button component="a" href="/api/confirmed/cases" download variant="default">
          Give the cases out as a file
        </Button>
        <FileButton accept="application/json,.json" onChange={(f) => f && take.mutate(f)}>
          {(props) => (
            <Button variant="default" loading={take.isPending} {...props}>
              Take in cases of others
            </Button>
          )}
        </FileButton>
      </Group>
      <p className="soft small">
        The file holds how a plant grows, what was seen and what it was; no names, no places.
      </p>
      {take.data && (
        <p role="status">
          {take.data.added} {take.data.added === 1 ? "case" : "cases"} taken in
          {take.data.known > 0 && `, ${take.data.known} known already`}.
        </p>
      )}
      <Refused error={take.error} />
    </article>
  );
}

/** The score of both, worked out when it is asked for: each case is left out in turn. */
function BothScored() {
  const [wanted, setWanted] = useState(false);
  const scores = useLearningScores(wanted);
  if (!wanted)
    return (
      <Button variant="default" onClick={() => setWanted(true)}>
        Score both on these cases
      </Button>
    );
  if (scores.isPending) return <Waiting rows={2} />;
  if (scores.isLoadingError) return <Failed error={scores.error} retry={() => scores.refetch()} />;
  const { table, learned } = scores.data;
  return (
    table &&
    learned && (
      <table className={classes.table} data-testid="learned-scores">
        <thead>
          <tr>
            <th>On {sayCount(table.cases, "case")}, each left out in turn</th>
            <th>Brier score</th>
            <th>Log loss</th>
          </tr>
        </thead>
        <tbody className="numbers">
          <Scored name="the tables as they ship" score={table} />
          <Scored name="with what the cases teach" score={learned} />
        </tbody>
      </table>
    )
  );
}

function Scored({ name, score }: { name: string; score: Schemas["Score"] }) {
  const range = ([from, to]: [number, number] | number[]) => `${from?.toFixed(3)} to ${to?.toFixed(3)}`;
  return (
    <tr>
      <td>{name}</td>
      <td>
        {score.brier.toFixed(3)} <span className="soft small">({range(score.intervals.brier)})</span>
      </td>
      <td>
        {score.logLoss.toFixed(3)} <span className="soft small">({range(score.intervals.logLoss)})</span>
      </td>
    </tr>
  );
}

/** The figures that moved most: the table's, the cases' and the range. */
function Figures({ list, knowledge }: { list: Learnt[]; knowledge: Knowledge }) {
  if (list.length === 0) return <p className="soft small">No case says anything of it yet.</p>;
  const words = (l: Learnt) =>
    [
      knowledge.causes.find((c) => c.id === l.cause)?.label,
      knowledge.signs.find((s) => s.id === l.sign)?.label,
      knowledge.habits.find((h) => h.id === l.habit)?.label,
    ]
      .filter(Boolean)
      .join(": ");
  return (
    <details>
      <summary className="soft small">the {list.length} figures that would move most</summary>
      <table className={classes.table}>
        <thead>
          <tr>
            <th>Figure</th>
            <th>Table → with the cases</th>
            <th>80 % lie in</th>
            <th>Cases</th>
          </tr>
        </thead>
        <tbody className="numbers">
          {list.map((l) => (
            <tr key={`${l.habit}${l.cause}${l.sign}`}>
              <td>{words(l)}</td>
              <td>
                {sayPercent(l.table)} → {sayPercent(l.mean)}
              </td>
              <td>
                {sayPercent(l.interval[0] ?? 0)} to {sayPercent(l.interval[1] ?? 0)}
              </td>
              <td>{Number(l.count.toFixed(1))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
