import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Outlet, Route, Routes } from "react-router";
import { describe, expect, it } from "vitest";
import type { Knowledge } from "../../api/client";
import { device, knowledge, Refusal, serve, show, working } from "../../testing/page";
import { Glossary } from "./Glossary";
import { KindKey } from "./KindKey";
import { Learning } from "./Learning";

device();

const score = (brier: number) => ({
  cases: 12,
  brier,
  logLoss: 1.2,
  intervals: { firstTrue: [0.7, 1], mainIn3: [0.9, 1], brier: [0.2, 0.4], logLoss: [1, 2] },
});
const learnt = { cause: "root-rot", sign: "root.smell", table: 0.7, mean: 0.78, interval: [0.66, 0.88], count: 4.5 };
const learning = {
  cases: 12,
  own: 9,
  taken: 3,
  switches: { priors: false, links: false, backgrounds: false },
  priors: [],
  links: [learnt],
  backgrounds: [],
  working,
};
const whole = knowledge as unknown as Knowledge;

describe("what the cases teach", () => {
  it("stands beside the tables with the score of both, and is switched on table by table", async () => {
    const asked = serve({
      "GET /api/learning": learning,
      "GET /api/learning/scores": { table: score(0.31), learned: score(0.29) },
      "PUT /api/learning": (a: { body: unknown }) => ({ ...learning, switches: a.body }),
    });
    show(<Learning knowledge={whole} />);
    await userEvent.click(await screen.findByRole("button", { name: "Score both on these cases" }));
    const scores = await screen.findByTestId("learned-scores");
    expect(scores.textContent).toContain("0.310");
    expect(scores.textContent).toContain("0.290");
    const links = screen.getByRole("region", { name: "How often a cause shows a sign" });
    expect(links.textContent).toContain("Root rot: A sour smell");
    expect(links.textContent).toContain("66 % to 88 %");
    await userEvent.click(within(links).getByRole("switch"));
    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    expect(asked.find((a) => a.method === "PUT")?.body).toEqual({ priors: false, links: true, backgrounds: false });
    await waitFor(() => expect((within(links).getByRole("switch") as HTMLInputElement).checked).toBe(true));
  });

  it("takes in a file of others, and says why not", async () => {
    let refuse = true;
    serve({
      "GET /api/learning": learning,
      "POST /api/confirmed/cases": () => {
        if (refuse)
          return new Refusal({ status: 422, detail: "Nothing of this file was taken in. Line 1: broken JSON." });
        return { added: 2, known: 1 };
      },
    });
    show(<Learning knowledge={whole} />);
    await screen.findByText("Take in cases of others");
    const pick = document.querySelector('input[type="file"]') as HTMLInputElement;
    await userEvent.upload(pick, new File(["["], "cases.json", { type: "application/json" }));
    expect(await screen.findByText(/Nothing of this file was taken in/)).toBeTruthy();
    refuse = false;
    await userEvent.upload(pick, new File(["[]"], "more.json", { type: "application/json" }));
    expect(await screen.findByText(/2 cases taken in, 1 known already/)).toBeTruthy();
  });
});

const inBook = (page: React.ReactNode, path: string, at: string) => (
  <Routes>
    <Route element={<Outlet context={whole} />}>
      <Route path={path} element={page} />
      <Route path="*" element={<a href={at}>go</a>} />
    </Route>
  </Routes>
);

describe("the printed key and the glossary", () => {
  it("leads from what is seen to what it may be and what is done first", async () => {
    serve({
      "GET /api/profiles/fern-1/key": {
        botanical: "Nephrolepis",
        common: "sword fern",
        rows: [
          {
            zone: "pot",
            sign: "root.smell",
            with: "leaf.drooping",
            cause: "root-rot",
            alike: "drought",
            apart: "leaf.crisp",
            daysToAct: 2,
            soon: true,
            first: "",
          },
        ],
      },
    });
    show(inBook(<KindKey />, "/handbook/kinds/:kind/key", ""), undefined, "/handbook/kinds/fern-1/key");
    const key = await screen.findByTestId("key");
    expect(key.textContent).toContain("Pot");
    expect(key.textContent).toContain("A sour smell");
    expect(key.textContent).toContain("Root rot act within 2 days");
    expect(key.textContent).toContain("Drought stress: ");
    expect(key.querySelector("svg")).toBeTruthy();
  });

  it("finds a word, or says that there is none", async () => {
    show(inBook(<Glossary />, "/handbook/glossary", ""), undefined, "/handbook/glossary");
    expect((await screen.findByTestId("glossary")).textContent).toContain("crown");
    await userEvent.type(screen.getByRole("textbox", { name: "Find a word" }), "zzz");
    expect(screen.getByText("No such word here.")).toBeTruthy();
  });
});
