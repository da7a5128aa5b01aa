import assert from "node:assert/strict";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { test } from "node:test";

const SOURCE = join(process.cwd(), "src");
const files = readdirSync(SOURCE, { recursive: true, encoding: "utf8" }).filter((name) => /\.(vue|css)$/.test(name));
const read = (name: string): string => readFileSync(join(SOURCE, name), "utf8");
const ROLES = "ui/roles.css";

/** The styles of a file; of a component also what its template sets directly. */
function styles(name: string): string {
  const text = read(name);
  if (name.endsWith(".css")) return text;
  const inside = [...text.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map((found) => found[1]);
  const set = [...text.matchAll(/\s(?:fill|stroke|color)="([^"]*)"/g)].map((found) => found[1]);
  return [...inside, ...set].join("\n");
}
/** What a set of colours says of each role. */
function rolesIn(selector: string): Set<string> {
  const all = read(ROLES);
  const from = all.indexOf(`${selector} {`);
  const block = all.slice(from, all.indexOf("}", from));
  return new Set([...block.matchAll(/(--[\w-]+):/g)].map((found) => found[1] ?? ""));
}

test("no colour is written outside the roles", () => {
  const colour = /#[0-9a-f]{3,8}\b|\brgba?\(|\bhsla?\(/i;
  const found = files.filter((name) => name !== ROLES && colour.test(styles(name)));
  assert.deepEqual(found, []);
  assert.ok(colour.test(styles(ROLES)) && files.length > 80);
});

test("every role that is asked for is told, and the dark set tells no other ones", () => {
  const paper = rolesIn(":root");
  const dark = rolesIn(`:root[data-set="dark"]`);
  assert.ok(dark.size > 20);
  assert.deepEqual(
    [...dark].filter((role) => !paper.has(role)),
    [],
  );
  // Roles that a file sets for itself, such as the columns of a table, are its own.
  const elsewhere = new Set(
    files.flatMap((name) => [...read(name).matchAll(/(--[\w-]+)["'`]?\s*[:,]/g)].map((f) => f[1])),
  );
  const asked = files.flatMap((name) =>
    [...styles(name).matchAll(/var\((--[\w-]+)\)/g)].map((found) => found[1] ?? ""),
  );
  assert.deepEqual(
    [...new Set(asked)].filter((role) => !paper.has(role) && !elsewhere.has(role)),
    [],
  );
});
