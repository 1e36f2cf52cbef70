import { NativeSelect, TextInput } from "@mantine/core";
import type { Profile, Schemas } from "../../api/client";
import { useKnowledge } from "../../api/handbook";
import classes from "./Box.module.css";
import { Differs } from "./Differs";
import type { BoxDraft, Change } from "./draft";

interface BoxPlantsProps {
  plants: Schemas["BoxPreview"]["plants"];
  kinds: Profile[];
  draft: BoxDraft;
  set: (part: Partial<BoxDraft>) => void;
}

/** The plants as their lines are read: each can be called otherwise, be another kind, or be left out. */
export function BoxPlants({ plants, kinds, draft, set }: BoxPlantsProps) {
  const knowledge = useKnowledge().data;
  const change = (i: number, part: Change) =>
    set({ changes: { ...draft.changes, [i]: { ...draft.changes[i], ...part } } });
  const sign = (id: string) => knowledge?.signs.find((s) => s.id === id)?.label.toLowerCase() ?? id;
  return (
    <ol className={classes.plants}>
      {plants.map((p, i) => {
        const changed = draft.changes[i] ?? {};
        const name = changed.name ?? p.name;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a plant is its turn in the list
          <li key={i} className={changed.left ? classes.left : undefined}>
            <TextInput
              size="xs"
              aria-label={`Name of plant ${i + 1}`}
              value={name}
              maxLength={120}
              disabled={changed.left}
              onChange={(e) => change(i, { name: e.currentTarget.value })}
            />
            <TextInput
              size="xs"
              aria-label={`Label of ${name}`}
              value={changed.label ?? p.label}
              maxLength={24}
              disabled={changed.left}
              error={p.again && !changed.left ? "taken already" : undefined}
              onChange={(e) => change(i, { label: e.currentTarget.value })}
            />
            <button
              type="button"
              className="linkbutton small"
              aria-label={`${changed.left ? "Take in" : "Leave out"}: ${name}`}
              onClick={() => change(i, { left: !changed.left })}
            >
              {changed.left ? "take in" : "leave out"}
            </button>
            <div className={classes.read}>
              {p.kinds.length > 1 ? (
                <NativeSelect
                  size="xs"
                  aria-label={`Kind of ${name}`}
                  data={p.kinds.map((id) => ({ value: id, label: botanical(kinds, id) }))}
                  value={changed.kind ?? p.kinds[0]}
                  onChange={(e) => {
                    const kind = e.currentTarget.value;
                    change(i, { kind, habit: kinds.find((k) => k.id === kind)?.habit });
                  }}
                />
              ) : (
                <i className="botanical">{p.kinds[0] ? botanical(kinds, p.kinds[0]) : "kind not known"}</i>
              )}
              {p.price !== undefined && <span> · {p.price.toFixed(2)}</span>}
              {p.present.length > 0 && (
                <span> · has {p.present.map((s) => sign(s.sign) + (s.sure ? "" : " (perhaps)")).join(", ")}</span>
              )}
              {p.absent.length > 0 && <span> · not there: {p.absent.map(sign).join(", ")}</span>}
            </div>
            {!changed.left && (
              <Differs
                name={name}
                draft={draft}
                changed={changed}
                before={draft.changes[i - 1]}
                change={(part) => change(i, part)}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}

const botanical = (kinds: Profile[], id: string) => kinds.find((k) => k.id === id)?.botanical ?? id;
