import assert from "node:assert/strict";
import { test } from "node:test";
import { above, enough } from "../src/features/desk/bringUp";
import { lines } from "../src/features/desk/order";
import type { Box, Kind, Layout } from "../src/features/desk/types";

test("the fewest are left out that are enough, and of those the smallest", () => {
  const spares = [
    { id: "crumbs", frees: 30 },
    { id: "summary", frees: 90 },
    { id: "rating", frees: 40 },
  ];
  assert.deepEqual(enough(spares, 35), ["rating"]);
  assert.deepEqual(enough(spares, 41), ["summary"]);
  assert.deepEqual(enough(spares, 100), ["crumbs", "summary"]);
  assert.deepEqual(enough(spares, 160), ["crumbs", "summary", "rating"]);
  assert.deepEqual(enough(spares, 161), [], "all together don't do");
  assert.deepEqual(enough([], 1), []);
});

const piece = (id: string, kind: Kind) => ({ id, kind, values: {} });
const layout: Layout = {
  format: 1,
  bands: [
    {
      id: "b",
      columns: [
        { id: "left", width: 7, pieces: [piece("pictures", "gallery"), piece("said", "quotes")] },
        {
          id: "right",
          width: 5,
          pieces: [piece("summary", "summary"), piece("buy", "buy_button"), piece("end", "text")],
        },
      ],
    },
  ],
};
const boxes = (of: [string, number, number][]): Map<string, Box> =>
  new Map(of.map(([id, top, bottom]) => [id, { id, top, bottom, seen: true }]));

test("what stands above in one's column moves one up, on phones what stands above in any", () => {
  const order = lines(layout);
  const buy = order.find((line) => line.piece.id === "buy");
  assert.ok(buy);
  const needed = new Set(["gallery", "buy_button"]);
  const wide = boxes([
    ["pictures", 0, 600],
    ["said", 620, 700],
    ["summary", 0, 700],
    ["buy", 712, 760],
    ["end", 770, 800],
  ]);
  assert.deepEqual(above(order, wide, buy, "wide", needed), [{ id: "summary", frees: 712 }]);
  const phone = boxes([
    ["pictures", 0, 400],
    ["said", 410, 500],
    ["summary", 516, 600],
    ["buy", 610, 660],
    ["end", 670, 700],
  ]);
  assert.deepEqual(above(order, phone, buy, "phone", needed), [
    { id: "said", frees: 106 },
    { id: "summary", frees: 94 },
  ]);
});
