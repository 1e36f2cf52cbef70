import { Button, Group, SegmentedControl, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import { Link, NavLink, Outlet, useLocation, useOutletContext, useSearchParams } from "react-router";
import type { Knowledge } from "../../api/client";
import { useKinds, useKnowledge, useSeason } from "../../api/handbook";
import { newId } from "../../api/id";
import { useSigns } from "../../api/plants";
import { Figure } from "../../figure/Figure";
import { Say } from "../../Say";
import { Failed, Waiting } from "../../shell/States";
import classes from "./Handbook.module.css";

const lists = [
  { value: "causes", label: "Causes" },
  { value: "signs", label: "Signs" },
  { value: "kinds", label: "Kinds" },
  { value: "habits", label: "Habits" },
];

interface Item {
  id: string;
  label: string;
  group: string;
  words: string[];
}

/** The trade's tables to read: causes and signs, kinds and ways of growing, linked both ways. */
export function Handbook() {
  const knowledge = useKnowledge();
  const kinds = useKinds();
  const [search, setSearch] = useSearchParams();
  const [typed, setTyped] = useState("");
  const [, , opened, page] = useLocation().pathname.split("/");
  // A page that is read, of a list or on its own: on a phone it stands above what leads to it.
  const reading = page !== undefined || (opened !== undefined && !lists.some((l) => l.value === opened));
  const list = lists.find((l) => l.value === (search.get("list") ?? opened))?.value ?? "causes";
  const [asked] = useDebouncedValue(typed.trim(), 150);
  const meant = useSigns(list === "signs" ? asked : "");
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const k = knowledge.data;
  const items = contents(k, kinds.data?.profiles ?? [], list);
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const said = list === "signs" && asked !== "" ? (meant.data?.signs ?? []) : [];
  const found = items.filter(
    (i) => said.includes(i.id) || words.every((w) => i.words.some((t) => t.toLowerCase().includes(w))),
  );
  const groups = grouped(found);
  return (
    <>
      <title>Handbook · Tender Mend</title>
      <Group
        justify="space-between"
        align="end"
        className={reading ? `${classes.heading} ${classes.reading}` : classes.heading}
      >
        <div>
          <h1>Handbook</h1>
          <p className="soft mt-4 mb-12">
            What the program reckons with. Frequencies and effects are common practice, without a published source,
            unless it is said otherwise.
          </p>
        </div>
        <Group gap="sm" mb="sm">
          <Button component={Link} to="/handbook/glossary" variant="default">
            Words of the trade
          </Button>
          <Button component={Link} to="/handbook/confirmed" variant="default">
            How often it was right
          </Button>
          <Button variant="default" onClick={() => window.print()}>
            Print this page
          </Button>
        </Group>
      </Group>
      <div className={classes.book}>
        <nav
          aria-label="Contents"
          className={reading && !typed ? `${classes.contents} ${classes.read}` : classes.contents}
        >
          <SegmentedControl
            fullWidth
            aria-label="List"
            value={list}
            onChange={(v) => setSearch(v === "causes" ? {} : { list: v }, { replace: true })}
            data={lists}
          />
          <TextInput
            mt="xs"
            label="Words"
            placeholder="rot, yellow, joints, begonia …"
            value={typed}
            onChange={(e) => setTyped(e.currentTarget.value)}
          />
          {reading && (
            <Link to={`/handbook?list=${list}`} className={classes.back}>
              All {list}
            </Link>
          )}
          {list === "kinds" && (
            <Link to={`/handbook/kinds/own:${newId()}/edit?list=kinds`} className={classes.own}>
              Add a kind of your own
            </Link>
          )}
          <div className={classes.list}>
            {groups.length === 0 && <p className="soft">Nothing matches; try fewer words.</p>}
            {groups.map(([name, inGroup]) => (
              <section key={name}>
                <h2 className={classes.kind}>{name}</h2>
                <ul>
                  {inGroup.map((x) => (
                    <li key={x.id}>
                      <NavLink to={{ pathname: `/handbook/${list}/${x.id}`, search: search.toString() }}>
                        <Say>{x.label}</Say>
                      </NavLink>
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </div>
        </nav>
        <div>
          <Outlet context={k} />
        </div>
      </div>
    </>
  );
}

type Kind = NonNullable<ReturnType<typeof useKinds>["data"]>["profiles"][number];

function contents(k: Knowledge, kinds: Kind[], list: string): Item[] {
  switch (list) {
    case "signs":
      return k.signs.map((s) => ({
        id: s.id,
        label: s.label,
        group: k.zones.find((z) => z.id === s.zone)?.label ?? s.zone,
        words: [s.label, s.how, s.looks],
      }));
    case "habits":
      return k.habits.map((h) => ({
        id: h.id,
        label: h.label,
        group: h.orchid ? "Orchids" : "Others",
        words: [h.label, h.roots],
      }));
    case "kinds":
      return kinds.map((p) => ({
        id: p.id,
        label: p.botanical,
        group: p.own ? "Your own" : (k.habits.find((h) => h.id === p.habit)?.label ?? p.habit),
        words: [p.botanical, p.common],
      }));
  }
  return k.causes.map((c) => ({ id: c.id, label: c.label, group: c.kind, words: [c.label, c.summary, c.kind] }));
}

function grouped(items: Item[]): [string, Item[]][] {
  const groups = new Map<string, Item[]>();
  for (const item of items) groups.set(item.group, [...(groups.get(item.group) ?? []), item]);
  return [...groups];
}

/** The tables, inside the handbook. */
export const useTables = () => useOutletContext<Knowledge>();

/** What stands beside the contents before something is opened: what to look for now, and what there is to read. */
export function Threshold() {
  const k = useTables();
  const season = useSeason();
  const label = (id: string) => k.causes.find((c) => c.id === id)?.label ?? id;
  return (
    <div className="patch">
      {season.isLoadingError && <Failed error={season.error} retry={() => season.refetch()} />}
      {season.data && (
        <section aria-label="What to look for now">
          <h2>What to look for in {season.data.season}</h2>
          <ul className={classes.season}>
            {season.data.troubles.map((t) => (
              <li key={t.cause}>
                <Link to={`/handbook/causes/${t.cause}`}>{label(t.cause)}</Link>
                <span>{t.why}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <h2 className="mt-14">Which plant is it?</h2>
      <p className="mt-4 mb-8">By how it grows:</p>
      <ul className={classes.gallery}>
        {k.habits.map((h) => (
          <li key={h.id}>
            <Link to={`/handbook/habits/${h.id}?list=habits`}>
              <Figure figure={h.figure} zones={[]} state={{}} name={h.label} />
              {h.label}
            </Link>
          </li>
        ))}
      </ul>
      <p className="soft small mt-14">
        {k.causes.length} causes, {k.signs.length} signs, {k.moves.length} moves, {k.habits.length} ways of growing.
        Method: noisy-OR networks (Pearl 1988; Heckerman 1989; Shwe et al. 1991). Tables {k.version}. Labels, local
        rules and licensed practice stand above all of it.
      </p>
    </div>
  );
}
