import classes from "./Pictures.module.css";

interface CalloutProps {
  /** Where the line begins, and at which height. */
  from: number;
  at: number;
  /** Where the words stand, to the right of it. */
  to: number;
  said: string;
}

/** Words beside a layer, with a line to it. */
export function Callout({ from, at, to, said }: CalloutProps) {
  return (
    <>
      <line className={classes.ground} x1={from} x2={to - 0.3} y1={at} y2={at} strokeWidth="0.05" />
      <text x={to} y={at + 0.3} fontSize="0.9">
        {said}
      </text>
    </>
  );
}
