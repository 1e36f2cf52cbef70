import { Problem } from "./client";
import { connection } from "./connection";
import { shared } from "./shared";

const waiting = shared(0);

/** How many answers are kept on this page until the connection is back. */
export const useWaiting = waiting.use;

/**
 * Sends, and where there is no connection keeps what is sent until it is back. What is sent keeps its id, so that
 * nothing is recorded twice where only the answer was lost.
 */
export async function whenThere<T>(send: () => Promise<T>): Promise<T> {
  let kept = false;
  try {
    for (;;) {
      try {
        return await send();
      } catch (error) {
        if (!(error instanceof Problem) || error.status !== 0) throw error;
      }
      if (!kept) waiting.set(waiting.get() + 1);
      kept = true;
      await connection.again();
    }
  } finally {
    if (kept) waiting.set(waiting.get() - 1);
  }
}
