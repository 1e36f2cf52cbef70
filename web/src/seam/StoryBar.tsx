import type { Curve } from "./Curve";
import classes from "./Story.module.css";
import type { useSeamView } from "./view";

interface StoryBarProps {
  curves: Curve[];
  curve: Curve | undefined;
  choose: (id: string) => void;
  seamView: ReturnType<typeof useSeamView>;
  zooms: boolean;
}

/** Which curve lies above the seam, and how near one looks. */
export function StoryBar({ curves, curve, choose, seamView, zooms }: StoryBarProps) {
  return (
    <div className={classes.bar}>
      {curves.length > 1 && (
        <fieldset className={classes.curves}>
          <legend className={classes.legend}>Above it</legend>
          {curves.map((c) => (
            <button
              key={c.id}
              type="button"
              aria-pressed={c.id === curve?.id}
              className={classes.pick}
              onClick={() => choose(c.id)}
            >
              {c.name}
            </button>
          ))}
        </fieldset>
      )}
      {zooms && (
        <span className={classes.zoom}>
          <button type="button" className={classes.pick} onClick={seamView.wider} aria-label="Show more days">
            −
          </button>
          <button type="button" className={classes.pick} onClick={seamView.closer} aria-label="Show fewer days">
            +
          </button>
          {seamView.zoomed && (
            <button type="button" className={classes.pick} onClick={seamView.reset}>
              all of it
            </button>
          )}
        </span>
      )}
    </div>
  );
}
