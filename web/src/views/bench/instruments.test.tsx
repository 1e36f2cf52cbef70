import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { type Asked, device, pageText, Refusal, serve, show, working } from "../../testing/page";
import { Bench } from "./Bench";
import { DishBench } from "./DishBench";
import { AirBench, FeedBench, LightBench, RunwayBench } from "./GrowthBench";
import { MixBench } from "./MixBench";
import { PotBench } from "./PotBench";

device();

const tables = {
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "GET /api/plants": { plants: [{ id: "plant-1", name: "Fern", label: "T-1" }], next: "" },
  "GET /api/profiles": { profiles: [{ id: "vanda", botanical: "Vanda coerulea", common: "blue vanda" }] },
  "GET /api/knowledge": { lights: [{ id: "sun", label: "daylight" }] },
  "GET /api/bench": {
    recipes: [
      {
        name: "open bark",
        parts: [
          { what: "medium bark", parts: 4 },
          { what: "charcoal", parts: 0.5 },
        ],
      },
    ],
    ingredients: [
      { id: "perlite", water: [0.2, 0.35], air: [0.4, 0.55] },
      { id: "medium bark", water: [0.2, 0.3], air: [0.45, 0.55] },
    ],
    own: { media: [], recipes: [] },
  },
};
/** A collection's own shelf, as the server keeps it. */
const shelf = () => {
  const own = {
    media: [] as { name: string; like: string; called: string }[],
    recipes: [] as { name: string; parts: object[] }[],
  };
  const bench = tables["GET /api/bench"];
  const now = () => ({
    ...bench,
    recipes: [...own.recipes, ...bench.recipes],
    ingredients: [...own.media.map((m) => ({ id: m.called, water: [0, 1], air: [0, 1] })), ...bench.ingredients],
    own: { ...own },
  });
  const keep = <T extends { name: string; withdrawn?: boolean }>(list: T[], one: T) =>
    one.withdrawn ? list.filter((x) => x.name !== one.name) : [...list, one];
  return {
    "PUT /api/bench/recipes": (a: Asked) => {
      own.recipes = keep(own.recipes, a.body as (typeof own.recipes)[number]);
      return now();
    },
    "PUT /api/bench/media": (a: Asked) => {
      const medium = a.body as (typeof own.media)[number];
      own.media = keep(own.media, { ...medium, called: `${medium.name} (like ${medium.like})` });
      return now();
    },
  };
};
const reckoned = (what: string, value: number, unit: string, warnings: string[] = []) => ({
  amounts: [{ what, value, unit, working }],
  warnings,
});
const bodies = (asked: Asked[], instrument: string) =>
  asked.filter((a) => a.path === `/api/bench/${instrument}`).map((a) => a.body as Record<string, unknown>);
const result = () => screen.getByTestId("reckoning");
const field = (name: string) => screen.findByRole("textbox", { name });

describe("a pot for live roots", () => {
  it("shows an example until there is a root ball, and opens its number", async () => {
    const asked = serve({ ...tables, "POST /api/bench/pot": reckoned("inner width", 11.5, "cm") });
    show(<PotBench />);
    expect(result().textContent).toContain("Give the width of the live root ball.");
    await screen.findByText("For example: a live root ball of 7 cm that stood in a pot of 15 cm");
    expect(bodies(asked, "pot")).toEqual([{ rootBallCm: 7, oldPotCm: 15, bound: false }]);
    expect(screen.queryByRole("button", { name: "Keep it" })).toBeNull(); // an example is nobody's
    await userEvent.type(await field("Live root ball, width"), "7");
    await waitFor(() => expect(screen.queryByText(/For example/)).toBeNull());
    await waitFor(() => expect(result().textContent).toContain("11.5 cm"));
    await userEvent.click(screen.getByRole("switch", { name: /pot-bound/ }));
    await waitFor(() => expect(bodies(asked, "pot").at(-1)).toMatchObject({ rootBallCm: 7, bound: true }));
    await userEvent.click(screen.getByRole("button", { name: "How inner width came about" }));
    await screen.findByText("1 + 1");
  });

  it("reads inches and reckons in centimetres", async () => {
    window.localStorage.setItem("units", JSON.stringify("us"));
    const asked = serve({ ...tables, "POST /api/bench/pot": reckoned("inner width", 11.43, "cm") });
    show(<PotBench />);
    await userEvent.type(await field("Live root ball, width"), "3");
    await waitFor(() => expect(result().textContent).toContain("4.5 in"));
    expect(bodies(asked, "pot").at(-1)?.rootBallCm).toBeCloseTo(7.62, 2);
  });
});

describe("a mix", () => {
  it("begins from a recipe, is changed line by line, and is kept for the collection", async () => {
    const asked = serve({
      ...tables,
      ...shelf(),
      "POST /api/bench/mix": reckoned("medium bark", 1.2, "l", ["It settles by a tenth."]),
    });
    show(<MixBench />);
    await userEvent.click(await screen.findByRole("combobox", { name: "Recipe" }));
    await userEvent.click(await screen.findByRole("option", { name: "open bark" }));
    await userEvent.click(screen.getByRole("button", { name: "Take out charcoal" }));
    await userEvent.click(screen.getByRole("button", { name: "One more" }));
    await userEvent.type(screen.getAllByRole("combobox", { name: "Ingredient" }).at(-1) as HTMLElement, "perlite");
    await userEvent.type(await field("Pots of this width"), "12");
    await waitFor(() => expect(result().textContent).toContain("1.2 l"));
    expect(result().textContent).toContain("It settles by a tenth.");
    expect(bodies(asked, "mix").at(-1)).toMatchObject({
      parts: [
        { what: "medium bark", parts: 4 },
        { what: "perlite", parts: 1 },
      ],
      potCm: 12,
      pots: 1,
    });
    const drawn = screen.getByRole("img", { name: /^In the pot/ }).getAttribute("aria-label");
    expect(drawn).toMatch(/^In the pot: medium bark: 80 %, .*; perlite: 20 %/);
    await userEvent.click(screen.getByRole("button", { name: "Keep as my recipe" }));
    await userEvent.type(screen.getByRole("textbox", { name: "My recipe, called" }), "For the sill");
    await userEvent.click(screen.getByRole("button", { name: "Keep as my recipe" }));
    await userEvent.click(await screen.findByRole("combobox", { name: "Recipe" }));
    await screen.findByRole("option", { name: "4 medium bark : 1 perlite" });
    await screen.findByRole("option", { name: "For the sill" });
    await userEvent.click(screen.getByRole("button", { name: "Take out For the sill" }));
    await waitFor(() => expect(screen.queryByRole("button", { name: "Take out For the sill" })).toBeNull());
    expect(asked.filter((a) => a.path === "/api/bench/recipes").at(-1)?.body).toMatchObject({
      name: "For the sill",
      withdrawn: true,
    });
  });

  it("sends recipes of this device to the collection once", async () => {
    window.localStorage.setItem("own-mixes", JSON.stringify([{ name: "old", parts: [{ what: "perlite", parts: 1 }] }]));
    const asked = serve({ ...tables, ...shelf() });
    show(<MixBench />);
    await screen.findByRole("button", { name: "Take out old" });
    expect(window.localStorage.getItem("own-mixes")).toBeNull();
    expect(asked.filter((a) => a.method === "PUT")).toHaveLength(1);
  });

  it("keeps a medium of one’s own as what it is like, and puts it into the mix", async () => {
    const asked = serve({ ...tables, ...shelf(), "POST /api/bench/mix": reckoned("litres", 1, "l") });
    show(<MixBench />);
    await userEvent.click(await screen.findByText("A medium of my own"));
    await userEvent.type(await field("What it is called"), "Lava");
    await userEvent.click(screen.getByRole("combobox", { name: "Most like" }));
    await userEvent.click(await screen.findByRole("option", { name: "perlite" }));
    const most = await field("Holds water, most");
    expect((most as HTMLInputElement).value).toBe("35 %");
    await userEvent.clear(most);
    await userEvent.type(most, "25");
    await userEvent.click(screen.getByRole("button", { name: "Keep this medium" }));
    await screen.findByDisplayValue("Lava (like perlite)");
    expect(asked.find((a) => a.path === "/api/bench/media")?.body).toEqual({
      name: "Lava",
      like: "perlite",
      water: [0.2, 0.25],
      air: [0.4, 0.55],
    });
  });

  it("offers to try again when its tables cannot be had", async () => {
    serve({ ...tables, "GET /api/bench": new Refusal({ status: 500, detail: "That went wrong here." }) });
    show(<MixBench />);
    await screen.findByText("That went wrong here.");
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
  });
});

describe("feed, light and air", () => {
  it("adds up several salts", async () => {
    const asked = serve({ ...tables, "POST /api/bench/feed": reckoned("N", 155, "ppm") });
    show(<FeedBench />);
    expect(result().textContent).toContain("Type the percentages from the label.");
    await userEvent.type((await screen.findAllByRole("textbox", { name: "N %" }))[0] as HTMLElement, "15.5");
    await waitFor(() => expect(result().textContent).toContain("155 ppm"));
    await userEvent.click(screen.getByRole("button", { name: "Another salt" }));
    await userEvent.type(screen.getAllByRole("textbox", { name: "Mg %" })[1] as HTMLElement, "9.8");
    await waitFor(() => expect(bodies(asked, "feed").at(-1)?.doses).toHaveLength(2));
  });

  it("holds a light reading against a kind", async () => {
    const asked = serve({
      ...tables,
      "POST /api/bench/light": reckoned("in a day", 5.8, "mol/day", ["Less than it wants."]),
    });
    show(<LightBench />);
    await userEvent.type(await field("Reading"), "9000");
    await waitFor(() => expect(result().textContent).toContain("5.8"));
    expect(bodies(asked, "light").at(-1)).toMatchObject({ reading: 9000, unit: "lux", lamp: "sun", hours: 10 });
    await userEvent.click(screen.getByRole("combobox", { name: "Against a kind" }));
    await userEvent.click(await screen.findByRole("option", { name: "Vanda coerulea (blue vanda)" }));
    await waitFor(() => expect(bodies(asked, "light").at(-1)).toMatchObject({ kind: "vanda" }));
    expect(result().textContent).toContain("Less than it wants.");
  });

  it("needs warmth and humidity both", async () => {
    const asked = serve({ ...tables, "POST /api/bench/air": reckoned("thirst of the air", 1.3, "kPa") });
    show(<AirBench />);
    await userEvent.type(await field("Warmth"), "22");
    expect(result().textContent).toContain("Give warmth and humidity.");
    await userEvent.type(await field("Humidity"), "50");
    await waitFor(() => expect(result().textContent).toContain("1.3 kPa"));
    expect(bodies(asked, "air").at(-1)).toMatchObject({ tempC: 22, humidityPct: 50 });
  });
});

describe("a dish under new roots", () => {
  it("asks for both lengths, draws the level and keeps the root with a plant", async () => {
    const asked = serve({
      ...tables,
      "POST /api/bench/dish": reckoned("level of the dish", 26, "mm"),
      "POST /api/plants/plant-1/entries": {},
    });
    show(<DishBench />);
    await waitFor(() => expect(result().textContent).toContain("For example: a pot 8 cm deep"));
    await userEvent.type(await field("Pot, depth inside"), "9");
    expect(result().textContent).toContain("Give how deep the pot is, and its longest root.");
    await userEvent.type(await field("Longest new root"), "54");
    await waitFor(() => expect(screen.getByRole("img").getAttribute("aria-label")).toContain("90 mm deep"));
    expect(bodies(asked, "dish").at(-1)).toEqual({ potDepthCm: 9, longestRootMm: 54 });
    await userEvent.click(screen.getByRole("combobox", { name: "Keep it with a plant" }));
    await userEvent.click(await screen.findByRole("option", { name: /Fern/ }));
    await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
    await waitFor(() => {
      const kept = asked.find((a) => a.path.includes("plant-1"))?.body as Record<string, unknown> | undefined;
      expect(kept?.checked).toEqual({ readings: [{ measure: "longest-root", value: 54 }] });
    });
  });
});

describe("how long reserves last", () => {
  it("goes by the eye, or by two weighings with their days", async () => {
    const asked = serve({ ...tables, "POST /api/bench/runway": reckoned("days left, shortest", 45, "days") });
    show(<RunwayBench />);
    await userEvent.click(await screen.findByRole("combobox", { name: "How its reserves look" }));
    await userEvent.click(await screen.findByRole("option", { name: "bulbs ridged" }));
    await waitFor(() => expect(result().textContent).toContain("45 days"));
    const weights = screen.getAllByRole("textbox", { name: "Bare weight" });
    await userEvent.type(weights[0] as HTMLElement, "100");
    await userEvent.type(weights[1] as HTMLElement, "93");
    const days = screen.getAllByLabelText("Weighed on");
    await userEvent.type(days[0] as HTMLElement, "2026-11-01");
    expect(bodies(asked, "runway").at(-1)?.weighings).toEqual([]); // one of them has no day yet
    await userEvent.type(days[1] as HTMLElement, "2026-11-15");
    await waitFor(() =>
      expect(bodies(asked, "runway").at(-1)?.weighings).toEqual([
        { on: "2026-11-01", grams: 100 },
        { on: "2026-11-15", grams: 93 },
      ]),
    );
  });

  it("says at its field what cannot be reckoned", async () => {
    serve({
      ...tables,
      "POST /api/bench/runway": new Refusal({
        status: 422,
        detail: "Some values cannot be right.",
        errors: [{ location: "body.weighings", message: "the later one must be lighter" }],
      }),
    });
    show(<RunwayBench />);
    await userEvent.click(await screen.findByRole("combobox", { name: "How its reserves look" }));
    await userEvent.click(await screen.findByRole("option", { name: "bulbs plump" }));
    await waitFor(() => expect(pageText()).toContain("the later one must be lighter"));
    expect(screen.getAllByRole("textbox", { name: "Bare weight" })[0]?.getAttribute("aria-invalid")).toBe("true");
  });
});

describe("the bench", () => {
  it("names its instruments, and which is open", () => {
    serve(tables);
    show(
      <Routes>
        <Route path="bench" element={<Bench />}>
          <Route path="air" element={<AirBench />} />
        </Route>
      </Routes>,
      undefined,
      "/bench/air",
    );
    expect(screen.getAllByRole("link")).toHaveLength(10);
    expect(screen.getByRole("link", { current: "page" }).textContent).toBe("Air");
  });
});
