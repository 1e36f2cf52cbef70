import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { device, pageText, serve, show } from "../../testing/page";
import { Outbreak } from "./Outbreak";
import { Outbreaks } from "./Outbreaks";

device();

const nobody = "00000000-0000-0000-0000-000000000000";
const working = { inputs: [{ name: "times", value: 15 }], formula: "1 − …", source: "guesses", sure: "a guess" };
const amount = (value: number) => ({ what: "chance", value, unit: "%", working });
const plant = (id: string, role: string, more = {}) => ({
  id,
  name: `Hoya ${id}`,
  label: `T-${id}`,
  role,
  placeId: "sill",
  isolation: "clean",
  since: "2026-11-01",
  ways: [],
  looks: [],
  from: nobody,
  ...more,
});
const caught = (id: string, chance: number, act: string) =>
  plant(id, "exposed", {
    act,
    from: "1",
    chance: amount(chance),
    ways: ["It stood in one tray with “Hoya 1” for 15 days."],
    looks: ["2026-11-24", "2026-12-10"],
  });
const outbreak = (plants: object[], more = {}) => ({
  cause: "mealybug",
  label: "Mealybugs",
  pest: true,
  today: "2026-11-24",
  began: "2026-11-01",
  over: false,
  means: ["It crawls or clings."],
  incubation: { ...amount(48), unit: "days" },
  plants,
  places: [{ id: "sill", name: "Sill", isolation: false, plants: 9, roles: { sick: 1 } }],
  origins: [],
  past: [],
  more: 0,
  ...more,
});
const open = (answer: object, more = {}) => {
  const sent = serve({ "GET /api/outbreaks/mealybug": answer, ...more });
  const routes = (
    <Routes>
      <Route path="/outbreaks/:cause" element={<Outbreak />} />
    </Routes>
  );
  show(routes, undefined, "/outbreaks/mealybug");
  return sent;
};

describe("an outbreak", () => {
  it("puts on watch who may have caught it, and wants one look of who hardly did", async () => {
    const sent = open(outbreak([plant("1", "sick"), caught("2", 35, "now"), caught("3", 5, "look")]), {
      "POST /api/entries": { kept: [{ plant: "2", entry: "e" }], refused: [] },
    });
    await screen.findByText(/1 plant has it; 2 may have caught it/);
    expect(screen.getByRole("link", { name: "✕ Hoya 1, has it" })).toBeTruthy();
    expect(screen.getByText("6 plants beside them")).toBeTruthy();
    const of = screen.getByRole("region", { name: "Who may have caught it" });
    expect(within(of).getAllByText("It stood in one tray with “Hoya 1” for 15 days.")).toHaveLength(2);
    await userEvent.click(within(of).getByRole("button", { name: "Watch 1 for it, look at 1 once" }));
    await waitFor(() => expect(sent.filter((s) => s.method === "POST")).toHaveLength(1));
    const body = (sent.find((s) => s.method === "POST")?.body ?? { entries: [] }) as { entries: { moved: object }[] };
    expect(body.entries.map((e) => e.moved)).toEqual([
      {
        isolation: "watch",
        reason: "Mealybugs: It stood in one tray with “Hoya 1” for 15 days.",
        exposed: { cause: "mealybug", plant: "1" },
      },
      {
        reason: "Mealybugs: It stood in one tray with “Hoya 1” for 15 days.",
        exposed: { cause: "mealybug", plant: "1", once: true },
      },
    ]);
  });

  it("leaves out who is unticked, and keeps apart who has it", async () => {
    open(outbreak([plant("1", "sick"), caught("2", 35, "now")], { more: 7, moreOn: "2027-01-11" }));
    await userEvent.click(await screen.findByRole("checkbox", { name: "Watch Hoya 2" }));
    expect(screen.getByRole("button", { name: "Pick who is watched" })).toHaveProperty("disabled", true);
    expect(screen.getByRole("button", { name: "Keep 1 plant apart that has it" })).toBeTruthy();
    expect(pageText()).toContain("7 others hardly may have caught it: look at each once, on 11 Jan");
  });

  it("tells where it may have come from, and how it ended", async () => {
    open(
      outbreak([plant("1", "cleared", { isolation: "watch" })], {
        over: true,
        began: undefined,
        origins: [
          {
            plant: "1",
            from: [{ plant: nobody, name: "", share: 0.83, words: "It had it when it came." }],
            share: amount(83),
          },
        ],
        past: [
          {
            id: "9",
            name: "Vine",
            outcome: "mended",
            openedOn: "2026-08-01",
            endedOn: "2026-10-01",
            cause: "mealybug",
          },
        ],
      }),
    );
    await screen.findByText(/Nothing here has it.*1 case of it ended/);
    expect(pageText()).toContain("83 in 100: It had it when it came.");
    expect(screen.getByRole("heading", { name: "How it ended" })).toBeTruthy();
    expect(screen.getByRole("button", { name: "Let 1 plant back among the others" })).toBeTruthy();
  });
});

describe("what goes round", () => {
  it("says that nothing does, or on how many plants", async () => {
    serve({ "GET /api/outbreaks": { outbreaks: [] }, "GET /api/session": { signedIn: true, today: "2026-11-24" } });
    show(<Outbreaks />);
    await screen.findByText("Nothing goes round");
  });
  it("lists each with a way to it", async () => {
    serve({
      "GET /api/outbreaks": {
        outbreaks: [{ cause: "thrips", label: "Thrips", since: "2026-11-01", sick: 2, suspects: 1, watched: 3 }],
      },
      "GET /api/session": { signedIn: true, today: "2026-11-24" },
    });
    show(<Outbreaks />);
    await screen.findByText(/On 2 plants, 1 more may have it by the last look, 3 watched for it/);
  });
});
