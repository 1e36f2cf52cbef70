import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { type Asked, device, knowledge, pageText, serve, show } from "../../testing/page";
import { BenchDay } from "./BenchDay";
import { Together } from "./Together";

device();

const row = (id: string, label: string) => ({
  id,
  label,
  name: `Plant ${label}`,
  causes: [],
  standing: "arrived",
  drawing: "",
  tags: ["Box"],
  figure: { growths: 0, leaves: 0, seen: [], looked: [] },
});
const register = {
  plants: [row("a", "T-1"), row("b", "T-2")],
  total: 2,
  next: "",
  today: "2026-11-24",
  standing: {},
  stage: {},
  isolation: {},
  tags: { Box: 2 },
};
const may = (cause: string, chance: number) => ({ causes: [{ id: cause, chance }], checks: [] });
const answers = {
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "GET /api/knowledge": knowledge,
  "GET /api/plants": register,
  "GET /api/signs": { signs: ["root.mushy"] },
  "POST /api/plants/a/differential": may("root-rot", 0.8),
  "POST /api/plants/b/differential": (a: Asked) =>
    (a.body as { present: string[] }).present.length > 0 ? may("root-rot", 0.8) : may("drought", 0.4),
  "POST /api/entries": (a: Asked) => ({
    kept: (a.body as { entries: { plant: string; id: string }[] }).entries.map((e) => ({
      plant: e.plant,
      entry: e.id,
    })),
    refused: [],
  }),
};
const sent = (asked: Asked[]) =>
  asked
    .filter((a) => a.path === "/api/entries")
    .flatMap((a) => (a.body as { entries: Record<string, unknown>[] }).entries);

describe("plants that belong together", () => {
  const open = async () => {
    const asked = serve(answers);
    show(<Together />, undefined, "/together?tag=Box");
    await screen.findByText("2 plants that belong together");
    await userEvent.type(screen.getByRole("searchbox"), "mushy");
    await userEvent.click(await screen.findByRole("button", { name: "Roots brown and soft" }));
    await userEvent.click(await screen.findByRole("button", { name: "Seen on all: Roots brown and soft" }));
    return asked;
  };

  it("are answered at once and one otherwise, and what they share is planned for with one press", async () => {
    const asked = await open();
    await screen.findByRole("button", { name: "Accept root rot and plan for 2 plants" });
    await userEvent.click(screen.getByRole("button", { name: "T-2: seen, Roots brown and soft" }));
    await screen.findByRole("button", { name: "Accept drought stress and plan for 1 plant" });
    await userEvent.click(screen.getByRole("button", { name: "Accept root rot and plan for 1 plant" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(3));
    expect(sent(asked)[0]).toMatchObject({ plant: "a", examined: { present: ["root.mushy"], absent: [] } });
    expect(sent(asked)[1]).toMatchObject({ plant: "a", diagnosed: { causes: ["root-rot"] } });
    expect(sent(asked)[2]).toMatchObject({ plant: "a", planned: { answers: {} } });
    expect((await screen.findByRole("link", { name: "To their bench day" })).getAttribute("href")).toContain("Box");
    expect(screen.queryByRole("button", { name: /plan for 2/ })).toBeNull();
  });

  it("can have their looks kept alone, and a sign asked no more", async () => {
    const asked = await open();
    await userEvent.click(screen.getByRole("button", { name: "Keep the looks alone" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(2));
    expect(sent(asked).map((e) => e.plant)).toEqual(["a", "b"]);
    expect(sent(asked).every((e) => "examined" in e)).toBe(true);
    await waitFor(() => expect(pageText()).toContain("Answer a sign or two above"));
  });

  it("says where nothing has the tag", async () => {
    serve({ ...answers, "GET /api/plants": { ...register, plants: [], total: 0 } });
    show(<Together />, undefined, "/together?tag=None");
    await screen.findByText("Nothing has this tag");
  });
});

const recentOf = () => JSON.parse(window.sessionStorage.getItem("recent") ?? "[]");

describe("a bench day", () => {
  const step = (id: string, op = "soak") => ({ id, op, how: `Do ${id}.`, title: id, case: "case-1", minutes: 4 });
  const day = {
    today: "2026-11-24",
    minutes: 8,
    nothing: 1,
    more: 0,
    turns: [
      { turn: "clean", title: "Clean ones first", before: "A clean bench." },
      { turn: "suspect", title: "Then the suspect", before: "Another tray." },
      { turn: "infested", title: "The infested last", before: "A blade of their own." },
    ],
    needs: [{ what: "perlite", need: 1.5, unit: "l", buy: 1, stock: 0.5 }],
    plants: [
      { id: "a", name: "Fern", label: "T-1", turn: "clean", causes: ["Pot-bound"], minutes: 4, steps: [step("one")] },
      {
        id: "b",
        name: "Hoya",
        label: "T-2",
        turn: "infested",
        causes: ["Mealybugs"],
        minutes: 4,
        steps: [step("baseline", "baseline"), step("two")],
      },
    ],
  };

  it("goes from the clean to the infested, with what all of it takes", async () => {
    const asked = serve({ ...answers, "GET /api/bench-day": day });
    show(<BenchDay />, undefined, "/bench-day?tag=Box");
    await screen.findByText("Lay out for all");
    expect(screen.getAllByRole("region").map((r) => r.getAttribute("aria-label"))).toEqual([
      "Clean ones first",
      "The infested last",
      "Lay out for all of them",
    ]);
    expect(pageText()).toContain("not enough here");
    expect(pageText()).toContain("1 plant more want nothing today");
    const hoya = screen.getAllByTestId("on-bench")[1] as HTMLElement;
    await userEvent.click(within(hoya).getByRole("button", { name: "All done, without a picture: Hoya" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(2));
    expect(sent(asked)[0]).toMatchObject({
      plant: "b",
      case: "case-1",
      did: { step: "baseline", skipped: false, note: "no picture was made" },
    });
    // Its undo takes back all of it.
    await waitFor(() =>
      expect(recentOf()).toMatchObject([{ name: "Hoya", of: sent(asked).map((e) => ({ entry: e.id })) }]),
    );
  });

  it("says when nothing is due", async () => {
    serve({ ...answers, "GET /api/bench-day": { ...day, plants: [], nothing: 2 } });
    show(<BenchDay />, undefined, "/bench-day?tag=Box");
    await screen.findByText("Nothing is due on the bench today");
  });
});
