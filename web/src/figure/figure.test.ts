import { describe, expect, it } from "vitest";
import { drawingOf, figureNames } from "./drawings";

const zones = ["new", "leaves", "undersides", "stem", "flowers", "joints", "base"];

describe("figures", () => {
  it.each(figureNames)("%s draws every part for any count, within its ground", (name) => {
    for (const counts of [
      { growths: 0, leaves: 0 },
      { growths: 1, leaves: 1 },
      { growths: 3, leaves: 8 },
      { growths: 40, leaves: 200 },
    ]) {
      const { shapes, anchors } = drawingOf(name, counts);
      for (const zone of zones) {
        expect(shapes.some((s) => s.zone === zone)).toBe(true);
        const [x, y] = anchors[zone] ?? [Number.NaN, Number.NaN];
        expect(x).toBeGreaterThan(40);
        expect(x).toBeLessThan(360);
        expect(y).toBeGreaterThan(10);
        expect(y).toBeLessThan(440);
      }
      for (const s of shapes) expect(s.d).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it("draws about as many growths as were counted", () => {
    const bulbs = (growths: number) =>
      drawingOf("bulbed", { growths, leaves: 0 }).shapes.filter((s) => s.fill === "bulb").length;
    expect(bulbs(2)).toBe(2);
    expect(bulbs(5)).toBe(5);
    expect(bulbs(30)).toBe(6);
    const leaves = (n: number) => drawingOf("clump", { growths: 1, leaves: n }).shapes.length;
    expect(leaves(9)).toBeGreaterThan(leaves(4));
  });
});
