import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, knowledge, pageText, serve, show } from "../testing/page";
import { Register } from "./Register";

device();

const row = (name: string) => ({
  id: name.toLowerCase(),
  name,
  label: "T-1",
  habit: "fern",
  standing: "mending",
  stage: "",
  isolation: "clean",
  arrivedOn: "2026-10-01",
  lastLook: "2026-11-20",
  causes: ["Mealybugs"],
  figure: { growths: 1, leaves: 3, seen: [], looked: [] },
  seam: { from: "2026-10-01", bands: [], looks: 2, stitches: [], knots: [], beside: [], loose: [], bare: [] },
});
const page = (more: object) => ({
  plants: [row("Fern"), row("Palm")],
  total: 2,
  next: "",
  standing: { mending: 9 },
  stage: {},
  isolation: {},
  today: "2026-11-24",
  ...more,
});
const answers = (register: object) => ({
  "GET /api/plants": register,
  "GET /api/places": { places: [] },
  "GET /api/knowledge": knowledge,
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
});

describe("the register", () => {
  it("says when what it lists only has words like those", async () => {
    serve(answers(page({ nearly: true })));
    show(<Register />);
    await userEvent.type(screen.getByLabelText("Words"), "mealybgus");
    await screen.findByText(/2 of 9/);
    expect(pageText()).toContain("Nothing has just these words; these have some like them.");
  });

  it("picks plants to do something with several at once", async () => {
    serve(answers(page({})));
    show(<Register />);
    await userEvent.click(await screen.findByRole("checkbox", { name: "Pick Fern" }));
    expect((await screen.findByRole("region", { name: "The picked plants" })).textContent).toContain("1 plant picked.");
    await userEvent.click(screen.getByRole("button", { name: "pick all 2 of the plants listed" }));
    expect(pageText()).toContain("2 plants picked.");
    expect(pageText()).not.toContain("Nothing has just these words");
  });

  it("keeps filters and order by name, and opens them again with their words", async () => {
    const asked = serve(answers(page({})));
    show(<Register />, undefined, "/plants?sort=due&q=moth");
    await userEvent.click(await screen.findByRole("button", { name: "Keep this view" }));
    await userEvent.type(screen.getByRole("textbox", { name: "What the view is called" }), "moths first");
    await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
    await userEvent.clear(screen.getByLabelText("Words"));
    await waitFor(() => expect(screen.getByRole("button", { name: "Keep this view" })).toBeTruthy());
    await userEvent.click(screen.getByRole("link", { name: "moths first" }));
    await waitFor(() => expect((screen.getByLabelText("Words") as HTMLInputElement).value).toBe("moth"));
    await new Promise((resolve) => setTimeout(resolve, 300)); // the pause after which typing goes into the address
    expect(screen.getByRole("link", { name: "moths first" }).getAttribute("aria-current")).toBe("page");
    expect(asked.length).toBeGreaterThan(2);
    await userEvent.click(screen.getByRole("button", { name: "Take out the view moths first" }));
    expect(screen.queryByRole("link", { name: "moths first" })).toBeNull();
  });

  it("shows in its rows what was chosen, and keeps that with a view", async () => {
    const plants = [{ ...row("Fern"), condition: 64, tags: ["Night market box"] }];
    serve(answers(page({ plants })));
    show(<Register />);
    await screen.findByText("Mealybugs");
    await userEvent.click(screen.getByRole("button", { name: "What rows show" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "condition" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "tags" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "how it does" }));
    await screen.findByText("64");
    expect(pageText()).toContain("Night market box");
    expect(pageText()).not.toContain("Mealybugs");
    await userEvent.click(screen.getByRole("button", { name: "Keep this view" }));
    await userEvent.type(screen.getByRole("textbox", { name: "What the view is called" }), "by condition");
    await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
    expect(screen.getByRole("link", { name: "by condition" }).getAttribute("href")).toContain("show=");
  });
});
