import dayjs from "dayjs";
import { sayCount } from "./views/words";

/** A day as "24 November", with the year when it is not this one's. */
export function sayDay(day: string, today: string): string {
  const d = dayjs(day);
  return d.format(d.year() === dayjs(today).year() ? "D MMMM" : "D MMM YYYY");
}

/** A day as "24 Nov". */
export const shortDay = (day: string) => dayjs(day).format("D MMM");

/** Days from one day to another. A seam asks for hundreds of them: days without a time are read as they are. */
export const daysBetween = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

/** How far a day lies from today, in words: "12 days ago", "today", "in 3 days". */
export function distance(day: string, today: string): string {
  const n = daysBetween(day, today);
  if (n === 0) return "today";
  if (n === 1) return "yesterday";
  if (n === -1) return "tomorrow";
  const far = Math.abs(n);
  const size =
    far < 60
      ? sayCount(far, "day")
      : far < 700
        ? sayCount(Math.round(far / 30.4), "month")
        : sayCount(Math.round(far / 365), "year");
  return n > 0 ? `${size} ago` : `in ${size}`;
}

export const addDays = (day: string, n: number) => dayjs(day).add(n, "day").format("YYYY-MM-DD");
