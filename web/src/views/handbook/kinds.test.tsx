import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, Refusal, serve, show, working } from "../../testing/page";
import { ConfirmedCases } from "./Confirmed";
import { KindForm, readMix } from "./KindForm";
import { KindSheet } from "./KindSheet";

device();

const year = [..."ssgggggggggs"].map((part, i) => ({
  month: i + 1,
  part: part === "g" ? "grows" : "slows",
  words: part === "g" ? "when the top quarter is dry" : "when it is dry half way down",
  fed: part === "g",
}));

describe("a mix as it is written", () => {
  it("is read by parts", () => {
    expect(readMix("2 bark : 1 perlite : moss")).toEqual([
      {
        name: "own mix",
        parts: [
          { parts: 2, what: "bark" },
          { parts: 1, what: "perlite" },
          { parts: 1, what: "moss" },
        ],
      },
    ]);
    expect(readMix("0.5 grit, 3 soil")[0]?.parts).toHaveLength(2);
    expect(readMix("  ")).toEqual([]);
  });
});

const kind = {
  id: "own:12345678",
  botanical: "Alocasia of the cage",
  common: "cage mask",
  habit: "aroid-clump",
  light: [4, 8, 13],
  temperature: [15, 24, 32],
  humidity: [55, 70],
  waterRule: "top-dry",
  sun: "filtered",
  feed: { ppmN: 100, low: 0.5 },
  mixes: [{ name: "airy soil", parts: [{ what: "perlite", parts: 1 }] }],
  repotMonths: [18, 24],
  perMonth: [0.7, 1.2],
  traits: [],
  poisons: [{ whom: "pets", what: "calcium oxalate", bad: "moderate" }],
  pests: [{ pest: "drought", how: "often" }],
  weeks: [{ track: "t", weeks: [7, 26] }],
  source: "own experience",
  sources: { feed: "common practice" },
  own: true,
};

const page = (
  <Routes>
    <Route path="handbook/kinds/:kind" element={<KindSheet />} />
    <Route path="handbook/kinds/:kind/edit" element={<KindForm />} />
  </Routes>
);

describe("a kind", () => {
  it("shows all that it wants, each value with its source", async () => {
    serve({
      "GET /api/session": { signedIn: true, today: "2026-11-24" },
      "GET /api/profiles/own%3A12345678": {
        profile: kind,
        version: 3,
        water: [{ when: "in growth", words: "when the top quarter is dry" }],
        year,
      },
    });
    show(page, knowledge, "/handbook/kinds/own:12345678");
    expect(await screen.findByText(/Alocasia of the cage/)).toBeTruthy();
    const text = pageText();
    expect(text).toContain("Harms pets (moderate): calcium oxalate");
    expect(text).toContain("or a vet");
    expect(text).toContain("15 °C to 32 °C, best 24 °C Air");
    expect(text).toContain("100 ppm N while it grows, 50 % of that in low light (common practice)");
    expect(text.match(/own experience/g)).toHaveLength(1);
    expect(text).toContain("Where nothing else is said: own experience.");
    await screen.findByText("· now");
    expect(pageText()).toContain("Mar to Novgrows; water: when the top quarter is dry; fed · now");
    expect(pageText()).toContain("Dec to Febslows down; water: when it is dry half way down; not fed");
    expect(text).toContain("Track7-26 weeks");
    expect(screen.getByRole("link", { name: "Change it" })).toBeTruthy();
  });

  it("never shows as safe what nobody knows", async () => {
    const poisons = [
      { whom: "people", what: "none known", bad: "none" },
      { whom: "pets", what: "not known to the books", bad: "not known" },
    ];
    serve({
      "GET /api/profiles/own%3A12345678": {
        profile: { ...kind, poisons, names: ["trade one"] },
        version: 3,
        water: [],
        year: [],
      },
    });
    show(page, knowledge, "/handbook/kinds/own:12345678");
    expect(await screen.findByText(/Alocasia of the cage/)).toBeTruthy();
    expect(pageText()).toContain("No harm known to people");
    expect(pageText()).toContain("Not known whether it harms pets: treat it as if it did");
    expect(pageText()).toContain("Also called trade one.");
  });

  it("is changed from the version it was opened at", async () => {
    const asked = serve({
      "GET /api/profiles/own%3A12345678": {
        profile: kind,
        version: 3,
        water: [{ when: "in growth", words: "when the top quarter is dry" }],
        year,
      },
      "PUT /api/profiles/own%3A12345678": { profile: kind, version: 4, water: [] },
    });
    show(page, knowledge, "/handbook/kinds/own:12345678/edit");
    const name = await screen.findByRole("textbox", { name: "Botanical name" });
    await userEvent.clear(name);
    await userEvent.type(name, "Alocasia of the pier");
    await userEvent.click(screen.getByRole("button", { name: "Save this kind" }));
    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    const sent = asked.find((a) => a.method === "PUT")?.body as { version: number; profile: { botanical: string } };
    expect(sent.version).toBe(3);
    expect(sent.profile.botanical).toBe("Alocasia of the pier");
  });

  it("names the field that cannot be right and keeps the rest", async () => {
    serve({
      "PUT /api/profiles/own%3A99999999": new Refusal({
        status: 422,
        detail: "Some values cannot be right.",
        errors: [{ location: "body.profile.botanical", message: "give its botanical name" }],
      }),
    });
    show(page, knowledge, "/handbook/kinds/own:99999999/edit");
    const common = await screen.findByRole("textbox", { name: "Common name" });
    await userEvent.type(common, "mask");
    await userEvent.click(screen.getByRole("button", { name: "Save this kind" }));
    expect((await screen.findAllByText(/give its botanical name/)).length).toBeGreaterThan(0);
    expect((common as HTMLInputElement).value).toBe("mask");
  });
});

describe("how often it was right", () => {
  it("says so where nothing is confirmed", async () => {
    serve({ "GET /api/confirmed": { cases: [], today: "2026-11-24", working } });
    show(<ConfirmedCases />, knowledge);
    expect(await screen.findByText(/No case of yours is confirmed yet/)).toBeTruthy();
  });

  it("shows no share while there are too few", async () => {
    const score = { cases: 49, firstTrue: 40, mainIn3: 45, brier: 0.5, reliability: [], missed: [] };
    serve({ "GET /api/confirmed": { cases: [], enough: false, wanted: 50, score, today: "2026-11-24", working } });
    show(<ConfirmedCases />, knowledge);
    expect(await screen.findByText(/49 confirmed cases. Too few/)).toBeTruthy();
    expect(screen.queryByText(/named a true cause first/)).toBeNull();
  });

  it("shows scores, the table and the cases", async () => {
    const reliability = Array.from({ length: 10 }, (_, i) => ({
      stated: i === 8 ? 4 : 0,
      sum: i === 8 ? 3.4 : 0,
      true: i === 8 ? 3 : 0,
    }));
    serve({
      "GET /api/confirmed": {
        today: "2026-11-24",
        working,
        enough: true,
        score: { cases: 4, firstTrue: 3, mainIn3: 4, brier: 0.5, reliability, missed: [] },
        cases: [
          {
            plant: "p",
            name: "Fern",
            on: "2026-11-20",
            true: ["drought"],
            how: "seen",
            right: false,
            said: [{ id: "root-rot", chance: 0.7 }],
          },
        ],
      },
    });
    show(<ConfirmedCases />, knowledge);
    expect(await screen.findByText("80-90 %")).toBeTruthy();
    const text = pageText();
    expect(text).toContain("3 of 4 (75 %)");
    expect(text).toContain("Brier score 0.500");
    expect(text).toContain("said root rot 70 %");
  });
});
