import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { ListedEntry, Plan, PlantFile } from "../../api/client";
import { type Asked, device, knowledge, pageText, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { DraftSteps } from "./DraftSteps";
import { type Kind, sayEntry } from "./entryWords";
import { KnownFacts } from "./KnownFacts";
import { PlanQuestions } from "./PlanQuestions";
import { PlanSteps } from "./PlanSteps";
import { WaitsFor } from "./WaitsFor";

device();

type Step = Plan["steps"][number];

const step = (id: string, more: Partial<Step> = {}): Step =>
  ({
    id,
    op: id,
    on: "2026-11-24",
    title: `Title of ${id}`,
    how: "Do it",
    minutes: 5,
    reasons: [],
    cautions: [],
    amounts: [],
    sitting: 1,
    ...more,
  }) as Step;

const sitting = { n: 1, kind: "ROOT-WASH", name: "Root work", on: "2026-11-24", slot: "morning", minutes: 40 };
const rooted = [
  step("unpot"),
  step("tally", { makes: { counts: true } }),
  step("pot-in", { makes: { stands: { seat: "pot", widthCm: 12, medium: "bark 3" } } }),
];

const file = (more: object) =>
  plantFile({
    plannedOn: "2026-11-20",
    case: "case-1",
    cases: [{ id: "case-1", open: true }],
    ...more,
  } as unknown as Partial<PlantFile>);

const plan = (steps: Step[], more: object = {}) =>
  ({
    names: ["Root rot"],
    causes: [],
    sittings: [{ ...sitting, ...more }],
    steps,
    rules: [],
    cautions: [],
  }) as unknown as Plan;

const served = {
  "GET /api/knowledge": knowledge,
  "GET /api/plants/plant-1/shopping": { needs: [], low: [] },
  "POST /api/plants/plant-1/sittings": { entries: [] },
  "POST /api/plants/plant-1/entries": { id: "e-1", kind: "did" },
};

const sent = (asked: Asked[], path: string) =>
  asked.filter((a) => a.path === path && a.method === "POST").map((a) => a.body as Record<string, unknown>);

describe("a sitting in one tap", () => {
  it("is recorded on a past day, a step left out, with what came out otherwise", async () => {
    const asked = serve(served);
    show(<PlanSteps decideAgain={vi.fn()} />, file({ plan: plan(rooted) }));
    await userEvent.click(screen.getByRole("button", { name: /All of it was done/ }));
    const on = screen.getByLabelText("Done on");
    fireEvent.change(on, { target: { value: "2026-11-21" } });
    await userEvent.click(screen.getByRole("checkbox", { name: "Title of unpot" }));
    await userEvent.type(screen.getByLabelText("Live roots"), "7");
    const width = screen.getByLabelText("Pot, width");
    expect((width as HTMLInputElement).value).toContain("12");
    await userEvent.clear(width);
    await userEvent.type(width, "11");
    await userEvent.click(screen.getByRole("button", { name: "Record the sitting" }));
    await waitFor(() => expect(sent(asked, "/api/plants/plant-1/sittings")).toHaveLength(1));
    const body = sent(asked, "/api/plants/plant-1/sittings")[0];
    expect(body).toMatchObject({ n: 1, on: "2026-11-21", case: "case-1" });
    const steps = body?.steps as Record<string, unknown>[];
    expect(steps.map((s) => s.step)).toEqual(["tally", "pot-in"]);
    expect(steps[0]?.made).toEqual({ live: 7 });
    expect(steps[1]?.made).toEqual({ widthCm: 11 });
  });

  it("keeps what was typed when it is refused, and says why", async () => {
    serve({
      ...served,
      "POST /api/plants/plant-1/sittings": new Refusal({ status: 422, detail: "say why it is done early." }),
    });
    show(<PlanSteps decideAgain={vi.fn()} />, file({ plan: plan(rooted) }));
    await userEvent.click(screen.getByRole("button", { name: /All of it was done/ }));
    await userEvent.type(screen.getByLabelText("Live roots"), "7");
    await userEvent.click(screen.getByRole("button", { name: "Record the sitting" }));
    expect((await screen.findByTestId("refused")).textContent).toContain("say why it is done early");
    expect((screen.getByLabelText("Live roots") as HTMLInputElement).value).toBe("7");
    await userEvent.click(screen.getByRole("button", { name: "Not now" }));
    expect(screen.queryByLabelText("Done on")).toBeNull();
  });
});

describe("a gated sitting", () => {
  const waits = {
    open: false,
    conditions: [
      { wanted: "new roots of 1 to 3 cm", status: "unknown", found: "not looked", measures: ["root-on-new"] },
      { wanted: "it is firm", status: "met", found: "for 3 days", measures: ["wilt"] },
    ],
  };

  it("stands as what it waits for, and is not due", () => {
    serve(served);
    const gated = plan([step("pot-in", { gate: "new roots of 1 to 3 cm" })], { gate: "new roots of 1 to 3 cm" });
    show(
      <PlanSteps decideAgain={vi.fn()} />,
      file({ plan: gated, follow: { ...plantFile().follow, waiting: { 1: waits } } }),
    );
    expect(screen.getByRole("region", { name: "When it is seen, not by the day" })).toBeTruthy();
    expect(screen.queryByRole("region", { name: "Today" })).toBeNull();
    expect(pageText()).toContain("new roots of 1 to 3 cm: not looked");
    expect(pageText()).toContain("it is firm: so, for 3 days");
  });

  it("is due when its gate is met", () => {
    serve(served);
    const gated = plan([step("pot-in", { gate: "new roots" })], { gate: "new roots" });
    const open = { open: true, on: "2026-11-23", conditions: [{ wanted: "new roots", status: "met", found: "seen" }] };
    show(
      <PlanSteps decideAgain={vi.fn()} />,
      file({
        plan: gated,
        follow: { ...plantFile().follow, waiting: { 1: open }, due: { "pot-in": "2026-11-23" } },
      }),
    );
    expect(screen.getByRole("region", { name: "Today" }).textContent).toContain("What it waited for is so");
    expect(screen.getByRole("button", { name: "Done: Title of pot-in" })).toBeTruthy();
  });

  it("says each condition", () => {
    show(<WaitsFor opening={waits as never} today="2026-11-24" />);
    expect(screen.getAllByRole("listitem")).toHaveLength(2);
  });

  it.each([
    ["2026-11-25", "Not so by 25 November (new roots): feel its foot."],
    ["2026-11-24", "Was to be so by 24 November (new roots): feel its foot."],
  ])("says what is done where it is not seen by %s", (by, says) => {
    const late = { awaited: "new roots", by, act: "feel its foot." };
    show(<WaitsFor opening={{ ...waits, late } as never} today="2026-11-24" />);
    expect(pageText()).toContain(says);
  });
});

describe("what is known", () => {
  it("stands with its day and its source, sizes in the person's units", () => {
    const facts = [
      { id: "seat", name: "stands in", value: "a pot", on: "2026-11-20", from: "done" },
      { id: "pot-width", name: "pot, inner width", value: "12 cm", unit: "cm", size: 12, from: "typed" },
    ];
    show(<KnownFacts facts={facts as never} today="2026-11-24" />);
    expect(pageText()).toContain("a pot by a step done, 4 days ago");
    expect(pageText()).toContain("12 cm said");
  });

  it("shows nothing where nothing is known", () => {
    show(<KnownFacts facts={[]} today="2026-11-24" />);
    expect(pageText()).toBe("");
  });
});

describe("questions before the steps", () => {
  const questions = [
    {
      id: "seat",
      ask: "What does it stand in?",
      how: "Look below the leaves",
      taken: "a pot",
      answers: [
        { id: "pot", label: "pot", says: { seat: "pot" } },
        { id: "mount", label: "slab", says: { seat: "mount" } },
      ],
    },
  ];

  it("are answered in one tap, or taken with care where nobody knows", async () => {
    const set = vi.fn();
    show(<PlanQuestions questions={questions as never} answers={{ unknown: ["moist"] }} set={set} />);
    expect(pageText()).toContain("Taken meanwhile: a pot.");
    await userEvent.click(screen.getByRole("button", { name: "slab" }));
    expect(set).toHaveBeenCalledWith({ seat: "mount" });
    await userEvent.click(screen.getByRole("button", { name: "What does it stand in? Don’t know" }));
    expect(set).toHaveBeenLastCalledWith({ unknown: ["moist", "seat"] });
  });
});

describe("what holds a sitting back", () => {
  const held = plan([step("unpot", { gate: "new growth" })], { gate: "new growth", held: "it rests" });
  const preview = { plan: held, odds: { value: 0.7, working }, breaches: [], kept: [], edited: [], gone: [] } as never;
  const rest = { preview, edits: [], edit: vi.fn(), today: "2026-11-24" };

  it("is set aside with a reason, and can be let back", async () => {
    const change = vi.fn();
    show(<DraftSteps {...rest} setAside={undefined} changeSetAside={change} />);
    await userEvent.click(screen.getByRole("button", { name: "Do it all the same: Root work" }));
    await userEvent.type(screen.getByLabelText("Why nothing should hold it back"), "it stinks{Enter}");
    expect(change).toHaveBeenCalledWith("it stinks");
    cleanup();
    show(<DraftSteps {...rest} setAside="it stinks" changeSetAside={change} />);
    expect(pageText()).toContain("Nothing holds its root work back, because: it stinks.");
    await userEvent.click(screen.getByRole("button", { name: "let it be held again" }));
    expect(change).toHaveBeenLastCalledWith(undefined);
  });
});

describe("an entry in words", () => {
  const say = (kind: Kind, content: object) =>
    sayEntry({ kind, [kind]: content } as unknown as ListedEntry, {} as never, plantFile(), [], "metric");

  it("tells what a step made so", () => {
    expect(say("stated", { seat: "hand", standing: false }).text).toBe("out of its pot, no water stands");
    expect(say("cut", { organ: "leaf", n: 3 }).text).toBe("3 leaf");
    expect(say("potted", { seat: "reservoir", widthCm: 12, levelCm: 2 }).text).toContain("water space");
    expect(say("watered", { how: "roots", millilitres: 50 }).text).toBe("the roots, 50 ml");
    expect(say("sat", { sitting: 1, name: "Root work" })).toEqual({ title: "A sitting", text: "Root work" });
    expect(say("did", { step: "x", unmet: ["a new leaf"], reason: "away" }).text).toContain("a new leaf was wanting");
  });
});
