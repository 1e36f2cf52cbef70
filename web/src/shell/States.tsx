import { Button, Skeleton, Stack } from "@mantine/core";
import type { ReactNode } from "react";
import { isRouteErrorResponse, Link, useRouteError } from "react-router";
import { Problem } from "../api/client";

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

/** What went wrong, in the server's plain words, and a way to try again. */
export function Failed({ error, retry }: { error: Error; retry?: () => void }) {
  const away = error instanceof Problem && (error.status === 0 || error.status >= 500);
  return (
    <div className="patch" role="alert">
      <h2>{away ? "The thread is cut for a moment" : "This did not work"}</h2>
      <p>{error.message}</p>
      {retry && (
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
    <div className="patch" style={{ maxWidth: 620 }}>
      <h2>{title}</h2>
      {children}
    </div>
  );
}

export function Lost() {
  const error = useRouteError();
  const broken = error !== undefined && error !== null && !isRouteErrorResponse(error);
  return (
    <div className="page" style={{ paddingTop: 40 }}>
      <Bare title={broken ? "This page tore" : "There is no such page"}>
        <p>
          {broken
            ? "Something in this page went wrong; what is recorded is safe. Reload it, or go back to the walk."
            : "The address may be mistyped, or what it showed was undone."}
        </p>
        <Link to="/">To today’s walk</Link>
      </Bare>
    </div>
  );
}
