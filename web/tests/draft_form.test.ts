import assert from "node:assert/strict";
import { test } from "node:test";
import { nextTick, ref } from "vue";
import { useDraftFields, useDraftForm } from "../src/session/useDraftField";

/** What the server has of a rule, and the form in which it is written. */
function rule() {
  const kept = ref({ name: "Spring", percent: "10", on: true });
  return {
    kept,
    ...useDraftForm(
      () => "3",
      () => kept.value,
    ),
  };
}

test("an answer about one field never writes over what is being written in another", async () => {
  const { kept, form, changed, met } = rule();
  form.value.name = "Spring sale";
  kept.value = { ...kept.value, percent: "15" };
  await nextTick();
  assert.deepEqual(form.value, { name: "Spring sale", percent: "15", on: true });
  assert.deepEqual([changed.value, met.value], [true, []]);
});

test("what comes in for a field that is being written is offered beside it", async () => {
  const { kept, form, met, takeTheirs } = rule();
  form.value.name = "Mine";
  kept.value = { ...kept.value, name: "Theirs" };
  await nextTick();
  assert.deepEqual([form.value.name, met.value], ["Mine", ["name"]]);
  takeTheirs("name");
  assert.deepEqual([form.value.name, met.value], ["Theirs", []]);
  // Who comes to write the same has nothing to choose.
  form.value.name = "Both";
  kept.value = { ...kept.value, name: "Both" };
  await nextTick();
  assert.deepEqual(met.value, []);
});

test("what is kept is shown while it waits, and what was refused stays to be mended", async () => {
  const { kept, form, changed, keep } = rule();
  const before = kept.value;
  form.value.percent = "ten";
  const taken = await keep(async (written) => {
    kept.value = written;
    await nextTick();
    assert.equal(changed.value, false, "as if it were taken");
    kept.value = { ...before, on: false };
    await nextTick();
    return false;
  });
  assert.equal(taken, false);
  assert.deepEqual(form.value, { name: "Spring", percent: "ten", on: false }, "what others did meanwhile stays");
  assert.equal(changed.value, true);
  const sent: string[] = [];
  await keep((written) => Promise.resolve(sent.push(written.percent) > 0));
  assert.deepEqual(sent, ["ten"]);
});

test("another thing in the same form begins anew", async () => {
  const [id, kept] = [ref("1"), ref({ name: "One" })];
  const { form } = useDraftForm(
    () => id.value,
    () => kept.value,
  );
  form.value.name = "being written";
  [id.value, kept.value] = ["2", { name: "Two" }];
  await nextTick();
  assert.equal(form.value.name, "Two");
});

test("a field that was left keeps what was typed, also where it is refused", async () => {
  const kept = ref("9.00");
  const fields = useDraftFields(
    () => 1,
    () => ({ price: kept.value }),
  );
  fields.typed.price = "12,80";
  await fields.keep("price", async (text) => {
    kept.value = text;
    await nextTick();
    kept.value = "9.00";
    return false;
  });
  assert.deepEqual([fields.typed.price, fields.differs("price")], ["12,80", true]);
  await fields.keep("price", async (text) => {
    kept.value = text;
    await nextTick();
    kept.value = "11.00";
    await nextTick();
    return false;
  });
  assert.deepEqual([fields.typed.price, fields.differs("price")], ["11.00", false], "somebody else's came first");
  fields.typed.price = "12.8";
  const taken = fields.keep("price", async () => {
    kept.value = "12.80";
    await nextTick();
    return true;
  });
  await taken;
  assert.deepEqual([fields.typed.price, fields.differs("price")], ["12.80", false], "as the server writes it");
  fields.typed.price = " 12.80 ";
  await fields.keep("price", () => Promise.reject(new Error("nothing to keep")));
});
