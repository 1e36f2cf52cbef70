import { Group, Select } from "@mantine/core";
import type { Knowledge } from "../../api/client";
import { NumberField } from "../../fields";
import { nothing, type Offer } from "./offer";

interface AskedProps {
  knowledge: Knowledge;
  offer: Offer;
  setOffer: (offer: Offer) => void;
  /** What a pot with fresh mix costs. */
  filling: number;
  setFilling: (cost: number) => void;
}

/** How it grows, and the prices. */
export function Asked({ knowledge, offer, setOffer, filling, setFilling }: AskedProps) {
  return (
    <Group align="end" mb="md" gap="md">
      <Select
        label="How it grows"
        searchable
        data={knowledge.habits.map((h) => ({ value: h.id, label: h.label }))}
        value={offer.habit || null}
        onChange={(v) => setOffer({ ...nothing, asked: offer.asked, sound: offer.sound, habit: v ?? "" })}
      />
      <NumberField
        label="Price asked"
        min={0}
        decimalScale={2}
        w={120}
        value={offer.asked}
        onChange={(v) => setOffer({ ...offer, asked: v })}
      />
      <NumberField
        label="A sound one costs"
        min={0}
        decimalScale={2}
        w={150}
        value={offer.sound}
        onChange={(v) => setOffer({ ...offer, sound: v })}
      />
      <NumberField
        label="A pot with fresh mix costs you"
        min={0}
        decimalScale={2}
        w={220}
        value={filling}
        onChange={(v) => setFilling(v ?? 0)}
      />
    </Group>
  );
}
