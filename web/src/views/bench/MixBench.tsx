import { Autocomplete, Button, Select, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import { useBench } from "../../api/household";
import { NumberField, QuantityInput } from "../../fields";
import { Failed, Waiting } from "../../shell/States";
import classes from "./Bench.module.css";
import { amountOf, bench, Sheet, useReckoning } from "./Instrument";
import { MixPicture } from "./pictures/MixPicture";

interface Recipe {
  name: string;
  parts: { what: string; parts: number }[];
}

/** A mix by parts: shipped recipes, and one's own, kept on this device. */
export function MixBench() {
  const tables = useBench();
  const [own, setOwn] = useLocalStorage<Recipe[]>({
    key: "own-mixes",
    defaultValue: [],
    getInitialValueInEffect: false,
  });
  const [parts, setParts] = useState([
    { what: "potting soil", parts: 1 },
    { what: "perlite", parts: 1 },
    { what: "medium bark", parts: 1 },
  ]);
  const [pot, setPot] = useState<number>();
  const [pots, setPots] = useState<number | undefined>(1);
  const [litres, setLitres] = useState<number>();
  const [called, setCalled] = useState("");
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
  const recipes: Recipe[] = [...own, ...tables.data.recipes];
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
            data={tables.data.ingredients.map((g) => g.id)}
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
      <div className={classes.named}>
        <TextInput label="My recipe, called" value={called} onChange={(e) => setCalled(e.currentTarget.value)} />
        <Button
          variant="default"
          onClick={() => {
            const name = called.trim() || `own: ${parts.map((p) => `${p.parts} ${p.what}`).join(" : ")}`;
            setOwn([{ name, parts }, ...own.filter((r) => r.name !== name)]);
          }}
        >
          Keep as my recipe
        </Button>
      </div>
      <QuantityInput unit="cm" label="Pots of this width" value={pot} onChange={setPot} error={fields.potCm} />
      <NumberField label="How many pots" allowDecimal={false} value={pots} onChange={setPots} error={fields.pots} />
      <QuantityInput unit="l" label="Or so much loose mix" value={litres} onChange={setLitres} error={fields.litres} />
      <QuantityInput unit="g" label="Dry moss to wet" value={moss} onChange={setMoss} error={fields.mossDryG} />
    </Sheet>
  );
}
