import type { PictureView } from "../../api/client";
import { sayDay } from "../../dates";
import classes from "./Pictures.module.css";

export const pictureUrl = (plant: string, p: { picture: string }, small = false) =>
  `/api/plants/${plant}/pictures/${p.picture}${small ? "?small=true" : ""}`;

/** Whether both pictures know how much of the world they show. */
export const onOneScale = (pictures: PictureView[]) => pictures.every((p) => p.widthMm !== undefined);

/** How wide a picture is drawn, in percent: the one that shows more of the world is drawn whole. */
export function drawnWidth(p: PictureView, pictures: PictureView[]) {
  if (!onOneScale(pictures)) return 100;
  return (100 * (p.widthMm ?? 0)) / Math.max(...pictures.map((q) => q.widthMm ?? 0));
}

interface BesideProps {
  plant: string;
  today: string;
  pictures: PictureView[];
  say: (p: PictureView, i: number) => string;
}

/** Pictures beside each other, on one scale where all have one. */
export function Beside({ plant, today, pictures, say }: BesideProps) {
  return (
    <div className={classes.pair}>
      {pictures.map((p, i) => (
        <figure key={p.entry}>
          <div className={classes.stage}>
            <img
              src={pictureUrl(plant, p)}
              alt={`The plant on ${sayDay(p.on, today)}`}
              style={{ width: `${drawnWidth(p, pictures)}%` }}
            />
          </div>
          <figcaption className="small soft">{say(p, i)}</figcaption>
        </figure>
      ))}
    </div>
  );
}
