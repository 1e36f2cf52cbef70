import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { type Asked, device, knowledge, pageText, serve, show } from "../../testing/page";
import { BoxIn } from "./BoxIn";

device();

const one = (n: number, more: object = {}) => ({
  line: 1,
  name: `Moth orchid ${n}`,
  label: `T-04${n}`,
  kinds: ["phal"],
  habit: "monopodial-orchid",
  price: 2.5,
  present: [],
  absent: [],
  ...more,
});
const read = {
  plants: [one(1), one(2, { present: [{ sign: "root.mushy", sure: true }] })],
  problems: [{ line: 3, why: "say what it is" }],
  kinds: [{ id: "phal", botanical: "Phalaenopsis equestris", habit: "monopodial-orchid" }],
  pattern: "T-###",
};
const kept = (a: Asked) => ({
  kept: (a.body as { entries: { plant: string; id: string }[] }).entries.map((e) => ({ plant: e.plant, entry: e.id })),
  refused: [],
});
const answers = (box: object = read) => ({
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "GET /api/knowledge": knowledge,
  "GET /api/places": { places: [{ id: "cage", name: "Cage", plants: 1 }] },
  "POST /api/box": box,
  "POST /api/entries": kept,
});
const sent = (asked: Asked[]) =>
  asked
    .filter((a) => a.path === "/api/entries")
    .flatMap((a) => (a.body as { entries: Record<string, unknown>[] }).entries);

describe("a box", () => {
  it("is read line by line, put right one by one, and taken in with what is said once for all", async () => {
    const asked = serve(answers());
    show(<BoxIn />);
    const list = await screen.findByRole("textbox", { name: "What is in it" });
    await userEvent.type(list, "2 x moth orchid");
    const name = await screen.findByRole("textbox", { name: "Name of plant 1" });
    expect(pageText()).toContain("Line 3, left out: say what it is.");
    expect(pageText()).toContain("Phalaenopsis equestris");
    await userEvent.clear(name);
    await userEvent.type(name, "The small one");
    await userEvent.type(screen.getByRole("textbox", { name: "Seller or source" }), "Quay market");
    await userEvent.click(screen.getByRole("button", { name: "Take in 2 plants" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(3));
    const [first, second, look] = sent(asked);
    expect(first).toMatchObject({
      arrived: {
        name: "The small one",
        label: "T-041",
        profile: "phal",
        price: 2.5,
        from: "Quay market",
        isolated: true,
      },
    });
    expect(second).toMatchObject({ arrived: { name: "Moth orchid 2", box: expect.stringContaining("Quay market") } });
    expect(look).toMatchObject({ examined: { present: ["root.mushy"], absent: [] } });
    expect(look?.plant).toBe(second?.plant);
    expect(window.localStorage.getItem("box-in")).toContain('"text":""');
  });

  it("takes one in as the others, but in another pot and place with a word of its own", async () => {
    const asked = serve(answers({ ...read, problems: [], plants: [one(1), one(2), one(3)] }));
    show(<BoxIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "What is in it" }), "3 x moth orchid");
    await userEvent.click(await screen.findByRole("button", { name: "Moth orchid 2 is as the others, but …" }));
    await userEvent.type(screen.getByRole("textbox", { name: "Pot of Moth orchid 2, inner width" }), "9");
    await userEvent.selectOptions(screen.getByRole("combobox", { name: "Place of Moth orchid 2" }), "cage");
    await userEvent.type(screen.getByRole("textbox", { name: "A word on Moth orchid 2" }), "snapped spike");
    await userEvent.click(screen.getByRole("button", { name: "Moth orchid 3 is as the others, but …" }));
    await userEvent.click(screen.getByRole("button", { name: "Moth orchid 3 is as the last" }));
    await userEvent.clear(screen.getByRole("textbox", { name: "A word on Moth orchid 3" }));
    await userEvent.click(screen.getByRole("button", { name: "Take in 3 plants" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(3));
    const [first, second, third] = sent(asked).map((e) => e.arrived as Record<string, unknown>);
    expect(first?.potWidthCm).toBeUndefined();
    expect(first?.note).toBeUndefined();
    expect(second).toMatchObject({ potWidthCm: 9, place: "cage", note: "snapped spike" });
    expect(third).toMatchObject({ potWidthCm: 9, place: "cage" });
    expect(third?.note).toBeUndefined();
  });

  it("leaves out what is left out, and waits for how those grow of which no kind is known", async () => {
    const unknown = { ...read, problems: [], plants: [one(1), one(2, { kinds: [], habit: "" })] };
    const asked = serve(answers(unknown));
    show(<BoxIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "What is in it" }), "two");
    await screen.findByText(/It waits for how they grow/);
    expect(screen.getByRole("button", { name: "Take in 2 plants" }).hasAttribute("disabled")).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: "Leave out: Moth orchid 2" }));
    await userEvent.click(screen.getByRole("button", { name: "Take in 1 plant" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(1));
  });

  it("says which labels are taken, with those written by hand and without those left out", async () => {
    const asked = serve({ ...answers(), "POST /api/box": { ...read, plants: [one(1, { again: true }), one(2)] } });
    show(<BoxIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "What is in it" }), "two");
    expect((await screen.findAllByText("taken already")).length).toBe(1);
    await userEvent.type(screen.getByRole("textbox", { name: "Label of Moth orchid 2" }), "x");
    await userEvent.click(screen.getByRole("button", { name: "Leave out: Moth orchid 1" }));
    expect(screen.queryByText("taken already")).toBeNull();
    await waitFor(() => {
      const last = asked.filter((a) => a.path === "/api/box").at(-1)?.body;
      expect(last).toMatchObject({ labels: ["", "T-042x"], left: [0] });
    });
  });

  it("keeps what was typed where some of it is refused, and sends it with the same ids again", async () => {
    let tries = 0;
    const serving = { box: { ...read, problems: [] } as object };
    const asked = serve({
      ...answers(),
      "POST /api/box": () => serving.box,
      "POST /api/entries": (a: Asked) => {
        tries++;
        const all = kept(a);
        if (tries > 1) return all;
        return { kept: [], refused: [{ plant: all.kept[1]?.plant, problem: { detail: "Not so." } }] };
      },
    });
    show(<BoxIn />);
    await userEvent.type(await screen.findByRole("textbox", { name: "What is in it" }), "two");
    await userEvent.click(await screen.findByRole("button", { name: "Take in 2 plants" }));
    const said = (await screen.findByRole("alert")).textContent;
    expect(said).toContain("Nothing of the box is taken in yet");
    expect(said).toContain("Moth orchid 2: Not so.");
    const before = sent(asked).map((e) => e.id);
    // Another line is put before them: what was sent keeps its ids all the same.
    const longer = { ...read, problems: [], plants: [one(9), ...read.plants] };
    serving.box = longer;
    await userEvent.type(screen.getByRole("textbox", { name: "What is in it" }), " and one");
    await userEvent.click(await screen.findByRole("button", { name: "Take in 3 plants" }));
    await waitFor(() => expect(sent(asked)).toHaveLength(7));
    expect(
      sent(asked)
        .slice(4)
        .map((e) => e.id),
    ).toEqual(before);
  });
});
