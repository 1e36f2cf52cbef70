import { sayQuantity, useUnits } from "../../../units";
import { Callout } from "./Callout";
import classes from "./Pictures.module.css";
import { layer, outline } from "./shapes";

interface DishPictureProps {
  depthMm: number;
  /** The longest root, where it was measured. */
  rootMm?: number | undefined;
  levelMm: number;
}

/** A pot in its dish, to scale: where the water stands, and how far down the longest root is. */
export function DishPicture({ depthMm, rootMm, levelMm }: DishPictureProps) {
  const [system] = useUnits();
  if (depthMm <= 0) return null;
  const tall = 7.5; // the pot fills the height of the picture
  const unit = tall / depthMm;
  const pot = { width: tall, depth: tall };
  const middle = 5.5;
  const ground = 8.5;
  const brim = ground - Math.max(levelMm * unit, 1.4) - 0.4;
  const level = Math.max(0, levelMm) * unit;
  const root = rootMm === undefined ? undefined : Math.min(rootMm, depthMm) * unit;
  const say = (mm: number) => sayQuantity(mm, "mm", system);
  const water = levelMm > 0 ? `water to ${say(levelMm)}` : "no water any more";
  const words =
    `To scale: a pot ${say(depthMm)} deep over a dish, ${water}` +
    (rootMm === undefined ? "." : `, its longest root ${say(rootMm)}.`);
  return (
    <figure className={classes.picture}>
      <svg viewBox="0 0 21 9.2" role="img" aria-label={words}>
        <rect className={classes.pool} x="0.4" y={ground - level} width="10.2" height={level} />
        <path className={classes.mix} d={layer(pot, level, tall, middle, ground)} />
        <path className={classes.pot} d={outline(pot, middle, ground)} strokeWidth="0.14" />
        <path
          className={classes.pot}
          d={`M0.4 ${brim} L0.4 ${ground + 0.25} L10.6 ${ground + 0.25} L10.6 ${brim}`}
          strokeWidth="0.14"
        />
        {root !== undefined && (
          <>
            <path
              className={classes.root}
              d={`M${middle} ${ground - tall} q0.8 ${root / 4} 0 ${root / 2} t0 ${root / 2}`}
              strokeWidth="0.3"
            />
            <Callout
              from={middle + 0.4}
              at={ground - tall + root}
              to={11.6}
              said={`longest root ${say(rootMm ?? 0)}`}
            />
          </>
        )}
        <Callout from={10.6} at={ground - level / 2} to={11.6} said={water} />
      </svg>
      <figcaption>To scale.</figcaption>
    </figure>
  );
}
