import createClient from "openapi-fetch";
import type { components, paths } from "./schema";
import { say } from "../words";

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

/** Who signs in again when the session is over: each gives whether it can go on, as the same owner. */
interface SignIn {
  /** The token isn't the session's any more: somebody signed in in another tab. */
  renew: () => Promise<boolean>;
  /** Nobody is signed in any more: waits until somebody is. */
  again: () => Promise<boolean>;
}
let signIn: SignIn | null = null;
export function useSignIn(ways: SignIn | null): void {
  signIn = ways;
}

/** A random name for something that is sent, or for who sends it. */
export const randomName = (): string =>
  [...crypto.getRandomValues(new Uint8Array(8))].map((byte) => byte.toString(16).padStart(2, "0")).join("");

/** A request whose body can be kept and sent again later. */
export class Written extends Request {
  readonly written: string;
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(input, init);
    this.written = typeof init?.body === "string" ? init.body : "";
  }
}

/** Milliseconds after which what changes something is sent again, where it wasn't answered. */
const PAUSES = [300, 1000, 3000];
/** Said by whoever stands before a server that isn't there. */
const NOBODY_THERE = [502, 503, 504];
/** Milliseconds after which nobody is waited for any more. */
const MOST_MS = 60_000;
const SIGNED_OUT = 401;

/** Sends under the session's token; once more where that has become another one. */
async function underToken(headers: Headers, go: () => Promise<Response>): Promise<Response> {
  for (const [name, value] of tokenHeader()) headers.set(name, value);
  const answer = await go();
  if (answer.status !== 403 || !signIn) return answer;
  const { code } = (await answer.clone().json()) as ApiError;
  if (code !== "no_token") return answer;
  if (!(await signIn.renew())) return new Response(null, { status: SIGNED_OUT });
  for (const [name, value] of tokenHeader()) headers.set(name, value);
  return go();
}

/** Sends something that was kept, under its key, once. Fails where nobody answers. */
export function carry(step: { key: string; method: string; address: string; headers: object; body: string }) {
  const headers = new Headers({ ...step.headers, "idempotency-key": step.key });
  const { method, address, body } = step;
  const go = () => fetch(address, { method, headers, body: body || null, signal: AbortSignal.timeout(MOST_MS) });
  return underToken(headers, go);
}

/**
 * Sends what changes something until it is answered, again by itself with growing pauses. Its key has the server take it
 * once, however often it comes.
 */
async function sendUntilAnswered(request: Request): Promise<Response> {
  request.headers.set("idempotency-key", randomName());
  const go = () => underToken(request.headers, () => fetch(request.clone()));
  for (const pause of PAUSES) {
    const answer = await go().catch(() => null);
    if (answer && !NOBODY_THERE.includes(answer.status)) return answer;
    await new Promise((done) => setTimeout(done, pause));
  }
  return go();
}

/** Asks; where the session is over, again once somebody has signed in. */
export async function askServer(request: Request): Promise<Response> {
  const go = () => (request.method === "GET" ? fetch(request.clone()) : sendUntilAnswered(request));
  const answer = await go();
  const ofSession = new URL(request.url).pathname === "/api/session";
  if (answer.status !== SIGNED_OUT || ofSession || !signIn) return answer;
  return (await signIn.again()) ? go() : answer;
}

export const api = createClient<paths>({ baseUrl: "/", fetch: askServer, Request: Written });

export interface Answer<T> {
  data?: T | undefined;
  error?: ApiError | undefined;
}

export const offline: ApiError = {
  code: "offline",
  message: say("client-server-doesnt-answer-try"),
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
    const answer = await askServer(new Request(address));
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
    const answer = await askServer(new Request(address, { signal: stop }));
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
