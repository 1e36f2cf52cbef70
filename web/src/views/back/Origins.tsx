import { Group, Select } from "@mantine/core";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { type By, useOriginPlants, useOrigins } from "../../api/origins";
import type { Span } from "../../api/plants";
import { How } from "../../shell/How";
import { Bare, Failed, Waiting } from "../../shell/States";
import { sayCount } from "../words";
import { Interval } from "./Interval";
import { SpanPick } from "./LookBack";
import classes from "./Origins.module.css";

const ways: { value: By; label: string }[] = [
  { value: "source", label: "where they came from" },
  { value: "tag", label: "box or tag" },
  { value: "batch", label: "batch of pieces" },
  { value: "kind", label: "kind" },
  { value: "packing", label: "how they travelled" },
  { value: "school", label: "school of the plan" },
  { value: "method", label: "what was tried" },
];

/** What became of the plants of a collection: came, lived, lost, weeks and cost, by what they have in common. */
export function Origins() {
  const [search, setSearch] = useSearchParams();
  const by = ways.find((w) => w.value === search.get("by"))?.value ?? "source";
  const [span, setSpan] = useState<Span>("whole");
  const origins = useOrigins(by, span);
  const o = origins.data;
  return (
    <>
      <title>What became of them · Tender Mend</title>
      <Group justify="space-between" mb="md">
        <h1>What became of them</h1>
        <SpanPick span={span} setSpan={setSpan} />
      </Group>
      <Select
        label="Grouped by"
        data={ways}
        value={by}
        allowDeselect={false}
        maw={320}
        mb="md"
        onChange={(v) => setSearch(v ? { by: v } : {}, { replace: true })}
      />
      {origins.isPending && <Waiting />}
      {origins.isLoadingError && <Failed error={origins.error} retry={() => origins.refetch()} />}
      {o && o.all.came === 0 && (
        <Bare title="Nobody came in that time">
          <p>When plants have been taken in, this page tells what became of them, by where they came from.</p>
        </Bare>
      )}
      {o && o.all.came > 0 && (
        <section className="patch" aria-label="By group">
          <p className="mt-0">
            {sayCount(o.all.came, "plant")} came: {o.all.lives} are here, {o.all.inWork} of them in work; lost were{" "}
            {o.all.lost}, given away {o.all.given}. Pieces of a batch count once they are potted out.
          </p>
          {o.groups.length === 0 && <p className="soft">None of them has one: nothing to group by here.</p>}
          <ul className="rows no-bullets p-0 m-0">
            {o.groups.map((g) => (
              <Row key={g.of} group={g} by={by} span={span} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Row({ group: g, by, span }: { group: Schemas["Group"]; by: By; span: Span }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="py-8 px-0">
      <div className={classes.row}>
        <div>
          <b>{g.label}</b>
          <Stitches group={g} />
          <div className="small soft">
            {sayCount(g.came, "plant")} came, {g.lives} here, {g.lost} lost
            {g.given > 0 && `, ${g.given} given away`}
            {g.inWork > 0 && `; ${g.inWork} in work`}
          </div>
        </div>
        <div>
          {g.living ? (
            <>
              <b>{g.living.value} %</b> live half a year on{" "}
              <How working={g.living.working} of={`the share of ${g.label}`} />
              <div>
                <Interval share={g.living.value / 100} low={g.low} high={g.high} />
              </div>
            </>
          ) : (
            <span className="soft small">none was followed for half a year yet</span>
          )}
        </div>
        <div>
          {g.weeks ? (
            <>
              {g.ill === 1 ? "mended after" : "half mended within"} <b>{sayCount(g.weeks.value, "week")}</b>{" "}
              <How working={g.weeks.working} of={`the weeks of ${g.label}`} />
            </>
          ) : (
            <span className="soft small">
              {g.ill === 0 ? "none was ill" : `${g.ill} ill; not half of them have mended`}
            </span>
          )}
          {g.cost && (
            <div className="small">
              {g.cost.value.toFixed(2)} for each that lives{" "}
              <How working={g.cost.working} of={`the cost of ${g.label}`} />
            </div>
          )}
        </div>
      </div>
      {g.beside && <p className={`mt-2 mb-0 ${g.beside.startsWith("more") ? "red" : "kelp"}`}>{g.beside}.</p>}
      <details onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary className="small">Its plants, the best first</summary>
        {open && <Plants of={g.of} by={by} span={span} />}
      </details>
    </li>
  );
}

/** One stitch for each plant: here, in work, given away, lost; shared out where there are many. */
function Stitches({ group: g }: { group: Schemas["Group"] }) {
  const each = Math.max(1, Math.ceil(g.came / 40));
  const kinds = [
    ["here", g.lives - g.inWork],
    ["work", g.inWork],
    ["given", g.given],
    ["lost", g.lost],
  ] as const;
  return (
    <div className={classes.stitches} aria-hidden>
      {kinds.flatMap(([kind, n]) =>
        [...Array(Math.ceil(n / each)).keys()].map((at) => <span key={`${kind} ${at}`} className={classes[kind]} />),
      )}
    </div>
  );
}

function Plants({ of, by, span }: { of: string; by: By; span: Span }) {
  const ranked = useOriginPlants(by, span, of, true);
  if (ranked.isPending) return <Waiting />;
  if (ranked.isLoadingError) return <Failed error={ranked.error} retry={() => ranked.refetch()} />;
  return (
    <ol className={classes.ranked}>
      {ranked.data?.plants.map((p) => (
        <li key={p.id}>
          <span className={classes.turn}>{p.turn}</span> <Link to={`/plants/${p.id}`}>{p.name}</Link>{" "}
          <span className={p.end === "lost" ? "red small" : "soft small"}>{p.says}</span>
        </li>
      ))}
    </ol>
  );
}
