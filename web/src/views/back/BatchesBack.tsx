import { useBatches } from "../../api/pieces";
import { How } from "../../shell/How";
import { sayCount, sayPercent } from "../words";

/** What pieces came to here, by method, and by method and kind. */
export function BatchesBack() {
  const learned = useBatches().data?.learned ?? [];
  if (learned.length === 0) return null;
  return (
    <section className="patch mt-18" aria-label="Pieces">
      <h2>Pieces</h2>
      <ul className="rows no-bullets p-0 m-0">
        {learned.map((l) => (
          <li key={`${l.method} ${l.kind ?? ""}`} className="py-5 px-0">
            <b>{l.label}</b> <span className="soft">{l.name ?? "of all kinds"}</span>: {l.taken} taken, {l.rooted}{" "}
            rooted, {l.lost} lost{l.open > 0 && `, ${l.open} open`}
            {l.share && (
              <>
                ; {sayPercent(l.low)} to {sayPercent(l.high)} root <How working={l.share.working} of="this share" />
              </>
            )}
            {l.medianDays !== undefined && `; half of them within ${sayCount(l.medianDays, "day")}`}
          </li>
        ))}
      </ul>
    </section>
  );
}
