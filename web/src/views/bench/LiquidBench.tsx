import { MultiSelect, SegmentedControl, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { useKnowledge } from "../../api/handbook";
import { useBench } from "../../api/household";
import { NumberField } from "../../fields";
import classes from "./Bench.module.css";
import { bench, Sheet, useReckoning } from "./Instrument";
import { JugPicture } from "./pictures/JugPicture";

/** Any strength to any volume, with a guard against what must not meet. */
export function DilutionBench() {
  const tables = useBench();
  const [by, setBy] = useState("strength");
  const [what, setWhat] = useState("");
  const [stock, setStock] = useState<number>();
  const [wanted, setWanted] = useState<number>();
  const [water, setWater] = useState<number | undefined>(4);
  const [part, setPart] = useState<number | undefined>(1);
  const [volume, setVolume] = useState("");
  const [meets, setMeets] = useState<string[]>([]);
  const strong = by === "strength";
  const { result, error, fields, example } = useReckoning(
    "dilution",
    {
      what,
      volume,
      with: meets,
      stockPct: strong ? stock : undefined,
      wantedPct: strong ? wanted : undefined,
      ratio: strong ? undefined : [water ?? 0, part ?? 0],
    },
    volume.trim() !== "" && (!strong || (stock !== undefined && wanted !== undefined)),
    (body) => bench.POST("/api/bench/dilution", { body }),
    {
      words: "alcohol of 96 % taken to 70 %, 250 ml of it",
      input: { what: "alcohol", volume: "250 ml", with: [], stockPct: 96, wantedPct: 70 },
    },
  );
  return (
    <Sheet
      title="A dilution"
      about="Say everything that goes into the bottle, and what was in it before: some things must never meet."
      result={result}
      error={error}
      example={example}
      empty="Give the strengths and how much you want, such as 250 ml or 1 1/2 cups."
      what={`dilution of ${what || "stock"}`}
      picture={(r) => (
        <JugPicture of={r.amounts.filter((a) => a.unit === "ml").map((a) => ({ what: a.what, ml: a.value }))} />
      )}
    >
      <SegmentedControl
        className={classes.wide}
        aria-label="By"
        data={[
          { value: "strength", label: "by strength" },
          { value: "parts", label: "by parts" },
        ]}
        value={by}
        onChange={setBy}
      />
      <TextInput label="What is diluted" value={what} onChange={(e) => setWhat(e.currentTarget.value)} />
      <TextInput
        label="How much is wanted"
        placeholder="250 ml, 1 1/2 tsp, 2 l"
        value={volume}
        onChange={(e) => setVolume(e.currentTarget.value)}
        error={fields.volume}
      />
      {strong ? (
        <>
          <NumberField label="Stock" suffix=" %" value={stock} onChange={setStock} error={fields.stockPct} />
          <NumberField label="Wanted" suffix=" %" value={wanted} onChange={setWanted} error={fields.wantedPct} />
        </>
      ) : (
        <>
          <NumberField label="Parts of water" value={water} onChange={setWater} error={fields.ratio} />
          <NumberField label="Parts of stock" value={part} onChange={setPart} />
        </>
      )}
      <MultiSelect
        className={classes.wide}
        label="What meets in the bottle"
        placeholder={meets.length ? undefined : "water, soap, peroxide …"}
        searchable
        data={(tables.data?.chemicals ?? []).map((c) => ({ value: c.id, label: c.label }))}
        value={meets}
        onChange={setMeets}
        error={fields.with}
      />
    </Sheet>
  );
}

const doseUnits = [
  { value: "l", label: "litres of spray or water" },
  { value: "cm", label: "cm of pot width" },
  { value: "m2", label: "m²" },
  { value: "plant", label: "plants" },
] as const;

type DoseUnit = (typeof doseUnits)[number]["value"];

/** A label's dose, typed in by the carer and multiplied; none is ever proposed. */
export function DoseBench() {
  const knowledge = useKnowledge();
  const [product, setProduct] = useState("");
  const [batch, setBatch] = useState("");
  const [says, setSays] = useState("");
  const [per, setPer] = useState<number | undefined>(1);
  const [unit, setUnit] = useState<DoseUnit>("l");
  const [quantity, setQuantity] = useState<number>();
  const [interval, setInterval] = useState<number>();
  const [reentry, setReentry] = useState<number>();
  const [against, setAgainst] = useState<string | null>(null);
  const { result, error, fields } = useReckoning(
    "dose",
    { product, says, per: per ?? 0, unit, quantity: quantity ?? 0 },
    says.trim() !== "" && quantity !== undefined,
    (body) => bench.POST("/api/bench/dose", { body }),
  );
  return (
    <Sheet
      title="A label’s dose"
      about="Type what the label says; it is multiplied, nothing is ever proposed. The label and local rules decide."
      result={result}
      error={error}
      empty="Type the label’s amount and how much is to be treated."
      what={product}
      keep={(amounts) => ({
        treated: {
          product,
          amounts,
          batch: batch || undefined,
          against: against ?? undefined,
          intervalDays: interval,
          reentryHours: reentry,
        },
      })}
    >
      <TextInput
        label="Product"
        value={product}
        onChange={(e) => setProduct(e.currentTarget.value)}
        error={fields.product}
      />
      <TextInput label="Batch" value={batch} onChange={(e) => setBatch(e.currentTarget.value)} />
      <TextInput
        label="The label says"
        placeholder="5 ml, 1/2 tsp, 2 g"
        value={says}
        onChange={(e) => setSays(e.currentTarget.value)}
        error={fields.says}
      />
      <NumberField label="for" value={per} onChange={setPer} error={fields.per} />
      <Select
        label="of"
        allowDeselect={false}
        data={[...doseUnits]}
        value={unit}
        onChange={(v) => v && setUnit(v as DoseUnit)}
      />
      <NumberField label="To be treated" value={quantity} onChange={setQuantity} error={fields.quantity} />
      <NumberField label="Again after, days" allowDecimal={false} value={interval} onChange={setInterval} />
      <NumberField label="Keep away, hours" value={reentry} onChange={setReentry} />
      <Select
        className={classes.wide}
        label="Against"
        searchable
        clearable
        data={(knowledge.data?.causes ?? []).map((c) => ({ value: c.id, label: c.label }))}
        value={against}
        onChange={setAgainst}
      />
    </Sheet>
  );
}
