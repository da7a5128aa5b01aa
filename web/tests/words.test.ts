import assert from "node:assert/strict";
import { readFileSync, readdirSync } from "node:fs";
import { test } from "node:test";
import { FluentResource } from "@fluent/bundle";
import { say } from "../src/words";

const files = (folder: string, end: RegExp): string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => end.test(name))
    .map((name) => readFileSync(`${folder}/${name}`, "utf8"));

/** Each message, with the gaps in it. */
const messages = new Map<string, Set<string>>();
const twice: string[] = [];
for (const text of files("src/words/en", /\.ftl$/)) {
  for (const { id, value } of new FluentResource(text).body) {
    if (messages.has(id)) twice.push(id);
    const gaps = JSON.stringify(value).matchAll(/"type":"var","name":"(\w+)"/g);
    messages.set(id, new Set([...gaps].map((gap) => gap[1] ?? "")));
  }
}

/** What is given at the outermost level of an object that begins here. */
function given(code: string): string[] {
  const names: string[] = [];
  let depth = 0;
  let begins = false;
  for (let at = 0; at < code.length; at += 1) {
    const sign = code[at] ?? "";
    if ("{([".includes(sign)) depth += 1;
    if ("})]".includes(sign)) depth -= 1;
    if (depth === 0) break;
    if (depth === 1 && "{,".includes(sign)) begins = true;
    else if (begins && /\w/.test(sign)) {
      names.push(/^\w+/.exec(code.slice(at))?.[0] ?? "");
      begins = false;
    }
  }
  return names;
}

/** Every message that is said somewhere, with what fills its gaps. */
const said = files("src", /\.(vue|ts)$/).flatMap((code) =>
  [...code.matchAll(/\bsay\(\s*["']([\w-]+)["'](,\s*\{)?/g)].map((found) => ({
    name: found[1] ?? "",
    gaps: found[2] ? given(code.slice(found.index + found[0].length - 1)) : [],
  })),
);

test("every message that is said is there once, and each that is there is said", () => {
  assert.ok(said.length > 1000, `only ${said.length} are said`);
  assert.deepEqual(twice, []);
  assert.deepEqual(
    said.filter(({ name }) => !messages.has(name)).map(({ name }) => name),
    [],
  );
  const names = new Set(said.map(({ name }) => name));
  assert.deepEqual(
    [...messages.keys()].filter((name) => !names.has(name)),
    [],
  );
});

test("what fills a message's gaps is given wherever it is said, and nothing else", () => {
  const wrong = said.filter(({ name, gaps }) => {
    const wanted = messages.get(name) ?? new Set();
    return gaps.length !== wanted.size || gaps.some((gap) => !wanted.has(gap));
  });
  assert.deepEqual(wrong, []);
});

test("numbers decide about plurals and are written as they are; nothing is put around a name", () => {
  assert.equal(say("desk-head-departures", { departed: 1 }), "1 departure");
  assert.equal(say("desk-head-departures", { departed: 12000 }), "12000 departures");
  assert.equal(say("desk-head-here", { name: "Isla" }), "Isla is here");
  assert.equal(say("no-such-message"), "no-such-message");
});
