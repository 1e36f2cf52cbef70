import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, plantFile, Refusal, serve, show } from "../testing/page";
import { Places } from "./places/Places";
import { Register } from "./Register";
import { SignIn } from "./SignIn";
import { TakeIn } from "./TakeIn";
import { HouseholdPage } from "./WhoLivesHere";

device();

const session = {
  signedIn: false,
  today: "2026-11-24",
  demoOffered: true,
  firstAccount: false,
  openAccounts: true,
  sendsLetters: false,
};

describe("at the door", () => {
  it("signs in with what was typed, and keeps it when it is refused", async () => {
    const asked = serve({
      "POST /api/session": new Refusal({ status: 401, detail: "E-mail or password is not right." }),
    });
    show(<SignIn session={session} />);
    await userEvent.type(await screen.findByRole("textbox", { name: /E-mail/ }), "ilse@example.org");
    await userEvent.type(screen.getByLabelText(/Password/, { selector: "input" }), "a short sentence");
    await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
    await screen.findByText("E-mail or password is not right.");
    expect(asked[0]?.body).toEqual({ email: "ilse@example.org", password: "a short sentence" });
    expect((screen.getByRole("textbox", { name: /E-mail/ }) as HTMLInputElement).value).toBe("ilse@example.org");
  });

  it("opens the demo in one click, and says when it cannot", async () => {
    serve({ "POST /api/session/demo": new Refusal({ status: 503, detail: "The record cannot be reached just now." }) });
    show(<SignIn session={session} />);
    await userEvent.click(await screen.findByRole("button", { name: "Look round the demo clinic" }));
    await screen.findByText(/cannot be reached/);
  });

  it("names the fields of a new account that cannot be right", async () => {
    const asked = serve({
      "POST /api/accounts": new Refusal({
        status: 422,
        detail: "Take at least 12 characters.",
        errors: [{ location: "body.password", message: "take at least 12 characters" }],
      }),
    });
    show(<SignIn session={session} />);
    await userEvent.click(await screen.findByRole("button", { name: "Start an empty collection of your own" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Your name" }), "Rosa");
    await userEvent.click(screen.getByRole("button", { name: "Begin" }));
    await screen.findByText("take at least 12 characters");
    expect(asked[0]?.body).toMatchObject({ name: "Rosa", south: false });
    await userEvent.click(screen.getByRole("button", { name: "Back to sign in" }));
    expect(screen.getByRole("button", { name: "Sign in" })).toBeTruthy();
  });

  it("asks for the first account where there is none", async () => {
    serve({});
    show(<SignIn session={{ ...session, demoOffered: false, firstAccount: true }} />);
    await screen.findByText("The first account");
    expect(screen.queryByRole("button", { name: "Back to sign in" })).toBeNull();
  });
});

describe("places", () => {
  const site = { latitude: 48, sky: "mixed", nights: [0, 0, 2, 5, 9, 12, 13, 12, 9, 5, 2, 0] };
  it("stand in the order of the walk, and new ones are added once", async () => {
    const hall = { id: "h", name: "Hall", light: "north", isolation: false, plants: 1, position: 1, year: [] };
    const cage = { id: "c", name: "Cage", light: "", isolation: true, plants: 3, position: 2, year: [] };
    const there = { places: [hall, cage], site, cold: [] };
    const asked = serve({ "GET /api/places": there, "POST /api/places": there, "GET /api/session": session });
    show(<Places />);
    await screen.findByText("Hall");
    expect(pageText()).toContain("1 plant");
    expect(pageText()).toContain("kept apart");
    await userEvent.type(screen.getByRole("textbox", { name: "Name" }), "Sill");
    await userEvent.click(screen.getByRole("button", { name: "Add the place" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ name: "Sill", isolation: false });
    await waitFor(() => expect((screen.getByRole("textbox", { name: "Name" }) as HTMLInputElement).value).toBe(""));
  });

  it("say how to begin, and what is wrong with a name", async () => {
    serve({
      "GET /api/places": { places: [], site, cold: [] },
      "GET /api/session": session,
      "POST /api/places": new Refusal({ status: 409, detail: "There is a place of that name." }),
    });
    show(<Places />);
    await screen.findByText(/No places yet/);
    await userEvent.type(screen.getByRole("textbox", { name: "Name" }), "Hall");
    await userEvent.click(screen.getByRole("button", { name: "Add the place" }));
    await screen.findByText("There is a place of that name.");
  });
});

const row = (more: Record<string, unknown> = {}) => ({
  id: "p1",
  name: "Fern by the door",
  label: "T-1",
  habit: "fern",
  botanical: "Nephrolepis exaltata",
  place: "Hall",
  isolation: "isolated",
  standing: "mending",
  stage: "re-root",
  arrivedOn: "2026-10-01",
  lastLook: "2026-11-20",
  nextDue: "2026-11-22",
  nextWhat: "Wash it down",
  stalled: true,
  causes: ["Root rot"],
  seam: plantFile().seam,
  figure: { growths: 1, leaves: 3, seen: [], looked: [] },
  ...more,
});

const page = (plants: unknown[], more: Record<string, unknown> = {}) => ({
  plants,
  total: plants.length,
  next: "",
  standing: plants.length ? { mending: plants.length } : {},
  stage: {},
  isolation: {},
  today: "2026-11-24",
  ...more,
});

describe("the register", () => {
  it("tells where each plant stands, and looks for words", async () => {
    const asked = serve({
      "GET /api/plants": page([row()]),
      "GET /api/places": { places: [] },
      "GET /api/knowledge": knowledge,
    });
    show(<Register />);
    await screen.findByText("Fern by the door");
    for (const said of ["mending: re-root", "stands still", "isolated", "due 2 days ago: Wash it down", "Root rot"])
      expect(pageText()).toContain(said);
    await userEvent.type(screen.getByRole("textbox", { name: "Words" }), "fern");
    await waitFor(() => expect(asked.filter((a) => a.path === "/api/plants").length).toBeGreaterThan(1));
  });

  it("says the difference between nothing here and nothing found", async () => {
    serve({ "GET /api/plants": page([]), "GET /api/places": { places: [] }, "GET /api/knowledge": knowledge });
    const first = show(<Register />);
    await screen.findByText("No plants yet");
    first.unmount();
    show(<Register />, undefined, "/?standing=lost");
    await screen.findByText("Nothing matches");
    await userEvent.click(screen.getByRole("button", { name: "Show all plants" }));
    await screen.findByText("No plants yet");
  });

  it("offers to try again when it cannot be reached", async () => {
    serve({
      "GET /api/plants": new Refusal({ status: 503, detail: "The record cannot be reached just now." }),
      "GET /api/places": { places: [] },
      "GET /api/knowledge": knowledge,
    });
    show(<Register />);
    await screen.findByText("The server cannot answer just now");
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
  });
});

describe("taking a plant in", () => {
  const answers = {
    "GET /api/session": { ...session, signedIn: true },
    "GET /api/knowledge": { ...knowledge, habits: [{ id: "fern", label: "fern", figure: "frond" }] },
    "GET /api/places": { places: [] },
    "GET /api/profiles": {
      profiles: [
        { id: "nephrolepis-exaltata", botanical: "Nephrolepis exaltata", common: "sword fern", habit: "fern" },
      ],
    },
  };

  it("takes the habit from the kind, and keeps what was typed on the device", async () => {
    serve(answers);
    const first = show(<TakeIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Name" }), "Fern");
    await userEvent.type(screen.getByRole("combobox", { name: "Kind" }), "sword");
    await userEvent.click(await screen.findByRole("option", { name: /Nephrolepis exaltata/ }));
    await waitFor(() =>
      expect((screen.getByRole("combobox", { name: "How it grows" }) as HTMLInputElement).value).toBe("fern"),
    );
    first.unmount();
    show(<TakeIn />);
    expect(((await screen.findByRole("textbox", { name: "Name" })) as HTMLInputElement).value).toBe("Fern");
  });

  it("asks how long it has been had, and takes not knowing for an answer", async () => {
    window.localStorage.setItem(
      "take-in",
      JSON.stringify({
        id: "0190aaaa-0000-7000-8000-000000000002",
        plant: "plant-7",
        arrived: { isolated: true, habit: "fern", had: "unknown" },
        kind: "",
      }),
    );
    const asked = serve({
      ...answers,
      "POST /api/plants/plant-7/entries": (a: { body: unknown }) => ({ ...(a.body as object), live: true }),
    });
    show(<TakeIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Name" }), "Fern");
    expect((screen.getByRole("combobox", { name: "How long have you had it?" }) as HTMLInputElement).value).toBe(
      "I do not know",
    );
    expect(screen.queryByLabelText("It came on")).toBeNull();
    await userEvent.click(screen.getByRole("combobox", { name: "How long have you had it?" }));
    await userEvent.click(await screen.findByRole("option", { name: "since a day that I know" }));
    expect(screen.getByLabelText("It came on")).toBeTruthy();
    await userEvent.click(screen.getByRole("combobox", { name: "How long have you had it?" }));
    await userEvent.click(await screen.findByRole("option", { name: "a year or more" }));
    await userEvent.click(screen.getByRole("button", { name: "Take it in" }));
    await waitFor(() => expect(asked.some((a) => a.method === "POST")).toBe(true));
    expect(asked.find((a) => a.method === "POST")?.body).toMatchObject({ arrived: { name: "Fern", had: "years" } });
  });

  it("asks which one it is where several kinds go by one name, and says why it matters", async () => {
    const shared = (id: string, botanical: string, habit: string, more: object = {}) => ({
      id,
      botanical,
      common: "umbrella plant",
      habit,
      shared: ["another"],
      ...more,
    });
    serve({
      ...answers,
      "GET /api/profiles": {
        profiles: [
          shared("a", "Heptapleurum arboricola", "woody"),
          shared("b", "Cyperus alternifolius", "fern", { why: "This one stands in water." }),
        ],
      },
    });
    show(<TakeIn />);
    await userEvent.type(await screen.findByRole("combobox", { name: "Kind" }), "umbrella plant");
    const which = await screen.findByRole("region", { name: "Which one is it?" });
    expect(which.textContent).toContain("This one stands in water.");
    await userEvent.click(within(which).getByRole("button", { name: /Cyperus/ }));
    expect(screen.queryByRole("region", { name: "Which one is it?" })).toBeNull();
    expect((screen.getByRole("combobox", { name: "How it grows" }) as HTMLInputElement).value).toBe("fern");
  });

  it("shows beside its field what cannot be right", async () => {
    const plants: string[] = [];
    window.localStorage.setItem(
      "take-in",
      JSON.stringify({
        id: "0190aaaa-0000-7000-8000-000000000001",
        plant: "plant-9",
        arrived: { name: "Fern", habit: "fern", isolated: true },
        kind: "",
      }),
    );
    const asked = serve({
      ...answers,
      "POST /api/plants/plant-9/entries": (a: { path: string }) => {
        plants.push(a.path);
        return new Refusal({
          status: 422,
          detail: "999 cm cannot be right.",
          errors: [{ location: "body.arrived.potWidthCm", message: "999 cm cannot be right" }],
        });
      },
    });
    show(<TakeIn />);
    await userEvent.click(await screen.findByRole("button", { name: "Take it in" }));
    await screen.findAllByText(/999 cm cannot be right/);
    await userEvent.click(screen.getByRole("button", { name: "Take it in" }));
    await waitFor(() => expect(plants).toHaveLength(2));
    const ids = asked.filter((a) => a.method === "POST").map((a) => (a.body as { id: string }).id);
    expect(new Set(ids).size).toBe(1);
  });
});

describe("who lives here", () => {
  it("is answered once and kept", async () => {
    const household = { children: false, pets: false, pollinators: false, asthma: false };
    const asked = serve({
      "GET /api/settings": { household, asked: false, choices: {} },
      "PUT /api/settings/household": { household, asked: true, choices: {} },
    });
    show(<HouseholdPage />);
    await userEvent.click(await screen.findByRole("checkbox", { name: /Cats, dogs/ }));
    await userEvent.click(screen.getByRole("button", { name: "That is so" }));
    await screen.findByText("Kept.");
    expect(asked.find((a) => a.method === "PUT")?.body).toMatchObject({ pets: true, children: false });
  });
});
