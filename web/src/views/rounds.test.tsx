import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { connection } from "../api/connection";
import { Connection } from "../shell/Connection";
import { IfMeant } from "../shell/IfMeant";
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
    must: true,
  }) as unknown as Schemas["WalkStop"];

const walk = (...stops: object[]) => ({
  today,
  plants: 9,
  looks: stops.length,
  minutes: 12,
  must: stops.length,
  mustMinutes: 12,
  waitMinutes: 0,
  more: 0,
  pace: {
    answers: 12,
    working: { inputs: [{ name: "usual minutes", value: 24 }], formula: "usual × pace", source: "you", sure: "so so" },
  },
  asked: [],
  inPassing: knowledge.inPassing,
  places: [{ place: "North sill", apart: false, stops }],
});

const answers = (rounds: object) => ({
  "GET /api/rounds": rounds,
  "GET /api/session": { signedIn: true, today },
  "POST /api/plants/fern/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "x", live: true }),
  "POST /api/entries": taken,
});

const sent = (asked: ReturnType<typeof serve>) =>
  asked
    .filter((a) => a.method === "POST")
    .flatMap((a) => (a.body as { entries?: Record<string, unknown>[] }).entries ?? [a.body as Record<string, unknown>]);

/** Takes what undoes back as the server does, of one plant or several. */
const taken = (a: { body: unknown }) => ({
  kept: (a.body as { entries: { plant: string; id: string }[] }).entries.map((e) => ({ plant: e.plant, entry: e.id })),
  refused: [],
});

const card = async (name: string) =>
  (await screen.findByRole("link", { name })).closest("[data-testid=stop]") as HTMLElement;

describe("the walk", () => {
  it("says what is asked of each plant, why, and by when", async () => {
    serve(answers(walk(stop("Fern", task("water", { how: "Feel it." }), task("check")))));
    show(<Rounds />);
    const text = (await card("Fern")).textContent ?? "";
    expect(text).toContain("Do water. Feel it. By");
    expect(text).toContain("Then 1 thing more: do check.");
    expect(text).toContain("Why nowBecause.");
    expect(pageText()).toContain("1 plant cannot wait: about 12 minutes");
  });

  it("says since when something is late", async () => {
    serve(answers(walk(stop("Fern", task("water", { from: "2026-11-10", until: "2026-11-14" })))));
    show(<Rounds />);
    expect((await card("Fern")).textContent).toContain("Open for 14 days");
  });

  it.each([
    ["water", "watered", { watered: {} }],
    ["water", "still moist", { probed: { moisture: "moist" } }],
    ["trial", "no difference", { judged: { trial: "t-1", result: "same" } }],
    ["step", "done", { did: { step: "unpot", skipped: false } }],
    ["check", "limp", { checked: { readings: [{ measure: "wilt", value: 1 }] } }],
    ["check", "firm", { checked: { readings: [{ measure: "wilt", value: 0 }] } }],
  ])("takes the answer to %s on the spot: %s", async (kind, button, body) => {
    const asked = serve(answers(walk(stop("Fern", task(kind, { step: "unpot", trial: "t-1" })))));
    show(<Rounds />);
    await userEvent.click(await within(await card("Fern")).findByRole("button", { name: button }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({ on: today, ...body });
    expect(Object.keys(sent(asked)[0] ?? {}).sort()).toEqual(["id", "on", ...Object.keys(body)].sort());
    expect(sent(asked)[0]?.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it.each([
    ["examine", "look it over", "/plants/fern/examine"],
    ["decide", "decide", "/plants/fern/do"],
    ["plan", "make the plan", "/plants/fern/do"],
    ["pass", "see the gate", "/plants/fern"],
    ["back", "see the setback", "/plants/fern"],
    ["stall", "count its roots", "/plants/fern/measure"],
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

  it("names a likely mistake at that moment, and records it all the same when it is meant", async () => {
    const said = "Watered 20 s ago by Ida already.";
    const doubt = new Refusal({
      type: "urn:problem:is-it-meant",
      status: 422,
      detail: said,
      errors: [{ location: "body.despite", message: said, value: "watered-today" }],
    });
    const asked = serve({
      ...answers(walk(stop("Fern", task("water")))),
      "POST /api/plants/fern/entries": (a: { body: { despite?: string[] } }) =>
        a.body.despite ? { ...a.body, kind: "watered", live: true } : doubt,
    });
    show(
      <>
        <Rounds />
        <IfMeant />
      </>,
    );
    const water = async () => userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
    await water();
    expect((await screen.findByRole("dialog")).textContent).toContain(said);
    await userEvent.click(screen.getByRole("button", { name: "Leave it" }));
    expect((await within(await card("Fern")).findByRole("alert")).textContent).toBe(`Not recorded. ${said}`);
    expect(sent(asked)).toHaveLength(1);
    await water();
    await userEvent.click(await screen.findByRole("button", { name: "Record it all the same" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(3));
    expect(sent(asked)[2]).toMatchObject({ watered: {}, despite: ["watered-today"] });
    expect(sent(asked)[2]?.id).toBe(sent(asked)[1]?.id);
  });

  it("lists more of what is due when asked", async () => {
    const asked = serve(answers({ ...walk(stop("Fern", task("water"))), looks: 55, more: 15 }));
    show(<Rounds />);
    expect(await screen.findByText(/most urgent 40 are listed/)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "List 15 more" }));
    await waitFor(() => expect(asked.filter((a) => a.path === "/api/rounds")).toHaveLength(2));
  });

  it("keeps the last ten answers, each to be undone and brought back", async () => {
    const asked = serve(answers(walk(stop("Fern", task("water")))));
    show(<Rounds />);
    for (let i = 1; i <= 11; i++) {
      await userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
      await waitFor(() => expect(sent(asked)).toHaveLength(i));
    }
    await screen.findByText("Recorded just now: 10");
    const undo = screen.getAllByRole("button", { name: "Undo: Fern, watered", hidden: true });
    expect(undo).toHaveLength(10);
    await userEvent.click(undo[9] as HTMLElement);
    await waitFor(() => expect(sent(asked)).toHaveLength(12));
    expect(sent(asked)[11]).toMatchObject({ voided: { entry: sent(asked)[1]?.id } });
    await userEvent.click(await screen.findByRole("button", { name: "Bring back: Fern, watered", hidden: true }));
    await waitFor(() => expect(sent(asked)).toHaveLength(13));
    expect(sent(asked)[12]).toMatchObject({ voided: { entry: sent(asked)[11]?.id } });
    await screen.findByText("Recorded just now: 10");
  });

  it("keeps an answer to be undone when its plant leaves the walk over it", async () => {
    let due = true;
    const asked = serve({
      ...answers({}),
      "GET /api/rounds": () => (due ? walk(stop("Fern", task("water"))) : { ...walk(), looks: 0, places: [] }),
      "POST /api/plants/fern/entries": (a: { body: unknown }) => {
        due = false;
        return { ...(a.body as object), kind: "x", live: true };
      },
      "POST /api/entries": (a: { body: unknown }) => {
        due = true;
        return taken(a);
      },
    });
    show(<Rounds />);
    await userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
    await screen.findByText("Recorded just now: 1");
    await waitFor(() => expect(screen.queryByRole("link", { name: "Fern" })).toBeNull());
    await userEvent.click(screen.getByRole("button", { name: "Undo: Fern, watered", hidden: true }));
    await card("Fern");
    expect(await screen.findByRole("button", { name: "Bring back: Fern, watered", hidden: true })).toBeTruthy();
    expect(sent(asked)).toHaveLength(2);
  });

  it("keeps an answer without a connection, and records it once when it is back", async () => {
    const asked = serve(answers(walk(stop("Fern", task("water")))));
    const served = window.fetch;
    const tried: string[] = [];
    show(
      <>
        <Connection />
        <Rounds />
      </>,
    );
    await card("Fern");
    vi.stubGlobal("fetch", async (to: Request) => {
      if (to.method !== "POST") throw new TypeError("failed to fetch");
      tried.push(((await to.clone().json()) as { id: string }).id);
      throw new TypeError("failed to fetch");
    });
    await userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
    await screen.findByText("Kept here until the connection is back.");
    expect(pageText()).toContain("1 answer kept here: recorded when it is back.");
    const leaving = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(leaving);
    expect(leaving.defaultPrevented, "whoever closes the page is asked").toBe(true);

    vi.stubGlobal("fetch", served);
    act(() => connection.back());
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({ id: tried[0], watered: {} });
    await waitFor(() => expect(screen.queryByText(/Kept here|kept here/)).toBeNull());
  });

  it("keeps apart what can wait, and says how long each takes", async () => {
    const late = { ...stop("Palm", task("check")), must: false };
    serve(answers({ ...walk(stop("Fern", task("water")), late), must: 1, mustMinutes: 3, waitMinutes: 4 }));
    show(<Rounds />);
    expect(within(await card("Fern")).getByText(/Do water/)).toBeTruthy();
    expect(pageText()).toContain("1 plant cannot wait: about 3 minutes");
    await userEvent.click(screen.getByRole("button", { name: "How the minutes of this walk came about" }));
    expect(await screen.findByText("usual × pace")).toBeTruthy();
    const rest = screen.getByText("Can wait: 1 plant, about 4 minutes").closest("details");
    expect(rest?.open).toBe(false);
    expect(within(rest as HTMLElement).getByRole("link", { name: "Palm", hidden: true })).toBeTruthy();
    expect(within(rest as HTMLElement).queryByRole("link", { name: "Fern", hidden: true })).toBeNull();
  });

  it("opens what can wait where nothing must be", async () => {
    const late = { ...stop("Palm", task("check")), must: false };
    serve(answers({ ...walk(late), must: 0, mustMinutes: 0 }));
    show(<Rounds />);
    await card("Palm");
    expect(pageText()).toContain("Nothing is pressing today.");
    expect(screen.getByText(/Can wait/).closest("details")?.open).toBe(true);
  });

  it("offers to undo an answer where it was given", async () => {
    let due = true;
    serve({
      ...answers({}),
      "GET /api/rounds": () => walk(...(due ? [stop("Fern", task("water"))] : []), stop("Palm", task("check"))),
      "POST /api/plants/fern/entries": (a: { body: unknown }) => {
        due = false;
        return { ...(a.body as object), kind: "x", live: true };
      },
      "POST /api/entries": (a: { body: unknown }) => {
        due = true;
        return taken(a);
      },
    });
    show(<Rounds />);
    await userEvent.click(within(await card("Fern")).getByRole("button", { name: "watered" }));
    const undo = await within(screen.getByRole("region", { name: "North sill" })).findByRole("button", {
      name: "Undo: Fern, watered",
    });
    await userEvent.click(undo);
    await card("Fern");
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
