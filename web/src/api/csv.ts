import { type ApiError, type Schemas, isApiError, offline, readLines, tokenHeader } from "./client";

export type Report = Schemas["ImportReport"];
type Step = { done: number } | { report: Report } | { error: string };

const headers = (): Headers => {
  const all = new Headers({ "content-type": "text/csv" });
  for (const [name, value] of tokenHeader()) all.set(name, value);
  return all;
};

/** Has a file looked at: what it would do, or what is wrong with it. */
export async function checkCsv(file: File): Promise<{ report?: Report; error?: ApiError }> {
  try {
    const answer = await fetch("/api/variants/check", { method: "POST", headers: headers(), body: file });
    const body = (await answer.json()) as unknown;
    if (answer.ok) return { report: body as Report };
    return { error: isApiError(body) ? body : offline };
  } catch {
    return { error: offline };
  }
}

/** Brings a file in, telling how many rows are written. */
export async function bringCsv(
  file: File,
  told: (rows: number) => void,
): Promise<{ report?: Report; error?: ApiError }> {
  try {
    const answer = await fetch("/api/variants/import", { method: "POST", headers: headers(), body: file });
    if (!answer.ok || !answer.body) {
      const body = (await answer.json()) as unknown;
      if (isApiError(body)) return { error: body };
      return answer.status === 422 ? { report: body as Report } : { error: offline };
    }
    return await lastOf(answer.body, told);
  } catch {
    return { error: offline };
  }
}

async function lastOf(
  body: ReadableStream<Uint8Array>,
  told: (rows: number) => void,
): Promise<{ report?: Report; error?: ApiError }> {
  let last: { report?: Report; error?: ApiError } = { error: offline };
  await readLines<Step>(body, (step) => {
    if ("done" in step) told(step.done);
    else if ("report" in step) last = { report: step.report };
    else last = { error: { code: "import", message: step.error } };
  });
  return last;
}
