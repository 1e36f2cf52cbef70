import dayjs from "dayjs";
import type { Schemas } from "../../api/client";
import { useSession } from "../../api/plants";
import classes from "./Handbook.module.css";

type Month = Schemas["Month"];

const parts: Record<Month["part"], string> = { grows: "grows", slows: "slows down", rests: "rests, or may" };
const nameOf = (m: number) => dayjs(new Date(2026, m - 1, 1)).format("MMM");

/** A kind's year at a glance: when it grows, slows down and rests, with its water and feed in each. */
export function Year({ months }: { months: Month[] }) {
  const now = Number(useSession().data?.today?.slice(5, 7));
  return (
    <section aria-label="Its year" className="mt-14">
      <h3>Its year</h3>
      <div className={classes.year} aria-hidden>
        {months.map((m) => (
          <div
            key={m.month}
            className={[classes.month, classes[m.part], m.month === now && classes.now].filter(Boolean).join(" ")}
          >
            {nameOf(m.month).charAt(0)}
          </div>
        ))}
      </div>
      <ul className={classes.parts}>
        {stretches(months).map((s) => (
          <li key={s.from}>
            <span className="soft">{s.from === s.to ? nameOf(s.from) : `${nameOf(s.from)} to ${nameOf(s.to)}`}</span>
            <span>
              <b>{parts[s.part]}</b>; water: {s.words}; {s.fed ? "fed" : "not fed"}
              {within(now, s) && <b className="kelp"> · now</b>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface Stretch extends Omit<Month, "month"> {
  from: number;
  to: number;
}

/** Months one after the other that are alike, from the first month that differs from the one before it. */
function stretches(months: Month[]): Stretch[] {
  const alike = (a: Month, b: Month) => a.part === b.part && a.words === b.words && a.fed === b.fed;
  const first = months.findIndex((m, i) => !alike(m, months.at(i - 1) as Month));
  const turned = first < 0 ? months : [...months.slice(first), ...months.slice(0, first)];
  const list: Stretch[] = [];
  for (const [i, m] of turned.entries()) {
    const last = list.at(-1);
    if (last && i > 0 && alike(m, turned[i - 1] as Month)) last.to = m.month;
    else list.push({ part: m.part, words: m.words, fed: m.fed, from: m.month, to: m.month });
  }
  return list;
}

/** Whether a month lies in a stretch that may go over the turn of the year. */
const within = (month: number, s: Stretch) =>
  s.from <= s.to ? month >= s.from && month <= s.to : month >= s.from || month <= s.to;
