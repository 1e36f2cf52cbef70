import { Button, FileButton, Group, Progress } from "@mantine/core";
import { useState } from "react";
import { type Going, useMatch, useTakePictures } from "../../api/folder";
import { Refused } from "../../shell/States";
import { useUndoMany } from "../undo";
import { sayCount } from "../words";
import { type Chosen, goes, read, type Shot } from "./read";
import { ShotRow } from "./ShotRow";

/** A folder of pictures comes in: each to its plant and its day, as the names tell. */
export function FolderOfPictures() {
  const [chosen, setChosen] = useState<Chosen[]>([]);
  const [shots, setShots] = useState<Shot[]>([]);
  const [left, setLeft] = useState<string[]>([]);
  const [reading, setReading] = useState(false);
  const match = useMatch();
  const choose = async (files: File[]) => {
    setReading(true);
    const list = await read(files);
    setReading(false);
    setChosen(list);
    setShots([]);
    setLeft([]);
    if (list.length > 0)
      match.mutate(
        list.map((c) => c.asked),
        { onSuccess: setShots },
      );
  };
  const ready = shots.filter((s) => goes(s) && !left.includes(s.id));
  const open = shots.filter((s) => !s.here && !goes(s));
  const here = shots.filter((s) => s.here).length;
  const change = (to: Shot) => setShots(shots.map((s) => (s.id === to.id ? to : s)));
  return (
    <>
      <title>A folder of pictures · Tender Mend</title>
      <h1>A folder of pictures</h1>
      <p className="soft mt-2 mb-16">
        Each goes to the plant whose label or name stands in its own name or that of its folder, on the day that stands
        there too, or that the camera wrote. You see it before anything is taken in; the same folder may come twice.
      </p>
      <Choose choose={choose} loading={reading || match.isPending} />
      <Refused error={match.error} />
      {chosen.length > 0 && shots.length > 0 && (
        <>
          <Sum ready={ready} open={open.length} here={here} />
          <TakeThem
            list={ready.flatMap((s) => going(s, chosen))}
            done={(ids) => setShots(shots.map((s) => (ids.includes(s.entry) ? { ...s, here: true } : s)))}
          />
          {open.length > 0 && (
            <section className="patch mt-16" aria-label="What is not understood">
              <h2>{sayCount(open.length, "picture")} to say more of</h2>
              <ul className="rows no-bullets p-0">
                {open.map((s) => (
                  <ShotRow key={s.id} shot={s} file={fileOf(s, chosen)} change={change} />
                ))}
              </ul>
            </section>
          )}
          {ready.length > 0 && (
            <section className="patch mt-16" aria-label="What is understood">
              <h2>{sayCount(ready.length, "picture")} that go in</h2>
              <ul className="rows no-bullets p-0">
                {ready.map((s) => (
                  <ShotRow
                    key={s.id}
                    shot={s}
                    file={fileOf(s, chosen)}
                    change={change}
                    leave={() => setLeft([...left, s.id])}
                  />
                ))}
              </ul>
            </section>
          )}
        </>
      )}
      {chosen.length === 0 && !reading && match.data === undefined && (
        <p className="soft">Pictures are JPEG, PNG or WebP; other files of the folder are passed by.</p>
      )}
    </>
  );
}

const fileOf = (s: Shot, chosen: Chosen[]) => chosen.find((c) => c.asked.path === s.path)?.file;

function going(shot: Shot, chosen: Chosen[]): Going[] {
  const file = fileOf(shot, chosen);
  if (!file || !shot.plant || !shot.on) return [];
  return [{ file, path: shot.path, plant: shot.plant.id, on: shot.on, shot }];
}

const wholeFolder = { webkitdirectory: "", "aria-label": "A folder of pictures" };

/** A whole folder, or some of its pictures where the device cannot choose folders. */
function Choose({ choose, loading }: { choose: (files: File[]) => void; loading: boolean }) {
  return (
    <Group gap="sm">
      <FileButton multiple onChange={choose} inputProps={wholeFolder}>
        {(props) => (
          <Button {...props} loading={loading}>
            Choose a folder
          </Button>
        )}
      </FileButton>
      <FileButton
        multiple
        accept="image/jpeg,image/png,image/webp"
        onChange={choose}
        inputProps={{ "aria-label": "Some pictures" }}
      >
        {(props) => (
          <Button variant="default" {...props} disabled={loading}>
            Choose pictures
          </Button>
        )}
      </FileButton>
    </Group>
  );
}

/** How the folder was understood, in one sentence. */
function Sum({ ready, open, here }: { ready: Shot[]; open: number; here: number }) {
  const plants = new Set(ready.map((s) => s.plant?.id)).size;
  return (
    <p className="mt-16" role="status">
      <b>
        {sayCount(ready.length, "picture")} of {sayCount(plants, "plant")}
      </b>
      {open > 0 && `; ${sayCount(open, "picture")} to say more of`}
      {here > 0 && `; ${sayCount(here, "picture")} here already`}.
    </p>
  );
}

function TakeThem({ list, done }: { list: Going[]; done: (entries: string[]) => void }) {
  const [sent, setSent] = useState(0);
  const take = useTakePictures(setSent);
  const undo = useUndoMany();
  const start = () => {
    setSent(0);
    take.mutate(list, {
      onSuccess: ({ kept }) => {
        if (kept.length > 0) undo(`${sayCount(kept.length, "picture")} taken in`, "A folder", kept);
        done(kept.map((k) => k.entry));
      },
    });
  };
  const refused = take.data?.refused ?? [];
  return (
    <>
      {list.length > 0 && (
        <Button onClick={start} loading={take.isPending}>
          Take {sayCount(list.length, "picture")} in
        </Button>
      )}
      {take.isPending && (
        <Progress
          className="mt-10"
          value={(100 * sent) / Math.max(1, list.length)}
          aria-label={`${sent} of ${sayCount(list.length, "picture")} are in`}
        />
      )}
      {refused.length > 0 && (
        <ul role="alert" className="red">
          {refused.map((r) => (
            <li key={r.path}>
              {r.path}: {r.why}
            </li>
          ))}
        </ul>
      )}
      <Refused error={take.error} />
    </>
  );
}
