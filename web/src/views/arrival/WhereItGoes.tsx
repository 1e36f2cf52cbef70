import { Select, Switch } from "@mantine/core";
import { usePlaces } from "../../api/plants";
import classes from "../TakeIn.module.css";
import type { Fields } from "./parts";

interface WhereItGoesProps {
  fields: Fields;
  alone: boolean;
  /** Opens the form of a new place; none while it is open. */
  add: (() => void) | undefined;
}

/** Where it goes, and whether alone. */
export function WhereItGoes({ fields, alone, add }: WhereItGoesProps) {
  const { value, set, fault } = fields;
  const places = usePlaces();
  return (
    <>
      <h2>Where it goes</h2>
      <div className={classes.two}>
        <Select
          label="Place"
          placeholder={places.data?.places?.length ? "pick a place" : "no places yet"}
          clearable
          data={places.data?.places?.map((p) => ({ value: p.id, label: p.name })) ?? []}
          value={value.place ?? null}
          onChange={(v) => set({ place: v ?? undefined })}
          error={fault("place")}
        />
        <Switch
          mt={30}
          label="Isolated: own tray, own tools, at least two weeks"
          checked={alone}
          onChange={(e) => set({ isolated: e.currentTarget.checked })}
        />
      </div>
      {add && (
        <button type="button" className="linkbutton small mt-8" onClick={add}>
          Add a place
        </button>
      )}
    </>
  );
}
