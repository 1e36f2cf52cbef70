import { Button, Group, TextInput } from "@mantine/core";
import { useLocalStorage, useMediaQuery } from "@mantine/hooks";
import { useMemo, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Derived, Knowledge } from "../../api/client";
import { useDifferential, useEntries, useKnowledge, useRecord } from "../../api/hooks";
import { newId } from "../../api/id";
import { distance } from "../../dates";
import { Figure } from "../../figure/Figure";
import { How } from "../../shell/How";
import { Failed, Refused, Waiting } from "../../shell/States";
import { sayChance } from "../words";
import classes from "./Examine.module.css";
import { usePlantFile } from "./PlantPage";
import { SuspectList } from "./Suspects";
import { zoneStates } from "./zones";

type Sign = NonNullable<Knowledge["signs"]>[number];

interface Draft {
  id: string;
  present: string[];
  absent: string[];
  overruled: { sign: string; reason: string }[];
}

const empty = (): Draft => ({ id: newId(), present: [], absent: [], overruled: [] });

/** One look for signs: the drawing, the signs of a part, and the differential that moves as one answers. */
export function Examine() {
  const file = usePlantFile();
  const [search] = useSearchParams();
  const replaces = search.get("corrects");
  const knowledge = useKnowledge();
  const entries = useEntries(file.id);
  if (knowledge.isPending || (replaces && entries.isPending)) return <Waiting />;
  if (knowledge.isError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;
  const old = replaces ? entries.data?.entries?.find((e) => e.id === replaces) : undefined;
  return (
    <Look
      key={replaces ?? "new"}
      knowledge={knowledge.data}
      replaces={old?.id}
      on={old?.on}
      start={
        old?.examined
          ? { present: old.examined.present, absent: old.examined.absent, overruled: old.examined.overruled ?? [] }
          : undefined
      }
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
    defaultValue: { ...empty(), ...start },
    getInitialValueInEffect: false,
  });
  const zones = knowledge.zones ?? [];
  const [zone, showZone] = useState("stance");
  const part = useRef<HTMLElement>(null);
  const phone = useMediaQuery("(max-width: 760px)");
  const setZone = (id: string) => {
    showZone(id);
    // On a phone the signs lie below the drawing: bring them under the thumb.
    if (phone) requestAnimationFrame(() => part.current?.scrollIntoView({ block: "start" }));
  };
  const differential = useDifferential(
    file.id,
    draft.present,
    draft.absent,
    draft.overruled.map((o) => o.sign),
  );
  const record = useRecord(file.id);
  const signs = useMemo(() => knowledge.signs ?? [], [knowledge]);
  const byID = useMemo(() => new Map(signs.map((s) => [s.id, s])), [signs]);
  const here = signs.filter((s) => s.zone === zone);
  const d = differential.data;
  const answered = draft.present.length + draft.absent.length;
  const at = zones.findIndex((z) => z.id === zone);
  const current = zones[at];

  // What the record answers counts until a look or the carer says otherwise.
  const fromRecord = (sign: string) => {
    const settled =
      draft.present.includes(sign) || draft.absent.includes(sign) || draft.overruled.some((o) => o.sign === sign);
    return settled ? undefined : d?.derived.find((x) => x.sign === sign);
  };
  const known = (present: boolean) =>
    (d?.derived ?? []).filter((x) => x.present === present && fromRecord(x.sign)).map((x) => x.sign);
  const overrule = (sign: string, reason: string | undefined) => {
    const others = draft.overruled.filter((o) => o.sign !== sign);
    setDraft({ ...draft, overruled: reason === undefined ? others : [...others, { sign, reason }] });
  };

  const put = (id: string, to: "present" | "absent") => {
    const was = draft[to].includes(id);
    const without = {
      ...draft,
      present: draft.present.filter((s) => s !== id),
      absent: draft.absent.filter((s) => s !== id),
    };
    setDraft(was ? without : { ...without, [to]: [...without[to], id] });
  };
  const nothingHere = () => {
    const open = here.filter(
      (s) => !fromRecord(s.id) && !draft.present.includes(s.id) && !draft.absent.includes(s.id) && s.disturbance < 3,
    );
    setDraft({ ...draft, absent: [...draft.absent, ...open.map((s) => s.id)] });
    const next = zones[at + 1];
    if (next) setZone(next.id);
  };
  const save = () =>
    record.mutate(
      {
        id: draft.id,
        on: on ?? file.today,
        replaces: replaces ?? undefined,
        examined: { present: draft.present, absent: draft.absent, overruled: draft.overruled },
      },
      {
        onSuccess: () => {
          clearDraft();
          navigate(`/plants/${file.id}/do`);
        },
      },
    );
  const next = d?.checks?.[0];
  const nextSign = next && byID.get(next.sign);
  return (
    <div className={classes.look}>
      <div className={classes.drawing}>
        <Figure
          figure={file.habitInfo.figure}
          zones={zones}
          state={zoneStates(knowledge, [...draft.present, ...known(true)], [...draft.absent, ...known(false)])}
          chosen={zone}
          onChoose={setZone}
          name={file.name}
        />
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
      </div>
      <section className="patch" aria-label="Signs of this part" ref={part}>
        <Group justify="space-between" wrap="nowrap" align="baseline">
          <h2>{current?.label}</h2>
          <span className="soft small">
            part {at + 1} of {zones.length}
          </span>
        </Group>
        <p className="soft small" style={{ margin: "2px 0 8px" }}>
          <button type="button" className="linkbutton" onClick={nothingHere}>
            Looked: nothing else here
          </button>
          {zones[at + 1] && (
            <>
              {" · "}
              <button type="button" className="linkbutton" onClick={() => setZone(zones[at + 1]?.id ?? zone)}>
                next: {zones[at + 1]?.label.toLowerCase()}
              </button>
            </>
          )}
        </p>
        <div className={`rows ${classes.signs}`}>
          {here.map((s) => (
            <SignRow
              key={s.id}
              sign={s}
              draft={draft}
              put={put}
              implied={d?.implied.includes(s.id) ?? false}
              derived={fromRecord(s.id)}
              overrule={overrule}
              today={file.today}
            />
          ))}
        </div>
      </section>
      <section className="patch" aria-label="What it may be" aria-live="off">
        <h2>What it may be</h2>
        {differential.isError && <Failed error={differential.error} retry={() => differential.refetch()} />}
        {d && (
          <>
            <p className="soft small" style={{ margin: "2px 0 8px" }} aria-live="polite">
              {answered === 0
                ? "Before any sign: only how common things are."
                : `${answered} answers, about ${d.minutes} minutes. ${d.verdict}`}
            </p>
            {(d.clash?.length ?? 0) > 0 && (
              <p className="red" role="alert">
                “{byID.get(d.clash?.[0] ?? "")?.label}” and “{byID.get(d.clash?.[1] ?? "")?.label}” cannot both be true.
                Keep the one you are sure of.
              </p>
            )}
            <SuspectList differential={d} knowledge={knowledge} most={3} />
            {nextSign && next ? (
              <NextCheck
                sign={nextSign}
                check={next}
                knowledge={knowledge}
                put={put}
                show={() => setZone(nextSign.zone)}
              />
            ) : (
              answered > 0 && (
                <div className="next">
                  <b>Time to act.</b> No further look is worth its trouble.
                </div>
              )
            )}
          </>
        )}
        {!d && differential.isPending && <Waiting rows={3} />}
        <Group mt="md">
          <Button onClick={save} disabled={answered === 0} loading={record.isPending}>
            {replaces ? "Save the correction" : "Save this look"}
          </Button>
          {answered > 0 && (
            <button type="button" className="linkbutton soft" onClick={() => setDraft({ ...empty() })}>
              Begin again
            </button>
          )}
        </Group>
        <Refused error={record.error} />
      </section>
      {phone && answered > 0 && d?.causes[0] && (
        <div className={classes.bar}>
          <span>
            <b>{knowledge.causes.find((c) => c.id === d.causes[0]?.id)?.label}</b> {sayChance(d.causes[0].chance)}
          </span>
          <Button onClick={save} loading={record.isPending}>
            Save
          </Button>
        </div>
      )}
    </div>
  );
}

interface SignRowProps {
  sign: Sign;
  draft: Draft;
  put: (id: string, to: "present" | "absent") => void;
  implied: boolean;
  derived: Derived | undefined;
  overrule: (sign: string, reason: string | undefined) => void;
  today: string;
}

function SignRow({ sign, draft, put, implied, derived, overrule, today }: SignRowProps) {
  const seen = draft.present.includes(sign.id);
  const absent = draft.absent.includes(sign.id);
  const overruled = draft.overruled.find((o) => o.sign === sign.id);
  return (
    <div className={derived ? `${classes.sign} ${classes.known}` : classes.sign} data-sign={sign.id}>
      <div id={`sign-${sign.id}`}>
        {sign.label}
        <span className="soft small" style={{ display: "block" }}>
          {sign.how}
          {sign.disturbance === 3 && " · unpots it"}
          {implied && !seen && !absent && " · ruled out by what you saw"}
        </span>
      </div>
      <fieldset className="answers" aria-labelledby={`sign-${sign.id}`} style={{ border: 0, margin: 0, padding: 0 }}>
        <button
          type="button"
          className="seen"
          aria-pressed={seen}
          aria-label={`seen: ${sign.label}`}
          onClick={() => put(sign.id, "present")}
        >
          seen
        </button>
        <button
          type="button"
          className="absent"
          aria-pressed={absent}
          aria-label={`not there: ${sign.label}`}
          onClick={() => put(sign.id, "absent")}
        >
          not there
        </button>
      </fieldset>
      {derived && <FromRecord derived={derived} today={today} overrule={(reason) => overrule(sign.id, reason)} />}
      {overruled && (
        <p className={`small soft ${classes.recorded}`}>
          The record is set aside: {overruled.reason}{" "}
          <button type="button" className="linkbutton" onClick={() => overrule(sign.id, undefined)}>
            take it back
          </button>
        </p>
      )}
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
    <div className={`small ${classes.recorded}`}>
      <b className={derived.present ? "red" : undefined}>
        {derived.present ? "So, by the record." : "Not so, by the record."}
      </b>{" "}
      {derived.why} <span className="soft">{distance(derived.on, today)}.</span>{" "}
      <How working={derived.working} of="this" />{" "}
      <button type="button" className="linkbutton soft" aria-expanded={asking} onClick={() => setAsking(!asking)}>
        overrule
      </button>
      {asking && (
        <Group gap="xs" mt={4} align="end" wrap="nowrap">
          <TextInput
            label="Why the record is wrong here"
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
            style={{ flex: 1 }}
          />
          <Button variant="default" disabled={reason.trim() === ""} onClick={() => overrule(reason)}>
            Set it aside
          </Button>
        </Group>
      )}
    </div>
  );
}

interface NextCheckProps {
  sign: Sign;
  check: NonNullable<import("../../api/client").Differential["checks"]>[number];
  knowledge: Knowledge;
  put: (id: string, to: "present" | "absent") => void;
  show: () => void;
}

const disturbs = ["look only", "a touch", "lift or probe", "unpot"];

function NextCheck({ sign, check, knowledge, put, show }: NextCheckProps) {
  const label = (id: string) => knowledge.causes?.find((c) => c.id === id)?.label.toLowerCase() ?? id;
  const say = (list: { id: string; chance: number }[] | null | undefined) => {
    const [first] = list ?? [];
    return first ? `${label(first.id)} ${Math.round(first.chance * 100)} %` : "";
  };
  return (
    <div className="next" data-testid="next-check">
      <b>Next: {sign.how.charAt(0).toLowerCase() + sign.how.slice(1)}.</b>{" "}
      <button type="button" className="linkbutton small soft" onClick={show}>
        {sign.label.toLowerCase()}?
      </button>
      <div className="small soft">
        {check.minutes} min, {disturbs[sign.disturbance]}. If so: {say(check.outcomes.ifSeen)}. If not:{" "}
        {say(check.outcomes.ifNot)}.
      </div>
      <div className="answers" style={{ marginTop: 8 }}>
        <button
          type="button"
          className="seen"
          aria-pressed={false}
          aria-label={`seen: ${sign.label} (next look)`}
          onClick={() => put(sign.id, "present")}
        >
          seen
        </button>
        <button
          type="button"
          className="absent"
          aria-pressed={false}
          aria-label={`not there: ${sign.label} (next look)`}
          onClick={() => put(sign.id, "absent")}
        >
          not there
        </button>
      </div>
    </div>
  );
}
