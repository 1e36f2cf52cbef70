import { Button, Group, SegmentedControl } from "@mantine/core";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Review } from "../../api/client";
import { type Span, useReview } from "../../api/plants";
import { sayDay } from "../../dates";
import { How } from "../../shell/How";
import { Bare, Failed, Waiting } from "../../shell/States";
import { Beside, onOneScale } from "../plant/Beside";
import { usePlantFile } from "../plant/PlantPage";
import { sayCount, sentence, standingWord } from "../words";
import classes from "./LookBack.module.css";

const spans = [
  { value: "half-year", label: "Half a year" },
  { value: "year", label: "A year" },
  { value: "whole", label: "All of it" },
];

export const sayDays = (n: number) => sayCount(n, "day");

/** A span of weeks in words; where it is short, in days. */
export function sayWeeks([least = 0, most = 0]: number[]) {
  if (most > 2) return `${least}–${most} weeks`;
  const days = Math.round(most * 7);
  return `${Math.round(least * 7)}–${sayDays(days)}`;
}

/** Which time is looked back over. */
export function SpanPick({ span, setSpan }: { span: Span; setSpan: (s: Span) => void }) {
  return (
    <SegmentedControl
      data={spans}
      value={span}
      onChange={(v) => setSpan(v as Span)}
      aria-label="Over which time"
      className={classes.unprinted}
    />
  );
}

/** A look back over one plant: before and after, growths, stages, work, cost and lesson; to print or give away. */
export function LookBack() {
  const file = usePlantFile();
  const [span, setSpan] = useState<Span>("whole");
  const [search] = useSearchParams();
  const one = file.cases.find((c) => c.id === search.get("case"));
  const review = useReview(file.id, span, one?.id);
  const page = `/api/plants/${file.id}/review.html?span=${span}${one ? `&case=${one.id}` : ""}`;
  return (
    <>
      <Group justify="space-between" mb="md">
        {one ? (
          <span>
            The case of <b>{one.name.toLowerCase()}</b>.{" "}
            <Link to={`/plants/${file.id}/look-back`}>Its whole time here</Link>
          </span>
        ) : (
          <SpanPick span={span} setSpan={setSpan} />
        )}
        <Group gap="xs" className={classes.unprinted}>
          <Button variant="default" onClick={() => window.print()}>
            Print it
          </Button>
          <Button component="a" variant="default" href={page} download>
            As one file to give away
          </Button>
        </Group>
      </Group>
      {review.isPending && <Waiting />}
      {review.isLoadingError && <Failed error={review.error} retry={() => review.refetch()} />}
      {review.data && review.data.looks < 2 && (
        <Bare title="Too early to look back">
          <p>
            Nobody has looked at it a second time. What it grew, what was done and how long it took stand here later.
          </p>
        </Bare>
      )}
      {review.data && review.data.looks >= 2 && <Told r={review.data} plant={file.id} today={file.today} />}
    </>
  );
}

function Told({ r, plant, today }: { r: Review; plant: string; today: string }) {
  const [all, setAll] = useState(false);
  const pictures = [r.before, r.after].filter((p) => p !== undefined);
  const shown = all ? r.steps : r.steps.slice(0, 8);
  return (
    <div className={classes.page}>
      <section className="patch" aria-label="Before and after">
        <h2>
          {sentence(standingWord(r.standing))}: {sayDays(r.days)}, from {sayDay(r.from, today)} to {sayDay(r.to, today)}
        </h2>
        {r.causes.length > 0 && (
          <p className="mt-2 mb-8">
            {r.known ? "It was" : "Taken for"} {r.causes.join(", ").toLowerCase()}
            {r.school && `, by the school of ${r.school}`}.
          </p>
        )}
        {r.lesson && <blockquote className={classes.lesson}>{r.lesson}</blockquote>}
        {pictures.length > 0 && (
          <Beside
            plant={plant}
            today={today}
            pictures={pictures}
            say={(p) => `${p === r.before ? "Before" : "After"}, ${sayDay(p.on, today)}`}
          />
        )}
        {pictures.length > 1 && !onOneScale(pictures) && (
          <p className="soft small">
            Not on one scale: <Link to={`/plants/${plant}/pictures`}>mark the pot on both</Link> to set it.
          </p>
        )}
        {!r.after && <p className="soft">No picture was taken in this time.</p>}
      </section>
      <div className={classes.side}>
        <section className="patch" aria-label="What it grew">
          <h2>What it grew</h2>
          <p className="my-4">
            <b>{sayCount(r.made, "leaf")}</b> opened, <b>{r.lost}</b> lost.
            {r.growths.interval && (
              <>
                {" "}
                A new leaf about every <b>{sayCount(r.growths.interval.value, "day")}</b>{" "}
                <How working={r.growths.interval.working} of="the time from leaf to leaf" />.
              </>
            )}
            {r.conditionThen !== undefined && r.conditionNow !== undefined && (
              <>
                {" "}
                Its condition went from <b>{r.conditionThen}</b> to <b>{r.conditionNow}</b> of 100.
              </>
            )}
          </p>
        </section>
        <section className="patch" aria-label="How long it took">
          <h2>How long each stage took</h2>
          {r.stages.length === 0 && <p className="soft">It was in no stage in this time.</p>}
          <table className={classes.table}>
            <tbody>
              {r.stages.map((s) => (
                <tr key={s.track + s.stage}>
                  <th scope="row">
                    {s.stage} <span className="soft small">{s.track}</span>
                  </th>
                  <td className={s.long ? "ochre" : undefined}>
                    <b>{sayDays(s.days)}</b>
                    {s.still && ", still in it"}
                    {s.back > 0 && `, fell back to it ${s.back === 1 ? "once" : sayCount(s.back, "time")}`}
                  </td>
                  <td className="soft small">{s.usual && `usual ${sayWeeks(s.usual)}`}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section className="patch" aria-label="What was done">
          <h2>What was done</h2>
          <p className="my-4">
            {did(r)} <b>About {sayCount(r.minutes.value, "minute")}</b>{" "}
            <How working={r.minutes.working} of="the minutes" />, material <b>{r.cost.value.toFixed(2)}</b>{" "}
            <How working={r.cost.working} of="the cost" />.
          </p>
          <ul className={classes.steps}>
            {shown.map((s, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a step can be done twice on a day
              <li key={i}>
                <span className="soft small">{sayDay(s.on, today)}</span> {s.title}
              </li>
            ))}
          </ul>
          {r.steps.length > 8 && (
            <button type="button" className="linkbutton soft small" onClick={() => setAll(!all)} aria-expanded={all}>
              {all ? "Only the first" : `All ${sayCount(r.steps.length, "step")}`}
            </button>
          )}
        </section>
      </div>
    </div>
  );
}

/** What was done, counted. */
const did = (r: Review) =>
  `${[
    sayCount(r.looks, "look"),
    sayCount(r.watered, "watering"),
    sayCount(r.fed, "feed"),
    ...(r.treated > 0 ? [sayCount(r.treated, "product")] : []),
  ].join(", ")}.`;
