import { Button, Group, Modal, Radio, Stack, Textarea } from "@mantine/core";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { PlantFile, Schemas } from "../../api/client";
import { useKnowledge, useRecord } from "../../api/hooks";
import { newId } from "../../api/id";
import { addDays, daysBetween, distance, sayDay, shortDay } from "../../dates";
import { Figure } from "../../figure/Figure";
import { LargeSeam } from "../../seam/Seam";
import { How } from "../../shell/How";
import { Refused } from "../../shell/States";
import { type System, sayProse, toShown, useUnits } from "../../units";
import { useUndo } from "../undo";
import { CheckIn } from "./CheckIn";
import { Opinion } from "./Opinion";
import { usePlantFile } from "./PlantPage";
import classes from "./Standing.module.css";
import { TurnedOut } from "./TurnedOut";
import { zoneStates } from "./zones";

type Recovery = Schemas["Recovery"];

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
        <Needs file={file} />
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

const nameOf = (r: Recovery, id: string) => r.stages?.find((s) => s.id === id)?.name ?? id;

const marks: Record<string, { sign: string; word: string; tone: string }> = {
  met: { sign: "✕✕", word: "met", tone: "kelp" },
  missing: { sign: "– –", word: "not yet", tone: "ochre" },
  unknown: { sign: "···", word: "not looked", tone: "soft" },
};

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

/** Passing on: at once when the gate is met, with what usually happens and a reason when it is not. */
function Pass({ file, r }: { file: PlantFile; r: Recovery }) {
  const [asking, setAsking] = useState(false);
  const stage = r.stages?.[r.index];
  const to = r.stages?.[r.index + 1]?.id ?? "mended";
  const { send, record, reason, setReason } = useStaging(file, r, to, () => setAsking(false));
  return (
    <>
      <Button
        variant={r.gate.open ? "filled" : "default"}
        color={r.gate.open ? "kelp" : undefined}
        onClick={() => (r.gate.open ? send() : setAsking(true))}
        loading={record.isPending}
      >
        {r.gate.open ? `Pass to “${nameOf(r, to)}”` : "Pass anyway"}
      </Button>
      {!asking && <Refused error={record.error} />}
      <Modal opened={asking} onClose={() => setAsking(false)} title={`On to “${nameOf(r, to)}” without its gate`}>
        <p>{stage?.tooEarly}</p>
        <ul>
          {r.gate.conditions
            ?.filter((c) => c.status !== "met")
            .map((c) => (
              <li key={c.wanted}>
                {c.wanted}: {marks[c.status]?.word}
              </li>
            ))}
        </ul>
        <Textarea
          label="Why it moves on all the same"
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          data-autofocus
        />
        <Refused error={record.error} />
        <Group mt="md">
          <Button onClick={send} loading={record.isPending}>
            Pass it on
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            Leave it here
          </Button>
        </Group>
      </Modal>
    </>
  );
}

function StepBack({ file, r }: { file: PlantFile; r: Recovery }) {
  const [asking, setAsking] = useState(false);
  const [to, setTo] = useState(r.setback?.backTo ?? r.stages?.[r.index - 1]?.id ?? "");
  const { send, record, reason, setReason } = useStaging(file, r, to, () => setAsking(false));
  return (
    <>
      <Button
        variant={r.setback ? "filled" : "default"}
        color={r.setback ? "madder" : undefined}
        onClick={() => setAsking(true)}
      >
        Step back
      </Button>
      <Modal opened={asking} onClose={() => setAsking(false)} title="A step back">
        <Radio.Group label="To which stage" value={to} onChange={setTo}>
          <Stack gap={6} mt={6}>
            {r.stages?.slice(0, r.index).map((s) => (
              <Radio key={s.id} value={s.id} label={s.name} />
            ))}
          </Stack>
        </Radio.Group>
        <Textarea
          mt="sm"
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          placeholder={r.setback?.why}
          data-autofocus
        />
        <Refused error={record.error} />
        <Group mt="md">
          <Button onClick={send} loading={record.isPending}>
            Step back
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            Leave it here
          </Button>
        </Group>
      </Modal>
    </>
  );
}

function useStaging(file: PlantFile, r: Recovery, to: string, done: () => void) {
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  const [reason, setReason] = useState("");
  const from = r.stages?.[r.index]?.id ?? "mended";
  const send = () =>
    record.mutate(
      { on: file.today, staged: { track: r.track, from, to, reason: reason || undefined } },
      {
        onSuccess: (e) => {
          setReason("");
          done();
          undo(`now in “${nameOf(r, to)}”`, e.id);
        },
      },
    );
  return { send, record, reason, setReason };
}

function CloseCase({ file }: { file: PlantFile }) {
  const [asking, setAsking] = useState(false);
  const [outcome, setOutcome] = useState<"mended" | "given-away" | "lost">("mended");
  const [reason, setReason] = useState("");
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  return (
    <>
      <button type="button" className="linkbutton soft" onClick={() => setAsking(true)}>
        Close the case
      </button>
      <Modal opened={asking} onClose={() => setAsking(false)} title="How did it end?">
        <Radio.Group label="Outcome" value={outcome} onChange={(v) => setOutcome(v as typeof outcome)}>
          <Stack gap={6} mt={6}>
            <Radio value="mended" label="Mended: normal care from here" />
            <Radio value="given-away" label="Given away" />
            <Radio value="lost" label="Lost" />
          </Stack>
        </Radio.Group>
        <Textarea
          mt="sm"
          label={outcome === "lost" ? "What it died of, as far as you know" : "Anything to remember"}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
        <Refused error={record.error} />
        <Group mt="md">
          <Button
            loading={record.isPending}
            onClick={() =>
              record.mutate(
                { on: file.today, closed: { outcome, reason: reason || undefined } },
                {
                  onSuccess: (e) => {
                    setAsking(false);
                    undo("case closed", e.id);
                  },
                },
              )
            }
          >
            Close the case
          </Button>
        </Group>
      </Modal>
    </>
  );
}

function ClosedCase({ file }: { file: PlantFile }) {
  const record = useRecord(file.id);
  const [id] = useState(newId);
  const words = { mended: "Mended", "given-away": "Given away", lost: "Lost" };
  return (
    <div className="patch">
      <h2>
        {words[file.closed?.outcome ?? "mended"]}
        {file.seam.ended && <span className={classes.stage}> on {sayDay(file.seam.ended, file.today)}</span>}
      </h2>
      <p>{file.closed?.reason || "The case is closed; its record is kept."}</p>
      <Button
        variant="default"
        loading={record.isPending}
        onClick={() => record.mutate({ id, on: file.today, reopened: {} })}
      >
        Reopen the case
      </Button>
      <Refused error={record.error} />
    </div>
  );
}

function Needs({ file }: { file: PlantFile }) {
  const [system] = useUnits();
  const navigate = useNavigate();
  const record = useRecord(file.id);
  const undo = useUndo(file.id);
  const stage = file.recovery?.stages?.[file.recovery.index];
  const open = file.plan?.steps?.filter((s) => !file.ticks[s.id]) ?? [];
  const care = stage?.care;
  const w = file.water;
  const send = (said: string, body: Parameters<typeof record.mutate>[0]) =>
    record.mutate(body, { onSuccess: (e) => undo(said, e.id) });
  if (file.closed) return <div />;
  return (
    <div className="patch">
      <h2>What it needs now</h2>
      <ul className={classes.needs}>
        <li>
          <span className="slate" aria-hidden>
            ≈{" "}
          </span>
          {sayProse(care ? sentence(care.water) : `Water ${w?.rule}`, system)}.{" "}
          {w?.window ? (
            <>
              Feel it from <b>{shortDay(w.window.from)}</b>, not after {shortDay(w.window.until)}.{" "}
              <How working={w.window.working} of="this window" />
            </>
          ) : (
            <span className="soft">No watering is recorded here yet, so no day is guessed.</span>
          )}
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
                <dd>{care.light}</dd>
                <dt>Air</dt>
                <dd>{sayProse(care.humidity, system)}</dd>
                <dt>Feed</dt>
                <dd>{sayProse(care.feed, system)}</dd>
              </dl>
            </li>
            <li className="red">{sayProse(care.not, system)}</li>
          </>
        )}
        {open.length > 0 && (
          <li>
            <button type="button" className="linkbutton" onClick={() => navigate(`/plants/${file.id}/do`)}>
              {open.length} {open.length === 1 ? "step" : "steps"} of the plan to do
            </button>
            : {open[0]?.title.toLowerCase()}
            {open[0] && open[0].on > file.today ? ` from ${shortDay(open[0].on)}` : ""}
          </li>
        )}
      </ul>
    </div>
  );
}

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? "" : "s"}`;

const sentence = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

// Which curve tells most, when several are kept.
const curves = [
  { measure: "longest-root", name: "longest root", unit: "mm" },
  { measure: "live-tips", name: "live tips", unit: "" },
  { measure: "new-leaves", name: "new leaves", unit: "" },
  { measure: "live-pests", name: "live pests", unit: "" },
];

function SeamOf({ file }: { file: PlantFile }) {
  const [table, setTable] = useState(false);
  const [system] = useUnits();
  const kept = file.curves as Record<string, { on: string; value: number }[]>;
  const curve = curves.find((c) => (kept[c.measure]?.length ?? 0) > 1);
  const r = file.recovery;
  const stage = r?.stages?.[r.index];
  const after = r?.stages?.[r.index + 1]?.name ?? "mended";
  const seam = file.seam;
  const said = `${count(seam.looks, "look")} in ${count(daysBetween(seam.from, seam.ended ?? file.today), "day")}, ${count(seam.knots.length, "gate")} passed, ${seam.loose.length === 1 ? "1 step" : `${seam.loose.length} steps`} back`;
  return (
    <>
      <LargeSeam
        seam={seam}
        today={file.today}
        label={`Seam: ${said}`}
        curve={curve && { ...curve, ...inUnits(kept[curve.measure] ?? [], curve.unit, system) }}
        ahead={
          stage && r.expected
            ? {
                from: r.expected.from,
                to: r.expected.to > r.expected.from ? r.expected.to : addDays(r.expected.from, 7),
                name: `${after}?`,
              }
            : undefined
        }
      />
      <p className="soft small" style={{ margin: "6px 0 0" }}>
        {said}.{" "}
        <button type="button" className="linkbutton" aria-expanded={table} onClick={() => setTable(!table)}>
          {table ? "Hide the table" : "As a table"}
        </button>
      </p>
      {table && <SeamTable file={file} />}
    </>
  );
}

/** Readings in the person's units. */
function inUnits(readings: { on: string; value: number }[], unit: string, system: System) {
  const turned = readings.map((r) => ({ on: r.on, value: Number(toShown(r.value, unit, system).value.toFixed(1)) }));
  return { readings: turned, unit: toShown(0, unit, system).unit };
}

function SeamTable({ file }: { file: PlantFile }) {
  return (
    <table className={classes.table}>
      <thead>
        <tr>
          <th>Stage</th>
          <th>From</th>
          <th>To</th>
          <th>Days</th>
          <th>How entered</th>
        </tr>
      </thead>
      <tbody>
        {file.seam.bands.map((b) => (
          <tr key={b.from + b.stage}>
            <td>{b.name}</td>
            <td>{sayDay(b.from, file.today)}</td>
            <td>{b.to ? sayDay(b.to, file.today) : "now"}</td>
            <td>{daysBetween(b.from, b.to ?? file.today)}</td>
            <td>{b.back ? `stepped back: ${b.reason}` : b.early ? `without its gate: ${b.reason}` : "—"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
