import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Plan } from "../../api/client";
import { device, followed, pageText, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { Against, Changed, Needs, PlanHead, Rules, SittingHead, StepText, saidOnce, sittingsOf } from "./PlanParts";
import { PlanSteps } from "./PlanSteps";
import { Work } from "./Work";

device();

type Sitting = NonNullable<Plan["sittings"]>[number];

const step = (id: string, more: Partial<Plan["steps"][number]> = {}): Plan["steps"][number] => ({
  id,
  phase: "unpot",
  on: "2026-11-24",
  title: `Title of ${id}`,
  how: "Soak it 5 cm deep",
  minutes: 5,
  reasons: ["Root rot"],
  cautions: [],
  amounts: [],
  ...more,
});

const sat = (n: number, more: Partial<Sitting> = {}): Sitting => ({
  n,
  kind: "ROOT-WASH",
  name: `Sitting ${n}`,
  on: "2026-11-24",
  slot: "morning",
  minutes: 40,
  ...more,
});

const plan = (steps: Plan["steps"]): Plan => ({
  causes: ["root-rot"],
  protocols: ["P1"],
  names: ["Root rot of a foliage plant"],
  track: "foliage-rerooting",
  steps,
  rules: [],
  cautions: [{ id: "blade", text: "Cut away from the hand." }],
  expect: ["It droops at first."],
  ends: ["Two new leaves."],
  wrong: ["A pot too large."],
  entry: ["Live roots are left."],
  stops: ["The stem is soft."],
  asks: [],
});

describe("a plan", () => {
  it("says what to expect, when it ends, and when to stop", () => {
    show(<PlanHead plan={plan([])} />);
    const text = pageText();
    for (const words of [
      "Root rot of a foliage plant",
      "It droops at first.",
      "It ends with: Two new leaves.",
      "Look again when: A pot too large.",
      "Begin only if: Live roots are left.",
      "Give it up when: The stem is soft.",
    ])
      expect(text).toContain(words);
  });

  it("shows what was left out and why, a few at first", async () => {
    const rules = Array.from({ length: 8 }, (_, i) => ({ id: `r${i}`, what: `No feed ${i}`, why: "Few roots burn." }));
    show(<Rules rules={rules} />);
    expect(pageText()).toContain("No feed 5. Few roots burn.");
    expect(pageText()).not.toContain("No feed 6");
    await userEvent.click(screen.getByRole("button", { name: "2 more" }));
    expect(pageText()).toContain("No feed 7");
    cleanup();
    show(<Rules rules={[{ id: "R4", what: "No feed for now", why: "Few roots burn.", overruled: true }]} />);
    expect(pageText()).toContain("Set aside.");
    cleanup();
    show(<Rules rules={[]} />);
    expect(pageText()).toBe("");
  });

  it("keeps the rules that the carer goes against in sight, with the reason", () => {
    show(
      <Against
        breaches={[
          {
            rule: "N29",
            why: "The pot is too large.",
            reason: "it is all I have",
            step: "ready-pot",
            sitting: 1,
            index: 0,
          },
        ]}
      />,
    );
    expect(pageText()).toContain("The pot is too large. (N29) Your reason: it is all I have");
    cleanup();
    show(<Against breaches={[]} />);
    expect(pageText()).toBe("");
  });

  it("says of a sitting when it is, what is laid out, and why it is held", () => {
    show(<SittingHead sitting={sat(1, { layOut: ["clean blade", "towel"], slot: "evening" })} today="2026-11-24" />);
    expect(pageText()).toContain("24 Nov (today), evening");
    expect(pageText()).toContain("Lay out first: clean blade, towel.");
    cleanup();
    show(
      <SittingHead sitting={sat(2, { gate: "a root tip of 1 cm", held: "sound medium at rest" })} today="2026-11-24" />,
    );
    expect(pageText()).toContain("Waits for: a root tip of 1 cm");
    expect(pageText()).toContain("Held back: sound medium at rest.");
  });

  it("shows a step with amounts, materials, its gate and its cautions", async () => {
    const s = step("cut", {
      cautions: ["blade"],
      materials: ["gloves", "paper"],
      gate: "It no longer rocks.",
      if: "Only if a second look still says root rot.",
      amounts: [{ what: "water", value: 250, unit: "ml", working }],
    });
    show(<StepText step={s} plan={plan([s])} today="2026-11-24" />);
    const text = pageText();
    expect(text).toContain("Cut away from the hand.");
    expect(text).toContain("At hand: gloves, paper.");
    expect(text).toContain("first: It no longer rocks.");
    expect(text).toContain("Only if a second look");
    expect(text).toContain("250 ml");
    await userEvent.click(screen.getByRole("button", { name: "How water came about" }));
    expect(await screen.findByText("1 + 1")).toBeTruthy();
  });

  it("says a caution once in a sitting, where it first applies", () => {
    const first = step("cut", { cautions: ["blade"] });
    const again = step("trim", { cautions: ["blade", "bag"] });
    const say = saidOnce([first, again]);
    expect([...say.values()]).toEqual([["blade"], ["bag"]]);
    show(<StepText step={again} plan={plan([first, again])} today="2026-11-24" say={say.get("trim")} />);
    expect(pageText()).not.toContain("Cut away from the hand.");
  });

  it("says units as the person reads them", () => {
    window.localStorage.setItem("units", '"us"');
    const s = step("soak", { amounts: [{ what: "water", value: 250, unit: "ml", working }] });
    show(<StepText step={s} plan={plan([s])} today="2026-11-24" />);
    expect(pageText()).toContain("8.5 fl oz");
    expect(pageText()).toContain("2 in deep");
  });

  it("holds what it takes against the cupboard", () => {
    show(
      <Needs
        needs={[
          { what: "perlite", need: 0.5, unit: "l", stock: 0.2, buy: 0.3, cost: 0.3 },
          { what: "gloves", need: 0, unit: "pieces", stock: 4, buy: 0 },
          { what: "moss", need: 20, unit: "g", buy: 20 },
          { what: "stakes", need: 0, unit: "pieces", stock: 0, buy: 0 },
        ]}
        low={[{ id: "1", name: "soap", unit: "ml", low: 100, stock: 20, version: 1 }]}
      />,
    );
    const text = pageText();
    expect(text).toContain("buy 0.3 l");
    expect(text).toContain("There: gloves.");
    expect(text).toContain("To have at hand: moss 20 g. None of it is counted in the cupboard.");
    expect(text).toContain("none left");
    expect(text).toContain("costs about 0.30");
    expect(text).toContain("Running low: soap (20 ml)");
  });
});

describe("a plan in sittings", () => {
  const sittings = [
    sat(1, { layOut: ["gloves", "towel"], stop: "Roots stay damp under the towel." }),
    sat(2, { on: "2026-11-30" }),
    sat(3, { on: "2026-12-20", gate: "roots white through the wall" }),
    ...[4, 5, 6, 7, 8].map((n) => sat(n)),
  ];
  const steps = [
    step("unpot@d0", { phase: undefined, op: "unpot", sitting: 1 }),
    step("tally@d0", { phase: undefined, op: "tally", sitting: 1 }),
    step("look@d6", { phase: undefined, op: "look", sitting: 2, on: "2026-11-30" }),
    step("feed@gate", { phase: undefined, op: "feed", sitting: 3, on: "2026-12-20" }),
    ...[4, 5, 6, 7, 8].map((n) => step(`look@d0.${n}`, { phase: undefined, op: "look", sitting: n })),
  ];
  const file = (ticks = {}) => followed({ plan: { ...plan(steps), sittings }, ticks });
  const answers = {
    "GET /api/supplies": { supplies: [] },
    "GET /api/session": { signedIn: true, today: "2026-11-24" },
    "GET /api/plants/plant-1/shopping": { needs: [], low: [] },
    "GET /api/knowledge": { causes: [], signs: [], moves: [], waterRules: {} },
  };

  it("keeps every step in its sitting", () => {
    const seated = sittingsOf(file().plan as Plan);
    expect(seated.flatMap((s) => s.steps.map((x) => x.id)).toSorted()).toEqual(steps.map((s) => s.id).toSorted());
  });

  it("gives at most five things for today; the rest is dated or waits to be seen", () => {
    serve(answers);
    show(<PlanSteps decideAgain={vi.fn()} />, file());
    const seats = (name: string) => within(screen.getByRole("region", { name })).getAllByRole("region");
    expect(seats("Today")).toHaveLength(5);
    expect(seats("Later, by the day")).toHaveLength(2);
    expect(seats("When it is seen, not by the day")).toHaveLength(1);
    expect(screen.queryByRole("region", { name: "Done" })).toBeNull();
  });

  it("lays everything out on a page of its own, then goes on without a gap", async () => {
    serve(answers);
    show(<Work />, file());
    expect(screen.getByRole("heading", { name: "Lay out first" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
    await userEvent.click(screen.getByRole("checkbox", { name: "towel" }));
    await userEvent.click(screen.getByRole("button", { name: "Begin; 1 of 2 not ticked" }));
    expect(pageText()).toContain("Sitting 1, step 1 of 2 in one sitting");
    expect(pageText()).not.toContain("If you must stop now");
    expect(screen.queryByRole("checkbox", { name: "towel" })).toBeNull();
    cleanup();
    show(<Work />, file({ "unpot@d0": { on: "2026-11-24", entry: "e", skipped: false } }));
    expect(pageText()).toContain("step 2 of 2 in one sitting");
    expect(screen.queryByRole("heading", { name: "Lay out first" })).toBeNull();
    expect(pageText()).toContain("If you must stop now: Roots stay damp under the towel.");
    expect(screen.getByRole("link", { name: "Count the roots" })).toBeTruthy();
  });

  it("asks for what is at hand again where the work goes on elsewhere", async () => {
    serve(answers);
    window.localStorage.clear();
    show(<Work />, file({ "unpot@d0": { on: "2026-11-24", entry: "e", skipped: false } }));
    expect(screen.getByRole("heading", { name: "Lay out first" })).toBeTruthy();
    await userEvent.click(screen.getByRole("checkbox", { name: "towel" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "gloves" }));
    await userEvent.click(screen.getByRole("button", { name: "All at hand: begin" }));
    expect(pageText()).toContain("step 2 of 2 in one sitting");
  });

  it("says of a step that is not for today what it waits for", async () => {
    serve(answers);
    window.localStorage.setItem(
      "work-plant-1",
      JSON.stringify({ at: "feed@gate", ticked: [], note: "", used: {}, id: "x" }),
    );
    show(<Work />, file());
    expect(pageText()).toContain("This waits to be seen: roots white through the wall");
  });
});

describe("what is not as it was promised", () => {
  const one = { steps: ["a"], titles: ["First water"], from: "2026-11-27", because: "Its pot came late." };
  it.each([
    [{ ...one, how: "moved", to: "2026-11-30" }, "First water 30 November instead of 27 November. Its pot came late."],
    [{ ...one, how: "held" }, "First water held back. Its pot came late."],
    [{ ...one, how: "dropped" }, "First water no longer asked for. Its pot came late."],
  ])("is told with its reason", (changed, says) => {
    show(<Changed changed={[changed] as never} today="2026-11-24" />);
    expect(screen.getByRole("listitem").textContent).toBe(says);
  });

  it("is told of nothing where all is as it was", () => {
    show(<Changed changed={[]} today="2026-11-24" />);
    expect(pageText()).toBe("");
  });
});

describe("working through a plan", () => {
  const steps = [step("one", { materials: ["paper"] }), step("two", { waitMinutes: 30 }), step("three")];
  const file = (ticks = {}) => followed({ plan: plan(steps), ticks });
  const answers = {
    "GET /api/supplies": { supplies: [] },
    "GET /api/session": { signedIn: true, today: "2026-11-24" },
  };
  const recording = {
    ...answers,
    "POST /api/plants/plant-1/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "did", live: true }),
  };

  it("has a step that is done again and again to do whenever it is due", () => {
    serve(answers);
    const done = { on: "2026-11-20", entry: "e", skipped: false };
    const all = Object.fromEntries(steps.map((s) => [s.id, done]));
    const again = { kind: "step", step: "two", from: "2026-11-22", until: "2026-11-24", what: "Again", why: "" };
    show(<Work />, { ...file(all), tasks: [again] as never });
    expect(screen.getByRole("heading", { name: "Again" })).toBeTruthy();
    expect(screen.getByRole("button", { name: "Done" })).toBeTruthy();
  });

  it("goes from step to step by button and key, and comes back to where it was", async () => {
    serve(answers);
    const { unmount } = show(<Work />, file());
    expect(screen.getByRole("heading", { name: "Title of one" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Next" }));
    expect(screen.getByRole("heading", { name: "Title of two" })).toBeTruthy();
    await userEvent.keyboard("{ArrowRight}");
    expect(screen.getByRole("heading", { name: "Title of three" })).toBeTruthy();
    await userEvent.keyboard("{ArrowLeft}");
    unmount();
    show(<Work />, file());
    expect(screen.getByRole("heading", { name: "Title of two" })).toBeTruthy();
  });

  it("records what was really done, with its note, once", async () => {
    const asked = serve(recording);
    show(<Work />, file());
    await userEvent.click(screen.getByRole("checkbox", { name: "paper" }));
    await userEvent.click(screen.getByRole("button", { name: "Add a note" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "roots like glass");
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    const sent = asked.find((a) => a.method === "POST")?.body as { did: { step: string; note: string }; id: string };
    expect(sent.did).toEqual({ step: "one", skipped: false, note: "roots like glass", used: [] });
    expect(sent.id).toMatch(/^[0-9a-f-]{36}$/);
  });

  it("keeps what was typed when it is refused", async () => {
    serve({
      ...answers,
      "POST /api/plants/plant-1/entries": new Refusal({
        status: 422,
        detail: "Say in a few words why it is skipped.",
        errors: [{ location: "body.did.reason", message: "say in a few words why it is skipped" }],
      }),
    });
    show(<Work />, file());
    await userEvent.click(screen.getByRole("button", { name: "Add a note" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Note" }), "kept");
    await userEvent.click(screen.getByRole("button", { name: "Skip this step" }));
    await userEvent.click(screen.getByRole("button", { name: "Skip it" }));
    expect((await screen.findByTestId("refused")).textContent).toContain("why it is skipped");
    expect((screen.getByRole("textbox", { name: "Note" }) as HTMLTextAreaElement).value).toBe("kept");
  });

  it("records a step on the day on which it was done", async () => {
    const asked = serve(recording);
    show(<Work />, file());
    await userEvent.click(screen.getByRole("button", { name: "Done on another day" }));
    const day = screen.getByLabelText("It was done on");
    await userEvent.clear(day);
    await userEvent.type(day, "2026-11-21");
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    await waitFor(() => expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ on: "2026-11-21" }));
  });

  it("starts a clock where a step waits, and stops it", async () => {
    serve(answers);
    show(<Work />, file({ one: { on: "2026-11-24", entry: "e", skipped: false } }));
    await userEvent.click(screen.getByRole("button", { name: "Start the clock: 30 minutes" }));
    expect(screen.getByRole("timer").textContent).toMatch(/(30:00|29:5\d)/);
    await userEvent.click(screen.getByRole("button", { name: "stop the clock" }));
    expect(screen.queryByRole("timer")).toBeNull();
  });

  it("takes from the cupboard what is kept there", async () => {
    const asked = serve({
      ...recording,
      "GET /api/supplies": { supplies: [{ id: "s1", name: "Paper", unit: "pieces", low: 0, stock: 9, version: 1 }] },
    });
    show(<Work />, file());
    await userEvent.type(await screen.findByRole("textbox", { name: "Paper" }), "2");
    await userEvent.click(screen.getByRole("button", { name: "Done" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    const sent = asked.find((a) => a.method === "POST")?.body as { did: { used: unknown } };
    expect(sent.did.used).toEqual([{ supply: "s1", amount: 2 }]);
  });

  it("says at the end what was done and what was skipped", () => {
    serve(answers);
    const tick = (skipped: boolean) => ({
      on: "2026-11-24",
      entry: "e",
      skipped,
      reason: skipped ? "no time" : undefined,
    });
    show(<Work />, file({ one: tick(false), two: tick(true), three: tick(false) }));
    expect(pageText()).toContain("Every step is done or skipped");
    expect(pageText()).toContain("Title of two: skipped, no time");
  });

  it("says so where there is no plan", () => {
    serve(answers);
    show(<Work />, plantFile());
    expect(pageText()).toContain("There is no plan to work through");
  });
});
