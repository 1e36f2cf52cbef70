import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, pageText, Refusal, serve, show } from "../../testing/page";
import { About } from "../About";
import { Undone } from "./Undone";

device();

const session = { signedIn: true, today: "2026-11-24" };
const entry = (id: string, kind: string, live: boolean, body: object) => ({
  id,
  kind,
  live,
  on: "2026-11-20",
  by: "Ilse",
  ...body,
});

describe("a plant whose arrival was undone", () => {
  const undoing = entry("undo", "voided", true, { voided: { entry: "came" } });
  const entries = [
    undoing,
    entry("wet", "watered", true, { watered: {} }),
    entry("came", "arrived", false, { arrived: { name: "Fern" } }),
  ];

  it("shows all that was recorded, and brings the arrival back by undoing what undid it", async () => {
    const asked = serve({
      "GET /api/session": session,
      "GET /api/plants/fern/entries": { entries },
      "POST /api/plants/fern/entries": (a: { body: unknown }) => ({
        ...(a.body as object),
        kind: "voided",
        live: true,
      }),
    });
    show(<Undone plant="fern" />);
    await screen.findByText("Fern was taken out again");
    expect(screen.getAllByRole("listitem")).toHaveLength(3);
    expect(pageText()).toContain("undone or corrected");
    await userEvent.click(screen.getByRole("button", { name: "Bring it back" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ on: "2026-11-24", voided: { entry: "undo" } });
  });

  it("offers nothing to bring back where nothing undid it, and says what was refused", async () => {
    serve({ "GET /api/session": session, "GET /api/plants/fern/entries": { entries: entries.slice(1) } });
    const page = show(<Undone plant="fern" />);
    await screen.findByText("A plant was taken out again");
    expect(screen.queryByRole("button", { name: "Bring it back" })).toBeNull();
    page.unmount();
    serve({
      "GET /api/session": session,
      "GET /api/plants/fern/entries": { entries },
      "POST /api/plants/fern/entries": new Refusal({ status: 409, detail: "Somebody has brought it back already." }),
    });
    show(<Undone plant="fern" />);
    await userEvent.click(await screen.findByRole("button", { name: "Bring it back" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Somebody has brought it back already.");
  });
});

describe("about the program", () => {
  it("shows the licences of what ships, or why not", async () => {
    serve({ "GET /notices.txt": () => new Response("some licence or other") });
    const page = show(<About />);
    await screen.findByText("some licence or other");
    expect(screen.getByRole("link", { name: /licences as a file/ }).getAttribute("href")).toBe("/notices.txt");
    expect(pageText()).toContain("never proposes a dose of a pesticide");
    page.unmount();
    serve({ "GET /notices.txt": () => new Response("gone", { status: 404 }) });
    show(<About />);
    await screen.findByText("The licences could not be fetched.");
  });
});
