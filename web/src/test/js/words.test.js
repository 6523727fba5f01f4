// How scripts fill the sentences of a page, and what the pattern workshop says of a name.
import assert from "node:assert/strict";
import { test } from "node:test";
import { marked, verdict } from "../../main/resources/static/js/module/plan/preview.js";
import { filler } from "../../main/resources/static/js/module/words.js";

test("holes, plurals and the other kinds of a plural", () => {
  const english = filler("en");
  assert.equal(english("{0} of {1} MB sent", ["1.0", "9.9"]), "1.0 of 9.9 MB sent");
  const files = "{0, plural, =0 {No file} one {# file} other {# files}} in {1}";
  assert.deepEqual(
    [0, 1, 2].map((n) => english(files, [n, "it"])),
    ["No file in it", "1 file in it", "2 files in it"]
  );
  assert.equal(english("{0, plural, one {{1} alone} other {{1} and # more}}", [3, "a{b}"]), "a{b} and 3 more");
  assert.equal(english("nothing to fill", []), "nothing to fill");
  assert.equal(english("{2}", ["a"]), "");
});

test("each language has plurals of its own", () => {
  const polish = "{0, plural, one {# plik} few {# pliki} many {# plików} other {# pliku}}";
  assert.deepEqual(
    [1, 3, 5].map((n) => filler("pl")(polish, [n])),
    ["1 plik", "3 pliki", "5 plików"]
  );
});

test("a name is marked where it stops fitting, by its code points", () => {
  assert.deepEqual(marked("Marsh_v2", 6), { before: "Marsh_", here: "v", after: "2" });
  assert.deepEqual(marked("Marsh", 5), { before: "Marsh", here: "⎵", after: "" });
  assert.deepEqual(marked("🍵b", 1), { before: "🍵", here: "b", after: "" });
  assert.deepEqual(marked("", 0), { before: "", here: "⎵", after: "" });
});

test("a name that was tried is right, right for somebody, or wrong", () => {
  assert.equal(verdict(null), null);
  assert.deepEqual(verdict({ fits: true, whose: "" }), ["js-plan.fits"]);
  assert.deepEqual(verdict({ fits: true, whose: "Marsh" }), ["js-plan.fits-for", "Marsh"]);
  assert.deepEqual(verdict({ fits: false, expected: "a digit" }), ["js-plan.expected", "a digit"]);
});
