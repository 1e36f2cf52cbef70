import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, client, Problem, type Schemas } from "./client";
import { sendPicture } from "./files";

const atOnce = 500;

/** Asks of which plant, day and side the pictures of a folder are; nothing is taken in. */
export const useMatch = () =>
  useMutation({
    mutationFn: async (files: Schemas["File"][]) => {
      const shots: Schemas["Shot"][] = [];
      for (let i = 0; i < files.length; i += atOnce) {
        const part = files.slice(i, i + atOnce);
        shots.push(...(await answer(client.POST("/api/pictures/match", { body: { files: part } }))).shots);
      }
      return shots;
    },
  });

/** A picture with where it goes. */
export interface Going {
  file: Blob;
  path: string;
  plant: string;
  on: string;
  shot: Schemas["Shot"];
}

export interface TakenIn {
  kept: { plant: string; entry: string }[];
  refused: { path: string; why: string }[];
}

/** Takes pictures in one after the other; what is refused keeps no other out. */
export function useTakePictures(tell: (done: number) => void) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (list: Going[]) => {
      const out: TakenIn = { kept: [], refused: [] };
      for (const [i, one] of list.entries()) {
        try {
          await sendOne(one);
          out.kept.push({ plant: one.plant, entry: one.shot.entry });
        } catch (error) {
          if (!(error instanceof Problem)) throw error; // the connection is gone: what was sent is known again
          out.refused.push({ path: one.path, why: error.message });
        }
        tell(i + 1);
      }
      return out;
    },
    onSettled: () => cache.invalidateQueries(),
  });
}

async function sendOne({ file, plant, on, shot }: Going) {
  await sendPicture(plant, shot.id, file);
  await answer(
    client.POST("/api/plants/{plant}/entries", {
      params: { path: { plant } },
      body: { id: shot.entry, on, pictured: { picture: shot.id, side: shot.side } },
    }),
  );
}
