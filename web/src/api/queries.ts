import { queryOptions } from "@tanstack/react-query";
import { answer, client } from "./client";
import { keys } from "./keys";

/** What is also written to: its key, how it is fetched, and its type, in one. */
export const queries = {
  session: queryOptions({
    queryKey: ["session"],
    queryFn: () => answer(client.GET("/api/session")),
    staleTime: 60_000,
  }),
  places: queryOptions({ queryKey: keys.places, queryFn: () => answer(client.GET("/api/places")) }),
  learning: queryOptions({ queryKey: keys.learning, queryFn: () => answer(client.GET("/api/learning")) }),
  settings: queryOptions({ queryKey: keys.settings, queryFn: () => answer(client.GET("/api/settings")) }),
  routine: queryOptions({ queryKey: keys.routine, queryFn: () => answer(client.GET("/api/routine")) }),
  supplies: queryOptions({ queryKey: keys.supplies, queryFn: () => answer(client.GET("/api/supplies")) }),
};
