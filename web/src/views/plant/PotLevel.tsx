import type { PlantFile } from "../../api/client";
import { How } from "../../shell/How";
import classes from "./PotLevel.module.css";

type Now = NonNullable<NonNullable<PlantFile["water"]>["now"]>;

const percent = (share: number) => Math.round(100 * share);

/** The pot with the water in it: how much it holds, how sure that is, and where its rule is met. */
export function PotLevel({ now }: { now: Now }) {
  const range = `Holds about ${percent(now.holds)} % (${percent(now.low)} to ${percent(now.high)} %)`;
  const y = (share: number) => 44 - 40 * share;
  return (
    <div className={classes.row}>
      <svg
        viewBox="0 0 48 48"
        className={classes.pot}
        role="img"
        aria-label={`${range}; its rule is met at ${percent(now.rule)} %`}
      >
        <path className={classes.wall} d="M5 4 L11 44 H37 L43 4" />
        <rect
          className={classes.range}
          x="13"
          width="22"
          y={y(now.high)}
          height={Math.max(1, y(now.low) - y(now.high))}
        />
        <line className={classes.level} x1="11" x2="37" y1={y(now.holds)} y2={y(now.holds)} />
        <line className={classes.rule} x1="3" x2="45" y1={y(now.rule)} y2={y(now.rule)} />
      </svg>
      <p className="m-0">
        <b>{now.words}</b>
        <span className="soft small block">
          {range}; its rule is met at {percent(now.rule)} % <How working={now.working} of="what it holds" />
        </span>
      </p>
    </div>
  );
}
