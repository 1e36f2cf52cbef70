import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import { device, pageText, Refusal, serve, show } from "../../testing/page";
import { CalendarLink } from "../account/CalendarLink";
import { Sit } from "./Sit";
import { TripPage } from "./TripPage";
import { Trips } from "./Trips";

device();

const pot = (name: string, more: { days?: number[]; never?: string; [key: string]: unknown } = {}) => ({
  plant: name,
  name,
  place: "Hall",
  verdict: "lasts",
  waterBefore: false,
  risk: 0,
  safeDays: 30,
  aids: [],
  days: [] as number[],
  ...more,
});
const sheet = [
  pot("Fern", { verdict: "sitter", waterBefore: true, days: [3, 6], millilitres: 90 }),
  pot("Orchid", { verdict: "sitter", days: [4], otherwise: "dip or mist it every day", isolated: true }),
  pot("Lily", { verdict: "aided", aids: ["out-of-sun", "together"] }),
  pot("Cactus", { verdict: "leave", never: "it rests" }),
  pot("Vine", { guess: true }),
];
const trip = {
  id: "t",
  from: "2026-12-01",
  back: "2026-12-09",
  sitter: "Ines",
  phone: "the ferry",
  note: "Key at the kiosk.",
  feel: "Feel the pot first.",
  apart: "Do it last.",
  ended: false,
  begun: false,
  over: false,
  sheet,
  ticks: [],
  first: [{ plant: "Fern", name: "Fern", chance: 0.7, missed: ["2026-12-04"] }],
};
const session = { signedIn: true, today: "2026-11-24" };
const at = (path: string, page: React.ReactNode) => (
  <Routes>
    <Route path={path} element={page} />
  </Routes>
);

describe("a trip", () => {
  it("is planned from its days, and says beside the field what cannot be", async () => {
    const asked = serve({
      "GET /api/trips": { trips: [trip] },
      "GET /api/session": session,
      "POST /api/trips": new Refusal({
        status: 422,
        detail: "It ends before it begins.",
        errors: [{ location: "body.back", message: "it ends before it begins" }],
      }),
    });
    show(<Trips />);
    await screen.findByText("Ines comes in");
    await userEvent.type(screen.getByRole("textbox", { name: "Who comes in" }), "Tom");
    await userEvent.click(screen.getByRole("button", { name: "Plan it" }));
    await screen.findByText("it ends before it begins");
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ from: "2026-11-26", sitter: "Tom" });
  });

  it("says what is done before, by whom meanwhile, and whom to look at first after", async () => {
    serve({
      "GET /api/trips/t": trip,
      "GET /api/session": session,
      "POST /api/trips/t/link": { ...trip, link: "/sit/secret" },
      "DELETE /api/trips/t/link": trip,
    });
    show(at("/trips/:trip", <TripPage />), undefined, "/trips/t");
    await screen.findByText("Look at these first");
    const text = pageText();
    for (const said of [
      "8 days",
      "nothing was ticked for 4 Dec",
      "out of the sun, close together with others",
      "90 ml",
      "dip or mist it every day",
      "Do not water",
      "Nobody has recorded a watering of 1 plant",
      "Feel the pot first.",
      "Do it last.",
    ])
      expect(text).toContain(said);
    await userEvent.click(screen.getByRole("button", { name: "Make Ines’s address" }));
    await screen.findByText(/\/sit\/secret/);
  });
});

describe("a trip that is changed", () => {
  const open = (more: object, put: unknown = { ...trip, version: 2 }) => {
    const asked = serve({
      "GET /api/trips/t": { ...trip, version: 1, first: [], ...more },
      "GET /api/session": session,
      "PUT /api/trips/t": put,
    });
    show(at("/trips/:trip", <TripPage />), undefined, "/trips/t");
    return () => asked.filter((a) => a.method === "PUT").map((a) => a.body);
  };

  it("is sent from the version that was looked at, and keeps what was typed where it cannot be", async () => {
    const wrong = { status: 422, detail: "No.", errors: [{ location: "body.back", message: "that day has gone by" }] };
    const sent = open({}, new Refusal(wrong));
    await userEvent.click(await screen.findByRole("button", { name: "Change the trip" }));
    const who = screen.getByRole("textbox", { name: "Who comes in" }) as HTMLInputElement;
    await userEvent.clear(who);
    await userEvent.type(who, "Tom");
    await userEvent.click(screen.getByRole("button", { name: "Change it" }));
    await screen.findByText("that day has gone by");
    expect(sent()).toMatchObject([{ version: 1, from: trip.from, back: trip.back, sitter: "Tom", note: trip.note }]);
    expect(who.value).toBe("Tom");
  });

  it("is called off before it begins, and over sooner once it has begun", async () => {
    const sent = open({});
    await userEvent.click(await screen.findByRole("button", { name: "Call it off" }));
    await waitFor(() => expect(sent()).toMatchObject([{ version: 1, off: true }]));
    expect(screen.queryByRole("button", { name: "I am back already" })).toBeNull();
  });

  it("ends today for whoever is back already, and its day of leaving stays", async () => {
    const sent = open({
      from: "2026-11-20",
      begun: true,
      version: 3,
      earlier: [{ ...trip, version: 1, back: "2026-12-05" }],
    });
    await userEvent.click(await screen.findByRole("button", { name: "I am back already" }));
    await waitFor(() => expect(sent()).toMatchObject([{ version: 3, from: "2026-11-20", back: "2026-11-24" }]));
    expect(screen.queryByRole("button", { name: "Call it off" })).toBeNull();
    expect(pageText()).toContain("Changed 1 time: what it was before");
    await userEvent.click(screen.getByRole("button", { name: "Change the trip" }));
    expect(screen.getByLabelText("Leaving on").hasAttribute("disabled")).toBe(true);
  });

  it("takes place after all, where it was called off by mistake", async () => {
    const sent = open({ off: true, version: 2 });
    await screen.findByText("This trip was called off.");
    expect(screen.queryByRole("button", { name: "Change the trip" })).toBeNull();
    expect(screen.queryByRole("region", { name: "The sitter" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "It takes place after all" }));
    await waitFor(() => expect(sent()).toMatchObject([{ version: 2, from: trip.from, back: trip.back }]));
  });
});

describe("a sitter", () => {
  const [fern, orchid, , cactus] = sheet;
  const seen = {
    ...trip,
    carer: "Ilse",
    today: "2026-12-04",
    sheet: [{ ...fern, next: "2026-12-04" }, { ...orchid, next: "2026-12-05" }, cactus],
  };

  it("sees today’s plants with two taps each, and is thanked", async () => {
    const asked = serve({
      "GET /api/sit/x": seen,
      "POST /api/sit/x": { ...seen, sheet: [{ ...fern, done: true, next: "2026-12-07" }, ...seen.sheet.slice(1)] },
    });
    show(at("/sit/:token", <Sit />), undefined, "/sit/x");
    await screen.findByText("Today: 1 plant.");
    expect(pageText()).toContain("5 Dec: Orchid");
    await userEvent.click(screen.getByRole("button", { name: "Fern: done" }));
    await screen.findByText("All done for today. Thank you!");
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ plant: "Fern", did: "watered" });
  });

  it("mends a slip of the thumb, and is told what came of it", async () => {
    const ticked = (did: string, said?: string) => ({
      ...seen,
      said,
      sheet: [
        { ...fern, done: true, did },
        { ...orchid, done: true },
      ],
    });
    const asked = serve({
      "GET /api/sit/x": ticked("watered"),
      "POST /api/sit/x": ticked("wet", "What you ticked before is taken back; this counts."),
    });
    show(at("/sit/:token", <Sit />), undefined, "/sit/x");
    await userEvent.click(await screen.findByRole("button", { name: "Fern: no, it was still wet" }));
    await screen.findByText(/taken back; this counts/);
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ plant: "Fern", did: "wet" });
    expect(pageText()).toContain("still wet, left today");
    expect(screen.queryByRole("button", { name: /^Orchid: no/ })).toBeNull(); // somebody else watered it
  });

  it("is told that a link is over", async () => {
    serve({ "GET /api/sit/x": new Refusal({ status: 404, detail: "This link is not good any more." }) });
    show(at("/sit/:token", <Sit />), undefined, "/sit/x");
    await screen.findByText(/not good any more/);
  });
});

describe("the calendar", () => {
  it("gets an address that is shown once, and loses it", async () => {
    const asked = serve({
      "GET /api/calendar-link": { has: false },
      "POST /api/calendar-link": { has: true, url: "/api/calendar/secret" },
      "DELETE /api/calendar-link": { has: false },
    });
    show(<CalendarLink />);
    await userEvent.click(await screen.findByRole("button", { name: "Make an address" }));
    await screen.findByText(/\/api\/calendar\/secret/);
    await userEvent.click(screen.getByRole("button", { name: "Take it back" }));
    await waitFor(() => expect(asked.some((a) => a.method === "DELETE")).toBe(true));
  });
});
