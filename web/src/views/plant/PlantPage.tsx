import { useDeferredValue, useEffect, useRef } from "react";
import { Link, NavLink, Outlet, useLocation, useOutletContext, useParams, useSearchParams } from "react-router";
import { type PlantFile, Problem } from "../../api/client";
import { usePlant } from "../../api/plants";
import { distance, sayDay } from "../../dates";
import { Bare, Failed, Waiting } from "../../shell/States";
import { isolationWord, sayCount, standingWord } from "../words";
import { Undone } from "./Undone";

/** A plant's file: who it is, and the sides of its case. */
export function PlantPage() {
  const { plant = "" } = useParams();
  const [search] = useSearchParams();
  const of = search.get("case") ?? "";
  const file = usePlant(plant, of);
  // A long file is drawn in small pieces, so that a tap in between is not kept waiting.
  const shown = useDeferredValue(file.data, undefined);
  const { pathname } = useLocation();
  const tabs = useRef<HTMLElement>(null);
  // On a phone the row of tabs is longer than the screen: the one that is open is brought into it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it follows the address, and the tabs when they come
  useEffect(() => {
    const row = tabs.current;
    const open = row?.querySelector<HTMLElement>('[aria-current="page"]');
    if (row && open) row.scrollLeft = open.offsetLeft - row.clientWidth / 2 + open.clientWidth / 2;
  }, [pathname, shown !== undefined]);
  if (file.error instanceof Problem && file.error.status === 410) return <Undone plant={plant} />;
  if (file.isPending) return <Waiting />;
  if (file.isLoadingError) {
    if (file.error instanceof Problem && file.error.status === 404) {
      return (
        <Bare title="No such plant">
          <p>{file.error.message}</p>
          <Link to="/plants">To the register</Link>
        </Bare>
      );
    }
    return <Failed error={file.error} retry={() => file.refetch()} />;
  }
  if (shown?.id !== plant) return <Waiting />;
  const p = shown;
  const causes = p.causes?.join(", ").toLowerCase();
  const at = (page: string) => `/plants/${plant}${page}${of ? `?case=${of}` : ""}`;
  return (
    <>
      <title>{`${p.name} · Tender Mend`}</title>
      <h1>
        {p.name} {p.botanical && <i className="botanical">{p.botanical}</i>}
      </h1>
      <p className="soft mt-4 mb-0">
        {[p.label, p.habitInfo.label, p.place].filter(Boolean).join(" · ")}
        {p.isolation !== "clean" && (
          <>
            {" · "}
            <b className={p.isolation === "isolated" ? "plum" : "ochre"}>{isolationWord(p.isolation)}</b>
          </>
        )}
        {` · came ${sayDay(p.arrivedOn, p.today)}, ${distance(p.arrivedOn, p.today)} · ${standingWord(p.standing)}`}
        {causes && ` (${causes})`}
      </p>
      <p className="soft small mt-2 mb-0">
        <Link className="colour-inherit" to={`/compare?plants=${p.id}&sisters=`}>
          Put sound ones of its kind beside it
        </Link>
      </p>
      {p.shared && p.shared.plants.length > 1 && (
        <p className="soft small mt-2 mb-0">
          <Link className="colour-inherit" to={at("/pot")}>
            {sayCount(p.shared.plants.length, "plant")} in one pot
          </Link>
          {p.shared.kept && ", kept together"}
        </p>
      )}
      {(p.mother || p.children.length > 0) && (
        <p className="soft small mt-2 mb-0">
          {p.mother && (
            <>
              A piece of{" "}
              <Link className="colour-inherit" to={`/plants/${p.mother.id}`}>
                {p.mother.name}
              </Link>
              .{" "}
            </>
          )}
          {p.children.length > 0 && (
            <>
              Pieces of it:{" "}
              {p.children.map((c, i) => (
                <span key={c.id}>
                  {i > 0 && ", "}
                  <Link className="colour-inherit" to={`/plants/${c.id}`}>
                    {c.name}
                  </Link>{" "}
                  ({standingWord(c.standing)})
                </span>
              ))}
              .
            </>
          )}
        </p>
      )}
      <nav className="tabs" aria-label="This plant" ref={tabs}>
        <NavLink to={at("")} end>
          Where it stands
        </NavLink>
        <NavLink to={at("/examine")}>Examine</NavLink>
        <NavLink to={at("/do")}>What to do</NavLink>
        <NavLink to={at("/measure")}>Measure</NavLink>
        <NavLink to={at("/growths")}>Growths</NavLink>
        <NavLink to={at("/pictures")}>Pictures</NavLink>
        <NavLink to={at("/record")}>Record</NavLink>
        <NavLink to={at("/look-back")}>Look back</NavLink>
      </nav>
      <Outlet context={p} />
    </>
  );
}

/** The plant's file, inside its page. */
export const usePlantFile = () => useOutletContext<PlantFile>();
