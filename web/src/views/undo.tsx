import { Button, Group } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import dayjs from "dayjs";
import { useEffect, useRef } from "react";
import { useRecord, useSession } from "../api/hooks";
import { noteUndone, type Recent, remember, useRecent } from "./recent";

/** Takes an entry back, or brings back one that was taken back. */
function useTakeBack(plant: string) {
  const record = useRecord(plant);
  const session = useSession();
  const on = session.data?.today ?? dayjs().format("YYYY-MM-DD");
  // Whoever pressed it may be gone from the screen when the answer comes.
  const voiding = (entry: string, reason: string, done: (id: string) => void) =>
    record.mutateAsync({ on, voided: { entry, reason } }).then(
      (e) => done(e.id),
      () => {},
    );
  return {
    pending: record.isPending,
    undo: (one: Recent, then?: (undoneBy: string) => void) =>
      voiding(one.entry, "undone at once", (id) => {
        noteUndone(one.entry, id);
        then?.(id);
      }),
    bringBack: (one: Recent, undoneBy: string) =>
      voiding(undoneBy, "brought back at once", () => noteUndone(one.entry, undefined)),
  };
}

/**
 * Says that something was recorded and offers to undo it, instead of asking "are you sure" before; named where other
 * plants stand on the page as well.
 */
export function useUndo({ id: plant, name, place }: { id: string; name: string; place?: string }, named = false) {
  const take = useTakeBack(plant);
  return (said: string, entry: string) => {
    const one: Recent = { plant, name, said, entry, place };
    const what = named ? `${name}: ${said}` : said;
    remember(one);
    // One at a time: the newest is the one that people take back; the walk keeps the others.
    const id = "undo";
    const show = (message: string, label: string, act: () => void) => {
      notifications.hide(id);
      notifications.show({
        id,
        message: (
          <Group justify="space-between" wrap="nowrap">
            <span>{message}</span>
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => {
                notifications.hide(id);
                act();
              }}
            >
              {label}
            </Button>
          </Group>
        ),
      });
    };
    show(`Recorded: ${what}`, "Undo", () =>
      take.undo(one, (by) => show(`Undone: ${what}`, "Bring back", () => take.bringBack(one, by))),
    );
  };
}

/** What was recorded on this device just now and is not shown elsewhere, each of it to be undone and brought back. */
export function JustRecorded({ elsewhere }: { elsewhere: Recent[] }) {
  const recent = useRecent().filter((r) => !elsewhere.includes(r));
  if (recent.length === 0) return null;
  return (
    <details className="mt-18">
      <summary className="soft">Recorded just now: {recent.filter((r) => !r.undoneBy).length}</summary>
      <ul className="rows no-bullets p-0 mt-6 mb-0 max-620">
        {recent.map((r) => (
          <AnsweredRow key={r.entry} one={r} />
        ))}
      </ul>
    </details>
  );
}

/** Something recorded just now, with its way back. Where the row that was answered is gone, the focus comes here. */
export function AnsweredRow({ one }: { one: Recent }) {
  const take = useTakeBack(one.plant);
  const { undoneBy } = one;
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (document.activeElement === document.body) button.current?.focus({ preventScroll: true });
  }, []);
  return (
    <li className="flex gap-12 centre-y apart-x py-5 px-0">
      <span className={undoneBy ? "soft" : undefined}>
        <b>{one.name}</b>: {one.said}
        {undoneBy && " · undone"}
      </span>
      <Button
        ref={button}
        size="compact-sm"
        variant="default"
        loading={take.pending}
        onClick={() => (undoneBy ? take.bringBack(one, undoneBy) : take.undo(one))}
        aria-label={`${undoneBy ? "Bring back" : "Undo"}: ${one.name}, ${one.said}`}
      >
        {undoneBy ? "Bring back" : "Undo"}
      </Button>
    </li>
  );
}
