import { QueryClient } from "@tanstack/react-query";
import { describe, expect, it } from "vitest";
import { keys, ofDecision, ofPlant, recorded } from "./keys";

describe("what is recorded on a plant", () => {
  const mine = [
    keys.file("a"),
    keys.entries("a"),
    keys.differential("a", { present: ["x"], absent: [] }, []),
    keys.preview("a", "first", {}, false),
    keys.choices("a", "first", {}, false),
    keys.review("a", "year", ""),
    keys.shopping("a"),
    keys.rounds,
    keys.places,
    keys.register({ q: "fern" }),
    keys.supplies,
    keys.confirmed,
    keys.collectionReview("year"),
    keys.reliability,
  ];
  const others = [keys.file("b"), keys.preview("b", "first", {}, false), keys.kinds, keys.settings];

  it("makes all that hangs on it be asked again, and nothing of another plant", async () => {
    const cache = new QueryClient();
    for (const key of [...mine, ...others]) cache.setQueryData(key, "was");
    await recorded(cache, "a");
    for (const key of mine) expect(cache.getQueryState(key)?.isInvalidated, key.join(" ")).toBe(true);
    for (const key of others) expect(cache.getQueryState(key)?.isInvalidated, key.join(" ")).toBe(false);
  });

  it("keeps the plans of two decisions apart", () => {
    const cache = new QueryClient();
    cache.setQueryData(keys.preview("a", "first", {}, false), "plan of the first");
    expect(cache.getQueryData(keys.preview("a", "second", {}, false))).toBeUndefined();
    const earlier = (decided: string, plant = "a") => ({
      queryKey: keys.preview(plant, decided, { limp: true }, false),
    });
    expect(ofDecision("a", "first")("plan", earlier("first"))).toBe("plan");
    expect(ofDecision("a", "second")("plan", earlier("first"))).toBeUndefined();
    expect(ofDecision("b", "first")("plan", earlier("first"))).toBeUndefined();
    expect(ofPlant("a")("look", { queryKey: keys.differential("a", { present: [], absent: [] }, []) })).toBe("look");
    expect(ofPlant("b")("look", { queryKey: keys.differential("a", { present: [], absent: [] }, []) })).toBeUndefined();
  });

  it("does not ask again because answers came in another order", () => {
    expect(keys.differential("a", { present: ["y", "x"], absent: [] }, [])).toEqual(
      keys.differential("a", { present: ["x", "y"], absent: [] }, []),
    );
  });
});
