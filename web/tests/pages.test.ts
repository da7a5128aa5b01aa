import assert from "node:assert/strict";
import { test } from "node:test";
import { Pages } from "../src/features/desk/pages";

const whole = (name: string, html: string) => ({ name, html, cuts: [] });

test("a page is put together from the one that it differs from, whatever came meanwhile", () => {
  const pages = new Pages();
  assert.equal(pages.newest, null);
  assert.equal(pages.take(whole("a", "<b>Fly 🪁 it</b><i>now</i>")), "<b>Fly 🪁 it</b><i>now</i>");
  assert.equal(pages.take(whole("x", "<p>Another</p>")), "<p>Another</p>");
  const cuts = [
    { from: 3, to: 6, text: "Take" },
    { from: 19, to: 22, text: "soon" },
  ];
  assert.equal(pages.take({ name: "b", of: "a", cuts }), "<b>Take 🪁 it</b><i>soon</i>");
  assert.equal(pages.newest, "b");
  // An answer that is heard twice makes the same.
  assert.equal(pages.take({ name: "b", of: "a", cuts }), "<b>Take 🪁 it</b><i>soon</i>");
  assert.equal(pages.take({ name: "a", of: "b", cuts: [] }), "<b>Take 🪁 it</b><i>soon</i>");
});

test("what differs from a page that isn't here makes none", () => {
  const pages = new Pages();
  assert.equal(pages.take({ name: "b", of: "a", cuts: [] }), null);
  assert.equal(pages.newest, null);
  for (let number = 0; number < 20; number++) pages.take(whole(`p${number}`, `${number}`));
  assert.equal(pages.take({ name: "q", of: "p0", cuts: [] }), null);
  assert.equal(pages.take({ name: "q", of: "p19", cuts: [] }), "19");
});
