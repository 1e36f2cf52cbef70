import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { ListedEntry } from "../../api/client";
import { device, knowledge, plantFile, Refusal, serve, show } from "../../testing/page";
import { sayEntry } from "./entryWords";
import { PlantRecord } from "./PlantRecord";

device();

const entry = (id: string, body: object, more: object = {}): ListedEntry =>
  ({
    id,
    plantId: "plant-1",
    on: "2026-11-20",
    recordedAt: "2026-11-20T10:00:00Z",
    by: "Someone",
    kind: Object.keys(body)[0],
    live: true,
    cases: [],
    ...body,
    ...more,
  }) as unknown as ListedEntry;

const say = (body: object, system: "metric" | "us" = "metric") => {
  const e = entry("e", body);
  const { title, text } = sayEntry(e, knowledge, plantFile(), [e], system);
  return `${title}: ${text}`;
};

describe("an entry in words", () => {
  it("says what was seen, not there, and set aside", () => {
    expect(
      say({
        examined: {
          present: ["leaf.drooping"],
          absent: ["root.smell"],
          overruled: [{ sign: "leaf.crisp", reason: "felt soft" }],
        },
      }),
    ).toBe(
      "Examined: Seen: leaves hang limp. Not there: a sour smell. Record set aside on “leaves crackle”: felt soft.",
    );
  });

  it("names causes, or says that it is watched", () => {
    expect(say({ diagnosed: { causes: ["root-rot", "drought"] } })).toBe("Diagnosed: root rot, drought stress");
    expect(say({ diagnosed: { causes: [], reason: "too early" } })).toBe("Set aside to watch: too early");
    expect(say({ confirmed: { causes: [], how: "seen" } })).toBe("Turned out to be: nothing wrong");
  });

  it("says quantities in the person’s units", () => {
    expect(say({ weighed: { grams: 840 } })).toBe("Weighed: 840 g");
    expect(say({ weighed: { grams: 62, bare: true } })).toBe("Weighed bare: 62 g");
    expect(say({ weighed: { grams: 840 } }, "us")).toBe("Weighed: 29.63 oz");
    expect(say({ potted: { widthCm: 12.7, medium: "bark" } })).toBe("Potted: 12.7 cm wide, bark");
    expect(say({ potted: { widthCm: 12.7, medium: "bark" } }, "us")).toBe("Potted: 5 in wide, bark");
    expect(say({ metered: { minC: 10, humidityPct: 55 } }, "us")).toBe("Read light and air: coldest 50 °F, 55 % air");
    expect(say({ watered: {} })).toBe("Watered: ");
    expect(say({ watered: { millilitres: 250 } })).toBe("Watered: 250 ml");
  });

  it("says readings as they were asked", () => {
    const readings = [
      { measure: "wilt", value: 0 },
      { measure: "longest-root", value: 25.4 },
    ];
    expect(say({ checked: { readings, note: "firm" } })).toBe("Checked in: new wilt: no, longest root: 25.4 mm. firm");
    expect(say({ checked: { readings } }, "us")).toContain("longest root: 1 in");
  });

  it("says stages, roots and the rest by their names", () => {
    const staged = { track: "t", from: "a", to: "b", gateOpen: true };
    expect(say({ staged })).toBe("Stage: first → second. gate met");
    expect(
      say({
        tallied: {
          inMedium: { live: 2, doubtful: 0, deadDry: 0, mushy: 3 },
          inAir: { live: 1, doubtful: 0, deadDry: 0, mushy: 0 },
          tips: 2,
        },
      }),
    ).toBe("Counted roots: 3 live, 3 mushy, 2 tips");
    expect(say({ treated: { product: "Oil", batch: "7", against: "root-rot" } })).toBe(
      "Treated: Oil, batch 7, against root rot",
    );
    expect(say({ did: { step: "unpot", skipped: true, reason: "no time" } })).toBe("Skipped: unpot. no time");
    expect(say({ grown: { growth: "g", sort: "leaf", name: "third", sizeMm: 90, state: "growing" } })).toBe(
      "New leaf: third, 90 mm, growing",
    );
    expect(say({ pictured: { picture: "p", side: "front", scale: { mm: 90 } } })).toBe(
      "Picture: from the front, with a scale",
    );
    expect(say({ closed: { outcome: "kept-under-watch" } })).toBe("Closed: kept under watch");
    expect(say({ closed: { outcome: "given-away" } })).toBe("Closed: given away");
    expect(say({ voided: { entry: "gone" } })).toBe("Undid: an entry");
  });
});

describe("the record", () => {
  const list = [
    entry("weigh", { weighed: { grams: 840 } }),
    entry("old", { noted: { text: "mistyped" } }, { live: false }),
    entry("check", { checked: { readings: [{ measure: "wilt", value: 1 }] } }),
  ];
  const answers = {
    "GET /api/knowledge": knowledge,
    "GET /api/places": { places: [] },
    "GET /api/plants/plant-1/entries": { entries: list },
    "POST /api/plants/plant-1/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "x", live: true }),
  };
  const sent = (asked: ReturnType<typeof serve>) =>
    asked.filter((a) => a.method === "POST").map((a) => a.body as Record<string, unknown>);

  it("keeps what was undone aside until it is asked for", async () => {
    serve(answers);
    show(<PlantRecord />, plantFile());
    expect(await screen.findByText("2 entries")).toBeTruthy();
    expect(screen.queryByText("mistyped")).toBeNull();
    await userEvent.click(screen.getByRole("switch", { name: "Show what was undone or corrected" }));
    expect(document.querySelectorAll("li[data-kind]")).toHaveLength(3);
    expect(document.querySelector('li[data-kind="noted"]')?.textContent).toContain("undone or corrected");
  });

  it("shows what is of one case, and of all again", async () => {
    const cases = [
      {
        id: "case-1",
        name: "Root rot",
        from: "2026-11-01",
        openedOn: "2026-11-01",
        open: true,
        older: false,
        causes: [],
        standing: "mending",
        stage: "",
        why: "",
      },
    ];
    serve({
      ...answers,
      "GET /api/plants/plant-1/entries": {
        entries: [entry("mine", { noted: { text: "of it" } }, { cases: ["case-1"] }), ...list],
      },
    });
    show(<PlantRecord />, plantFile({ cases }), "/?case=case-1");
    expect(await screen.findByText("1 entry")).toBeTruthy();
    expect([...document.querySelectorAll("li[data-kind]")].map((r) => r.getAttribute("data-kind"))).toEqual(["noted"]);
    await userEvent.click(screen.getByRole("combobox", { name: "Of which case" }));
    await userEvent.click(await screen.findByRole("option", { name: /^Root rot/ }));
    await waitFor(() => expect(document.querySelectorAll("li[data-kind]")).toHaveLength(3));
  });

  it("undoes by an entry of its own", async () => {
    const asked = serve(answers);
    show(<PlantRecord />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "Undo: Weighed" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({ voided: { entry: "weigh" } });
  });

  it("corrects by an entry that replaces it, in the person’s units", async () => {
    window.localStorage.setItem("units", JSON.stringify("us"));
    const asked = serve(answers);
    show(<PlantRecord />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "Correct: Weighed" }));
    const dialog = await screen.findByRole("dialog", { name: "Correct this entry" });
    const weight = within(dialog).getByRole("textbox", { name: "Weight" }) as HTMLInputElement;
    expect(weight.value).toBe("29.63 oz");
    await userEvent.clear(weight);
    await userEvent.type(weight, "10");
    await userEvent.click(within(dialog).getByRole("button", { name: "Save the correction" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    const [body] = sent(asked);
    expect(body?.replaces).toBe("weigh");
    expect(body?.id).not.toBe("weigh");
    expect((body?.weighed as { grams: number } | undefined)?.grams).toBeCloseTo(283.495, 2);
    for (const own of ["recordedAt", "cases", "kind"]) expect(body).not.toHaveProperty(own);
  });

  it("corrects an answer as it was asked, and keeps the form when it is refused", async () => {
    serve({
      ...answers,
      "POST /api/plants/plant-1/entries": new Refusal({ status: 409, detail: "This was corrected already." }),
    });
    show(<PlantRecord />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "Correct: Checked in" }));
    const dialog = await screen.findByRole("dialog", { name: "Correct this entry" });
    await userEvent.click(within(dialog).getByRole("combobox", { name: "Wilted?" }));
    await userEvent.click(await screen.findByRole("option", { name: "no" }));
    await userEvent.click(within(dialog).getByRole("button", { name: "Save the correction" }));
    expect(await within(dialog).findByText("This was corrected already.")).toBeTruthy();
    expect((within(dialog).getByRole("combobox", { name: "Wilted?" }) as HTMLInputElement).value).toBe("no");
  });

  it("writes a note down once", async () => {
    const asked = serve(answers);
    show(<PlantRecord />, plantFile());
    await userEvent.type(await screen.findByRole("textbox", { name: "Note" }), "smells of rain");
    await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({ noted: { text: "smells of rain" } });
    await waitFor(() => expect((screen.getByRole("textbox", { name: "Note" }) as HTMLTextAreaElement).value).toBe(""));
  });

  it("corrects a growth in its size and state, keeping whose it is", async () => {
    const grown = entry("grown", { grown: { growth: "leaf-1", sort: "leaf", sizeMm: 90, state: "growing" } });
    const asked = serve({ ...answers, "GET /api/plants/plant-1/entries": { entries: [grown] } });
    show(<PlantRecord />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "Correct: New leaf" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Correct this entry" }));
    const size = dialog.getByRole("textbox", { name: "Size" });
    await userEvent.clear(size);
    await userEvent.type(size, "96");
    await userEvent.click(dialog.getByRole("combobox", { name: "How it was" }));
    await userEvent.click(await screen.findByRole("option", { name: "mature" }));
    await userEvent.click(dialog.getByRole("button", { name: "Save the correction" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({
      replaces: "grown",
      grown: { growth: "leaf-1", sort: "leaf", sizeMm: 96, state: "mature" },
    });
  });

  it("corrects what came out otherwise than the step had it, and keeps the rest", async () => {
    const did = entry("did", { did: { step: "pot-in@d0", writes: true, made: { widthCm: 12, medium: "bark" } } });
    const asked = serve({ ...answers, "GET /api/plants/plant-1/entries": { entries: [did] } });
    show(<PlantRecord />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "Correct: Did" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Correct this entry" }));
    expect(dialog.queryByRole("textbox", { name: "Water given" })).toBeNull();
    const width = dialog.getByRole("textbox", { name: "The pot, inner width" });
    await userEvent.clear(width);
    await userEvent.type(width, "9");
    await userEvent.click(dialog.getByRole("button", { name: "Save the correction" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({
      replaces: "did",
      did: { step: "pot-in@d0", writes: true, made: { widthCm: 9, medium: "bark" } },
    });
  });
});
