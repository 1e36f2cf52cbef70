import { startTransition, useEffect, useState } from "react";
import type { Schemas } from "../api/client";

/** How many rows of a long list are drawn in one go: a phone draws them while one reads the first. */
const step = 10;

/** How many rows of a list are drawn by now: some at first, then more, so that no tap is kept waiting. */
export function useDrawn(rows: number) {
  const [drawn, setDrawn] = useState(step);
  useEffect(() => {
    if (drawn < rows) startTransition(() => setDrawn(drawn + step));
  }, [drawn, rows]);
  return drawn;
}

/** The first stops of a walk, at their places. */
export function firstStops(places: Schemas["WalkPlace"][], n: number) {
  let left = n;
  return places.map((p) => {
    const stops = (p.stops ?? []).slice(0, left);
    left -= stops.length;
    return { ...p, stops };
  });
}
