import { useQuery } from "@tanstack/react-query";
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import { device, Refusal, serve, show } from "../testing/page";
import { answer, client } from "./client";
import { keys } from "./keys";
import { useRecord } from "./recording";

device();

/** A row that leaves the page as soon as the record says that it was answered, while the walk is still asked again. */
function Rows({ said }: { said: (id: string) => void }) {
  useQuery({ queryKey: keys.rounds, queryFn: () => new Promise((done) => setTimeout(() => done({}), 50)) });
  const entries = useQuery({
    queryKey: keys.entries("p"),
    queryFn: () => answer(client.GET("/api/plants/{plant}/entries", { params: { path: { plant: "p" } } })),
  });
  return entries.data?.entries?.length === 0 ? <Row said={said} /> : <p>{entries.isSuccess ? "answered" : ""}</p>;
}

function Row({ said }: { said: (id: string) => void }) {
  const record = useRecord("p");
  return (
    <>
      <button
        type="button"
        onClick={() => record.mutate({ on: "2026-11-24", watered: {} }, { onSuccess: (e) => said(e.id) })}
      >
        seen
      </button>
      {record.error?.message}
    </>
  );
}

it("says what was recorded though the row that was pressed is gone by then", async () => {
  let kept: unknown[] = [];
  serve({
    "GET /api/plants/p/entries": () => ({ entries: kept }),
    "POST /api/plants/p/entries": () => {
      kept = [{ id: "e" }];
      return { id: "e" };
    },
  });
  const said = vi.fn();
  show(<Rows said={said} />);
  await userEvent.click(await screen.findByRole("button"));
  await screen.findByText("answered");
  await waitFor(() => expect(said).toHaveBeenCalledWith("e"));
});

it("shows why something was not recorded, and says nothing else", async () => {
  serve({
    "GET /api/plants/p/entries": { entries: [] },
    "POST /api/plants/p/entries": new Refusal({ status: 422, detail: "Not this." }),
  });
  const said = vi.fn();
  show(<Rows said={said} />);
  await userEvent.click(await screen.findByRole("button"));
  await screen.findByText(/Not this/);
  expect(said).not.toHaveBeenCalled();
});
