import type { Kind } from "./entryWords";

/** One thing of an entry that can be set right. */
export interface Field {
  key: string;
  label: string;
  /** A unit makes it a quantity, "" a bare number; left out, it is words. */
  unit?: string;
  /** Whether it may be left empty. */
  open?: boolean;
  /** The part of the entry that it stands in: asked where that part has it. */
  within?: "made";
}

/** How each kind of entry is set right: one that has no way here does not compile. */
const ways = {
  arrived: "form",
  examined: "look",
  diagnosed: [{ key: "reason", label: "Why" }],
  planned: "never",
  did: [
    { key: "reason", label: "Why" },
    { key: "note", label: "Note" },
    { key: "widthCm", label: "The pot, inner width", unit: "cm", open: true, within: "made" },
    { key: "depthCm", label: "The pot, depth", unit: "cm", open: true, within: "made" },
    { key: "levelCm", label: "Level of its water", unit: "cm", open: true, within: "made" },
    { key: "ml", label: "Water given", unit: "ml", open: true, within: "made" },
    { key: "n", label: "How many were cut", unit: "", open: true, within: "made" },
    { key: "strength", label: "Share of the label’s rate", unit: "", open: true, within: "made" },
    { key: "live", label: "Live roots", unit: "", open: true, within: "made" },
    { key: "dead", label: "Dead roots", unit: "", open: true, within: "made" },
    { key: "tips", label: "Growing tips", unit: "", open: true, within: "made" },
    { key: "ballCm", label: "Root ball", unit: "cm", open: true, within: "made" },
    { key: "medium", label: "Mix", within: "made" },
    { key: "product", label: "Product", within: "made" },
  ],
  watered: [{ key: "millilitres", label: "Water given", unit: "ml", open: true }],
  weighed: [{ key: "grams", label: "Weight", unit: "g" }],
  probed: "choice",
  checked: [{ key: "note", label: "Note" }],
  moved: [
    { key: "reason", label: "Why" },
    { key: "tray", label: "Tray or saucer that it shares" },
  ],
  tallied: [
    { key: "tips", label: "Live tips", unit: "", open: true },
    { key: "longestMm", label: "Longest root", unit: "mm", open: true },
    { key: "rootBallCm", label: "Root ball", unit: "cm", open: true },
    { key: "note", label: "Note" },
  ],
  fed: [
    { key: "strength", label: "Share of the label’s rate", unit: "", open: true },
    { key: "product", label: "Product" },
  ],
  potted: [
    { key: "widthCm", label: "Inner width", unit: "cm", open: true },
    { key: "depthCm", label: "Depth", unit: "cm", open: true },
    { key: "medium", label: "Fresh medium" },
  ],
  metered: [
    { key: "lux", label: "Light, lux", unit: "", open: true },
    { key: "hours", label: "Hours a day", unit: "", open: true },
    { key: "minC", label: "Coldest night", unit: "°C", open: true },
    { key: "maxC", label: "Warmest day", unit: "°C", open: true },
    { key: "humidityPct", label: "Humidity, %", unit: "", open: true },
  ],
  adjusted: [{ key: "reason", label: "Why" }],
  confirmed: [{ key: "note", label: "Note" }],
  prepared: [{ key: "note", label: "Note" }],
  treated: [
    { key: "product", label: "Product" },
    { key: "batch", label: "Batch" },
    { key: "intervalDays", label: "Days until it may be repeated", unit: "", open: true },
    { key: "note", label: "Note" },
  ],
  staged: [{ key: "reason", label: "Why" }],
  grown: [
    { key: "name", label: "Called" },
    { key: "sizeMm", label: "Size", unit: "mm", open: true },
    { key: "lobes", label: "Lobes and windows", unit: "", open: true },
  ],
  pictured: [{ key: "note", label: "Note" }],
  noted: [{ key: "text", label: "Note" }],
  stated: [
    { key: "potWidthCm", label: "Inner width of its pot", unit: "cm", open: true },
    { key: "baseUnderCm", label: "Its base lies under, cm", unit: "cm", open: true },
    { key: "warmthC", label: "Kept at", unit: "°C", open: true },
    { key: "growths", label: "Growths", unit: "", open: true },
    { key: "leaves", label: "Leaves", unit: "", open: true },
    { key: "spikes", label: "Spikes", unit: "", open: true },
    { key: "plantlets", label: "Plantlets or pups", unit: "", open: true },
    { key: "infested", label: "Share that is infested, 0 to 1", unit: "", open: true },
    { key: "lightShare", label: "Share of its best light, 0 to 1", unit: "", open: true },
  ],
  cut: [
    { key: "n", label: "How many were cut", unit: "", open: true },
    { key: "share", label: "Or what share, 0 to 1", unit: "", open: true },
    { key: "kept", label: "How many were kept", unit: "", open: true },
  ],
  counted: [
    { key: "alive", label: "Alive", unit: "" },
    { key: "shoots", label: "With a shoot", unit: "" },
    { key: "rooted", label: "With roots", unit: "" },
    { key: "rotted", label: "Of those that died, rotted", unit: "", open: true },
  ],
  shared: "day",
  parted: [
    { key: "potted", label: "Potted out", unit: "" },
    { key: "returned", label: "Put back with the mother", unit: "" },
  ],
  sat: "day",
  tagged: "day",
  opened: [{ key: "why", label: "Why" }],
  dismissed: [{ key: "reason", label: "Why" }],
  tended: "day",
  snoozed: "day",
  tried: [
    { key: "what", label: "What is tried" },
    { key: "hope", label: "What is seen if it helps" },
    { key: "days", label: "Asked for after so many days", unit: "" },
  ],
  judged: [{ key: "note", label: "Note" }],
  closed: [{ key: "reason", label: "Why" }],
  reopened: [{ key: "reason", label: "Why" }],
  voided: "never",
} satisfies Record<Kind, Field[] | "form" | "look" | "choice" | "day" | "never">;

/**
 * How a kind is set right: by fields; by the form or the look that it was made with; by choosing another value; only
 * its day; or never, since taking it back does that.
 */
export const wayOf = (kind: string) => (ways as Record<string, Field[] | string>)[kind] ?? "day";

export const fieldsOf = (kind: string): Field[] => {
  const way = wayOf(kind);
  return typeof way === "string" ? [] : way;
};
