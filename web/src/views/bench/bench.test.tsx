import { Notifications } from "@mantine/notifications";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, knowledge, Refusal, serve, show, working } from "../../testing/page";
import { Cupboard } from "./Cupboard";
import { DilutionBench } from "./LiquidBench";

device();

const perlite = { id: "s1", name: "Perlite", unit: "l", low: 2, stock: 1.5, price: 0.8, version: 3 };
const soap = { id: "s2", name: "Mild soap", unit: "ml", low: 0, stock: 500, version: 1 };
const answers = {
  "GET /api/session": { signedIn: true, today: "2026-11-24" },
  "GET /api/supplies": { supplies: [soap, perlite] },
  "GET /api/knowledge": knowledge,
  "GET /api/plants": { plants: [{ id: "plant-1", name: "Fern by the door", label: "T-1" }], total: 1 },
};

const sent = (asked: ReturnType<typeof serve>, path: string) =>
  asked.filter((a) => a.method !== "GET" && a.path === path).map((a) => a.body as Record<string, unknown>);

describe("the cupboard", () => {
  it("says what runs low, and takes in and out by hand", async () => {
    const asked = serve({ ...answers, "POST /api/supplies/s1/stock": { supplies: [soap, perlite] } });
    show(<Cupboard />);
    const row = (await screen.findByText(/· low/)).closest("tr") as HTMLElement;
    expect(row.getAttribute("data-supply")).toBe("Perlite");
    expect((within(row).getByRole("button", { name: "in" }) as HTMLButtonElement).disabled).toBe(true);
    await userEvent.type(within(row).getByRole("textbox", { name: "How much Perlite" }), "2.5");
    await userEvent.click(within(row).getByRole("button", { name: "out" }));
    await waitFor(() => expect(sent(asked, "/api/supplies/s1/stock")).toHaveLength(1));
    expect(sent(asked, "/api/supplies/s1/stock")[0]).toMatchObject({ amount: -2.5, on: "2026-11-24" });
    await waitFor(() =>
      expect((within(row).getByRole("textbox", { name: "How much Perlite" }) as HTMLInputElement).value).toBe(""),
    );
  });

  it("keeps what was typed when it is refused", async () => {
    serve({
      ...answers,
      "POST /api/supplies/s1/stock": new Refusal({ status: 503, detail: "Try again in a moment." }),
    });
    show(<Cupboard />);
    const field = (await screen.findByRole("textbox", { name: "How much Perlite" })) as HTMLInputElement;
    await userEvent.type(field, "4");
    await userEvent.click(within(field.closest("tr") as HTMLElement).getByRole("button", { name: "in" }));
    expect(await screen.findByText("Try again in a moment.")).toBeTruthy();
    expect(field.value).toBe("4");
  });

  it("takes a new supply once, with what it is counted in", async () => {
    const asked = serve(answers);
    show(<Cupboard />);
    await userEvent.type(await screen.findByRole("textbox", { name: "Supply" }), "Fine bark");
    await userEvent.type(screen.getByRole("textbox", { name: "Low at" }), "3");
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    await waitFor(() => expect(asked.some((a) => a.method === "PUT")).toBe(true));
    const put = asked.find((a) => a.method === "PUT");
    expect(put?.path).toMatch(/^\/api\/supplies\/[0-9a-f-]{36}$/);
    expect(put?.body).toMatchObject({ name: "Fine bark", unit: "l", low: 3, version: 0 });
  });

  it("brings back what was taken off the list, from the version after", async () => {
    const asked = serve({ ...answers, "PUT /api/supplies/s1": { supplies: [soap] } });
    show(
      <>
        <Notifications autoClose={false} />
        <Cupboard />
      </>,
    );
    await userEvent.click(await screen.findByRole("button", { name: "Take Perlite off the list" }));
    await userEvent.click(await screen.findByRole("button", { name: "Bring back" }));
    await waitFor(() => expect(sent(asked, "/api/supplies/s1")).toHaveLength(2));
    expect(sent(asked, "/api/supplies/s1")).toMatchObject([
      { name: "Perlite", version: 3, withdrawn: true },
      { name: "Perlite", version: 4, withdrawn: false },
    ]);
  });

  it("says so while it is empty, and when it cannot be read", async () => {
    serve({ ...answers, "GET /api/supplies": { supplies: [] } });
    const { unmount } = show(<Cupboard />);
    expect(await screen.findByText(/Nothing is kept here yet/)).toBeTruthy();
    unmount();
    serve({ ...answers, "GET /api/supplies": new Refusal({ status: 503, detail: "The record cannot be reached." }) });
    show(<Cupboard />);
    expect(await screen.findByText("The record cannot be reached.")).toBeTruthy();
    expect(screen.getByRole("button", { name: /again/ })).toBeTruthy();
  });
});

describe("a dilution", () => {
  const tables = { "GET /api/bench": { chemicals: [], lamps: [], parts: [], shapes: [] } };
  const result = {
    amounts: [{ what: "of the stock", value: 250, unit: "ml", working }],
    warnings: ["Peroxide above 3 % burns roots."],
  };

  it("is reckoned once everything is typed, and can be kept with a plant", async () => {
    const asked = serve({
      ...answers,
      ...tables,
      "POST /api/bench/dilution": result,
      "POST /api/plants/plant-1/entries": (a: { body: unknown }) => ({ ...(a.body as object), kind: "prepared" }),
    });
    show(<DilutionBench />, undefined, "/bench/dilution?plant=plant-1");
    await userEvent.type(await screen.findByRole("textbox", { name: "Stock" }), "3");
    await userEvent.type(screen.getByRole("textbox", { name: "Wanted" }), "1.5");
    expect(sent(asked, "/api/bench/dilution")).toMatchObject([{ what: "alcohol" }]); // the example only
    await userEvent.type(screen.getByRole("textbox", { name: "How much is wanted" }), "500 ml");
    const reckoning = screen.getByTestId("reckoning");
    await waitFor(() => expect(reckoning.textContent).toContain("of the stock250 ml"));
    expect(reckoning.textContent).toContain("Peroxide above 3 % burns roots.");
    const asks = sent(asked, "/api/bench/dilution");
    expect(asks.at(-1)).toMatchObject({ stockPct: 3, wantedPct: 1.5, volume: "500 ml" });
    await userEvent.click(screen.getByRole("button", { name: "Keep it" }));
    await waitFor(() => expect(sent(asked, "/api/plants/plant-1/entries")).toHaveLength(1));
    const kept = sent(asked, "/api/plants/plant-1/entries")[0] as { prepared: { amounts: { value: number }[] } };
    expect(kept.prepared.amounts[0]?.value).toBe(250);
  });

  it("says the refusal at its field", async () => {
    serve({
      ...answers,
      ...tables,
      "POST /api/bench/dilution": new Refusal({
        status: 422,
        detail: "The stock is weaker than what is wanted.",
        errors: [{ location: "body.wantedPct", message: "weaker than this; buy a stronger one" }],
      }),
    });
    show(<DilutionBench />, undefined, "/bench/dilution");
    await userEvent.type(await screen.findByRole("textbox", { name: "Stock" }), "1");
    const wanted = screen.getByRole("textbox", { name: "Wanted" });
    await userEvent.type(wanted, "3");
    await userEvent.type(screen.getByRole("textbox", { name: "How much is wanted" }), "1 l");
    await waitFor(() => expect(wanted.getAttribute("aria-invalid")).toBe("true"));
    const said = document.getElementById(wanted.getAttribute("aria-describedby")?.split(" ").at(-1) ?? "");
    expect(said?.textContent).toContain("weaker than this; buy a stronger one");
  });
});
