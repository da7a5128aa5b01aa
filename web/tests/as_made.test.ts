import assert from "node:assert/strict";
import { test } from "node:test";
import { withOp } from "../src/features/desk/asMade";
import type { Layout, Op } from "../src/features/desk/types";

function layout(): Layout {
  const piece = (id: string, kind: "title" | "price" | "text") => ({ id, kind, values: {} });
  const columns = [
    { id: "c1", width: 7, pieces: [piece("a", "title"), piece("b", "price")] },
    { id: "c2", width: 5, pieces: [piece("c", "text")] },
  ];
  return {
    format: 1,
    frame: "whole",
    bands: [
      { id: "one", values: {}, columns },
      { id: "two", values: {}, columns: [{ id: "c3", width: 12, pieces: [] }] },
    ],
    departures: [],
  };
}
/** The page as its bands, columns and pieces: `one: ab|c, two: `. */
const told = (page: Layout): string =>
  page.bands
    .map((band) => `${band.id}: ${band.columns.map((column) => column.pieces.map((p) => p.id).join("")).join("|")}`)
    .join(", ");
const after = (...ops: Op[]): string => told(ops.reduce(withOp, layout()));

test("what waits is shown where it will stand", () => {
  const at = (column: string, index: number) => ({ column, index });
  const piece = { id: "n", kind: "text" as const, values: {} };
  assert.equal(told(layout()), "one: ab|c, two: ");
  assert.equal(after({ op: "add_piece", piece, at: at("c1", 1) }), "one: anb|c, two: ");
  assert.equal(after({ op: "move_piece", piece: "a", to: at("c1", 1) }), "one: ba|c, two: ");
  assert.equal(after({ op: "move_piece", piece: "a", to: at("c3", 0) }), "one: b|c, two: a");
  assert.equal(after({ op: "move_pieces", pieces: ["c", "a"], to: at("c1", 2) }), "one: bca|, two: ");
  assert.equal(after({ op: "move_pieces", pieces: ["b", "gone"], to: at("c2", 0) }), "one: a|bc, two: ");
  assert.equal(after({ op: "copy_piece", piece: "c", copy: "d", to: at("c2", 1) }), "one: ab|cd, two: ");
  assert.equal(after({ op: "remove_piece", piece: "a" }), "one: b|c, two: ");
  assert.equal(after({ op: "move_band", band: "two", index: 0 }), "two: , one: ab|c");
  assert.equal(after({ op: "remove_band", band: "one" }), "two: ");
  const columns = [{ id: "c2", width: 12 }];
  assert.equal(after({ op: "set_columns", band: "one", columns }), "one: cab, two: ");
  const both: Op[] = [
    { op: "remove_piece", piece: "c" },
    { op: "move_piece", piece: "a", to: at("c2", 0) },
  ];
  assert.equal(after({ op: "many", ops: both }), "one: b|a, two: ");
  assert.equal(after({ op: "move_piece", piece: "gone", to: at("c1", 0) }), "one: ab|c, two: ");
});

test("a value is set and inherited again on one screen, and what was told stays as it was", () => {
  const before = layout();
  const set = (value: string | null): Op => ({
    op: "set",
    target: { piece: "b" },
    setting: "note",
    device: "phone",
    value,
  });
  const first = withOp(before, set("with VAT"));
  assert.deepEqual(first.bands[0]?.columns[0]?.pieces[1]?.values, { phone: { note: "with VAT" } });
  assert.deepEqual(withOp(first, set(null)).bands[0]?.columns[0]?.pieces[1]?.values, { phone: {} });
  const band: Op = { op: "set", target: { band: "two" }, setting: "ground", device: "wide", value: "ink" };
  assert.deepEqual(withOp(before, band).bands[1]?.values, { wide: { ground: "ink" } });
  assert.deepEqual(before, layout());
});
