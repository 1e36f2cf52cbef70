import { Notifications } from "@mantine/notifications";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { type Asked, device, pageText, plantFile, Refusal, serve, show } from "../../testing/page";
import { CloseCase, Leave, LeftHere } from "./Ending";
import { Pass, type Recovery, StepBack } from "./Passing";

device();

const stage = (id: string, name: string) => ({ id, name, tooEarly: "Potted up too early, growth stops." });
const recovery = (more: object = {}) =>
  ({
    track: "orchid-water-bridge",
    trackName: "Water bridge",
    stages: [stage("cup", "cup"), stage("falling-dish", "falling dish"), stage("normal", "normal pot")],
    index: 1,
    gate: {
      open: false,
      conditions: [
        { wanted: "4 roots of 5 cm", status: "missing" },
        { wanted: "roots at the pot’s bottom", status: "unknown" },
        { wanted: "nothing rots", status: "met" },
      ],
    },
    ...more,
  }) as unknown as Recovery;

const entries = (asked: Asked[]) =>
  asked.filter((a) => a.path === "/api/plants/plant-1/entries").map((a) => a.body as Record<string, unknown>);
const kept = { "POST /api/plants/plant-1/entries": (a: Asked) => ({ ...(a.body as object), kind: "staged" }) };
const refused = (detail: string) => ({
  "POST /api/plants/plant-1/entries": new Refusal({ status: 409, detail }),
});

describe("passing to the next stage", () => {
  it("takes one tap when the gate is met", async () => {
    const asked = serve(kept);
    show(<Pass file={plantFile()} r={recovery({ gate: { open: true, conditions: [] } })} />);
    await userEvent.click(screen.getByRole("button", { name: "Pass to “normal pot”" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(1));
    expect(entries(asked)[0]).toMatchObject({
      on: "2026-11-24",
      staged: { track: "orchid-water-bridge", from: "falling-dish", to: "normal" },
    });
  });

  it("goes on to mended after the last gate", async () => {
    const asked = serve(kept);
    show(<Pass file={plantFile()} r={recovery({ index: 2, gate: { open: true, conditions: [] } })} />);
    await userEvent.click(screen.getByRole("button", { name: "Pass to “mended”" }));
    await waitFor(() => expect(entries(asked)[0]?.staged).toMatchObject({ from: "normal", to: "mended" }));
  });

  it("warns of what usually happens, and names what was not seen, before it passes without its gate", async () => {
    const asked = serve(kept);
    show(<Pass file={plantFile()} r={recovery()} />);
    await userEvent.click(screen.getByRole("button", { name: "Pass anyway" }));
    const asking = await screen.findByRole("dialog");
    expect(asking.textContent).toContain("Potted up too early, growth stops.");
    expect(
      within(asking)
        .getAllByRole("listitem")
        .map((l) => l.textContent),
    ).toEqual(["4 roots of 5 cm: not yet", "roots at the pot’s bottom: not looked"]);
    expect(entries(asked)).toHaveLength(0);
    await userEvent.type(within(asking).getByRole("textbox"), "the cup was needed");
    await userEvent.click(within(asking).getByRole("button", { name: "Pass it on" }));
    await waitFor(() => expect(entries(asked)[0]?.staged).toMatchObject({ reason: "the cup was needed" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("keeps the reason when it is refused, and sends the same entry again", async () => {
    const asked = serve(refused("A reason is wanted to move on without its gate."));
    show(<Pass file={plantFile()} r={recovery()} />);
    await userEvent.click(screen.getByRole("button", { name: "Pass anyway" }));
    const asking = await screen.findByRole("dialog");
    await userEvent.type(within(asking).getByRole("textbox"), "so");
    await userEvent.click(within(asking).getByRole("button", { name: "Pass it on" }));
    await within(asking).findByText(/A reason is wanted/);
    expect((within(asking).getByRole("textbox") as HTMLTextAreaElement).value).toBe("so");
    await userEvent.click(within(asking).getByRole("button", { name: "Pass it on" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(2));
    // The first may have been recorded while its answer was lost: the same id does nothing twice.
    expect(entries(asked)[1]?.id).toBe(entries(asked)[0]?.id);
    await userEvent.type(within(asking).getByRole("textbox"), " be it");
    await userEvent.click(within(asking).getByRole("button", { name: "Pass it on" }));
    await waitFor(() => expect(entries(asked)).toHaveLength(3));
    expect(entries(asked)[2]?.id).not.toBe(entries(asked)[0]?.id); // it says something else
  });

  it("keeps the words of a conflict when the page has moved on", async () => {
    serve(refused("It is now in the stage “normal pot”; somebody moved it since you opened this page."));
    const Moving = () => {
      const [moved, setMoved] = useState(false);
      return (
        <>
          <Notifications autoClose={false} />
          {!moved && <Pass file={plantFile()} r={recovery({ gate: { open: true, conditions: [] } })} />}
          <button type="button" onClick={() => setMoved(true)}>
            the page is read anew
          </button>
        </>
      );
    };
    show(<Moving />);
    await userEvent.click(screen.getByRole("button", { name: "Pass to “normal pot”" }));
    await waitFor(() => expect(screen.getAllByText(/somebody moved it/)).toHaveLength(2));
    await userEvent.click(screen.getByRole("button", { name: "the page is read anew" }));
    expect(screen.getAllByText(/somebody moved it/)).toHaveLength(1);
  });

  it("can be left as it is", async () => {
    const asked = serve(kept);
    show(<Pass file={plantFile()} r={recovery()} />);
    await userEvent.click(screen.getByRole("button", { name: "Pass anyway" }));
    await userEvent.click(within(await screen.findByRole("dialog")).getByRole("button", { name: "Leave it here" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(entries(asked)).toHaveLength(0);
  });
});

describe("a step back", () => {
  it("proposes the stage and the reason of a setback", async () => {
    const asked = serve(kept);
    const r = recovery({ index: 2, setback: { backTo: "cup", why: "rot found on 20 November", on: "2026-11-20" } });
    show(<StepBack file={plantFile()} r={r} />);
    await userEvent.click(screen.getByRole("button", { name: "Step back" }));
    const asking = await screen.findByRole("dialog");
    expect((within(asking).getByRole("radio", { name: "cup" }) as HTMLInputElement).checked).toBe(true);
    expect(within(asking).getByRole("textbox").getAttribute("placeholder")).toBe("rot found on 20 November");
    await userEvent.click(within(asking).getByRole("radio", { name: "falling dish" }));
    await userEvent.type(within(asking).getByRole("textbox"), "roots softened");
    await userEvent.click(within(asking).getByRole("button", { name: "Step back" }));
    await waitFor(() =>
      expect(entries(asked)[0]?.staged).toEqual({
        track: "orchid-water-bridge",
        from: "normal",
        to: "falling-dish",
        reason: "roots softened",
      }),
    );
  });

  it("offers only stages that lie behind it", async () => {
    serve(kept);
    show(<StepBack file={plantFile()} r={recovery()} />);
    await userEvent.click(screen.getByRole("button", { name: "Step back" }));
    const names = within(await screen.findByRole("dialog")).getAllByRole("radio");
    expect(names).toHaveLength(1);
  });
});

describe("the end of a case", () => {
  it("asks how it ended, and of what it died", async () => {
    const asked = serve(kept);
    show(<CloseCase file={plantFile()} of="case-1" />);
    await userEvent.click(screen.getByRole("button", { name: "Close the case" }));
    const asking = await screen.findByRole("dialog");
    expect(within(asking).getAllByRole("radio")).toHaveLength(4);
    within(asking).getByRole("textbox", { name: "Anything to remember" });
    await userEvent.click(within(asking).getByRole("radio", { name: "Lost" }));
    await userEvent.type(within(asking).getByRole("textbox", { name: /What it died of/ }), "frost");
    await userEvent.click(within(asking).getByRole("button", { name: "Close the case" }));
    await waitFor(() => expect(entries(asked)[0]?.closed).toEqual({ outcome: "lost", reason: "frost" }));
    expect(entries(asked)[0]?.case).toBe("case-1");
  });

  it("says how it ended, and is reopened under one id however often it is pressed", async () => {
    const asked = serve(refused("The record cannot be reached just now."));
    const file = plantFile({
      over: true,
      closed: { outcome: "lost", reason: "Frost at the door." },
      closedOn: "2026-11-20",
    } as Partial<PlantFile>);
    show(<LeftHere file={file} />);
    expect(pageText()).toContain("Lost on 20 November");
    expect(pageText()).toContain("Frost at the door.");
    expect(screen.getByRole("link", { name: "Look back over it" }).getAttribute("href")).toBe(
      "/plants/plant-1/look-back",
    );
    expect(screen.queryByRole("button", { name: "Look at it now" })).toBeNull();
    const reopen = screen.getByRole("button", { name: "It is here again" });
    await userEvent.click(reopen);
    await screen.findByText(/cannot be reached/);
    await userEvent.click(reopen);
    await waitFor(() => expect(entries(asked)).toHaveLength(2));
    expect(entries(asked)[0]).toEqual(entries(asked)[1]);
  });

  it("lets a plant leave without a case of its own", async () => {
    const asked = serve(kept);
    show(<Leave file={plantFile()} />);
    await userEvent.click(screen.getByRole("button", { name: "It is no longer here" }));
    const asking = await screen.findByRole("dialog");
    expect(within(asking).getAllByRole("radio")).toHaveLength(2);
    await userEvent.click(within(asking).getByRole("button", { name: "It is no longer here" }));
    await waitFor(() => expect(entries(asked)[0]?.closed).toEqual({ outcome: "given-away" }));
    expect(entries(asked)[0]?.case).toBeUndefined();
  });
});
