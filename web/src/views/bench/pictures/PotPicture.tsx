import { sayQuantity, useUnits } from "../../../units";
import classes from "./Pictures.module.css";
import { outline } from "./shapes";

interface PotPictureProps {
  ballCm: number;
  oldCm: number | undefined;
  widthCm: number;
  depthCm: number;
}

/** The live ball in the pot that fits it, to scale, with the present pot behind it. */
export function PotPicture({ ballCm, oldCm, widthCm, depthCm }: PotPictureProps) {
  const [system] = useUnits();
  const deep = depthCm / widthCm;
  const old = oldCm === undefined ? undefined : { width: oldCm, depth: oldCm * deep };
  const wide = Math.max(widthCm, old?.width ?? 0);
  const tall = Math.max(depthCm, old?.depth ?? 0);
  const unit = wide / 20; // type and lines keep their size whatever the pot
  const middle = wide / 2 + unit * 2;
  const ground = tall + unit * 2.2;
  const say = (cm: number) => sayQuantity(cm, "cm", system);
  const words =
    `To scale: a live root ball of ${say(ballCm)} in a pot of ${say(widthCm)}` +
    (old ? `, before one of ${say(old.width)}.` : ".");
  // The ball hangs from the rim down and leaves some mix below it.
  const ballDeep = Math.min(depthCm * 0.82, ballCm);
  return (
    <figure className={classes.picture}>
      <svg viewBox={`0 0 ${wide + unit * 4} ${ground + unit * 2.2}`} role="img" aria-label={words}>
        <line
          className={classes.ground}
          x1="0"
          x2={wide + unit * 4}
          y1={ground}
          y2={ground}
          strokeWidth={unit * 0.06}
        />
        {old && (
          <text x={middle} y={ground - old.depth - unit * 0.6} fontSize={unit * 1.15} textAnchor="middle">
            {say(old.width)}
          </text>
        )}
        {old && (
          <path
            className={classes.before}
            d={outline(old, middle, ground)}
            strokeWidth={unit * 0.12}
            strokeDasharray={`${unit * 0.5} ${unit * 0.35}`}
          />
        )}
        <path className={classes.mix} d={`${outline({ width: widthCm, depth: depthCm }, middle, ground)} Z`} />
        <path
          className={classes.pot}
          d={outline({ width: widthCm, depth: depthCm }, middle, ground)}
          strokeWidth={unit * 0.2}
        />
        <ellipse
          className={classes.ball}
          cx={middle}
          cy={ground - depthCm + ballDeep / 2 + depthCm * 0.06}
          rx={ballCm / 2}
          ry={ballDeep / 2}
          strokeWidth={unit * 0.12}
        />
        <text x={middle} y={ground - depthCm / 2} fontSize={unit * 1.15} textAnchor="middle">
          {say(ballCm)}
        </text>
        <text x={middle} y={ground + unit * 1.5} fontSize={unit * 1.15} textAnchor="middle">
          {say(widthCm)}
        </text>
      </svg>
      <figcaption>{old ? "To scale. Dashed: the pot it stood in." : "To scale."}</figcaption>
    </figure>
  );
}
