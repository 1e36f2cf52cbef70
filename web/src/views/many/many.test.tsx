import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { type Asked, device, knowledge, Refusal, serve, show } from "../../testing/page";
import { PickAll, PickBox } from "./PickBox";
import { usePicked } from "./picked";
import { WhenPicked } from "./WhenPicked";

device();

const today = "2026-11-24";
const plants = ["Fern", "Palm", "Hoya"].map((name) => ({ id: name.toLowerCase(), name }));

function Shelf() {
  const picking = usePicked();
  return (
    <>
      <PickAll plants={plants} of="the sill" picking={picking} />
      {plants.map((p) => (
        <PickBox key={p.id} plant={p} picking={picking} />
      ))}
      <WhenPicked picking={picking} today={today} />
    </>
  );
}

interface Sent {
  plant: string;
  id: string;
  on: string;
  despite?: string[];
  [kind: string]: unknown;
}

const sent = (asked: Asked[]) =>
  asked.filter((a) => a.method === "POST").map((a) => (a.body as { entries: Sent[] }).entries);
const kept = (a: Asked) => ({
  kept: (a.body as { entries: Sent[] }).entries.map((e) => ({ plant: e.plant, entry: e.id })),
  refused: [],
});
const answers = (many: unknown) => ({
  "GET /api/knowledge": knowledge,
  "GET /api/places": { places: [{ id: "sill", name: "North sill", plants: 3 }] },
  "GET /api/session": { signedIn: true, today },
  "POST /api/entries": many,
});
const bar = () => screen.findByRole("region", { name: "The picked plants" });

describe("several plants at once", () => {
  it("are watered by three taps, and undone by one", async () => {
    const asked = serve(answers(kept));
    show(<Shelf />);
    expect(screen.queryByRole("region", { name: "The picked plants" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "pick all 3 of the sill" }));
    expect((await bar()).textContent).toContain("3 plants picked.");
    await userEvent.click(within(await bar()).getByRole("button", { name: "watered" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]?.map(({ plant, on, watered }) => [plant, on, watered])).toEqual(
      plants.map((p) => [p.id, today, {}]),
    );
    await waitFor(() => expect(screen.queryByRole("region", { name: "The picked plants" })).toBeNull());
  });

  it("are picked and left out one by one, and do what is said of any day", async () => {
    const asked = serve(answers(kept));
    show(<Shelf />);
    await userEvent.click(screen.getByRole("checkbox", { name: "Pick Fern" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Pick Palm" }));
    await userEvent.click(screen.getByRole("checkbox", { name: "Pick Fern" }));
    await userEvent.click(within(await bar()).getByRole("button", { name: "on another day …" }));
    const day = screen.getByLabelText("On");
    await userEvent.clear(day);
    await userEvent.type(day, "2026-11-20");
    await userEvent.click(within(await bar()).getByRole("button", { name: "firm" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
    expect(sent(asked)[0]).toMatchObject([
      { plant: "palm", on: "2026-11-20", checked: { readings: [{ measure: "wilt", value: 0 }] } },
    ]);
  });

  it("are moved together, or noted together", async () => {
    const asked = serve(answers(kept));
    show(<Shelf />);
    await userEvent.click(screen.getByRole("button", { name: "pick all 3 of the sill" }));
    await userEvent.click(within(await bar()).getByRole("button", { name: "moved to …" }));
    await userEvent.type(await screen.findByLabelText("Tray, where they share one"), "green ");
    await userEvent.click(await screen.findByRole("combobox", { name: "Where they went" }));
    await userEvent.click(await screen.findByRole("option", { name: "North sill" }));
    await waitFor(() =>
      expect(sent(asked)[0]?.[2]).toMatchObject({ plant: "hoya", moved: { place: "sill", tray: "green" } }),
    );
    await waitFor(() => expect(screen.queryByRole("region", { name: "The picked plants" })).toBeNull());
    await userEvent.click(screen.getByRole("checkbox", { name: "Pick Hoya" }));
    await userEvent.click(within(await bar()).getByRole("button", { name: "note …" }));
    await userEvent.type(screen.getByLabelText("The note"), "turned");
    await userEvent.click(screen.getByRole("button", { name: "Note it" }));
    await waitFor(() => expect(sent(asked)[1]).toMatchObject([{ plant: "hoya", noted: { text: "turned" } }]));
  });

  it("say of each what was not recorded, and record it all the same when it is meant", async () => {
    const doubt = {
      type: "urn:problem:is-it-meant",
      status: 422,
      detail: "Watered 20 s ago already.",
      errors: [{ location: "body.despite", message: "Watered 20 s ago already.", value: "watered-today" }],
    };
    const asked = serve(
      answers((a: Asked) => {
        const { entries } = a.body as { entries: Sent[] };
        const no = entries.filter((e) => e.plant === "fern" && !e.despite);
        return {
          kept: entries.filter((e) => !no.includes(e)).map((e) => ({ plant: e.plant, entry: e.id })),
          refused: no.map((e) => ({ plant: e.plant, problem: doubt })),
        };
      }),
    );
    show(<Shelf />);
    await userEvent.click(screen.getByRole("button", { name: "pick all 3 of the sill" }));
    await userEvent.click(within(await bar()).getByRole("button", { name: "watered" }));
    expect((await screen.findByRole("alert")).textContent).toContain("Fern, not recorded: Watered 20 s ago already.");
    expect((await bar()).textContent).toContain("1 plant picked.");
    await userEvent.click(screen.getByRole("button", { name: "watered, all the same: 1 plant" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(2));
    expect(sent(asked)[1]).toMatchObject([{ plant: "fern", watered: {}, despite: ["watered-today"] }]);
    await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
  });

  it("stay picked when nothing could be recorded, and keep their ids when sent again", async () => {
    const asked = serve(answers(new Refusal({ status: 503, detail: "The record cannot be reached just now." })));
    show(<Shelf />);
    await userEvent.click(screen.getByRole("button", { name: "pick all 3 of the sill" }));
    for (const times of [1, 2]) {
      await userEvent.click(within(await bar()).getByRole("button", { name: "still moist" }));
      await waitFor(() => expect(sent(asked)).toHaveLength(times));
      await screen.findByText("The record cannot be reached just now.");
    }
    expect((await bar()).textContent).toContain("3 plants picked.");
    expect(sent(asked)[1]?.map((e) => e.id)).toEqual(sent(asked)[0]?.map((e) => e.id));
  });
});
