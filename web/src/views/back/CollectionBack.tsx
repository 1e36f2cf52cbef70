import { Group } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { type Span, useCollectionReview } from "../../api/plants";
import { daysBetween, sayDay } from "../../dates";
import { Bare, Failed, Waiting } from "../../shell/States";
import { sayCount, sayPercent, standingWord } from "../words";
import { BatchesBack } from "./BatchesBack";
import { ForetoldBack } from "./ForetoldBack";
import { Interval } from "./Interval";
import { SpanPick, sayDays, sayWeeks } from "./LookBack";
import classes from "./LookBack.module.css";
import { MethodsTried } from "./MethodsTried";

/** A look back over the collection: what was saved and lost, by cause and by school, and what took long. */
export function CollectionBack() {
  const [span, setSpan] = useState<Span>("whole");
  const review = useCollectionReview(span);
  const knowledge = useKnowledge();
  const r = review.data;
  const cause = (id: string) => knowledge.data?.causes.find((c) => c.id === id)?.label ?? "";
  return (
    <>
      <title>Looking back · Tender Mend</title>
      <Group justify="space-between" mb="md">
        <div>
          <h1>Looking back</h1>
          <Link to="/origins" className="small">
            What became of them, by where they came from
          </Link>
        </div>
        <SpanPick span={span} setSpan={setSpan} />
      </Group>
      {review.isPending && <Waiting />}
      {review.isLoadingError && <Failed error={review.error} retry={() => review.refetch()} />}
      {r && r.all.saved + r.all.lost + r.all.given + r.all.inWork === 0 && (
        <Bare title="Nothing to look back on yet">
          <p>
            When plants have come and cases have ended, this page tells what was saved, what was lost and what took
            long.
          </p>
        </Bare>
      )}
      {r && r.all.saved + r.all.lost + r.all.given + r.all.inWork > 0 && (
        <div className={classes.page}>
          <div className={classes.side}>
            <section className="patch" aria-label="Saved and lost">
              <h2>
                {r.all.saved} saved, {r.all.lost} lost, {r.all.given} given away, {r.all.inWork} in work
              </h2>
              {r.all.low !== undefined && r.all.high !== undefined && (
                <p className="mt-2 mb-10">
                  Of those saved and lost, <b>{sayPercent(r.all.saved / (r.all.saved + r.all.lost))}</b> were saved;
                  with so few cases the true share lies between {sayPercent(r.all.low)} and {sayPercent(r.all.high)}.
                </p>
              )}
              <h3>By what it was</h3>
              <Shares list={r.byCause} />
              {r.bySchool.length > 0 && (
                <>
                  <h3 className="mt-14">By school</h3>
                  <Shares list={r.bySchool} />
                </>
              )}
              <p className="soft small">{r.source}</p>
            </section>
            <MethodsTried methods={r.methods} source={r.tried} />
            <BatchesBack />
            <ForetoldBack />
          </div>
          <div className={classes.side}>
            <section className="patch" aria-label="What took long">
              <h2>How long stages took here</h2>
              {r.stages.length === 0 && <p className="soft">No stage has been passed yet.</p>}
              <table className={classes.table}>
                <tbody>
                  {r.stages.map((s) => (
                    <tr key={s.track + s.stage}>
                      <th scope="row">
                        {s.stage} <span className="soft small">{s.track}</span>
                      </th>
                      <td className={s.long ? "ochre" : undefined}>
                        <b>{sayDays(Math.round(s.median))}</b> {s.long && "longer than usual"}
                      </td>
                      <td className="soft small">
                        {s.n}×, usual {sayWeeks(s.usual)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
            <section className="patch" aria-label="How they ended">
              <h2>How they ended</h2>
              <ul className={`rows ${classes.steps}`}>
                {r.endings.map((e) => (
                  <li key={e.id}>
                    <Link to={`/plants/${e.id}/look-back`}>{e.name}</Link>{" "}
                    <span className={e.outcome === "lost" ? "red small" : "small"}>
                      {standingWord(e.outcome)} {sayDay(e.endedOn, r.to)}
                    </span>{" "}
                    <span className="soft small">
                      after {sayCount(daysBetween(e.openedOn, e.endedOn), "day")}
                      {e.cause && `, ${cause(e.cause).toLowerCase()}`}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          </div>
        </div>
      )}
    </>
  );
}

/** Each cause or school as a basted line: the interval, with the share as a knot on it. */
function Shares({ list }: { list: Schemas["Share"][] }) {
  return (
    <table className={classes.table}>
      <thead>
        <tr className="small soft">
          <th />
          <th>saved</th>
          <th>lost</th>
          <th>in work</th>
          <th>share saved</th>
        </tr>
      </thead>
      <tbody>
        {list.map((s) => {
          const share = s.saved / Math.max(1, s.saved + s.lost);
          return (
            <tr key={s.of}>
              <th scope="row">{s.label}</th>
              <td>{s.saved}</td>
              <td className={s.lost > 0 ? "red" : undefined}>{s.lost}</td>
              <td>{s.inWork}</td>
              <td>
                {s.low === undefined || s.high === undefined ? (
                  <span className="soft small">none has ended</span>
                ) : (
                  <Interval share={share} low={s.low} high={s.high} />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
