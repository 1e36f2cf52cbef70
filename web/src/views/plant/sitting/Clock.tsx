import { Button } from "@mantine/core";
import { useEffect, useState } from "react";
import { sayCount } from "../../words";
import classes from "../Work.module.css";

/** A clock that goes on when the page is left, and says when it is done. */
export function Clock({
  minutes,
  until,
  set,
}: {
  minutes: number;
  until?: number;
  set: (until: number | undefined) => void;
}) {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const tick = window.setInterval(() => setNow(Date.now()), 1000);
    return () => window.clearInterval(tick);
  }, []);
  if (until === undefined) {
    return (
      <Button
        mt="sm"
        variant="default"
        onClick={() => {
          const start = Date.now();
          setNow(start);
          set(start + minutes * 60_000);
        }}
      >
        Start the clock: {minutes >= 120 ? sayCount(minutes / 60, "hour") : sayCount(minutes, "minute")}
      </Button>
    );
  }
  const left = Math.max(0, Math.ceil((until - now) / 1000));
  const pad = (n: number) => String(n).padStart(2, "0");
  return (
    <p role="timer" className={classes.clock}>
      {left === 0 ? (
        <b className="kelp">The time is up.</b>
      ) : (
        <b className="numbers">
          {left >= 3600 && `${Math.floor(left / 3600)}:`}
          {pad(Math.floor(left / 60) % 60)}:{pad(left % 60)}
        </b>
      )}{" "}
      <button type="button" className="linkbutton small soft" onClick={() => set(undefined)}>
        stop the clock
      </button>
    </p>
  );
}
