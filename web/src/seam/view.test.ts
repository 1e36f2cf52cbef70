import { describe, expect, it } from "vitest";
import { within, zoom } from "./view";
import { monthStarts, placeWords } from "./words";

describe("the days of a seam in view", () => {
  it("never leave the seam, and are never too few to read", () => {
    expect(within({ from: -20, to: 40 }, 200)).toEqual({ from: 0, to: 60 });
    expect(within({ from: 180, to: 240 }, 200)).toEqual({ from: 140, to: 200 });
    expect(within({ from: 50, to: 51 }, 200)).toEqual({ from: 50, to: 60 });
    expect(within({ from: 0, to: 900 }, 200)).toEqual({ from: 0, to: 200 });
  });

  it("zoom round the day under the finger", () => {
    const before = { from: 0, to: 200 };
    const after = zoom(before, 0.5, 50, 200);
    expect(after.to - after.from).toBe(100);
    // The day keeps its place on the screen.
    expect((50 - after.from) / (after.to - after.from)).toBeCloseTo(0.25);
    expect(zoom(after, 100, 50, 200)).toEqual({ from: 0, to: 200 });
    const closest = zoom(before, 0.001, 120, 200);
    expect(closest.to - closest.from).toBe(10);
  });
});

describe("words along a seam", () => {
  it("name the months that begin in it", () => {
    expect(monthStarts("2026-10-15", "2027-02-02", 1)).toEqual([
      "2026-11-01",
      "2026-12-01",
      "2027-01-01",
      "2027-02-01",
    ]);
    expect(monthStarts("2026-10-15", "2027-02-02", 2)).toEqual(["2026-11-01", "2027-01-01"]);
    expect(monthStarts("2026-10-15", "2026-10-20", 1)).toEqual([]);
  });

  it("never run over each other, nor over the edge", () => {
    const loose = ["2026-02-01", "2026-02-03", "2026-02-05", "2026-06-20"].map((on, i) => ({
      on,
      why: `reason ${i} that takes some room on the cloth`,
    }));
    const seam = { from: "2026-01-01", bands: [], looks: 0, stitches: [], knots: [], beside: [], loose, bare: [] };
    const x = (d: string) => (Date.parse(d) - Date.parse("2026-01-01")) / 86400000;
    const { placed, rows } = placeWords(seam, x, 390, () => true);
    expect(rows).toBeGreaterThan(1);
    for (const [i, a] of placed.entries()) {
      expect(a.x + a.text.length * 6.1).toBeLessThanOrEqual(391);
      for (const b of placed.slice(i + 1)) {
        const apart = a.row !== b.row || a.x + a.text.length * 6.1 < b.x || b.x + b.text.length * 6.1 < a.x;
        expect(apart, `${a.text} and ${b.text}`).toBe(true);
      }
    }
    expect(placeWords(seam, x, 390, (d) => d < "2026-02-04").placed).toHaveLength(2);
  });
});
