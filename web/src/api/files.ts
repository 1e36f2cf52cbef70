import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, problemOf, type Schemas } from "./client";
import { keys } from "./keys";
import { jsonLines } from "./lines";
import { shrink } from "./shrink";

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

/** Sends the bytes of a file as they are. */
const asBytes = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { "Content-Type": "application/octet-stream" },
};

/** Sends a picture, made small; the id is made once, so that trying again does nothing twice. */
export const sendPicture = async (plant: string, id: string, file: Blob) =>
  answer(
    client.PUT("/api/plants/{plant}/pictures/{picture}", {
      params: { path: { plant, picture: id } },
      body: (await shrink(file)) as unknown as string,
      ...asBytes,
    }),
  );

export const useSendPicture = (plant: string) =>
  useMutation({ mutationFn: ({ id, file }: { id: string; file: Blob }) => sendPicture(plant, id, file) });

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
