import { lazy, Suspense } from "react";
import type { Picking } from "./picked";

const ManyBar = lazy(async () => ({ default: (await import("./ManyBar")).ManyBar }));

/** What can be done to the picked plants, fetched when the first is picked. */
export function WhenPicked({ picking, today }: { picking: Picking; today: string }) {
  if (picking.plants.length === 0) return null;
  return (
    <Suspense fallback={null}>
      <ManyBar picking={picking} today={today} />
    </Suspense>
  );
}
