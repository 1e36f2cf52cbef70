import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { device, pageText, serve, show } from "../../testing/page";
import { BatchNow } from "./BatchNow";
import { Family } from "./Family";
import { TakePieces } from "./TakePieces";

device();

const ways = {
  ways: [
    {
      method: "node-cutting",
      label: "Nodes",
      one: "node",
      organ: "stem",
      vessels: ["moss-box", "water"],
      usual: 6,
      listed: true,
      takes: "Until one is a plant: usually 3 to 6 weeks.",
    },
    {
      method: "leaf-cutting",
      label: "Leaves",
      one: "leaf",
      organ: "leaf",
      vessels: ["mix"],
      usual: 4,
      listed: false,
      takes: "Until one is a plant: usually 3 to 6 weeks.",
    },
  ],
  suspected: [],
  countDays: 14,
  before: "A clean blade.",
  potOut: "Pot out what has roots.",
};
const batch = {
  n: 12,
  method: "node-cutting",
  vessel: "moss-box",
  alive: 9,
  shoots: 6,
  rooted: 4,
  lost: 3,
  rotted: 3,
  potted: 0,
  returned: 0,
  counts: [{ on: "2026-11-10", alive: 9, shoots: 6, rooted: 4, lost: 3 }],
  rootings: [],
  countOn: "2026-11-24",
} as const;
const file = {
  id: "1",
  name: "Macodes",
  habit: "jewel-orchid",
  today: "2026-11-24",
  arrivedOn: "2026-10-01",
  isolation: "clean",
  pieceIsolated: false,
  placeId: "hall",
  children: [],
  mother: { id: "m", name: "Mother", standing: "well" },
} as unknown as PlantFile;
const places = { places: [{ id: "hall", name: "Hall", light: "", position: 1, isolation: false, plants: 3 }] };
interface Sent {
  entries: { plant: string; arrived?: { name: string; batch?: object }; cut?: object; parted?: object }[];
}
const sentEntries = (sent: { method: string; body: unknown }[]) =>
  (sent.find((s) => s.method === "POST")?.body ?? { entries: [] }) as Sent;

describe("pieces", () => {
  it("are taken of a mother as one batch, with what the mother lost", async () => {
    const sent = serve({
      "GET /api/plants/1/ways": ways,
      "GET /api/places": places,
      "POST /api/entries": { kept: [{ plant: "1", entry: "e" }], refused: [] },
    });
    show(<TakePieces />, file);
    expect(((await screen.findByLabelText("How many")) as HTMLInputElement).value).toBe("6");
    await userEvent.clear(screen.getByLabelText("How many"));
    await userEvent.type(screen.getByLabelText("How many"), "12");
    await userEvent.click(screen.getByRole("button", { name: "Take 12 nodes" }));
    await waitFor(() => expect(sent.some((s) => s.method === "POST")).toBe(true));
    const { entries } = sentEntries(sent);
    expect(entries.map((e) => e.cut ?? e.arrived?.batch)).toEqual([
      { organ: "stem", n: 12 },
      { n: 12, method: "node-cutting", vessel: "moss-box" },
    ]);
    expect(entries[1]?.arrived?.name).toBe("12 nodes of Macodes");
  });

  it("of a plant that has what travels are warned of", async () => {
    serve({ "GET /api/plants/1/ways": { ...ways, suspected: ["Mealybugs"] }, "GET /api/places": places });
    show(<TakePieces />, file);
    await screen.findByText(/Mealybugs: a piece carries it/);
  });
});

describe("a batch", () => {
  const open = () => {
    const sent = serve({
      "GET /api/plants/1/ways": ways,
      "POST /api/plants/1/entries": { id: "e" },
      "POST /api/entries": { kept: [{ plant: "1", entry: "e" }], refused: [] },
    });
    show(<BatchNow file={file} batch={batch as unknown as NonNullable<PlantFile["batch"]>} />);
    return sent;
  };
  it("tells what each look found, and is counted", async () => {
    const sent = open();
    await screen.findByRole("heading", { name: "12 nodes in a closed box of moss" });
    expect(pageText()).toContain("9 alive, 6 with a shoot, 4 with roots, 3 died (3 rotted)");
    expect(screen.getByRole("cell", { name: "9 alive, 6 with a shoot, 4 with roots" })).toBeTruthy();
    await userEvent.clear(screen.getByLabelText("Alive"));
    await userEvent.type(screen.getByLabelText("Alive"), "8");
    await screen.findByText("1 piece rotted since: taken out.");
    await userEvent.click(screen.getByRole("button", { name: "Counted" }));
    await waitFor(() => expect(sent.at(-1)?.method === "POST" || sent.some((s) => s.method === "POST")).toBe(true));
    expect(sent.find((s) => s.method === "POST")?.body).toMatchObject({ counted: { alive: 8, shoots: 6, rooted: 4 } });
  });
  it("gives plants of their own, with their mother and their batch", async () => {
    const sent = open();
    await userEvent.click(await screen.findByRole("button", { name: "Pot out as plants" }));
    await waitFor(() => expect(sent.some((s) => s.method === "POST")).toBe(true));
    const { entries } = sentEntries(sent);
    expect(entries).toHaveLength(5);
    expect(entries[0]?.parted).toMatchObject({ potted: 4, returned: 0 });
    expect(entries[4]?.arrived).toMatchObject({ name: "Macodes, no. 4", mother: "m", batchOf: "1" });
  });
});

describe("a family", () => {
  it("says where each is, what lived and what one of them has", async () => {
    const member = (id: string, name: string, generation: number, more = {}) => ({
      id,
      name,
      label: "",
      standing: "well",
      place: "Hall",
      cameOn: "2026-01-01",
      has: [],
      generation,
      ...more,
    });
    serve({
      "GET /api/plants/1/family": {
        plants: [
          member("m", "Mother", 0, { has: ["Mealybugs"] }),
          member("1", "Box", 1, { mother: "m", batch }),
          member("2", "First out", 1, { mother: "m", batchOf: "1" }),
          member("3", "Gone", 1, { mother: "m", standing: "lost" }),
        ],
      },
    });
    show(<Family plant="1" />);
    await screen.findByText(/4 in all, 3 of them living, 1 lost/);
    expect(pageText()).toContain("“Mother” has mealybugs");
    expect(screen.getByText("Box").closest("li")?.querySelector("ul")?.textContent).toContain("First out");
    expect(pageText()).toContain("9 of 12 alive");
  });
});
