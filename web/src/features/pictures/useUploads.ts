import { reactive, ref } from "vue";
import type { Answer, Schemas } from "../../api/client";
import { cancelled, sendFile } from "../../api/upload";
import { asWebP, startOf } from "./film";

/** A file on its way. */
export interface Upload {
  key: number;
  name: string;
  /** How much of it has gone, from 0 to 1. */
  gone: number;
  state: "waiting" | "going" | "failed";
  /** Why it wasn't taken. */
  why: string;
  cancel: () => void;
}

const AT_ONCE = 3;

/**
 * Files that are put in: a few at once, each with its progress; those that weren't taken stay with the reason. `landed`
 * hears of every picture; `settled`, when none is on its way any more, of the new ones in the order of their files.
 */
export function useUploads(product: () => string | undefined, landed: () => void, settled: (ids: number[]) => void) {
  const uploads = ref<Upload[]>([]);
  const queue: (() => Promise<void>)[] = [];
  let going = 0;
  let count = 0;
  let added: { key: number; id: number }[] = [];

  function put(files: Iterable<File>, replaces?: number): void {
    for (const file of files) {
      const gone = new AbortController();
      const upload: Upload = reactive({
        key: ++count,
        name: file.name,
        gone: 0,
        state: "waiting",
        why: "",
        cancel: () => {
          gone.abort();
          forget(upload);
        },
      });
      uploads.value.push(upload);
      queue.push(() => run(upload, file, replaces, gone.signal));
    }
    next();
  }

  function next(): void {
    while (going < AT_ONCE) {
      const start = queue.shift();
      if (!start) return;
      going += 1;
      void start().finally(() => {
        going -= 1;
        next();
        if (going === 0) settle();
      });
    }
  }

  function settle(): void {
    const ids = added.sort((a, b) => a.key - b.key).map((one) => one.id);
    added = [];
    if (ids.length > 1) settled(ids);
  }

  async function run(upload: Upload, file: File, replaces: number | undefined, signal: AbortSignal): Promise<void> {
    if (signal.aborted) return;
    upload.state = "going";
    const { data, error } = await send(upload, file, replaces, signal);
    if (data) {
      if (replaces === undefined) added.push({ key: upload.key, id: data.id });
      forget(upload);
      landed();
    } else if (error?.code !== cancelled.code) {
      upload.state = "failed";
      upload.why = error?.message ?? "";
    }
  }

  async function send(
    upload: Upload,
    file: File,
    replaces: number | undefined,
    signal: AbortSignal,
  ): Promise<Answer<Schemas["Uploaded"]>> {
    const tell = (share: number): void => void (upload.gone = share);
    const at = "/api/pictures";
    const of = product();
    const query = (more: Record<string, string>): string =>
      new URLSearchParams({ ...(of === undefined ? {} : { product: of }), ...more }).toString();
    const picture = (name: string, body: Blob): Promise<Answer<Schemas["Uploaded"]>> => {
      const more = { name, ...(replaces === undefined ? {} : { replaces: String(replaces) }) };
      return sendFile("POST", `${at}?${query(more)}`, body, tell, signal);
    };
    if (/^video\/|\.(mp4|webm)$/i.test(file.type || file.name)) {
      const start = await startOf(file);
      if (!start) return refused(file, "This browser can't show it. Take an MP4 or WebM film.");
      const { data, error } = await picture(file.name.replace(/\.\w+$/, ".webp"), start.poster);
      if (!data) return { error };
      const size = query({ name: file.name, width: String(start.width), height: String(start.height) });
      const kept = await sendFile("PUT", `${at}/${data.id}/film?${size}`, file, tell, signal);
      return kept.error ? { error: kept.error } : { data };
    }
    if (/\.avif$/i.test(file.name) || file.type === "image/avif") {
      const body = await asWebP(file);
      return body ? picture(file.name.replace(/\.avif$/i, ".webp"), body) : refused(file, "It is damaged.");
    }
    return picture(file.name, file);
  }

  function refused(file: File, why: string): Answer<never> {
    return { error: { code: "refused", message: `“${file.name}” wasn't taken. ${why}` } };
  }

  function forget(upload: Upload): void {
    uploads.value = uploads.value.filter((one) => one.key !== upload.key);
  }

  return { uploads, put, forget };
}
