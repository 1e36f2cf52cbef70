import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Plan, PlantFile } from "../../api/client";
import { type Asked, device, knowledge, pageText, plantFile, Refusal, serve, show } from "../../testing/page";
import { Alarms } from "./Alarms";
import { CareNow } from "./CareNow";
import { CheckIn } from "./CheckIn";
import { KeptApart } from "./KeptApart";
import { Work } from "./Work";

device();

const at = "POST /api/plants/plant-1/entries";
const kept = {
  [at]: (a: Asked) => ({ ...(a.body as object), kind: "noted" }),
  "GET /api/knowledge": knowledge,
  "GET /api/supplies": { supplies: [] },
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
};
const file = (more: object) => plantFile(more as unknown as Partial<PlantFile>);
const entries = (asked: Asked[]) =>
  asked.filter((a) => a.method === "POST").map((a) => a.body as Record<string, Record<string, unknown>>);

describe("what a plan warns of", () => {
  const warned = { id: "base-soft", words: "The base goes soft within 7 days", giveUp: false };

  it("is asked at the check-in, and what was seen is sent", async () => {
    const asked = serve(kept);
    show(<CheckIn file={file({ warnings: [warned] })} opened close={() => {}} />);
    await userEvent.click(await screen.findByRole("checkbox", { name: warned.words }));
    await userEvent.click(screen.getByTestId("save-check"));
    await waitFor(() => expect(entries(asked)[0]?.checked?.seen).toEqual(["base-soft"]));
  });

  it("leads to a look and to another plan, and goes when one says what one found", async () => {
    const asked = serve(kept);
    const alarm = {
      id: "plan:base-soft",
      title: "Its plan goes wrong",
      on: "2026-11-24",
      said: "The base goes soft.",
      first: ["Cut back to firm tissue."],
      family: "rot",
      isolate: false,
      lasts: true,
      plan: true,
      case: "case-1",
    };
    show(<Alarms file={file({ alarms: [alarm] })} />);
    expect(screen.getByRole("link", { name: "Look it over again" }).getAttribute("href")).toContain("case=case-1");
    expect(screen.getByRole("link", { name: "Make the plan again" }).getAttribute("href")).toContain("/do?case=case-1");
    expect(screen.queryByRole("button", { name: "Open a case and look it over" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "I looked: …" }));
    await userEvent.type(screen.getByRole("textbox", { name: "What I found" }), "firm all round");
    await userEvent.click(screen.getByRole("button", { name: "Say so" }));
    await waitFor(() =>
      expect(entries(asked)[0]?.dismissed).toEqual({ signal: "plan:base-soft", reason: "firm all round" }),
    );
  });
});

describe("what came with a suspect", () => {
  it("is asked to be kept apart, and is in one tap", async () => {
    const asked = serve(kept);
    const apart = {
      wanted: true,
      reasons: [{ what: "It came with one that has mealybugs.", since: "2026-11-20" }],
      means: [],
      release: { open: false, conditions: [] },
    };
    show(<KeptApart file={file({ apart })} />);
    const patch = screen.getByRole("region", { name: "Kept apart" });
    expect(patch.textContent).toContain("Keep it apart it stands among the others");
    await userEvent.click(within(patch).getByRole("button", { name: "It is kept apart now" }));
    await waitFor(() =>
      expect(entries(asked)[0]?.moved).toEqual({
        isolation: "isolated",
        reason: "It came with one that has mealybugs.",
      }),
    );
  });
});

describe("when it wants water", () => {
  const rests = {
    id: "at-rest",
    ask: "Has it gone to rest?",
    short: "at rest",
    how: "Its leaves gone or going",
    kind: "yes-no",
    most: 1,
  };
  const water = { words: "none", why: "it rests dry", days: false, lookDays: 28, seasonAsks: [rests] };

  it("says the rule and why, looks instead where it gets none, and asks what the season cannot tell", async () => {
    const asked = serve(kept);
    const card = { ...plantFile().card, water: { text: "None now: it rests dry", from: "kind" } };
    show(<CareNow file={file({ water, card })} />);
    expect(pageText()).toContain("it rests dry");
    expect(pageText()).toContain("A look every 28 days instead.");
    await userEvent.click(screen.getByRole("button", { name: "Has it gone to rest? No" }));
    await waitFor(() => expect(entries(asked)[0]?.checked).toEqual({ readings: [{ measure: "at-rest", value: 0 }] }));
  });
});

describe("a sitting", () => {
  const step = (id: string, on: string, more: object = {}) => ({
    id,
    op: "wash",
    on,
    title: `Title of ${id}`,
    how: "Rinse it",
    minutes: 5,
    reasons: [],
    cautions: [],
    amounts: [],
    sitting: 1,
    ...more,
  });
  const steps = [
    step("one", "2026-11-24"),
    step("two", "2026-12-01"),
    step("three", "2026-12-20", { gate: "two tips" }),
  ];
  const plan = { steps, sittings: [], cautions: [], causes: [], names: [] } as unknown as Plan;

  it("ends with the day, and goes on early only with a reason", async () => {
    const asked = serve({
      ...kept,
      [at]: (a: Asked) =>
        (a.body as { did: { reason?: string } }).did.reason
          ? { ...(a.body as object), kind: "did" }
          : new Refusal({ status: 422, detail: "This is a step of 1 December: say why it was done early." }),
    });
    show(<Work />, file({ plan, ticks: { one: { on: "2026-11-24", entry: "e", skipped: false } } }));
    const end = await screen.findByRole("region", { name: "That is all for today" });
    expect(end.textContent).toContain("title of two");
    expect(end.textContent).toContain("Title of three waits for this to be seen: two tips");
    expect(screen.queryByRole("button", { name: "Done" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: /I did something early/ }));
    const button = () => screen.getByRole("button", { name: /^Done early/ }) as HTMLButtonElement;
    if (!button().disabled) {
      await userEvent.click(button());
      await screen.findByText(/say why it was done early/);
    }
    await userEvent.type(screen.getByRole("textbox", { name: "I did it early, because" }), "I am away then");
    await userEvent.click(button());
    await waitFor(() => expect(entries(asked).at(-1)?.did?.reason).toBe("I am away then"));
  });
});
