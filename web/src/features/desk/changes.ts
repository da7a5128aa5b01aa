import type { Schemas } from "../../api/client";
import { bandName } from "./order";
import type { Layout } from "./types";

/** Differences of two layouts as an owner would tell them; several values of one piece are one line. */
export function changeWords(
  changes: Schemas["Difference"][],
  layout: Layout,
  labels: Map<string, string>,
  keeper: (whom: Schemas["Whom"]) => string = (whom) => ("type" in whom ? whom.type : whom.product),
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
  const words = changes.map((change) => {
    switch (change.kind) {
      case "piece_added":
        return `${piece(change.piece)} added`;
      case "piece_removed":
        return `${labels.get(change.was) ?? "A piece"} removed`;
      case "piece_moved":
        return `${piece(change.piece)} moved`;
      case "piece_set":
        return `${piece(change.piece)} set otherwise`;
      case "band_added":
        return `${band(change.band)} added or given other columns`;
      case "band_removed":
        return "A band removed or given other columns";
      case "band_moved":
        return `${band(change.band)} moved`;
      case "band_set":
        return `${band(change.band)} set otherwise`;
      case "departed":
        return `${"piece" in change.target ? piece(change.target.piece) : band(change.target.band)}: what ${keeper(change.whom)} keeps`;
      case "frame_set":
        return "Another frame around the page";
    }
  });
  return [...new Set(words)];
}
