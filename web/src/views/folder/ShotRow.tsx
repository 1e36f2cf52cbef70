import { Autocomplete, Button, Group } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { useRegister, useSession } from "../../api/plants";
import { sayDay } from "../../dates";
import classes from "./Folder.module.css";
import { datedWords, foundWords, type Shot } from "./read";

interface ShotRowProps {
  shot: Shot;
  file?: File;
  change: (to: Shot) => void;
  leave?: () => void;
}

/** A picture of the folder: what it is of, on which day, by what that is known, and what can be set right. */
export function ShotRow({ shot, file, change, leave }: ShotRowProps) {
  const today = useSession().data?.today ?? "";
  const [open, setOpen] = useState(false);
  const setting = open || shot.why !== undefined;
  return (
    <li className={classes.shot}>
      {file && <Small file={file} name={shot.path} />}
      <div>
        <span className="small soft">{shot.path}</span>
        <div>
          {shot.plant && (
            <>
              <b>{shot.plant.name || shot.plant.label}</b> <span className="soft small">{foundWords[shot.found]}</span>
            </>
          )}
          {shot.on && (
            <>
              {shot.plant && " · "}
              {sayDay(shot.on, today)} <span className="soft small">{datedWords[shot.dated]}</span>
            </>
          )}
          {" · "}
          {shot.side}
        </div>
        {shot.why && <p className="red small m-0">{sentenceOf(shot.why)}</p>}
        {setting && <SetRight shot={shot} change={change} />}
        {!shot.why && (
          <Group gap="xs" mt={4}>
            <button type="button" className="linkbutton small" aria-expanded={open} onClick={() => setOpen(!open)}>
              {open ? "Less" : "Set it right"}
            </button>
            {leave && (
              <button type="button" className="linkbutton small soft" onClick={leave} aria-label={`Leave ${shot.path}`}>
                Leave it
              </button>
            )}
          </Group>
        )}
      </div>
    </li>
  );
}

const sentenceOf = (why: string) => `${why.charAt(0).toUpperCase()}${why.slice(1)}.`;

/** Says by hand of which plant and day a picture is. */
function SetRight({ shot, change }: { shot: Shot; change: (to: Shot) => void }) {
  const [typed, setTyped] = useState(shot.plant?.name ?? "");
  const [words] = useDebouncedValue(typed, 150);
  const found = useRegister({ q: words }).data?.pages[0]?.plants ?? [];
  const named = (p: { name: string; label?: string }) => (p.label ? `${p.name} (${p.label})` : p.name);
  const set = (to: Shot) => change({ ...to, why: to.plant && to.on ? undefined : to.why });
  const pick = (plant: { id: string; name: string; label?: string; arrivedOn: string }) =>
    set({ ...shot, plant: { id: plant.id, name: plant.name, label: plant.label, on: plant.arrivedOn }, several: [] });
  return (
    <Group align="end" gap="sm" mt={4}>
      {shot.several.map((p) => (
        <Button key={p.id} size="compact-md" variant="default" onClick={() => pick({ ...p, arrivedOn: p.on })}>
          {named(p)}
        </Button>
      ))}
      <Autocomplete
        label={`Of which plant is ${shot.path}?`}
        data={[...new Set(found.map(named))]}
        filter={({ options }) => options}
        value={typed}
        onChange={(v) => {
          setTyped(v);
          const one = found.find((p) => named(p) === v);
          if (one) pick(one);
        }}
      />
      <label className="small soft">
        Taken on{" "}
        <input
          type="date"
          value={shot.on ?? ""}
          onChange={(e) => set({ ...shot, on: e.currentTarget.value || undefined, dated: "nothing" })}
        />
      </label>
    </Group>
  );
}

/** The picture itself, small. */
function Small({ file, name }: { file: File; name: string }) {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(file);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  return url ? <img className={classes.small} src={url} alt={name} loading="lazy" /> : null;
}
