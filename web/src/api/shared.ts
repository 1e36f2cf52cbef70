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
    /** Resolves as soon as it is so. */
    until: (wanted: T) =>
      new Promise<void>((resolve) => {
        const tell = () => {
          if (value !== wanted) return;
          listeners.delete(tell);
          resolve();
        };
        listeners.add(tell);
        tell();
      }),
    use: () => useSyncExternalStore(subscribe, () => value),
  };
}
