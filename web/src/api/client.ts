import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

/** The one caller of the server. Every call answers with data or with an error that has a sentence. */
export type Schemas = components["schemas"];
export type ApiError = Schemas["ApiError"];

const CSRF_KEY = "x-csrf-token";
let token = "";

/** The session's own token; whatever changes something carries it. */
export function useToken(csrf: string): void {
  token = csrf;
}

/** The same for requests that aren't made here. */
export function tokenHeader(): [string, string][] {
  return token ? [[CSRF_KEY, token]] : [];
}

/** Milliseconds after which what changes something is sent again, where it wasn't answered. */
const PAUSES = [300, 1000, 3000];
/** Said by whoever stands before a server that isn't there. */
const NOBODY_THERE = [502, 503, 504];

/**
 * Sends what changes something until it is answered, again by itself with growing pauses. Its key has the server take it
 * once, however often it comes.
 */
async function send(request: Request): Promise<Response> {
  if (request.method === "GET") return fetch(request);
  request.headers.set("idempotency-key", crypto.randomUUID());
  for (const pause of PAUSES) {
    const answer = await fetch(request.clone()).catch(() => null);
    if (answer && !NOBODY_THERE.includes(answer.status)) return answer;
    await new Promise((go) => setTimeout(go, pause));
  }
  return fetch(request);
}

export const api = createClient<paths>({ baseUrl: "/", fetch: send });
api.use({
  onRequest({ request }) {
    if (request.method !== "GET" && token) request.headers.set(CSRF_KEY, token);
    return request;
  },
});

export interface Answer<T> {
  data?: T | undefined;
  error?: ApiError | undefined;
}

export const offline: ApiError = {
  code: "offline",
  message: "The server doesn't answer. Nothing is lost: your last step is tried again when you ask for it.",
};

/** Runs a call; a server that can't be reached is an error like any other. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<Answer<T>> {
  try {
    const { data, error, response } = await call;
    // An answer by somebody between us and the server may have no body at all.
    if (error !== undefined || !response.ok) return { error: isApiError(error) ? error : offline };
    return { data };
  } catch {
    return { error: offline };
  }
}

export function isApiError(error: unknown): error is ApiError {
  return typeof error === "object" && error !== null && "message" in error && "code" in error;
}

/** A proof: the page's own HTML, which isn't JSON. */
export async function proofHtml(address: string): Promise<Answer<string>> {
  try {
    const answer = await fetch(address);
    if (answer.ok) return { data: await answer.text() };
    const error: unknown = await answer.json();
    return { error: isApiError(error) ? error : offline };
  } catch {
    return { error: offline };
  }
}

/** An answer that comes line by line, each a JSON value; stopping ends it on the server too. */
export async function eachLine<T>(address: string, stop: AbortSignal, line: (value: T) => void): Promise<Answer<true>> {
  try {
    const answer = await fetch(address, { signal: stop });
    if (!answer.ok || !answer.body) {
      const error: unknown = await answer.json();
      return { error: isApiError(error) ? error : offline };
    }
    await readLines(answer.body, line);
    return { data: true };
  } catch {
    return stop.aborted ? { data: true } : { error: offline };
  }
}

/** Reads JSON values that come line by line. */
export async function readLines<T>(body: ReadableStream<Uint8Array>, line: (value: T) => void): Promise<void> {
  const [reader, decoder] = [body.getReader(), new TextDecoder()];
  for (let rest = ""; ;) {
    const { done, value } = await reader.read();
    const lines = (rest + decoder.decode(value, { stream: !done })).split("\n");
    rest = lines.pop() ?? "";
    lines.forEach((text) => line(JSON.parse(text) as T));
    if (done) return;
  }
}
