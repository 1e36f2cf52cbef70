import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { PlantFile } from "../../api/client";
import { device, knowledge, pageText, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { CheckIn } from "./CheckIn";
import { Growths } from "./Growths";
import { Pictures } from "./Pictures";
import { SeamOf } from "./SeamOf";
import { Standing } from "./Standing";

device();

const entries = "POST /api/plants/plant-1/entries";
const kept = { id: "e1", kind: "grown", live: true };

const follow = (more: Record<string, unknown>) =>
  plantFile({ follow: { ...plantFile().follow, ...more } } as unknown as Partial<PlantFile>);

const leaf = (more: Record<string, unknown> = {}) => ({
  id: "leaf-1",
  sort: "leaf",
  number: 1,
  name: "",
  cameWith: false,
  began: "2026-11-01",
  state: "growing",
  stateOn: "2026-11-01",
  sizes: [{ on: "2026-11-10", value: 80 }],
  looks: [],
  marked: [],
  ...more,
});

describe("growths", () => {
  it("are begun with one tap, under an id of their own", async () => {
    const asked = serve({ "GET /api/knowledge": knowledge, [entries]: kept });
    show(<Growths />, follow({}));
    await userEvent.click(await screen.findByRole("button", { name: "New leaf" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    const body = asked.find((a) => a.method === "POST")?.body as {
      grown: { growth: string; sort: string; state: string };
    };
    expect(body.grown).toMatchObject({ sort: "leaf", state: "starting" });
    expect(body.grown.growth).toMatch(/^[0-9a-f-]{36}$/);
  });

  it("are lengthened by taps, kept, ripe or lost", async () => {
    const asked = serve({ "GET /api/knowledge": knowledge, [entries]: kept });
    show(<Growths />, follow({ strands: [leaf()] }));
    await userEvent.click(await screen.findByRole("button", { name: "Lengthen leaf 1" }));
    await userEvent.click(screen.getByRole("button", { name: "Lengthen leaf 1" }));
    expect(screen.getByLabelText("Size of leaf 1").textContent).toBe("90 mm");
    await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
    await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ grown: { growth: "leaf-1", sizeMm: 90 } }));
    await userEvent.click(screen.getByRole("button", { name: "Lost" }));
    await waitFor(() => expect(asked.filter((a) => a.method === "POST")).toHaveLength(2));
    expect(asked.filter((a) => a.method === "POST").at(-1)?.body).toMatchObject({
      grown: { growth: "leaf-1", state: "lost" },
    });
  });

  it("carry their marks, old ones apart from new", async () => {
    const asked = serve({ "GET /api/knowledge": knowledge, [entries]: kept });
    const marked = [
      { mark: "torn", on: "2026-11-01", old: true },
      { mark: "spotted", on: "2026-11-20", old: false },
    ];
    const looks = [{ on: "2026-11-20", marks: ["torn", "spotted"] }];
    show(<Growths />, follow({ strands: [leaf({ marked, looks, lobes: 3 }), leaf({ id: "leaf-2", number: 2 })] }));
    expect(await screen.findByText("old: torn; new: spotted since 20 November; 3 lobes")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: /^look .*for marks: leaf 2$/ }));
    const keep = screen.getByRole("button", { name: "It has these: leaf 2" }) as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "spotted" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Lobes and windows" }), "4");
    await userEvent.click(keep);
    const sent = () => asked.filter((a) => a.method === "POST").at(-1)?.body;
    await waitFor(() => expect(sent()).toMatchObject({ grown: { growth: "leaf-2", marks: ["spotted"], lobes: 4 } }));
    await userEvent.click(screen.getByRole("button", { name: /^look .*for marks: leaf 2$/ }));
    await userEvent.click(screen.getByRole("button", { name: "No mark at all: leaf 2" }));
    await waitFor(() => expect(sent()).toMatchObject({ grown: { growth: "leaf-2", clean: true } }));
  });

  it("say what was refused beside the growth", async () => {
    serve({
      "GET /api/knowledge": knowledge,
      [entries]: new Refusal({ status: 422, detail: "6000 mm cannot be right." }),
    });
    show(<Growths />, follow({ strands: [leaf()] }));
    await userEvent.click(await screen.findByRole("button", { name: "Same" }));
    expect((await screen.findByTestId("refused")).textContent).toContain("cannot be right");
  });

  it("tell their pace with its working, and that nothing can be added to a closed case", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const growths = {
      made: 3,
      gone: 1,
      ratios: [{ strand: "b", against: "a", on: "2026-11-01", percent: 94 }],
      means: "What the server says of them.",
      interval: { what: "", value: 30, unit: "days", working },
    };
    const file = follow({ strands: [leaf({ state: "lost" })], growths });
    show(<Growths />, { ...file, closed: { outcome: "lost" }, over: true } as PlantFile);
    await screen.findByText(/A new leaf about every/);
    expect(pageText()).toContain("30 days");
    expect(pageText()).toContain("94 %");
    expect(pageText()).toContain("What the server says of them.");
    expect(screen.queryByRole("button", { name: "New leaf" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Same" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: /time from leaf to leaf/ }));
    await screen.findByText(/arithmetic/);
  });
});

const picture = (id: string, on: string, more: Record<string, unknown> = {}) => ({
  on,
  entry: `e-${id}`,
  picture: id,
  side: "front",
  width: 800,
  height: 600,
  widthMm: 400,
  scale: { x1: 0.2, y1: 0.5, x2: 0.5, y2: 0.5, mm: 120 },
  ...more,
});

describe("pictures", () => {
  it("say how to begin where there is none", async () => {
    serve({ "GET /api/knowledge": knowledge });
    show(<Pictures />, follow({}));
    await screen.findByText("No picture yet");
    expect(screen.getByRole("button", { name: "With the camera" })).toBeTruthy();
  });

  it("are compared at the same scale, and say so where they are not", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const two = [picture("p1", "2026-10-02", { widthMm: 200 }), picture("p2", "2026-11-20")];
    const page = show(<Pictures />, follow({ pictures: two }));
    await screen.findByText("On the same scale.");
    const widths = screen.getAllByAltText(/^The plant on/).map((i) => (i as HTMLImageElement).style.width);
    expect(widths).toEqual(["50%", "100%"]);
    page.unmount();
    show(<Pictures />, follow({ pictures: [two[0], picture("p3", "2026-11-20", { widthMm: undefined })] }));
    await screen.findByText(/Not on one scale/);
  });

  it("measure between two taps", async () => {
    const asked = serve({ "GET /api/knowledge": knowledge, [entries]: kept });
    show(<Pictures />, follow({ pictures: [picture("p1", "2026-11-20")], strands: [leaf()] }), "/?measure=");
    const board = await screen.findByRole("button", { name: /The picture\. Tap/ });
    board.getBoundingClientRect = () => ({ left: 0, top: 0, width: 1000, height: 750 }) as DOMRect;
    fireEvent.click(board, { clientX: 100, clientY: 100, detail: 1 });
    fireEvent.click(board, { clientX: 400, clientY: 500, detail: 1 });
    // Half the width of a picture that is 400 mm wide.
    expect(screen.getByTestId("length").textContent).toBe("200 mm");
    await userEvent.click(screen.getByRole("combobox", { name: "It is" }));
    await userEvent.click(await screen.findByRole("option", { name: "leaf 1" }));
    await userEvent.click(screen.getByRole("button", { name: "Into the record" }));
    await waitFor(() =>
      expect(asked.at(-1)?.body).toMatchObject({
        on: "2026-11-20",
        grown: { growth: "leaf-1", sizeMm: 200, picture: "p1" },
      }),
    );
  });

  it("get a scale from something whose size is known, as a correction", async () => {
    const asked = serve({ "GET /api/knowledge": knowledge, [entries]: kept });
    const file = {
      ...follow({ pictures: [picture("p1", "2026-11-20", { scale: undefined, widthMm: undefined })] }),
      pot: { widthCm: 12 },
    };
    show(<Pictures />, file as PlantFile, "/?measure=");
    await screen.findByText("the pot’s width, from the record");
    const board = screen.getByRole("button", { name: /The picture\. Tap/ });
    board.getBoundingClientRect = () => ({ left: 0, top: 0, width: 100, height: 75 }) as DOMRect;
    fireEvent.keyDown(board, { key: "Enter" });
    for (let i = 0; i < 30; i++) fireEvent.keyDown(board, { key: "ArrowRight" });
    fireEvent.keyDown(board, { key: "Enter" });
    await userEvent.click(screen.getByRole("button", { name: "Set the scale" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    const body = asked.find((a) => a.method === "POST")?.body as {
      replaces: string;
      pictured: { scale: { mm: number; x2: number } };
    };
    expect(body.replaces).toBe("e-p1");
    expect(body.pictured.scale.mm).toBe(120);
    expect(body.pictured.scale.x2).toBeCloseTo(0.8);
  });

  it("stay in hand when the server refuses one", async () => {
    vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: () => "blob:x", revokeObjectURL: () => {} }));
    serve({
      "GET /api/knowledge": knowledge,
      ...Object.fromEntries([["PUT /any", {}]]),
    });
    show(<Pictures />, follow({}));
    const input = document.querySelector("input[type=file]") as HTMLInputElement;
    await userEvent.upload(input, new File(["not a picture"], "x.png", { type: "image/png" }));
    await userEvent.click(await screen.findByRole("button", { name: "Keep it" }));
    await screen.findByTestId("refused");
    expect(screen.getByAltText("The new one")).toBeTruthy();
  });

  it("say in plain words when there is no camera", async () => {
    serve({ "GET /api/knowledge": knowledge });
    show(<Pictures />, follow({}));
    await userEvent.click(await screen.findByRole("button", { name: "With the camera" }));
    await screen.findByText(/lends no camera/);
    await userEvent.click(screen.getByRole("button", { name: "Close the camera" }));
    await screen.findByRole("button", { name: "From a file" });
  });
});

describe("the seam, large", () => {
  it("gives the same as a table", async () => {
    serve({
      "GET /api/knowledge": {
        ...knowledge,
        measures: knowledge.measures.map((m) => ({ ...m, curve: m.id === "longest-root" ? 1 : 0 })),
      },
    });
    const file = {
      ...follow({
        strands: [leaf()],
        events: [{ on: "2026-10-05", kind: "potted", what: "into fresh bark" }],
        scores: [
          { on: "2026-10-01", value: 40 },
          { on: "2026-11-01", value: 62 },
        ],
      }),
      curves: {
        "longest-root": [
          { on: "2026-10-10", value: 12 },
          { on: "2026-11-10", value: 30 },
        ],
      },
    };
    show(<SeamOf file={file as unknown as PlantFile} />);
    await screen.findByRole("button", { name: "longest root" });
    expect(pageText()).toContain("into fresh bark");
    await userEvent.click(screen.getByRole("button", { name: "condition" }));
    expect(screen.getByRole("button", { name: "condition" }).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(screen.getByRole("button", { name: "As a table" }));
    for (const caption of ["Stages", "Growths", "longest root, mm"]) expect(screen.getByText(caption)).toBeTruthy();
    expect(within(screen.getByText("longest root, mm").closest("table") as HTMLElement).getByText("30")).toBeTruthy();
  });
});

const measure = (id: string, more: Record<string, unknown>) => ({
  id,
  ask: `${id}?`,
  short: id,
  how: "",
  kind: "count",
  most: 50,
  growing: false,
  alarm: false,
  always: false,
  unstaged: false,
  sinceLook: false,
  curve: 0,
  ...more,
});

describe("a check-in", () => {
  const measures = [
    measure("wilt", { kind: "yes-no", most: 1, alarm: true }),
    measure("lost", { sinceLook: true }),
    measure("tips", { growing: true }),
    measure("leaves", { growing: true, sinceLook: true }),
    measure("plump", { kind: "scale", most: 5 }),
  ];
  const file = {
    ...plantFile(),
    recovery: { track: "t", asks: measures.slice(0, 3), stages: [], index: 0, gate: { conditions: [] } },
    beside: [{ track: "u", asks: measures.slice(2), stages: [], index: 0, gate: { conditions: [] } }],
    curves: { tips: [{ on: "2026-11-20", value: 4 }], plump: [{ on: "2026-11-20", value: 3 }] },
  } as unknown as PlantFile;

  it("asks for all tracks once, and answers in three taps", async () => {
    const asked = serve({ "GET /api/knowledge": { ...knowledge, measures }, [entries]: kept });
    show(<CheckIn file={file} opened close={() => {}} />);
    await screen.findByText("tips?");
    expect(screen.getAllByText("tips?")).toHaveLength(1);
    await userEvent.click(screen.getByRole("button", { name: "Nothing amiss" }));
    await userEvent.click(screen.getByRole("button", { name: "The rest as last time" }));
    await userEvent.click(screen.getByTestId("save-check"));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    const body = asked.find((a) => a.method === "POST")?.body as {
      checked: { readings: { measure: string; value: number }[] };
    };
    expect(Object.fromEntries(body.checked.readings.map((r) => [r.measure, r.value]))).toEqual({
      wilt: 0,
      lost: 0,
      tips: 4,
      plump: 3,
    });
  });

  it("never writes over what was answered, and shows the scale as pictures", async () => {
    serve({ "GET /api/knowledge": { ...knowledge, measures }, [entries]: kept });
    show(<CheckIn file={file} opened close={() => {}} />);
    await userEvent.click(await screen.findByRole("button", { name: "2 of 5" }));
    await userEvent.click(screen.getByRole("button", { name: "yes" }));
    await userEvent.click(screen.getByRole("button", { name: "The rest as last time" }));
    expect(screen.getByRole("button", { name: "2 of 5" }).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(screen.getByRole("button", { name: "Nothing amiss" }));
    expect(screen.getByRole("button", { name: "yes" }).getAttribute("aria-pressed")).toBe("true");
  });
});

describe("where it stands", () => {
  const stage = {
    id: "hold",
    name: "hold",
    purpose: "Live on reserves.",
    not: "No soaking.",
    holdsWater: true,
  };
  const recovery = {
    track: "t",
    trackName: "Lean and staked",
    stages: [stage, { ...stage, id: "nubs", name: "nubs" }],
    index: 0,
    began: "2026-10-01",
    gate: { open: false, conditions: [] },
    asks: [],
    weaning: [
      { what: "half open", from: "2026-11-20", done: false, now: true },
      { what: "off", from: "2026-11-26", done: false, now: false },
    ],
    dish: { what: "", value: 40, unit: "mm", working },
    expected: { from: "2026-12-24", to: "2027-02-01", late: false, own: false, working },
    runway: { from: "2026-12-01", to: "2026-12-20", first: "reserves", working },
    stall: { since: "2026-09-01", weeks: 12, limit: 8, atWork: true, why: "Its pot dries faster." },
  };
  const file = {
    ...follow({
      score: { value: 62, parts: [{ name: "roots", value: 50, weight: 1, why: "" }], unknown: ["leaves"], working },
      scores: [{ on: "2026-10-20", value: 40 }],
      trend: { days: 28, points: 22 },
      odds: { lives: 0.6, least: 0.3, most: 0.85, own: 0, working },
      drying: { before: 10, now: 7, faster: true, working },
      clocks: [
        {
          pest: { cause: "mealybug", label: "Mealybugs", hides: "joints" },
          interval: { what: "", value: 9, unit: "days", working },
          generation: { what: "", value: 44, unit: "days", working },
        },
      ],
    }),
    standing: "mending",
    tasks: [],
    recovery,
    beside: [
      {
        ...recovery,
        track: "u",
        trackName: "Clearing pests",
        weaning: [],
        dish: undefined,
        runway: undefined,
        stall: undefined,
      },
    ],
  } as unknown as PlantFile;

  it("tells condition, odds, reserves, drying, dish, cover and pests, each with its working", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const card = {
      ...plantFile().card,
      water: { text: "First water on 26 November 2026, 60 ml; none before", from: "plan" },
      gets: { what: "light", value: 4.2, unit: "mol/day", working },
    };
    const water = { words: "none", why: "cuts close", days: false, lookDays: 7, seasonAsks: [] };
    show(<Standing />, { ...file, card, water } as unknown as PlantFile);
    await screen.findByText("62");
    const text = pageText();
    for (const said of [
      "up 22 in 28 days",
      "about 6 in 10, between 30 % and 85 %",
      "before roots are likely",
      "in 7 days instead of 10",
      "water to 40 mm",
      "First water on 26 November 2026, 60 ml; none before",
      "about 4.2 mol a day",
      "half open",
      "Mealybugs: again every 9 days",
      "clear after 44 clean days",
      "Its pot dries faster.",
      "A look every 7 days instead.",
    ])
      expect(text).toContain(said);
    expect(screen.getByRole("region", { name: "Beside it: Clearing pests" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "How its odds came about" }));
    await screen.findByText(/1 \+ 1/);
  });

  it("says first what is due now, the rest in its plan", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const task = (kind: string, what: string, from: string, until: string) => ({
      kind,
      what,
      from,
      until,
      why: "Because.",
      minutes: 4,
      step: what,
    });
    const tasks = [
      task("step", "Wash it down", "2026-11-20", "2026-11-22"),
      ...[1, 2, 3, 4, 5].map((n) => task("step", `Step ${n}`, "2026-11-24", "2026-11-25")),
      task("check", "Check in", "2026-11-29", "2026-11-30"),
    ];
    show(<Standing />, { ...file, tasks } as unknown as PlantFile);
    const due = await screen.findByRole("region", { name: "Due now" });
    expect(due.textContent).toContain("6 things, about 24 min");
    expect(due.textContent).toContain("Open for 4 days.");
    expect(due.textContent).toContain("1 more in its plan");
    expect(due.textContent).not.toContain("Check in");
    expect(screen.getByRole("link", { name: "Wash it down" }).getAttribute("href")).toBe("/plants/plant-1/do");
    const regions = screen.getAllByRole("region");
    expect(regions[0]).toBe(due);
  });

  it.each([
    ["open", "roots may come too late"],
    ["roots", "roots are likely first"],
  ])("says what comes first of roots and reserves: %s", async (first, words) => {
    serve({ "GET /api/knowledge": knowledge });
    const runway = { from: "2026-12-01", to: "2026-12-20", first, working };
    show(<Standing />, { ...file, recovery: { ...recovery, runway } } as unknown as PlantFile);
    expect((await screen.findByText(/Its reserves run out between/)).textContent).toContain(words);
  });

  it("sends a standstill to its roots and to a new look, unless it is at work below", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const still = (atWork: boolean) =>
      ({ ...file, recovery: { ...recovery, stall: { ...recovery.stall, atWork } } }) as unknown as PlantFile;
    const page = show(<Standing />, still(false));
    expect((await screen.findByRole("link", { name: "Count its roots" })).getAttribute("href")).toBe(
      "/plants/plant-1/measure",
    );
    expect(screen.getByRole("link", { name: "examine it again" }).getAttribute("href")).toBe("/plants/plant-1/examine");
    page.unmount();
    show(<Standing />, still(true));
    await screen.findByText(/It stands still/);
    expect(screen.queryByRole("link", { name: "Count its roots" })).toBeNull();
  });

  it("says what to measure where the level of its dish cannot be told", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const stages = recovery.stages.map((s) => ({ ...s, dish: true }));
    show(<Standing />, { ...file, recovery: { ...recovery, stages, dish: undefined } } as unknown as PlantFile);
    expect((await screen.findByRole("link", { name: "measure" })).getAttribute("href")).toBe("/plants/plant-1/measure");
    expect(pageText()).not.toContain("water to 40 mm");
  });

  it("goes on looking after what is kept under watch, and no longer after what is gone", async () => {
    serve({ "GET /api/knowledge": knowledge });
    const kept = {
      ...file,
      recovery: undefined,
      beside: [],
      cases: [{ id: "c", name: "Root rot", from: "2026-10-01", endedOn: "2026-11-20", lesson: "Less water." }],
      standing: "kept-under-watch",
    } as unknown as PlantFile;
    const page = show(<Standing />, kept);
    await screen.findByRole("button", { name: "Look at it now" });
    expect(screen.getByRole("button", { name: "Watered" })).toBeTruthy();
    expect(pageText()).toContain("Its last case, root rot, ended on 20 November");
    expect(screen.getByRole("button", { name: "take it up again" })).toBeTruthy();
    page.unmount();
    show(<Standing />, { ...kept, closed: { outcome: "given-away" }, over: true } as unknown as PlantFile);
    await screen.findByRole("button", { name: "It is here again" });
    expect(screen.queryByRole("button", { name: "Look at it now" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Watered" })).toBeNull();
  });
});
