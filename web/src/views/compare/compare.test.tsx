import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, serve, show } from "../../testing/page";
import { Compare } from "./Compare";

device();

const plant = (id: string) => ({
  id,
  name: `Fern ${id}`,
  label: `T-${id}`,
  drawing: "",
  figure: { growths: 0, leaves: 0, seen: [], looked: [] },
});
const measure = knowledge.measures.find((m) => m.kind !== "yes-no")?.id ?? "";
const side = {
  today: "2026-11-24",
  sound: true,
  plants: [plant("1"), plant("2")],
  rows: [
    { what: "place", values: ["Sill", "Stairs"], differs: true },
    { what: "kind", values: ["Nephrolepis", "Nephrolepis"], differs: false },
    { what: "medium", values: ["", "bark"], differs: false },
  ],
  curves: [
    {
      [measure]: [
        { on: "2026-10-01", value: 3 },
        { on: "2026-11-01", value: 6 },
      ],
    },
    {},
  ],
};
const open = (answer: object, at: string) => {
  serve({ "GET /api/compare": answer, "GET /api/knowledge": knowledge });
  show(<Compare />, undefined, at);
};

describe("plants side by side", () => {
  it("say what differs first, then what is the same, and draw readings on one scale", async () => {
    open(side, "/compare?plants=1&sisters=");
    await screen.findByText(/Sound ones of its kind stand beside it/);
    expect(pageText()).toContain("One thing differs: place.");
    const rows = screen.getAllByRole("row").map((r) => r.textContent);
    expect(rows.slice(1)).toEqual([
      "What differs",
      "placeSillStairs",
      "What is the same",
      "kindNephrolepisNephrolepis",
      "mediumnot knownbark",
    ]);
    const drawn = within(await screen.findByRole("region", { name: "Their readings" })).getByRole("img");
    expect(drawn.getAttribute("aria-label")).toContain("Fern 1 6");
    expect(drawn.querySelectorAll("polyline")).toHaveLength(2);
  });

  it("say what is missing where there is nothing to compare", async () => {
    open({ ...side, plants: [plant("1")], rows: [], curves: [{}], sound: false }, "/compare?plants=1&sisters=");
    await screen.findByText("No sound one of its kind is here");
  });

  it("ask which, where none is named", async () => {
    open(side, "/compare");
    await screen.findByText("Which plants?");
  });
});
