import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { recorded } from "./keys";

/** Takes plants out of a shared pot, each into one of its own: all of them or none. */
export function useTakeOut(plant: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["TakeOutInputBody"]) =>
      answer(client.POST("/api/plants/{plant}/pot/out", { params: { path: { plant } }, body })),
    onSuccess: () => recorded(cache, plant),
  });
}
