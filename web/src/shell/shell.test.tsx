import { MantineProvider } from "@mantine/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter, RouterProvider } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import { answer, client, Problem } from "../api/client";
import { connection } from "../api/connection";
import { device, pageText, Refusal, serve, show } from "../testing/page";
import { How } from "./How";
import { Shell } from "./Shell";
import { Failed, Lost, Refused } from "./States";

device();
afterEach(() => vi.restoreAllMocks());

const session = {
  signedIn: true,
  name: "Ilse",
  collection: "Ferry terminal clinic",
  today: "2026-11-24",
  demoOffered: true,
  firstAccount: false,
  openAccounts: false,
};

/** The program's frame with one page in it. */
const frame = (at = "/plants") => (
  <RouterProvider
    router={createMemoryRouter(
      [{ path: "*", element: <Shell />, children: [{ path: "*", element: <p>The page itself</p> }] }],
      {
        initialEntries: [at],
      },
    )}
  />
);

/** The frame brings its own router: it is shown bare. */
function open(answers: Record<string, unknown>) {
  const asked = serve(answers);
  render(
    <MantineProvider env="test">
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        {frame()}
      </QueryClientProvider>
    </MantineProvider>,
  );
  return asked;
}

describe("the frame", () => {
  it("names the views twice, at the top and under the thumb, and marks the one that is open", async () => {
    open({ "GET /api/session": session });
    await screen.findByText("The page itself");
    const [top, thumb] = screen.getAllByRole("navigation");
    for (const view of ["Rounds", "Plants", "Bench", "Places", "Handbook"]) {
      expect(top?.textContent).toContain(view);
      expect(thumb?.textContent).toContain(view);
    }
    const here = screen.getAllByRole("link", { current: "page" }).map((l) => l.textContent);
    expect(new Set(here)).toEqual(new Set(["Plants"]));
    expect(screen.getByRole("link", { name: "To the content" }).getAttribute("href")).toBe("#main");
  });

  it("changes units and cloth for this person alone", async () => {
    open({ "GET /api/session": session });
    // The menu is fetched when it is first opened, and takes its button's place.
    const menu = () => screen.findByRole("button", { name: /Ferry terminal clinic/ });
    await userEvent.click(await menu());
    expect(await screen.findByText("Ilse")).toBeTruthy();
    await userEvent.click(screen.getByRole("menuitem", { name: "Inches, ounces, °F" }));
    expect(JSON.parse(window.localStorage.getItem("units") ?? "")).toBe("us");
    await userEvent.click(await menu());
    await userEvent.click(await screen.findByRole("menuitem", { name: "Dark cloth" }));
    expect(document.documentElement.getAttribute("data-mantine-color-scheme")).toBe("dark");
    await userEvent.click(await menu());
    expect(await screen.findByRole("menuitem", { name: "Light cloth" })).toBeTruthy();
    expect(screen.getByRole("menuitem", { name: "Centimetres, grams, °C" })).toBeTruthy();
  });

  it("signs out and forgets what it had fetched", async () => {
    const gone = vi.fn();
    vi.stubGlobal("location", { ...window.location, assign: gone, href: "http://localhost/" });
    const asked = open({ "GET /api/session": session, "DELETE /api/session": { ...session, signedIn: false } });
    await userEvent.click(await screen.findByRole("button", { name: /Ferry terminal clinic/ }));
    await userEvent.click(await screen.findByRole("menuitem", { name: "Sign out" }));
    await waitFor(() => expect(gone).toHaveBeenCalledWith("/"));
    expect(asked.some((a) => a.method === "DELETE" && a.path === "/api/session")).toBe(true);
  });

  it("says so when nobody answers, and tries again", async () => {
    let away = true;
    open({
      "GET /api/session": () =>
        away ? new Refusal({ status: 503, detail: "The record cannot be reached just now." }) : session,
    });
    await screen.findByText("The server cannot answer just now");
    away = false;
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    await screen.findByText("The page itself");
  });
});

describe("the connection", () => {
  it("is said to be away over the page that stays, and what comes back heals by itself", async () => {
    open({ "GET /api/session": session });
    await screen.findByText("The page itself");
    act(() => connection.lost());
    await screen.findByText("No connection.");
    expect(screen.getByText("The page itself")).toBeTruthy();
    const asked: unknown[] = [];
    const served = window.fetch;
    vi.stubGlobal("fetch", async (to: RequestInfo) => {
      asked.push(to);
      return to === "/healthz" ? new Response("alive") : served(to);
    });
    window.dispatchEvent(new Event("online"));
    await waitFor(() => expect(screen.queryByText("No connection.")).toBeNull());
    expect(asked).toContain("/healthz");
    expect(screen.getByText("The page itself")).toBeTruthy();
  });

  it("is found lost by any request, which says so at once", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("failed to fetch")));
    await expect(answer(client.GET("/api/places"))).rejects.toThrow(/^No connection\./);
    expect(connection.there()).toBe(false);
    connection.back();
  });
});

describe("a number’s working", () => {
  const working = {
    inputs: [
      { name: "longest root", value: 50.8, unit: "mm" },
      { name: "share", value: 0.33333 },
    ],
    formula: "a third of the pot’s height",
    source: "common practice",
    sure: "fair",
  };

  it("opens to inputs, formula, source and how sure, and closes by key", async () => {
    show(<How working={working} of="the dish" />);
    const how = screen.getByRole("button", { name: "How the dish came about" });
    await userEvent.click(how);
    await screen.findByText("a third of the pot’s height");
    const text = pageText();
    for (const said of ["longest root50.8 mm", "share0.333", "After: common practice. How sure: fair."])
      expect(text).toContain(said);
    await userEvent.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByText("a third of the pot’s height")).toBeNull());
  });

  it("is said in the person’s units", async () => {
    window.localStorage.setItem("units", JSON.stringify("us"));
    show(<How working={working} of="the dish" />);
    await userEvent.click(screen.getByRole("button", { name: "How the dish came about" }));
    await screen.findByText("2 in");
  });
});

describe("what went wrong", () => {
  const problem = (status: number, fields?: Record<string, string>) => new Problem(status, "Not recorded.", fields);

  it("is told apart: nobody answers, it was refused, or nothing is there", () => {
    const page = show(<Failed error={problem(0)} />);
    expect(screen.getByRole("alert").textContent).toContain("No connection");
    expect(screen.queryByRole("button")).toBeNull();
    page.unmount();
    const refused = show(<Failed error={problem(409)} retry={() => {}} />);
    expect(screen.getByRole("alert").textContent).toContain("This did not work");
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
    refused.unmount();
    show(<Failed error={problem(404)} retry={() => {}} />);
    expect(screen.getByRole("alert").textContent).toContain("Nothing is here");
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("names the fields beside the words", () => {
    show(<Refused error={problem(422, { "weighed.grams": "840 kg cannot be right" })} />);
    expect(screen.getByTestId("refused").textContent).toBe("Not recorded.840 kg cannot be right");
  });

  it("is nothing where nothing went wrong", () => {
    show(<Refused error={null} />);
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

describe("an address that leads nowhere", () => {
  const at = (routes: Parameters<typeof createMemoryRouter>[0]) => {
    vi.spyOn(console, "error").mockImplementation(() => {});
    render(
      <MantineProvider env="test">
        <QueryClientProvider client={new QueryClient()}>
          <RouterProvider router={createMemoryRouter(routes, { initialEntries: ["/nowhere"] })} />
        </QueryClientProvider>
      </MantineProvider>,
    );
  };

  it("is said to be none, with the way back", async () => {
    at([{ path: "*", element: <Lost /> }]);
    await screen.findByText("There is no such page");
    expect(screen.getByRole("link", { name: "To today’s walk" }).getAttribute("href")).toBe("/");
  });

  it("is told apart from a page that broke", async () => {
    const Broken = () => {
      throw new Error("torn");
    };
    at([{ path: "*", element: <Broken />, errorElement: <Lost /> }]);
    await screen.findByText("This page could not be shown");
    expect(pageText()).toContain("What is recorded is safe");
  });
});
