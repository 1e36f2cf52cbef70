import { Button } from "@mantine/core";
import { useState } from "react";
import type { PlantFile, Schemas, Strand } from "../../../api/client";
import { useKnowledge } from "../../../api/handbook";
import { sayDay } from "../../../dates";
import { NumberField } from "../../../fields";
import { sayCount } from "../../words";
import classes from "../Growths.module.css";

type Words = Schemas["MarkWords"];

/** The marks of a growth in words: what came with it apart from what is new, and since when. */
export function sayMarks(strand: Strand, words: Words[], today: string): string {
  const last = strand.looks.at(-1);
  const lobes = strand.lobes ? sayCount(strand.lobes, "lobe") : "";
  if (!last) return lobes;
  const label = (id: string) => words.find((w) => w.id === id)?.label ?? id;
  const old = strand.marked.filter((m) => m.old).map((m) => label(m.mark));
  const fresh = strand.marked.filter((m) => !m.old).map((m) => `${label(m.mark)} since ${sayDay(m.on, today)}`);
  const marks = [old.length > 0 && `old: ${old.join(", ")}`, fresh.length > 0 && `new: ${fresh.join(", ")}`];
  return [...(strand.marked.length === 0 ? [`no mark on ${sayDay(last.on, today)}`] : marks), lobes]
    .filter(Boolean)
    .join("; ");
}

export interface Looked {
  marks?: Words["id"][];
  clean?: boolean;
  lobes?: number;
}

interface MarksOfProps {
  file: PlantFile;
  strand: Strand;
  name: string;
  saving: boolean;
  send: (said: string, looked: Looked) => void;
}

/** A look at a growth for marks: all that it has now, or that it has none. */
export function MarksOf({ file, strand, name, saving, send }: MarksOfProps) {
  const knowledge = useKnowledge();
  const words = knowledge.data?.marks ?? [];
  const [open, setOpen] = useState(false);
  const [has, setHas] = useState<Words["id"][]>(() => strand.marked.map((m) => m.mark));
  const [lobes, setLobes] = useState(strand.lobes);
  const said = sayMarks(strand, words, file.today);
  const again = said ? "look again for marks" : "look for marks";
  const keep = (looked: Looked) => {
    const labels = words.filter((w) => looked.marks?.includes(w.id)).map((w) => w.label);
    send(`${name}: ${looked.clean ? "no mark" : labels.join(", ")}`, { ...looked, lobes });
    setOpen(false);
  };
  return (
    <div className={classes.marks}>
      {said && <span className="small">{said}</span>}{" "}
      {!file.over && strand.state !== "lost" && (
        <button
          type="button"
          className="linkbutton soft small"
          aria-expanded={open}
          aria-label={`${again}: ${name}`}
          onClick={() => setOpen(!open)}
        >
          {again}
        </button>
      )}
      {open && (
        <fieldset className={classes.looking} aria-label={`Marks that ${name} has now`}>
          <div className={classes.chips}>
            {words.map((w) => (
              <button
                key={w.id}
                type="button"
                aria-pressed={has.includes(w.id)}
                title={w.how}
                onClick={() => setHas(has.includes(w.id) ? has.filter((x) => x !== w.id) : [...has, w.id])}
              >
                {w.label}
              </button>
            ))}
          </div>
          {strand.sort === "leaf" && (
            <NumberField label="Lobes and windows" w={160} allowDecimal={false} value={lobes} onChange={setLobes} />
          )}
          <div className={classes.acts}>
            <Button
              size="compact-md"
              disabled={has.length === 0}
              loading={saving}
              onClick={() => keep({ marks: has })}
              aria-label={`It has these: ${name}`}
            >
              It has these
            </Button>
            <Button
              size="compact-md"
              variant="default"
              loading={saving}
              onClick={() => {
                setHas([]);
                keep({ clean: true });
              }}
              aria-label={`No mark at all: ${name}`}
            >
              No mark at all
            </Button>
          </div>
        </fieldset>
      )}
    </div>
  );
}
