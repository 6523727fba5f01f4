import { test } from "node:test";
import assert from "node:assert/strict";
import { counts, linked, named } from "../../main/resources/static/js/module/plan/short.js";

test("counts are written as they are read", () => {
  for (const [text, list] of [
    [
      "png jpg 2-3, txt 0-1",
      [
        { types: ["png", "jpg"], atLeast: 2, atMost: 3 },
        { types: ["txt"], atLeast: 0, atMost: 1 }
      ]
    ],
    ["png 5", [{ types: ["png"], atLeast: 5, atMost: 5 }]],
    ["wav 2-", [{ types: ["wav"], atLeast: 2 }]],
    ["4-9", [{ types: [], atLeast: 4, atMost: 9 }]]
  ]) {
    assert.deepEqual(counts.read(text), list);
    assert.equal(counts.write(list), text);
  }
  assert.equal(counts.read(" , "), undefined);
  assert.equal(counts.read("png"), undefined);
  assert.equal(counts.write(undefined), "");
});

test("names keep what else was known of them", () => {
  assert.deepEqual(
    named.read("plate.png, notes", [{ role: "Plate", name: "plate", types: ["jpg"], need: "optional" }]),
    [
      { role: "Plate", name: "plate", types: ["png"], need: "optional" },
      { role: "notes", name: "notes", types: [] }
    ]
  );
  assert.equal(
    named.write([
      { name: "plate", types: ["png"] },
      { name: "notes", types: [] }
    ]),
    "plate.png, notes"
  );
  assert.equal(named.read(""), undefined);
});

test("links name a starter file, a role, or a folder with a number", () => {
  const doc = { starter: [{ path: "sound/bell.wav" }], files: [{ role: "Finished film" }] };
  const list = [{ in: "footage", atLeast: 3 }, { role: "Finished film" }, { starter: "sound/bell.wav" }];
  assert.deepEqual(linked.read("footage 3, Finished film, sound/bell.wav", doc), list);
  assert.equal(linked.write(list), "footage 3, Finished film, sound/bell.wav");
  assert.deepEqual(linked.read("shots/{word}", doc), [{ in: "shots/{word}", atLeast: 1 }]);
});
