import { Button, Group, Select } from "@mantine/core";
import { useState } from "react";
import type { PictureView, PlantFile } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import { newId } from "../../api/id";
import { useRecord } from "../../api/recording";
import { sayDay } from "../../dates";
import { QuantityInput } from "../../fields";
import { Refused } from "../../shell/States";
import { sayQuantity, useUnits } from "../../units";
import { useUndo } from "../undo";
import { pictureUrl } from "./Beside";
import classes from "./Pictures.module.css";
import { nameOfStrand } from "./SeamOf";

/** A point on the picture, both ways as a share of its width. */
interface Point {
  x: number;
  y: number;
}

type Aim = "scale" | "length";

const apart = (a: Point, b: Point) => Math.hypot(b.x - a.x, b.y - a.y);

/** Two taps on something of known size set the scale; two more measure a leaf, a root or a bulb. */
export function MeasurePicture({ file, picture, close }: { file: PlantFile; picture: PictureView; close: () => void }) {
  const [system] = useUnits();
  const knowledge = useKnowledge();
  const record = useRecord(file.id);
  const undo = useUndo(file);
  const [aim, setAim] = useState<Aim>(picture.scale ? "length" : "scale");
  const [points, setPoints] = useState<Point[]>([]);
  const [known, setKnown] = useState<number | undefined>(file.pot.widthCm ? file.pot.widthCm * 10 : undefined);
  const [growth, setGrowth] = useState<string>();
  const scale = picture.scale;
  const [a, b] = points;
  const drawn = a && b ? apart(a, b) : undefined;
  const widthMm = picture.widthMm;
  const length = drawn !== undefined && widthMm !== undefined ? drawn * widthMm : undefined;
  const tap = (p: Point) => setPoints(points.length >= 2 ? [p] : [...points, p]);
  const begin = (next: Aim) => {
    setAim(next);
    setPoints([]);
    record.reset();
  };
  const sorts = file.follow.sorts;
  const label = (s: string) => knowledge.data?.growths.find((g) => g.id === s)?.label ?? s;
  const open = file.follow.strands.filter((s) => s.state !== "lost");
  const setScale = () => {
    if (!a || !b || !known) return;
    record.mutate(
      {
        on: picture.on,
        replaces: picture.entry,
        pictured: {
          picture: picture.picture,
          side: picture.side,
          note: picture.note,
          scale: { x1: a.x, y1: a.y, x2: b.x, y2: b.y, mm: known },
        },
      },
      {
        onSuccess: (e) => {
          begin("length");
          undo("the picture’s scale", e.id);
        },
      },
    );
  };
  const keep = () => {
    if (length === undefined || !growth) return;
    const sizeMm = Math.round(length);
    const begun = sorts.find((s) => growth === `new ${s}`);
    record.mutate(
      {
        on: picture.on,
        grown: begun
          ? { growth: newId(), sort: begun, state: "growing", sizeMm, picture: picture.picture }
          : { growth, sizeMm, picture: picture.picture },
      },
      {
        onSuccess: (e) => {
          setPoints([]);
          undo(`${sayQuantity(sizeMm, "mm", system)} measured`, e.id);
        },
      },
    );
  };
  const measured = length === undefined ? "—" : sayQuantity(Math.round(length), "mm", system);
  return (
    <section className="patch" aria-label="Measure on the picture">
      <Group justify="space-between">
        <h2>Measure on the picture of {sayDay(picture.on, file.today)}</h2>
        <button type="button" className="linkbutton" onClick={close}>
          Back to comparing
        </button>
      </Group>
      <p className="mt-4 mb-8">
        {aim === "scale"
          ? "Tap both ends of something whose size you know, as near to the plant as can be: the rim of its pot."
          : "Tap both ends of what you want to measure. It is as exact as it lies flat, as far away as the pot."}
      </p>
      <div className={classes.measuring}>
        <Board plant={file.id} picture={picture} points={points} tap={tap} aim={aim} />
        {aim === "scale" ? (
          <Group align="end" mt="sm" gap="sm">
            <QuantityInput
              label="It is this long"
              unit="mm"
              value={known}
              onChange={setKnown}
              description={file.pot.widthCm ? "the pot’s width, from the record" : undefined}
            />
            <Button onClick={setScale} disabled={!drawn || !known} loading={record.isPending}>
              Set the scale
            </Button>
            {scale && (
              <button type="button" className="linkbutton" onClick={() => begin("length")}>
                Leave it as it was
              </button>
            )}
          </Group>
        ) : (
          <Group align="end" mt="sm" gap="sm">
            <div>
              <span className="small soft">Length</span>
              <div>
                <b data-testid="length">{measured}</b>
              </div>
            </div>
            <Select
              label="It is"
              placeholder="which growth"
              value={growth ?? null}
              onChange={(v) => setGrowth(v ?? undefined)}
              data={[
                ...open.map((s) => ({
                  value: s.id,
                  label: nameOfStrand(s, label(s.sort)),
                })),
                ...sorts.map((s) => ({ value: `new ${s}`, label: `a new ${label(s)}` })),
              ]}
            />
            <Button onClick={keep} disabled={length === undefined || !growth} loading={record.isPending}>
              Into the record
            </Button>
            <button type="button" className="linkbutton" onClick={() => begin("scale")}>
              Set the scale again
            </button>
          </Group>
        )}
      </div>
      <Refused error={record.error} />
    </section>
  );
}

interface BoardProps {
  plant: string;
  picture: PictureView;
  points: Point[];
  tap: (p: Point) => void;
  aim: Aim;
}

/** The picture as a board for taps; by keys a mark is moved with the arrows and set with Enter. */
function Board({ plant, picture, points, tap, aim }: BoardProps) {
  const tall = picture.height / picture.width;
  const [mark, setMark] = useState<Point>({ x: 0.5, y: tall / 2 });
  const [keyed, setKeyed] = useState(false);
  const [a, b] = points;
  const s = picture.scale;
  const colour = aim === "scale" ? "var(--slate)" : "var(--red)";
  return (
    <div
      className={classes.measure}
      style={{ maxWidth: `min(640px, ${Math.round(64 / tall)}vh)` }}
      role="button"
      tabIndex={0}
      aria-label="The picture. Tap two points, or move the mark with the arrow keys and set it with Enter."
      onFocus={(e) => setKeyed(e.currentTarget.matches(":focus-visible"))}
      onBlur={() => setKeyed(false)}
      onClick={(e) => {
        if (e.detail === 0) return; // Enter, which has its own way
        const box = e.currentTarget.getBoundingClientRect();
        tap({ x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.width });
      }}
      onKeyDown={(e) => {
        const step = e.shiftKey ? 0.002 : 0.01;
        const move: Record<string, [number, number]> = {
          ArrowLeft: [-1, 0],
          ArrowRight: [1, 0],
          ArrowUp: [0, -1],
          ArrowDown: [0, 1],
        };
        const by = move[e.key];
        if (by)
          setMark({
            x: Math.min(1, Math.max(0, mark.x + by[0] * step)),
            y: Math.min(tall, Math.max(0, mark.y + by[1] * step)),
          });
        else if (e.key === "Enter" || e.key === " ") tap(mark);
        else return;
        e.preventDefault();
      }}
    >
      <img src={pictureUrl(plant, picture)} alt={`The plant from the ${picture.side}`} draggable={false} />
      <svg viewBox={`0 0 1 ${tall}`} aria-hidden>
        {s && aim === "length" && (
          <line
            x1={s.x1}
            y1={s.y1}
            x2={s.x2}
            y2={s.y2}
            stroke="var(--slate)"
            strokeWidth={0.005}
            strokeDasharray="0.02 0.012"
          />
        )}
        {a && b && <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={colour} strokeWidth={0.006} />}
        {points.map((p) => (
          <g key={`${p.x} ${p.y}`} stroke={colour} strokeWidth={0.006}>
            <path d={`M${p.x - 0.02} ${p.y} h0.04 M${p.x} ${p.y - 0.02} v0.04`} />
          </g>
        ))}
        {keyed && <circle cx={mark.x} cy={mark.y} r={0.018} fill="none" stroke={colour} strokeWidth={0.005} />}
      </svg>
    </div>
  );
}
