import { Button, Group, SegmentedControl, Select } from "@mantine/core";
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { PictureView, PlantFile } from "../../api/client";
import { distance, sayDay } from "../../dates";
import { Bare } from "../../shell/States";
import { sentence } from "../words";
import { AddPicture } from "./AddPicture";
import { Beside, drawnWidth, onOneScale, pictureUrl } from "./Beside";
import { MeasurePicture } from "./MeasurePicture";
import classes from "./Pictures.module.css";
import { usePlantFile } from "./PlantPage";

/** The plant's pictures: two dates compared on one scale, one measured, and new ones taken. */
export function Pictures() {
  const file = usePlantFile();
  const [search, setSearch] = useSearchParams();
  const pictures = file.follow.pictures;
  const sides = [...new Set(pictures.map((p) => p.side))];
  const wanted = pictures.find((p) => p.picture === search.get("show"));
  const side = wanted?.side ?? search.get("side") ?? sides[0] ?? "front";
  const ofSide = pictures.filter((p) => p.side === side);
  const after = wanted ?? ofSide.at(-1);
  const before = ofSide.find((p) => p.picture === search.get("with") && p !== after) ?? ofSide.find((p) => p !== after);
  const measuring = search.has("measure") && after;
  const go = (change: Record<string, string | undefined>) => {
    const next = new URLSearchParams(search);
    for (const [key, value] of Object.entries(change)) value === undefined ? next.delete(key) : next.set(key, value);
    setSearch(next, { replace: true });
  };
  return (
    <div className={classes.page}>
      <div>
        {!after && (
          <Bare title="No picture yet">
            <p>
              Take one from the same side each time: the last one lies faintly over the new one, so that both show the
              same. Place, time and device that a camera writes into a picture are taken out before it is kept.
            </p>
          </Bare>
        )}
        {after && measuring && (
          <MeasurePicture key={after.picture} file={file} picture={after} close={() => go({ measure: undefined })} />
        )}
        {after && !measuring && (
          <section className="patch" aria-label="Compare">
            <Group justify="space-between">
              <h2>{before ? "Then and now" : "As it is"}</h2>
              <Button variant="default" size="compact-md" onClick={() => go({ measure: "", show: after.picture })}>
                Measure on this picture
              </Button>
            </Group>
            <Compare file={file} before={before} after={after} />
          </section>
        )}
        {pictures.length > 0 && (
          <section className="patch mt-18" aria-label="All pictures">
            <Group justify="space-between" mb={6}>
              <h2>All pictures</h2>
              {sides.length > 1 && (
                <Select
                  aria-label="Side"
                  data={sides.map((s) => ({ value: s, label: `from the ${s}` }))}
                  value={side}
                  onChange={(v) => go({ side: v ?? undefined, show: undefined, with: undefined })}
                />
              )}
            </Group>
            <ul className={classes.strip}>
              {ofSide.map((p) => (
                <li key={p.entry}>
                  <button
                    type="button"
                    className={classes.thumb}
                    aria-pressed={p === after}
                    onClick={() => go(p === after ? {} : { show: p.picture, with: after?.picture })}
                  >
                    <Thumb plant={file.id} picture={p} today={file.today} />
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      {!file.over && <AddPicture file={file} last={ofSide.at(-1)} side={side} />}
    </div>
  );
}

function Thumb({ plant, picture, today }: { plant: string; picture: PictureView; today: string }) {
  return (
    <>
      {picture.width > 0 ? (
        <img
          src={pictureUrl(plant, picture, true)}
          alt={`From the ${picture.side}`}
          loading="lazy"
          width={picture.width}
          height={picture.height}
        />
      ) : (
        <span className={classes.missing}>the picture itself is not here</span>
      )}
      <span className="small">{sayDay(picture.on, today)}</span>
    </>
  );
}

type Way = "beside" | "over";

/** Two pictures beside each other, or one drawn back over the other, at the same scale where both have one. */
function Compare({ file, before, after }: { file: PlantFile; before?: PictureView; after: PictureView }) {
  const [way, setWay] = useState<Way>("beside");
  const [share, setShare] = useState(50);
  const said = (p: PictureView) => `${sentence(sayDay(p.on, file.today))}, ${distance(p.on, file.today)}`;
  if (!before)
    return (
      <figure className={classes.one}>
        <img src={pictureUrl(file.id, after)} alt={`The plant from the ${after.side}`} />
        <figcaption className="small">{said(after)}</figcaption>
      </figure>
    );
  const pair = [before, after];
  return (
    <>
      <Group my="xs" gap="md">
        <SegmentedControl
          size="xs"
          value={way}
          onChange={(v) => setWay(v as Way)}
          data={[
            { value: "beside", label: "Beside each other" },
            { value: "over", label: "One over the other" },
          ]}
        />
        <span className="small soft">
          {onOneScale(pair) ? "On the same scale." : "Not on one scale: mark the pot on both to set it."}
        </span>
      </Group>
      {way === "beside" ? (
        <Beside plant={file.id} today={file.today} pictures={pair} say={said} />
      ) : (
        <figure className={classes.one}>
          <div className={classes.over}>
            <img
              src={pictureUrl(file.id, before)}
              alt={`The plant on ${sayDay(before.on, file.today)}`}
              style={{ width: `${drawnWidth(before, pair)}%` }}
            />
            <img
              src={pictureUrl(file.id, after)}
              alt={`The plant on ${sayDay(after.on, file.today)}`}
              style={{ width: `${drawnWidth(after, pair)}%`, clipPath: `inset(0 ${100 - share}% 0 0)` }}
            />
          </div>
          <label className={`small ${classes.slide}`}>
            <span>{sayDay(before.on, file.today)}</span>
            <input
              type="range"
              min={0}
              max={100}
              value={share}
              onChange={(e) => setShare(Number(e.currentTarget.value))}
              aria-label="How much of the newer picture shows"
            />
            <span>{sayDay(after.on, file.today)}</span>
          </label>
        </figure>
      )}
    </>
  );
}
