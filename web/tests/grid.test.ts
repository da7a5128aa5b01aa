import assert from "node:assert/strict";
import { test } from "node:test";
import { block, filled, next } from "../src/features/variants/grid";

test("a block is what spreadsheets copy: lines, and in each the cells", () => {
  assert.deepEqual(block("12.50\t4\r\n13\t\r\n"), [
    ["12.50", "4"],
    ["13", ""],
  ]);
  assert.deepEqual(block("7\n8"), [["7"], ["8"]], "one column");
  assert.deepEqual(block("7\t8"), [["7", "8"]], "one line");
  assert.equal(block("12.50"), null, "one word is pasted as ever");
  assert.equal(block(""), null);
});

test("a block fills from its cell on, and what reaches over the right edge is left out", () => {
  const cells = [
    ["A-1", "10"],
    ["A-2", "11"],
  ];
  assert.deepEqual(filled(cells, { place: 3, field: "sku" }), [
    { place: 3, set: { sku: "A-1", price: "10" } },
    { place: 4, set: { sku: "A-2", price: "11" } },
  ]);
  assert.deepEqual(filled([["5", "2 m", "over"]], { place: 0, field: "stock" }), [
    { place: 0, set: { stock: "5", measure: "2 m" } },
  ]);
});

const key = (name: string, value: string, from: number, to: number, more: object = {}): KeyboardEvent =>
  ({ key: name, target: { value, selectionStart: from, selectionEnd: to }, ...more }) as unknown as KeyboardEvent;

test("Enter and the arrows walk along a column, and to the sides where the text ends", () => {
  const at = { place: 2, field: "price" } as const;
  assert.deepEqual(next(at, key("Enter", "10", 2, 2)), { place: 3, field: "price" });
  assert.deepEqual(next(at, key("Enter", "10", 2, 2, { shiftKey: true })), { place: 1, field: "price" });
  assert.deepEqual(next(at, key("ArrowUp", "10", 1, 1)), { place: 1, field: "price" });
  assert.equal(next(at, key("ArrowLeft", "10", 1, 1)), null, "within the text the caret moves");
  assert.deepEqual(next(at, key("ArrowLeft", "10", 0, 0)), { place: 2, field: "sku" });
  assert.deepEqual(next(at, key("ArrowRight", "10", 0, 2)), { place: 2, field: "old_price" }, "all of it is chosen");
  assert.equal(next({ place: 0, field: "measure" }, key("ArrowRight", "", 0, 0)), null, "nothing lies beyond");
  assert.equal(next(at, key("ArrowDown", "10", 0, 0, { altKey: true })), null);
});
