import { useQuery } from "@tanstack/react-query";
import { answer, client } from "./client";
import { keys } from "./keys";

/** What travels and is on plants here. */
export const useOutbreaks = () =>
  useQuery({
    queryKey: keys.outbreaks,
    queryFn: () => answer(client.GET("/api/outbreaks")),
  });

/** Who has it, who may have caught it; of one plant alone where one is named. */
export const useOutbreak = (cause: string, plant: string | undefined) =>
  useQuery({
    queryKey: keys.outbreak(cause, plant ?? ""),
    queryFn: () =>
      plant
        ? answer(client.GET("/api/plants/{plant}/exposure", { params: { path: { plant }, query: { cause } } }))
        : answer(client.GET("/api/outbreaks/{cause}", { params: { path: { cause } } })),
    enabled: cause !== "",
  });
