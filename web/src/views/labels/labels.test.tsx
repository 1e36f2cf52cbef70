import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import jsQR from "jsqr";
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

/** The modules of a drawn code as a picture with a quiet zone: its path moves by modules, row by row. */
function pictureOf(svg: Element, scale = 4, quiet = 4) {
  const modules = Number(svg.getAttribute("viewBox")?.split(" ")[2]);
  const size = (modules + 2 * quiet) * scale;
  const data = new Uint8ClampedArray(size * size * 4).fill(255);
  const paths = svg.querySelectorAll("path");
  const dark = paths[paths.length - 1]?.getAttribute("d") ?? "";
  for (const [, x, y, across] of dark.matchAll(/M(\d+)[ ,](\d+) ?h(\d+)v1H\d+z/g)) {
    for (let row = 0; row < scale; row++) {
      for (let column = 0; column < Number(across) * scale; column++) {
        const at = ((Number(y) + quiet) * scale + row) * size + (Number(x) + quiet) * scale + column;
        data.fill(0, at * 4, at * 4 + 3);
      }
    }
  }
  return { data, size };
}

describe("the code of a label", () => {
  it("is read as the plant's address by another library than draws it", async () => {
    serve({ "GET /api/plants": register });
    show(<Labels />, undefined, "/labels?tag=Box");
    const svg = (await screen.findByTitle("Opens Plant 2")).closest("svg") as Element;
    const { data, size } = pictureOf(svg);
    expect(jsQR(data, size, size)?.data).toBe(`${window.location.origin}/plants/2`);
  });
});
