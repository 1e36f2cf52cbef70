import { notifications } from "@mantine/notifications";
import { type UseMutationResult, useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { answer, client, type NewEntry, Problem, type Schemas } from "./client";
import { newId } from "./id";
import { keys, recorded } from "./keys";
import { meant } from "./meant";
import { whenThere } from "./waiting";

/** An entry before it gets its id and is sent. */
export type Draft = Omit<NewEntry, "id"> & { id?: string };

/**
 * What was recorded is said even when whoever pressed it is gone by then: the row that was answered leaves the page
 * as soon as the record is read again, and its undo must not leave with it.
 */
function saidAnyway<Kept, Sent>(mutation: UseMutationResult<Kept, Error, Sent>) {
  const mutate = (sent: Sent, then?: { onSuccess?: (kept: Kept) => void }) => {
    // A failure stands in the mutation's own error.
    mutation.mutateAsync(sent).then(then?.onSuccess, () => {});
  };
  return { ...mutation, mutate };
}

/** Records the steps of a sitting that were done on one day: all of them or none. */
export function useDoSitting(plant: string) {
  const cache = useQueryClient();
  const mutation = useMutation({
    mutationFn: (body: Schemas["SittingDone"]) =>
      meant((despite) =>
        answer(
          client.POST("/api/plants/{plant}/sittings", { params: { path: { plant } }, body: { ...body, despite } }),
        ),
      ),
    onSuccess: () => recorded(cache, plant),
  });
  return saidAnyway(mutation);
}

/**
 * Records an entry on a plant: at once, or it fails and its form stays; an answer of one tap, which has no form to
 * stay in, waits for the connection. Its id is made once: the same entry sent again after it failed keeps its id, since
 * it may have been recorded while only the answer was lost.
 */
export function useRecord(plant: string, how: "at once" | "waits" = "at once") {
  const cache = useQueryClient();
  const failed = useRef<{ said: string; id: string }>(undefined);
  const mutation = useMutation({
    mutationFn: async (draft: Draft) => {
      const said = JSON.stringify({ ...draft, id: undefined });
      const id = draft.id ?? (failed.current?.said === said ? failed.current.id : newId());
      failed.current = { said, id };
      const send = () =>
        meant((despite) =>
          answer(
            client.POST("/api/plants/{plant}/entries", {
              params: { path: { plant } },
              body: { ...draft, id, despite },
            }),
          ),
        );
      return how === "waits" ? whenThere(send) : send();
    },
    onSuccess: () => {
      failed.current = undefined;
      return recorded(cache, plant);
    },
    // A conflict means that the record moved on: show what it says now. Its words stay, since what they stood
    // beside may be gone by then.
    onError: (error) => {
      if (error instanceof Problem && error.status === 409) {
        const fields = Object.values(error.fields);
        notifications.show({ message: [error.message, ...fields].join(" "), color: "ochre", autoClose: 15000 });
      }
      void cache.invalidateQueries({ queryKey: keys.plant(plant) });
    },
  });
  return saidAnyway(mutation);
}

/**
 * Records things of several plants, plant by plant as each would be alone, or the whole of it or nothing; without a
 * connection they wait.
 */
export function useMany(how: "by plant" | "whole" = "by plant") {
  const cache = useQueryClient();
  const failed = useRef<{ said: string; ids: string[] }>(undefined);
  const mutation = useMutation({
    mutationFn: (drafts: (Draft & { plant: string })[]) => {
      const said = JSON.stringify(drafts);
      // The same sent again after a failure keeps its ids, so that nothing is recorded twice.
      const ids = failed.current?.said === said ? failed.current.ids : drafts.map(() => newId());
      failed.current = { said, ids };
      const entries = drafts.map((d, i) => ({ ...d, id: d.id ?? ids[i] ?? newId() }));
      return whenThere(() => answer(client.POST("/api/entries", { body: { entries, whole: how === "whole" } })));
    },
    onSuccess: (_, drafts) => {
      failed.current = undefined;
      return recorded(cache, ...new Set(drafts.map((d) => d.plant)));
    },
  });
  return saidAnyway(mutation);
}
