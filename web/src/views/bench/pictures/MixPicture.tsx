import { sayQuantity, useUnits } from "../../../units";
import { Callout } from "./Callout";
import classes from "./Pictures.module.css";
import { halfAt, layer, outline } from "./shapes";

interface MixPictureProps {
  parts: { what: string; parts: number; litres?: number }[];
}

const pot = { width: 12, depth: 11 };
const patterns = ["fine", "dots", "rising", "both", "falling", "coarse"];

/** A mix as layers in a pot, each as high as its part. */
export function MixPicture({ parts }: MixPictureProps) {
  const [system] = useUnits();
  const used = parts.filter((p) => p.parts > 0 && p.what.trim() !== "");
  const sum = used.reduce((n, p) => n + p.parts, 0);
  if (sum === 0) return null;
  const ground = pot.depth + 1;
  let up = 0;
  const layers = used.map((p, i) => {
    const from = up;
    up += (p.parts / sum) * pot.depth;
    const share = `${Math.round((p.parts / sum) * 100)} %`;
    const litres = p.litres === undefined ? "" : `, ${sayQuantity(p.litres, "l", system)}`;
    return { ...p, from, to: up, pattern: patterns[i % patterns.length], said: `${p.what}: ${share}${litres}` };
  });
  return (
    <figure className={classes.picture}>
      <svg
        viewBox={`0 0 30 ${ground + 1}`}
        role="img"
        aria-label={`In the pot: ${layers.map((l) => l.said).join("; ")}.`}
      >
        <Patterns />
        {layers.map((l) => (
          <g key={`${l.what} ${l.from}`}>
            <path className={classes.layer} d={layer(pot, l.from, l.to, 7, ground)} />
            <path d={layer(pot, l.from, l.to, 7, ground)} fill={`url(#mix-${l.pattern})`} />
            <Callout
              from={7 + halfAt(pot, (l.from + l.to) / 2)}
              at={ground - (l.from + l.to) / 2}
              to={14.3}
              said={l.said}
            />
          </g>
        ))}
        <path className={classes.pot} d={outline(pot, 7, ground)} strokeWidth="0.16" />
      </svg>
      <figcaption>By parts, before it is mixed.</figcaption>
    </figure>
  );
}

/** Textures: colour alone would tell nothing to some. */
function Patterns() {
  const line = (d: string) => <path d={d} className={classes.texture} strokeWidth="0.08" />;
  return (
    <defs>
      {(
        [
          ["fine", 0.5, <circle key="a" cx="0.25" cy="0.25" r="0.05" className={classes.grain} />],
          ["dots", 0.9, <circle key="b" cx="0.45" cy="0.45" r="0.17" className={classes.grain} />],
          ["rising", 0.8, line("M0 0.8 L0.8 0")],
          ["both", 0.8, line("M0 0.8 L0.8 0 M0 0 L0.8 0.8")],
          ["falling", 0.8, line("M0 0 L0.8 0.8")],
          ["coarse", 1.4, <circle key="c" cx="0.7" cy="0.7" r="0.42" className={classes.ring} strokeWidth="0.1" />],
        ] as const
      ).map(([id, size, mark]) => (
        <pattern key={id} id={`mix-${id}`} width={size} height={size} patternUnits="userSpaceOnUse">
          {mark}
        </pattern>
      ))}
    </defs>
  );
}
