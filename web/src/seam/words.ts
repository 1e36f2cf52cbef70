import type { Schemas } from "../api/client";
import { daysBetween } from "../dates";
import { sayCount } from "../views/words";

type SeamData = Schemas["Seam"];

/** The first of each month between two days, or of every nth. */
export function monthStarts(from: string, to: string, every: number): string[] {
  const months: string[] = [];
  let [year = 0, month = 1] = from.split("-").map(Number);
  for (let i = 0; ; i++) {
    month++;
    if (month > 12) {
      month = 1;
      year++;
    }
    const first = `${year}-${String(month).padStart(2, "0")}-01`;
    if (first > to) return months;
    if (i % every === 0) months.push(first);
  }
}

/** Words under the seam, each on the first row where it does not touch another. */
export function placeWords(seam: SeamData, x: (d: string) => number, w: number, inView: (d: string) => boolean) {
  const placed: { text: string; x: number; row: number }[] = [];
  const rowEnds: number[] = [];
  const wanted = [
    ...seam.loose.map((l) => ({ on: l.on, text: `stepped back: ${l.why}` })),
    ...seam.bare
      .filter((b) => !seam.loose.some((l) => l.on === b.to))
      .map((b) => ({ on: b.from, text: `nobody looked for ${sayCount(daysBetween(b.from, b.to), "day")}` })),
  ]
    .filter((word) => inView(word.on))
    .sort((a, b) => (a.on < b.on ? -1 : 1));
  for (const { on, text } of wanted) {
    const most = Math.floor(w / 6.2);
    const said = text.length > most ? `${text.slice(0, most - 1)}…` : text;
    const length = said.length * 6.1;
    const at = Math.max(4, Math.min(x(on), w - length - 4));
    let row = rowEnds.findIndex((e) => e + 12 < at);
    if (row < 0) row = rowEnds.push(0) - 1;
    rowEnds[row] = at + length;
    placed.push({ text: said, x: at, row });
  }
  return { placed, rows: rowEnds.length };
}
