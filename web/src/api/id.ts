import { v7 } from "uuid";

/** A new id for something that is about to be recorded; it sorts by the time it was made. */
export const newId = (): string => v7();
