import { Button, Group } from "@mantine/core";
import { lazy, Suspense, useRef } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { PlantFile } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { daysBetween, distance, sayDay, shortDay } from "../../dates";
import { Figure } from "../../figure/Figure";
import { Say } from "../../Say";
import { How } from "../../shell/How";
import { sayQuantity, useUnits } from "../../units";
import { sayChance, sayCount, sayPercent, sentence, standingWord } from "../words";
import { Alarms } from "./Alarms";
import { CareNow } from "./CareNow";
import { Cases } from "./Cases";
import { DueNow } from "./DueNow";
import { CloseCase, Leave, LeftHere } from "./Ending";
import { KeptApart } from "./KeptApart";
import { KnownFacts } from "./KnownFacts";
import { Opinion } from "./Opinion";
import { marks, nameOf, Pass, type Recovery, StepBack } from "./Passing";
import { usePlantFile } from "./PlantPage";
import { Routine } from "./Routine";
import { SeamOf } from "./SeamOf";
import { Season } from "./Season";
import classes from "./Standing.module.css";
import { Trials } from "./Trials";
import { zoneStates } from "./zones";

// What stands at the foot, and what opens, is fetched after the page.
const TurnedOut = lazy(async () => ({ default: (await import("./TurnedOut")).TurnedOut }));
const BatchNow = lazy(async () => ({ default: (await import("../pieces/BatchNow")).BatchNow }));
const Family = lazy(async () => ({ default: (await import("../pieces/Family")).Family }));
const CheckIn = lazy(async () => ({ default: (await import("./CheckIn")).CheckIn }));

/** Where the plant stands and what is next, over its seam. */
export function Standing() {
  const file = usePlantFile();
  const [search, setSearch] = useSearchParams();
  const checking = search.has("check");
  // Opening is a step of its own, so that going back closes the check-in and stays with the plant.
  const navigate = useNavigate();
  const opened = useRef(false);
  const open = () => {
    opened.current = true;
    setSearch({ check: "" });
  };
  const close = () => {
    if (opened.current) navigate(-1);
    else setSearch({}, { replace: true });
    opened.current = false;
  };
  return (
    <>
      <Alarms file={file} />
      {file.batch && (
        <Suspense fallback={null}>
          <BatchNow file={file} batch={file.batch} />
        </Suspense>
      )}
      <p className={classes.line}>
        <Say>{file.line}</Say>
      </p>
      <DueNow file={file} />
      <div className={classes.top}>
        <div className={classes.figure}>
          <Looked file={file} />
        </div>
        <Now file={file} check={open} />
        {!file.batch && <CareNow file={file} />}
      </div>
      <div className={classes.pair}>
        <div>
          <Cases file={file} />
          <KeptApart file={file} />
        </div>
        {!file.batch && <Routine file={file} />}
        <Season file={file} />
      </div>
      <section className="patch mt-18" aria-label="Seam">
        <SeamOf file={file} />
      </section>
      {(file.mother || file.children.length > 0) && (
        <Suspense fallback={null}>
          <Family plant={file.id} />
        </Suspense>
      )}
      <Trials file={file} />
      <section className="patch mt-18" aria-label="What is known of it">
        <KnownFacts facts={file.facts} today={file.today} />
      </section>
      <div className={classes.opinion}>
        <Moved file={file} />
        <Suspense fallback={null}>
          <TurnedOut />
        </Suspense>
      </div>
      <Suspense fallback={null}>
        <CheckIn file={file} opened={checking} close={close} />
      </Suspense>
    </>
  );
}

/** Its figure, with what was seen where. What signs belong where comes after the page: it draws no more than this. */
function Looked({ file }: { file: PlantFile }) {
  const knowledge = useKnowledge();
  return (
    <Figure
      figure={file.habitInfo.figure}
      counts={file.figure}
      zones={[]}
      state={zoneStates(knowledge.data, file.examined?.present ?? [], file.examined?.absent ?? [])}
      name={file.name}
    />
  );
}

function Moved({ file }: { file: PlantFile }) {
  const knowledge = useKnowledge();
  return knowledge.data ? <Opinion file={file} knowledge={knowledge.data} /> : null;
}

function Now({ file, check }: { file: PlantFile; check: () => void }) {
  const r = file.recovery;
  if (file.closed) return <LeftHere file={file} />;
  const waiting = file.cases.filter((c) => c.open && !c.plan);
  if (waiting.length > 0 || ["arrived", "examined", "watched"].includes(file.standing)) {
    const stage = r?.stages?.[r.index];
    return (
      <div className={classes.stacked}>
        <BeforePlan file={file} of={waiting[0]} />
        {r && stage && <InStage file={file} r={r} stage={stage} check={check} />}
      </div>
    );
  }
  const stage = r?.stages?.[r.index];
  if (!r || !stage) return <NoCase file={file} check={check} />;
  return <InStage file={file} r={r} stage={stage} check={check} />;
}

type Stage = NonNullable<Recovery["stages"]>[number];

interface InStageProps {
  file: PlantFile;
  r: Recovery;
  stage: Stage;
  check: () => void;
}

/** The gravest case in its stage, with the tracks that run beside it. */
function InStage({ file, r, stage, check }: InStageProps) {
  return (
    <div className="patch">
      <TrackNow file={file} r={r} stage={stage} />
      <Group mt="md" gap="sm">
        <Button onClick={check}>Look at it now</Button>
        <Pass key={`${r.track}${r.index}`} file={file} r={r} />
        {r.index > 0 && <StepBack key={`back${r.track}${r.index}`} file={file} r={r} />}
        <CloseCase file={file} of={r.case} />
      </Group>
      <Facts file={file} r={r} />
      {file.beside.map((b) => (
        <Beside key={b.case + b.track} file={file} r={b} of={b.case === r.case ? undefined : b.case} />
      ))}
    </div>
  );
}

/** A track that runs beside the leading one. */
function Beside({ file, r, of }: { file: PlantFile; r: Recovery; of?: string }) {
  const stage = r.stages?.[r.index];
  return (
    <section className={classes.beside} aria-label={`Beside it: ${r.trackName}`}>
      {stage ? (
        <>
          <TrackNow file={file} r={r} stage={stage} />
          <Group mt="sm" gap="sm">
            <Pass key={`${r.track}${r.index}`} file={file} r={r} />
            {r.index > 0 && <StepBack key={`back${r.track}${r.index}`} file={file} r={r} />}
            {of && <CloseCase file={file} of={of} />}
          </Group>
        </>
      ) : (
        <p className="m-0">
          <b>{r.trackName}</b>: through since {sayDay(r.began, file.today)}.
        </p>
      )}
    </section>
  );
}

function TrackNow({ file, r, stage }: { file: PlantFile; r: Recovery; stage: Stage }) {
  const { setback } = r;
  return (
    <>
      <h2>
        {r.trackName}: {stage.name}{" "}
        <span className={classes.stage}>
          stage {r.index + 1} of {r.stages?.length}, day {daysBetween(r.began, file.today)}
        </span>
      </h2>
      <p className="mt-2 mb-8">{stage.purpose}</p>
      {setback && (
        <p className="red" role="status">
          <b>
            A setback: <Say>{setback.why}</Say>.
          </b>{" "}
          Stepping back to “{nameOf(r, setback.backTo)}” is what usually saves it.
        </p>
      )}
      {r.stall && !setback && (
        <p className={r.stall.atWork ? "kelp" : "ochre"} role="status">
          <b>It stands still:</b> nothing measured to grow for {sayCount(r.stall.weeks, "week")} (since{" "}
          {shortDay(r.stall.since)}); {r.stall.limit} are normal for its habit. <Say>{r.stall.why}</Say>
          {!r.stall.atWork && (
            <>
              {" "}
              <Link to={`/plants/${file.id}/measure`}>Count its roots</Link>, or{" "}
              <Link to={`/plants/${file.id}/examine`}>examine it again</Link>.
            </>
          )}
        </p>
      )}
      <GateList r={r} today={file.today} />
      {r.expected && !r.gate.open && (
        <p style={{ margin: "10px 0 0", borderTop: "1px solid var(--weft)", paddingTop: 10 }}>
          <b>
            {r.expected.late ? "Later than usual; perhaps between " : "Likely between "}
            {sayDay(r.expected.from, file.today)} and {sayDay(r.expected.to, file.today)}
          </b>
          {r.expected.waits
            ? ", if no trouble comes until then."
            : r.expected.own
              ? ", by its own pace."
              : ", as is usual; its own pace is not known yet."}{" "}
          <How working={r.expected.working} of="this time" />
        </p>
      )}
    </>
  );
}

/** Condition, odds, reserves and drying: each a number that opens. */
function Facts({ file, r }: { file: PlantFile; r: Recovery }) {
  const [system] = useUnits();
  const { score, odds, drying, trend } = file.follow;
  if (!score && !odds && !drying && !r.runway) return null;
  return (
    <ul className={`${classes.facts} small`} aria-label="How it does">
      {score && (
        <li>
          Condition <b>{score.value}</b> of 100
          {trend &&
            (trend.points === 0
              ? `, much as ${sayCount(trend.days, "day")} ago`
              : `, ${trend.points > 0 ? "up" : "down"} ${Math.abs(trend.points)} in ${sayCount(trend.days, "day")}`)}
          {" ("}
          {score.parts.map((p) => `${p.name} ${p.value}`).join(", ")}
          {score.unknown.length > 0 && `; not read: ${score.unknown.join(", ")}`}
          {") "}
          <How working={score.working} of="its condition" />
        </li>
      )}
      {odds && (
        <li>
          Odds to live: about <b>{sayChance(odds.lives)}</b>, between {sayPercent(odds.least)} and{" "}
          {sayPercent(odds.most)} <How working={odds.working} of="its odds" />
        </li>
      )}
      {r.runway && (
        <li>
          Its reserves run out between <b>{sayDay(r.runway.from, file.today)}</b> and {sayDay(r.runway.to, file.today)}
          {r.runway.first === "reserves" && <b className="red">: before roots are likely</b>}
          {r.runway.first === "open" && <b className="ochre">: roots may come too late</b>}
          {r.runway.first === "roots" && ": roots are likely first"}{" "}
          <How working={r.runway.working} of="its reserves" />
        </li>
      )}
      {file.follow.rates
        .filter((rate) => rate.value > 0)
        .map((rate) => (
          <li key={rate.what}>
            {sentence(rate.what)}: <b>+{sayQuantity(rate.value, rate.unit, system)}</b> a week{" "}
            <How working={rate.working} of={`the pace of ${rate.what}`} />
          </li>
        ))}
      {drying && (
        <li>
          {drying.faster ? (
            <>
              Its pot dries faster than before, in <b>{sayCount(drying.now, "day")}</b> instead of {drying.before}:
              roots at work{" "}
            </>
          ) : (
            <>
              Its pot dries in about {sayCount(drying.now, "day")}, before in {drying.before}{" "}
            </>
          )}
          <How working={drying.working} of="its drying" />
        </li>
      )}
      {file.follow.growths.interval && (
        <li>
          A new leaf about every <b>{sayCount(file.follow.growths.interval.value, "day")}</b>{" "}
          <How working={file.follow.growths.interval.working} of="the time from leaf to leaf" />
        </li>
      )}
    </ul>
  );
}

function GateList({ r, today }: { r: Recovery; today: string }) {
  return (
    <ul className={classes.gate} aria-label="Gate to the next stage">
      {r.gate.conditions?.map((c) => {
        const mark = marks[c.status] ?? { sign: "", word: c.status, tone: "soft" };
        return (
          <li key={c.wanted}>
            <span className={mark.tone} aria-hidden>
              {mark.sign}
            </span>
            <span>
              <Say>{c.wanted}</Say>
            </span>
            <span>
              <b className={mark.tone}>{mark.word}</b>{" "}
              <span className="soft small">
                {c.status !== "unknown" && <Say>{c.found}</Say>}
                {c.since && ` (${distance(c.since, today)})`}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** Nothing is in work: how it is, how its last case ended, and the ordinary look. */
function NoCase({ file, check }: { file: PlantFile; check: () => void }) {
  const last = file.cases.find((c) => !c.open && c.outcome !== "done");
  return (
    <div className="patch">
      <h2>{sentence(standingWord(file.standing))}</h2>
      <p>
        {last?.endedOn
          ? `Its last case, ${last.name.toLowerCase()}, ended on ${sayDay(last.endedOn, file.today)}. `
          : "Nothing has ailed it here. "}
        It has its routine, and a look every now and then.
      </p>
      {last?.lesson && <p className="soft">“{last.lesson}”</p>}
      <Group>
        <Button onClick={check}>Look at it now</Button>
        <Button component={Link} to={`/plants/${file.id}/examine`} variant="default">
          Examine it
        </Button>
        <Leave file={file} />
      </Group>
      <p className="small">
        <Link to={`/plants/${file.id}/look-back`}>Look back over it</Link>
      </p>
    </div>
  );
}

function BeforePlan({ file, of }: { file: PlantFile; of?: PlantFile["cases"][number] }) {
  const next: Record<string, { title: string; text: string; to: string; label: string }> = {
    opened: {
      title: of ? `A case to be looked at: ${of.name.toLowerCase()}` : "A case to be looked at",
      text: "Go over it from the outside in; what you see decides what it is.",
      to: "examine",
      label: "Examine it",
    },
    arrived: {
      title: "Nobody has looked yet",
      text: "Go over it from the outside in. Each sign you see, and each you look for in vain, moves the picture.",
      to: "examine",
      label: "Examine it",
    },
    examined: {
      title: "Examined, not decided",
      text: "See what it points to, and what is safe to do while you are unsure.",
      to: "do",
      label: "Decide what to do",
    },
    watched: {
      title: "Set aside and watched",
      text: "Look again at the same signs in the same light, and compare.",
      to: "examine",
      label: "Look again",
    },
    diagnosed: {
      title: "Known, without a plan",
      text: "What ails it has been accepted. The plan puts the steps in order.",
      to: "do",
      label: "Make the plan",
    },
  };
  const n = next[of?.standing ?? file.standing] ?? next.arrived;
  if (!n) return null;
  return (
    <div className="patch">
      <h2>{n.title}</h2>
      <p>
        <Say>{n.text}</Say>
      </p>
      <Group>
        <Button component={Link} to={`/plants/${file.id}/${n.to}${of ? `?case=${of.id}` : ""}`}>
          {n.label}
        </Button>
        {of ? <CloseCase file={file} of={of.id} /> : <Leave file={file} />}
      </Group>
    </div>
  );
}
