import { Button, Group } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import { useQueryClient } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useEffect, useRef } from "react";
import { queries } from "../api/queries";
import { useMany } from "../api/recording";
import { type EntryOf, noteUndone, type Recent, recentKey, remember, useRecent } from "./recent";

/** Takes entries back, or brings back what was taken back. */
function useTakeBack() {
  const many = useMany();
  const client = useQueryClient();
  const today = () => client.getQueryData(queries.session.queryKey)?.today ?? dayjs().format("YYYY-MM-DD");
  // Whoever pressed it may be gone from the screen when the answer comes.
  const voiding = (of: EntryOf[], reason: string, done: (by: EntryOf[]) => void) =>
    many.mutateAsync(of.map(({ plant, entry }) => ({ plant, on: today(), voided: { entry, reason } }))).then(
      ({ kept, refused }) => {
        if (refused.length === 0) return done(kept);
        notifications.show({ message: refused.map((r) => r.problem.detail).join(" "), color: "ochre" });
      },
      () => {},
    );
  const undo = (one: Recent, what: string) =>
    voiding(one.of, "undone at once", (by) => {
      noteUndone(one, by);
      // The row that was undone may stand on the walk again, and no longer say so itself.
      notice(`Undone: ${what}`, "Bring back", () => bringBack(one, by));
    });
  const bringBack = (one: Recent, undoneBy: EntryOf[]) =>
    voiding(undoneBy, "brought back at once", () => noteUndone(one, undefined));
  return { pending: many.isPending, undo, bringBack };
}

/** Says what was done, with one button; one at a time, the newest is the one that people take back. */
function notice(message: string, label: string, act: () => void) {
  const id = "undo";
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
}

/** Says that something was recorded and offers to undo it, instead of asking "are you sure" before. */
function useSaid() {
  const take = useTakeBack();
  return (one: Recent, what: string) => {
    remember(one);
    notice(`Recorded: ${what}`, "Undo", () => take.undo(one, what));
  };
}

/** The undo of one entry of a plant; it is named where other plants stand on the page as well. */
export function useUndo({ id: plant, name, place }: { id: string; name: string; place?: string }, named = false) {
  const told = useSaid();
  return (said: string, entry: string) =>
    told({ name, said, of: [{ plant, entry }], place }, named ? `${name}: ${said}` : said);
}

/** The one undo of what was recorded of several plants. */
export function useUndoMany() {
  const told = useSaid();
  return (said: string, name: string, of: EntryOf[]) => told({ name, said, of }, `${name}: ${said}`);
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
          <AnsweredRow key={recentKey(r)} one={r} />
        ))}
      </ul>
    </details>
  );
}

/** Something recorded just now, with its way back. Where the row that was answered is gone, the focus comes here. */
export function AnsweredRow({ one }: { one: Recent }) {
  const take = useTakeBack();
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
        onClick={() => (undoneBy ? take.bringBack(one, undoneBy) : take.undo(one, `${one.name}: ${one.said}`))}
        aria-label={`${undoneBy ? "Bring back" : "Undo"}: ${one.name}, ${one.said}`}
      >
        {undoneBy ? "Bring back" : "Undo"}
      </Button>
    </li>
  );
}
