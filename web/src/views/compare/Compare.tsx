import { Link, useSearchParams } from "react-router";
import type { PlantRow, Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { useComparison } from "../../api/together";
import { SmallFigure } from "../../figure/Figure";
import { Say } from "../../Say";
import { Bare, Failed, Waiting } from "../../shell/States";
import { sayCount } from "../words";
import classes from "./Compare.module.css";
import { Curves } from "./Curves";

/** Up to six plants side by side: what differs first, then what is the same, and their readings on one scale. */
export function Compare() {
  const [search] = useSearchParams();
  const plants = search.getAll("plants");
  const sisters = search.has("sisters");
  const comparison = useComparison(plants, sisters);
  const knowledge = useKnowledge().data;
  if (plants.length === 0) {
    return (
      <Bare title="Which plants?">
        <p>Pick two to six in the register, or open a plant and put sound ones of its kind beside it.</p>
        <Link to="/plants">To the register</Link>
      </Bare>
    );
  }
  if (comparison.isPending) return <Waiting />;
  if (comparison.isLoadingError) return <Failed error={comparison.error} retry={() => comparison.refetch()} />;
  const { rows, curves, plants: list, sound } = comparison.data;
  if (list.length < 2) {
    return (
      <Bare title={sisters ? "No sound one of its kind is here" : "One plant alone"}>
        <p>{sisters ? "There is nothing to put beside it yet." : "Pick another beside it in the register."}</p>
        <Link to="/plants">To the register</Link>
      </Bare>
    );
  }
  const differing = rows.filter((r) => r.differs);
  const howMany = differing.length === 1 ? "One thing differs" : `${sayCount(differing.length, "thing")} differ`;
  return (
    <>
      <title>Side by side · Tender Mend</title>
      <h1>Side by side</h1>
      <p className="soft mt-4">
        {sound && "Sound ones of its kind stand beside it. "}
        {differing.length === 0
          ? "Nothing that is known of them differs."
          : `${howMany}: ${differing.map((r) => r.what).join("; ")}.`}
      </p>
      <div className="scroll-x" tabIndex={-1}>
        <table className={classes.table}>
          <Heads plants={list} />
          <Rows title="What differs" rows={differing} />
          <Rows title="What is the same" rows={rows.filter((r) => !r.differs)} />
        </table>
      </div>
      {knowledge && <Curves plants={list} curves={curves} measures={knowledge.measures} />}
    </>
  );
}

function Heads({ plants }: { plants: PlantRow[] }) {
  return (
    <thead>
      <tr>
        <td />
        {plants.map((p) => (
          <th key={p.id} scope="col">
            <SmallFigure figure={p.drawing} marks={p.figure} />
            <Link to={`/plants/${p.id}`}>{p.name}</Link> <span className="soft small">{p.label}</span>
          </th>
        ))}
      </tr>
    </thead>
  );
}

function Rows({ title, rows }: { title: string; rows: Schemas["Beside"][] }) {
  if (rows.length === 0) return null;
  return (
    <tbody>
      <tr>
        <th scope="rowgroup" colSpan={7} className={classes.group}>
          {title}
        </th>
      </tr>
      {rows.map((r) => (
        <tr key={r.what}>
          <th scope="row">
            <Say>{r.what}</Say>
          </th>
          {r.values.map((v, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a value is that of the plant at its place
            <td key={i}>{v === "" ? <span className="soft">not known</span> : <Say>{v}</Say>}</td>
          ))}
        </tr>
      ))}
    </tbody>
  );
}
