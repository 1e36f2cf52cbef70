import dayjs from "dayjs";
import type { Schemas } from "../../api/client";

export type Shot = Schemas["Shot"];

/** A picture of the chosen folder, with what is asked about it. */
export interface Chosen {
  file: File;
  asked: Schemas["File"];
}

const pictures = /\.(jpe?g|png|webp)$/i;

/** The pictures among the chosen files, with the day that the camera wrote into each. */
export async function read(files: File[]): Promise<Chosen[]> {
  const { parse } = await import("exifr");
  const chosen = files.filter((f) => pictures.test(f.name));
  return Promise.all(
    chosen.map(async (file) => {
      const exif: { DateTimeOriginal?: Date } | undefined = await parse(file, ["DateTimeOriginal"]).catch(
        () => undefined,
      );
      return {
        file,
        asked: {
          path: (file.webkitRelativePath || file.name).slice(-400),
          size: file.size,
          written: dayjs(file.lastModified).format("YYYY-MM-DD"),
          camera: exif?.DateTimeOriginal ? dayjs(exif.DateTimeOriginal).format("YYYY-MM-DD") : undefined,
        },
      };
    }),
  );
}

/** By what a plant was found, in words. */
export const foundWords: Record<Shot["found"], string> = {
  label: "by its label",
  name: "by its name",
  nearly: "by its name, but for a letter",
  nothing: "",
};

/** By what a day is known, in words. */
export const datedWords: Record<Shot["dated"], string> = {
  file: "from its name",
  camera: "from the camera",
  written: "only when the file was written",
  nothing: "",
};

/** Whether a picture is taken in as it stands. */
export const goes = (s: Shot) => !s.here && s.plant !== undefined && s.on !== undefined && !s.why;
