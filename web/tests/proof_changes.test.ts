import assert from "node:assert/strict";
import { test } from "node:test";
import { changesBetween, partsOf } from "../src/features/desk/proofChanges";

const piece = (id: string, inside: string): string =>
  `<div id="p-${id}" class="piece" data-piece="${id}">${inside}</div>`;
const page = (body: string, { house = ":root{}", title = "Whimbrel" } = {}): string =>
  `<!DOCTYPE html><html class="x" lang="en"><head><title>${title}</title><style id="house">${house}</style>` +
  `<style id="laid">.a>.b{}</style></head><body class="proof"><main><div class="band">${body}</div></main>` +
  `<script type="application/json" id="offers">{"a":"<div>"}</script></body></html>`;

test("a page is taken apart into its pieces and what stands around them", () => {
  const deep = `<div><div class="in">one</div></div><divider-line></divider-line>`;
  const parts = partsOf(page(`${piece("a", deep)}<hr>${piece("b", "two")}`, { title: "Marram &amp; Gale" }));
  assert.deepEqual(
    [...parts.pieces],
    [
      ["a", piece("a", deep)],
      ["b", piece("b", "two")],
    ],
  );
  const { shape, house, laid, offers, title, lang } = parts;
  assert.equal(
    shape,
    `<main><div class="band">${piece("a", "")}<hr>${piece("b", "")}</div></main>` +
      `<script type="application/json" id="offers">{"a":"<div>"}</script>`,
  );
  assert.deepEqual([house, laid, offers], [":root{}", ".a>.b{}", `{"a":"<div>"}`]);
  assert.deepEqual([title, lang], ["Marram & Gale", "en"]);
});

test("only pieces that differ are told, and the page around them where that differs", () => {
  const [before, typed] = [
    partsOf(page(piece("a", "one") + piece("b", "two"))),
    page(piece("a", "one!") + piece("b", "two")),
  ];
  assert.deepEqual(changesBetween(before, partsOf(typed)).pieces, { a: piece("a", "one!") });
  assert.equal(changesBetween(before, partsOf(typed)).body, null);
  const { house, laid, offers } = changesBetween(before, partsOf(page(piece("a", "one"), { house: ":root{--a:1}" })));
  assert.deepEqual([house, laid, offers], [":root{--a:1}", null, null]);
  const moved = partsOf(page(piece("b", "two") + piece("a", "one")));
  const told = changesBetween(before, moved);
  assert.deepEqual([told.pieces, told.body], [{}, null]);
  assert.deepEqual(told.rows, [{ was: ["a", "b"], now: ["b", "a"] }]);
  assert.equal(
    changesBetween(before, partsOf(page(piece("a", "one"))))
      .body?.toString()
      .includes("p-b"),
    false,
  );
});

test("a piece that goes to another column is told as the rows that it leaves and comes to; an emptied column anew", () => {
  const columns = (...all: string[][]): string =>
    all
      .map((ids) => `<div class="column${ids.length ? "" : " bare"}">${ids.map((id) => piece(id, id)).join("")}</div>`)
      .join("");
  const before = partsOf(page(columns(["a", "b"], ["c"], ["d"])));
  const told = changesBetween(before, partsOf(page(columns(["a"], ["b", "c"], ["d"]))));
  assert.deepEqual([told.pieces, told.body], [{}, null]);
  assert.deepEqual(told.rows, [
    { was: ["a", "b"], now: ["a"] },
    { was: ["c"], now: ["b", "c"] },
  ]);
  const emptied = partsOf(page(columns(["a", "b", "d"], ["c"], [])));
  assert.deepEqual(changesBetween(before, emptied).rows, []);
  assert.equal(changesBetween(before, emptied).body, emptied.shape);
  const gone = partsOf(page(columns(["a", "b"], ["c"], ["e"])));
  assert.equal(changesBetween(before, gone).body, gone.shape);
});
