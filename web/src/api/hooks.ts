import { notifications } from "@mantine/notifications";
import { keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import {
  type Answers,
  answer,
  client,
  type LookAnswers,
  type NewEntry,
  Problem,
  problemOf,
  type Schemas,
} from "./client";
import { newId } from "./id";
import { keys, ofDecision, ofPlant, recorded } from "./keys";
import { jsonLines } from "./lines";
import { isItMeant } from "./meant";
import { queries } from "./queries";

export const useSession = () => useQuery(queries.session);

export const useKnowledge = () =>
  useQuery({
    queryKey: ["knowledge"],
    queryFn: () => answer(client.GET("/api/knowledge")),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useProfiles = (words: string) =>
  useQuery({
    queryKey: [...keys.profiles, words],
    queryFn: () => answer(client.GET("/api/profiles", { params: { query: { q: words } } })),
    placeholderData: keepPreviousData,
  });

export const usePlaces = () => useQuery(queries.places);

/** The walk. Others may be walking too: it is asked again when it is looked at again, and every half minute. */
export const useRounds = (limit: number) =>
  useQuery({
    queryKey: [...keys.rounds, limit],
    queryFn: () => answer(client.GET("/api/rounds", { params: { query: { limit } } })),
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

/** Takes in a file of confirmed cases of other collections. */
export function useTakeCases() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) =>
      answer(
        client.POST("/api/confirmed/cases", {
          body: await file.text(),
          // The file goes as it is: the server reads it and names what is wrong in it.
          bodySerializer: (text) => text,
          headers: { "Content-Type": "application/json" },
        }),
      ),
    onSuccess: () => cache.invalidateQueries({ queryKey: keys.learning }),
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

/** What light comes from, to pick one. */
export const useLights = () =>
  (useKnowledge().data?.lights ?? []).map((l) => ({ value: l.id as string, label: l.label }));

export const useBench = () =>
  useQuery({
    queryKey: ["bench"],
    queryFn: () => answer(client.GET("/api/bench")),
    staleTime: Number.POSITIVE_INFINITY,
  });

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
      answer(client.POST("/api/supplies/{supply}/stock", { params: { path: { supply } }, body })),
    onSuccess: (list) => cache.setQueryData(queries.supplies.queryKey, list),
  });
}

export const useShopping = (plant: string) =>
  useQuery({
    queryKey: keys.shopping(plant),
    queryFn: () => answer(client.GET("/api/plants/{plant}/shopping", { params: { path: { plant } } })),
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

/** A look back over the collection. */
export const useCollectionReview = (span: Span) =>
  useQuery({
    queryKey: keys.collectionReview(span),
    queryFn: () => answer(client.GET("/api/review", { params: { query: { span } } })),
  });

/** Sends the bytes of a file as they are. */
const asBytes = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { "Content-Type": "application/octet-stream" },
};

/** Sends a picture; the id is made once, so that trying again does nothing twice. */
export const useSendPicture = (plant: string) =>
  useMutation({
    mutationFn: ({ id, file }: { id: string; file: Blob }) =>
      answer(
        client.PUT("/api/plants/{plant}/pictures/{picture}", {
          params: { path: { plant, picture: id } },
          body: file as unknown as string,
          ...asBytes,
        }),
      ),
  });

type ImportLine = Schemas["ImportLine"];

/** Takes a file over into the collection, and tells how far it has come. */
export function useImport(tell: (progress: Schemas["Progress"]) => void) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async ({ file, as }: { file: Blob; as?: Record<string, string> }) => {
      const call = client.POST("/api/import", {
        params: { query: as ? { as: JSON.stringify(as) } : {} },
        body: file as unknown as string,
        bodySerializer: asBytes.bodySerializer,
        headers: { ...asBytes.headers, Accept: "application/x-ndjson" },
        parseAs: "stream",
      });
      const lines = await answer<ReadableStream<Uint8Array> | null>(call);
      let last: ImportLine = {};
      for await (const line of jsonLines<ImportLine>(lines)) {
        last = line;
        if (line.progress) tell(line.progress);
      }
      if (last.added) return last.added;
      throw problemOf(last.problem?.status ?? 0, last.problem);
    },
    onSuccess: () => cache.invalidateQueries(),
  });
}

/** What a list is read as, with headings that were corrected by hand; nothing is taken in. */
export const useListPreview = (file: Blob | undefined, name: string, as: Record<string, string>) =>
  useQuery({
    queryKey: ["list-preview", name, file?.size, as],
    queryFn: () =>
      answer(
        client.POST("/api/import/preview", {
          params: { query: { as: JSON.stringify(as) } },
          body: file as unknown as string,
          bodySerializer: asBytes.bodySerializer,
          headers: asBytes.headers,
        }),
      ),
    placeholderData: keepPreviousData,
    enabled: file !== undefined,
    gcTime: 0,
  });

/** An entry before it gets its id and is sent. */
export type Draft = Omit<NewEntry, "id"> & { id?: string };

/**
 * Records an entry on a plant. Its id is made once: the same entry sent again after it failed keeps its id, since
 * it may have been recorded while only the answer was lost.
 */
/** Sends what may be a mistake again with what was accepted, where the person says that it is meant. */
async function meant<T>(send: (despite?: NewEntry["despite"]) => Promise<T>): Promise<T> {
  try {
    return await send();
  } catch (error) {
    if (!(error instanceof Problem) || error.concerns.length === 0) throw error;
    if (await isItMeant(error.concerns.map((c) => c.said))) return send(error.concerns.map((c) => c.id));
    throw new Problem(error.status, `Not recorded. ${error.message}`, {}, error.concerns);
  }
}

/** Records the steps of a sitting that were done on one day: all of them or none. */
export function useDoSitting(plant: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["SittingDone"]) =>
      meant((despite) =>
        answer(
          client.POST("/api/plants/{plant}/sittings", { params: { path: { plant } }, body: { ...body, despite } }),
        ),
      ),
    onSuccess: () => recorded(cache, plant),
  });
}

export function useRecord(plant: string) {
  const cache = useQueryClient();
  const failed = useRef<{ said: string; id: string }>(undefined);
  return useMutation({
    mutationFn: async (draft: Draft) => {
      const said = JSON.stringify({ ...draft, id: undefined });
      const id = draft.id ?? (failed.current?.said === said ? failed.current.id : newId());
      failed.current = { said, id };
      return meant((despite) =>
        answer(
          client.POST("/api/plants/{plant}/entries", { params: { path: { plant } }, body: { ...draft, id, despite } }),
        ),
      );
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
}

/** Records things of several plants; each of them is asked about as it would be alone. */
export function useMany() {
  const cache = useQueryClient();
  const failed = useRef<{ said: string; ids: string[] }>(undefined);
  return useMutation({
    mutationFn: (drafts: (Draft & { plant: string })[]) => {
      const said = JSON.stringify(drafts);
      // The same sent again after a failure keeps its ids, so that nothing is recorded twice.
      const ids = failed.current?.said === said ? failed.current.ids : drafts.map(() => newId());
      failed.current = { said, ids };
      const entries = drafts.map((d, i) => ({ ...d, id: d.id ?? ids[i] ?? newId() }));
      return answer(client.POST("/api/entries", { body: { entries } }));
    },
    onSuccess: async (_, drafts) => {
      failed.current = undefined;
      await Promise.all([...new Set(drafts.map((d) => d.plant))].map((plant) => recorded(cache, plant)));
    },
  });
}
