import { useSyncExternalStore } from "react";

/** A value outside of the tree that several parts of the screen share. */
export function shared<T>(first: T) {
  let value = first;
  const listeners = new Set<() => void>();
  const subscribe = (tell: () => void) => {
    listeners.add(tell);
    return () => {
      listeners.delete(tell);
    };
  };
  return {
    get: () => value,
    set(next: T) {
      if (next === value) return;
      value = next;
      for (const tell of listeners) tell();
    },
    use: () => useSyncExternalStore(subscribe, () => value),
  };
}
