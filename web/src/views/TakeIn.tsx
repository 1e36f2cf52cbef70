import { Autocomplete, Button, Group, Select, Switch, Textarea, TextInput } from "@mantine/core";
import { useDebouncedValue, useLocalStorage } from "@mantine/hooks";
import { type ReactNode, useEffect, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { type LookAnswers, Problem, type Schemas } from "../api/client";
import { useKnowledge, usePlaces, usePlant, useProfiles, useRecord, useSession } from "../api/hooks";
import { newId } from "../api/id";
import { NumberField, QuantityInput } from "../fields";
import { Figure } from "../figure/Figure";
import { Failed, Refused, Waiting } from "../shell/States";
import { NewPlace } from "./Places";
import classes from "./TakeIn.module.css";
import { sayCount } from "./words";

type Arrived = Schemas["Arrived"];

const had = [
  { value: "weeks", label: "some weeks" },
  { value: "months", label: "some months" },
  { value: "years", label: "a year or more" },
  { value: "unknown", label: "I do not know" },
  { value: "day", label: "since a day that I know" },
];

const packings = [
  { value: "unpacked", label: "unpacked, carried in the hand" },
  { value: "dry", label: "packed dry" },
  { value: "wet", label: "packed wet" },
  { value: "cold", label: "travelled in the cold" },
  { value: "weeks-in-box", label: "weeks in a box" },
  { value: "unknown", label: "not known" },
];

/** Takes a plant in. What is typed is kept on this device until it is recorded. */
export function TakeIn() {
  const session = useSession();
  const [draft, setDraft] = useLocalStorage<{
    id: string;
    plant: string;
    on?: string;
    arrived: Partial<Arrived>;
    kind: string;
    /** What was answered before it was bought, recorded as its first look. */
    look?: { id: string } & LookAnswers;
  }>({
    key: "take-in",
    defaultValue: { id: newId(), plant: newId(), arrived: { had: "unknown" }, kind: "" },
    getInitialValueInEffect: false,
  });
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const mother = usePlant(search.get("mother") ?? "");
  const record = useRecord(draft.plant);
  // A piece begins with what its mother is.
  const piece = mother.data && draft.arrived.mother !== mother.data.id ? mother.data : undefined;
  useEffect(() => {
    if (!piece) return;
    setDraft({
      id: newId(),
      plant: newId(),
      arrived: {
        mother: piece.id,
        habit: piece.habit,
        profile: piece.profile?.id,
        name: `${piece.name}, a piece`,
        from: piece.name,
        isolated: piece.pieceIsolated,
        place: piece.placeId,
      },
      kind: piece.profile ? `${piece.profile.botanical} (${piece.profile.common})` : "",
    });
  }, [piece, setDraft]);
  const today = session.data?.today ?? "";
  const seen = draft.look && draft.look.present.length + draft.look.absent.length > 0 ? draft.look : undefined;
  const takeIn = async (arrived: Arrived, on: string) => {
    try {
      // Sent again after a failure, the arrival does nothing twice.
      await record.mutateAsync({ id: draft.id, on, arrived });
      if (seen) {
        await record.mutateAsync({ id: seen.id, on, examined: { present: seen.present, absent: seen.absent } });
      }
    } catch {
      return; // the form shows why, and keeps what was typed
    }
    setDraft({ id: newId(), plant: newId(), arrived: { had: "unknown" }, kind: "" });
    navigate(`/plants/${draft.plant}${seen ? "/do" : arrived.well ? "" : "/examine"}`);
  };
  return (
    <>
      <title>Take a plant in · Tender Mend</title>
      <h1>Take a plant in</h1>
      <p className="soft">
        A name and how it grows are enough. The rest helps later; give what you know.
        {seen &&
          ` What you saw at the sale (${sayCount(seen.present.length + seen.absent.length, "answer")}) is recorded as its first look.`}
      </p>
      <ArrivalForm
        value={draft.arrived}
        on={draft.on ?? today}
        kind={draft.kind}
        change={(arrived, on, kind) => setDraft({ ...draft, arrived, on, kind })}
        error={record.error}
        busy={record.isPending}
        submitLabel="Take it in"
        submit={takeIn}
      />
    </>
  );
}

type Match = Schemas["Match"];

const say = (p: Pick<Match, "botanical" | "common">) => `${p.botanical} (${p.common})`;

/** Asks which one it is, where kinds that want different things go by one name. */
function WhichOne({ matches, pick }: { matches: Match[]; pick: (kind: Match) => void }) {
  const several = matches.filter((m) => (m.shared?.length ?? 0) > 0);
  const why = several.find((m) => m.why)?.why;
  if (several.length < 2) return null;
  return (
    <section aria-label="Which one is it?" style={{ margin: "10px 0 0" }}>
      <p style={{ margin: 0 }}>
        <b className="ochre">Several kinds go by this name.</b> {why}
      </p>
      <Group gap="xs" mt={6}>
        {several.map((m) => (
          <Button key={m.id} variant="default" size="compact-md" onClick={() => pick(m)}>
            {say(m)}
          </Button>
        ))}
      </Group>
    </section>
  );
}

interface ArrivalFormProps {
  value: Partial<Arrived>;
  on: string;
  kind: string;
  change: (value: Partial<Arrived>, on: string, kind: string) => void;
  submit: (value: Arrived, on: string) => void;
  submitLabel: string;
  error: Error | null;
  busy: boolean;
}

/** What can be given later as well; opened by itself where something in it is refused. */
function Folded({ title, open, children }: { title: string; open: boolean; children: ReactNode }) {
  return (
    <details className={classes.folded} open={open || undefined}>
      <summary>{title}</summary>
      {children}
    </details>
  );
}

/** The fields of an arrival, for taking in and for correcting. */
export function ArrivalForm({ value, on, kind, change, submit, submitLabel, error, busy }: ArrivalFormProps) {
  const knowledge = useKnowledge();
  const places = usePlaces();
  const [words] = useDebouncedValue(kind, 120);
  const profiles = useProfiles(words);
  const [addingPlace, setAddingPlace] = useState(false);
  if (knowledge.isPending) return <Waiting />;
  if (knowledge.isLoadingError) return <Failed error={knowledge.error} retry={() => knowledge.refetch()} />;

  const set = (part: Partial<Arrived>) => change({ ...value, ...part }, on, kind);
  const text = (key: "name" | "label" | "from" | "medium" | "note") => ({
    value: value[key] ?? "",
    onChange: (e: { currentTarget: { value: string } }) => set({ [key]: e.currentTarget.value || undefined }),
    error: fault(key),
  });
  const fields = error instanceof Problem ? error.fields : {};
  const fault = (key: string) => fields[`arrived.${key}`] ?? fields[key];
  const found = profiles.data?.profiles ?? [];
  const pickKind = (p: Match) => change({ ...value, profile: p.id, habit: p.habit }, on, say(p));
  const pick = (typed: string) => {
    const profile = found.find((p) => say(p) === typed);
    if (profile) pickKind(profile);
    else change({ ...value, profile: undefined }, on, typed);
  };
  const habit = knowledge.data.habits?.find((h) => h.id === value.habit);
  // A kind that was typed and not picked is said to be unknown, not dropped.
  const alone = value.isolated ?? knowledge.data.isolated[value.had ?? ""] ?? true;
  const unknownKind = kind.trim() !== "" && !value.profile;
  return (
    <div className={classes.form}>
      <form
        className="patch"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          submit(
            {
              ...value,
              name: value.name ?? "",
              habit: value.habit ?? "",
              isolated: alone,
            } as Arrived,
            on,
          );
        }}
      >
        <h2>What it is</h2>
        <div className={classes.two}>
          <TextInput label="Name" description="What it is called here" maxLength={120} {...text("name")} />
          <TextInput label="Label code" description="On its label, if it has one" maxLength={24} {...text("label")} />
        </div>
        <div className={classes.two}>
          <Autocomplete
            label="Kind"
            description="Botanical or common name; leave it empty when nobody knows"
            data={found.map(say)}
            filter={({ options }) => options}
            value={kind}
            onChange={pick}
            error={
              fault("profile") ??
              (unknownKind && found.length === 0 ? "This kind is not known here; pick only how it grows." : undefined)
            }
          />
          <Select
            label="How it grows"
            description="Enough when the kind is unknown"
            data={knowledge.data.habits?.map((h) => ({ value: h.id, label: h.label })) ?? []}
            value={value.habit ?? null}
            onChange={(v) => set({ habit: v ?? undefined, ...(value.profile ? { profile: undefined } : {}) })}
            error={fault("habit")}
            searchable
          />
          <Select
            label="How long have you had it?"
            description="New plants often sulk. Leave it if you do not know"
            data={had}
            value={value.had ?? "day"}
            allowDeselect={false}
            onChange={(v) => set({ had: v === "day" ? undefined : (v as Arrived["had"]) })}
            error={fault("had")}
          />
          {!value.had && (
            <TextInput
              label="It came on"
              type="date"
              value={on}
              onChange={(e) => change(value, e.currentTarget.value, kind)}
              error={fault("on")}
            />
          )}
        </div>
        {!value.profile && kind.trim() && <WhichOne matches={found} pick={(p) => pickKind(p)} />}
        <div className={classes.two}>
          <Switch
            mt="md"
            label="It is well, as far as you see: it gets its routine"
            checked={value.well ?? false}
            onChange={(e) => set({ well: e.currentTarget.checked || undefined })}
          />
          {!value.had && (
            <Switch
              mt="md"
              label="Where it comes from is suspect: pests, or not known"
              checked={value.suspect ?? false}
              onChange={(e) => set({ suspect: e.currentTarget.checked || undefined })}
            />
          )}
        </div>
        <hr className="rule" />
        <h2>Where it goes</h2>
        <div className={classes.two}>
          <Select
            label="Place"
            placeholder={places.data?.places?.length ? "pick a place" : "no places yet"}
            clearable
            data={places.data?.places?.map((p) => ({ value: p.id, label: p.name })) ?? []}
            value={value.place ?? null}
            onChange={(v) => set({ place: v ?? undefined })}
            error={fault("place")}
          />
          <Switch
            mt={30}
            label="Isolated: own tray, own tools, at least two weeks"
            checked={alone}
            onChange={(e) => set({ isolated: e.currentTarget.checked })}
          />
        </div>
        {!addingPlace && (
          <button
            type="button"
            className="linkbutton small"
            style={{ marginTop: 8 }}
            onClick={() => setAddingPlace(true)}
          >
            Add a place
          </button>
        )}
        <Folded title="How it came" open={!!(fault("from") || fault("price") || fault("packing"))}>
          <div className={classes.two}>
            <TextInput label="Where from" maxLength={120} {...text("from")} />
            <NumberField
              label="Price paid"
              min={0}
              decimalScale={2}
              value={value.price}
              onChange={(v) => set({ price: v })}
              error={fault("price")}
            />
            <Select
              label="How it was packed"
              data={packings}
              clearable
              value={value.packing ?? null}
              onChange={(v) => set({ packing: (v as Arrived["packing"]) ?? undefined })}
            />
          </div>
        </Folded>
        <Folded
          title="What it has"
          open={["potWidthCm", "potDepthCm", "leaves", "growths", "medium", "note"].some((k) => fault(k))}
        >
          <div className={classes.two}>
            <QuantityInput
              unit="cm"
              label="Pot, inner width"
              value={value.potWidthCm}
              onChange={(v) => set({ potWidthCm: v })}
              error={fault("potWidthCm")}
            />
            <QuantityInput
              unit="cm"
              label="Pot, depth"
              value={value.potDepthCm}
              onChange={(v) => set({ potDepthCm: v })}
              error={fault("potDepthCm")}
            />
            <NumberField
              label="Leaves"
              allowDecimal={false}
              value={value.leaves}
              onChange={(v) => set({ leaves: v })}
              error={fault("leaves")}
            />
            <NumberField
              label="Growths"
              description="Bulbs, canes, rosettes or stems"
              allowDecimal={false}
              value={value.growths}
              onChange={(v) => set({ growths: v })}
              error={fault("growths")}
            />
          </div>
          <TextInput label="Medium" mt="sm" placeholder="Bark, moss, peat mix …" maxLength={120} {...text("medium")} />
          <Textarea label="Note" mt="sm" autosize minRows={2} maxLength={2000} {...text("note")} />
        </Folded>
        <Group mt="md">
          <Button type="submit" loading={busy} size="md">
            {submitLabel}
          </Button>
          <Refused error={error} />
        </Group>
      </form>
      <div className={classes.side}>
        {habit ? (
          <>
            <Figure
              figure={habit.figure}
              counts={{ growths: value.growths ?? 0, leaves: value.leaves ?? 0 }}
              zones={[]}
              state={{}}
              name={habit.label}
            />
            <p className="soft small">
              <b>{habit.label}</b>: {habit.growth}; roots {habit.roots}.
            </p>
          </>
        ) : (
          <p className="soft">Pick its kind or how it grows, and it is drawn here.</p>
        )}
      </div>
      {addingPlace && (
        <div className={classes.place}>
          <NewPlace
            onAdded={(id) => {
              set({ place: id });
              setAddingPlace(false);
            }}
          />
        </div>
      )}
    </div>
  );
}
