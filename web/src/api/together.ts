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

/** Plants side by side; with sisters, sound ones of the first one's kind as well. */
export const useComparison = (plants: string[], sisters: boolean) =>
  useQuery({
    queryKey: keys.comparison(plants, sisters),
    queryFn: () => answer(client.GET("/api/compare", { params: { query: { plants, sisters } } })),
    enabled: plants.length > 0,
  });
