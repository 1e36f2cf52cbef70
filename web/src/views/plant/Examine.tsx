import { Button, Group, TextInput } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useRef, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { Derived, Knowledge, PlantFile, Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { useDifferential, useEntries, useGuide } from "../../api/plants";
import { useRecord } from "../../api/recording";
import { distance } from "../../dates";
import { Figure } from "../../figure/Figure";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { Clash } from "../look/Clash";
import { FindSign } from "../look/FindSign";
import { Judgement } from "../look/Judgement";
import classes from "../look/Look.module.css";
import { answered, answersOf, type Draft, emptyLook, graded, quiet, type Sign, sureOf } from "../look/look";
import { NextChecks } from "../look/NextChecks";
import { PartPanel } from "../look/PartPanel";
import type { Answering } from "../look/SignRow";
import { likelihood, sentence } from "../words";
import { CaseFile } from "./CaseFile";
import { openCase } from "./Cases";
import { usePlantFile } from "./PlantPage";
import { Doubts, SuspectList } from "./Suspects";
import { zoneStates } from "./zones";

/** One look for signs: the drawing, the signs of a part, and the differential that moves as one answers. */
export function Examine() {
  const file = usePlantFile();
  const [search] = useSearchParams();
  const replaces = search.get("corrects");
  const knowledge = useKnowledge();
  const entries = useEntries(file.id);
  if (knowledge.isPending || (replaces && entries.isPending)) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const old = replaces ? entries.data?.entries?.find((e) => e.id === replaces) : undefined;
  return (
    <Look
      key={replaces ?? "new"}
      knowledge={knowledge.data}
      replaces={old?.id}
      on={old?.on}
      start={old?.examined ? { ...answersOf(old.examined), overruled: old.examined.overruled ?? [] } : undefined}
    />
  );
}

interface LookProps {
  knowledge: Knowledge;
  replaces?: string;
  on?: string;
  start?: Omit<Draft, "id">;
}

function Look({ knowledge, replaces, on, start }: LookProps) {
  const file = usePlantFile();
  const navigate = useNavigate();
  const [draft, setDraft, clearDraft] = useLocalStorage<Draft>({
    key: `look-${file.id}${replaces ?? ""}`,
    defaultValue: { ...emptyLook(), ...start },
    getInitialValueInEffect: false,
  });
  const { zones, signs } = knowledge;
  const [zone, showZone] = useState("stance");
  const part = useRef<HTMLElement>(null);
  const phone = useMediaQuery("(max-width: 47.5em)");
  const setZone = (id: string) => {
    showZone(id);
    // On a phone the signs lie below the drawing: bring them under the thumb.
    if (phone) requestAnimationFrame(() => part.current?.scrollIntoView({ block: "start" }));
  };
  const differential = useDifferential(
    file.id,
    answersOf(draft),
    draft.overruled.map((o) => o.sign),
  );
  const guide = useGuide(file.habit, "home");
  const record = useRecord(file.id);
  const d = differential.data;
  const count = draft.present.length + draft.absent.length;
  const at = zones.findIndex((z) => z.id === zone);
  const ask = guide.data?.asks.find((a) => a.zone === zone);
  const fits = new Set(guide.data?.fits ?? []);

  const { fromRecord, known, overrule } = useFromRecord(draft, setDraft, d?.derived ?? []);
  const answering: Answering = {
    put: (sign, to) => setDraft(answered(draft, sign, to)),
    sure: (sign, how) => setDraft(sureOf(draft, sign.id, how)),
    grade: (sign, degree) => setDraft(graded(draft, sign.id, degree)),
  };
  const nothingHere = () => {
    setDraft(
      quiet(
        draft,
        (ask?.quiet ?? []).filter((s) => !fromRecord(s)),
      ),
    );
    const next = zones[at + 1];
    if (next) setZone(next.id);
  };
  const beside = (sign: Sign) => (
    <BesideSign
      derived={fromRecord(sign.id)}
      overruled={draft.overruled.find((o) => o.sign === sign.id)}
      today={file.today}
      overrule={(reason) => overrule(sign.id, reason)}
    />
  );
  const save = () =>
    record.mutate(
      {
        id: draft.id,
        on: on ?? file.today,
        replaces: replaces ?? undefined,
        case: openCase(file),
        examined: { ...answersOf(draft), overruled: draft.overruled },
      },
      {
        onSuccess: () => {
          clearDraft();
          navigate(`/plants/${file.id}/do${openCase(file) ? `?case=${openCase(file)}` : ""}`);
        },
      },
    );
  const checks = d?.checks ?? [];
  return (
    <div className={classes.look}>
      <Chart
        file={file}
        zones={zones}
        state={zoneStates(knowledge, [...draft.present, ...known(true)], [...draft.absent, ...known(false)])}
        zone={zone}
        setZone={setZone}
        take={(read) => setDraft({ ...draft, ...answersOf(read) })}
        led={phone}
      />
      <section className="patch" aria-label="Signs of this part" ref={part}>
        <FindSign knowledge={knowledge} fits={(id) => fits.has(id)} draft={draft} {...answering} />
        {zones[at] && (
          <PartPanel
            key={zone}
            zone={zones[at]}
            next={zones[at + 1]}
            at={at}
            of={zones.length}
            signs={signs.filter((s) => s.zone === zone && fits.has(s.id))}
            ask={ask}
            wanted={[...(d?.derived ?? []).map((x) => x.sign), ...checks.map((c) => c.sign)]}
            draft={draft}
            quiet={nothingHere}
            go={setZone}
            beside={beside}
            ruledOut={d?.implied ?? []}
            {...answering}
          />
        )}
      </section>
      <section className="patch" aria-label="What it may be" aria-live="off">
        <h2>What it may be</h2>
        <SoFar differential={differential} knowledge={knowledge} draft={draft} show={setZone} answering={answering} />
        <KeepOrBegin
          draft={draft}
          setDraft={setDraft}
          save={save}
          saving={record.isPending}
          label={replaces ? "Save the correction" : "Save this look"}
        />
        <Refused error={record.error} />
      </section>
      {phone && count > 0 && d && (
        <SaveBar differential={d} knowledge={knowledge} save={save} saving={record.isPending} />
      )}
    </div>
  );
}

interface ChartProps {
  file: PlantFile;
  zones: Knowledge["zones"];
  state: ReturnType<typeof zoneStates>;
  zone: string;
  setZone: (id: string) => void;
  /** Takes over a look that was read from a file. */
  take: (read: Schemas["CaseRead"]) => void;
  /** Whether being asked is the way that is offered first. */
  led: boolean;
}

/** The plant as a chart of its parts, with the way to be asked instead. */
function Chart({ file, zones, state, zone, setZone, take, led }: ChartProps) {
  return (
    <div className={classes.drawing}>
      <Button component={Link} to={`/plants/${file.id}/guided`} variant={led ? "filled" : "default"} fullWidth mb="sm">
        Be asked one thing at a time
      </Button>
      <Figure
        figure={file.habitInfo.figure}
        counts={file.figure}
        zones={zones}
        state={state}
        chosen={zone}
        onChoose={setZone}
        name={file.name}
      />
      <Undrawn zones={zones} zone={zone} setZone={setZone} />
      <CaseFile file={file} take={take} examined={Boolean(file.examined)} />
    </div>
  );
}

interface FromRecordProps {
  derived: Derived;
  today: string;
  overrule: (reason: string) => void;
}

/** What the record answers of a sign, with its working; a reason sets it aside. */
function FromRecord({ derived, today, overrule }: FromRecordProps) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  return (
    <div className={`small ${classes.beside}`}>
      <b className={derived.present ? "red" : undefined}>
        {derived.present ? "So, by the record." : "Not so, by the record."}
      </b>{" "}
      {derived.why} <span className="soft">{sentence(distance(derived.on, today))}.</span>{" "}
      <How working={derived.working} of="this" />{" "}
      <button type="button" className="linkbutton soft" aria-expanded={asking} onClick={() => setAsking(!asking)}>
        overrule
      </button>
      {asking && (
        <Group gap="xs" mt={4} align="end" wrap="nowrap">
          <TextInput
            className="grow"
            label="Why the record is wrong here"
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
          />
          <Button variant="default" disabled={reason.trim() === ""} onClick={() => overrule(reason)}>
            Set it aside
          </Button>
        </Group>
      )}
    </div>
  );
}

interface UndrawnProps {
  zones: Knowledge["zones"];
  zone: string;
  setZone: (id: string) => void;
}

/** What is asked and read, and is no part of the drawing. */
function Undrawn({ zones, zone, setZone }: UndrawnProps) {
  return (
    <fieldset className={classes.asked}>
      <legend className="soft small">Asked and read</legend>
      {zones
        .filter((z) => !z.drawn)
        .map((z) => (
          <button key={z.id} type="button" aria-pressed={zone === z.id} onClick={() => setZone(z.id)}>
            {z.label}
          </button>
        ))}
    </fieldset>
  );
}

interface SaveBarProps {
  differential: Schemas["Differential"];
  knowledge: Knowledge;
  save: () => void;
  saving: boolean;
}

/** On a phone: what it looks like by now, and the button that keeps it. */
function SaveBar({ differential, knowledge, save, saving }: SaveBarProps) {
  const first = differential.causes[0];
  if (!first) return null;
  return (
    <div className={classes.bar}>
      <span>
        <b>{knowledge.causes.find((c) => c.id === first.id)?.label}</b> {likelihood(knowledge, first.chance).word}
      </span>
      <Button onClick={save} loading={saving}>
        Save
      </Button>
    </div>
  );
}

interface BesideSignProps {
  derived: Derived | undefined;
  overruled: Draft["overruled"][number] | undefined;
  today: string;
  overrule: (reason: string | undefined) => void;
}

/** What the record says of a sign, or that it was set aside. */
function BesideSign({ derived, overruled, today, overrule }: BesideSignProps) {
  if (derived) return <FromRecord derived={derived} today={today} overrule={overrule} />;
  if (!overruled) return null;
  return (
    <p className={`small soft ${classes.beside}`}>
      The record is set aside: {overruled.reason}{" "}
      <button type="button" className="linkbutton" onClick={() => overrule(undefined)}>
        take it back
      </button>
    </p>
  );
}

interface SoFarProps {
  differential: ReturnType<typeof useDifferential>;
  knowledge: Knowledge;
  draft: Draft;
  show: (zone: string) => void;
  answering: Answering;
}

/** What the answers say by now, and what to look at next. */
function SoFar({ differential, knowledge, draft, show, answering }: SoFarProps) {
  const file = usePlantFile();
  const d = differential.data;
  const count = draft.present.length + draft.absent.length;
  const checks = d?.checks ?? [];
  return (
    <>
      {differential.isLoadingError && <Failed error={differential.error} retry={() => differential.refetch()} />}
      {d && (
        <>
          <p className="soft small mt-2 mb-8" aria-live="polite">
            {count === 0
              ? "Before any sign: only how common things are."
              : `${count} ${count === 1 ? "answer" : "answers"}, about ${d.minutes} min of looking.`}
          </p>
          {count > 0 && <Judgement of={d} knowledge={knowledge} today={file.today} />}
          <Clash signs={d.clash} knowledge={knowledge} />
          <SuspectList differential={d} knowledge={knowledge} />
          {(count > 0 || checks.length > 0) && (
            <NextChecks
              checks={checks}
              knowledge={knowledge}
              draft={draft}
              today={file.today}
              waits={d.waits}
              show={(s) => show(s.zone)}
              {...answering}
            />
          )}
          {count > 0 && <Doubts differential={d} knowledge={knowledge} />}
        </>
      )}
      {!d && differential.isPending && <Waiting rows={3} />}
    </>
  );
}

interface KeepOrBeginProps {
  draft: Draft;
  setDraft: (draft: Draft) => void;
  save: () => void;
  saving: boolean;
  label: string;
}

/** Keeps the look, or begins it again. */
function KeepOrBegin({ draft, setDraft, save, saving, label }: KeepOrBeginProps) {
  // Answers that were thrown away just now, to have them back.
  const [dropped, setDropped] = useState<Draft>();
  const count = draft.present.length + draft.absent.length;
  return (
    <Group mt="md">
      <Button onClick={save} disabled={count === 0} loading={saving}>
        {label}
      </Button>
      {count > 0 && (
        <button
          type="button"
          className="linkbutton soft"
          onClick={() => {
            setDropped(draft);
            setDraft(emptyLook());
          }}
        >
          Begin again
        </button>
      )}
      {count === 0 && dropped && (
        <button type="button" className="linkbutton soft" onClick={() => setDraft(dropped)}>
          Take that back
        </button>
      )}
    </Group>
  );
}

/** What the record answers counts until a look or the carer says otherwise. */
function useFromRecord(draft: Draft, setDraft: (draft: Draft) => void, derived: Derived[]) {
  const fromRecord = (sign: string) => {
    const settled =
      draft.present.includes(sign) || draft.absent.includes(sign) || draft.overruled.some((o) => o.sign === sign);
    return settled ? undefined : derived.find((x) => x.sign === sign);
  };
  const known = (present: boolean) =>
    derived.filter((x) => x.present === present && fromRecord(x.sign)).map((x) => x.sign);
  const overrule = (sign: string, reason: string | undefined) => {
    const others = draft.overruled.filter((o) => o.sign !== sign);
    setDraft({ ...draft, overruled: reason === undefined ? others : [...others, { sign, reason }] });
  };
  return { fromRecord, known, overrule };
}
