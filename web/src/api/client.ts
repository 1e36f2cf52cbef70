import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Session = Schemas["Session"];
export type Knowledge = Schemas["Knowledge"];
export type PlantRow = Schemas["PlantRow"];
export type PlantFile = Schemas["PlantFile"];
export type Task = Schemas["Task"];
export type Differential = Schemas["Differential"];
export type Derived = Schemas["Derived"];
export type EntryView = Schemas["EntryView"];
export type NewEntry = Schemas["NewEntry"];
export type Working = Schemas["Working"];
export type Amount = Schemas["Amount"];
export type Plan = Schemas["Plan"];
export type Answers = Schemas["Answers"];
export type Measure = Schemas["Measure"];
export type Profile = Schemas["Profile"];
export type Strand = Schemas["Strand"];
export type PictureView = Schemas["PictureView"];
export type Review = Schemas["PlantReview"];

/** What the server refused, or why it could not be reached, in plain words. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** What is wrong at which field, by the field's path in the body. */
    readonly fields: Record<string, string> = {},
  ) {
    super(message);
  }
}

const unreachable = "The server cannot be reached. What you typed is still here; check the connection and try again.";

async function reach(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } catch {
    throw new Problem(0, unreachable);
  }
}

export const client = createClient<paths>({ baseUrl: window.location.origin, fetch: reach });

interface ErrorModel {
  detail?: string;
  title?: string;
  status?: number;
  errors?: { location?: string; message?: string }[] | null;
}

/** Unwraps an answer, or throws what the server said as a Problem. */
export async function answer<T>(call: Promise<{ data?: T; error?: ErrorModel; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok && data !== undefined) return data;
  const fields: Record<string, string> = {};
  for (const e of error?.errors ?? []) {
    if (e.location && e.message) fields[e.location.replace(/^body\./, "")] ??= e.message;
  }
  const status = response.status;
  throw new Problem(
    status,
    error?.detail ?? error?.title ?? (status >= 500 ? unreachable : "This was refused."),
    fields,
  );
}
