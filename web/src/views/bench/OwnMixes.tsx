import { Button, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { Problem, type Schemas } from "../../api/client";
import { useKeepMedium, useKeepRecipe } from "../../api/household";
import { NumberField } from "../../fields";
import { Refused } from "../../shell/States";
import classes from "./Bench.module.css";

interface OwnRecipesProps {
  parts: Schemas["Part"][];
  own: Schemas["OwnMixes"];
}

/** Keeps the parts as a recipe of the collection's own, under its name. */
export function OwnRecipes({ parts, own }: OwnRecipesProps) {
  const keep = useKeepRecipe();
  const [called, setCalled] = useState("");
  const named = parts.filter((p) => p.what.trim() !== "");
  const send = () => {
    const name = called.trim() || named.map((p) => `${p.parts} ${p.what}`).join(" : ");
    keep.mutate({ name, parts: named }, { onSuccess: () => setCalled("") });
  };
  return (
    <>
      <div className={classes.named}>
        <TextInput label="My recipe, called" value={called} onChange={(e) => setCalled(e.currentTarget.value)} />
        <Button variant="default" loading={keep.isPending} onClick={send}>
          Keep as my recipe
        </Button>
      </div>
      {own.recipes.length > 0 && (
        <p className={`${classes.wide} small soft m-0`}>
          Kept for everybody here, and to be chosen in a plan:{" "}
          {own.recipes.map((r) => (
            <span key={r.name} className="no-wrap">
              {r.name}{" "}
              <button
                type="button"
                className="linkbutton"
                aria-label={`Take out ${r.name}`}
                onClick={() => keep.mutate({ ...r, withdrawn: true })}
              >
                take out
              </button>
              ;{" "}
            </span>
          ))}
        </p>
      )}
      <Refused error={keep.error} />
    </>
  );
}

const percent = (shares: number[]) => ({ least: (shares[0] ?? 0) * 100, most: (shares[1] ?? 0) * 100 });

/** A medium as it was given, without what it is called. */
const given = ({ called: _, ...m }: Schemas["CalledMedium"]): Schemas["KeptMedium"] => m;

interface OwnMediumProps {
  ingredients: Schemas["Ingredient"][];
  own: Schemas["OwnMixes"];
  /** Puts it into the mix at hand. */
  add: (what: string) => void;
}

/** A medium that the tables do not have: what it is most like, what it holds, and its name. */
export function OwnMedium({ ingredients, own, add }: OwnMediumProps) {
  const keep = useKeepMedium();
  const [name, setName] = useState("");
  const [like, setLike] = useState<string | null>(null);
  const [water, setWater] = useState(percent([]));
  const [air, setAir] = useState(percent([]));
  const fields = keep.error instanceof Problem ? keep.error.fields : {};
  const choose = (id: string | null) => {
    setLike(id);
    const known = ingredients.find((i) => i.id === id);
    if (!known) return;
    setWater(percent(known.water));
    setAir(percent(known.air));
  };
  const shares = ({ least, most }: typeof water) => [least / 100, most / 100];
  const send = () =>
    keep.mutate(
      { name, like: like ?? "", water: shares(water), air: shares(air) },
      {
        onSuccess: ({ own: kept }) => {
          const made = kept.media.at(-1);
          if (made) add(made.called);
          setName("");
          setLike(null);
        },
      },
    );
  return (
    <details className={classes.wide}>
      <summary>A medium of my own</summary>
      <p className="soft small my-8">
        Wet a litre of it, let it drain: what runs in and stays is its water. Where you do not know, leave what stands.
      </p>
      <div className={classes.fields}>
        <TextInput
          label="What it is called"
          maxLength={30}
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={fields.name}
        />
        <Select
          label="Most like"
          placeholder="pick one"
          searchable
          data={ingredients.filter((i) => !own.media.some((m) => i.id === m.called)).map((i) => i.id)}
          value={like}
          onChange={choose}
          error={fields.like}
        />
        <Share label="Holds water" value={water} onChange={setWater} error={fields.water} />
        <Share label="Stays air" value={air} onChange={setAir} error={fields.air} />
        <Button className={classes.wide} variant="default" loading={keep.isPending} onClick={send}>
          Keep this medium
        </Button>
        {own.media.map((m) => (
          <p key={m.name} className={`${classes.wide} small m-0`}>
            {m.name}, like {m.like}{" "}
            <button
              type="button"
              className="linkbutton"
              aria-label={`Take out ${m.name}`}
              onClick={() => keep.mutate({ ...given(m), withdrawn: true })}
            >
              take out
            </button>
          </p>
        ))}
      </div>
      {Object.keys(fields).length === 0 && <Refused error={keep.error} />}
    </details>
  );
}

interface ShareProps {
  label: string;
  value: { least: number; most: number };
  onChange: (value: { least: number; most: number }) => void;
  error?: string;
}

/** A share of the volume, from least to most, in percent. */
function Share({ label, value, onChange, error }: ShareProps) {
  return (
    <>
      <NumberField
        label={`${label}, least`}
        suffix=" %"
        value={value.least}
        onChange={(least) => onChange({ ...value, least: least ?? 0 })}
        error={error}
      />
      <NumberField
        label={`${label}, most`}
        suffix=" %"
        value={value.most}
        onChange={(most) => onChange({ ...value, most: most ?? 0 })}
        error={error !== undefined}
      />
    </>
  );
}
