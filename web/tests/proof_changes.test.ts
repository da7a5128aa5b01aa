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
  const moved = partsOf(page(piece("b", "two") + piece("a", "one")));
  const told = changesBetween(before, moved);
  assert.deepEqual(told.pieces, {});
  assert.equal(told.body, moved.shape);
  assert.equal(
    changesBetween(before, partsOf(page(piece("a", "one"))))
      .body?.toString()
      .includes("p-b"),
    false,
  );
});
