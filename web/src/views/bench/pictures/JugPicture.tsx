import { sayQuantity, useUnits } from "../../../units";
import { Callout } from "./Callout";
import classes from "./Pictures.module.css";

interface JugPictureProps {
  /** What goes into the jug, from below, each in ml. */
  of: { what: string; ml: number }[];
}

const wide = 9;
const tall = 11;

/** What goes into a jug, each as high as it stands. */
export function JugPicture({ of }: JugPictureProps) {
  const [system] = useUnits();
  const all = of.reduce((n, o) => n + o.ml, 0);
  if (all <= 0) return null;
  let up = 0;
  const levels = of.map((o, i) => {
    const from = up;
    up += (o.ml / all) * (tall - 1);
    return { ...o, from, to: up, first: i === 0, said: `${o.what} ${sayQuantity(o.ml, "ml", system)}` };
  });
  return (
    <figure className={classes.picture}>
      <svg
        viewBox={`0 0 28 ${tall + 1}`}
        role="img"
        aria-label={`In the jug: ${levels.map((l) => l.said).join(", ")}.`}
      >
        {levels.map((l) => (
          <g key={l.what}>
            <rect
              className={l.first ? classes.stock : classes.water}
              x="2"
              y={tall - l.to}
              width={wide}
              height={l.to - l.from}
            />
            <Callout from={2 + wide} at={tall - (l.from + l.to) / 2} to={13.3} said={l.said} />
          </g>
        ))}
        <path
          className={classes.pot}
          d={`M2 0.3 L2 ${tall} L${2 + wide} ${tall} L${2 + wide} 0.3`}
          strokeWidth="0.16"
        />
      </svg>
    </figure>
  );
}
