import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { device, knowledge, pageText, show, working } from "../../testing/page";
import { answered, answersOf, emptyLook, graded, quiet, sureOf } from "./look";
import { NextChecks } from "./NextChecks";
import { PartPanel } from "./PartPanel";

device();

const crisp = { id: "leaf.crisp", expert: false };
const plain = { put: vi.fn(), sure: vi.fn(), grade: vi.fn() };

describe("answers", () => {
  it("move a sign from one answer to the other, and back to not looked", () => {
    const seen = answered(emptyLook(), crisp, "present");
    expect(seen.present).toEqual(["leaf.crisp"]);
    const absent = answered(seen, crisp, "absent");
    expect(absent.present).toEqual([]);
    expect(absent.absent).toEqual(["leaf.crisp"]);
    const open = answered(absent, crisp, "absent");
    expect(open.absent).toEqual([]);
    expect(open.id).toBe(seen.id);
  });

  it("deny what a quiet part denies, but never overrule an answer", () => {
    const seen = answered(emptyLook(), crisp, "present");
    const all = quiet(seen, ["leaf.crisp", "leaf.drooping"]);
    expect(all.present).toEqual(["leaf.crisp"]);
    expect(all.absent).toEqual(["leaf.drooping"]);
    expect(quiet(all, ["leaf.drooping"]).absent).toEqual(["leaf.drooping"]);
    expect(all.unsure).toEqual(["leaf.drooping"]);
  });

  it("are only thought so where they want a trained eye, until one is sure", () => {
    const lens = { id: "pest.flat-red", expert: true };
    const seen = answered(emptyLook(), lens, "present");
    expect(seen.unsure).toEqual(["pest.flat-red"]);
    expect(sureOf(seen, "pest.flat-red", "sure").unsure).toEqual([]);
    const sure = sureOf(seen, "pest.flat-red", "sure");
    expect(sureOf(sure, "pest.flat-red", "thought").unsure).toEqual(["pest.flat-red"]);
    expect(answered(emptyLook(), lens, "absent").unsure).toEqual([]);
    const open = answered(seen, lens, "unknown");
    expect([open.present, open.unsure, open.unknown]).toEqual([[], [], ["pest.flat-red"]]);
  });

  it("are looked for twice, which makes them sure and goes with the answer", () => {
    const lens = { id: "pest.flat-red", expert: true };
    const twice = sureOf(answered(emptyLook(), lens, "present"), lens.id, "twice");
    expect([twice.unsure, twice.again]).toEqual([[], ["pest.flat-red"]]);
    expect(answersOf(twice).again).toEqual(["pest.flat-red"]);
    expect(sureOf(emptyLook(), "leaf.crisp", "twice").present).toEqual(["leaf.crisp"]);
    expect(answersOf(sureOf(twice, lens.id, "thought")).again).toBeUndefined();
    expect(answersOf(answered(twice, lens, "absent")).again).toBeUndefined();
  });

  it("say how much there is, which goes with the answer", () => {
    const seen = graded(answered(emptyLook(), crisp, "present"), "leaf.crisp", "many");
    expect(answersOf(seen).degrees).toEqual({ "leaf.crisp": "many" });
    expect(answersOf(graded(seen, "leaf.crisp", "many")).degrees).toBeUndefined();
    expect(answersOf(answered(seen, crisp, "absent")).degrees).toBeUndefined();
  });
});

const [leaves, pot] = knowledge.zones;
const leafSigns = knowledge.signs.filter((s) => s.zone === "leaves");

function panel(more: Partial<Parameters<typeof PartPanel>[0]> = {}) {
  const put = vi.fn();
  const nothing = vi.fn();
  const go = vi.fn();
  show(
    <PartPanel
      zone={leaves as never}
      next={pot}
      at={0}
      of={3}
      signs={leafSigns}
      ask={{ zone: "leaves", signs: ["leaf.tips-brown", "leaf.drooping"], quiet: ["leaf.tips-brown"] }}
      wanted={[]}
      draft={{ present: [], absent: [] }}
      quiet={nothing}
      go={go}
      ruledOut={[]}
      {...plain}
      put={put}
      {...more}
    />,
  );
  return { put, nothing, go };
}

const shownSigns = () => [...document.querySelectorAll("[data-sign]")].map((e) => e.getAttribute("data-sign"));

describe("the signs of a part", () => {
  it("stand in the order of the guide, the rarer ones folded away", async () => {
    panel();
    expect(shownSigns()).toEqual(["leaf.tips-brown", "leaf.drooping"]);
    await userEvent.click(screen.getByRole("button", { name: "1 rarer sign of this part" }));
    expect(shownSigns()).toEqual(["leaf.tips-brown", "leaf.drooping", "leaf.crisp"]);
  });

  it("show a folded sign that was answered, or that something points to", () => {
    panel({ draft: { present: ["leaf.crisp"], absent: [] } });
    expect(shownSigns()).toContain("leaf.crisp");
    cleanup();
    panel({ wanted: ["leaf.crisp"] });
    expect(shownSigns()).toContain("leaf.crisp");
  });

  it("show all where the guide asks none", () => {
    panel({ ask: { zone: "leaves", signs: [], quiet: [] } });
    expect(shownSigns()).toHaveLength(3);
    expect(screen.queryByRole("button", { name: /Looked: nothing/ })).toBeNull();
  });

  it("take the answers, each by its name", async () => {
    const { put, nothing, go } = panel();
    await userEvent.click(screen.getByRole("button", { name: "seen: Leaves hang limp" }));
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ id: "leaf.drooping" }), "present");
    await userEvent.click(screen.getByRole("button", { name: "not there: Dry brown leaf tips" }));
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ id: "leaf.tips-brown" }), "absent");
    await userEvent.click(screen.getByRole("button", { name: "Looked: nothing else here" }));
    expect(nothing).toHaveBeenCalled();
    await userEvent.click(screen.getByRole("button", { name: "next: pot" }));
    expect(go).toHaveBeenCalledWith("pot");
  });

  it("say what a sign looks like and what it is taken for", async () => {
    panel();
    const ask = screen.getByRole("button", { name: "Like what: Leaves hang limp" });
    expect(ask.getAttribute("aria-expanded")).toBe("false");
    await userEvent.click(ask);
    expect(pageText()).toContain("like this");
    expect(pageText()).toContain("not that");
  });

  it("say what is ruled out, and what stands beside", () => {
    panel({ ruledOut: ["leaf.drooping"], beside: (s) => s.id === "leaf.tips-brown" && <span>by the record</span> });
    expect(document.querySelector('[data-sign="leaf.drooping"]')?.textContent).toContain("ruled out");
    expect(document.querySelector('[data-sign="leaf.tips-brown"]')?.textContent).toContain("by the record");
  });
});

const check = (sign: string): Schemas["Check"] => ({
  sign,
  minutes: 1,
  bits: 0.4,
  worth: 0.1,
  working,
  outcomes: {
    cost: 3,
    seen: 0.2,
    ifSeen: [
      { id: "root-rot", chance: 0.8 },
      { id: "drought", chance: 0.1 },
    ],
    ifNot: [{ id: "drought", chance: 0.6 }],
  },
});

describe("the next look", () => {
  it("says how, what each answer would mean, and offers another", async () => {
    const put = vi.fn();
    const see = vi.fn();
    show(
      <NextChecks
        checks={[check("root.smell"), check("leaf.crisp")]}
        knowledge={knowledge}
        draft={emptyLook()}
        today="2026-11-24"
        waits={{ "root.smell": { since: "2026-11-01", on: "2026-11-24" }, "leaf.crisp": { on: "2026-12-08" } }}
        show={see}
        {...plain}
        put={put}
      />,
    );
    const box = screen.getByTestId("next-check");
    expect(box.textContent).toContain("how to see: A sour smell");
    expect(box.textContent).toContain("root rot 80 %, drought stress 10 %");
    expect(box.textContent).toContain("If not: drought stress 60 %");
    expect(box.textContent).toContain("Compare with the look of 1 November.");
    expect(box.textContent).not.toContain("crackle");
    await userEvent.click(screen.getByRole("button", { name: "or another look" }));
    expect(box.textContent).toContain("Leaves crackle");
    expect(box.textContent).toContain("Begin today, answer on 8 December.");
    await userEvent.click(screen.getByRole("button", { name: "seen: A sour smell (next look)" }));
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ id: "root.smell" }), "present");
    await userEvent.click(screen.getByRole("button", { name: "a sour smell?" }));
    expect(see.mock.calls[0]?.[0].id).toBe("root.smell");
  });

  it("asks once more for the one sign on which all hangs, beside what it is taken for", async () => {
    const put = vi.fn();
    const sure = vi.fn();
    const draft = { ...emptyLook(), present: ["root.smell"] };
    const again = { ...check("root.smell"), again: true, reason: "All hangs on this one sign." };
    show(
      <NextChecks
        checks={[again]}
        knowledge={knowledge}
        draft={draft}
        today="2026-11-24"
        show={vi.fn()}
        {...plain}
        put={put}
        sure={sure}
      />,
    );
    const box = screen.getByTestId("next-check");
    expect(box.textContent).toContain("Once more: ");
    expect(box.textContent).toContain("All hangs on this one sign.");
    expect(box.textContent).toContain("Not to be taken for it:");
    await userEvent.click(screen.getByRole("button", { name: "still there: A sour smell (second look)" }));
    expect(sure).toHaveBeenCalledWith(expect.objectContaining({ id: "root.smell" }), "twice");
    await userEvent.click(screen.getByRole("button", { name: "not there after all: A sour smell (second look)" }));
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ id: "root.smell" }), "absent");
  });

  it("takes the focus along when the answered one gives way, so that the next is never answered unread", async () => {
    function Looking() {
      const [open, setOpen] = useState(["root.smell", "leaf.crisp"]);
      const put = (s: { id: string }) => setOpen(open.filter((o) => o !== s.id));
      const checks = open.map(check);
      return (
        <NextChecks {...{ checks, knowledge, draft: emptyLook(), today: "2026-11-24", show: vi.fn(), ...plain, put }} />
      );
    }
    show(<Looking />);
    screen.getByRole("button", { name: "not there: A sour smell (next look)" }).focus();
    await userEvent.keyboard("{Enter}{Enter}");
    expect(document.activeElement).toBe(screen.getByTestId("next-check"));
    expect(screen.getByTestId("next-check").textContent).toContain("Leaves crackle");
    screen.getByRole("button", { name: "seen: Leaves crackle (next look)" }).focus();
    await userEvent.keyboard("{Enter}");
    expect(document.activeElement).toBe(screen.getByTestId("no-check"));
  });

  it("says when no look is worth it", () => {
    show(<NextChecks checks={[]} knowledge={knowledge} draft={emptyLook()} today="" show={vi.fn()} {...plain} />);
    expect(pageText()).toContain("No further look is worth its trouble.");
  });
});
