import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import type { PlantFile, Schemas } from "../api/client";
import { device, knowledge, pageText, plantFile, serve, show } from "../testing/page";
import { SeamOf } from "../views/plant/SeamOf";
import { bandColour } from "./cloth";
import { SmallSeam } from "./Seam";

device();

const span = (stage: string, from: string, to?: string, more: object = {}) => ({
  track: "t",
  lane: 0,
  stage,
  name: stage,
  from,
  to,
  back: false,
  early: false,
  ...more,
});

const seam = {
  from: "2026-03-01",
  bands: [
    span("cup", "2026-03-01", "2026-05-01"),
    span("dish", "2026-05-01", "2026-08-01", { early: true, reason: "the cup was needed" }),
    span("cup", "2026-08-01", "2026-09-01", { back: true, reason: "rot came back" }),
    span("dish", "2026-09-01"),
    span("proving", "2026-06-01", "2026-07-01", { track: "u", lane: 1 }),
  ],
  looks: 40,
  stitches: ["2026-03-01", "2026-03-09", "2026-11-20"],
  knots: ["2026-05-01", "2026-09-01"],
  beside: [{ on: "2026-07-01", lane: 1 }],
  loose: [{ on: "2026-08-01", why: "rot came back" }],
  bare: [{ from: "2026-07-06", to: "2026-08-01" }],
} as unknown as Schemas["Seam"];

const growth = (sort: string, number: number, more: object = {}) => ({
  id: `${sort}-${number}`,
  sort,
  number,
  name: "",
  cameWith: false,
  began: "2026-06-01",
  state: "growing",
  stateOn: "2026-11-01",
  sizes: [
    { on: "2026-07-01", value: 20 },
    { on: "2026-11-01", value: 127 },
  ],
  ...more,
});

const story = (more: object = {}) =>
  plantFile({
    seam,
    curves: {
      "longest-root": [
        { on: "2026-04-01", value: 4 },
        { on: "2026-11-20", value: 254 },
      ],
    },
    recovery: {
      index: 1,
      stages: [
        { id: "cup", name: "cup" },
        { id: "dish", name: "dish" },
        { id: "normal", name: "normal pot" },
      ],
      expected: { from: "2026-12-01", to: "2027-01-10" },
    },
    follow: {
      ...plantFile().follow,
      strands: [
        growth("leaf", 1, { cameWith: true, state: "mature" }),
        growth("root", 1),
        growth("root", 2, { state: "lost" }),
      ],
      scores: [
        { on: "2026-04-01", value: 30 },
        { on: "2026-11-20", value: 61 },
      ],
      pictures: [
        { entry: "e1", picture: "p1", on: "2026-03-01", side: "front", width: 480, height: 576 },
        { entry: "e2", picture: "p2", on: "2026-11-01", side: "front", width: 480, height: 576 },
      ],
      events: Array.from({ length: 9 }, (_, i) => ({
        on: `2026-0${i + 1}-10`,
        kind: "did",
        what: `thing ${i + 1}`,
      })).slice(2),
    },
    ...more,
  } as unknown as Partial<PlantFile>);

const withCurves = {
  ...knowledge,
  measures: knowledge.measures?.map((m) => ({ ...m, curve: m.id === "longest-root" ? 1 : 0 })),
};

/** A screen on which the seam is 1000 pixels wide. */
class Wide {
  constructor(private tell: ResizeObserverCallback) {}
  observe() {
    const entry = { contentRect: { width: 1000, height: 400 } } as ResizeObserverEntry;
    this.tell([entry], this as unknown as ResizeObserver);
  }
  unobserve() {}
  disconnect() {}
}

async function open(file = story()) {
  vi.stubGlobal("ResizeObserver", Wide);
  serve({ "GET /api/knowledge": withCurves });
  show(<SeamOf file={file} />);
  await screen.findByRole("button", { name: "longest root" });
  const box = screen.getByRole("group", { name: /^Seam:/ });
  // The width is told in the next frame; what fits beside what is only then settled.
  await waitFor(() => expect(within(box).getByTestId("story").getAttribute("width")).toBe("1000"));
  return box;
}

describe("the seam, large", () => {
  it("says in a sentence what it shows", async () => {
    const box = await open();
    expect(box.getAttribute("aria-label")).toContain("40 looks in 268 days, 3 gates passed, 1 step back");
    expect(box.getAttribute("tabindex")).toBe("0");
    const words = [...box.querySelectorAll("text")].map((t) => t.textContent);
    expect(words).toContain("stepped back: rot came back");
    expect(words).not.toContain("nobody looked for 26 days"); // that gap ended in the step back
    expect(words).toContain("254 mm");
  });

  it("changes the curve above it", async () => {
    const box = await open();
    expect(screen.getByRole("button", { name: "longest root" }).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(screen.getByRole("button", { name: "condition" }));
    expect([...box.querySelectorAll("text")].map((t) => t.textContent)).toContain("61 of 100");
    expect(screen.getByRole("button", { name: "longest root" }).getAttribute("aria-pressed")).toBe("false");
  });

  it("speaks the person’s units in curves and strands", async () => {
    window.localStorage.setItem("units", JSON.stringify("us"));
    const box = await open();
    const words = [...box.querySelectorAll("text")].map((t) => t.textContent).join("|");
    expect(words).toContain("10 in");
    expect(words).toContain("root 1, 5 in");
    expect(words).not.toContain("mm");
  });

  it("names each growth, what came with it and what was lost", async () => {
    const box = await open();
    const words = [...box.querySelectorAll("text")].map((t) => t.textContent);
    expect(words).toContain("leaf 1, came with it, 127 mm");
    expect(words).toContain("root 1, 127 mm");
    expect(words).toContain("root 2, 127 mm, lost");
  });

  it("takes up a picture from its day, by hand and by key, and puts it away", async () => {
    await open();
    await userEvent.click(screen.getByRole("button", { name: /^Picture of 1 Mar/ }));
    expect(screen.getByAltText(/The plant on/).getAttribute("src")).toContain("/pictures/p1?small=true");
    await userEvent.click(screen.getByRole("button", { name: "Put it away" }));
    expect(screen.queryByAltText(/The plant on/)).toBeNull();
    const frame = screen.getByRole("button", { name: /^Picture of 1 Nov/ });
    frame.focus();
    await userEvent.keyboard("{Enter}");
    expect(screen.getByRole("link", { name: "Compare and measure" }).getAttribute("href")).toContain("show=p2");
  });

  it("is moved and zoomed by keys, and shown whole again", async () => {
    const box = await open();
    expect(pageText()).toContain("What was done and what happened");
    box.focus();
    await userEvent.keyboard("+++");
    expect(pageText()).toContain("In these days");
    await userEvent.keyboard("{Home}");
    const first = [...box.querySelectorAll("title")].map((t) => t.textContent).join("|");
    await userEvent.keyboard("{End}");
    const last = [...box.querySelectorAll("title")].map((t) => t.textContent).join("|");
    expect(first).not.toBe(last);
    await userEvent.keyboard("0");
    expect(pageText()).toContain("What was done and what happened");
  });

  it("stays whole when it grows, and stays where it was moved to when it does not", async () => {
    serve({ "GET /api/knowledge": withCurves });
    vi.stubGlobal("ResizeObserver", Wide);
    const later = story();
    if (later.recovery) later.recovery.expected = { from: "2027-01-20", to: "2027-03-20" } as never;
    const Turning = () => {
      const [grown, setGrown] = useState(false);
      return (
        <>
          <button type="button" onClick={() => setGrown(!grown)}>
            look again
          </button>
          <SeamOf file={grown ? later : story()} />
        </>
      );
    };
    show(<Turning />);
    await screen.findByRole("button", { name: "longest root" });
    const again = screen.getByRole("button", { name: "look again" });
    await userEvent.click(again);
    expect(pageText()).toContain("What was done and what happened");
    await userEvent.click(screen.getByRole("button", { name: "Show fewer days" }));
    await userEvent.click(again);
    expect(pageText()).toContain("In these days");
    await userEvent.click(screen.getByRole("button", { name: "Show more days" }));
    await userEvent.click(screen.getByRole("button", { name: "Show more days" }));
    expect(pageText()).toContain("What was done and what happened");
  });

  it("keeps a turned wheel to itself only while it is worked with", async () => {
    const box = await open();
    const turn = (init: WheelEventInit) => {
      const e = new WheelEvent("wheel", { bubbles: true, cancelable: true, deltaY: 100, ...init });
      // Of a wheel that is turned with a key held down; the test's own page leaves the key out.
      Object.defineProperty(e, "ctrlKey", { value: init.ctrlKey ?? false });
      act(() => {
        box.dispatchEvent(e);
      });
      return e.defaultPrevented;
    };
    expect(turn({})).toBe(false); // the page scrolls
    expect(turn({ ctrlKey: true })).toBe(true);
    expect(turn({ deltaX: 300, deltaY: 0 })).toBe(true);
    act(() => box.focus());
    expect(turn({})).toBe(true);
  });

  it("is moved by one finger and zoomed by two", async () => {
    const box = await open();
    box.setPointerCapture = () => {};
    const titles = () => [...box.querySelectorAll("title")].length;
    const whole = titles();
    for (const [id, x] of [
      [1, 100],
      [2, 140],
    ] as const)
      fireEvent.pointerDown(box, { pointerId: id, clientX: x });
    fireEvent.pointerMove(box, { pointerId: 2, clientX: 300 });
    fireEvent.pointerUp(box, { pointerId: 1 });
    fireEvent.pointerUp(box, { pointerId: 2 });
    expect(pageText()).toContain("In these days");
    expect(titles()).toBeLessThanOrEqual(whole);
  });

  it("lists what happened, the last first to hand, and all of it when asked", async () => {
    await open();
    const list = () => within(screen.getAllByRole("list")[0] as HTMLElement).getAllByRole("listitem").length;
    expect(list()).toBe(6);
    await userEvent.click(screen.getByRole("button", { name: "All 7" }));
    expect(list()).toBe(7);
    await userEvent.click(screen.getByRole("button", { name: "Only the last" }));
    expect(list()).toBe(6);
  });

  it("tells the same as a table", async () => {
    await open();
    await userEvent.click(screen.getByRole("button", { name: "As a table" }));
    const stages = screen.getByRole("table", { name: "Stages" });
    const rows = within(stages).getAllByRole("row");
    expect(rows).toHaveLength(6);
    expect(rows[2]?.textContent).toContain("without its gate: the cup was needed");
    expect(rows[3]?.textContent).toContain("stepped back: rot came back");
    expect(rows[4]?.textContent).toContain("now");
    expect(within(screen.getByRole("table", { name: "longest root, mm" })).getAllByRole("row")).toHaveLength(2);
    expect(screen.getByRole("table", { name: "Nobody looked" }).textContent).toContain("26 days");
    expect(within(screen.getByRole("table", { name: "Pictures" })).getAllByRole("link")).toHaveLength(2);
    expect(within(screen.getByRole("table", { name: "Growths" })).getAllByRole("row")).toHaveLength(3);
    await userEvent.click(screen.getByRole("button", { name: "Hide the table" }));
    expect(screen.queryByRole("table")).toBeNull();
  });

  it("bastes ahead to the next gate, and names its day where it lies beyond the cloth", async () => {
    const soon = await open();
    expect([...soon.querySelectorAll("text")].map((t) => t.textContent)).toContain("normal pot?");
  });

  it("says from when, where the next gate lies beyond the cloth", async () => {
    const young = story({ seam: { ...seam, from: "2026-11-10", bands: [span("dish", "2026-11-10")], loose: [] } });
    if (young.recovery) young.recovery.expected = { from: "2027-02-01", to: "2027-05-01" } as never;
    const box = await open(young);
    const words = [...box.querySelectorAll("text")].map((t) => t.textContent);
    expect(words).toContain("normal pot? from 1 Feb");
  });
});

describe("the seam, small", () => {
  it("has a label, a band for each stage of the first track and a knot for each gate", () => {
    show(<SmallSeam seam={seam} today="2026-11-24" label="Seam of the vine" />);
    const svg = screen.getByRole("img", { name: "Seam of the vine" });
    expect(svg.querySelectorAll("rect")).toHaveLength(5); // four, and one thin below
    expect(svg.querySelectorAll("circle")).toHaveLength(2);
    const [stitches, loose, ...more] = svg.querySelectorAll("path");
    expect(stitches?.getAttribute("d")?.split("M")).toHaveLength(1 + Number(stitches?.getAttribute("data-stitches")));
    expect(loose?.getAttribute("d")).toContain("q5"); // the loose thread
    expect(more).toHaveLength(0);
  });

  it("colours what was fallen back into, and what is mended, each by itself", () => {
    const of = (more: object) => bandColour({ ...(span("cup", "2026-01-01") as Schemas["Span"]), ...more }, 0);
    expect(of({ back: true })).toBe("var(--red-cloth)");
    expect(of({ stage: "mended" })).toBe("var(--kelp-cloth)");
    expect(of({})).toBe("var(--slate-cloth)");
  });
});
