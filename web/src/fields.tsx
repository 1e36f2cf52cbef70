import { NumberInput, type NumberInputProps } from "@mantine/core";
import { useState } from "react";
import { toMetric, toShown, useUnits } from "./units";

interface NumberFieldProps extends Omit<NumberInputProps, "value" | "onChange"> {
  value: number | undefined;
  onChange: (value: number | undefined) => void;
}

/** A number field that keeps what is half typed ("15.") and gives a number, or nothing when it is empty. */
export function NumberField({ value, onChange, ...rest }: NumberFieldProps) {
  const [typed, setTyped] = useState<string | number>(value ?? "");
  // What was typed stands as long as it says the same as the value that is kept.
  const same = (typed === "" ? undefined : Number(typed)) === value;
  return (
    <NumberInput
      hideControls
      inputMode="decimal"
      {...rest}
      value={same ? typed : (value ?? "")}
      onChange={(v) => {
        setTyped(v);
        const n = v === "" ? undefined : Number(v);
        onChange(n !== undefined && Number.isNaN(n) ? undefined : n);
      }}
    />
  );
}

/** A number field that shows and takes the person's units and keeps metric. */
export function QuantityInput({ unit, value, onChange, ...rest }: NumberFieldProps & { unit: string }) {
  const [system] = useUnits();
  return (
    <NumberField
      {...rest}
      suffix={` ${toShown(0, unit, system).unit}`}
      value={value === undefined ? undefined : Number(toShown(value, unit, system).value.toFixed(3))}
      onChange={(v) => onChange(v === undefined ? undefined : toMetric(v, unit, system))}
    />
  );
}
