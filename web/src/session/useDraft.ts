import { type Schemas, api, ask } from "../api/client";
import type { Send } from "./useSteps";

export type DraftState = Schemas["DraftState"];

/** What is the same for every draft: a template (`template-12`), `house`, `wording`, `prices`, `listings`. */
export function draftCalls(draft: string) {
  const params = { path: { draft } };
  return {
    state: () => ask(api.GET("/api/drafts/{draft}", { params })),
    undo: (revision: number, send: Send) =>
      ask(api.POST("/api/drafts/{draft}/undo", { params, body: { revision }, ...send })),
    redo: (revision: number, send: Send) =>
      ask(api.POST("/api/drafts/{draft}/redo", { params, body: { revision }, ...send })),
    publish: (revision: number, name = "") =>
      ask(api.POST("/api/drafts/{draft}/publish", { params, body: { revision, name } })),
    plan: (revision: number, name: string, at: string) =>
      ask(api.POST("/api/drafts/{draft}/planned", { params, body: { revision, name, at } })),
    unplan: () => ask(api.DELETE("/api/drafts/{draft}/planned", { params })),
    takeBack: () => ask(api.POST("/api/drafts/{draft}/take-back", { params })),
    bringBack: (revision: number, publication: number) =>
      ask(api.POST("/api/drafts/{draft}/bring-back", { params, body: { revision, publication } })),
  };
}
