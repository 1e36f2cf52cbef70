import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, Refusal, serve, show } from "../../testing/page";
import { CauseSheet } from "./CauseSheet";
import { HabitSheet } from "./HabitSheet";
import { Handbook, Threshold } from "./Handbook";
import { LookAlikes } from "./LookAlikes";
import { SignSheet } from "./SignSheet";

device();

const habit = {
  id: "fern",
  label: "fern",
  figure: "frond",
  orchid: false,
  growth: "fronds",
  growthDays: [10, 30],
  roots: "fine and shallow",
  waterRule: "top-dry",
  stallWeeks: 6,
  restSeasons: [],
  lookDays: 10,
};
const tables = {
  ...knowledge,
  habits: [
    habit,
    {
      ...habit,
      id: "monopodial-orchid",
      label: "single-stem orchid",
      orchid: true,
      stallWeeks: 0,
      restSeasons: ["winter"],
    },
  ],
};
const kinds = {
  profiles: [
    { id: "own:1", botanical: "Nephrolepis of the barber", common: "sword fern", habit: "fern", own: true },
    { id: "adiantum", botanical: "Adiantum raddianum", common: "maidenhair", habit: "fern", own: false },
  ],
};
const answers = { "GET /api/knowledge": tables, "GET /api/profiles": kinds };

const book = (
  <Routes>
    <Route path="handbook" element={<Handbook />}>
      <Route index element={<Threshold />} />
      <Route path="causes/:cause" element={<CauseSheet />} />
      <Route path="signs/:sign" element={<SignSheet />} />
      <Route path="habits/:habit" element={<HabitSheet />} />
      <Route path="look-alikes" element={<LookAlikes />} />
    </Route>
  </Routes>
);
const open = (path: string, more: Record<string, unknown> = {}) => {
  const asked = serve({ ...answers, ...more });
  show(book, undefined, path);
  return asked;
};
const contents = () => screen.findByRole("navigation", { name: "Contents" });

describe("the handbook’s contents", () => {
  it("say how much there is, and by which method it reckons", async () => {
    open("/handbook");
    await contents();
    expect(pageText()).toContain("3 causes, 5 signs, 1 moves, 2 ways of growing");
    expect(pageText()).toContain("Pearl 1988");
  });

  it("begin with what to look for now, and with how plants grow", async () => {
    const troubles = [{ season: "autumn", cause: tables.causes[0]?.id, why: "The first cold nights: look." }];
    open("/handbook", { "GET /api/season": { season: "autumn", troubles } });
    const now = await screen.findByRole("region", { name: "What to look for now" });
    expect(now.textContent).toContain("What to look for in autumn");
    expect(now.textContent).toContain("The first cold nights: look.");
    expect(within(now).getByRole("link").getAttribute("href")).toBe(`/handbook/causes/${tables.causes[0]?.id}`);
    const drawn = screen.getAllByRole("img", { name: /^Drawing of/ });
    expect(drawn).toHaveLength(tables.habits.length);
  });

  it("find by every word, in any order, and say when nothing matches", async () => {
    open("/handbook");
    const nav = await contents();
    const words = screen.getByRole("textbox", { name: "Words" });
    await userEvent.type(words, "stress dro");
    expect(
      within(nav)
        .getAllByRole("link")
        .map((l) => l.textContent),
    ).toEqual(["Drought stress"]);
    await userEvent.type(words, " zzz");
    expect(nav.textContent).toContain("Nothing matches; try fewer words.");
  });

  it("find signs by the words that people use for them", async () => {
    open("/handbook?list=signs", { "GET /api/signs": { signs: ["root.smell"] } });
    const nav = await contents();
    await userEvent.type(screen.getByRole("textbox", { name: "Words" }), "it stinks");
    expect((await within(nav).findByRole("link")).textContent).toBe("A sour smell");
  });

  it("list signs by the part they are seen on", async () => {
    open("/handbook");
    const nav = await contents();
    await userEvent.click(screen.getByRole("radio", { name: "Signs" }));
    expect(
      within(nav)
        .getAllByRole("heading")
        .map((h) => h.textContent),
    ).toEqual(["Leaves", "Pot"]);
    expect(within(nav).getByRole("link", { name: "A sour smell" }).getAttribute("href")).toContain(
      "/handbook/signs/root.smell",
    );
  });

  it("put one’s own kinds under their own heading, with the way to add one", async () => {
    open("/handbook?list=kinds");
    const nav = await contents();
    await within(nav).findByText("Nephrolepis of the barber");
    expect(
      within(nav)
        .getAllByRole("heading")
        .map((h) => h.textContent),
    ).toEqual(["Your own", "fern"]);
    expect(within(nav).getByRole("link", { name: "Add a kind of your own" }).getAttribute("href")).toMatch(
      /kinds\/own:.+\/edit/,
    );
  });

  it("list the ways of growing, orchids apart", async () => {
    open("/handbook?list=habits");
    const nav = await contents();
    expect(
      within(nav)
        .getAllByRole("heading")
        .map((h) => h.textContent),
    ).toEqual(["Others", "Orchids"]);
  });

  it("offer to try again when the tables cannot be had", async () => {
    open("/handbook", { "GET /api/knowledge": new Refusal({ status: 503, detail: "The record cannot be reached." }) });
    await screen.findByText("The record cannot be reached.");
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
  });
});

describe("a cause", () => {
  const sheet = {
    cause: {
      id: "root-rot",
      label: "Root rot",
      summary: "Roots die for want of air",
      harmless: false,
      daysToAct: 1,
      spreads: true,
      prior: 0.123,
    },
    signs: [{ sign: "root.mushy", word: "nearly always", strength: 0.9 }],
    helps: [],
    harms: [{ move: "soak", effect: -5 }],
    lookAlikes: ["drought"],
    never: ["cactus"],
    bringsOn: ["old-leaf"],
    broughtBy: [],
    more: ["fern"],
    less: ["monopodial-orchid"],
  };

  it("says how soon, whether it spreads, what it shows, what harms and what it is mistaken for", async () => {
    open("/handbook/causes/root-rot", { "GET /api/causes/root-rot": sheet });
    await screen.findByRole("heading", { name: "Root rot" });
    const text = pageText();
    for (const said of [
      "Act within 1 day.",
      "It can pass to other plants.",
      "12.3 of 100 failing plants",
      "More often on: fern.",
      "Seldom on: single-stem orchid. Never on: cactus.",
      "nearly always",
      "like this",
      "It can bring on: Ordinary ageing of a leaf.",
      "Nothing is done to it.",
      "Soak −5",
      "Source: common practice",
    ])
      expect(text).toContain(said);
    expect(
      within(screen.getByRole("article")).getByRole("link", { name: "Drought stress" }).getAttribute("href"),
    ).toContain("causes=root-rot,drought");
    expect(screen.getByRole("link", { name: "Roots brown and soft" }).getAttribute("href")).toContain(
      "/handbook/signs/root.mushy",
    );
  });

  it.each([
    [{ harmless: true }, "Needs no treatment."],
    [{ daysToAct: 0 }, "Act at once."],
    [{ daysToAct: 14 }, "Act within 14 days."],
  ])("says how soon to act: %o", async (more, said) => {
    open("/handbook/causes/root-rot", { "GET /api/causes/root-rot": { ...sheet, cause: { ...sheet.cause, ...more } } });
    await screen.findByText(new RegExp(said.replace(".", "\\.")));
  });

  it("says so when there is none of that id", async () => {
    open("/handbook/causes/curse");
    await screen.findByText("There is nothing at this address.");
  });
});

describe("a sign", () => {
  it("says how to look, what it is taken for, what it costs, and what is behind it", async () => {
    open("/handbook/signs/root.mushy", {
      "GET /api/signs/root.mushy": {
        sign: { ...tables.signs.find((s) => s.id === "root.mushy"), background: 0.025 },
        causes: [{ cause: "root-rot", word: "nearly always" }],
      },
    });
    await screen.findByRole("heading", { name: "Roots brown and soft" });
    const text = pageText();
    for (const said of [
      "Looks like: like this.",
      "not that",
      "1 min, the roots come out of the pot",
      "2.5 of 100 plants",
      "shows it nearly always",
    ])
      expect(text).toContain(said);
    expect(within(screen.getByRole("article")).getByRole("link", { name: "Root rot" })).toBeTruthy();
  });
});

describe("a way of growing", () => {
  it("tells what is usual and which kinds grow so", async () => {
    open("/handbook/habits/fern?list=habits");
    await screen.findByRole("heading", { name: "fern" });
    await waitFor(() => expect(pageText()).toContain("maidenhair"));
    for (const said of [
      "one in 10-30 days",
      "6 weeks without measured growth",
      "has no rest of its own",
      "every 10 days",
    ])
      expect(pageText()).toContain(said);
  });

  it("never calls a resting plant stalled", async () => {
    open("/handbook/habits/monopodial-orchid?list=habits");
    await screen.findByText(/never called stalled by time alone/);
    expect(pageText()).toContain("possible in winter");
  });

  it("says so when there is none of that id", async () => {
    open("/handbook/habits/moss?list=habits");
    await screen.findByText("No such way of growing");
  });
});

describe("look-alikes", () => {
  const comparison = {
    causes: [tables.causes[0], tables.causes[1]],
    check: "root.mushy",
    apart: [{ sign: "root.mushy", chance: [0.9, 0.02] }],
    shared: [{ sign: "leaf.drooping", chance: [0.7, 0.72] }],
  };

  it("stand side by side: first what tells them apart, then what they share", async () => {
    open("/handbook/look-alikes?causes=root-rot,drought", { "GET /api/look-alikes": comparison });
    await screen.findByText("What tells them apart");
    const [apart, shared] = screen.getAllByRole("table");
    expect(apart?.textContent).toContain("Roots brown and soft90 %2 %");
    expect(shared?.textContent).toContain("Leaves hang limp70 %72 %");
    expect(pageText()).toContain("Tell them apart: how to see: Roots brown and soft");
    expect(screen.getByRole("heading", { name: "Root rot or Drought stress?" })).toBeTruthy();
  });

  it("take a third beside them", async () => {
    const asked = open("/handbook/look-alikes?causes=root-rot,drought", { "GET /api/look-alikes": comparison });
    await screen.findByText("What tells them apart");
    await userEvent.click(screen.getByRole("combobox", { name: "Put another beside them" }));
    await userEvent.click(await screen.findByRole("option", { name: "Ordinary ageing of a leaf" }));
    await waitFor(() => expect(asked.filter((a) => a.path === "/api/look-alikes")).toHaveLength(2));
    await screen.findByRole("heading", { name: "Root rot or Drought stress or Ordinary ageing of a leaf?" });
  });

  it("ask for a second one where there is one", async () => {
    const asked = open("/handbook/look-alikes?causes=root-rot");
    await screen.findByRole("combobox", { name: "Put beside it" });
    expect(asked.some((a) => a.path === "/api/look-alikes")).toBe(false);
  });
});
