import { type Answer, type ApiError, isApiError, offline, tokenHeader } from "./client";
import { say } from "../words";

/** Sends a file as the body of a request, telling how much of it has gone. `fetch` can't tell that. */
export function sendFile<T>(
  method: "POST" | "PUT",
  address: string,
  file: Blob,
  gone: (share: number) => void,
  signal: AbortSignal,
): Promise<Answer<T>> {
  return new Promise((done) => {
    const request = new XMLHttpRequest();
    request.open(method, address);
    for (const [name, value] of tokenHeader()) request.setRequestHeader(name, value);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.responseType = "json";
    request.upload.onprogress = (event) => gone(event.lengthComputable ? event.loaded / event.total : 0);
    request.onload = () => {
      const answer = request.response as unknown;
      if (request.status === 200) done({ data: answer as T });
      else done({ error: isApiError(answer) ? answer : offline });
    };
    request.onerror = () => done({ error: offline });
    request.onabort = () => done({ error: cancelled });
    signal.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}

export const cancelled: ApiError = { code: "cancelled", message: say("upload-was-cancelled") };
