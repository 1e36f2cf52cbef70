import { Button, Group } from "@mantine/core";
import { Link, useNavigate } from "react-router";
import type { Measure, PlantFile } from "../../api/client";
import { useRecord } from "../../api/recording";
import { shortDay } from "../../dates";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { Refused } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { DishPicture } from "../bench/pictures/DishPicture";
import { useUndo } from "../undo";
import { sayCount } from "../words";
import { openCase } from "./Cases";
import { PotLevel } from "./PotLevel";
import classes from "./Standing.module.css";

type Send = (said: string, body: Parameters<ReturnType<typeof useRecord>["mutate"]>[0]) => void;

/** One thing that nobody has said lately and that would change its water rule. */
function SeasonQuestion({ file, measure, send }: { file: PlantFile; measure: Measure; send: Send }) {
  if (measure.kind !== "yes-no") {
    return (
      <span className="block">
        <Say>{measure.ask}</Say>? <Link to={`/plants/${file.id}?check`}>Measure it</Link>
      </span>
    );
  }
  const say = (value: number) =>
    send(`${measure.short}: ${value ? "yes" : "no"}`, {
      on: file.today,
      checked: { readings: [{ measure: measure.id, value }] },
    });
  return (
    <span className="block mt-6">
      <Say>{measure.ask}</Say>{" "}
      <span className="soft small">
        <Say>{measure.how}</Say>.
      </span>
      <span className="answers flex mt-4 mb-8">
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

/** When it wants water, and what makes it so. */
function Water({ file, send, error }: { file: PlantFile; send: Send; error: Error | null }) {
  const w = file.water;
  return (
    <li>
      <span className="slate" aria-hidden>
        ≈{" "}
      </span>
      <Say>{file.card.water.text}</Say>
      {w?.half && ", half the usual amount"}.{" "}
      {w?.window && file.card.water.from !== "plan" ? (
        <>
          {w.now && <PotLevel now={w.now} />}
          Feel it on <b>{shortDay(w.window.best)}</b>, from {shortDay(w.window.from)} and not after{" "}
          {shortDay(w.window.until)}. <How working={w.window.working} of="this window" />
        </>
      ) : w && !w.days && w.lookDays ? (
        <span className="soft">A look every {sayCount(w.lookDays, "day")} instead.</span>
      ) : !w?.last ? (
        <span className="soft">No watering is recorded here yet, so no day is guessed.</span>
      ) : null}
      {w?.seasonAsks?.map((m) => (
        <SeasonQuestion key={m.id} file={file} measure={m} send={send} />
      ))}
      <Group gap="xs" mt={6}>
        <Button size="compact-sm" variant="default" onClick={() => send("watered", { on: file.today, watered: {} })}>
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
      <Refused error={error} />
    </li>
  );
}

/** Light, air and feed, as its plan, the facts and its kind have them. */
function Given({ card }: { card: PlantFile["card"] }) {
  return (
    <li>
      <dl className={classes.care}>
        <dt>Light</dt>
        <dd>
          <Say>{card.light.text}</Say>
          {card.gets && (
            <>
              , about {Number(card.gets.value.toFixed(1))} mol a day <How working={card.gets.working} of="its light" />
            </>
          )}
        </dd>
        <dt>Air</dt>
        <dd>
          <Say>{card.air.text}</Say>
        </dd>
        <dt>Feed</dt>
        <dd>
          <Say>{card.feed.text}</Say>
        </dd>
      </dl>
    </li>
  );
}

/** The falling dish and the timetable of its cover, where its stage has them. */
function StageTables({ file }: { file: PlantFile }) {
  const [system] = useUnits();
  const r = file.recovery;
  const stage = r?.stages?.[r.index];
  const input = (name: string) => r?.dish?.working.inputs?.find((i) => i.name === name)?.value;
  return (
    <>
      {stage?.dish && !r?.dish && (
        <li>
          Dish: <Link to={`/plants/${file.id}/measure`}>measure</Link> its longest root and how deep its pot is; the
          level follows from them.
        </li>
      )}
      {r?.dish && (
        <li>
          Dish: water to <b>{r.dish.value > 0 ? sayQuantity(r.dish.value, "mm", system) : "none any more"}</b>{" "}
          <How working={r.dish.working} of="the level of its dish" />
          <DishPicture depthMm={input("pot's height") ?? 0} rootMm={input("longest root")} levelMm={r.dish.value} />
        </li>
      )}
      {r && r.weaning.length > 0 && (
        <li>
          Its cover, as long as it bears it:
          <ol className={classes.weaning}>
            {r.weaning.map((w) => (
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
    </>
  );
}

/** How many steps of its plan are to be done, and the next of them. */
function NextSteps({ file }: { file: PlantFile }) {
  const navigate = useNavigate();
  const inWork = openCase(file) !== undefined;
  const open = inWork
    ? (file.plan?.steps?.filter((s) => !file.ticks[s.id] && !file.follow.waiting[s.sitting ?? 0]) ?? [])
    : [];
  const next = open[0];
  if (!next) return null;
  const due = file.follow.due[next.id] ?? next.on;
  return (
    <li>
      <button type="button" className="linkbutton" onClick={() => navigate(`/plants/${file.id}/do`)}>
        {sayCount(open.length, "step")} of the plan to do
      </button>
      : {next.title.toLowerCase()}
      {due > file.today ? ` from ${shortDay(due)}` : ""}
    </li>
  );
}

/** Water, light, air and feed as they are now, and the next step of its plan. */
export function CareNow({ file }: { file: PlantFile }) {
  const record = useRecord(file.id, "waits");
  const undo = useUndo(file);
  const stage = file.recovery?.stages?.[file.recovery.index];
  const send: Send = (said, body) => record.mutate(body, { onSuccess: (e) => undo(said, e.id) });
  if (file.over) return <div />;
  return (
    <div className="patch">
      <h2>What it needs now</h2>
      <ul className={classes.needs}>
        <Water file={file} send={send} error={record.error} />
        {stage && (
          <>
            <Given card={file.card} />
            <StageTables file={file} />
            <li className="red">
              <Say>{stage.not}</Say>
            </li>
          </>
        )}
        {file.follow.clocks.map((c) => (
          <li key={c.pest.cause}>
            {c.pest.label}: again every <b>{sayCount(c.interval.value, "day")}</b> at this warmth{" "}
            <How working={c.interval.working} of="the treatment interval" />, clear after {c.generation.value} clean
            days <How working={c.generation.working} of="the generation" />. They hide in {c.pest.hides}.
          </li>
        ))}
        <NextSteps file={file} />
      </ul>
    </div>
  );
}
