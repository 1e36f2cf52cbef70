import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { keys } from "./keys";
import { queries } from "./queries";

export const useKnowledge = () =>
  useQuery({
    queryKey: ["knowledge"],
    queryFn: () => answer(client.GET("/api/knowledge")),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What light comes from, to pick one. */
export const useLights = () =>
  (useKnowledge().data?.lights ?? []).map((l) => ({ value: l.id as string, label: l.label }));

export const useProfiles = (words: string) =>
  useQuery({
    queryKey: [...keys.profiles, words],
    queryFn: () => answer(client.GET("/api/profiles", { params: { query: { q: words } } })),
    placeholderData: keepPreviousData,
  });

export const useCause = (cause: string) =>
  useQuery({
    queryKey: ["cause", cause],
    queryFn: () => answer(client.GET("/api/causes/{cause}", { params: { path: { cause } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useSign = (sign: string) =>
  useQuery({
    queryKey: ["sign", sign],
    queryFn: () => answer(client.GET("/api/signs/{sign}", { params: { path: { sign } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useLookAlikes = (causes: string[]) =>
  useQuery({
    queryKey: ["look-alikes", causes],
    queryFn: () => answer(client.GET("/api/look-alikes", { params: { query: { causes: causes.join(",") } } })),
    staleTime: Number.POSITIVE_INFINITY,
    enabled: causes.length > 1,
  });

export const useConfirmed = () =>
  useQuery({ queryKey: keys.confirmed, queryFn: () => answer(client.GET("/api/confirmed")) });

export const useLearning = () => useQuery(queries.learning);

/** The tables and what the cases teach on the same cases; asked for, since it takes a moment. */
export const useLearningScores = (wanted: boolean) =>
  useQuery({
    queryKey: keys.learningScores,
    queryFn: () => answer(client.GET("/api/learning/scores")),
    enabled: wanted,
  });

/** Switches on or off what the cases teach. */
export function useSaveSwitches() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["Switches"]) => answer(client.PUT("/api/learning", { body })),
    onSuccess: (learning) => {
      cache.setQueryData(queries.learning.queryKey, learning);
      void cache.invalidateQueries({ queryKey: keys.learningScores });
      return cache.invalidateQueries({ queryKey: keys.plants });
    },
  });
}

/** The printed key of a kind. */
export const useKey = (kind: string) =>
  useQuery({
    queryKey: ["key", kind],
    queryFn: () => answer(client.GET("/api/profiles/{kind}/key", { params: { path: { kind } } })),
  });

/** All kinds, the collection's own first. */
export const useKinds = () =>
  useQuery({
    queryKey: keys.kinds,
    queryFn: () => answer(client.GET("/api/profiles", { params: { query: { limit: 0 } } })),
    staleTime: 60_000,
  });

export const useKind = (kind: string) =>
  useQuery({
    queryKey: keys.kind(kind),
    queryFn: () => answer(client.GET("/api/profiles/{kind}", { params: { path: { kind } } })),
    enabled: kind !== "",
  });

/** Saves a version of a kind of the collection's own. */
export function useSaveKind() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...body }: { id: string } & Schemas["KindInputBody"]) =>
      answer(client.PUT("/api/profiles/{kind}", { params: { path: { kind: id } }, body })),
    onSuccess: () =>
      Promise.all(
        [keys.kinds, keys.profiles, keys.plants, keys.collection].map((queryKey) =>
          cache.invalidateQueries({ queryKey }),
        ),
      ),
  });
}

/** What the season brings to plants indoors. */
export const useSeason = () => useQuery({ queryKey: keys.season, queryFn: () => answer(client.GET("/api/season")) });
