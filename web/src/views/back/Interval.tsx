import { sayPercent } from "../words";
import classes from "./LookBack.module.css";

/** A share as a basted line: the interval, with the share as a knot on it. */
export function Interval({ share, low, high }: { share: number; low: number; high: number }) {
  return (
    <span className={classes.share}>
      <svg width={96} height={14} role="img" aria-label={`between ${sayPercent(low)} and ${sayPercent(high)}`}>
        <line x1={2} x2={94} y1={7} y2={7} stroke="var(--weft)" />
        <line
          x1={2 + 92 * low}
          x2={2 + 92 * high}
          y1={7}
          y2={7}
          stroke="var(--kelp)"
          strokeWidth={2.4}
          strokeDasharray="5 3"
        />
        <circle cx={2 + 92 * share} cy={7} r={4} fill="var(--kelp)" />
      </svg>
      <span className="small">
        {sayPercent(low)}–{sayPercent(high)}
      </span>
    </span>
  );
}
