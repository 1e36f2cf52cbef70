import { Switch } from "@mantine/core";
import { useState } from "react";
import { QuantityInput } from "../../fields";
import classes from "./Bench.module.css";
import { amountOf, bench, Sheet, useReckoning } from "./Instrument";
import { PotPicture } from "./pictures/PotPicture";

/** A pot for live roots. */
export function PotBench() {
  const [ball, setBall] = useState<number>();
  const [old, setOld] = useState<number>();
  const [bound, setBound] = useState(false);
  const { result, error, fields, example } = useReckoning(
    "pot",
    { rootBallCm: ball ?? 0, oldPotCm: old, bound },
    ball !== undefined,
    (body) => bench.POST("/api/bench/pot", { body }),
    {
      words: "a live root ball of 7 cm that stood in a pot of 15 cm",
      input: { rootBallCm: 7, oldPotCm: 15, bound: false },
    },
  );
  return (
    <Sheet
      title="A pot for the live roots"
      about="Sized to what lives below, not to the leaves above."
      result={result}
      error={error}
      example={example}
      empty="Give the width of the live root ball."
      what="pot"
      picture={(r, example) => {
        const of = example ?? { rootBallCm: ball, oldPotCm: old };
        const width = amountOf(r, "inner width");
        const depth = amountOf(r, "depth");
        if (!of.rootBallCm || !width || !depth) return null;
        return <PotPicture ballCm={of.rootBallCm} oldCm={of.oldPotCm} widthCm={width} depthCm={depth} />;
      }}
    >
      <QuantityInput
        unit="cm"
        label="Live root ball, width"
        value={ball}
        onChange={setBall}
        error={fields.rootBallCm}
      />
      <QuantityInput unit="cm" label="Present pot, inner width" value={old} onChange={setOld} error={fields.oldPotCm} />
      <Switch
        className={classes.wide}
        label="Healthy and pot-bound: one size up"
        checked={bound}
        onChange={(e) => setBound(e.currentTarget.checked)}
      />
    </Sheet>
  );
}
