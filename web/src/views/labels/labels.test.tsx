import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { device, serve, show } from "../../testing/page";
import { Labels } from "./Labels";

device();

const row = (id: string, isolation: string) => ({
  id,
  name: `Plant ${id}`,
  botanical: "Hoya carnosa",
  label: `T-${id}`,
  isolation,
  arrivedOn: "2026-11-02",
});
const register = { plants: [row("1", "clean"), row("2", "isolated")], total: 2, next: "", today: "2026-11-24" };

describe("labels", () => {
  it("carry name, code, day and what is suspect, and open the plant by its address", async () => {
    serve({ "GET /api/plants": register });
    show(<Labels />, undefined, "/labels?plants=1&plants=2");
    await screen.findByText("Plant 1");
    const labels = screen.getAllByRole("listitem").map((l) => l.textContent);
    expect(labels[0]).toContain("T-1 2 Nov 2026");
    expect(labels[0]).not.toContain("isolated");
    expect(labels[1]).toContain("isolated");
    expect(screen.getByTitle("Opens Plant 1")).toBeTruthy();
  });

  it("are of the size of one's own sheet, kept on the device, and printed", async () => {
    serve({ "GET /api/plants": register });
    const print = vi.fn();
    vi.stubGlobal("print", print);
    show(<Labels />, undefined, "/labels?tag=Box");
    const across = await screen.findByRole("textbox", { name: "How many across" });
    await userEvent.clear(across);
    await userEvent.type(across, "2");
    await waitFor(() => expect(screen.getByRole("list").getAttribute("style")).toContain("--label-across: 2"));
    expect(window.localStorage.getItem("label-sheet")).toContain('"across":2');
    await userEvent.click(screen.getByRole("button", { name: "Print them" }));
    expect(print).toHaveBeenCalled();
  });

  it("say where there are none", async () => {
    serve({ "GET /api/plants": { ...register, plants: [], total: 0 } });
    show(<Labels />, undefined, "/labels");
    await screen.findByText("No plants for labels");
  });
});
