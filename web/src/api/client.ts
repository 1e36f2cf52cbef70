import createClient from "openapi-fetch";
import { connection } from "./connection";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Session = Schemas["Session"];
export type Knowledge = Schemas["Knowledge"];
export type PlantRow = Schemas["PlantRow"];
export type PlantFile = Schemas["PlantFile"];
export type Task = Schemas["Task"];
export type Differential = Schemas["Differential"];
export type Derived = Schemas["Derived"];
/** What was answered at a look. */
export type LookAnswers = Omit<Schemas["DifferentialInputBody"], "overruled" | "$schema">;
export type ListedEntry = Schemas["ListedEntry"];
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
    /** What is likely a mistake, by the id with which it is accepted; empty for every other problem. */
    readonly concerns: { id: string; said: string }[] = [],
    /** Which problem it is, where that matters. */
    readonly type = "",
  ) {
    super(message);
  }
}

const unreachable = "No connection. What you typed is still here; try again when the connection is back.";

/** How long an answer may take before it counts as none, ms. Files take as long as they take. */
const patience = 20_000;

async function reach(request: Request): Promise<Response> {
  const file = request.headers.get("Content-Type") === "application/octet-stream";
  const late = new AbortController();
  const timer = window.setTimeout(() => late.abort(), patience);
  try {
    const signal = file ? request.signal : AbortSignal.any([request.signal, late.signal]);
    const response = await fetch(request, { signal });
    connection.back();
    return response;
  } catch (error) {
    // Whoever asked does not want the answer any more: that says nothing of the connection.
    if (request.signal.aborted) throw error;
    connection.lost();
    throw new Problem(0, unreachable);
  } finally {
    window.clearTimeout(timer);
  }
}

export const client = createClient<paths>({ baseUrl: window.location.origin, fetch: reach });

interface ErrorModel {
  type?: string;
  detail?: string;
  title?: string;
  status?: number;
  errors?: { location?: string; message?: string; value?: unknown }[] | null;
}

/** The password was right, and the code of a second factor is wanted too. */
export const codeWanted = "urn:problem:second-factor";
const isItMeant = "urn:problem:is-it-meant";

/** Unwraps an answer, or throws what the server said as a Problem. */
export async function answer<T>(call: Promise<{ data?: T; error?: ErrorModel; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok && (data !== undefined || response.status === 204)) return data as T;
  throw problemOf(response.status, error);
}

/** A problem document as a Problem; without one, what its status tells. */
export function problemOf(status: number, error?: ErrorModel): Problem {
  const fields: Record<string, string> = {};
  for (const e of error?.errors ?? []) {
    if (e.location && e.message) fields[e.location.replace(/^body\./, "")] ??= e.message;
  }
  const concerns =
    error?.type === isItMeant ? (error.errors ?? []).map((e) => ({ id: String(e.value), said: e.message ?? "" })) : [];
  return new Problem(
    status,
    error?.detail ?? error?.title ?? (status === 0 || status >= 500 ? unreachable : "This was refused."),
    concerns.length > 0 ? {} : fields,
    concerns,
    error?.type,
  );
}
