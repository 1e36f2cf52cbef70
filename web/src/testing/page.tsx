import { MantineProvider } from "@mantine/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter, Outlet, Route, Routes } from "react-router";
import { afterEach, beforeEach, expect, vi } from "vitest";
import type { Knowledge, PlantFile } from "../api/client";
import { theme, variables } from "../theme";
import { forgetRecent } from "../views/recent";

/** What the pretended server was asked. */
export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

type Answer = (asked: Asked) => unknown;

/** Pretends to be the server: answers by method and path; an Error is a refusal. */
export function serve(answers: Record<string, Answer | unknown>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal("fetch", async (asking: Request | string) => {
    const request = asking instanceof Request ? asking : new Request(new URL(asking, window.location.origin));
    const url = new URL(request.url);
    const text = await request.text();
    const one: Asked = { method: request.method, path: url.pathname, body: parsed(text) };
    asked.push(one);
    const found = answers[`${one.method} ${one.path}`];
    if (found === undefined) return Response.json({ detail: "There is nothing at this address." }, { status: 404 });
    const value = typeof found === "function" ? (found as Answer)(one) : found;
    if (value instanceof Response) return value;
    if (value instanceof Refusal) return Response.json(value.problem, { status: value.problem.status });
    return Response.json(value);
  });
  return asked;
}

/** A body as JSON, or as the words it is. */
function parsed(text: string): unknown {
  try {
    return text ? JSON.parse(text) : undefined;
  } catch {
    return text;
  }
}

/** A refusal as the server would word it. */
export class Refusal {
  constructor(
    readonly problem: {
      type?: string;
      status: number;
      detail: string;
      errors?: { location: string; message: string; value?: unknown }[];
    },
  ) {}
}

/** Renders a view as it stands in the program: theme, queries, and a plant's file around it. */
export function show(view: ReactNode, context?: unknown, at = "/") {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <MantineProvider theme={theme} cssVariablesResolver={variables} env="test">
      <QueryClientProvider client={queries}>
        <MemoryRouter initialEntries={[at]}>
          <Routes>
            <Route element={<Outlet context={context} />}>
              <Route path="*" element={view} />
            </Route>
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>
    </MantineProvider>,
  );
}

/** The words on the page, without the style sheets that stand among them. */
export function pageText(): string {
  const page = document.body.cloneNode(true) as HTMLElement;
  for (const style of page.querySelectorAll("style")) style.remove();
  return page.textContent ?? "";
}

/** A device as the views expect one: storage, media queries and sizes. */
export function device() {
  // What the browser would complain of fails the test that caused it.
  let complaints: unknown[][] = [];
  beforeEach(() => {
    complaints = [];
    vi.spyOn(console, "error").mockImplementation((...said) => complaints.push(said));
    window.localStorage.clear();
    forgetRecent();
    vi.stubGlobal("matchMedia", (query: string) => ({
      matches: false,
      media: query,
      addEventListener: () => {},
      removeEventListener: () => {},
      addListener: () => {},
      removeListener: () => {},
    }));
    vi.stubGlobal(
      "ResizeObserver",
      class {
        observe() {}
        unobserve() {}
        disconnect() {}
      },
    );
    Object.defineProperty(document, "fonts", { configurable: true, value: new EventTarget() });
    Element.prototype.scrollIntoView = () => {};
  });
  afterEach(() => {
    cleanup(); // while the device is still there
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
    expect(complaints).toEqual([]);
  });
}

/** A few rows of the tables, enough for the views. */
export const knowledge = {
  version: "test",
  isolated: { "": true, weeks: true, months: false, years: false, unknown: true },
  glossary: [{ term: "crown", meaning: "The point from which the leaves grow." }],
  slowFeeds: [{ id: "compost", label: "compost", lastsDays: 90 }],
  complaints: [{ said: "Droopy", signs: ["leaf.drooping"] }],
  marks: [
    { id: "torn", label: "torn", how: "A clean tear" },
    { id: "spotted", label: "spotted", how: "Spots with an edge" },
  ],
  likelihoods: [
    { from: 0.5, word: "likely", folded: false },
    { from: 0.05, word: "less likely", folded: false },
    { from: 0, word: "hardly", folded: true },
  ],
  zones: [
    { id: "leaves", label: "Leaves", drawn: true },
    { id: "pot", label: "Pot", drawn: true },
    { id: "care", label: "Its care", drawn: false },
  ],
  signs: [
    sign("leaf.drooping", "leaves", "Leaves hang limp"),
    sign("leaf.tips-brown", "leaves", "Dry brown leaf tips"),
    sign("leaf.crisp", "leaves", "Leaves crackle"),
    sign("root.smell", "pot", "A sour smell", 2),
    sign("root.mushy", "pot", "Roots brown and soft", 3),
  ],
  causes: [
    cause("root-rot", "Root rot", 2),
    cause("drought", "Drought stress", 2),
    cause("old-leaf", "Ordinary ageing of a leaf", 365, true),
  ],
  moves: [{ id: "soak", label: "Soak", how: "Stand it in water", stress: 0, reversible: true }],
  habits: [],
  measures: [
    {
      id: "wilt",
      ask: "Wilted?",
      short: "new wilt",
      how: "",
      kind: "yes-no",
      most: 1,
      growing: false,
      alarm: true,
      unstaged: true,
      word: "limp",
      calm: "firm",
    },
    {
      id: "smell",
      ask: "Smells?",
      short: "smell",
      how: "",
      kind: "yes-no",
      most: 1,
      growing: false,
      alarm: true,
      unstaged: true,
      word: "",
      calm: "",
    },
    {
      id: "longest-root",
      ask: "Longest?",
      short: "longest root",
      how: "",
      kind: "mm",
      most: 1,
      growing: true,
      alarm: false,
    },
  ],
  inPassing: [{ id: "wilt", ask: "Wilted?", short: "new wilt", how: "", kind: "yes-no", word: "limp", calm: "firm" }],
  tracks: [
    {
      id: "t",
      name: "Track",
      stages: [
        { id: "a", name: "first" },
        { id: "b", name: "second" },
      ],
    },
  ],
  rootSorts: [
    { id: "live", label: "Live", how: "firm" },
    { id: "doubtful", label: "In doubt", how: "dry skin" },
    { id: "deadDry", label: "Dead and dry", how: "hollow" },
    { id: "mushy", label: "Mushy", how: "soft" },
  ],
  growths: [
    { id: "leaf", label: "leaf", many: "leaves", how: "Length of the blade", feeds: true },
    { id: "root", label: "root", many: "roots", how: "Length along it", feeds: true },
  ],
  growthStates: ["starting", "growing", "mature", "stalled", "lost"],
  sides: ["front", "left", "right", "back", "top", "base", "roots"],
  lights: [{ id: "sun", label: "daylight" }],
  rootManner: "Pinch, wet, wait.",
  severities: ["not known", "none", "mild", "moderate", "severe", "deadly"],
  wishes: [{ id: "refresh", label: "Fresh mix", how: "its old mix off" }],
  waterRules: { "top-dry": "when the top 5-7 cm are dry" },
  traits: {},
} as unknown as Knowledge;

function sign(id: string, zone: string, label: string, disturbance = 0) {
  return {
    id,
    zone,
    label,
    how: `How to see: ${label}`,
    minutes: 1,
    disturbance,
    background: 0.1,
    looks: "like this",
    drawing: "leaf spots/b",
    lookAlike: "leaf halo/b",
    expert: false,
    notThis: "not that",
    good: false,
  };
}

function cause(id: string, label: string, daysToAct: number, harmless = false) {
  return { id, label, kind: "roots", prior: 0.1, spreads: false, daysToAct, harmless, summary: `${label}.` };
}

/** What the server asks for of a plan that is followed: the steps whose day has come, that wait for nothing. */
const askedFor = ({ plan, ticks = {}, follow }: Partial<PlantFile>, today = "2026-11-24") =>
  (plan?.steps ?? [])
    .filter((s) => !ticks[s.id] && s.on <= today)
    .filter((s) => {
      const gate = s.gate ?? plan?.sittings?.find((x) => x.n === s.sitting)?.gate;
      return !gate || follow?.waiting[s.sitting ?? 0]?.open;
    })
    .map((s) => ({ kind: "step", step: s.id, from: s.on, until: s.on, what: s.title, why: "", minutes: 1, weight: 4 }));

/** A plant's file with nothing in it but what every plant has. */
export const plantFile = (more: Partial<PlantFile> = {}): PlantFile =>
  ({
    id: "plant-1",
    name: "Fern by the door",
    label: "T-1",
    habit: "fern",
    today: "2026-11-24",
    arrivedOn: "2026-10-01",
    mostToday: 5,
    ticks: {},
    said: [],
    cases: [],
    case: "00000000-0000-0000-0000-000000000000",
    alarms: [],
    warnings: [],
    routine: [],
    resting: false,
    isolation: "clean",
    standing: "well",
    tasks: [],
    prepared: [],
    treated: [],
    line: "",
    trials: [],
    trialDays: 28,
    children: [],
    pot: {},
    curves: {},
    answers: {},
    figure: { growths: 0, leaves: 0, seen: [], looked: [] },
    habitInfo: { id: "fern", label: "fern", figure: "frond", orchid: false },
    wants: {
      light: [3, 6, 11],
      temperature: [10, 21, 30],
      humidity: [50, 65],
      waterRule: "top-dry",
      source: "from memory",
    },
    beside: [],
    facts: [],
    card: {
      water: { text: "When the top quarter of the pot is dry: as long as it grows", from: "kind" },
      air: { text: "No cover; 65 % humidity and more as its kind likes", from: "kind" },
      light: { text: "What its kind likes best", from: "kind" },
      feed: { text: "As its kind likes", from: "kind" },
      done: [],
    },
    follow: {
      strands: [],
      sorts: ["leaf", "root"],
      growths: { made: 0, gone: 0, ratios: [] },
      pictures: [],
      scores: [],
      clocks: [],
      rates: [],
      due: {},
      changed: [],
      events: [],
      waiting: {},
    },
    seam: { from: "2026-10-01", bands: [], looks: 0, stitches: [], knots: [], beside: [], loose: [], bare: [] },
    ...more,
  }) as unknown as PlantFile;

/** A working, for numbers that open. */
export const working = { inputs: [{ name: "in", value: 1 }], formula: "1 + 1", source: "arithmetic", sure: "exact" };

/** A plant's file with a plan that is followed, and what the server asks for of it. */
export const followed = (more: Partial<PlantFile>) =>
  plantFile({ ...more, tasks: askedFor(more) as unknown as PlantFile["tasks"] });
