import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { device, pageText, serve, show, working } from "../../testing/page";
import { PlacePage } from "./PlacePage";
import { Places } from "./Places";
import { WhoFits } from "./WhoFits";

device();

const year = Array.from({ length: 12 }, (_, i) => ({
  month: i + 1,
  light: 2 + i,
  low: 1 + i,
  high: 4 + i,
  sunMost: 3,
  sunUsual: 2,
  hot: false,
  dayHours: 12,
  night: 14,
  day: 21,
  humidity: 45,
  vpd: 1,
}));
const sill = {
  id: "sill",
  name: "East sill",
  light: "",
  isolation: false,
  plants: 1,
  position: 1,
  version: 1,
  says: "Dim in January (2.0 mol), bright in December (13).",
  year,
  details: { setting: "sill", window: { aspect: "E", distanceM: 0.3 } },
};
const deck = { ...sill, id: "deck", name: "Deck", position: 2 };
const cold = {
  place: "deck",
  name: "Deck",
  on: "2026-11-25",
  ahead: 1,
  likely: 3,
  chance: 0.99,
  limit: 10,
  source: "a forecast",
  plants: [{ id: "p", name: "Fern", limit: 10 }],
};
const site = { latitude: 48, sky: "mixed", nights: Array(12).fill(5), assumed: true };
const all = { places: [sill, deck], site, cold: [cold] };
const session = { signedIn: true, today: "2026-11-24" };

describe("places", () => {
  it("say who comes in before a cold night, and move them with one tap", async () => {
    const asked = serve({
      "GET /api/places": all,
      "GET /api/session": session,
      "POST /api/entries": { kept: [], refused: [] },
      "PUT /api/places/order": all,
    });
    show(<Places />);
    await screen.findByText(/About 3 °C tomorrow night in Deck: 1 plant to bring in/);
    expect(pageText()).toContain("Assumed from the time zone");
    await userEvent.selectOptions(screen.getByRole("combobox", { name: "Bring those of Deck to" }), "East sill");
    await userEvent.click(screen.getByRole("button", { name: "They are in East sill" }));
    await waitFor(() => expect(asked.some((a) => a.path === "/api/entries")).toBe(true));
    expect(asked.find((a) => a.path === "/api/entries")?.body).toMatchObject({
      entries: [{ plant: "p", on: "2026-11-24", moved: { place: "sill" } }],
    });
    await userEvent.click(screen.getByRole("button", { name: "Walk Deck one earlier" }));
    await waitFor(() => expect(asked.some((a) => a.path === "/api/places/order")).toBe(true));
    expect(asked.find((a) => a.path === "/api/places/order")?.body).toEqual({ places: ["deck", "sill"] });
  });

  it("tell their year, who fits, and take what they are like", async () => {
    const view = {
      ...sill,
      site,
      odd: true,
      read: 1,
      lightNow: { what: "light", value: 2.3, unit: "mol", working },
      days: [{ on: "2026-11-01", whole: true, hours: 24, low: 14, high: 20, mean: 17, humidity: 50, vpd: 1 }],
      stands: [{ id: "p", name: "Fern", score: 0.2, word: "poor", rules: "too-dark", month: 12 }],
      cold: [],
    };
    const asked = serve({
      "GET /api/places/sill": view,
      "GET /api/places": all,
      "GET /api/session": session,
      "PUT /api/places/sill": all,
    });
    show(
      <Routes>
        <Route path="/places/:place" element={<PlacePage />} />
      </Routes>,
      undefined,
      "/places/sill",
    );
    await screen.findByText("Its year");
    const text = pageText();
    for (const said of [
      "2.3 mol a day",
      "fits badly, 20 of 100: too dark in December",
      "likely wrong",
      "50 % humidity",
    ])
      expect(text).toContain(said);
    await userEvent.click(screen.getByRole("button", { name: "Keep it and reckon its year" }));
    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    expect(asked.find((a) => a.method === "PUT")?.body).toMatchObject({ version: 1, details: { setting: "sill" } });
  });
});

describe("who fits where", () => {
  it("lists the moves with why and how, and records those that were made", async () => {
    const asked = serve({
      "GET /api/fit": {
        fitting: 3,
        unknown: ["Attic"],
        morePoor: 2,
        moreSeason: 0,
        season: [
          {
            plant: "s",
            name: "Fig",
            place: "Deck",
            move: "bring-in",
            on: "2026-11-10",
            until: "2026-11-24",
            how: "Look for pests.",
            why: "Cold nights.",
          },
          {
            plant: "u",
            name: "Lime",
            place: "Hall",
            move: "put-out",
            on: "2026-12-04",
            until: "2027-03-01",
            how: "Harden it first.",
            why: "Warm nights.",
          },
        ],
        lamps: [{ place: "sill", name: "East sill", plants: 2, ppfd: 60, hours: 12 }],
        poor: [{ id: "q", name: "Cactus", score: 0.1, word: "poor", rules: "too-dark", month: 12 }],
        moves: [
          {
            plant: "p",
            name: "Fern",
            from: "deck",
            fromName: "Deck",
            to: "sill",
            toName: "East sill",
            here: 0.2,
            there: 0.8,
            rules: "too-cold",
            month: 1,
            makesRoom: false,
            clean: false,
            darker: "Look before you water.",
            steps: [
              { day: 0, light: 2, sun: 0 },
              { day: 7, light: 4, sun: 1 },
            ],
          },
        ],
      },
      "GET /api/session": session,
      "POST /api/entries": { kept: [], refused: [] },
    });
    show(<WhoFits />);
    await screen.findByText("1 move worth making");
    const text = pageText();
    for (const said of [
      "comes in from Deck now",
      "can go out from 4 Dec, by 1 Mar",
      "Harden it first.",
      "too cold in January",
      "Raise its light in 2 steps over 7 days",
      "Attic",
      "60 µmol",
    ])
      expect(text).toContain(said);
    await userEvent.click(screen.getByRole("button", { name: "I have moved 1 plant" }));
    await waitFor(() => expect(asked.some((a) => a.path === "/api/entries")).toBe(true));
  });
});
