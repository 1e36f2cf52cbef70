import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { type Answers, answer, client, type LookAnswers, type Schemas } from "./client";
import { keys, ofDecision, ofPlant } from "./keys";
import { queries } from "./queries";

export const useSession = () => useQuery(queries.session);

export const usePlaces = () => useQuery(queries.places);

/** The walk. Others may be walking too: it is asked again when it is looked at again, and every half minute. */
export const useRounds = (limit: number, minutes = 0) =>
  useQuery({
    queryKey: keys.walk(limit, minutes),
    queryFn: () => answer(client.GET("/api/rounds", { params: { query: { limit, minutes: minutes || undefined } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
    refetchOnWindowFocus: "always",
  });

export interface RegisterFilter {
  q?: string;
  place?: string;
  standing?: string;
  stage?: string;
  isolation?: string;
  tag?: string;
  /** Only these, by id. */
  plants?: string[];
  sort?: "name" | "due" | "condition" | "newest" | "oldest";
}

export const useRegister = (filter: RegisterFilter) =>
  useInfiniteQuery({
    queryKey: keys.register(filter),
    queryFn: ({ pageParam }) =>
      answer(client.GET("/api/plants", { params: { query: { ...filter, after: pageParam, limit: 40 } } })),
    initialPageParam: "",
    getNextPageParam: (last) => last.next || undefined,
    placeholderData: keepPreviousData,
  });

/** A plant's file, read for one of its cases; for the case in hand where none is named. */
export const usePlant = (plant: string, of = "") =>
  useQuery({
    queryKey: keys.file(plant, of),
    queryFn: () =>
      answer(client.GET("/api/plants/{plant}", { params: { path: { plant }, query: of ? { case: of } : {} } })),
    placeholderData: ofPlant(plant),
    enabled: plant !== "",
  });

export const useEntries = (plant: string) =>
  useQuery({
    queryKey: keys.entries(plant),
    queryFn: () => answer(client.GET("/api/plants/{plant}/entries", { params: { path: { plant } } })),
  });

/** The differential of the answers given; signs of the record that are overruled do not count. */
export const useDifferential = (plant: string, answered: LookAnswers, overruled: string[]) =>
  useQuery({
    queryKey: keys.differential(plant, answered, overruled),
    queryFn: () =>
      answer(
        client.POST("/api/plants/{plant}/differential", {
          params: { path: { plant } },
          body: { ...answered, overruled },
        }),
      ),
    placeholderData: ofPlant(plant),
  });

/**
 * The plan of the answers given for what was decided (the id of that entry); keeps tells that it takes over the plan
 * in hand, and what is done of it.
 */
export const usePlanPreview = (plant: string, decided: string, answers: Answers, keeps: boolean, of?: string) =>
  useQuery({
    queryKey: keys.preview(plant, decided, answers, keeps, of),
    queryFn: ({ signal }) =>
      answer(
        client.POST("/api/plants/{plant}/plan", {
          params: { path: { plant } },
          body: { answers, keeps, case: of },
          signal,
        }),
      ),
    placeholderData: ofDecision(plant, decided),
    retry: false,
  });

/** Where the trade disagrees about that plan: each side is a plan of its own, so it comes after the plan itself. */
export const usePlanChoices = (plant: string, decided: string, answers: Answers, keeps: boolean, of?: string) =>
  useQuery({
    queryKey: keys.choices(plant, decided, answers, keeps, of),
    queryFn: ({ signal }) =>
      answer(
        client.POST("/api/plants/{plant}/plan/choices", {
          params: { path: { plant } },
          body: { answers, keeps, case: of },
          signal,
        }),
      ),
    placeholderData: ofDecision(plant, decided),
    retry: false,
  });

export const useGuide = (habit: string, at: "home" | "sale") =>
  useQuery({
    queryKey: ["guide", habit, at],
    queryFn: () => answer(client.GET("/api/guide", { params: { query: { habit, at } } })),
    staleTime: Number.POSITIVE_INFINITY,
    enabled: habit !== "",
  });

export const useAppraisal = (offer: Schemas["AppraisalInputBody"], wanted: boolean) =>
  useQuery({
    queryKey: ["appraisal", offer],
    queryFn: () => answer(client.POST("/api/appraisal", { body: offer })),
    placeholderData: keepPreviousData,
    enabled: wanted,
  });

/** Several offers beside each other. */
export const useBeside = (asked: Schemas["RankInputBody"]) =>
  useQuery({
    queryKey: ["offers-beside", asked],
    queryFn: () => answer(client.POST("/api/appraisal/beside", { body: asked })),
    placeholderData: keepPreviousData,
    enabled: asked.offers.length > 0,
  });

/** What the answers about any plant point to; the last answer stays until the next one is here. */
export const useTrouble = (said: Schemas["TroubleInputBody"], wanted: boolean) =>
  useQuery({
    queryKey: ["trouble", said],
    queryFn: () => answer(client.POST("/api/trouble", { body: said })),
    placeholderData: keepPreviousData,
    enabled: wanted,
  });

/** The signs that everyday words may mean, likeliest first. */
export const useSigns = (words: string) =>
  useQuery({
    queryKey: ["signs", words],
    queryFn: () => answer(client.GET("/api/signs", { params: { query: { words } } })),
    placeholderData: keepPreviousData,
    enabled: words !== "",
  });

export const useTally = (tally: Schemas["Tally"], potWidthCm: number | undefined) =>
  useQuery({
    queryKey: ["tally", tally, potWidthCm],
    queryFn: () => answer(client.POST("/api/tally", { body: { tally, potWidthCm } })),
    placeholderData: keepPreviousData,
  });

export type Span = "half-year" | "year" | "whole";

/** A look back over a plant, or over one of its cases. */
export const useReview = (plant: string, span: Span, of = "") =>
  useQuery({
    queryKey: keys.review(plant, span, of),
    queryFn: () =>
      answer(
        client.GET("/api/plants/{plant}/review", {
          params: { path: { plant }, query: of ? { span, case: of } : { span } },
        }),
      ),
  });

/** How well drying was foretold. */
export const useReliability = () =>
  useQuery({ queryKey: keys.reliability, queryFn: () => answer(client.GET("/api/reliability")) });

/** A look back over the collection. */
export const useCollectionReview = (span: Span) =>
  useQuery({
    queryKey: keys.collectionReview(span),
    queryFn: () => answer(client.GET("/api/review", { params: { query: { span } } })),
  });
