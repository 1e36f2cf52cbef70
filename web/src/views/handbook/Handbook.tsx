import { SegmentedControl, TextInput } from "@mantine/core";
import { useState } from "react";
import { NavLink, Outlet, useOutletContext, useSearchParams } from "react-router";
import type { Knowledge } from "../../api/client";
import { useKnowledge } from "../../api/hooks";
import { Failed, Waiting } from "../../shell/States";
import classes from "./Handbook.module.css";

/** The trade's tables to read: causes and signs, linked both ways. */
export function Handbook() {
  const knowledge = useKnowledge();
  const [search, setSearch] = useSearchParams();
  const [typed, setTyped] = useState("");
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const k = knowledge.data;
  const words = typed.toLowerCase();
  const list = search.get("list") === "signs" ? "signs" : "causes";
  const has = (...texts: string[]) => words.split(/\s+/).every((w) => texts.some((t) => t.toLowerCase().includes(w)));
  const groups =
    list === "causes"
      ? group(
          k.causes.filter((c) => has(c.label, c.summary, c.kind)),
          (c) => c.kind,
        )
      : group(
          k.signs.filter((s) => has(s.label, s.how)),
          (s) => k.zones.find((z) => z.id === s.zone)?.label ?? s.zone,
        );
  return (
    <>
      <title>Handbook · Tender Mend</title>
      <h1>Handbook</h1>
      <p className="soft" style={{ margin: "4px 0 12px" }}>
        What the program reckons with. Frequencies and effects are common practice, without a published source, unless
        it is said otherwise.
      </p>
      <div className={classes.book}>
        <nav aria-label="Contents" className={classes.contents}>
          <SegmentedControl
            fullWidth
            aria-label="List"
            value={list}
            onChange={(v) => setSearch(v === "signs" ? { list: v } : {}, { replace: true })}
            data={[
              { value: "causes", label: "Causes" },
              { value: "signs", label: "Signs" },
            ]}
          />
          <TextInput
            mt="xs"
            label="Words"
            placeholder={list === "causes" ? "rot, dry, spots …" : "yellow, smell, joints …"}
            value={typed}
            onChange={(e) => setTyped(e.currentTarget.value)}
          />
          <div className={classes.list}>
            {groups.length === 0 && <p className="soft">Nothing matches; try fewer words.</p>}
            {groups.map(([name, items]) => (
              <section key={name}>
                <h2 className={classes.kind}>{name}</h2>
                <ul>
                  {items.map((x) => (
                    <li key={x.id}>
                      <NavLink to={{ pathname: `/handbook/${list}/${x.id}`, search: search.toString() }}>
                        {x.label}
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

function group<T>(items: T[], by: (item: T) => string): [string, T[]][] {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(by(item), [...(groups.get(by(item)) ?? []), item]);
  return [...groups];
}

/** The tables, inside the handbook. */
export const useTables = () => useOutletContext<Knowledge>();

/** What stands beside the contents before something is opened. */
export function Threshold() {
  const k = useTables();
  return (
    <div className="patch">
      <h2>Open a cause or a sign</h2>
      <p>
        {k.causes.length} causes, {k.signs.length} signs, {k.moves.length} moves, {k.habits.length} ways of growing. A
        cause shows its signs, what helps and harms it, and what it is mistaken for; a sign shows the causes behind it.
      </p>
      <p className="soft small">
        Method: noisy-OR networks (Pearl 1988; Heckerman 1989; Shwe et al. 1991). Tables {k.version}. Labels, local
        rules and licensed practice stand above all of it.
      </p>
    </div>
  );
}
