import classes from "./Many.module.css";
import type { Picked, Picking } from "./picked";

/** Picks one plant of a list. */
export function PickBox({ plant, picking }: { plant: Picked; picking: Picking }) {
  return (
    <label className={classes.pick}>
      <input
        type="checkbox"
        checked={picking.has(plant.id)}
        onChange={() => picking.toggle(plant)}
        aria-label={`Pick ${plant.name}`}
      />
    </label>
  );
}

/** Picks all plants of a list, or none of them. */
export function PickAll({ plants, of, picking }: { plants: Picked[]; of: string; picking: Picking }) {
  if (plants.length < 2) return null;
  const all = plants.every((p) => picking.has(p.id));
  return (
    <button
      type="button"
      className="linkbutton small"
      aria-label={`${all ? "pick none" : `pick all ${plants.length}`} of ${of}`}
      onClick={() => picking.toggleAll(plants)}
    >
      {all ? "pick none" : `pick all ${plants.length}`}
    </button>
  );
}
