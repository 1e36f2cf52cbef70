import { Autocomplete, Button, Select } from "@mantine/core";
import { useState } from "react";
import { useBench } from "../../api/household";
import { NumberField, QuantityInput } from "../../fields";
import { Failed, Waiting } from "../../shell/States";
import classes from "./Bench.module.css";
import { amountOf, bench, Sheet, useReckoning } from "./Instrument";
import { useMovedRecipes } from "./moved";
import { OwnMedium, OwnRecipes } from "./OwnMixes";
import { MixPicture } from "./pictures/MixPicture";

/** A mix by parts: shipped recipes and media, and the collection's own. */
export function MixBench() {
  const tables = useBench();
  useMovedRecipes();
  const [parts, setParts] = useState([
    { what: "potting soil", parts: 1 },
    { what: "perlite", parts: 1 },
    { what: "medium bark", parts: 1 },
  ]);
  const [pot, setPot] = useState<number>();
  const [pots, setPots] = useState<number | undefined>(1);
  const [litres, setLitres] = useState<number>();
  const [moss, setMoss] = useState<number>();
  const wanted = pot !== undefined || litres !== undefined;
  const { result, error, fields, example } = useReckoning(
    "mix",
    { parts: parts.filter((p) => p.what.trim() !== ""), potCm: pot, pots: pots ?? 1, litres, mossDryG: moss },
    wanted,
    (body) => bench.POST("/api/bench/mix", { body }),
    { words: "these parts, for two pots of 14 cm", input: { parts, potCm: 14, pots: 2 } },
  );
  if (tables.isPending) return <Waiting />;
  if (tables.isLoadingError) return <Failed error={tables.error} retry={() => tables.refetch()} />;
  const { recipes, ingredients, own } = tables.data;
  const set = (i: number, part: Partial<(typeof parts)[number]>) =>
    setParts(parts.map((p, n) => (n === i ? { ...p, ...part } : p)));
  return (
    <Sheet
      title="A mix by parts"
      about="Litres of each, what settling takes, and the water and air it holds."
      result={result}
      error={error}
      example={example}
      empty="Say how much: the pots to fill, or litres."
      picture={(r) => <MixPicture parts={parts.map((p) => ({ ...p, litres: amountOf(r, p.what) }))} />}
      what={`mix: ${parts.map((p) => `${p.parts} ${p.what}`).join(" : ")}`}
    >
      <Select
        className={classes.wide}
        label="Recipe"
        placeholder="begin with one"
        clearable
        data={recipes.map((r) => r.name).filter((n, i, all) => all.indexOf(n) === i)}
        onChange={(name) => {
          const found = recipes.find((r) => r.name === name);
          if (found) setParts(found.parts.map((p) => ({ ...p })));
        }}
      />
      {parts.map((p, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines are only added at the end
        <div key={i} className={classes.line}>
          <Autocomplete
            label="Ingredient"
            data={ingredients.map((g) => g.id)}
            value={p.what}
            onChange={(what) => set(i, { what })}
          />
          <NumberField label="Parts" min={0} value={p.parts} onChange={(v) => set(i, { parts: v ?? 0 })} />
          <Button
            variant="default"
            px={0}
            aria-label={`Take out ${p.what || "this ingredient"}`}
            onClick={() => setParts(parts.filter((_, n) => n !== i))}
          >
            −
          </Button>
        </div>
      ))}
      <Button className={classes.wide} variant="default" onClick={() => setParts([...parts, { what: "", parts: 1 }])}>
        One more
      </Button>
      <OwnMedium
        ingredients={ingredients}
        own={own}
        add={(what) => setParts([...parts.filter((p) => p.what.trim() !== ""), { what, parts: 1 }])}
      />
      <OwnRecipes parts={parts} own={own} />
      <QuantityInput unit="cm" label="Pots of this width" value={pot} onChange={setPot} error={fields.potCm} />
      <NumberField label="How many pots" allowDecimal={false} value={pots} onChange={setPots} error={fields.pots} />
      <QuantityInput unit="l" label="Or so much loose mix" value={litres} onChange={setLitres} error={fields.litres} />
      <QuantityInput unit="g" label="Dry moss to wet" value={moss} onChange={setMoss} error={fields.mossDryG} />
    </Sheet>
  );
}
