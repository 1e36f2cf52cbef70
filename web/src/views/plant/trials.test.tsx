import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { type Asked, device, plantFile, Refusal, serve, show } from "../../testing/page";
import { Trials } from "./Trials";

device();

const at = "POST /api/plants/plant-1/entries";
const kept = { [at]: (a: Asked) => ({ ...(a.body as object), id: "e-1", kind: "tried" }) };
const file = (more: object) => plantFile({ today: "2026-11-24", ...more } as unknown as Partial<PlantFile>);
const trial = { id: "t-1", on: "2026-10-26", asksOn: "2026-11-23", what: "Heat mat", hope: "new roots.", days: 28 };
const sent = (asked: Asked[]) => asked.filter((a) => a.method === "POST").map((a) => a.body as Record<string, unknown>);

describe("what was tried on a plant", () => {
  it("is begun with what one hopes to see, and when to ask", async () => {
    const asked = serve(kept);
    show(<Trials file={file({ trials: [] })} />);
    await userEvent.click(screen.getByRole("button", { name: "Try something" }));
    await userEvent.type(await screen.findByLabelText("Which product or method"), "Cinnamon");
    await userEvent.type(screen.getByLabelText("What you will see if it helps"), "a dry cut");
    await userEvent.clear(screen.getByLabelText("Ask me after, days"));
    await userEvent.type(screen.getByLabelText("Ask me after, days"), "14");
    await userEvent.click(screen.getByRole("button", { name: "Begin" }));
    await waitFor(() => expect(sent(asked)[0]?.tried).toEqual({ what: "Cinnamon", hope: "a dry cut", days: 14 }));
    await waitFor(() => expect(screen.queryByRole("form", { name: "Try something" })).toBeNull());
  });

  it("keeps what was typed when it is refused", async () => {
    serve({ [at]: new Refusal({ status: 422, detail: "Say what you will see if it helps." }) });
    show(<Trials file={file({ trials: [] })} />);
    await userEvent.click(screen.getByRole("button", { name: "Try something" }));
    await userEvent.type(await screen.findByLabelText("Which product or method"), "Cinnamon");
    await userEvent.click(screen.getByRole("button", { name: "Begin" }));
    expect(await screen.findByText(/Say what you will see/)).toBeTruthy();
    expect(screen.getByLabelText("Which product or method")).toHaveProperty("value", "Cinnamon");
  });

  it("asks for the result of each trial by its own name", async () => {
    const asked = serve(kept);
    show(<Trials file={file({ trials: [trial] })} />);
    const patch = screen.getByRole("region", { name: "Trials" });
    expect(patch.textContent).toContain("Its time is over:");
    expect(patch.textContent).toContain("It helps if this is seen: new roots.");
    await userEvent.click(within(patch).getByRole("button", { name: "Heat mat: no difference" }));
    await waitFor(() => expect(sent(asked)[0]?.judged).toEqual({ trial: "t-1", result: "same" }));
  });

  it("shows what came of it, and nothing to begin on a plant that is gone", () => {
    const over = { ...trial, result: { on: "2026-11-23", result: "worse", note: "It went soft." } };
    show(<Trials file={file({ trials: [over], over: true })} />);
    expect(screen.getByRole("region", { name: "Trials" }).textContent).toContain("it did harm It went soft.");
    expect(screen.queryByRole("button")).toBeNull();
  });
});
