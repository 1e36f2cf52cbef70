import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { device, knowledge, pageText, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { Measure } from "./Measure";
import { Opinion } from "./Opinion";
import { TurnedOut } from "./TurnedOut";

device();

const answers = {
  "GET /api/knowledge": knowledge,
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "POST /api/tally": {
    share: 0.25,
    low: 0.1,
    high: 0.5,
    working,
    signs: [{ id: "root.mushy", present: true, why: "3 of 4" }],
    pot: { what: "pot", value: 7.5, unit: "cm", working },
  },
  "POST /api/plants/plant-1/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "x", live: true }),
};

const entries = (asked: ReturnType<typeof serve>) =>
  asked.filter((a) => a.path.endsWith("/entries")).map((a) => a.body as Record<string, unknown>);

const press = async (form: string) => {
  const within = screen.getByRole("form", { name: form });
  const button = [...within.querySelectorAll("button")].find((b) => b.textContent === "Record");
  await userEvent.click(button as HTMLElement);
};

describe("measuring", () => {
  it("counts roots by pressing, and never below none", async () => {
    const asked = serve(answers);
    show(<Measure />, plantFile());
    const more = await screen.findByRole("button", { name: "one more: Mushy, in the medium" });
    await userEvent.click(more);
    await userEvent.click(more);
    await userEvent.click(screen.getByRole("button", { name: "one less: Live, in the air" }));
    await userEvent.click(screen.getByRole("button", { name: "one more: Live, in the air" }));
    expect((await screen.findByTestId("tally-reading")).textContent).toContain("25 % of the roots live");
    expect(screen.getByTestId("tally-reading").textContent).toContain("roots brown and soft");
    await userEvent.click(screen.getByRole("button", { name: "Record the tally" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]?.tallied).toEqual({
      inMedium: { live: 0, doubtful: 0, deadDry: 0, mushy: 2 },
      inAir: { live: 1, doubtful: 0, deadDry: 0, mushy: 0 },
    });
  });

  it("keeps a half-counted tally on the device", async () => {
    serve(answers);
    const { unmount } = show(<Measure />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "one more: In doubt, in the medium" }));
    unmount();
    show(<Measure />, plantFile());
    const row = await screen.findByRole("group", { name: "In doubt, in the medium" });
    expect(row.querySelector("output")?.textContent).toBe("1");
  });

  it("records weight, stick, light and air, feed and pot, each once", async () => {
    const asked = serve(answers);
    show(<Measure />, plantFile());
    await userEvent.type(await screen.findByRole("textbox", { name: "Weighs" }), "840");
    await press("Weight");
    await userEvent.click(screen.getByRole("radio", { name: "wet" }));
    await press("Stick to the bottom");
    await userEvent.type(screen.getByRole("textbox", { name: "Humidity" }), "55");
    await press("Light and air at its leaves");
    await press("Feed given");
    await userEvent.type(screen.getByRole("textbox", { name: "Fresh medium" }), "bark");
    await press("New pot or medium");
    await waitFor(() => expect(entries(asked)).toHaveLength(5));
    const [weighed, probed, metered, fed, potted] = entries(asked);
    expect(weighed?.weighed).toEqual({ grams: 840 });
    expect(probed?.probed).toEqual({ moisture: "wet" });
    expect(metered?.metered).toEqual({ humidityPct: 55 });
    expect(fed?.fed).toEqual({ strength: 0.5 });
    expect(potted?.potted).toEqual({ medium: "bark" });
    expect(new Set(entries(asked).map((e) => e.id)).size).toBe(5);
  });

  it("records what feeds without a label, and asks no strength of it", async () => {
    const asked = serve({ ...answers, "GET /api/knowledge": knowledge });
    show(<Measure />, plantFile());
    await userEvent.click(await screen.findByRole("combobox", { name: "What" }));
    await userEvent.click(await screen.findByRole("option", { name: "compost (about 90 days)" }));
    expect(screen.queryByRole("combobox", { name: "Strength" })).toBeNull();
    await press("Feed given");
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]?.fed).toEqual({ slow: "compost" });
  });

  it("records the weight of the bare plant as such", async () => {
    const asked = serve(answers);
    show(<Measure />, plantFile());
    await userEvent.click(await screen.findByRole("radio", { name: "Bare plant" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Weighs" }), "62{Enter}");
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]?.weighed).toEqual({ grams: 62, bare: true });
  });

  it("overrules only what was touched, with a reason", async () => {
    const asked = serve(answers);
    show(<Measure />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "overrule for this plant" }));
    const low = screen.getByRole("textbox", { name: "Lower limit" });
    await userEvent.clear(low);
    await userEvent.type(low, "6");
    await userEvent.type(screen.getByRole("textbox", { name: "Why this plant wants it otherwise" }), "hardy");
    await userEvent.click(screen.getByRole("button", { name: "Overrule" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]?.adjusted).toEqual({ temperature: [6, 21, 30], reason: "hardy" });
  });

  it("shows a refusal and keeps what was typed", async () => {
    serve({
      ...answers,
      "POST /api/plants/plant-1/entries": new Refusal({
        status: 422,
        detail: "Not recorded.",
        errors: [{ location: "body.weighed.grams", message: "840 g cannot be right" }],
      }),
    });
    show(<Measure />, plantFile());
    const field = await screen.findByRole("textbox", { name: "Weighs" });
    await userEvent.type(field, "840{Enter}");
    expect((await screen.findByTestId("refused")).textContent).toContain("840 g cannot be right");
    expect((field as HTMLInputElement).value).toBe("840 g");
  });
});

describe("what it turned out to be", () => {
  it("asks nothing of a plant that nobody examined", () => {
    serve(answers);
    show(<TurnedOut />, plantFile());
    expect(pageText()).toBe("");
  });

  it("is confirmed with how one knows, and stands beside what was said first", async () => {
    const asked = serve(answers);
    const look = { on: "2026-11-20", entry: "e", present: [], absent: [] };
    const file = plantFile({
      examined: look,
      verdict: { on: "2026-11-20", entry: "v", causes: ["root-rot"] },
      confirmed: {
        on: "2026-11-22",
        entry: "c",
        causes: ["drought"],
        how: "seen",
        first: { on: "2026-11-20", entry: "e", tables: "t", chances: [{ id: "root-rot", chance: 0.6 }] },
      },
    } as unknown as Partial<PlantFile>);
    show(<TurnedOut />, file);
    expect(await screen.findByText(/had said root rot, 60 %/)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "say it again" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "seen below");
    await userEvent.click(screen.getByRole("button", { name: "Confirm it" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]?.confirmed).toEqual({ causes: ["root-rot"], how: "mended-by", note: "seen below" });
  });
});

describe("how the opinion moved", () => {
  const said = (on: string, rot: number, dry: number) => ({
    on,
    entry: on,
    tables: "t",
    chances: [
      { id: "root-rot", chance: rot },
      { id: "drought", chance: dry },
    ].sort((a, b) => b.chance - a.chance),
  });

  it("is drawn from the second look on, with the same in a table", () => {
    show(<Opinion file={plantFile({ said: [said("2026-10-01", 0.3, 0.5)] })} knowledge={knowledge} />);
    expect(pageText()).toBe("");
    show(
      <Opinion
        file={plantFile({ said: [said("2026-10-01", 0.3, 0.5), said("2026-10-20", 0.9, 0.02)] })}
        knowledge={knowledge}
      />,
    );
    const row = [...document.querySelectorAll("tbody tr")].find((r) => r.textContent?.includes("Root rot"));
    expect(row?.textContent).toContain("30 %");
    expect(row?.textContent).toContain("90 %");
    expect(document.querySelectorAll("polyline").length).toBe(2);
  });
});
