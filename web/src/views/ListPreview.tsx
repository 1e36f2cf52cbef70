import { Button, Group, NativeSelect } from "@mantine/core";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { useListPreview } from "../api/files";
import { useKnowledge } from "../api/handbook";
import { sayDay } from "../dates";
import { Failed, Waiting } from "../shell/States";
import { sayCount } from "./words";

interface ListPreviewProps {
  file: Blob;
  name: string;
  take: (as: Record<string, string>) => void;
  /** What the program wrote itself needs no look: it is taken in as it is. */
  ours: () => void;
  leave: () => void;
  busy: boolean;
}

/** How many plants or readings of a list are shown before it is taken in. */
const shown = 8;

/** What a list is read as before anything of it is taken in: headings, first rows, and what is not understood. */
export function ListPreview({ file, name, take, ours, leave, busy }: ListPreviewProps) {
  const [as, setAs] = useState<Record<string, string>>({});
  const preview = useListPreview(file, name, as);
  if (preview.isLoadingError) return <Failed error={preview.error} retry={leave} />;
  if (!preview.data) return <Waiting rows={3} />;
  const { plants, readings, problems, columns, fields } = preview.data;
  if (preview.data.ours) {
    return (
      <Group mt="sm">
        <Button onClick={ours} loading={busy}>
          Take {name} in
        </Button>
        <Button variant="default" onClick={leave}>
          Not this one
        </Button>
      </Group>
    );
  }
  const what = readings.length > 0 ? sayCount(readings.length, "reading") : sayCount(plants.length, "plant");
  return (
    <section aria-label={`What ${name} is read as`} className="mt-10">
      <h3>What its headings are</h3>
      <div className="heading-grid">
        {columns.map((c) => (
          <NativeSelect
            key={c.heading}
            size="xs"
            label={c.heading || "(no heading)"}
            value={c.as}
            data={[{ value: "", label: "passed by" }, ...[...new Set([...fields, c.as])].filter(Boolean)]}
            onChange={(e) => setAs({ ...as, [c.heading]: e.currentTarget.value })}
          />
        ))}
      </div>
      <Problems problems={problems} />
      <h3 className="mt-14">{what}</h3>
      <Rows plants={plants} readings={readings} />
      <Group mt="sm">
        <Button disabled={problems.length > 0} loading={busy} onClick={() => take(as)}>
          {problems.length > 0 ? `${sayCount(problems.length, "thing")} to put right first` : `Take ${what} in`}
        </Button>
        <Button variant="default" onClick={leave}>
          Not this one
        </Button>
      </Group>
    </section>
  );
}

/** What was not understood, row by row. Nothing of a list is taken in while one is left. */
function Problems({ problems }: { problems: Schemas["RowProblem"][] }) {
  if (problems.length === 0) return null;
  return (
    <>
      <h3 className="mt-14 red">{sayCount(problems.length, "thing")} to put right</h3>
      <p className="soft small my-2">Correct a heading above, or the file itself; nothing is taken in before.</p>
      <ul className="small" role="alert">
        {problems.slice(0, 20).map((p) => (
          <li key={`${p.row}${p.column}${p.why}`}>
            Row {p.row}
            {p.column && (
              <>
                , <b>{p.column}</b>
              </>
            )}
            : {p.why}
          </li>
        ))}
        {problems.length > 20 && <li>and {problems.length - 20} more</li>}
      </ul>
    </>
  );
}

/** The first rows as they were understood. */
function Rows({ plants, readings }: { plants: Schemas["Listed"][]; readings: Schemas["ReadingRow"][] }) {
  const habits = useKnowledge().data?.habits ?? [];
  const grows = (p: Schemas["Listed"]) => p.called || habits.find((h) => h.id === p.habit)?.label || "?";
  const more = Math.max(plants.length, readings.length) - shown;
  return (
    <ul className="rows no-bullets p-0 m-0 small">
      {plants.slice(0, shown).map((p) => (
        <li key={p.row}>
          <b>{p.name}</b> <i className="botanical">{grows(p)}</i>{" "}
          <span className="soft">
            {[
              p.label,
              p.place,
              p.arrived && `since ${sayDay(p.arrived, p.arrived)}`,
              p.from && `from ${p.from}`,
              p.price !== undefined && `price ${p.price}`,
              p.note,
            ]
              .filter(Boolean)
              .join(" · ")}
          </span>
        </li>
      ))}
      {readings.slice(0, shown).map((r) => (
        <li key={`${r.row}${r.measure}`}>
          <b>{r.plant}</b>{" "}
          <span className="soft">
            {r.on}: {r.measure.replaceAll("-", " ")} {r.value}
          </span>
        </li>
      ))}
      {more > 0 && <li className="soft">and {more} more</li>}
    </ul>
  );
}
