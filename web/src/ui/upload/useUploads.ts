import { onScopeDispose, reactive, ref } from "vue";
import type { Answer } from "../../api/client";
import { cancelled } from "../../api/upload";
import { useOutbox } from "../../session/useOutbox";
import { say } from "../../words";

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

/** A file with all that is said of it. */
export interface Parcel {
  file: File;
  /** What it is put in the place of. */
  replaces?: number;
  /** Hears how much of it has gone. */
  tell: (share: number) => void;
  signal: AbortSignal;
}

const AT_ONCE = 3;

/**
 * Files that are put in: a few at once, each with its progress; those that weren't taken stay with the reason. `landed`
 * hears of every answer; `settled`, when none is on its way any more, of the answers in the order of their files. They go on
 * when the view is left; then the foot tells of them, and of what wasn't taken.
 */
export function useUploads<T>(
  send: (parcel: Parcel) => Promise<Answer<T>>,
  landed: (answer: T) => void,
  settled: (answers: T[]) => void = () => undefined,
) {
  const uploads = ref<Upload[]>([]);
  const outbox = useOutbox();
  let left = false;
  onScopeDispose(() => (left = true));
  const queue: (() => Promise<void>)[] = [];
  let going = 0;
  let count = 0;
  let added: { key: number; answer: T }[] = [];

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
      outbox.files += 1;
      const tell = (share: number): void => void (upload.gone = share);
      queue.push(() => run(upload, { file, replaces, tell, signal: gone.signal }));
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
        outbox.files -= 1;
        next();
        if (going === 0) settle();
      });
    }
  }

  function settle(): void {
    const answers = added.sort((a, b) => a.key - b.key).map((one) => one.answer);
    added = [];
    if (answers.length > 1) settled(answers);
  }

  async function run(upload: Upload, parcel: Parcel): Promise<void> {
    if (parcel.signal.aborted) return;
    upload.state = "going";
    const { data, error } = await send(parcel);
    if (data) {
      if (parcel.replaces === undefined) added.push({ key: upload.key, answer: data });
      forget(upload);
      landed(data);
    } else if (error?.code !== cancelled.code) {
      upload.state = "failed";
      upload.why = error?.message ?? "";
      if (left) outbox.refuse(say("uploads-pictures"), upload.why);
    }
  }

  function forget(upload: Upload): void {
    uploads.value = uploads.value.filter((one) => one.key !== upload.key);
  }

  return { uploads, put, forget };
}

/** A file that never left. */
export function refused(file: File, why: string): Answer<never> {
  return { error: { code: "refused", message: say("uploads-wasnt-taken", { name: file.name, why }) } };
}
