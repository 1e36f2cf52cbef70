import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { PlantFile } from "../../api/client";
import { type Asked, device, pageText, plantFile, serve, show } from "../../testing/page";
import { Season } from "./Season";

device();

const ask = (more: object) => ({
  kind: "season",
  from: "2026-11-20",
  until: "2026-12-04",
  what: "Stand it brighter for the dark months",
  how: "Nearer to the pane.",
  why: "It gets 2 mol and wants 3.",
  minutes: 3,
  weight: 2,
  case: "00000000-0000-0000-0000-000000000000",
  job: "brighter",
  done: "stands brighter",
  ...more,
});
const file = (tasks: object[]) => plantFile({ tasks } as unknown as Partial<PlantFile>);
const kept = { "POST /api/plants/plant-1/entries": (a: Asked) => ({ ...(a.body as object), kind: "tended" }) };
const sent = (asked: Asked[]) =>
  asked.filter((a) => a.path === "/api/plants/plant-1/entries").map((a) => a.body as Record<string, unknown>);

describe("what the season asks for", () => {
  it("says between which days, how and why, and is answered in one tap", async () => {
    const asked = serve(kept);
    const later = { what: "Shade it", from: "2027-04-01", until: "2027-04-08", job: "shade", done: "shaded" };
    show(<Season file={file([ask({}), ask(later)])} />);
    for (const said of ["now, by 4 Dec", "Nearer to the pane.", "wants 3", "from 1 Apr, by 8 Apr"])
      expect(pageText()).toContain(said);
    expect(screen.queryByRole("button", { name: "shaded" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "stands brighter" }));
    await waitFor(() => expect(sent(asked)[0]?.tended).toEqual({ jobs: ["brighter"] }));
    await userEvent.click(screen.getByRole("button", { name: "Later: stand it brighter for the dark months" }));
    await userEvent.click(
      screen.getByRole("button", { name: "Put off, in a week: stand it brighter for the dark months" }),
    );
    await waitFor(() => expect(sent(asked)[1]?.snoozed).toEqual({ job: "brighter", until: "2026-12-01" }));
  });

  it("asks where it stands when it was to be moved, and is silent where nothing is asked", () => {
    serve({});
    const { unmount } = show(<Season file={file([ask({ job: "bring-in", what: "Bring it in", done: undefined })])} />);
    expect(screen.getByRole("link", { name: "say where it stands now" }).getAttribute("href")).toBe(
      "/plants/plant-1/record",
    );
    unmount();
    show(<Season file={file([ask({ kind: "look" })])} />);
    expect(pageText()).toBe("");
  });
});
