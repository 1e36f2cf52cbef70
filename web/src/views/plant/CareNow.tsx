import { Button, Group } from "@mantine/core";
import { Link, useNavigate } from "react-router";
import type { Measure, PlantFile } from "../../api/client";
import { useRecord } from "../../api/hooks";
import { shortDay } from "../../dates";
import { How } from "../../shell/How";
import { Refused } from "../../shell/States";
import { sayProse, sayQuantity, useUnits } from "../../units";
import { useUndo } from "../undo";
import { sayCount, sentence } from "../words";
import { openCase } from "./Cases";
import classes from "./Standing.module.css";

/** The rule by which it is watered today, in words. */
const waterWords = (w: PlantFile["water"]) =>
  !w ? "" : w.days ? `Water ${w.words}${w.half ? ", half the usual amount" : ""}` : "No water now";

/** One thing that nobody has said lately and that would change its water rule. */
function SeasonQuestion({
  file,
  measure,
  send,
}: {
  file: PlantFile;
  measure: Measure;
  send: (said: string, body: Parameters<ReturnType<typeof useRecord>["mutate"]>[0]) => void;
}) {
  if (measure.kind !== "yes-no") {
    return (
      <span style={{ display: "block" }}>
        {measure.ask}? <Link to={`/plants/${file.id}?check`}>Measure it</Link>
      </span>
    );
  }
  const say = (value: number) =>
    send(`${measure.short}: ${value ? "yes" : "no"}`, {
      on: file.today,
      checked: { readings: [{ measure: measure.id, value }] },
    });
  return (
    <span style={{ display: "block", marginTop: 6 }}>
      {measure.ask} <span className="soft small">{measure.how}.</span>
      <span className="answers" style={{ display: "flex", margin: "4px 0 8px" }}>
        <button type="button" className="absent" aria-label={`${measure.ask} Yes`} onClick={() => say(1)}>
          yes
        </button>
        <button type="button" className="absent" aria-label={`${measure.ask} No`} onClick={() => say(0)}>
          no
        </button>
      </span>
    </span>
  );
}

/** Water, light, air and feed for the stage it is in, and the next step of its plan. */
export function CareNow({ file }: { file: PlantFile }) {
  const [system] = useUnits();
  const navigate = useNavigate();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const stage = file.recovery?.stages?.[file.recovery.index];
  const inWork = openCase(file) !== undefined;
  const open = inWork ? (file.plan?.steps?.filter((s) => !file.ticks[s.id]) ?? []) : [];
  const dueOf = (s: { id: string; on: string }) => file.follow.due[s.id] ?? s.on;
  const care = stage?.care;
  const w = file.water;
  const send = (said: string, body: Parameters<typeof record.mutate>[0]) =>
    record.mutate(body, { onSuccess: (e) => undo(said, e.id) });
  if (file.over) return <div />;
  return (
    <div className="patch">
      <h2>What it needs now</h2>
      <ul className={classes.needs}>
        <li>
          <span className="slate" aria-hidden>
            ≈{" "}
          </span>
          {sayProse(care && !w?.byRule ? sentence(care.water) : waterWords(w), system)}
          {w?.also && `, ${sayProse(w.also, system)}`}.{" "}
          {w?.byRule && <span className="soft">({sayProse(w.why, system)}.) </span>}
          {w?.window ? (
            <>
              Feel it from <b>{shortDay(w.window.from)}</b>, not after {shortDay(w.window.until)}.{" "}
              <How working={w.window.working} of="this window" />
            </>
          ) : stage?.holdsWater || (w && !w.days) ? (
            <span className="soft">
              {care
                ? "It is not watered as a pot in this stage."
                : w?.lookDays
                  ? `A look every ${sayCount(w.lookDays, "day")} instead.`
                  : ""}
            </span>
          ) : (
            <span className="soft">No watering is recorded here yet, so no day is guessed.</span>
          )}
          {w?.seasonAsks?.map((m) => (
            <SeasonQuestion key={m.id} file={file} measure={m} send={send} />
          ))}
          <Group gap="xs" mt={6}>
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => send("watered", { on: file.today, watered: {} })}
            >
              Watered
            </Button>
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => send("still moist", { on: file.today, probed: { moisture: "moist" } })}
            >
              Still moist
            </Button>
          </Group>
          <Refused error={record.error} />
        </li>
        {care && (
          <>
            <li>
              <dl className={classes.care}>
                <dt>Light</dt>
                <dd>
                  {care.light}
                  {file.recovery?.light && (
                    <>
                      , about {Number(file.recovery.light.value.toFixed(1))} mol a day{" "}
                      <How working={file.recovery.light.working} of="its light" />
                    </>
                  )}
                </dd>
                <dt>Air</dt>
                <dd>{sayProse(care.humidity, system)}</dd>
                <dt>Feed</dt>
                <dd>{sayProse(care.feed, system)}</dd>
              </dl>
            </li>
            {stage?.dish && !file.recovery?.dish && (
              <li>
                Dish: <Link to={`/plants/${file.id}/measure`}>measure</Link> its longest root and how deep its pot is;
                the level follows from them.
              </li>
            )}
            {file.recovery?.dish && (
              <li>
                Dish: water to{" "}
                <b>
                  {file.recovery.dish.value > 0 ? sayQuantity(file.recovery.dish.value, "mm", system) : "none any more"}
                </b>{" "}
                <How working={file.recovery.dish.working} of="the level of its dish" />
              </li>
            )}
            {file.recovery && file.recovery.weaning.length > 0 && (
              <li>
                Its cover, as long as it bears it:
                <ol className={classes.weaning}>
                  {file.recovery.weaning.map((w) => (
                    <li key={w.what} aria-current={w.now ? "step" : undefined} className={w.done ? "soft" : undefined}>
                      {w.now ? <b>{w.what}</b> : w.what}{" "}
                      <span className="soft small">
                        {w.done ? "borne" : w.now ? `since ${shortDay(w.from)}` : `from ${shortDay(w.from)}`}
                      </span>
                    </li>
                  ))}
                </ol>
              </li>
            )}
            <li className="red">{sayProse(care.not, system)}</li>
          </>
        )}
        {file.follow.clocks.map((c) => (
          <li key={c.pest.cause}>
            {c.pest.label}: again every <b>{sayCount(c.interval.value, "day")}</b> at this warmth{" "}
            <How working={c.interval.working} of="the treatment interval" />, clear after {c.generation.value} clean
            days <How working={c.generation.working} of="the generation" />. They hide in {c.pest.hides}.
          </li>
        ))}
        {open.length > 0 && (
          <li>
            <button type="button" className="linkbutton" onClick={() => navigate(`/plants/${file.id}/do`)}>
              {open.length} {open.length === 1 ? "step" : "steps"} of the plan to do
            </button>
            : {open[0]?.title.toLowerCase()}
            {open[0] && dueOf(open[0]) > file.today ? ` from ${shortDay(dueOf(open[0]))}` : ""}
          </li>
        )}
      </ul>
    </div>
  );
}
