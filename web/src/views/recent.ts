import { shared } from "../api/shared";

/** Something that was recorded on this device just now, so that it can be undone. */
export interface Recent {
  plant: string;
  name: string;
  said: string;
  entry: string;
  /** Where it was answered on the walk; missing elsewhere. */
  place?: string;
  /** The entry that undid it; missing while it counts. */
  undoneBy?: string;
}

/** How many of them are kept: as many as a hand does between two thoughts. */
const most = 10;
const key = "recent";

function stored(): Recent[] {
  try {
    return JSON.parse(window.sessionStorage.getItem(key) ?? "[]");
  } catch {
    return [];
  }
}

const list = shared<Recent[]>(stored());

function write(next: Recent[]) {
  window.sessionStorage.setItem(key, JSON.stringify(next));
  list.set(next);
}

/** Keeps what was recorded, the newest first. */
export const remember = (one: Recent) =>
  write([one, ...list.get().filter((r) => r.entry !== one.entry)].slice(0, most));

/** Notes that it was undone, or brought back. */
export const noteUndone = (entry: string, undoneBy: string | undefined) =>
  write(list.get().map((r) => (r.entry === entry ? { ...r, undoneBy } : r)));

/** Forgets all of it: whoever signs in next has done none of it. */
export const forgetRecent = () => write([]);

export const useRecent = list.use;
