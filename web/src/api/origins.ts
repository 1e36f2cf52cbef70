import { useQuery } from "@tanstack/react-query";
import { answer, client } from "./client";
import { keys } from "./keys";
import type { Span } from "./plants";

/** By what plants can be grouped when one asks what became of them. */
export type By = "source" | "tag" | "batch" | "kind" | "packing" | "school" | "method";

/** What became of the plants, by one thing that they have in common. */
export const useOrigins = (by: By, span: Span) =>
  useQuery({
    queryKey: keys.origins(by, span),
    queryFn: () => answer(client.GET("/api/origins", { params: { query: { by, span } } })),
  });

/** The plants of one such group, those that do best first. */
export const useOriginPlants = (by: By, span: Span, of: string, wanted: boolean) =>
  useQuery({
    queryKey: keys.originPlants(by, span, of),
    queryFn: () => answer(client.GET("/api/origins/plants", { params: { query: { by, span, of } } })),
    enabled: wanted,
  });
