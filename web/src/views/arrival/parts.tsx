import { Select, Textarea, TextInput } from "@mantine/core";
import type { ReactNode } from "react";
import type { Schemas } from "../../api/client";
import { NumberField, QuantityInput } from "../../fields";
import { Figure } from "../../figure/Figure";
import classes from "../TakeIn.module.css";

export type Arrived = Schemas["Arrived"];

/** What the fields of an arrival are written by: the values, how to set them, and what is wrong with each. */
export interface Fields {
  value: Partial<Arrived>;
  set: (part: Partial<Arrived>) => void;
  fault: (key: string) => string | undefined;
}

type Text = "name" | "label" | "from" | "medium" | "note";

/** A field of plain text. */
export const textOf = ({ value, set, fault }: Fields, key: Text) => ({
  value: value[key] ?? "",
  onChange: (e: { currentTarget: { value: string } }) => set({ [key]: e.currentTarget.value || undefined }),
  error: fault(key),
});

export const packings = [
  { value: "unpacked", label: "unpacked, carried in the hand" },
  { value: "dry", label: "packed dry" },
  { value: "wet", label: "packed wet" },
  { value: "cold", label: "travelled in the cold" },
  { value: "weeks-in-box", label: "weeks in a box" },
  { value: "unknown", label: "not known" },
];

/** What can be given later as well; opened by itself where something in it is refused. */
function Folded({ title, open, children }: { title: string; open: boolean; children: ReactNode }) {
  return (
    <details className={classes.folded} open={open || undefined}>
      <summary>{title}</summary>
      {children}
    </details>
  );
}

/** How it came, and from where. */
export function HowItCame({ fields }: { fields: Fields }) {
  const { value, set, fault } = fields;
  return (
    <Folded title="How it came" open={!!(fault("from") || fault("price") || fault("packing"))}>
      <div className={classes.two}>
        <TextInput label="Where from" maxLength={120} {...textOf(fields, "from")} />
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
  );
}

/** What stands in the pot. */
export function WhatItHas({ fields }: { fields: Fields }) {
  const { value, set, fault } = fields;
  return (
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
      <TextInput
        label="Medium"
        mt="sm"
        placeholder="Bark, moss, peat mix …"
        maxLength={120}
        {...textOf(fields, "medium")}
      />
      <Textarea label="Note" mt="sm" autosize minRows={2} maxLength={2000} {...textOf(fields, "note")} />
    </Folded>
  );
}

interface DrawnProps {
  habit: Schemas["Habit"] | undefined;
  value: Partial<Arrived>;
}

/** The plant as it is told so far. */
export function Drawn({ habit, value }: DrawnProps) {
  return (
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
  );
}
