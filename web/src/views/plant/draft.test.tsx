import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Plan, Schemas } from "../../api/client";
import { device, knowledge, pageText, plantFile, serve, show, working } from "../../testing/page";
import { PlanDraft } from "./PlanDraft";
import { WhatToDo } from "./WhatToDo";

device();

type Step = Plan["steps"][number];

const step = (id: string, title: string): Step => ({
  id,
  op: id.split("@")[0],
  sitting: 1,
  on: "2026-11-24",
  title,
  how: `${title}, as it says.`,
  minutes: 5,
  reasons: ["Root rot"],
  cautions: [],
  amounts: [],
});

const plan = (steps: Step[]): Plan => ({
  edition: 2,
  causes: ["root-rot"],
  protocols: [],
  names: ["Root rot"],
  track: "foliage-rerooting",
  sittings: [{ n: 1, kind: "ROOT-WASH", name: "Root work", on: "2026-11-24", slot: "morning", minutes: 60 }],
  steps,
  rules: [],
  cautions: [],
  expect: [],
  ends: [],
  wrong: [],
  asks: [],
});

const steps = [step("ready-pot@d0", "What it goes into"), step("clean-blade@d0", "Clean blade and hands")];
const breach = {
  rule: "N01",
  step: "Trim what is dead",
  never: "cut with a blade that was not cleaned",
  why: "it carries rot",
  here: "the blade was not cleaned",
  reason: "",
};

type Asked = { body: unknown };
type Body = { answers: { edits?: { step: string; leaveOut?: boolean; reason?: string }[] }; keeps: boolean };

/** Answers a preview as the server would: a blade left out breaks a rule, with the reason that was given. */
const preview = (a: Asked) => {
  const edits = (a.body as Body).answers.edits ?? [];
  const out = edits.filter((e) => e.leaveOut).map((e) => e.step);
  const reason = edits.find((e) => e.reason)?.reason ?? "";
  return {
    plan: plan(steps.filter((s) => !out.includes(s.id))),
    schools: [],
    answers: {},
    odds: { what: "share that lives", value: 0.7, unit: "", working },
    needs: [],
    breaches: out.includes("clean-blade@d0") ? [{ ...breach, reason }] : [],
    kept: [],
    gone: [] as Schemas["Gone"][],
    edited: steps.filter((s) => out.includes(s.id)).map((s) => ({ step: s.id, title: s.title, sitting: 1 })),
  };
};

const choices = [
  {
    id: "rootWash",
    ask: "Root rinse",
    sides: [
      { id: "water", label: "water", for: "nothing amiss", but: "does nothing" },
      { id: "soap", label: "soap", for: "wets", but: "rinse it off" },
    ],
  },
];

const answers = {
  "GET /api/settings": { asked: true, household: {}, choices: {} },
  "GET /api/knowledge": knowledge,
  "GET /api/supplies": { supplies: [] },
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "PUT /api/settings/choices": { asked: true, household: {}, choices: {} },
  "POST /api/plants/plant-1/plan": preview,
  "POST /api/plants/plant-1/plan/choices": { choices },
  "POST /api/plants/plant-1/entries": (a: Asked) => ({ ...(a.body as object), kind: "planned", live: true }),
};

const changed = async () => userEvent.click(await screen.findByRole("button", { name: /^Change its steps/ }));

const taken = () => screen.getByRole("button", { name: "Take up this plan" }) as HTMLButtonElement;

describe("a plan before it is taken up", () => {
  it("shows its sittings, its odds and what must be decided", async () => {
    serve(answers);
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    const told = await screen.findByRole("region", { name: "Sitting 1" });
    expect(told.textContent).toContain("What it goes into, as it says. Clean blade and hands, as it says.");
    expect(pageText()).toContain("Of ten such plants about 7 live");
    expect(pageText()).toContain("24 Nov (today)");
    expect(await screen.findByRole("region", { name: "Root rinse" })).toBeTruthy();
    expect(taken().disabled).toBe(false);
  });

  it("goes against a rule only with a reason, and sends it", async () => {
    const asked = serve(answers);
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await changed();
    await userEvent.click(screen.getByRole("button", { name: "Leave this out: Clean blade and hands" }));
    const broken = await screen.findByRole("region", { name: /^Against the rules/ });
    expect(broken.textContent).toContain("Never cut with a blade that was not cleaned: it carries rot.");
    expect(broken.textContent).toContain("(N01)");
    expect(within(screen.getByRole("region", { name: "Sitting 1" })).getByRole("region")).toBe(broken);
    expect(taken().disabled).toBe(true);
    expect(pageText()).toContain("It waits for your reason where the plan goes against a rule.");
    await userEvent.type(within(broken).getByRole("textbox"), "it is new");
    await waitFor(() => expect(taken().disabled).toBe(false));
    await userEvent.click(taken());
    await waitFor(() => expect(asked.some((a) => a.path.endsWith("/entries"))).toBe(true));
    const sent = asked.find((a) => a.path.endsWith("/entries"))?.body as { planned: Body };
    expect(sent.planned.answers.edits).toEqual([
      { step: "clean-blade@d0", leaveOut: true, reason: "it is new", against: ["N01"] },
    ]);
  });

  it("puts back what was left out", async () => {
    serve(answers);
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await changed();
    await userEvent.click(screen.getByRole("button", { name: "Leave this out: Clean blade and hands" }));
    await screen.findByRole("region", { name: /^Against the rules/ });
    await userEvent.click(screen.getByRole("button", { name: "Put back: Clean blade and hands" }));
    await waitFor(() => expect(screen.queryByRole("region", { name: /^Against the rules/ })).toBeNull());
    expect(screen.getByText("Clean blade and hands")).toBeTruthy();
  });

  it("is not taken up with a change of a step that it no longer has, until that is taken back", async () => {
    serve({
      ...answers,
      "POST /api/plants/plant-1/plan": (a: Asked) => {
        const seen = preview(a);
        const gone = (a.body as Body).answers.edits?.length
          ? [{ edit: 0, step: "clean-blade@d0", title: "Blade" }]
          : [];
        return { ...seen, gone, edited: [], breaches: [], kept: [] };
      },
    });
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await changed();
    await userEvent.click(screen.getByRole("button", { name: "Leave this out: Clean blade and hands" }));
    await screen.findByText(/You changed “Blade”, and this plan has no such step any more/);
    expect(taken().disabled).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "Take the change back: Blade" }));
    await waitFor(() => expect(taken().disabled).toBe(false));
    expect(pageText()).not.toContain("You changed");
  });

  it("names what was left out when it is opened again", async () => {
    serve(answers);
    const first = show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await changed();
    await userEvent.click(screen.getByRole("button", { name: "Leave this out: Clean blade and hands" }));
    await screen.findByText(/^Left out by you: Clean blade and hands/);
    first.unmount();
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    expect(await screen.findByText(/^Left out by you: Clean blade and hands/)).toBeTruthy();
  });

  it("moves a whole sitting and takes another pot", async () => {
    const asked = serve(answers);
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await userEvent.click(await screen.findByRole("button", { name: "On another day: Root work, 24 Nov" }));
    const days = screen.getByRole("textbox", { name: "Days from today" });
    await userEvent.clear(days);
    await userEvent.type(days, "3");
    await changed();
    await userEvent.type(screen.getByRole("textbox", { name: "Another pot, width" }), "12");
    await waitFor(() => {
      const last = asked.filter((a) => a.path.endsWith("/plan")).at(-1)?.body as Body;
      expect(last.answers.edits).toEqual([{ step: "ready-pot@d0", day: 3, potWidthCm: 12 }]);
    });
  });

  it("keeps the side that was chosen as what is usually taken", async () => {
    const asked = serve(answers);
    show(<PlanDraft decideAgain={vi.fn()} />, plantFile());
    await userEvent.click(await screen.findByRole("radio", { name: /^soap/ }));
    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    expect(asked.find((a) => a.method === "PUT")?.body).toEqual({ rootWash: "soap" });
  });

  it("is made for a wish without any illness", async () => {
    const asked = serve(answers);
    show(<WhatToDo />, plantFile());
    expect(pageText()).toContain("Look before you act");
    await userEvent.click(await screen.findByRole("button", { name: "Fresh mix" }));
    await screen.findByText(/What it goes into, as it says/);
    const sent = asked.find((a) => a.path.endsWith("/plan"))?.body as { answers: { wish: string } };
    expect(sent.answers.wish).toBe("refresh");
    await userEvent.click(screen.getByRole("button", { name: "Leave it" }));
    expect(pageText()).toContain("Look before you act");
  });
});
