import { Button, Group, NativeSelect } from "@mantine/core";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useMany } from "../../api/recording";
import { shortDay } from "../../dates";
import { Refused } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { useUndoMany } from "../undo";
import { sayChance, sayCount } from "../words";

const when = (c: Schemas["ColdPlace"]) =>
  c.ahead === 0 ? "tonight" : c.ahead === 1 ? "tomorrow night" : `in the night of ${shortDay(c.on)}`;

/** Places that get too cold for plants that stand there: who comes in, by when, and one tap that moves them. */
export function ColdComing({
  cold,
  places,
  today,
}: {
  cold: Schemas["ColdPlace"][];
  places: Schemas["PlaceRow"][];
  today: string;
}) {
  if (cold.length === 0) return null;
  return (
    <section className="patch mb-18" aria-label="Cold nights">
      {cold.map((c) => (
        <ColdPlace key={c.place} cold={c} places={places} today={today} />
      ))}
    </section>
  );
}

function ColdPlace({
  cold: c,
  places,
  today,
}: {
  cold: Schemas["ColdPlace"];
  places: Schemas["PlaceRow"][];
  today: string;
}) {
  const [system] = useUnits();
  const [to, setTo] = useState("");
  const many = useMany();
  const undo = useUndoMany();
  const name = places.find((p) => p.id === to)?.name;
  const title = `About ${sayQuantity(c.likely, "°C", system)} ${when(c)} in ${c.name}`;
  return (
    <div className="mb-10">
      <h2 className="red">
        {title}: {sayCount(c.plants.length, "plant")} to bring in
      </h2>
      <p className="mt-2 mb-5">
        {c.plants.map((p, i) => (
          <span key={p.id}>
            {i > 0 && ", "}
            <Link to={`/plants/${p.id}`}>{p.name}</Link>{" "}
            <span className="soft small">(hurt below {sayQuantity(p.limit, "°C", system)})</span>
          </span>
        ))}
        .{" "}
        <span className="soft small">
          That it gets so cold there: {sayChance(c.chance)}.{c.source && ` After ${c.source}.`}
        </span>
      </p>
      <Group align="end">
        <NativeSelect
          label={`Bring those of ${c.name} to`}
          data={[
            { value: "", label: "which place?" },
            ...places.filter((p) => p.id !== c.place).map((p) => ({ value: p.id, label: p.name })),
          ]}
          value={to}
          onChange={(e) => setTo(e.currentTarget.value)}
        />
        <Button
          disabled={to === ""}
          loading={many.isPending}
          onClick={() =>
            to &&
            many.mutate(
              c.plants.map((p) => ({ plant: p.id, on: today, moved: { place: to } })),
              { onSuccess: ({ kept }) => undo(`moved to ${name}`, sayCount(kept.length, "plant"), kept) },
            )
          }
        >
          {to === "" ? "Say where they go" : `They are in ${name}`}
        </Button>
      </Group>
      {many.error && <Refused error={many.error} />}
    </div>
  );
}
