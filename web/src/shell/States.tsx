import { Button, Group, Skeleton, Stack } from "@mantine/core";
import { useIsMutating } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef } from "react";
import { isRouteErrorResponse, Link, useRouteError } from "react-router";
import { Problem } from "../api/client";
import { useConnection } from "../api/connection";
import { useWaiting } from "../api/waiting";

/** What stands where something is being fetched. */
export function Waiting({ rows = 4 }: { rows?: number }) {
  return (
    <Stack aria-busy="true" aria-label="Loading" role="status">
      {Array.from({ length: rows }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: placeholders never move
        <Skeleton key={i} height={i === 0 ? 34 : 58} radius={3} />
      ))}
    </Stack>
  );
}

/** How long something that passes is left before it is asked for again, ms. */
const everyWhile = 8000;

/** What went wrong, in the server's plain words, and a way to try again. */
export function Failed({ error, retry }: { error: Error; retry?: () => void }) {
  const status = error instanceof Problem ? error.status : undefined;
  const passing = status === 0 || (status !== undefined && status >= 500);
  const missing = status === 404; // asked again it is as missing as before
  const title =
    status === 0
      ? "No connection"
      : passing
        ? "The server cannot answer just now"
        : missing
          ? "Nothing is here"
          : "This did not work";
  // What passes by itself is asked for again without a hand.
  const again = useRef(retry);
  again.current = retry;
  useEffect(() => {
    if (!passing) return;
    const timer = window.setInterval(() => again.current?.(), everyWhile);
    return () => window.clearInterval(timer);
  }, [passing]);
  return (
    <div className="patch" role="alert">
      <h2>{title}</h2>
      <p>{error.message}</p>
      {retry && !missing && (
        <Button variant="default" onClick={retry}>
          Try again
        </Button>
      )}
    </div>
  );
}

/** A refusal beside the thing that was refused. */
export function Refused({ error }: { error: Error | null }) {
  if (!error) return null;
  const fields = error instanceof Problem ? Object.values(error.fields) : [];
  const more = fields.filter((f) => !error.message.toLowerCase().startsWith(f.toLowerCase().slice(0, 40)));
  return (
    <div role="alert" className="red" data-testid="refused">
      {error.message}
      {more.length > 0 && (
        <ul>
          {more.map((f) => (
            <li key={f}>{f}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** What stands where there is nothing yet, with the way to begin. */
export function Bare({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="patch max-620">
      <h2>{title}</h2>
      {children}
    </div>
  );
}

/** What stands in place of a view that could not be shown. The frame round it stays, and it tries again by itself. */
export function Lost() {
  const error = useRouteError();
  const there = useConnection();
  const broken = error !== undefined && error !== null && !isRouteErrorResponse(error);
  // A browser remembers that a part of the program could not be fetched: only the page fetched anew asks again.
  const again = () => window.location.reload();
  const wasAway = useRef(!there);
  // Answers that waited for the connection go first: the page fetched anew knows nothing of them.
  const waiting = useWaiting();
  // What was kept is recorded, and said, before the page goes: its undo would go with it.
  const sending = useIsMutating();
  useEffect(() => {
    if (!there) wasAway.current = true;
    else if (wasAway.current && waiting === 0 && sending === 0) window.location.reload();
  }, [there, waiting, sending]);
  if (!broken) {
    return (
      <Bare title="There is no such page">
        <p>The address may be mistyped, or what it showed was undone.</p>
        <Link to="/">To today’s walk</Link>
      </Bare>
    );
  }
  return (
    <Bare title={there ? "This page could not be shown" : "No connection"}>
      <p>
        {there
          ? "What is recorded is safe. Try again, or go on to another page."
          : "This page was not fetched before. It is shown as soon as the connection is back."}
      </p>
      <Group gap="sm">
        <Button variant="default" onClick={again}>
          Try again
        </Button>
        <Link to="/">To today’s walk</Link>
      </Group>
    </Bare>
  );
}
