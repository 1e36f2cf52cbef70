import { NumberInput } from "@mantine/core";
import { useSupplies } from "../../../api/household";
import type { Step } from "../PlanParts";
import classes from "../Work.module.css";

/** What the step takes from the cupboard, where it is kept there. */
export function UsedUp({
  step,
  used,
  set,
}: {
  step: Step;
  used: Record<string, number>;
  set: (used: Record<string, number>) => void;
}) {
  const supplies = useSupplies();
  const wanted = [...step.amounts.map((a) => a.what), ...(step.materials ?? [])].map((w) => w.toLowerCase());
  const kept = (supplies.data?.supplies ?? []).filter((s) => wanted.some((w) => w.startsWith(s.name.toLowerCase())));
  if (kept.length === 0) return null;
  return (
    <fieldset className={classes.materials}>
      <legend className="soft">Taken from the cupboard</legend>
      {kept.map((s) => (
        <NumberInput
          key={s.id}
          label={s.name}
          hideControls
          min={0}
          w={140}
          suffix={` ${s.unit}`}
          value={used[s.id] ?? ""}
          onChange={(v) => set({ ...used, [s.id]: Number(v) || 0 })}
        />
      ))}
    </fieldset>
  );
}
