import { useMergedRef, useResizeObserver } from "@mantine/hooks";
import { useLayoutEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { sayCount } from "../words";
import classes from "./Outbreak.module.css";
import { markOf, type OutbreakOf, type OutbreakPlant, roleWords } from "./outbreak";

interface Thread {
  key: string;
  path: string;
  weight: number;
}

const nowhere = "00000000-0000-0000-0000-000000000000";

/** Where the plants of an outbreak stand, place by place, with threads along which it may have gone. */
export function OutbreakMap({ outbreak }: { outbreak: OutbreakOf }) {
  const box = useRef<HTMLDivElement>(null);
  const [observe, size] = useResizeObserver<HTMLDivElement>();
  const frame = useMergedRef(box, observe);
  const [threads, setThreads] = useState<Thread[]>([]);
  const { plants, places } = outbreak;
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn anew when its width changes
  useLayoutEffect(() => {
    if (box.current) setThreads(threadsIn(box.current, plants));
  }, [plants, size.width, size.height]);
  const homeless = plants.filter((p) => p.placeId === nowhere);
  return (
    <div ref={frame} className={classes.map} data-testid="outbreak-map">
      <svg className={classes.threads} aria-hidden focusable="false">
        {threads.map((t) => (
          <path key={t.key} d={t.path} strokeWidth={t.weight} />
        ))}
      </svg>
      {places.map((place) => {
        const here = plants.filter((p) => p.placeId === place.id);
        const others = place.plants - here.length;
        return (
          <Board
            key={place.id}
            name={place.name}
            note={`${place.isolation ? "kept apart; " : ""}${sayOthers(others)}`}
            plants={here}
          />
        );
      })}
      {homeless.length > 0 && <Board name="No place said" note="" plants={homeless} />}
    </div>
  );
}

/** A pot in words: its mark, whose it is, and what it is in the outbreak. */
const sayPot = (p: OutbreakPlant) =>
  `${markOf(p)} ${p.name}, ${roleWords[p.role].words}${p.chance ? `, ${p.chance.value} in 100` : ""}`;

const sayOthers = (n: number) => (n > 0 ? `${sayCount(n, "plant")} beside them` : "no other plant");

function Board({ name, note, plants }: { name: string; note: string; plants: OutbreakPlant[] }) {
  return (
    <section className={classes.board} aria-label={name}>
      <p className={classes.place}>
        <b>{name}</b> <span className="soft small">{note}</span>
      </p>
      <ul className={classes.pots}>
        {plants.map((p) => (
          <li key={p.id} data-plant={p.id}>
            <Link
              to={`/plants/${p.id}`}
              className={classes.pot}
              data-role={p.role}
              title={p.name}
              aria-label={sayPot(p)}
            >
              <span aria-hidden>{markOf(p)}</span>
            </Link>
            <span className={classes.name}>{p.label || p.name}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Threads from each plant to the one it may have it from, as the pots stand on the screen. */
function threadsIn(box: HTMLElement, plants: OutbreakPlant[]): Thread[] {
  const frame = box.getBoundingClientRect();
  const at = (id: string) => {
    const pot = box.querySelector(`[data-plant="${id}"] a`)?.getBoundingClientRect();
    return pot && { x: pot.left - frame.left + pot.width / 2, y: pot.top - frame.top + pot.height / 2 };
  };
  return plants.flatMap((p) => {
    const likely = p.act === "now" || p.act === "watch";
    const from = p.from === nowhere || !likely ? undefined : at(p.from);
    const to = at(p.id);
    if (!from || !to) return [];
    const lift = Math.max(18, Math.abs(to.x - from.x) / 5);
    const path = `M ${from.x} ${from.y} Q ${(from.x + to.x) / 2} ${Math.min(from.y, to.y) - lift} ${to.x} ${to.y}`;
    return [{ key: p.id, path, weight: 1 + (p.chance?.value ?? 0) / 25 }];
  });
}
