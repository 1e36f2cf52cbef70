import { useEffect } from "react";

const begun = new Set<() => Promise<unknown>>();

/** Fetches what a page opens later while the page rests, so that it opens without a connection too. */
export function useAtRest(fetched: () => Promise<unknown>) {
  useEffect(() => {
    if (begun.has(fetched)) return;
    begun.add(fetched);
    const soon = globalThis.requestIdleCallback ?? ((f: () => void) => setTimeout(f, 2000));
    soon(() => void fetched().catch(() => begun.delete(fetched)));
  }, [fetched]);
}
