import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Differential } from "../../api/client";
import { device, knowledge, pageText, show, working } from "../../testing/page";
import { sayPercent } from "../words";
import { Doubts, SuspectList } from "./Suspects";

device();

const evidence = ["leaf.drooping", "root.smell", "leaf.crisp", "leaf.tips-brown"].map((sign, i) => ({
  sign,
  present: i !== 2,
  times: [12, 5, 3, 0.2][i] ?? 1,
  told: ["“Leaves hang limp”", "“It smells”", "“Leaves crackle” not there", "“Dry brown leaf tips”"][i],
  tells: true,
  without: 0.3,
}));

const differential = (more: Partial<Differential> = {}): Differential =>
  ({
    causes: [
      { id: "root-rot", chance: 0.82, prior: 0.08, evidence, standsOut: true, folded: false },
      { id: "drought", chance: 0.12, prior: 0.1, evidence: [], folded: false },
      { id: "old-leaf", chance: 0.03, prior: 0.15, evidence: [], folded: true },
    ],
    others: 40,
    sets: [
      { causes: ["root-rot"], chance: 0.4 },
      { causes: [], chance: 0.05 },
      { causes: ["drought", "root-rot"], chance: 0.02 },
    ],
    conditions: [],
    turns: [],
    working,
    ...more,
  }) as unknown as Differential;

describe("suspects", () => {
  it("stand by falling chance with what speaks for and against", async () => {
    show(<SuspectList differential={differential()} knowledge={knowledge} />);
    const rows = [...document.querySelectorAll("[data-cause]")];
    expect(rows.map((r) => r.getAttribute("data-cause"))).toEqual(["root-rot", "drought"]);
    const rot = rows[0]?.textContent ?? "";
    expect(rot).toContain("likely 82 %");
    expect(rot).toContain("for: “Leaves hang limp” ×12");
    expect(rot).toContain("“Leaves crackle” not there ×3");
    expect(rot).toContain("against: “Dry brown leaf tips” ÷5");
    expect(rows[1]?.textContent).toContain("Drought stress.");
    expect(pageText()).toContain("41 other causes come after these");
    expect(pageText()).toContain("Several can be true at once");
  });

  it("that the server folds are listed only when asked for, their figures one touch away", async () => {
    show(<SuspectList differential={differential()} knowledge={knowledge} />);
    expect([...document.querySelectorAll("[data-cause]")].map((r) => r.getAttribute("data-cause"))).toEqual([
      "root-rot",
      "drought",
    ]);
    await userEvent.click(screen.getByRole("button", { name: "more causes" }));
    expect(document.querySelectorAll("[data-cause]")).toHaveLength(3);
    const faint = document.querySelector('[data-cause="old-leaf"]');
    expect(faint?.textContent).not.toContain("3.0 %");
    await userEvent.click(screen.getByRole("button", { name: /^how likely\? Ordinary/ }));
    expect(faint?.textContent).toContain("3.0 %");
  });

  it("that were seen as conditions have no figure", () => {
    show(<SuspectList differential={differential({ conditions: ["root-rot"] })} knowledge={knowledge} />);
    const rot = document.querySelector('[data-cause="root-rot"]')?.textContent;
    expect(rot).toContain("seen");
    expect(rot).not.toContain("82 %");
  });

  it("open to more causes and to what comes together", async () => {
    show(<SuspectList differential={differential()} knowledge={knowledge} />);
    await userEvent.click(screen.getByRole("button", { name: "more causes" }));
    expect(document.querySelectorAll("[data-cause]")).toHaveLength(3);
    expect(pageText()).toContain("none of these");
    expect(pageText()).toContain("drought stress and root rot");
  });

  it("let causes be accepted", async () => {
    const accept = vi.fn();
    show(<SuspectList differential={differential()} knowledge={knowledge} accepted={["root-rot"]} onAccept={accept} />);
    await userEvent.click(screen.getByRole("checkbox", { name: "Drought stress" }));
    expect(accept).toHaveBeenCalledWith("drought", true);
    await userEvent.click(screen.getByRole("checkbox", { name: "Root rot" }));
    expect(accept).toHaveBeenCalledWith("root-rot", false);
  });

  it("open a number to its working", async () => {
    show(<SuspectList differential={differential()} knowledge={knowledge} />);
    await userEvent.click(screen.getByRole("button", { name: "How these chances came about" }));
    expect(await screen.findByText("1 + 1")).toBeTruthy();
  });
});

describe("doubts", () => {
  it("name the answer on which the leading cause hangs", () => {
    show(
      <Doubts
        knowledge={knowledge}
        differential={differential({
          hinge: { cause: "root-rot", sign: "root.smell", present: true, chance: 0.82, without: 0.2 },
        })}
      />,
    );
    expect(pageText()).toContain("It hangs on one answer: “a sour smell”");
    expect(pageText()).toContain("from 82 % to 20 %");
  });

  it("name what would change the picture", () => {
    show(
      <Doubts
        knowledge={knowledge}
        differential={differential({
          turns: [
            { sign: "leaf.crisp", present: true, answer: 0.1, falls: 0.1, leads: { id: "drought", chance: 0.7 } },
            { sign: "root.mushy", present: false, answer: 0.3, falls: 0.3, leads: { id: "root-rot", chance: 0.3 } },
          ],
        })}
      />,
    );
    const text = pageText();
    expect(text).toContain("leaves crackle (10 times in 100): root rot goes to 10 %, drought stress leads with 70 %");
    expect(text).toContain("not: roots brown and soft (30 times in 100): root rot goes to 30 %");
    expect(text).not.toContain("goes to 30 %, root rot leads");
  });

  it("say so when nothing would", () => {
    show(<Doubts knowledge={knowledge} differential={differential()} />);
    expect(pageText()).toContain("No single further look would change the picture.");
  });
});

describe("a chance in per cent", () => {
  it("is never certain, and finer where it is small", () => {
    expect(sayPercent(0.999)).toBe("over 99 %");
    expect(sayPercent(0.82)).toBe("82 %");
    expect(sayPercent(0.034)).toBe("3.4 %");
    expect(sayPercent(0)).toBe("0 %");
    expect(sayPercent(1)).toBe("100 %");
  });
});
