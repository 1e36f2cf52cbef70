import { Group, TextInput } from "@mantine/core";
import type { Schemas } from "../../api/client";
import { NumberField, QuantityInput } from "../../fields";
import type { Step } from "./PlanParts";

export type Made = NonNullable<Schemas["Did"]["made"]>;

interface MadeFieldsProps {
  step: Step;
  made: Made;
  change: (made: Made) => void;
}

/** Whether a step writes something that may have come out otherwise than planned. */
export const hasMade = ({ makes }: Step) =>
  !!makes && !!(makes.stands || makes.waters || makes.counts || makes.cuts || makes.treats?.named || makes.feeds);

/** What a step makes so, filled in from the plan and open to be corrected before it is recorded. */
export function MadeFields({ step, made, change }: MadeFieldsProps) {
  const makes = step.makes;
  if (!makes) return null;
  const set = (part: Partial<Made>) => change({ ...made, ...part });
  const size = (key: "widthCm" | "depthCm" | "levelCm" | "ballCm", label: string, planned?: number) => (
    <QuantityInput unit="cm" label={label} w={130} value={made[key] ?? planned} onChange={(v) => set({ [key]: v })} />
  );
  const count = (key: "live" | "dead" | "tips" | "n", label: string, planned?: number) => (
    <NumberField
      label={label}
      w={110}
      allowDecimal={false}
      value={made[key] ?? planned}
      onChange={(v) => set({ [key]: v })}
    />
  );
  return (
    <Group gap="xs" align="end" className="made">
      {makes.stands && makes.stands.seat !== "hung" && makes.stands.seat !== "mount" && (
        <>
          {size("widthCm", "Pot, width", makes.stands.widthCm)}
          {size("depthCm", "Pot, depth", makes.stands.depthCm)}
          <TextInput
            label="Mix"
            w={220}
            value={made.medium ?? makes.stands.medium ?? ""}
            onChange={(e) => set({ medium: e.currentTarget.value })}
          />
          {makes.stands.seat === "reservoir" && size("levelCm", "Water, level", makes.stands.levelCm)}
        </>
      )}
      {makes.waters && (
        <QuantityInput
          unit="ml"
          label="Water given"
          w={140}
          value={made.ml ?? makes.waters.ml}
          onChange={(v) => set({ ml: v })}
        />
      )}
      {makes.counts && (
        <>
          {count("live", "Live roots")}
          {count("dead", "Dead roots")}
          {count("tips", "Growing tips")}
          {size("ballCm", "Live root ball")}
        </>
      )}
      {makes.cuts && count("n", "How many", makes.cuts.n)}
      {makes.feeds !== undefined && (
        <NumberField
          label="Strength, × the label"
          w={160}
          value={made.strength ?? makes.feeds}
          onChange={(v) => set({ strength: v })}
        />
      )}
      {makes.treats?.named && (
        <TextInput
          label="Product, as on its label"
          w={260}
          value={made.product ?? makes.treats.product}
          onChange={(e) => set({ product: e.currentTarget.value || undefined })}
        />
      )}
    </Group>
  );
}

/** What came out otherwise, or nothing where it came out as planned. */
export const otherwise = (made: Made): Made | undefined => (Object.keys(made).length > 0 ? made : undefined);
