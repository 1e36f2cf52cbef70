import { useState } from "react";
import { QuantityInput } from "../../fields";
import { amountOf, bench, Sheet, useReckoning } from "./Instrument";
import { DishPicture } from "./pictures/DishPicture";

/** The level of a dish under a pot, by its longest root. */
export function DishBench() {
  const [depth, setDepth] = useState<number>();
  const [root, setRoot] = useState<number>();
  const { result, error, fields, example } = useReckoning(
    "dish",
    { potDepthCm: depth ?? 0, longestRootMm: root ?? 0 },
    depth !== undefined && root !== undefined,
    (body) => bench.POST("/api/bench/dish", { body }),
    { words: "a pot 8 cm deep, its longest new root 50 mm", input: { potDepthCm: 8, longestRootMm: 50 } },
  );
  return (
    <Sheet
      title="A dish under new roots"
      about="Its water falls as the roots grow down, so that they follow it."
      result={result}
      error={error}
      example={example}
      empty="Give how deep the pot is, and its longest root."
      what="longest root"
      keep={() => ({ checked: { readings: [{ measure: "longest-root", value: root }] } })}
      picture={(r, example) => {
        const of = example ?? { potDepthCm: depth, longestRootMm: root };
        const level = amountOf(r, "level of the dish");
        if (!of.potDepthCm || !of.longestRootMm || level === undefined) return null;
        return <DishPicture depthMm={10 * of.potDepthCm} rootMm={of.longestRootMm} levelMm={level} />;
      }}
    >
      <QuantityInput unit="cm" label="Pot, depth inside" value={depth} onChange={setDepth} error={fields.potDepthCm} />
      <QuantityInput unit="mm" label="Longest new root" value={root} onChange={setRoot} error={fields.longestRootMm} />
    </Sheet>
  );
}
