import { type NewEntry, Problem } from "./client";
import { shared } from "./shared";

/** What is likely a mistake, in words, and the way to say whether it is meant. */
export interface Question {
  said: string[];
  answer: (meant: boolean) => void;
}

const open = shared<Question | undefined>(undefined);

/** Asks whether something is meant, and waits for the answer. */
const isItMeant = (said: string[]) =>
  new Promise<boolean>((resolve) => {
    open.get()?.answer(false);
    open.set({
      said,
      answer: (meant) => {
        open.set(undefined);
        resolve(meant);
      },
    });
  });

export const useQuestion = open.use;

/** Sends what may be a mistake again with what was accepted, where the person says that it is meant. */
export async function meant<T>(send: (despite?: NewEntry["despite"]) => Promise<T>): Promise<T> {
  try {
    return await send();
  } catch (error) {
    if (!(error instanceof Problem) || error.concerns.length === 0) throw error;
    if (await isItMeant(error.concerns.map((c) => c.said))) return send(error.concerns.map((c) => c.id));
    throw new Problem(error.status, `Not recorded. ${error.message}`, {}, error.concerns);
  }
}
