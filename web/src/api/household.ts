import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { keys } from "./keys";
import { meant } from "./meant";
import { queries } from "./queries";

export const useBench = () =>
  useQuery({
    queryKey: ["bench"],
    queryFn: () => answer(client.GET("/api/bench")),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Keeps a recipe of the collection's own by its name, or takes it out. */
export function useKeepRecipe() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["KeptRecipe"]) => answer(client.PUT("/api/bench/recipes", { body })),
    onSuccess: (tables) => cache.setQueryData(["bench"], tables),
  });
}

/** Keeps a medium of the collection's own by its name, or takes it out. */
export function useKeepMedium() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["KeptMedium"]) => answer(client.PUT("/api/bench/media", { body })),
    onSuccess: (tables) => cache.setQueryData(["bench"], tables),
  });
}

export const useSettings = () => useQuery(queries.settings);

export function useSaveHousehold() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["Household"]) => answer(client.PUT("/api/settings/household", { body })),
    onSuccess: (settled) => {
      cache.setQueryData(queries.settings.queryKey, settled);
      return cache.invalidateQueries({ queryKey: keys.plants });
    },
  });
}

export const useRoutine = () => useQuery(queries.routine);

/** Switches jobs of ordinary care off for the whole collection, or on again. */
export function useSaveRoutine() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (off: string[]) => answer(client.PUT("/api/routine", { body: { off } })),
    onSuccess: (settled) => {
      cache.setQueryData(queries.routine.queryKey, settled);
      return Promise.all([
        cache.invalidateQueries({ queryKey: keys.plants }),
        cache.invalidateQueries({ queryKey: keys.rounds }),
      ]);
    },
  });
}

export function useSaveChoices() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Record<string, string>) => answer(client.PUT("/api/settings/choices", { body })),
    onSuccess: (settled) => cache.setQueryData(queries.settings.queryKey, settled),
  });
}

export const useSupplies = () => useQuery(queries.supplies);

export function useSaveSupply() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...body }: { id: string } & Schemas["SupplyInputBody"]) =>
      answer(client.PUT("/api/supplies/{supply}", { params: { path: { supply: id } }, body })),
    onSuccess: (list) => cache.setQueryData(queries.supplies.queryKey, list),
    onError: () => void cache.invalidateQueries({ queryKey: keys.supplies }),
  });
}

export function useStock() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: ({ supply, ...body }: { supply: string } & Schemas["StockInputBody"]) =>
      meant((despite) =>
        answer(
          client.POST("/api/supplies/{supply}/stock", { params: { path: { supply } }, body: { ...body, despite } }),
        ),
      ),
    onSuccess: (list) => cache.setQueryData(queries.supplies.queryKey, list),
  });
}

export const useShopping = (plant: string) =>
  useQuery({
    queryKey: keys.shopping(plant),
    queryFn: () => answer(client.GET("/api/plants/{plant}/shopping", { params: { path: { plant } } })),
  });
