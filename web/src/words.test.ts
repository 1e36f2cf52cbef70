import { describe, expect, it } from "vitest";
import type { Knowledge } from "./api/client";
import { addDays, daysBetween, distance, sayDay } from "./dates";
import { bandColour } from "./seam/cloth";
import { zoneStates } from "./views/plant/zones";
import { sayChance, sayTimes } from "./views/words";

describe("dates", () => {
  it("says how far a day lies", () => {
    const today = "2026-11-24";
    expect(distance("2026-11-24", today)).toBe("today");
    expect(distance("2026-11-23", today)).toBe("yesterday");
    expect(distance("2026-11-12", today)).toBe("12 days ago");
    expect(distance("2026-11-27", today)).toBe("in 3 days");
    expect(distance("2026-03-07", today)).toBe("9 months ago");
    expect(distance("2024-11-24", today)).toBe("2 years ago");
  });
  it("counts over the end of summer time and leap days", () => {
    expect(daysBetween("2026-10-24", "2026-10-26")).toBe(2);
    expect(addDays("2028-02-28", 2)).toBe("2028-03-01");
  });
  it("names the year only when it is another", () => {
    expect(sayDay("2026-03-09", "2026-11-24")).toBe("9 March");
    expect(sayDay("2025-03-09", "2026-11-24")).toBe("9 Mar 2025");
  });
});

describe("chances", () => {
  it("are said as people say them", () => {
    expect(sayChance(0.99)).toBe("nearly sure");
    expect(sayChance(0.71)).toBe("7 in 10");
    expect(sayChance(0.08)).toBe("1 in 13");
    expect(sayChance(0.001)).toBe("hardly");
  });
  it("say for and against", () => {
    expect(sayTimes(4)).toBe("×4");
    expect(sayTimes(0.5)).toBe("÷2");
    expect(sayTimes(23.4)).toBe("×23");
  });
});

describe("figure", () => {
  it("counts what was seen and looked for by part", () => {
    const knowledge = {
      signs: [
        { id: "a", zone: "leaves" },
        { id: "b", zone: "leaves" },
        { id: "c", zone: "roots" },
      ],
    } as unknown as Knowledge;
    expect(zoneStates(knowledge, ["a"], ["b"])).toEqual({
      leaves: { seen: 1, absent: 1 },
      roots: { seen: 0, absent: 0 },
    });
  });
});

describe("seam", () => {
  it("shows a stage that was fallen back into in red", () => {
    const band = {
      case: "c",
      track: "t",
      lane: 0,
      stage: "cup",
      name: "cup",
      from: "2026-01-01",
      back: true,
      early: false,
    };
    expect(bandColour(band, 0)).toBe("var(--red-cloth)");
    expect(bandColour({ ...band, back: false }, 0)).not.toBe("var(--red-cloth)");
  });
});
