import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { device, pageText, Refusal, serve, show } from "../../testing/page";
import { FolderOfPictures } from "./FolderOfPictures";

device();

const shot = (path: string, more: object) => ({
  path,
  id: `id-${path}`,
  entry: `entry-${path}`,
  several: [],
  found: "label",
  on: "2026-11-01",
  dated: "file",
  side: "front",
  here: false,
  ...more,
});
const monstera = { id: "m", name: "Big Monstera", label: "T-033", on: "2026-01-01" };
const files = [
  new File(["1"], "T-033.jpg", { type: "image/jpeg" }),
  new File(["2"], "pothos.jpg", { type: "image/jpeg" }),
  new File(["3"], "old.jpg", { type: "image/jpeg" }),
  new File(["4"], "notes.txt", { type: "text/plain" }),
];
const answers = {
  "GET /api/session": { today: "2026-11-24" },
  "GET /api/plants": { plants: [{ id: "p", name: "Pothos", label: "P-1", arrivedOn: "2026-02-01" }], total: 1 },
  "POST /api/pictures/match": {
    shots: [
      shot("T-033.jpg", { plant: monstera }),
      shot("pothos.jpg", { found: "nothing", why: "no plant here has a label or a name like that" }),
      shot("old.jpg", { plant: monstera, here: true }),
    ],
  },
  "PUT /api/plants/m/pictures/id-T-033.jpg": { id: "id-T-033.jpg", width: 1, height: 1 },
  "POST /api/plants/m/entries": { id: "entry-T-033.jpg" },
};

async function choose(more: object = {}) {
  const sent = serve({ ...answers, ...more });
  show(<FolderOfPictures />, {} as PlantFile);
  await userEvent.upload(await screen.findByLabelText("A folder of pictures"), files, { applyAccept: false });
  await screen.findByText(/1 picture of 1 plant/);
  return sent;
}

describe("a folder of pictures", () => {
  it("is told before anything is taken in: what goes where, what is here, and what is open", async () => {
    const sent = await choose();
    expect(pageText()).toContain("1 picture to say more of; 1 picture here already");
    expect(pageText()).toContain("Big Monstera by its label");
    expect(pageText()).toContain("No plant here has a label or a name like that.");
    const asked = sent.find((s) => s.path === "/api/pictures/match")?.body as { files: { path: string }[] };
    expect(asked.files.map((f) => f.path)).toEqual(["T-033.jpg", "pothos.jpg", "old.jpg"]);
    await userEvent.click(screen.getByRole("button", { name: "Take 1 picture in" }));
    await screen.findByText(/2 pictures here already/);
    expect(sent.filter((s) => s.method === "PUT")).toHaveLength(1);
    expect(sent.find((s) => s.path === "/api/plants/m/entries")?.body).toMatchObject({
      id: "entry-T-033.jpg",
      on: "2026-11-01",
      pictured: { picture: "id-T-033.jpg", side: "front" },
    });
  });

  it("is set right by hand", async () => {
    await choose();
    await userEvent.type(screen.getByLabelText("Of which plant is pothos.jpg?", { selector: "input" }), "Poth");
    await userEvent.click(await screen.findByText("Pothos (P-1)"));
    await screen.findByText(/2 pictures of 2 plants/);
    await userEvent.click(screen.getByRole("button", { name: "Leave T-033.jpg" }));
    await screen.findByText(/1 picture of 1 plant/);
  });

  it("says of what was refused why, and keeps the others", async () => {
    await choose({
      "PUT /api/plants/m/pictures/id-T-033.jpg": new Refusal({ status: 422, detail: "This is no picture." }),
    });
    await userEvent.click(screen.getByRole("button", { name: "Take 1 picture in" }));
    await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("T-033.jpg: This is no picture."));
  });
});
