import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import type { Knowledge, PlantFile } from "../../api/client";
import { device, pageText, serve, show } from "../../testing/page";
import { Offers } from "./Offers";

device();

const knowledge = { causes: [{ id: "root-rot", label: "Root rot" }] } as unknown as Knowledge;
const offers = [
  { habit: "fern", present: ["root.smell"], absent: [], asked: 8, sound: 12 },
  { habit: "fern", present: [], absent: ["root.smell"], asked: 5, sound: 12, name: "the firm one" },
];
const stand = (place: number, gain: number, share: number, advice: string) => ({
  place,
  gain,
  share,
  advice,
  outlook: { lives: 0.8 },
  fair: { value: 9 },
  causes: [{ id: "root-rot", chance: 0.5 }],
});

it("puts offers beside each other, with one price for all", async () => {
  const sent = serve({
    "POST /api/appraisal/beside": {
      words: "Take “the firm one”: it is worth 4.00 more than it costs.",
      lot: "All of them for 10.00: worth 18.00 together, so 8.00 is gained.",
      stands: [stand(2, 1, 5, "bargain"), stand(1, 4, 5, "take")],
    },
  });
  const choose = vi.fn();
  const props = { offers, at: 0, full: false, filling: 4, knowledge, choose, add: vi.fn(), rename: vi.fn() };
  show(<Offers {...props} />, {} as PlantFile);
  await screen.findByText(/Take “the firm one”/);
  expect(pageText()).toContain("Offer 1Worth it for less80 %9.008.001.00root rot");
  expect(screen.queryByText("Part of the one price")).toBeNull();
  await userEvent.type(screen.getByLabelText("One price for all of them"), "10");
  await screen.findByText("Part of the one price");
  await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ lot: 10, offers: [{ name: "Offer 1" }, {}] }));
  await screen.findByText(/8.00 is gained/);
  await userEvent.click(screen.getByRole("button", { name: "the firm one" }));
  expect(choose).toHaveBeenCalledWith(1);
});
