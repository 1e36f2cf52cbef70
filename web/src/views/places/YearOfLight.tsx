import type { MonthThere } from "../../api/places";
import { sayQuantity, useUnits } from "../../units";
import classes from "./Places.module.css";
import { monthName } from "./words";

const width = 46;
const top = 8;
const height = 96;
const most = 60;
const least = 0.5;

/** Where an amount of light stands: by its logarithm, since a leaf sees by ratios. */
const y = (light: number) =>
  top + height * (1 - Math.log(Math.max(least, Math.min(most, light)) / least) / Math.log(most / least));

/** A year of light: a thread a month from its low to its high end, a stitch for each hour of sun. */
export function YearOfLight({ year, says, small }: { year: MonthThere[]; says: string; small?: boolean }) {
  const [system] = useUnits();
  const sunTop = top + height + 14;
  const foot = small ? sunTop + 6 : sunTop + 44;
  return (
    <figure className={`m-0 ${small ? classes.small : ""}`}>
      <svg
        className={small ? classes.strip : classes.year}
        viewBox={`-34 0 ${width * 12 + 38} ${foot + 18}`}
        role="img"
        aria-label={says}
        preserveAspectRatio={small ? "none" : undefined}
      >
        {[1, 3, 10, 30].map((v) => (
          <g key={v}>
            <line x1={0} x2={width * 12} y1={y(v)} y2={y(v)} stroke="var(--weft)" />
            {!small && (
              <text x={-6} y={y(v) + 4} textAnchor="end" className={classes.tick}>
                {v}
              </text>
            )}
          </g>
        ))}
        <polyline
          points={year.map((m, i) => `${width * (i + 0.5)},${y(m.light)}`).join(" ")}
          fill="none"
          stroke="var(--ochre)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
        {year.map((m, i) => {
          const x = width * (i + 0.5);
          return (
            <g key={m.month}>
              {!small && (
                <>
                  <line
                    x1={x}
                    x2={x}
                    y1={y(m.low)}
                    y2={y(m.high)}
                    stroke="var(--ochre)"
                    strokeWidth={2}
                    strokeDasharray="4 3"
                  />
                  <circle cx={x} cy={y(m.light)} r={5} fill="var(--ochre)" />
                </>
              )}
              {Array.from({ length: Math.round(m.sunUsual) }, (_, h) => h + 1).map((h) => (
                <rect
                  key={h}
                  x={x - 3.1 * Math.min(6, Math.round(m.sunUsual)) + ((h - 1) % 6) * 6.2}
                  y={sunTop + (h > 6 ? 6 : 0)}
                  width={4.6}
                  height={3.4}
                  rx={1.4}
                  fill={m.hot ? "var(--red)" : "var(--ochre)"}
                />
              ))}
              {!small && (
                <>
                  <text x={x} y={sunTop + 26} textAnchor="middle" className={classes.night}>
                    {Math.round(Number.parseFloat(sayQuantity(m.night, "°C", system)))}°
                  </text>
                  <text x={x} y={foot + 12} textAnchor="middle" className={classes.tick}>
                    {monthName(m.month).slice(0, 3)}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
      {!small && (
        <figcaption className="small soft">
          Light at the leaves, mol a day, each with its range; a stitch for each hour of sun that usually reaches them (
          <span className="red">around noon</span>); the usual night.
        </figcaption>
      )}
    </figure>
  );
}
