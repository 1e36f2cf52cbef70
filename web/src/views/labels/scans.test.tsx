import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, pageText, serve, show } from "../../testing/page";
import { Scans, scanned } from "./Scans";

device();

describe("scans", () => {
  it("are read as addresses or codes, each once", () => {
    const id = "01a21fac-625c-72ac-8802-d5bef82be5d2";
    expect(scanned(`T-1\n https://plants.example/plants/${id}/examine \nT-1\n\n`)).toEqual(["T-1", id]);
  });

  it("become a walk, with what is not due and what nobody knows", async () => {
    serve({
      "GET /api/rounds": { today: "2026-11-24", places: [], looks: 0, minutes: 0, more: 0, plants: 3, must: 0 },
      "GET /api/plants": {
        plants: [
          { id: "p", name: "Fern", label: "T-1", nextDue: "2026-11-25" },
          { id: "q", name: "Fig", label: "T-2", nextDue: "2026-11-24" },
        ],
        total: 2,
      },
    });
    show(<Scans />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Codes, one a line" }), "t-1\nT-2\nX-9");
    await userEvent.click(screen.getByRole("button", { name: "Walk these" }));
    await screen.findByText("Nothing is due here");
    expect(pageText()).toContain("2 plants found; nothing is due at 1 of them");
    expect(pageText()).toContain("Due as well: open themFig");
    await screen.findByText(/No plant of this collection has the code X-9/);
  });
});
