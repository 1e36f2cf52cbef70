import { NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { usePlaces } from "../../api/plants";
import { QuantityInput } from "../../fields";
import classes from "./Box.module.css";
import type { BoxDraft, Change } from "./draft";

interface DiffersProps {
  name: string;
  draft: BoxDraft;
  changed: Change;
  /** What was changed at the plant before it; missing of the first. */
  before?: Change;
  change: (part: Change) => void;
}

const differing = (c: Change | undefined) =>
  c?.potWidthCm !== undefined || c?.place !== undefined || (c?.note ?? "") !== "";

/** Where one plant of a box is not as the others: its pot, where it stands, and a word of its own. */
export function Differs({ name, draft, changed, before, change }: DiffersProps) {
  const [open, setOpen] = useState(differing(changed));
  const places = usePlaces().data?.places ?? [];
  if (!open)
    return (
      <button
        type="button"
        className={`linkbutton small ${classes.but}`}
        aria-label={`${name} is as the others, but …`}
        onClick={() => setOpen(true)}
      >
        as the others, but …
      </button>
    );
  return (
    <div className={classes.differs}>
      <QuantityInput
        unit="cm"
        size="xs"
        label="Its pot, inner width"
        aria-label={`Pot of ${name}, inner width`}
        value={changed.potWidthCm ?? draft.potWidthCm}
        onChange={(potWidthCm) => change({ potWidthCm })}
      />
      <NativeSelect
        size="xs"
        label="Its place"
        aria-label={`Place of ${name}`}
        data={[
          {
            value: "",
            label: draft.place ? "as the others" : "not said",
          },
          ...places.map((p) => ({ value: p.id, label: p.name })),
        ]}
        value={changed.place ?? ""}
        onChange={(e) => change({ place: e.currentTarget.value || undefined })}
      />
      <TextInput
        size="xs"
        label="A word on it"
        aria-label={`A word on ${name}`}
        maxLength={2000}
        value={changed.note ?? ""}
        onChange={(e) => change({ note: e.currentTarget.value })}
      />
      {differing(before) && !differing(changed) && (
        <button
          type="button"
          className="linkbutton small"
          aria-label={`${name} is as the last`}
          onClick={() => change({ potWidthCm: before?.potWidthCm, place: before?.place, note: before?.note })}
        >
          as the last
        </button>
      )}
    </div>
  );
}
