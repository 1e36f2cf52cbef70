import type { Schemas } from "../../api/client";

const months = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/** The name of a month, 1 to 12. */
export const monthName = (month: number) => months[month - 1] ?? "";

const factors: Record<string, string> = {
  "too-dark": "too dark",
  "too-light": "too bright",
  "too-sunny": "too much sun",
  "too-cold": "too cold",
  "too-hot": "too hot",
  "too-dry": "too dry",
};

/** Why a plant does not fit: "too dark in December". */
export const sayWhy = (rules?: Schemas["PlantFits"]["rules"], month?: number) =>
  rules ? `${factors[rules] ?? rules}${month ? ` in ${monthName(month)}` : ""}` : "";

/** A score in a word with its number. */
export const sayScore = (score: number) => `${Math.round(score * 100)} of 100`;
