import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { takeGiven } from "./given";
import { usePlaces, usePlant, useRounds, useSession } from "./plants";

/** Says what its view knows at its very first drawing. */
function View() {
  const known = [useSession(), useRounds(40), usePlaces(), usePlant("p1"), useRounds(80), usePlant("p2")];
  return <p data-testid="known">{known.map((q) => (q.data ? "there" : "asked")).join(" ")}</p>;
}

const first = (text?: string | null) => {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 10_000 } } });
  takeGiven(queries, text);
  render(
    <QueryClientProvider client={queries}>
      <View />
    </QueryClientProvider>,
  );
  return screen.getByTestId("known").textContent;
};

describe("what the page brings with it", () => {
  const asked: string[] = [];
  beforeEach(() => {
    asked.length = 0;
    vi.stubGlobal("fetch", async (request: Request) => {
      asked.push(new URL(request.url).pathname + new URL(request.url).search);
      return new Promise(() => {});
    });
    document.body.innerHTML = "";
  });

  it("is there at the first drawing, and only the rest is asked for", () => {
    const given = {
      "/api/session": { signedIn: true },
      "/api/rounds?limit=40": { places: [] },
      "/api/places": { places: [] },
      "/api/plants/p1": { id: "p1" },
      "/api/of-another-day": {},
    };
    expect(first(JSON.stringify(given))).toBe("there there there there asked asked");
    expect(asked).toEqual(["/api/rounds?limit=80", "/api/plants/p2"]);
  });

  it("is all asked for where the page brings nothing", () => {
    for (const text of [undefined, null, "", "{}", "<!--given-->"]) {
      document.body.innerHTML = "";
      expect(first(text), String(text)).toBe("asked asked asked asked asked asked");
    }
  });
});
