import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { newId } from "./id";
import { keys } from "./keys";

export type Details = Schemas["Details"];
export type PlaceView = Schemas["PlaceView"];
export type MonthThere = Schemas["MonthThere"];

/** All places, each with its year of light and air. */
export const usePlacesWithYears = () =>
  useQuery({
    queryKey: keys.years,
    queryFn: () => answer(client.GET("/api/places", { params: { query: { years: true } } })),
  });

/** A place with its year, what was read there and who stands there. */
export const usePlace = (place: string) =>
  useQuery({
    queryKey: keys.place(place),
    queryFn: () => answer(client.GET("/api/places/{place}", { params: { path: { place } } })),
  });

/** Who stands badly, and where everybody would stand best. */
export const useFit = () => useQuery({ queryKey: keys.fit, queryFn: () => answer(client.GET("/api/fit")) });

/** All that is told of places is asked for again once something was said of one. */
function useSaying<Said, Told>(say: (said: Said) => Promise<Told>) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: say,
    onSuccess: () => cache.invalidateQueries({ queryKey: keys.places }),
  });
}

/** Renames a place or says what it is like. */
export const useChangePlace = (place: string) =>
  useSaying((body: Schemas["ChangePlaceInputBody"]) =>
    answer(client.PUT("/api/places/{place}", { params: { path: { place } }, body })),
  );

/** Removes a place in which nothing stands. */
export const useRemovePlace = (place: string) =>
  useSaying((version: number) =>
    answer(client.DELETE("/api/places/{place}", { params: { path: { place }, query: { version } } })),
  );

/** Gives the places their turns on the walk. */
export const useOrderPlaces = () =>
  useSaying((places: string[]) => answer(client.PUT("/api/places/order", { body: { places } })));

/** Keeps a reading of daylight. */
export const useAddLight = (place: string) =>
  useSaying((read: Omit<Schemas["ReadLightInputBody"], "id">) =>
    answer(client.POST("/api/places/{place}/lights", { params: { path: { place } }, body: { id: newId(), ...read } })),
  );

/** Takes the file of a logger over, or says how it would be read. */
export const useAddReadings = (place: string) =>
  useSaying((body: { text: string; monthFirst?: boolean; preview?: boolean }) =>
    answer(client.POST("/api/places/{place}/readings", { params: { path: { place } }, body })),
  );

/** Says where the collection is. */
export const useSaveSite = () => useSaying((body: Schemas["Site"]) => answer(client.PUT("/api/site", { body })));

/** Says how cold the coming nights get outdoors. */
export const useSaveForecast = () =>
  useSaying((body: Schemas["NightForecast"]) => answer(client.PUT("/api/forecast", { body })));
