import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { Exchange } from "../Exchange";
import { CollectionBack } from "./CollectionBack";
import { LookBack, sayWeeks } from "./LookBack";

device();

const amount = (value: number) => ({ what: "", value, unit: "", working });
const shot = (id: string, on: string) => ({ entry: id, picture: id, on, side: "front", width: 480, height: 576 });

const review = {
  name: "Fern",
  botanical: "",
  from: "2026-05-01",
  to: "2026-11-01",
  days: 184,
  before: shot("a", "2026-05-02"),
  after: shot("b", "2026-10-30"),
  growths: { made: 3, gone: 0, ratios: [], interval: amount(30) },
  made: 3,
  lost: 1,
  conditionThen: 40,
  conditionNow: 88,
  stages: [
    { track: "Re-rooting", stage: "stabilise", days: 20, usual: [1, 2], back: 1, still: false },
    { track: "Re-rooting", stage: "re-root", days: 1, usual: [2, 8], back: 0, still: true },
    { track: "Re-rooting", stage: "mended, watched on", days: 54, back: 0, still: false },
  ],
  steps: Array.from({ length: 11 }, (_, i) => ({ on: "2026-05-02", title: `Step ${i + 1}`, minutes: 5 })),
  looks: 30,
  watered: 12,
  fed: 2,
  treated: 1,
  minutes: amount(190),
  cost: amount(7.5),
  standing: "mended",
  causes: ["Root rot"],
  known: true,
  lesson: "Smaller pot next time.",
};

describe("a look back over a plant", () => {
  it("tells before and after, stages against usual, work, cost and lesson", async () => {
    const asked = serve({ "GET /api/plants/plant-1/review": review });
    show(<LookBack />, plantFile());
    await screen.findByText("Smaller pot next time.");
    const text = pageText();
    for (const said of [
      "Mended: 184 days",
      "It was root rot",
      "from 40 to 88 of 100",
      "20 days, fell back to it once",
      "usual 7–14 days",
      "1 day, still in it",
      "usual 2–8 weeks",
      "54 days",
      "190 minutes",
      "7.50",
      "1 product",
    ])
      expect(text).toContain(said);
    expect(screen.getAllByAltText(/^The plant on/)).toHaveLength(2);
    expect(text).not.toContain("Step 9");
    await userEvent.click(screen.getByRole("button", { name: "All 11 steps" }));
    expect(pageText()).toContain("Step 11");
    const file = screen.getByRole("link", { name: "As one file to give away" });
    expect(file.getAttribute("href")).toBe("/api/plants/plant-1/review.html?span=whole");
    await userEvent.click(screen.getByText("A year"));
    await waitFor(() => expect(asked.length).toBeGreaterThan(1));
  });

  it("draws before and after on one scale, and says where it cannot", async () => {
    const widths = () => screen.getAllByAltText(/^The plant on/).map((i) => (i as HTMLImageElement).style.width);
    const scaled = { ...review, before: { ...review.before, widthMm: 200 }, after: { ...review.after, widthMm: 400 } };
    serve({ "GET /api/plants/plant-1/review": scaled });
    const page = show(<LookBack />, plantFile());
    await screen.findByText("Smaller pot next time.");
    expect(widths()).toEqual(["50%", "100%"]);
    expect(pageText()).not.toContain("Not on one scale");
    page.unmount();
    serve({ "GET /api/plants/plant-1/review": { ...scaled, after: review.after } });
    show(<LookBack />, plantFile());
    await screen.findByText(/Not on one scale/);
    expect(widths()).toEqual(["100%", "100%"]);
  });

  it.each([
    [[0, 1], "0–7 days"],
    [[0.3, 1], "2–7 days"],
    [[4, 12], "4–12 weeks"],
  ])("says a span of %s weeks as people do", (weeks, said) => {
    expect(sayWeeks(weeks)).toBe(said);
  });

  it("waits for a second look", async () => {
    serve({ "GET /api/plants/plant-1/review": { ...review, looks: 1 } });
    show(<LookBack />, plantFile());
    await screen.findByText("Too early to look back");
  });

  it("says so where there is no picture, and offers to try again when it fails", async () => {
    serve({
      "GET /api/plants/plant-1/review": {
        ...review,
        before: undefined,
        after: undefined,
        stages: [],
        steps: [],
        lesson: "",
      },
    });
    const page = show(<LookBack />, plantFile());
    await screen.findByText(/No picture was taken/);
    await screen.findByText(/It was in no stage/);
    page.unmount();
    serve({
      "GET /api/plants/plant-1/review": new Refusal({ status: 503, detail: "The record cannot be reached just now." }),
    });
    show(<LookBack />, plantFile());
    await screen.findByText(/cannot be reached/);
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
  });
});

const collection = {
  from: "1970-01-01",
  to: "2026-11-24",
  all: { of: "", label: "", saved: 9, lost: 2, given: 3, inWork: 20, low: 0.52, high: 0.95 },
  byCause: [
    { of: "root-rot", label: "Root rot", saved: 2, lost: 2, inWork: 4, low: 0.15, high: 0.85 },
    { of: "drought", label: "Drought stress", saved: 0, lost: 0, inWork: 1 },
  ],
  bySchool: [],
  stages: [{ track: "Re-rooting", stage: "re-root", n: 3, median: 80, usual: [2, 8], long: true }],
  tried: "Wilson of the trials",
  methods: [
    {
      what: "Heat mat",
      better: 2,
      same: 1,
      worse: 0,
      unclear: 0,
      open: 1,
      low: 0.21,
      high: 0.94,
      on: [{ id: "t-1", plant: "p-1", name: "Moss pot", on: "2026-10-01", result: { result: "better" } }],
    },
  ],
  endings: [
    {
      id: "p",
      name: "Masdevallia",
      outcome: "lost",
      openedOn: "2026-05-01",
      endedOn: "2026-06-01",
      cause: "root-rot",
    },
  ],
  source: "Wilson",
};

describe("a look back over the collection", () => {
  it("tells shares with their intervals, and what took long", async () => {
    serve({
      "GET /api/review": collection,
      "GET /api/knowledge": knowledge,
      "GET /api/reliability": { fifths: [], looks: 0, says: "too-few", working },
    });
    show(<CollectionBack />);
    await screen.findByText("9 saved, 2 lost, 3 given away, 20 in work");
    const text = pageText();
    for (const said of [
      "82 %",
      "between 52 % and 95 %",
      "15 %–85 %",
      "none has ended",
      "80 days longer than usual",
      "after 31 days",
      "helped 21 % to 94 %. Moss pot it helped",
      "Wilson of the trials",
    ])
      expect(text).toContain(said);
    expect(text).not.toContain("By school");
  });

  it("tells how well drying was foretold, once somebody has looked", async () => {
    const fifth = (from: number, looks: number, dry: number, says: string) => ({
      from,
      to: from + 0.2,
      looks,
      dry,
      low: 0.1,
      high: 0.6,
      says,
    });
    serve({
      "GET /api/review": collection,
      "GET /api/knowledge": knowledge,
      "GET /api/reliability": {
        fifths: [fifth(0, 20, 8, "too-wet"), fifth(0.8, 0, 0, "too-few")],
        looks: 20,
        says: "too-wet",
        working,
      },
    });
    show(<CollectionBack />);
    await screen.findByText("How well drying was foretold");
    for (const said of ["they dry faster than is reckoned", "20 looks with a stick", "0 % to 20 %", "10 %–60 %"])
      expect(pageText()).toContain(said);
  });

  it("says how it begins on an empty collection", async () => {
    serve({
      "GET /api/review": {
        ...collection,
        all: { of: "", label: "", saved: 0, lost: 0, given: 0, inWork: 0 },
        byCause: [],
        stages: [],
        methods: [],
        endings: [],
      },
    });
    show(<CollectionBack />);
    await screen.findByText("Nothing to look back on yet");
  });
});

describe("out and in", () => {
  const empty = { plants: [], readings: [], problems: [], columns: [], fields: ["name", "kind", "place"], ours: false };

  it("shows what a pasted list is read as, and takes it in with the headings as corrected", async () => {
    const row = { row: 2, name: "Fred", kind: "", habit: "fern", label: "", arrived: "2026-03-01", place: "Hall" };
    const why = "give its kind by any name, or how it grows";
    let looks = 0;
    const asked = serve({
      "GET /api/knowledge": knowledge,
      "GET /api/profiles": { profiles: [] },
      "POST /api/import/preview": () => {
        looks++;
        const right = looks > 1;
        return {
          ...empty,
          plants: [row],
          problems: right ? [] : [{ row: 2, column: "Song", why }],
          columns: [
            { heading: "Plant", as: "name" },
            { heading: "Song", as: right ? "kind" : "" },
          ],
        };
      },
      "POST /api/import": () => new Response('{"added":{"plants":1,"entries":1,"pictures":0,"known":0,"cases":0}}\n'),
    });
    show(<Exchange />);
    await userEvent.click(screen.getByText("Type or paste a list"));
    await userEvent.type(screen.getByLabelText("A plant in each row"), "Plant;Song");
    await userEvent.click(screen.getByRole("button", { name: "See what it is read as" }));
    expect((await screen.findByRole("alert")).textContent).toContain(`Row 2, Song: ${why}`);
    expect(screen.getByRole("button", { name: "1 thing to put right first" })).toHaveProperty("disabled", true);
    await userEvent.selectOptions(screen.getByLabelText("Song"), "kind");
    await userEvent.click(await screen.findByRole("button", { name: "Take 1 plant in" }));
    expect((await screen.findByRole("status")).textContent).toContain("From what was pasted: 1 plant");
    expect(asked.filter((a) => a.path === "/api/import")).toHaveLength(1);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("takes a file over and says what came of it", async () => {
    const added = {
      plants: 2,
      entries: 40,
      pictures: 3,
      known: 1,
      notes: ["Fern, 3 May: a step that its plan does not have"],
    };
    const asked = serve({
      "POST /api/import/preview": { ...empty, ours: true },
      "POST /api/import": () => new Response(`{"progress":{"done":20,"of":40}}\n{"added":${JSON.stringify(added)}}\n`),
    });
    show(<Exchange />);
    await userEvent.upload(
      document.querySelector("input[type=file]") as HTMLInputElement,
      new File(["name,habit\n"], "mine.csv", { type: "text/csv" }),
    );
    await userEvent.click(await screen.findByRole("button", { name: "Take mine.csv in" }));
    expect((await screen.findByRole("status")).textContent).toBe(
      "From mine.csv: 2 plants, 40 entries and 3 pictures taken over; 1 were here already.",
    );
    expect(screen.getByRole("list", { name: "What is to be said of the file" }).textContent).toContain("Fern, 3 May");
    expect(asked.some((a) => a.path === "/api/import")).toBe(true);
  });

  it("says how far it has come, and what of a later line kept it out", async () => {
    let end: ((line: string) => void) | undefined;
    serve({
      "POST /api/import": () =>
        new Response(
          new ReadableStream({
            start(c) {
              const put = (text: string) => c.enqueue(new TextEncoder().encode(text));
              put('{"progress":{"done":500,"of"');
              put(":2000}}\n");
              end = (line) => {
                put(line);
                c.close();
              };
            },
          }),
        ),
    });
    show(<Exchange />);
    await userEvent.upload(
      document.querySelector("input[type=file]") as HTMLInputElement,
      new File(["{}"], "mine.json", { type: "application/json" }),
    );
    await screen.findByText("mine.json: 500 of 2000 entries");
    expect(screen.getByRole("progressbar").getAttribute("aria-valuenow")).toBe("25");
    end?.('{"problem":{"status":409,"detail":"Nothing was taken over."}}\n');
    expect((await screen.findByRole("alert")).textContent).toBe("Nothing was taken over.");
    expect(screen.queryByRole("progressbar")).toBeNull();
  });

  it("says in the server's words what was wrong", async () => {
    serve({
      "POST /api/import": new Refusal({
        status: 422,
        detail: "Nothing was taken over. The table has no column “habit”.",
      }),
    });
    show(<Exchange />);
    await userEvent.upload(
      document.querySelector("input[type=file]") as HTMLInputElement,
      new File(["{}"], "x.json", { type: "application/json" }),
    );
    expect((await screen.findByTestId("refused")).textContent).toContain("no column");
    expect(screen.getByRole("link", { name: "Everything, as JSON" }).getAttribute("href")).toBe("/api/archive.json");
  });
});
