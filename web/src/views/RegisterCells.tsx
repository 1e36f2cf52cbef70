import { Checkbox, Group } from "@mantine/core";
import type { ReactNode } from "react";
import { useState } from "react";
import { Link } from "react-router";
import type { PlantRow } from "../api/client";
import { distance, sayDay } from "../dates";
import { SmallFigure } from "../figure/Figure";
import { SmallSeam } from "../seam/Seam";
import { PickBox } from "./many/PickBox";
import type { Picking } from "./many/picked";
import classes from "./Register.module.css";
import { isolationWord, sayCount, standingWord } from "./words";

/** What a row of the register can show beside its name. */
const cells = {
  doing: "how it does",
  seam: "its seam",
  place: "place and what is next",
  condition: "condition",
  looked: "last look",
  came: "arrival",
  tags: "tags",
} as const;
export type Cell = keyof typeof cells;

const usual: Cell[] = ["doing", "seam", "place"];
const isCell = (word: string): word is Cell => word in cells;

/** The cells that an address names, in their own order; the usual ones where it names none. */
export function cellsOf(said: string | null): Cell[] {
  const named = (said ?? "").split(",").filter(isCell);
  return named.length === 0 ? usual : (Object.keys(cells) as Cell[]).filter((c) => named.includes(c));
}

interface WhatIsShownProps {
  shown: Cell[];
  /** Told what goes into the address: nothing where all is as usual. */
  show: (cells: string | null) => void;
}

/** Chooses what rows show; it stands in the address, so that it is kept with a view. */
export function WhatIsShown({ shown, show }: WhatIsShownProps) {
  const [open, setOpen] = useState(false);
  const toggle = (cell: Cell) => {
    const next = shown.includes(cell) ? shown.filter((c) => c !== cell) : [...shown, cell];
    if (next.length === 0) return; // a row of names alone tells nothing
    const named = next.length === usual.length && usual.every((c) => next.includes(c));
    show(named ? null : next.join(","));
  };
  return (
    <div className="mb-10">
      <button type="button" className="linkbutton soft small" aria-expanded={open} onClick={() => setOpen(!open)}>
        What rows show
      </button>
      {open && (
        <Group gap="md" mt={6} role="group" aria-label="What rows show">
          {(Object.keys(cells) as Cell[]).map((c) => (
            <Checkbox key={c} label={cells[c]} checked={shown.includes(c)} onChange={() => toggle(c)} />
          ))}
        </Group>
      )}
    </div>
  );
}

interface RowProps {
  row: PlantRow;
  shown: Cell[];
  today: string;
  figure: string;
  picking: Picking;
}

/** A plant of the register: its name, and what was chosen to be shown. */
export function RegisterRow({ row, shown, today, figure, picking }: RowProps) {
  return (
    <li className={classes.row} data-cells={shown.join(" ")} data-many={shown.length}>
      <PickBox plant={{ id: row.id, name: row.name }} picking={picking} />
      <SmallFigure figure={figure} marks={row.figure} />
      <div className={classes.name}>
        <Link to={`/plants/${row.id}`}>{row.name}</Link> <span className="soft small no-wrap">{row.label}</span>
        <div>
          <i className="botanical">{row.botanical}</i>
        </div>
      </div>
      {shown.map((c) => (
        <div key={c} className={c === "seam" ? classes.seam : "small"}>
          {inCell[c](row, today)}
        </div>
      ))}
    </li>
  );
}

const inCell: Record<Cell, (row: PlantRow, today: string) => ReactNode> = {
  doing: (row) => (
    <>
      <div>
        {standingWord(row.standing)}
        {row.stage && `: ${row.stage}`}
        {row.stalled && <b className="ochre"> · stands still</b>}
      </div>
      <div className="soft">{row.causes?.join(", ")}</div>
    </>
  ),
  seam: (row, today) => (
    <SmallSeam
      seam={row.seam}
      today={today}
      label={`${sayCount(row.seam.looks, "look")} since it came ${distance(row.arrivedOn, today)}`}
    />
  ),
  place: (row, today) => {
    const due = row.nextDue && row.nextDue <= today;
    return (
      <>
        <div className={row.isolation === "isolated" ? "plum" : undefined}>
          {row.isolation !== "clean" && <b>{isolationWord(row.isolation)} · </b>}
          {row.place || "no place"}
        </div>
        <div className={due ? "red" : "soft"}>
          {row.nextDue ? `${due ? "due" : "next"} ${distance(row.nextDue, today)}` : " "}
          {row.nextWhat && <span className="soft">: {row.nextWhat}</span>}
        </div>
      </>
    );
  },
  condition: (row) =>
    row.condition === undefined ? (
      <span className="soft">nobody said</span>
    ) : (
      <>
        <b>{row.condition}</b> <span className="soft">of 100</span>
      </>
    ),
  looked: (row, today) => <span className="soft">looked at {distance(row.lastLook, today)}</span>,
  came: (row, today) => (
    <>
      came {sayDay(row.arrivedOn, today)}
      <div className="soft">{distance(row.arrivedOn, today)}</div>
    </>
  ),
  tags: (row) => <span className="soft">{row.tags.join(", ")}</span>,
};
