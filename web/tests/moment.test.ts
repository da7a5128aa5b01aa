import assert from "node:assert/strict";
import { test } from "node:test";
import { dayFirst, momentSays, readMoment } from "../src/ui/fields/moment";

const today = new Date(2026, 10, 28);
const read = (text: string, language = "en-GB"): string | null => {
  const one = readMoment(text, language, today);
  return one && `${one.day}T${one.time}`;
};

test("a moment is read as people write it", () => {
  for (const text of [
    "20 March 2027, 08:00",
    "20 mar 2027 8:00",
    "20. March 2027, 8.00",
    "March 20, 2027 08:00",
    "20.3.2027 8:00",
    "20/3/2027 8:00",
    "20/03/27, 08:00",
    "2027-03-20 08:00",
    "2027-03-20T08:00",
    "  20   March  2027   08:00 ",
  ]) {
    assert.equal(read(text), "2027-03-20T08:00", text);
  }
});

test("numbers stand in the order of the owner's language, with dots always the day first", () => {
  assert.equal(dayFirst("de"), true);
  assert.equal(dayFirst("en-US"), false);
  assert.equal(read("3/4/2027", "en-GB"), "2027-04-03T00:00");
  assert.equal(read("3/4/2027", "en-US"), "2027-03-04T00:00");
  assert.equal(read("3.4.2027", "en-US"), "2027-04-03T00:00");
});

test("without a year the next such day is meant, without a time its beginning", () => {
  assert.equal(read("24 December"), "2026-12-24T00:00");
  assert.equal(read("28 Nov"), "2026-11-28T00:00");
  assert.equal(read("27 Nov"), "2027-11-27T00:00");
  assert.equal(read("1.12."), "2026-12-01T00:00");
});

test("days and times that there aren't are not read", () => {
  for (const text of [
    "31 February 2027",
    "20 March 2027, 24:00",
    "20 March 2027, 8:60",
    "soon",
    "20",
    "20 Maybe 2027",
    "08:00",
    "",
  ]) {
    assert.equal(read(text), null, text);
  }
});

test("what is shown is read as what it was", () => {
  for (const kept of ["2027-03-20T08:00", "2028-02-29T23:59", "2026-12-01T00:00"]) {
    assert.equal(read(momentSays(kept)), kept);
  }
  assert.equal(momentSays("2027-03-20"), "20 March 2027");
  assert.equal(momentSays(""), "");
});
