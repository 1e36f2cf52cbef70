import { Button, Group } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import type { PlantFile } from "../../api/client";
import { useKnowledge } from "../../api/hooks";
import { daysBetween, distance, sayDay, shortDay } from "../../dates";
import { Figure } from "../../figure/Figure";
import { How } from "../../shell/How";
import { sayProse, useUnits } from "../../units";
import { CareNow } from "./CareNow";
import { CheckIn } from "./CheckIn";
import { Opinion } from "./Opinion";
import { CloseCase, ClosedCase, marks, nameOf, Pass, type Recovery, StepBack } from "./Passing";
import { usePlantFile } from "./PlantPage";
import { SeamOf } from "./SeamOf";
import classes from "./Standing.module.css";
import { TurnedOut } from "./TurnedOut";
import { zoneStates } from "./zones";

/** Where the plant stands and what is next, over its seam. */
export function Standing() {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const [search, setSearch] = useSearchParams();
  const checking = search.has("check");
  const setChecking = (open: boolean) => setSearch(open ? { check: "" } : {}, { replace: true });
  return (
    <>
      <div className={classes.top}>
        <div className={classes.figure}>
          <Figure
            figure={file.habitInfo.figure}
            counts={file.figure}
            zones={[]}
            state={zoneStates(knowledge.data, file.examined?.present ?? [], file.examined?.absent ?? [])}
            name={file.name}
          />
        </div>
        <Now file={file} check={() => setChecking(true)} />
        <CareNow file={file} />
      </div>
      <section className="patch" style={{ marginTop: 18 }} aria-label="Seam">
        <SeamOf file={file} />
      </section>
      <div className={classes.opinion}>
        {knowledge.data && <Opinion file={file} knowledge={knowledge.data} />}
        <TurnedOut />
      </div>
      <CheckIn file={file} opened={checking} close={() => setChecking(false)} />
    </>
  );
}

function Now({ file, check }: { file: PlantFile; check: () => void }) {
  const r = file.recovery;
  if (file.closed) return <ClosedCase file={file} />;
  if (!r) return <BeforePlan file={file} />;
  const stage = r.stages?.[r.index];
  if (!stage) {
    return (
      <div className="patch">
        <h2>Mended</h2>
        <p>
          It passed the last gate of “{r.trackName.toLowerCase()}” on {sayDay(r.began, file.today)}. Keep looking at it
          now and then, or close the case.
        </p>
        <Group>
          <Button onClick={check}>Look at it now</Button>
          <CloseCase file={file} />
        </Group>
      </div>
    );
  }
  return (
    <div className="patch">
      <h2>
        {r.trackName}: {stage.name}{" "}
        <span className={classes.stage}>
          stage {r.index + 1} of {r.stages?.length}, day {daysBetween(r.began, file.today)}
        </span>
      </h2>
      <p style={{ margin: "2px 0 8px" }}>{stage.purpose}</p>
      {r.setback && (
        <p className="red" role="status">
          <b>A setback: {r.setback.why}.</b> Stepping back to “{nameOf(r, r.setback.backTo)}” is what usually saves it.
        </p>
      )}
      {r.stall && !r.setback && (
        <p className="ochre" role="status">
          <b>It stands still:</b> nothing measured to grow for {r.stall.weeks} weeks (since {shortDay(r.stall.since)});{" "}
          {r.stall.limit} are normal for its habit. Look below, or examine it again.
        </p>
      )}
      <GateList r={r} today={file.today} />
      {r.expected && !r.gate.open && (
        <p style={{ margin: "10px 0 0", borderTop: "1px solid var(--weft)", paddingTop: 10 }}>
          <b>
            {r.expected.late ? "Later than usual; perhaps between " : "Likely between "}
            {sayDay(r.expected.from, file.today)} and {sayDay(r.expected.to, file.today)}.
          </b>{" "}
          <How working={r.expected.working} of="this time" />
        </p>
      )}
      <Group mt="md" gap="sm">
        <Button onClick={check}>Look at it now</Button>
        <Pass file={file} r={r} />
        {r.index > 0 && <StepBack file={file} r={r} />}
        <CloseCase file={file} />
      </Group>
    </div>
  );
}

function GateList({ r, today }: { r: Recovery; today: string }) {
  const [system] = useUnits();
  return (
    <ul className={classes.gate} aria-label="Gate to the next stage">
      {r.gate.conditions?.map((c) => {
        const mark = marks[c.status] ?? { sign: "", word: c.status, tone: "soft" };
        return (
          <li key={c.wanted}>
            <span className={mark.tone} aria-hidden>
              {mark.sign}
            </span>
            <span>{sayProse(c.wanted, system)}</span>
            <span>
              <b className={mark.tone}>{mark.word}</b>{" "}
              <span className="soft small">
                {c.status !== "unknown" && sayProse(c.found, system)}
                {c.since && ` (${distance(c.since, today)})`}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function BeforePlan({ file }: { file: PlantFile }) {
  const next: Record<string, { title: string; text: string; to: string; label: string }> = {
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
  const n = next[file.standing] ?? next.arrived;
  if (!n) return null;
  return (
    <div className="patch">
      <h2>{n.title}</h2>
      <p>{n.text}</p>
      <Group>
        <Button component={Link} to={`/plants/${file.id}/${n.to}`}>
          {n.label}
        </Button>
        <CloseCase file={file} />
      </Group>
    </div>
  );
}
