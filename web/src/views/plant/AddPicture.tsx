import { Button, FileButton, Group, Select, Slider, Textarea } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import type { PictureView, PlantFile } from "../../api/client";
import { useSendPicture } from "../../api/files";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { Refused } from "../../shell/States";
import { useUndo } from "../undo";
import { pictureUrl } from "./Beside";
import classes from "./Pictures.module.css";

interface Taken {
  id: string;
  entry: string;
  file: Blob;
  url: string;
}

/** A new picture, by the camera or from a file, with the last one of the same side faintly over it. */
export function AddPicture({ file, last, side: usual }: { file: PlantFile; last?: PictureView; side: string }) {
  const knowledge = useKnowledge();
  const send = useSendPicture(file.id);
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [side, setSide] = useState<string>();
  const [taken, setTaken] = useState<Taken>();
  const [filming, setFilming] = useState(false);
  const [faint, setFaint] = useState(35);
  const [on, setOn] = useState(file.today);
  const [note, setNote] = useState("");
  const at = side ?? usual;
  const ghost = last && last.side === at && last.width > 0 ? pictureUrl(file.id, last) : undefined;
  const take = (blob: Blob | null) => {
    if (!blob) return;
    if (taken) URL.revokeObjectURL(taken.url);
    setTaken({ id: newId(), entry: newId(), file: blob, url: URL.createObjectURL(blob) });
    setFilming(false);
    send.reset();
    record.reset();
  };
  const drop = () => {
    if (taken) URL.revokeObjectURL(taken.url);
    setTaken(undefined);
    setNote("");
  };
  const keep = async () => {
    if (!taken) return;
    try {
      await send.mutateAsync({ id: taken.id, file: taken.file });
      const e = await record.mutateAsync({
        id: taken.entry,
        on,
        pictured: { picture: taken.id, side: at as PictureView["side"], note: note || undefined },
      });
      drop();
      undo("picture", e.id);
    } catch {
      // What was refused stands beside the button; the picture stays.
    }
  };
  return (
    <section className="patch" aria-label="A new picture">
      <h2>A new picture</h2>
      <Select
        my="xs"
        label="From which side"
        data={(knowledge.data?.sides ?? []).map((s) => ({ value: s, label: s }))}
        value={at}
        onChange={(v) => setSide(v ?? undefined)}
        allowDeselect={false}
      />
      {filming && <Camera ghost={ghost} faint={faint} take={take} stop={() => setFilming(false)} />}
      {taken && (
        <div className={classes.frame}>
          <img src={taken.url} alt="The new one" />
          {ghost && <img className={classes.ghost} src={ghost} alt="" style={{ opacity: faint / 100 }} />}
        </div>
      )}
      {(filming || taken) && ghost && (
        <div className="my-8">
          <span className="small soft">The last one, faintly</span>
          <Slider
            thumbLabel="How faint the last picture lies over it"
            min={0}
            max={80}
            value={faint}
            onChange={setFaint}
            label={null}
          />
        </div>
      )}
      {!taken && (
        <Group gap="xs" mt={filming ? "xs" : undefined}>
          {!filming && <Button onClick={() => setFilming(true)}>With the camera</Button>}
          <FileButton
            accept="image/jpeg,image/png,image/webp"
            onChange={take}
            inputProps={{ "aria-label": "A picture from a file" }}
          >
            {(props) => (
              <Button variant="default" {...props}>
                From a file
              </Button>
            )}
          </FileButton>
        </Group>
      )}
      {taken && (
        <>
          <label className="small soft">
            Taken on <input type="date" value={on} max={file.today} onChange={(e) => setOn(e.currentTarget.value)} />
          </label>
          <Textarea label="Note" autosize minRows={1} value={note} onChange={(e) => setNote(e.currentTarget.value)} />
          <Refused error={send.error ?? record.error} />
          <Group mt="sm" gap="xs">
            <Button onClick={keep} loading={send.isPending || record.isPending}>
              Keep it
            </Button>
            <Button variant="default" onClick={drop}>
              Another one
            </Button>
          </Group>
        </>
      )}
    </section>
  );
}

/** The device's camera with the last picture over it; what it cannot do is said in plain words. */
function Camera({
  ghost,
  faint,
  take,
  stop,
}: {
  ghost?: string;
  faint: number;
  take: (b: Blob | null) => void;
  stop: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [away, setAway] = useState<string>();
  useEffect(() => {
    let stream: MediaStream | undefined;
    let gone = false;
    const ask = navigator.mediaDevices?.getUserMedia({ video: { facingMode: "environment", width: { ideal: 2048 } } });
    if (!ask)
      setAway(
        "This browser lends no camera to this page. Take the picture with the device’s own camera and pick the file.",
      );
    ask
      ?.then((s) => {
        stream = s;
        if (gone) for (const t of s.getTracks()) t.stop();
        else if (video.current) video.current.srcObject = s;
      })
      .catch(() => setAway("The camera could not be opened: it is away, in use, or not allowed. Pick a file instead."));
    return () => {
      gone = true;
      for (const t of stream?.getTracks() ?? []) t.stop();
    };
  }, []);
  const shoot = () => {
    const v = video.current;
    if (!v || v.videoWidth === 0) return;
    const canvas = document.createElement("canvas");
    canvas.width = v.videoWidth;
    canvas.height = v.videoHeight;
    canvas.getContext("2d")?.drawImage(v, 0, 0);
    canvas.toBlob(take, "image/jpeg", 0.92);
  };
  return (
    <>
      {away ? (
        <p className="ochre" role="status">
          {away}
        </p>
      ) : (
        <div className={classes.frame}>
          <video ref={video} autoPlay playsInline muted />
          {ghost && <img className={classes.ghost} src={ghost} alt="" style={{ opacity: faint / 100 }} />}
        </div>
      )}
      <Group mt="xs" gap="xs">
        {!away && <Button onClick={shoot}>Take it</Button>}
        <Button variant="default" onClick={stop}>
          Close the camera
        </Button>
      </Group>
    </>
  );
}
