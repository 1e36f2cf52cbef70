import { shared } from "../api/shared";

/** An entry, with its plant. */
export interface EntryOf {
  plant: string;
  entry: string;
}

/** Something that was recorded on this device just now, of one plant or of several, so that it can be undone. */
export interface Recent {
  name: string;
  said: string;
  of: EntryOf[];
  /** Where it was answered on the walk; missing elsewhere. */
  place?: string;
  /** The entries that undid it; missing while it counts. */
  undoneBy?: EntryOf[];
}

/** What tells one from another. */
export const recentKey = (one: Recent) => one.of[0]?.entry ?? one.said;

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
  write([one, ...list.get().filter((r) => recentKey(r) !== recentKey(one))].slice(0, most));

/** Notes that it was undone, or brought back. */
export const noteUndone = (one: Recent, undoneBy: EntryOf[] | undefined) =>
  write(list.get().map((r) => (recentKey(r) === recentKey(one) ? { ...r, undoneBy } : r)));

/** Forgets all of it: whoever signs in next has done none of it. */
export const forgetRecent = () => write([]);

export const useRecent = list.use;
