import assert from "node:assert/strict";
import test from "node:test";
import { nextPart } from "../../main/resources/static/js/module/look/pick.js";
import { between, meaning, Pace, pause } from "../../main/resources/static/js/module/look/send.js";

const files = ["fern", "", "moss", "r", "eed"].map((text) => new Blob([text]));
const STREAM = "fernmossreed";

test("any part of the stream is what lies there, whatever files it crosses", async () => {
  for (let from = 0; from <= STREAM.length; from++) {
    for (let to = from; to <= STREAM.length; to++) {
      assert.equal(await between(files, from, to).text(), STREAM.slice(from, to), `${from} to ${to}`);
    }
  }
});

test("each answer means one thing to do", () => {
  const means = (status, redirected = false) => meaning({ status, redirected });
  assert.deepEqual(
    [200, 201, 204].map((status) => means(status)),
    ["good", "good", "good"]
  );
  // A sign-in page answers well, and is none.
  assert.equal(means(200, true), "signed-out");
  assert.deepEqual(
    [401, 403].map((status) => means(status)),
    ["signed-out", "signed-out"]
  );
  assert.deepEqual(
    [409, 412].map((status) => means(status)),
    ["elsewhere", "elsewhere"]
  );
  assert.deepEqual(
    [408, 423, 429].map((status) => means(status)),
    ["later", "later", "later"]
  );
  assert.deepEqual(
    [404, 410].map((status) => means(status)),
    ["gone", "gone"]
  );
  assert.deepEqual(
    [0, 500, 502, 503].map((status) => means(status)),
    ["away", "away", "away", "away"]
  );
  // A full disk does not empty itself: whoever sends is told.
  assert.deepEqual(
    [400, 413, 422, 507].map((status) => means(status)),
    ["refused", "refused", "refused", "refused"]
  );
});

test("tries come less and less often, and never stop for long", () => {
  const waits = [...Array(12).keys()].map(pause);
  assert.ok(waits.every((wait, i) => i === 0 || wait >= waits[i - 1]));
  assert.equal(waits.at(-1), 30_000);
});

test("what is left follows the last seconds", () => {
  const pace = new Pace();
  assert.equal(pace.left(100), null);
  pace.at(0, 0);
  pace.at(1_000, 10);
  assert.equal(pace.left(100), null);
  pace.at(10_000, 50);
  assert.equal(Math.round(pace.left(100)), 10);
  for (let at = 11; at < 40; at++) pace.at(at * 1_000, 50);
  assert.equal(pace.left(100), null);
});

test("files are handed over in parts that a page does not feel", () => {
  let part = 25;
  for (let i = 0; i < 20; i++) part = nextPart(part, 1);
  assert.equal(part, 500);
  assert.equal(nextPart(500, 300), 250);
  assert.equal(nextPart(100, 15), 100);
  for (let i = 0; i < 20; i++) part = nextPart(part, 200);
  assert.equal(part, 5);
});
