import { shared } from "./shared";

const there = shared(true);

/** Whether the server answers. Every request tells; whoever shows it listens. */
export const connection = {
  there: there.get,
  lost: () => there.set(false),
  back: () => there.set(true),
  /** Resolves when there is one again. */
  again: () => there.until(true),
};

export const useConnection = there.use;
