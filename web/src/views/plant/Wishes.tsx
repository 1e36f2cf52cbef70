import { Button, Group, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { NumberField, QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { useUndo } from "../undo";
import { usePlantFile } from "./PlantPage";

type Wants = Pick<Schemas["Profile"], "light" | "temperature" | "humidity" | "waterRule">;

/** What the plant wants, by its kind or habit; single values can be overruled for this plant. */
export function Wishes() {
  const file = usePlantFile();
  const [system] = useUnits();
  const knowledge = useKnowledge();
  const [editing, setEditing] = useState(false);
  const w = file.wants;
  const temperature = w.temperature.map((t) => sayQuantity(t, "°C", system));
  return (
    <section className="patch" aria-label="What it wants">
      <h2>What it wants</h2>
      <p className="soft small mt-2 mb-6">
        {file.adjusted?.reason
          ? `Overruled for this plant: ${file.adjusted.reason}.`
          : file.profile
            ? `By its kind; source: ${w.source}.`
            : `By its habit; source: ${w.source}.`}
      </p>
      <p className="m-0">
        {temperature[0]} to {temperature[2]}, best {temperature[1]} · at least {w.humidity[0]} % air, best{" "}
        {w.humidity[1]} % · {w.light[0]}-{w.light[2]} mol of light a day, best {w.light[1]} · water{" "}
        {knowledge.data?.waterRules[w.waterRule]}
      </p>
      {editing ? (
        <WishForm done={() => setEditing(false)} />
      ) : (
        <button type="button" className="linkbutton small mt-8" onClick={() => setEditing(true)}>
          overrule for this plant
        </button>
      )}
    </section>
  );
}

function WishForm({ done }: { done: () => void }) {
  const file = usePlantFile();
  const knowledge = useKnowledge();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [id] = useState(newId);
  const [wants, setWants] = useState<Wants>(file.wants);
  const [reason, setReason] = useState("");
  const at = <K extends "light" | "temperature" | "humidity">(key: K, i: number, v: number | undefined) =>
    setWants({ ...wants, [key]: wants[key].map((x, k) => (k === i ? (v ?? 0) : x)) });
  const same = (key: keyof Wants) => JSON.stringify(wants[key]) === JSON.stringify(file.wants[key]);
  const kept = file.adjusted;
  const send = (body: Schemas["Adjusted"], said: string) =>
    record.mutate(
      { id, on: file.today, adjusted: body },
      {
        onSuccess: (e) => {
          done();
          undo(said, e.id);
        },
      },
    );
  const save = () =>
    send(
      {
        // What was overruled before stays; what is touched now is overruled as well.
        light: same("light") ? kept?.light : wants.light,
        temperature: same("temperature") ? kept?.temperature : wants.temperature,
        humidity: same("humidity") ? kept?.humidity : wants.humidity,
        waterRule: same("waterRule") ? kept?.waterRule : wants.waterRule,
        reason,
      },
      "what it wants",
    );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <Group gap="sm" mt="sm">
        {["Lower limit", "Best", "Upper limit"].map((l, i) => (
          <QuantityInput
            key={l}
            unit="°C"
            label={l}
            w={110}
            value={wants.temperature[i]}
            onChange={(v) => at("temperature", i, v)}
          />
        ))}
      </Group>
      <Group gap="sm" mt="xs">
        {["Least light", "Best light", "Most light"].map((l, i) => (
          <NumberField
            key={l}
            label={l}
            suffix=" mol"
            w={110}
            value={wants.light[i]}
            onChange={(v) => at("light", i, v)}
          />
        ))}
      </Group>
      <Group gap="sm" mt="xs">
        {["Least humidity", "Best humidity"].map((l, i) => (
          <NumberField
            key={l}
            label={l}
            suffix=" %"
            w={130}
            value={wants.humidity[i]}
            onChange={(v) => at("humidity", i, v)}
          />
        ))}
        <Select
          label="Water"
          allowDeselect={false}
          data={Object.entries(knowledge.data?.waterRules ?? {}).map(([value, label]) => ({ value, label }))}
          value={wants.waterRule}
          onChange={(v) => setWants({ ...wants, waterRule: v as Wants["waterRule"] })}
        />
      </Group>
      <TextInput
        mt="xs"
        label="Why this plant wants it otherwise"
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
        maxLength={300}
      />
      <Refused error={record.error} />
      <Group mt="sm">
        <Button type="submit" loading={record.isPending}>
          Overrule
        </Button>
        {kept && (
          <Button
            variant="default"
            onClick={() => send({ reason: "back to the values of its kind" }, "back to its kind’s values")}
          >
            Back to its kind’s values
          </Button>
        )}
        <Button variant="default" onClick={done}>
          Leave it
        </Button>
      </Group>
    </form>
  );
}
