import { Select } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useLookAlikes } from "../../api/handbook";
import { Failed, Waiting } from "../../shell/States";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";

/** Two or three causes side by side: what they share and what tells them apart. */
export function LookAlikes() {
  const k = useTables();
  const [search, setSearch] = useSearchParams();
  const causes = (search.get("causes") ?? "").split(",").filter(Boolean);
  const comparison = useLookAlikes(causes);
  const add = (id: string | null) => {
    if (!id || causes.includes(id)) return;
    const next = new URLSearchParams(search);
    next.set("causes", [...causes.slice(0, 2), id].join(","));
    setSearch(next);
  };
  const d = comparison.data;
  const check = k.signs.find((s) => s.id === d?.check);
  return (
    <article className="patch">
      <h2 className="size-26">
        {causes.length === 0 && "Which two are hard to tell apart?"}
        {causes.map((c) => k.causes.find((x) => x.id === c)?.label ?? c).join(" or ")}
        {causes.length > 1 && "?"}
      </h2>
      {causes.length < 2 && (
        <p className="soft">
          Pick {causes.length === 0 ? "two causes" : "another cause"}: they are put side by side, with the look that
          tells them apart first.
        </p>
      )}
      {comparison.isLoadingError && <Failed error={comparison.error} />}
      {comparison.isPending && causes.length > 1 && <Waiting />}
      {d && (
        <>
          {check && (
            <div className="next my-10">
              <b>Tell them apart:</b> {check.how.charAt(0).toLowerCase() + check.how.slice(1)}. {check.label}?{" "}
              {check.minutes} min.
            </div>
          )}
          <Table title="What tells them apart" rows={d.apart} causes={d.causes} />
          {d.shared.length > 0 && <Table title="What they share" rows={d.shared} causes={d.causes} />}
        </>
      )}
      <Select
        className="max-340"
        mt="md"
        label={causes.length > 1 ? "Put another beside them" : "Put beside it"}
        placeholder="a cause"
        searchable
        data={k.causes.map((c) => ({ value: c.id, label: c.label }))}
        value={null}
        onChange={add}
      />
      <p className="soft small mb-0">
        Shares are how often each cause shows the sign, ordinary background included; the order is by what a look would
        settle if the causes were equally likely. Source: common practice.
      </p>
    </article>
  );
}

function Table({ title, rows, causes }: { title: string; rows: Schemas["Apart"][]; causes: Schemas["Cause"][] }) {
  const k = useTables();
  return (
    <>
      <h3 className="mt-14">{title}</h3>
      <div className="scroll-x" tabIndex={-1}>
        <table className={classes.table}>
          <thead>
            <tr>
              <th>Sign</th>
              {causes.length === 0 && "Which two are hard to tell apart?"}
              {causes.map((c) => (
                <th key={c.id}>
                  <Link className="colour-inherit" to={`/handbook/causes/${c.id}`}>
                    {c.label}
                  </Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.sign}>
                <td>{k.signs.find((s) => s.id === r.sign)?.label}</td>
                {r.chance.map((p, i) => (
                  <td key={causes[i]?.id} className="numbers">
                    <Share chance={p} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** A share as a short thread with its number. */
function Share({ chance }: { chance: number }) {
  return (
    <span style={{ display: "inline-flex", alignItems: "center", gap: 8 }}>
      <svg width="56" height="8" aria-hidden="true">
        <line x1="0" x2="56" y1="4" y2="4" stroke="var(--weft)" strokeWidth="1.5" />
        <line x1="0" x2={56 * chance} y1="4" y2="4" stroke="var(--red)" strokeWidth="4" strokeDasharray="8 3" />
      </svg>
      {Math.round(chance * 100)} %
    </span>
  );
}
