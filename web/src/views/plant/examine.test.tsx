import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, knowledge, plantFile, Refusal, serve, show, working } from "../../testing/page";
import { Examine } from "./Examine";

device();

const zones = [
  { id: "stance", label: "Stance", drawn: true },
  { id: "leaves", label: "Leaves", drawn: true },
  { id: "pot", label: "Pot", drawn: true },
];

/** A differential that follows what was answered, as the server's does. */
const differential = (a: { body: unknown }) => {
  const { present, absent } = a.body as { present: string[]; absent: string[] };
  return {
    causes: [
      { id: "root-rot", chance: present.length ? 0.7 : 0.08, prior: 0.08, evidence: [], folded: false },
      { id: "drought", chance: 0.1, prior: 0.1, evidence: [], folded: false },
    ],
    others: 40,
    sets: [],
    turns: [],
    working,
    verdict: {
      kind: "look-further",
      words: "Look further: parts of it have not been looked at yet.",
      missing: ["leaves"],
    },
    outside: {
      chance: 0.35,
      flag: present.length > 0,
      probably: false,
      words: present.length ? "Something that is not on the list may be at work." : undefined,
    },
    unexplained: present.length > 0 ? ["leaf.crisp"] : [],
    conditions: [],
    toRuleOut: [{ id: "root-rot", chance: 0.1 }],
    impliedSeen: [],
    suggested: [],
    moves: [],
    fragile: false,
    learned: false,
    minutes: present.length + absent.length,
    checks: [],
    implied: [],
    derived: [
      {
        sign: "root.smell",
        present: true,
        on: "2026-11-20",
        why: "A stick came out wet on three days.",
        working,
      },
    ],
    clash: present.length > 1 ? ["leaf.drooping", "leaf.crisp"] : [],
  };
};

const answers = {
  "GET /api/knowledge": { ...knowledge, zones },
  "GET /api/guide": {
    asks: [{ zone: "leaves", signs: ["leaf.drooping", "leaf.crisp"], quiet: ["leaf.tips-brown"] }],
    fits: knowledge.signs.map((x) => x.id),
  },
  "POST /api/plants/plant-1/differential": differential,
  "POST /api/plants/plant-1/entries": (a: { body: unknown }) => ({
    ...(a.body as object),
    kind: "examined",
    live: true,
  }),
};

const sent = (asked: ReturnType<typeof serve>) =>
  asked.filter((a) => a.path.endsWith("/entries") && a.method === "POST").map((a) => a.body as Record<string, unknown>);

const toLeaves = async () => {
  const signs = await screen.findByRole("region", { name: "Signs of this part" });
  await userEvent.click(within(signs).getByRole("button", { name: "next: leaves" }));
  return signs;
};

describe("a look", () => {
  it("moves the chances as one answers, and is saved with what was seen and not there", async () => {
    const asked = serve(answers);
    show(<Examine />, plantFile());
    const save = (await screen.findByRole("button", { name: "Save this look" })) as HTMLButtonElement;
    expect(save.disabled).toBe(true);
    expect(await screen.findByText(/Before any sign: only how common things are/)).toBeTruthy();
    await toLeaves();
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves hang limp" }));
    expect(await screen.findByText(/1 answer, about 1 min of looking./)).toBeTruthy();
    const verdict = await screen.findByTestId("verdict-of-look");
    expect(verdict.getAttribute("data-verdict")).toBe("look-further");
    expect(verdict.textContent).toContain("Not looked at yet: leaves.");
    expect(verdict.textContent).toContain("Something that is not on the list may be at work");
    expect(verdict.textContent).toContain("Nothing on the list explains: “Leaves crackle”");
    expect(verdict.textContent).toContain("To rule out, because it is quick to kill: root rot");
    await userEvent.click(screen.getByRole("button", { name: "Looked: nothing else here" }));
    await userEvent.click(save);
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({
      on: "2026-11-24",
      examined: { present: ["leaf.drooping"], absent: ["leaf.tips-brown"], overruled: [] },
    });
    await waitFor(() => expect(window.localStorage.getItem("look-plant-1")).toBeNull());
  });

  it("is kept on the device while it is not saved, also when saving is refused", async () => {
    serve({
      ...answers,
      "POST /api/plants/plant-1/entries": new Refusal({
        status: 503,
        detail: "The record cannot be reached just now.",
      }),
    });
    const { unmount } = show(<Examine />, plantFile());
    await toLeaves();
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves crackle" }));
    await userEvent.click(screen.getByRole("button", { name: "Save this look" }));
    expect(await screen.findByText("The record cannot be reached just now.")).toBeTruthy();
    unmount();
    show(<Examine />, plantFile());
    await toLeaves();
    expect(screen.getByRole("button", { name: "seen: Leaves crackle" }).getAttribute("aria-pressed")).toBe("true");
  });

  it("says when two answers cannot both be true", async () => {
    serve(answers);
    show(<Examine />, plantFile());
    await toLeaves();
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves crackle" }));
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves hang limp" }));
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toContain("“Leaves hang limp” and “Leaves crackle” cannot both be true");
  });

  it("shows what the record answers, and lets it be overruled with a reason", async () => {
    const asked = serve(answers);
    show(<Examine />, plantFile());
    const signs = await toLeaves();
    await userEvent.click(within(signs).getByRole("button", { name: "next: pot" }));
    expect(await within(signs).findByText("So, by the record.")).toBeTruthy();
    await userEvent.click(within(signs).getByRole("button", { name: "overrule" }));
    const set = within(signs).getByRole("button", { name: "Set it aside" }) as HTMLButtonElement;
    expect(set.disabled).toBe(true);
    await userEvent.type(within(signs).getByRole("textbox", { name: "Why the record is wrong here" }), "another pot");
    await userEvent.click(set);
    expect(await within(signs).findByText(/The record is set aside: another pot/)).toBeTruthy();
    await userEvent.click(within(signs).getByRole("button", { name: "not there: Roots brown and soft" }));
    await userEvent.click(screen.getByRole("button", { name: "Save this look" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject({
      examined: { absent: ["root.mushy"], overruled: [{ sign: "root.smell", reason: "another pot" }] },
    });
  });

  it("that was begun again by mistake can be had back", async () => {
    serve(answers);
    show(<Examine />, plantFile());
    await toLeaves();
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves crackle" }));
    await userEvent.click(screen.getByRole("button", { name: "Begin again" }));
    expect(screen.getByRole("button", { name: "seen: Leaves crackle" }).getAttribute("aria-pressed")).toBe("false");
    await userEvent.click(screen.getByRole("button", { name: "Take that back" }));
    expect(screen.getByRole("button", { name: "seen: Leaves crackle" }).getAttribute("aria-pressed")).toBe("true");
  });
});
