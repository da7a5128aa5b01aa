import assert from "node:assert/strict";
import { test } from "node:test";
import { seenOf, together } from "../src/features/desk/alike";

const page = (inside: string): string => `<html lang="en"><body><main class="page">${inside}</main></body></html>`;

test("what can be seen is told apart from what a form carries along", () => {
  const one = page(
    `<form action="/a?stock=none" data-piece="p1"><input type="hidden" name="v" value="1"><b>Sold out</b></form>`,
  );
  const other = page(
    `<form action="/a" data-piece="p1"><input type="hidden" name="v" value="2"><b>Sold out</b></form>`,
  );
  assert.equal(seenOf(one), seenOf(other));
  assert.notEqual(seenOf(one), seenOf(page("<form><b>Add to cart</b></form>")));
  assert.notEqual(seenOf(page(`<b class="few">3 left</b>`)), seenOf(page(`<b class="gone">3 left</b>`)));
});

test("states in which the same is seen stand as one, in their order", () => {
  const seen = new Map([
    ["as it is", "a"],
    ["on sale", "b"],
    ["plenty", "a"],
    ["few", "b"],
  ]);
  assert.deepEqual(
    together(["as it is", "on sale", "plenty", "few"], (one) => seen.get(one)),
    [
      ["as it is", "plenty"],
      ["on sale", "few"],
    ],
  );
  // What hasn't been drawn yet isn't taken for the same as anything.
  assert.deepEqual(
    together(["x", "y"], () => undefined),
    [["x"], ["y"]],
  );
});
