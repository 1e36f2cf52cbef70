import { Button, Group } from "@mantine/core";
import { useDebouncedValue, useIntersection } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useKnowledge } from "../api/handbook";
import { useRegister } from "../api/plants";
import { Bare, Failed, Waiting } from "../shell/States";
import { KeptViews } from "./KeptViews";
import { PickAll } from "./many/PickBox";
import { usePicked } from "./many/picked";
import { WhenPicked } from "./many/WhenPicked";
import { GoesRound } from "./outbreak/GoesRound";
import classes from "./Register.module.css";
import { cellsOf, RegisterRow, WhatIsShown } from "./RegisterCells";
import { Filters } from "./RegisterFilters";

/** The register of all plants with their seams, a page at a time. */
export function Register() {
  const [search, setSearch] = useSearchParams();
  const set = (key: string, value: string | null) => {
    const next = new URLSearchParams(search);
    if (value) next.set(key, value);
    else next.delete(key);
    setSearch(next, { replace: true });
  };
  // Typing goes ahead of the address, which follows when the typing pauses.
  const [words, setWords] = useState(search.get("q") ?? "");
  const [q] = useDebouncedValue(words, 150);
  const inAddress = search.get("q") ?? "";
  useEffect(() => {
    if (q === inAddress || q !== words) return;
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (q) next.set("q", q);
        else next.delete("q");
        return next;
      },
      { replace: true },
    );
  }, [q, words, inAddress, setSearch]);
  const filter = Object.fromEntries(
    ["place", "standing", "stage", "isolation", "tag", "sort"].flatMap((k) =>
      search.get(k) ? [[k, search.get(k) as string]] : [],
    ),
  );
  const register = useRegister({ ...(q ? { q } : {}), ...filter });
  const knowledge = useKnowledge();
  const picking = usePicked();
  const first = register.data?.pages[0];
  const rows = register.data?.pages.flatMap((p) => p.plants ?? []) ?? [];
  const everything = Object.values(first?.standing ?? {}).reduce((a, b) => a + b, 0);
  const filtered = words || Object.keys(filter).some((k) => k !== "sort");
  const tag = search.get("tag");
  const shown = cellsOf(search.get("show"));
  return (
    <>
      <title>Plants · Tender Mend</title>
      <Group justify="space-between" align="end" mb="sm">
        <div>
          <h1>Plants</h1>
          <p className="soft mt-4 mb-0" aria-live="polite">
            {first ? (filtered ? `${first.total} of ${everything}` : `${everything} in the collection`) : " "}
            {tag && (
              <>
                {" · "}
                <Link to={`/together?tag=${encodeURIComponent(tag)}`}>look at “{tag}” side by side</Link>
              </>
            )}
            {first?.nearly && ". Nothing has just these words; these have some like them."}
          </p>
        </div>
        <Group>
          <Button component={Link} to="/sale" variant="default">
            At a sale
          </Button>
          <Button component={Link} to="/scans" variant="default">
            Scan labels
          </Button>
          <Button component={Link} to="/plants/box" variant="default">
            A box comes in
          </Button>
          <Button component={Link} to="/plants/new">
            Take a plant in
          </Button>
        </Group>
      </Group>
      {!filtered && <GoesRound />}
      {(everything > 0 || register.isPending || filtered) && (
        <>
          <Filters first={first} search={search} set={set} words={words} setWords={setWords} />
          <WhatIsShown shown={shown} show={(cells) => set("show", cells)} />
        </>
      )}
      <KeptViews search={search} opened={(kept) => setWords(kept.get("q") ?? "")} />
      {register.isPending && <Waiting rows={6} />}
      {register.isLoadingError && <Failed error={register.error} retry={() => register.refetch()} />}
      {first && rows.length === 0 && (
        <Bare title={filtered ? "Nothing matches" : "No plants yet"}>
          <p>
            {filtered
              ? "Take a filter away, or try fewer words."
              : "Take in the first one: a name and how it grows are enough."}
          </p>
          {filtered && (
            <Button
              variant="default"
              onClick={() => {
                setWords("");
                setSearch({});
              }}
            >
              Show all plants
            </Button>
          )}
        </Bare>
      )}
      {first && (
        <ul className={classes.list} aria-label="Plants">
          {rows.map((r) => (
            <RegisterRow
              key={r.id}
              row={r}
              shown={shown}
              picking={picking}
              today={first.today}
              figure={knowledge.data?.habits.find((h) => h.id === r.habit)?.figure ?? ""}
            />
          ))}
        </ul>
      )}
      {rows.length > 1 && <PickAll plants={rows} of="the plants listed" picking={picking} />}
      {first && <WhenPicked picking={picking} today={first.today} />}
      {register.hasNextPage && <More load={() => register.fetchNextPage()} busy={register.isFetchingNextPage} />}
    </>
  );
}

function More({ load, busy }: { load: () => void; busy: boolean }) {
  const { ref, entry } = useIntersection({ rootMargin: "400px" });
  const near = entry?.isIntersecting;
  useEffect(() => {
    if (near && !busy) load();
  }, [near, busy, load]);
  return (
    <div className="p-16 text-centre" ref={ref}>
      <Button variant="default" onClick={load} loading={busy}>
        Show more
      </Button>
    </div>
  );
}
