import { Button, Checkbox, Group } from "@mantine/core";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useOutbreak } from "../../api/outbreaks";
import { useMany } from "../../api/recording";
import { sayDay, shortDay } from "../../dates";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount, standingWord } from "../words";
import { OutbreakMap } from "./Map";
import classes from "./Outbreak.module.css";
import { OutbreakActs } from "./OutbreakActs";
import { markOf, type OutbreakOf, type OutbreakPlant, type Role, roleWords, watchEntry } from "./outbreak";

/** One thing that goes round: who has it, who may have caught it and how, and what is done about it. */
export function Outbreak() {
  const { cause = "" } = useParams();
  const [search] = useSearchParams();
  const only = search.get("plant") ?? undefined;
  const outbreak = useOutbreak(cause, only);
  if (outbreak.isPending) return <Waiting />;
  if (outbreak.isLoadingError) return <Failed error={outbreak.error} retry={() => outbreak.refetch()} />;
  const o = outbreak.data;
  const of = (role: Role) => o.plants.filter((p) => p.role === role);
  return (
    <>
      <title>{`${o.label} here · Tender Mend`}</title>
      <h1>{o.label} here</h1>
      <p className="mt-4 max-720">{inShort(o)}</p>
      <OutbreakActs outbreak={o} />
      {o.plants.length > 0 && (
        <section className="patch mt-18" aria-label="Where they stand">
          <h2>Where they stand</h2>
          <OutbreakMap outbreak={o} />
          <Legend />
        </section>
      )}
      <Catchers outbreak={o} plants={of("exposed")} />
      <div className="columns mt-18">
        <From outbreak={o} />
        <section className="patch" aria-label="What it means at the shelf">
          <h2>At the shelf</h2>
          <ul className="my-4 pl-18">
            {o.means.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
          <p className="small soft m-0">
            From catching it to showing it: about {sayCount(o.incubation.value, "day")}{" "}
            <How working={o.incubation.working} of="that time" />
          </p>
        </section>
      </div>
      <Watched plants={of("watched")} today={o.today} />
      <Past outbreak={o} />
    </>
  );
}

/** How it stands, in a sentence or two. */
function inShort(o: OutbreakOf) {
  const n = (role: Role) => o.plants.filter((p) => p.role === role).length;
  if (o.over) {
    const ended = o.past.length > 0 ? ` ${sayCount(o.past.length, "case")} of it ended in the last half year.` : "";
    return `Nothing here has it, and nothing is watched for it.${ended}`;
  }
  const parts = [
    n("sick") > 0 && `${sayCount(n("sick"), "plant")} ${n("sick") === 1 ? "has" : "have"} it`,
    n("suspect") > 0 && `${n("suspect")} may have it by the last look, and nobody has decided`,
    n("exposed") > 0 && `${n("exposed")} may have caught it and nobody watches them for it yet`,
    n("watched") > 0 && `${n("watched")} ${n("watched") === 1 ? "is" : "are"} watched for it`,
  ].filter(Boolean);
  return `${parts.join("; ")}.${o.began ? ` Found first: ${sayDay(o.began, o.today)}.` : ""}`;
}

function Legend() {
  return (
    <ul className={classes.legend} aria-label="What the pots mean">
      {(Object.keys(roleWords) as Role[]).map((role) => (
        <li key={role} className="small">
          <span className={classes.pot} data-role={role} aria-hidden>
            {role === "exposed" ? "%" : roleWords[role].mark}
          </span>
          {roleWords[role].words}
        </li>
      ))}
    </ul>
  );
}

const actWords: Record<string, string> = {
  now: "under watch today",
  watch: "under watch",
  look: "one look is enough",
};

/** What the button records: who is watched and who is looked at once. */
function sayWatch(plants: OutbreakPlant[]) {
  const once = plants.filter((p) => p.act === "look").length;
  const watched = plants.length - once;
  if (plants.length === 0) return "Pick who is watched";
  if (once === 0) return `Watch ${sayCount(watched, "plant")} for it`;
  if (watched === 0) return `Look at ${sayCount(once, "plant")} once`;
  return `Watch ${watched} for it, look at ${once} once`;
}

/** Who may have caught it, the likeliest first, and one tap that puts them on watch. */
function Catchers({ outbreak, plants }: { outbreak: OutbreakOf; plants: OutbreakPlant[] }) {
  const [left, setLeft] = useState<string[]>([]);
  const many = useMany();
  const undo = useUndoMany();
  if (plants.length === 0) return null;
  const chosen = plants.filter((p) => !left.includes(p.id));
  const watch = () =>
    many.mutate(
      chosen.map((p) => watchEntry(outbreak.cause, outbreak.label, p, outbreak.today)),
      { onSuccess: ({ kept }) => kept.length > 0 && undo("on watch", sayCount(kept.length, "plant"), kept) },
    );
  return (
    <section className="patch mt-18" aria-label="Who may have caught it">
      <Group justify="space-between">
        <h2 className="m-0">Who may have caught it</h2>
        <Button onClick={watch} loading={many.isPending} disabled={chosen.length === 0}>
          {sayWatch(chosen)}
        </Button>
      </Group>
      <Refused error={many.error} />
      <ul className={classes.plants}>
        {plants.map((p) => (
          <li key={p.id} data-testid="may-have-caught">
            <Checkbox
              aria-label={`Watch ${p.name}`}
              checked={!left.includes(p.id)}
              onChange={(e) => setLeft(e.currentTarget.checked ? left.filter((id) => id !== p.id) : [...left, p.id])}
            />
            <div>
              <p className="m-0">
                <Link to={`/plants/${p.id}`}>
                  <b>{p.name}</b>
                </Link>{" "}
                {p.label && <span className="soft small">{p.label} · </span>}
                {p.chance && (
                  <>
                    <span className="numbers">{markOf(p)} in 100</span>{" "}
                    <How working={p.chance.working} of="this chance" />
                  </>
                )}{" "}
                · {actWords[p.act ?? ""]}
                {p.looks.length > 0 && <span className="soft small"> · looks {p.looks.map(shortDay).join(", ")}</span>}
              </p>
              {p.ways.map((w) => (
                <p key={w} className="soft small my-2">
                  {w}
                </p>
              ))}
            </div>
          </li>
        ))}
      </ul>
      {outbreak.moreOn && (
        <p className="soft small my-4">
          {sayCount(outbreak.more, "other")} hardly may have caught it: look at each once, on{" "}
          {shortDay(outbreak.moreOn)}.
        </p>
      )}
    </section>
  );
}

/** Where each that has it may have it from. */
function From({ outbreak }: { outbreak: OutbreakOf }) {
  if (outbreak.origins.length === 0) return null;
  const name = (id: string) => outbreak.plants.find((p) => p.id === id)?.name ?? "";
  return (
    <section className="patch" aria-label="Where it may have come from">
      <h2>Where it may have come from</h2>
      {outbreak.origins.map((o) => (
        <div key={o.plant} className="mb-10">
          <h3 className="m-0">
            {name(o.plant)} <How working={o.share.working} of="these shares" />
          </h3>
          <ul className="my-2 pl-18">
            {o.from.map((f) => (
              <li key={f.words}>
                <span className="numbers">{Math.round(f.share * 100)} in 100</span>: {f.words}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function Watched({ plants, today }: { plants: OutbreakPlant[]; today: string }) {
  if (plants.length === 0) return null;
  return (
    <section className="patch mt-18" aria-label="Watched for it">
      <h2>Watched for it</h2>
      <ul className={classes.plants}>
        {plants.map((p) => (
          <li key={p.id}>
            <span className={classes.pot} data-role="watched" aria-hidden>
              {p.watch?.had ?? 0}
            </span>
            <div>
              <Link to={`/plants/${p.id}`}>{p.name}</Link>
              <p className="soft small my-2">
                {p.watch?.had ?? 0} of {sayCount(p.watch?.looks ?? 0, "look")} without a find
                {p.watch?.next && `; the next ${sayDay(p.watch.next, today)}`}.
              </p>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How its cases of the last half year ended. */
function Past({ outbreak }: { outbreak: OutbreakOf }) {
  if (outbreak.past.length === 0) return null;
  return (
    <section className="patch mt-18" aria-label="How it ended before">
      <h2>{outbreak.over ? "How it ended" : "Cases of it that ended"}</h2>
      <ul className="my-4 pl-18">
        {outbreak.past.map((e) => (
          <li key={`${e.id} ${e.openedOn}`}>
            <Link to={`/plants/${e.id}`}>{e.name}</Link>: {standingWord(e.outcome)},{" "}
            {sayDay(e.openedOn, outbreak.today)} to {sayDay(e.endedOn, outbreak.today)}
          </li>
        ))}
      </ul>
    </section>
  );
}
