import { describe, expect, it } from "vitest";
import { sayProse, sayQuantity, toMetric, toShown } from "./units";

// Exact by definition, NIST SP 811.
describe("units", () => {
  it("turns lengths, volumes and warmth exactly", () => {
    expect(toShown(2.54, "cm", "us")).toEqual({ value: 1, unit: "in" });
    expect(toMetric(60, "°C", "us")).toBeCloseTo(15.5556, 3);
    expect(toMetric(128, "ml", "us")).toBeCloseTo(3785.41, 2);
    expect(toMetric(4, "l", "us")).toBeCloseTo(3.78541, 5);
    expect(toMetric(1, "g", "us")).toBeCloseTo(28.3495, 4);
  });
  it("comes back to where it was", () => {
    for (const unit of ["cm", "mm", "ml", "l", "g", "°C"]) {
      expect(toMetric(toShown(17.3, unit, "us").value, unit, "us")).toBeCloseTo(17.3, 9);
    }
  });
  it("leaves metric and what has no other unit alone", () => {
    expect(toShown(12, "cm", "metric")).toEqual({ value: 12, unit: "cm" });
    expect(toShown(12, "days", "us")).toEqual({ value: 12, unit: "days" });
  });
  it("turns the quantities in prose", () => {
    expect(sayProse("when the top 5-7 cm are dry", "us")).toBe("when the top 2-2.8 in are dry");
    expect(sayProse("4 roots of 5 cm, at 25 °C", "us")).toBe("4 roots of 2 in, at 77 °F");
    expect(sayProse("Set it 2 to 3 cm deep, 1 to 2 cm below the rim", "us")).toBe(
      "Set it 0.8 to 1.2 in deep, 0.4 to 0.8 in below the rim",
    );
    expect(sayProse("nights down to about -2 °C, in 10–12 cm pots", "us")).toBe(
      "nights down to about 28 °F, in 3.9–4.7 in pots",
    );
    expect(sayProse("between 5 and 10 °C; 20 °C", "us")).toBe("between 41 and 50 °F; 68 °F");
    expect(sayProse("Pour 9.3 litres through, 0.5 l now; 1 g in a litre", "us")).toBe(
      "Pour 9.83 qt through, 0.53 qt now; 1 g in a litre",
    );
    // What is sprayed keeps its strength: 0.1 fl oz of soap would be a fifth too much.
    expect(sayProse("2.5 ml of mild liquid soap in 164 ml of soft water", "us")).toBe(
      "0.51 tsp of mild liquid soap in 5.5 fl oz of soft water",
    );
    expect(sayProse("10 to 20 ml, or 20 to 40 ml", "us")).toBe("2.03 to 4.06 tsp, or 4.06 tsp to 1.4 fl oz");
    expect(sayProse("on day 5 to 7, 3 leaves", "us")).toBe("on day 5 to 7, 3 leaves");
    expect(sayProse("4 roots of 5 cm", "metric")).toBe("4 roots of 5 cm");
    expect(sayProse("7 days, 50 % or more", "us")).toBe("7 days, 50 % or more");
  });
  it("says quantities as people do", () => {
    expect(sayQuantity(9.5, "cm", "metric")).toBe("9.5 cm");
    expect(sayQuantity(312.5, "ml", "metric")).toBe("313 ml");
    expect(sayQuantity(0.5432, "l", "metric")).toBe("0.54 l");
    expect(sayQuantity(9.5, "cm", "us")).toBe("3.7 in");
  });
});
