import { defineStore } from "pinia";
import { api, ask, randomName } from "../api/client";
import { Feed, type Heard, type Told } from "./feed";

/** What this tab is told of as it happens elsewhere: one stream for all that is open in it, while it can be seen. */
export const useFeed = defineStore("feed", () => {
  const tab = randomName();
  const hearers = new Set<(heard: Heard) => void>();
  let begun = false;
  let wake = (): void => undefined;

  function stream(after: string | null, told: (told: Told) => void, ended: () => void): () => void {
    const query = new URLSearchParams({ tab, ...(after === null ? {} : { after }) });
    const source = new EventSource(`/api/feed?${query}`);
    source.onmessage = ({ data }: MessageEvent<string>) => told(JSON.parse(data) as Told);
    source.onerror = ended;
    return () => source.close();
  }
  const pause = (ms: number): Promise<void> =>
    new Promise((go) => {
      wake = go;
      setTimeout(go, ms);
    });
  const feed = new Feed({
    stream,
    ask: async (after) => {
      const query = { tab, ...(after === null ? {} : { after }) };
      return (await ask(api.GET("/api/feed/since", { params: { query } }))).data ?? null;
    },
    pause,
    now: () => performance.now(),
    tell: (told) => hearers.forEach((hear) => hear(told)),
  });

  /** Somebody is signed in. */
  function begin(): void {
    if (begun) return;
    begun = true;
    if (document.visibilityState === "visible") feed.begin();
    document.addEventListener("visibilitychange", () => {
      if (document.visibilityState === "visible") feed.begin();
      else feed.end();
    });
    addEventListener("online", () => wake());
  }
  /** Has somebody hear; gives how that ends. */
  function hear(hearer: (heard: Heard) => void): () => void {
    hearers.add(hearer);
    return () => hearers.delete(hearer);
  }
  /** Something was changed from here that no open view has made: what is shown is read anew. */
  const missed = (): void => hearers.forEach((hear) => hear({ anew: true, said: [] }));
  const isStreaming = (): boolean => feed.streaming;
  return { tab, begin, hear, missed, isStreaming };
});
