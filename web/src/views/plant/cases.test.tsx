import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { type Asked, device, pageText, plantFile, Refusal, serve, show } from "../../testing/page";
import { RoutinePage } from "../RoutinePage";
import { Alarms } from "./Alarms";
import { Cases, WhichCase } from "./Cases";
import { KeptApart } from "./KeptApart";
import { Routine } from "./Routine";

device();

const entries = (asked: Asked[]) =>
  asked.filter((a) => a.path === "/api/plants/plant-1/entries").map((a) => a.body as Record<string, unknown>);
const kept = { "POST /api/plants/plant-1/entries": (a: Asked) => ({ ...(a.body as object), kind: "noted" }) };

const pests = {
  id: "live-pests",
  title: "Live pests seen",
  on: "2026-11-24",
  said: "Live pests found.",
  first: ["Move it away from the others now.", "Look at its neighbours."],
  family: "pests",
  isolate: true,
  lasts: true,
};
const one = (more: object) => ({
  id: "case-1",
  name: "Mealybugs",
  open: true,
  from: "2026-11-01",
  openedOn: "2026-11-01",
  why: "white fluff",
  causes: ["mealybug"],
  standing: "mending",
  stage: "until nothing alive is found",
  older: false,
  plan: {},
  ...more,
});
const file = (more: object) => plantFile(more as unknown as Partial<PlantFile>);

describe("an alarm", () => {
  it("says what to do first, and keeps it apart in one tap", async () => {
    const asked = serve(kept);
    show(<Alarms file={file({ alarms: [pests] })} />);
    const alarm = screen.getByRole("alert", { name: "Live pests seen" });
    expect(
      within(alarm)
        .getAllByRole("listitem")
        .map((l) => l.textContent),
    ).toEqual(pests.first);
    await userEvent.click(within(alarm).getByRole("button", { name: "It is kept apart now" }));
    await waitFor(() => expect(entries(asked)[0]?.moved).toEqual({ isolation: "isolated", reason: "Live pests seen" }));
  });

  it("opens a case in one tap, and names what it answers", async () => {
    const asked = serve(kept);
    show(<Alarms file={file({ alarms: [pests], isolation: "isolated" })} />);
    expect(screen.queryByRole("button", { name: "It is kept apart now" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Open a case and look it over" }));
    await waitFor(() => expect(entries(asked)[0]?.opened).toEqual({ why: "Live pests seen", signal: "live-pests" }));
  });

  it("is answered by why it is harmless, and keeps the words when they are refused", async () => {
    const asked = serve({
      "POST /api/plants/plant-1/entries": new Refusal({ status: 422, detail: "Say in a few words why." }),
    });
    show(<Alarms file={file({ alarms: [pests] })} />);
    await userEvent.click(screen.getByRole("button", { name: "Seen, and harmless" }));
    const words = screen.getByRole("textbox", { name: "Harmless because" }) as HTMLInputElement;
    await userEvent.type(words, "ladybirds");
    await userEvent.click(screen.getByRole("button", { name: "Say so" }));
    await screen.findByText("Say in a few words why.");
    expect(words.value).toBe("ladybirds");
    expect(entries(asked)[0]?.dismissed).toEqual({ signal: "live-pests", reason: "ladybirds" });
  });
});

describe("its cases", () => {
  const ended = one({
    id: "case-0",
    name: "Root rot",
    open: false,
    endedOn: "2026-06-01",
    stage: "",
    standing: "mended",
  });

  it("stand with those in work first, each with its plan and its record", () => {
    serve({});
    show(<Cases file={file({ cases: [one({}), { ...ended, lesson: "Less water.", older: true }] })} />);
    expect(pageText()).toContain("1 in work, 1 ended");
    expect(pageText()).toContain("Since 1 November, 23 days ago. White fluff.");
    expect(pageText()).toContain("“Less water.” Judged by an earlier state of the tables.");
    const links = screen.getAllByRole("link").map((l) => l.getAttribute("href"));
    expect(links).toContain("/plants/plant-1/do?case=case-1");
    expect(links).toContain("/plants/plant-1/record?case=case-0");
  });

  it("are taken up again, or another is opened", async () => {
    const asked = serve(kept);
    show(<Cases file={file({ cases: [ended] })} />);
    await userEvent.click(screen.getByRole("button", { name: "take it up again" }));
    await waitFor(() => expect(entries(asked)[0]).toMatchObject({ case: "case-0", reopened: {} }));
    await userEvent.click(screen.getByRole("button", { name: "Another trouble, or the same one again" }));
    await userEvent.type(screen.getByRole("textbox", { name: "What made you look" }), "limp since Monday");
    await userEvent.click(screen.getByRole("button", { name: "Open a case" }));
    await waitFor(() => expect(entries(asked)[1]?.opened).toEqual({ why: "limp since Monday" }));
  });

  it("lead from one to the other where several are in work", () => {
    serve({});
    const cases = [one({}), one({ id: "case-2", name: "Drought stress" })];
    show(<WhichCase file={file({ case: "case-1", cases })} to="do" />);
    expect(pageText()).toContain("The case of mealybugs. 2 cases in work:");
    expect(screen.getByRole("link", { name: "drought stress" }).getAttribute("href")).toBe(
      "/plants/plant-1/do?case=case-2",
    );
  });
});

describe("a plant that is kept apart", () => {
  const apart = {
    reasons: [{ what: "Mealybugs.", since: "2026-11-01", ways: ["contact"], forGood: false }],
    means: ["A tray of its own."],
    release: {
      open: false,
      earliest: "2026-12-01",
      conditions: [
        { wanted: "the case of mealybugs has ended", met: false, found: "" },
        { wanted: "2 pest looks without a find", met: true, found: "2 so far" },
      ],
    },
  };

  it("tells why, what that means, and what is missing", async () => {
    const asked = serve(kept);
    show(<KeptApart file={file({ isolation: "isolated", apart })} />);
    expect(pageText()).toContain("Mealybugs. Since 1 November.");
    expect(pageText()).toContain("A tray of its own.");
    const wanted = within(screen.getByRole("list", { name: "Before it may go back" })).getAllByRole("listitem");
    expect(wanted[0]?.textContent).toContain("not yet");
    expect(wanted[1]?.textContent).toContain("met 2 so far");
    expect(pageText()).toContain("Not before 1 December");
    await userEvent.click(screen.getByRole("button", { name: "Back among the others all the same" }));
    await waitFor(() => expect(entries(asked)[0]?.moved).toEqual({ isolation: "clean" }));
  });
});

describe("a routine", () => {
  const routine = [
    {
      job: "feed",
      title: "Feed it",
      on: "2026-11-20",
      why: "Monthly.",
      how: "",
      done: "fed at half",
      minutes: 1,
      strength: 0.5,
    },
    {
      job: "leaf-wash",
      title: "Wash the leaves",
      on: "2026-12-20",
      last: "2026-10-24",
      why: "Dust.",
      how: "",
      done: "washed",
      minutes: 3,
    },
    {
      job: "pest-look",
      title: "Look for pests",
      on: "2026-11-24",
      why: "Fortnightly.",
      how: "",
      done: "no pests",
      minutes: 2,
      measure: "live-pests",
    },
  ];

  it("says what is due and why, and records what its label says", async () => {
    const asked = serve(kept);
    show(<Routine file={file({ routine })} />);
    const rows = [...document.querySelectorAll("[data-job]")];
    expect(rows.map((r) => r.getAttribute("data-job"))).toEqual(["feed", "pest-look", "leaf-wash"]);
    expect(rows[0]?.textContent).toContain("Never recorded here.");
    expect(rows[2]?.textContent).toContain("from 20 Dec");
    for (const label of ["fed at half", "no pests", "washed"])
      await userEvent.click(screen.getByRole("button", { name: label }));
    await waitFor(() => expect(entries(asked)).toHaveLength(3));
    expect(entries(asked)[0]?.fed).toEqual({ strength: 0.5 });
    expect(entries(asked)[1]?.checked).toEqual({ readings: [{ measure: "live-pests", value: 0 }] });
    expect(entries(asked)[2]?.tended).toEqual({ jobs: ["leaf-wash"] });
  });

  it("is put off, or switched off for this plant", async () => {
    const asked = serve(kept);
    show(<Routine file={file({ routine: routine.slice(0, 1), resting: true })} />);
    expect(pageText()).toContain("Standing still is no stall");
    await userEvent.click(screen.getByRole("button", { name: "Later: feed it" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Why, if you like" }), "no feed left");
    await userEvent.click(screen.getByRole("button", { name: "Put off, in a week: feed it" }));
    await waitFor(() =>
      expect(entries(asked)[0]?.snoozed).toEqual({ job: "feed", until: "2026-12-01", reason: "no feed left" }),
    );
    expect(screen.queryByRole("textbox", { name: "Why, if you like" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Not for this plant: feed it" }));
    await waitFor(() => expect(entries(asked)[1]?.snoozed).toEqual({ job: "feed", off: true }));
  });

  it("asks whether a job is wanted that was put off three times", () => {
    serve({});
    const [first] = routine;
    show(<Routine file={file({ routine: [{ ...first, putOff: 2, putOffWhy: "too heavy" }] })} />);
    expect(pageText()).toContain("Put off 2 times: too heavy.");
    expect(pageText()).not.toContain("Is it wanted");
    cleanup();
    show(<Routine file={file({ routine: [{ ...first, putOff: 3, unwanted: true }] })} />);
    expect(pageText()).toContain("Put off 3 times. Is it wanted for this plant at all?");
  });

  it("waits while a case is in work", () => {
    serve({});
    show(<Routine file={file({ routine, cases: [one({})] })} />);
    expect(pageText()).toBe("");
  });
});

describe("the routine of the collection", () => {
  it("is switched off job by job, and on again", async () => {
    const jobs = [
      { id: "turn", title: "Turn it", how: "A quarter turn.", done: "turned", minutes: 1 },
      { id: "leaf-wash", title: "Wash the leaves", how: "Both sides.", done: "washed", minutes: 3 },
    ];
    const asked = serve({
      "GET /api/routine": { jobs, off: ["leaf-wash"] },
      "PUT /api/routine": (a: Asked) => ({ jobs, off: (a.body as { off: string[] }).off }),
    });
    show(<RoutinePage />);
    const turn = (await screen.findByRole("switch", { name: /Turn it/ })) as HTMLInputElement;
    expect(turn.checked).toBe(true);
    await userEvent.click(turn);
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ off: ["leaf-wash", "turn"] }));
    await waitFor(() => expect(turn.checked).toBe(false));
    await userEvent.click(screen.getByRole("switch", { name: /Wash the leaves/ }));
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ off: ["turn"] }));
  });
});
