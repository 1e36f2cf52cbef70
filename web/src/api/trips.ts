import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { newId } from "./id";
import { keys } from "./keys";

export type TripView = Schemas["TripView"];
export type TripWanted = Omit<Schemas["TripInputBody"], "id" | "$schema">;
export type TripPot = Schemas["TripPot"];

/** The trips, the last first. */
export const useTrips = () => useQuery({ queryKey: keys.trips, queryFn: () => answer(client.GET("/api/trips")) });

/** A trip with its sheet, its ticks, and after it whom to look at first. */
export const useTrip = (trip: string) =>
  useQuery({
    queryKey: keys.trip(trip),
    queryFn: () => answer(client.GET("/api/trips/{trip}", { params: { path: { trip } } })),
  });

/** Plans a time away. */
export function usePlanTrip() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["TripInputBody"]) => answer(client.POST("/api/trips", { body })),
    onSuccess: () => cache.invalidateQueries({ queryKey: keys.trips }),
  });
}

/** Changes a trip from the version that was looked at, or calls it off. */
export function useChangeTrip(trip: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["ChangedTripInputBody"]) =>
      answer(client.PUT("/api/trips/{trip}", { params: { path: { trip } }, body })),
    onSuccess: () => cache.invalidateQueries({ queryKey: keys.trips }),
  });
}

/** Makes the sitter's address; told once. */
export const useLinkTrip = (trip: string) =>
  useMutation({ mutationFn: () => answer(client.POST("/api/trips/{trip}/link", { params: { path: { trip } } })) });

/** Takes the sitter's addresses back. */
export function useEndTrip(trip: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: () => answer(client.DELETE("/api/trips/{trip}/link", { params: { path: { trip } } })),
    onSuccess: () => cache.invalidateQueries({ queryKey: keys.trips }),
  });
}

/** What a sitter sees by the address alone. */
export const useSit = (token: string) =>
  useQuery({
    queryKey: ["sit", token],
    queryFn: () => answer(client.GET("/api/sit/{token}", { params: { path: { token } } })),
    retry: false,
  });

/** Ticks a plant in the carer's stead. */
export function useTick(token: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (tick: { plant: string; did: "watered" | "wet" }) =>
      answer(client.POST("/api/sit/{token}", { params: { path: { token } }, body: { id: newId(), ...tick } })),
    onSuccess: (seen) => cache.setQueryData(["sit", token], seen),
  });
}

/** Whether the calendar has an address. */
export const useCalendarLink = () =>
  useQuery({ queryKey: keys.calendar, queryFn: () => answer(client.GET("/api/calendar-link")) });

/** Makes a new address of the calendar, or takes it back. */
export function useSetCalendar() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: (wanted: boolean) =>
      wanted ? answer(client.POST("/api/calendar-link")) : answer(client.DELETE("/api/calendar-link")),
    onSuccess: (now) => cache.setQueryData(keys.calendar, now),
  });
}
