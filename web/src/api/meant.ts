import { shared } from "./shared";

/** What is likely a mistake, in words, and the way to say whether it is meant. */
export interface Question {
  said: string[];
  answer: (meant: boolean) => void;
}

const open = shared<Question | undefined>(undefined);

/** Asks whether something is meant, and waits for the answer. */
export const isItMeant = (said: string[]) =>
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
