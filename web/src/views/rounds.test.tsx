import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { device, knowledge, pageText, Refusal, serve, show } from "../testing/page";
import { Rounds } from "./Rounds";

device();

const today = "2026-11-24";
const task = (kind: string, more: object = {}) => ({
  kind,
  what: `Do ${kind}`,
  why: "Because.",
  from: "2026-11-20",
  until: "2026-11-26",
  ...more,
});

const stop = (name: string, ...tasks: object[]): Schemas["WalkStop"] =>
  ({
    id: name.toLowerCase(),
    name,
    label: "",
    habit: "fern",
    standing: "mending",
    stage: "",
    lastLook: "2026-11-20",
    figure: { growths: 1, leaves: 3, seen: [], looked: [] },
    seam: { from: "2026-10-01", bands: [], looks: 2, stitches: [], knots: [], beside: [], loose: [], bare: [] },
    tasks,
  }) as unknown as Schemas["WalkStop"];

const walk = (...stops: object[]) => ({
  today,
  plants: 9,
  looks: stops.length,
  minutes: 12,
  more: 0,
  places: [{ place: "North sill", apart: false, stops }],
});

const answers = (rounds: object) => ({
  "GET /api/rounds": rounds,
  "GET /api/knowledge": knowledge,
  "GET /api/session": { signedIn: true, today },
  "POST /api/plants/fern/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "x", live: true }),
});

const sent = (asked: ReturnType<typeof serve>) =>
  asked.filter((a) => a.method === "POST").map((a) => a.body as Record<string, unknown>);

const card = async (name: string) =>
  (await screen.findByRole("link", { name })).closest("[data-testid=stop]") as HTMLElement;

describe("the walk", () => {
  it("says what is asked of each plant, why, and by when", async () => {
    serve(answers(walk(stop("Fern", task("water"), task("check")))));
    show(<Rounds />);
    const text = (await card("Fern")).textContent ?? "";
    expect(text).toContain("Do water. Because. By");
    expect(text).toContain("Also: do check.");
    expect(pageText()).toContain("1 plant, about 12 minutes");
  });

  it("says since when something is late", async () => {
    serve(answers(walk(stop("Fern", task("water", { from: "2026-11-10", until: "2026-11-14" })))));
    show(<Rounds />);
    expect((await card("Fern")).textContent).toContain("Due 14 days ago");
  });

  it.each([
    ["water", "watered", { watered: {} }],
    ["water", "still moist", { probed: { moisture: "moist" } }],
    ["step", "done", { did: { step: "unpot", skipped: false } }],
    ["check", "limp", { checked: { readings: [{ measure: "wilt", value: 1 }] } }],
    [
      "check",
      "firm",
      {
        checked: {
          readings: [
            { measure: "wilt", value: 0 },
            { measure: "smell", value: 0 },
          ],
        },
      },
    ],
  ])("takes the answer to %s on the spot: %s", async (kind, button, body) => {
    const asked = serve(answers(walk(stop("Fern", task(kind, { step: "unpot" })))));
    show(<Rounds />);
    await userEvent.click(within(await card("Fern")).getByRole("button", { name: button }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({ on: today, ...body });
    expect(sent(asked)[0]?.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it.each([
    ["examine", "look it over", "/plants/fern/examine"],
    ["decide", "decide", "/plants/fern/do"],
    ["plan", "make the plan", "/plants/fern/do"],
    ["pass", "see the gate", "/plants/fern"],
    ["back", "see the setback", "/plants/fern"],
  ])("opens the file where %s needs thought", async (kind, link, to) => {
    serve(answers(walk(stop("Fern", task(kind)))));
    show(<Rounds />);
    expect(
      within(await card("Fern"))
        .getByRole("link", { name: link })
        .getAttribute("href"),
    ).toBe(to);
  });

  it("shows a refusal where it was answered", async () => {
    serve({
      ...answers(walk(stop("Fern", task("water")))),
      "POST /api/plants/fern/entries": new Refusal({ status: 503, detail: "The record cannot be reached just now." }),
    });
    show(<Rounds />);
    await userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
    expect(await within(await card("Fern")).findByText("The record cannot be reached just now.")).toBeTruthy();
  });

  it("warns before the isolated room", async () => {
    const rounds = walk(stop("Fern", task("water")));
    rounds.places.push({ place: "Quarantine", apart: true, stops: [stop("Palm", task("check"))] });
    serve(answers({ ...rounds, looks: 2 }));
    show(<Rounds />);
    const apart = await screen.findByRole("region", { name: "Quarantine" });
    expect(apart.textContent).toContain("wash hands and tools first");
    expect(screen.getByRole("region", { name: "North sill" }).textContent).not.toContain("wash hands");
  });

  it("says so when nothing is due, when there is nothing yet, and when it fails", async () => {
    serve(answers({ ...walk(), places: [] }));
    const { unmount } = show(<Rounds />);
    expect(await screen.findByText(/Nothing is due/)).toBeTruthy();
    unmount();
    serve(answers({ ...walk(), places: [], plants: 0 }));
    const empty = show(<Rounds />);
    expect((await screen.findByRole("link", { name: "Take a plant in" })).getAttribute("href")).toBe("/plants/new");
    empty.unmount();
    serve({ "GET /api/rounds": new Refusal({ status: 503, detail: "The record cannot be reached just now." }) });
    show(<Rounds />);
    expect(await screen.findByText("The record cannot be reached just now.")).toBeTruthy();
    expect(screen.getByRole("button", { name: /again/ })).toBeTruthy();
  });
});
