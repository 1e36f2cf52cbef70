import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { device, pageText, serve, show } from "../../testing/page";
import { InItsPot } from "./InItsPot";

device();

const alone = { id: "1", name: "Bowl", today: "2026-11-24", over: false } as unknown as PlantFile;
const shared = {
  ...alone,
  shared: {
    plants: [
      { letter: "A", growths: 2 },
      { letter: "B", name: "the palm", profile: "chamaedorea-elegans", kind: "Chamaedorea elegans", growths: 1 },
    ],
    since: "2026-10-01",
    kept: false,
    out: [{ letter: "C", plant: "c", name: "Rosette" }],
    advice: { part: true, why: ["They drink differently."], when: "Part them now." },
    source: "common practice",
  },
} as unknown as PlantFile;
const posted = (sent: { method: string; body: unknown }[]) => sent.find((s) => s.method === "POST")?.body;

describe("a pot", () => {
  it("is told to hold several plants, each with what tells it from the others", async () => {
    const sent = serve({ "POST /api/plants/1/entries": { id: "e" } });
    show(<InItsPot />, alone);
    await userEvent.type(screen.getByLabelText("Plant B"), "the tall one");
    await userEvent.click(screen.getByRole("button", { name: "Tell 2 plants from each other" }));
    await waitFor(() => expect(posted(sent)).toBeTruthy());
    expect(posted(sent)).toMatchObject({
      shared: { plants: [{ letter: "A" }, { letter: "B", name: "the tall one" }] },
    });
  });

  it("is weighed, and gives its plants pots of their own", async () => {
    const sent = serve({ "POST /api/plants/1/pot/out": { kept: [{ plant: "1", entry: "e" }] } });
    show(<InItsPot />, shared);
    expect(pageText()).toContain("Better parted");
    expect(screen.getByRole("link", { name: "Rosette" }).getAttribute("href")).toBe("/plants/c");
    await userEvent.click(screen.getByLabelText(/B, the palm \(Chamaedorea elegans\)/));
    await userEvent.click(screen.getByRole("button", { name: "1 plant into a pot of its own" }));
    await waitFor(() => expect(posted(sent)).toBeTruthy());
    expect(posted(sent)).toMatchObject({ out: [{ letter: "B", name: "Bowl, the palm" }] });
  });

  it("does not use the letter of what was taken out again, and stays together with one tap", async () => {
    const sent = serve({ "POST /api/plants/1/entries": { id: "e" } });
    show(<InItsPot />, shared);
    const count = screen.getByLabelText("How many plants are in the pot?");
    await userEvent.clear(count);
    await userEvent.type(count, "3");
    expect(screen.getByLabelText("Plant D")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "They stay together" }));
    await waitFor(() => expect(posted(sent)).toMatchObject({ shared: { keep: true } }));
  });
});
