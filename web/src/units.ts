import { useLocalStorage } from "@mantine/hooks";

export type System = "metric" | "us";

/** Which units the person reads and types; the server only ever sees metric. */
export const useUnits = () =>
  useLocalStorage<System>({ key: "units", defaultValue: "metric", getInitialValueInEffect: false });

interface Unit {
  us: string;
  /** Exact by definition (NIST SP 811): how many metric units one US unit is. */
  factor: number;
  offset?: number;
  digits: number;
}

const units: Record<string, Unit> = {
  cm: { us: "in", factor: 2.54, digits: 1 },
  mm: { us: "in", factor: 25.4, digits: 2 },
  ml: { us: "fl oz", factor: 29.5735295625, digits: 1 },
  l: { us: "qt", factor: 0.946352946, digits: 2 },
  g: { us: "oz", factor: 28.349523125, digits: 2 },
  "°C": { us: "°F", factor: 5 / 9, offset: 32, digits: 0 },
};

/** A US teaspoon in ml, exact by definition: less than a fluid ounce is told in it. */
const teaspoon = 4.92892159375;

export function toShown(value: number, unit: string, system: System): { value: number; unit: string } {
  const u = units[unit];
  if (system === "metric" || !u) return { value, unit };
  return { value: value / u.factor + (u.offset ?? 0), unit: u.us };
}

export function toMetric(shown: number, unit: string, system: System): number {
  const u = units[unit];
  if (system === "metric" || !u) return shown;
  return (shown - (u.offset ?? 0)) * u.factor;
}

/** A metric quantity in the person's units, rounded as one would say it. */
export function sayQuantity(value: number, unit: string, system: System): string {
  const spoons = system === "us" && unit === "ml" && value > 0 && value < (units.ml?.factor ?? 0);
  const shown = spoons ? { value: value / teaspoon, unit: "tsp" } : toShown(value, unit, system);
  // Small amounts keep their digits: 1 ml for 0.75 ml would be a third stronger.
  const small = shown.unit === "tsp" || ((unit === "ml" || unit === "g") && Math.abs(value) < 10);
  const digits = small
    ? 2
    : system === "us"
      ? (units[unit]?.digits ?? 1)
      : unit === "l"
        ? 2
        : unit === "ml" || unit === "g"
          ? 0
          : Math.abs(value) < 100
            ? 1
            : 0;
  return `${Number(shown.value.toFixed(digits))} ${shown.unit}`.trim();
}

// A quantity or a range of them ("5-7 cm", "2 to 3 cm", "-2 °C"), with what stands before it: a sign
// is one only where no number ends there.
const number = "\\d+(?:\\.\\d+)?";
const metricInProse = new RegExp(
  `(^|[^\\w.-])([-−]?${number})(?:(-|–| to | and | or )([-−]?${number}))? (cm|mm|ml|litres?|l|°C)(?![\\w/])`,
  "g",
);

/** Prose with its metric quantities in the person's units. Doses by the litre stay as labels give them. */
export function sayProse(text: string, system: System): string {
  if (system === "metric") return text;
  return text.replace(
    metricInProse,
    (_, before: string, from: string, between: string | undefined, to: string | undefined, named: string) => {
      const said = (n: string) =>
        sayQuantity(Number(n.replace("−", "-")), named.startsWith("litre") ? "l" : named, system);
      if (!to) return before + said(from);
      const [least, most] = [said(from), said(to)];
      const unit = most.slice(most.indexOf(" "));
      // "2 to 4 tsp", but "5 tsp to 2 fl oz".
      return `${before}${least.endsWith(unit) ? least.slice(0, -unit.length) : least}${between}${most}`;
    },
  );
}
