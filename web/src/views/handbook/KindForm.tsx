import { Button, Checkbox, Group, Select, Stack, TextInput } from "@mantine/core";
import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { Problem, type Schemas } from "../../api/client";
import { useKind, useSaveKind } from "../../api/handbook";
import { NumberField, QuantityInput } from "../../fields";
import { Failed, Refused, Waiting } from "../../shell/States";
import { useTables } from "./Handbook";
import classes from "./Handbook.module.css";
import { suns } from "./KindSheet";

type Profile = Schemas["Profile"];

/** A kind of the collection's own: made from one that ships, from nothing, or changed. */
export function KindForm() {
  const { kind = "" } = useParams();
  const [search] = useSearchParams();
  const from = search.get("from");
  const found = useKind(from ?? kind);
  if (found.isPending) return <Waiting />;
  // A kind that does not stand yet is made anew.
  const missing = found.isLoadingError && found.error instanceof Problem && found.error.status === 404;
  if (found.isLoadingError && !missing) return <Failed error={found.error} retry={() => found.refetch()} />;
  const start: Profile = found.data?.profile ?? blank;
  return (
    <Form
      key={kind}
      id={kind}
      version={from ? 0 : (found.data?.version ?? 0)}
      start={from ? { ...start, source: "own experience", sources: {}, own: true } : start}
    />
  );
}

const blank: Profile = {
  id: "",
  botanical: "",
  common: "",
  habit: "",
  light: [3, 7, 12],
  temperature: [13, 22, 32],
  humidity: [40, 60],
  waterRule: "top-dry",
  sun: "filtered",
  feed: { ppmN: 100, low: 0.5 },
  mixes: [],
  repotMonths: [18, 30],
  perMonth: [0.5, 1],
  traits: [],
  poisons: [],
  pests: [],
  weeks: [],
  source: "own experience",
  sources: {},
  own: true,
};

type Triple = "light" | "temperature" | "humidity" | "repotMonths" | "perMonth";
type At = (key: Triple, i: number, v: number | undefined) => void;

interface PartProps {
  p: Profile;
  set: (part: Partial<Profile>) => void;
  fault: (field: string) => string | undefined;
}

/** Warmth, light, air, water and feed. */
function Wishes({ p, set, fault, at }: PartProps & { at: At }) {
  const k = useTables();
  return (
    <>
      <div className={classes.three}>
        {["Lower limit", "Best warmth", "Upper limit"].map((l, i) => (
          <QuantityInput
            key={l}
            unit="°C"
            label={l}
            value={p.temperature[i]}
            onChange={(v) => at("temperature", i, v)}
            error={i === 0 ? fault("temperature") : undefined}
          />
        ))}
      </div>
      <div className={classes.three}>
        {["Least light", "Best light", "Most light"].map((l, i) => (
          <NumberField
            key={l}
            label={l}
            suffix=" mol a day"
            value={p.light[i]}
            onChange={(v) => at("light", i, v)}
            error={i === 0 ? fault("light") : undefined}
          />
        ))}
      </div>
      <div className={classes.three}>
        {["Least humidity", "Best humidity"].map((l, i) => (
          <NumberField
            key={l}
            label={l}
            suffix=" %"
            value={p.humidity[i]}
            onChange={(v) => at("humidity", i, v)}
            error={i === 0 ? fault("humidity") : undefined}
          />
        ))}
        <Select
          label="Direct sun"
          allowDeselect={false}
          data={Object.entries(suns).map(([value, label]) => ({ value, label }))}
          value={p.sun}
          onChange={(v) => v && set({ sun: v as Profile["sun"] })}
        />
      </div>
      <div className={classes.three}>
        <Select
          label="Water"
          allowDeselect={false}
          data={Object.entries(k.waterRules).map(([value, label]) => ({ value, label }))}
          value={p.waterRule}
          onChange={(v) => v && set({ waterRule: v })}
          error={fault("waterRule")}
        />
        <NumberField
          label="Feed in growth"
          suffix=" ppm N"
          value={p.feed.ppmN}
          onChange={(v) => set({ feed: { ...p.feed, ppmN: v ?? 0 } })}
          error={fault("feed.ppmN")}
        />
        <NumberField
          label="Of that in low light"
          suffix=" %"
          value={Math.round(p.feed.low * 100)}
          onChange={(v) => set({ feed: { ...p.feed, low: (v ?? 0) / 100 } })}
          error={fault("feed.low")}
        />
      </div>
    </>
  );
}

/** Whom it harms, and by what. */
function Harms({ p, set }: Omit<PartProps, "fault">) {
  const k = useTables();
  const poison = (whom: string) => p.poisons.find((x) => x.whom === whom);
  const harm = (whom: "people" | "pets", part: { bad: string }) =>
    set({ poisons: [...p.poisons.filter((x) => x.whom !== whom), { whom, what: poison(whom)?.what ?? "", ...part }] });
  return (
    <div className={classes.three}>
      {(["people", "pets"] as const).map((whom) => (
        <Select
          key={whom}
          label={`Harms ${whom}`}
          allowDeselect={false}
          data={k.severities}
          value={poison(whom)?.bad ?? k.severities[0]}
          onChange={(v) => v && harm(whom, { bad: v })}
        />
      ))}
      <TextInput
        label="By what"
        placeholder="sap, crystals, thorns …"
        value={p.poisons.find((x) => x.what)?.what ?? ""}
        onChange={(e) => set({ poisons: p.poisons.map((x) => ({ ...x, what: e.currentTarget.value })) })}
        disabled={p.poisons.length === 0}
      />
    </div>
  );
}

function Form({ id, version, start }: { id: string; version: number; start: Profile }) {
  const k = useTables();
  const navigate = useNavigate();
  const save = useSaveKind();
  const [p, setP] = useState(start);
  const set = (part: Partial<Profile>) => setP({ ...p, ...part });
  const fault = (field: string) => (save.error instanceof Problem ? save.error.fields[`profile.${field}`] : undefined);
  const at: At = (key, i, v) => set({ [key]: p[key].map((x, n) => (n === i ? (v ?? 0) : x)) });
  const send = (withdrawn: boolean) =>
    save.mutate(
      { id, version, withdrawn, profile: p },
      { onSuccess: () => navigate(withdrawn ? "/handbook?list=kinds" : `/handbook/kinds/${id}?list=kinds`) },
    );
  const mix = p.mixes[0];
  const setMix = (text: string) => set({ mixes: readMix(text) });
  return (
    <form
      className="patch"
      aria-label="A kind of your own"
      onSubmit={(e) => {
        e.preventDefault();
        send(false);
      }}
    >
      <h2 className="size-26">{version > 0 ? "Change this kind" : "A kind of your own"}</h2>
      <p className="soft small">Every version is kept; its plants follow the newest one.</p>
      <Stack gap="sm">
        <div className={classes.three}>
          <TextInput
            label="Botanical name"
            value={p.botanical}
            onChange={(e) => set({ botanical: e.currentTarget.value })}
            error={fault("botanical")}
          />
          <TextInput label="Common name" value={p.common} onChange={(e) => set({ common: e.currentTarget.value })} />
          <Select
            label="How it grows"
            searchable
            data={k.habits.map((h) => ({ value: h.id, label: h.label }))}
            value={p.habit || null}
            onChange={(v) => set({ habit: v ?? "" })}
            error={fault("habit")}
          />
        </div>
        <Wishes p={p} set={set} fault={fault} at={at} />
        <div className={classes.three}>
          {["Fresh mix after", "or at the latest"].map((l, i) => (
            <NumberField
              key={l}
              label={l}
              suffix=" months"
              allowDecimal={false}
              value={p.repotMonths[i]}
              onChange={(v) => at("repotMonths", i, v)}
              error={i === 0 ? fault("repotMonths") : undefined}
            />
          ))}
          <TextInput
            label="Mix by parts"
            description="2 bark : 1 perlite"
            defaultValue={mix?.parts.map((x) => `${x.parts} ${x.what}`).join(" : ") ?? ""}
            onChange={(e) => setMix(e.currentTarget.value)}
            error={fault("mixes[0]") ?? fault("mixes[0].parts[0]")}
          />
        </div>
        <TextInput
          label="How it rests"
          placeholder="empty where it has no rest"
          value={p.rest ?? ""}
          onChange={(e) => set({ rest: e.currentTarget.value || undefined })}
        />
        <Checkbox.Group label="Minds" value={p.traits} onChange={(v) => set({ traits: v as Profile["traits"] })}>
          <Group gap="xs 18px" mt={6}>
            {Object.entries(k.traits).map(([value, label]) => (
              <Checkbox key={value} value={value} label={label} />
            ))}
          </Group>
        </Checkbox.Group>
        <Harms p={p} set={set} />
        <TextInput
          label="Where these values come from"
          value={p.source}
          onChange={(e) => set({ source: e.currentTarget.value })}
        />
      </Stack>
      <Refused error={save.error} />
      <Group mt="md">
        <Button type="submit" loading={save.isPending}>
          Save this kind
        </Button>
        {version > 0 && (
          <Button variant="default" loading={save.isPending} onClick={() => send(true)}>
            Withdraw it
          </Button>
        )}
      </Group>
    </form>
  );
}

/** "2 bark : 1 perlite" as a mix; what cannot be read is left for the server to refuse. */
export function readMix(text: string): Profile["mixes"] {
  const parts = text
    .split(/[:,+]/)
    .map((x) => x.trim())
    .filter(Boolean)
    .map((x) => {
      const m = /^([\d.]+)?\s*(.*)$/.exec(x);
      return { parts: m?.[1] ? Number(m[1]) : 1, what: m?.[2] ?? "" };
    });
  return parts.length > 0 ? [{ name: "own mix", parts }] : [];
}
