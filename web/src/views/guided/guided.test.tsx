import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { type Asked, device, knowledge, pageText, Refusal, serve, show, working } from "../../testing/page";
import { ask, back, begin, put, read, sideOf, unanswered } from "./guided";
import { Trouble } from "./Trouble";

device();

describe("a guided look", () => {
  const seen = put(begin().answers, "leaf.crisp", "present");

  it("holds one answer to a sign, and takes it back whole", () => {
    expect(sideOf(seen, "leaf.crisp")).toBe("present");
    const changed = put(seen, "leaf.crisp", "absent");
    expect(changed.present).toEqual([]);
    expect(sideOf(changed, "leaf.crisp")).toBe("absent");
    expect(sideOf(put(changed, "leaf.crisp", "unknown"), "leaf.crisp")).toBe("unknown");
    expect(sideOf(unanswered(changed, "leaf.crisp"), "leaf.crisp")).toBeUndefined();
    expect(put(begin().answers, "leaf.crisp", "present", false).unsure).toEqual(["leaf.crisp"]);
    expect(put(begin().answers, "leaf.crisp", "unknown", false).unsure).toEqual([]);
  });

  it("goes back answer by answer, and then to which plant it is", () => {
    const two = ask(ask({ ...begin(), step: "ask" }, "leaf.crisp", "present"), "root.mushy", "absent");
    const one = back(two, false);
    expect(one.asked).toEqual(["leaf.crisp"]);
    expect(sideOf(one.answers, "root.mushy")).toBeUndefined();
    const none = back(one, false);
    expect(none.step).toBe("ask");
    expect(back(none, false).step).toBe("which");
    expect(back(none, true).step).toBe("say");
    expect(back({ ...none, step: "which" }, false).step).toBe("say");
  });

  it("takes over what was read to be confirmed, and keeps a kind that was picked", () => {
    const view = {
      kinds: [{ id: "epipremnum-aureum", habit: "aroid-vine", common: "pothos" }],
      present: [{ sign: "leaf.crisp", sure: false }],
      absent: ["root.mushy"],
    } as unknown as Schemas["ReadView"];
    const g = read(begin(), view);
    expect(g).toMatchObject({ step: "confirm", kind: "epipremnum-aureum", habit: "aroid-vine" });
    expect(g.candidates).toEqual(["leaf.crisp", "root.mushy"]);
    expect(g.answers.unsure).toEqual(["leaf.crisp"]);
    expect(read({ ...begin(), kind: "other" }, view).kind).toBe("other");
  });
});

const sign = knowledge.signs[0] as Schemas["Sign"];
const check = {
  sign: sign.id,
  minutes: 1,
  bits: 1,
  worth: 1,
  outcomes: { cost: 1, seen: 0.4, ifSeen: [], ifNot: [] },
  working,
};
const come = (more: object) => ({
  habit: "aroid-vine",
  assumed: true,
  causes: [{ id: knowledge.causes[0]?.id, chance: 0.6 }],
  verdict: { kind: "look-further", words: "Look further: the next look tells more.", missing: [] },
  outside: { chance: 0, flag: false, probably: false },
  checks: [check],
  turns: [],
  act: { move: knowledge.moves[0]?.id, words: "Until more is known, do nothing else." },
  clash: [],
  guided: { next: sign.id, settled: false, most: 10 },
  working,
  ...more,
});

describe("something is wrong", () => {
  it("asks one thing at a time and ends with the first safe act", async () => {
    const asked = serve({
      "GET /api/knowledge": knowledge,
      "GET /api/profiles": { profiles: [] },
      "POST /api/trouble": ({ body }: Asked) =>
        (body as { absent: string[] }).absent.length === 0
          ? come({})
          : come({ guided: { settled: true, most: 10 }, verdict: { kind: "act", words: "Time to act.", missing: [] } }),
    });
    show(<Trouble />);
    await userEvent.click(await screen.findByRole("button", { name: "I cannot say: ask me" }));
    await userEvent.click(await screen.findByRole("button", { name: "I do not know" }));
    expect((await screen.findByRole("heading", { level: 1 })).textContent).toBe(`${sign.label}?`);
    expect(document.activeElement?.tagName).toBe("H1");
    await userEvent.click(screen.getAllByRole("button", { name: new RegExp(sign.label) })[1] as HTMLElement);
    await screen.findByText("What to do first");
    expect(pageText()).toContain(knowledge.moves[0]?.label ?? "?");
    expect(pageText()).toContain("Until more is known, do nothing else.");
    expect(asked.filter((a) => a.method === "POST").length).toBeGreaterThan(1);
  });

  const orchids = {
    said: "orchid",
    kinds: [
      { id: "phalaenopsis-hybrid", habit: "monopodial-orchid", common: "moth orchid", botanical: "Phalaenopsis" },
    ],
    habits: ["monopodial-orchid", "sympodial-orchid"],
  };

  it("says of what is read with doubt that it counts less, until it is confirmed", async () => {
    serve({
      "GET /api/knowledge": knowledge,
      "GET /api/profiles": { profiles: [] },
      "POST /api/read": { kinds: [], present: [{ sign: sign.id, sure: false }], absent: [] },
    });
    show(<Trouble />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Or say it in your own words" }), "perhaps");
    await userEvent.click(screen.getByRole("button", { name: "Read it" }));
    expect(await screen.findByText("Perhaps: it counts less until you say so.")).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: `seen: ${sign.label}` }));
    expect(screen.queryByText("Perhaps: it counts less until you say so.")).toBeNull();
  });

  const saysOrchid = async () => {
    const asked = serve({
      "GET /api/knowledge": knowledge,
      "GET /api/profiles": { profiles: [] },
      "POST /api/read": { kinds: [], group: orchids, present: [{ sign: sign.id, sure: true }], absent: [] },
      "POST /api/trouble": come({}),
    });
    show(<Trouble />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Or say it in your own words" }), "my orchid");
    await userEvent.click(screen.getByRole("button", { name: "Read it" }));
    await userEvent.click(await screen.findByRole("button", { name: "Go on" }));
    expect((await screen.findByRole("heading", { level: 1 })).textContent).toBe("Which orchid is it?");
    return asked;
  };
  const told = (asked: Asked[]) => asked.find((a) => a.path === "/api/trouble")?.body;

  it("offers the commonest of a group that was spoken of, and how its kinds grow first", async () => {
    const asked = await saysOrchid();
    const grows = screen.getAllByRole("listitem").map((x) => x.textContent);
    const first = knowledge.habits.find((h) => h.id === "monopodial-orchid")?.label;
    expect(grows[1]).toBe(first);
    await userEvent.click(screen.getByRole("button", { name: /moth orchid/ }));
    const picked = { kind: "phalaenopsis-hybrid", habit: "monopodial-orchid" };
    await waitFor(() => expect(told(asked)).toMatchObject(picked));
  });

  it("takes one of a group that nobody can name to grow as most of them do", async () => {
    const asked = await saysOrchid();
    await userEvent.click(screen.getByRole("button", { name: "I do not know" }));
    await waitFor(() => expect(told(asked)).toMatchObject({ habit: "monopodial-orchid" }));
    expect(told(asked)).not.toHaveProperty("kind");
  });

  it("keeps what was typed where it cannot be read", async () => {
    serve({
      "GET /api/knowledge": knowledge,
      "POST /api/read": new Refusal({ status: 503, detail: "The record cannot be reached just now." }),
    });
    show(<Trouble />);
    const field = await screen.findByRole("textbox", { name: "Or say it in your own words" });
    await userEvent.type(field, "brown tips");
    await userEvent.click(screen.getByRole("button", { name: "Read it" }));
    await screen.findByText(/cannot be reached/);
    expect((field as HTMLTextAreaElement).value).toBe("brown tips");
  });

  it("says when nothing was understood", async () => {
    serve({ "GET /api/knowledge": knowledge, "POST /api/read": { kinds: [], present: [], absent: [] } });
    show(<Trouble />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Or say it in your own words" }), "xyz");
    await userEvent.click(screen.getByRole("button", { name: "Read it" }));
    await screen.findByText("Nothing of it was understood");
    await userEvent.click(screen.getByRole("button", { name: "Back" }));
    await waitFor(() => expect(screen.getByRole("heading", { level: 1 }).textContent).toBe("What is wrong?"));
  });

  const asking = async (given: object) => {
    serve({
      "GET /api/knowledge": knowledge,
      "GET /api/profiles": { profiles: [] },
      "POST /api/trouble": come(given),
    });
    show(<Trouble />);
    await userEvent.click(await screen.findByRole("button", { name: "I cannot say: ask me" }));
    await userEvent.click(await screen.findByRole("button", { name: "I do not know" }));
  };

  it("ends where enough is known, and goes on where more is wanted", async () => {
    await asking({ guided: { next: sign.id, settled: true, most: 10 } });
    await screen.findByText("What to do first");
    await userEvent.click(screen.getByRole("button", { name: "Look further" }));
    expect(screen.getByRole("heading", { level: 1 }).textContent).toBe(`${sign.label}?`);
  });

  it.each([
    [0.05, "Most likely it is"],
    [0.049, "Nothing stands out yet"],
  ])("says of a chance of %d “%s”", async (chance, said) => {
    await asking({
      causes: [{ id: knowledge.causes[0]?.id, chance }],
      guided: { next: sign.id, settled: true, most: 10 },
    });
    expect((await screen.findByTestId("most-likely")).textContent).toContain(said);
  });

  it("says on which answer all hangs, what would change it, and what follows where it is sure enough", async () => {
    const hinge = { cause: knowledge.causes[0]?.id, sign: sign.id, present: true, chance: 0.92, without: 0.1 };
    const act = { kind: "act", words: "Time to act: root rot.", missing: [] };
    await asking({ hinge, verdict: act, guided: { next: sign.id, settled: true, most: 10 } });
    expect((await screen.findByTestId("hinge")).textContent).toMatch(
      /All hangs on one answer: .* falls from 92 times in 100 to 10 times in 100: look at it once more/,
    );
    expect(pageText()).toContain("Time to act: root rot. Follow this plant: there you decide, and its plan is made.");
  });

  it("says so where no single look more would change it", async () => {
    await asking({ guided: { next: sign.id, settled: true, most: 10 } });
    await screen.findByText("No single look more would change it.");
    expect(screen.queryByTestId("hinge")).toBeNull();
    expect(pageText()).not.toContain("its plan is made");
  });

  it("asks the look that is to be asked now, not the first of the list", async () => {
    const other = knowledge.signs[1] as Schemas["Sign"];
    await asking({
      checks: [check, { ...check, sign: other.id }],
      guided: { next: other.id, settled: false, most: 10 },
    });
    expect((await screen.findByRole("heading", { level: 1 })).textContent).toBe(`${other.label}?`);
  });

  it("gives a first answer after the most questions", async () => {
    await asking({ guided: { next: sign.id, settled: false, most: 1 } });
    await userEvent.click(await screen.findByRole("button", { name: `Not there: ${sign.label}` }));
    await screen.findByText("What to do first");
  });

  it("says which two answers cannot both be true", async () => {
    const other = knowledge.signs[1] as Schemas["Sign"];
    await asking({ clash: [sign.id, other.id] });
    expect((await screen.findByRole("alert")).textContent).toContain(
      `“${sign.label}” and “${other.label}” cannot both be true`,
    );
  });
});
