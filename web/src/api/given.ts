import type { QueryClient, QueryKey } from "@tanstack/react-query";
import { keys } from "./keys";
import { queries } from "./queries";

/** Which question an address answers; nothing for one that no view opens with. */
function questionOf(address: string): QueryKey | undefined {
  if (address === "/api/session") return queries.session.queryKey;
  if (address === "/api/places") return queries.places.queryKey;
  const { pathname, searchParams } = new URL(address, window.location.origin);
  const limit = Number(searchParams.get("limit"));
  if (pathname === "/api/rounds" && limit > 0) return keys.walk(limit, 0);
  const plant = /^\/api\/plants\/([^/]+)$/.exec(pathname)?.[1];
  return plant ? keys.file(plant) : undefined;
}

/** Takes over the answers that the page brought with it, so that its view is drawn without asking. */
export function takeGiven(cache: QueryClient, text: string | null | undefined) {
  if (!text?.startsWith("{")) return; // a page from a server of another kind brings none
  for (const [address, answer] of Object.entries(JSON.parse(text) as Record<string, unknown>)) {
    const question = questionOf(address);
    if (question) cache.setQueryData(question, answer);
  }
}
