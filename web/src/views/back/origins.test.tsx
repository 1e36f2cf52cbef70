import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, pageText, serve, show, working } from "../../testing/page";
import { Origins } from "./Origins";

device();

const percent = (value: number) => ({ what: "share", value, unit: "%", working });
const fair = {
  of: "fair",
  label: "Fair on the quay",
  came: 6,
  lives: 4,
  inWork: 1,
  lost: 2,
  given: 0,
  living: percent(67),
  low: 0.3,
  high: 0.9,
  ill: 1,
  weeks: percent(15.4),
  cost: { what: "cost", value: 12.5, unit: "money", working },
  beside: "more lost than of the others: 2, where 0.4 were to be expected; by chance alone 3 times in 100",
};
const fresh = { ...fair, of: "new", label: "A neighbour", came: 1, lives: 1, inWork: 0, lost: 0, ill: 0 };
const answer = {
  today: "2026-11-01",
  all: { ...fair, came: 7 },
  groups: [fair, { ...fresh, living: undefined, weeks: undefined, cost: undefined, beside: undefined }],
};

describe("what became of them", () => {
  it("tells each group's share, weeks and cost, and opens its plants, the best first", async () => {
    const asked = serve({
      "GET /api/origins": answer,
      "GET /api/origins/plants": {
        group: fair,
        plants: [
          { id: "a", name: "First", turn: 1, says: "well again after 30 days" },
          { id: "b", name: "Last", turn: 2, end: "lost", says: "lost after 20 days" },
        ],
      },
    });
    show(<Origins />);
    await screen.findByText("Fair on the quay");
    const text = pageText();
    for (const said of [
      "67 %",
      "mended after",
      "12.50 for each that lives",
      "more lost than of the others: 2, where 0.4",
    ])
      expect(text).toContain(said);
    expect(text).toContain("none was followed for half a year yet");
    const [folded] = screen.getAllByText("Its plants, the best first");
    if (folded) await userEvent.click(folded);
    await screen.findByText("Last");
    expect(pageText()).toContain("lost after 20 days");
    expect(asked.some((a) => a.path.includes("/api/origins/plants"))).toBe(true);
  });

  it("says that nobody came", async () => {
    serve({ "GET /api/origins": { ...answer, all: { ...fair, came: 0 }, groups: [] } });
    show(<Origins />);
    await screen.findByText("Nobody came in that time");
  });
});
