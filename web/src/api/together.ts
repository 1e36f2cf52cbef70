import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { answer, client, type LookAnswers } from "./client";
import { keys } from "./keys";

/** What each of some plants may have, by what was answered of it. */
export const useDifferentials = (plants: { id: string; said: LookAnswers }[]) =>
  useQueries({
    queries: plants.map(({ id, said }) => ({
      queryKey: keys.differential(id, said, []),
      queryFn: () =>
        answer(
          client.POST("/api/plants/{plant}/differential", {
            params: { path: { plant: id } },
            body: { ...said, overruled: [] },
          }),
        ),
      placeholderData: keepPreviousData,
      enabled: said.present.length + said.absent.length > 0,
    })),
  });

/** What plants of one tag want done by today. */
export const useBenchDay = (tag: string) =>
  useQuery({
    queryKey: keys.benchDay(tag),
    queryFn: () => answer(client.GET("/api/bench-day", { params: { query: { tag } } })),
    enabled: tag !== "",
  });
