import { useQuery } from "@tanstack/react-query";
import { answer, client } from "./client";
import { keys } from "./keys";

/** How pieces of a plant are taken, and what that came to here. */
export const useWays = (plant: string) =>
  useQuery({
    queryKey: keys.ways(plant),
    queryFn: () => answer(client.GET("/api/plants/{plant}/ways", { params: { path: { plant } } })),
  });

/** A plant's mother, sisters and pieces, and where each is now. */
export const useFamily = (plant: string, wanted: boolean) =>
  useQuery({
    queryKey: keys.family(plant),
    queryFn: () => answer(client.GET("/api/plants/{plant}/family", { params: { path: { plant } } })),
    enabled: wanted,
  });

/** What batches of pieces came to, by method and kind. */
export const useBatches = () => useQuery({ queryKey: keys.batches, queryFn: () => answer(client.GET("/api/batches")) });
