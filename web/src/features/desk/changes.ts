import type { Schemas } from "../../api/client";
import { bandName } from "./order";
import type { Layout } from "./types";

/** As many settings of one piece are named. */
const MOST_NAMED = 3;

/** Differences of two layouts as an owner would tell them; several settings of one piece are one line. */
export function changeWords(
  changes: Schemas["Difference"][],
  layout: Layout,
  labels: Map<string, string>,
  keeper: (whom: Schemas["Whom"]) => string,
): string[] {
  const pieces = new Map(
    layout.bands
      .flatMap((b) => b.columns)
      .flatMap((c) => c.pieces)
      .map((p) => [p.id, p]),
  );
  const piece = (id: string): string => labels.get(pieces.get(id)?.kind ?? "") ?? "A piece";
  const band = (id: string): string => {
    const found = layout.bands.find((b) => b.id === id);
    return found ? `Band “${bandName(found)}”` : "A band";
  };
  const lines = new Map<string, { of: string; settings: string[]; end: string }>();
  /** Of something, what of it in what way; what is told of the same is one line. */
  function tell(of: string, end: string, setting?: string): void {
    const key = JSON.stringify([of, end]);
    const line = lines.get(key) ?? { of, settings: [], end };
    if (setting !== undefined && !line.settings.includes(setting)) line.settings.push(setting);
    lines.set(key, line);
  }
  for (const change of changes) {
    switch (change.kind) {
      case "piece_added":
        tell(piece(change.piece), "added");
        break;
      case "piece_removed":
        tell(labels.get(change.was) ?? "A piece", "removed");
        break;
      case "piece_moved":
        tell(piece(change.piece), "moved");
        break;
      case "piece_set":
        tell(piece(change.piece), "set otherwise", change.setting);
        break;
      case "band_added":
        tell(band(change.band), "added or given other columns");
        break;
      case "band_removed":
        tell("A band", "removed or given other columns");
        break;
      case "band_moved":
        tell(band(change.band), "moved");
        break;
      case "band_set":
        tell(band(change.band), "set otherwise", change.setting);
        break;
      case "departed": {
        const of = "piece" in change.target ? piece(change.target.piece) : band(change.target.band);
        tell(of, `kept by ${keeper(change.whom)}`, change.setting);
        break;
      }
      case "frame_set":
        tell("Another frame", "around the page");
    }
  }
  return [...lines.values()].map(({ of, settings, end }) => {
    if (settings.length === 0) return `${of} ${end}`;
    const more = settings.length - MOST_NAMED;
    const named = settings.slice(0, MOST_NAMED).join(", ");
    return `${of}: ${more > 0 ? `${named} and ${more} more` : named} ${end}`;
  });
}
