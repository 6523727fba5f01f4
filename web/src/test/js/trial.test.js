import { test } from "node:test";
import assert from "node:assert/strict";
import { bins } from "../../main/resources/static/js/module/plan/trial.js";

test("points fall into the step they are nearest to, and nobody is lost", () => {
  assert.deepEqual(bins([0, 2, 2, 1.5], 2), [1, 0, 0, 1, 2]);
  for (const of of [1, 3, 10, 20, 100, 1000]) {
    const values = Array.from({ length: 57 }, (_, i) => (of * i) / 56);
    const counts = bins(values, of);
    assert.equal(
      counts.reduce((sum, count) => sum + count, 0),
      values.length
    );
    assert.ok(counts.length <= 41 && counts[0] > 0 && counts.at(-1) > 0);
  }
});

test("what lies beyond the scale stands at its end", () => {
  assert.deepEqual(bins([-1, 9], 1), [1, 0, 1]);
});
