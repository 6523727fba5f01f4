// The plan's model: folders in one another, moved, renamed and taken back.
import assert from "node:assert/strict";
import { test } from "node:test";
import { PlanModel } from "../../main/resources/static/js/module/plan/model.js";
import { FolderTree } from "../../main/resources/static/js/module/plan/tree.js";

const plan = (...paths) => new PlanModel({ folders: paths.map((path) => ({ path })) });
const paths = (model) => model.folders().map((folder) => folder.path);

test("a folder lies in the planned one that holds it most closely", () => {
  const tree = new FolderTree(
    ["edit", "edit/autosave/old", "edit/autosave", "editing", "shots/{word}"].map((path) => ({ path }))
  );
  assert.deepEqual(
    [0, 1, 2, 3, 4].map((i) => tree.parent(i)),
    [-1, 2, 0, -1, -1]
  );
  assert.deepEqual(tree.children(-1), [0, 3, 4]);
  assert.deepEqual(tree.subtree(0), [0, 2, 1]);
  assert.equal(tree.shown(1), "old");
  assert.equal(tree.shown(4), "shots/{word}");
  assert.equal(tree.above(1), "edit/autosave/");
});

test("twins and an empty path make no circle", () => {
  const tree = new FolderTree([{ path: "a" }, { path: "a" }, { path: "" }, { path: "a/b" }, { path: "/x" }]);
  assert.deepEqual(
    [0, 1, 2, 3, 4].map((i) => tree.parent(i)),
    [-1, -1, -1, 0, -1]
  );
});

test("a new folder comes after all that lies in the one before, or inside it, under a free name", () => {
  const model = plan("edit", "edit/autosave", "sound");
  assert.equal(model.add(0, false), "new-folder");
  assert.deepEqual(paths(model), ["edit", "edit/autosave", "new-folder", "sound"]);
  assert.equal(model.add(0, false), "new-folder-2");
  assert.equal(model.add(0, true), "edit/new-folder");
  assert.equal(model.add(-1, false), "new-folder-3");
});

test("what lies in a folder and what is asked for in it goes along with its name", () => {
  const model = new PlanModel({
    folders: [{ path: "edit" }, { path: "edit/autosave" }, { path: "editing" }],
    documents: [{ in: "edit" }],
    files: [{ in: "edit/autosave" }, {}],
    starter: [{ path: "edit/a.otio" }, { path: "editing/b" }],
    proxies: [{ in: "edit/small" }, { name: "s_{original}" }],
    limits: { per: [{ in: "edit" }] }
  });
  model.rename(0, "cut");
  assert.deepEqual(model.doc, {
    folders: [{ path: "cut" }, { path: "cut/autosave" }, { path: "editing" }],
    documents: [{ in: "cut" }],
    files: [{ in: "cut/autosave" }, {}],
    starter: [{ path: "cut/a.otio" }, { path: "editing/b" }],
    proxies: [{ in: "cut/small" }, { name: "s_{original}" }],
    limits: { per: [{ in: "cut" }] }
  });
  model.undo();
  assert.deepEqual(paths(model), ["edit", "edit/autosave", "editing"]);
  model.redo();
  assert.deepEqual(paths(model), ["cut", "cut/autosave", "editing"]);
});

test("a folder is put before, after or inside another with all in it, and never into itself or onto another's name", () => {
  const model = plan("a", "a/x", "b", "c", "c/x");
  model.place(0, 2, "after");
  assert.deepEqual(paths(model), ["b", "a", "a/x", "c", "c/x"]);
  model.place(1, 3, "inside");
  assert.deepEqual(paths(model), ["b", "c", "c/x", "c/a", "c/a/x"]);
  const before = paths(model);
  model.place(1, 3, "inside");
  assert.deepEqual(paths(model), before, "into itself");
  model.place(4, 1, "inside");
  assert.deepEqual(paths(model), before, "where there is one of that name");
  model.place(3, 0, "before");
  assert.deepEqual(paths(model), ["a", "a/x", "b", "c", "c/x"]);
});

test("keys move a folder among its neighbours, in and out", () => {
  const model = plan("a", "b", "c");
  model.shift(2, -1);
  assert.deepEqual(paths(model), ["a", "c", "b"]);
  model.shift(0, -1);
  assert.deepEqual(paths(model), ["a", "c", "b"], "nothing lies before the first");
  model.indent(1);
  assert.deepEqual(paths(model), ["a", "a/c", "b"]);
  model.outdent(1);
  assert.deepEqual(paths(model), ["a", "c", "b"]);
  model.remove(0);
  assert.deepEqual(paths(model), ["c", "b"]);
});

test("a step that changes nothing is none, and listeners hear of the others", () => {
  const model = plan("a");
  const heard = [];
  model.listen((hint) => heard.push(hint));
  model.change((doc) => {
    doc.folders[0].path = "a";
  });
  assert.equal(model.past.length, 0);
  model.rename(0, "b");
  model.undo();
  model.undo();
  assert.deepEqual(heard, ["b", undefined]);
  assert.equal(model.epoch, 1);
});

test("any moves of any plan keep every folder, and all of them can be taken back", () => {
  let seed = Date.now() % 2 ** 31;
  const first = seed;
  const random = (below) => (seed = (seed * 48271) % 2147483647) % below;
  const model = plan("a", "a/b", "a/b/c", "d", "d/e", "f");
  const start = model.text();
  for (let n = 0; n < 2000; n++) {
    const i = random(6),
      other = random(6);
    [
      () => model.place(i, other, ["before", "after", "inside"][random(3)]),
      () => model.shift(i, random(2) * 2 - 1),
      () => model.indent(i),
      () => model.outdent(i)
    ][random(4)]();
    assert.equal(new Set(paths(model)).size, 6, "seed " + first);
    const drawn = model.tree.children(-1).flatMap((top) => model.tree.subtree(top));
    assert.equal(drawn.length, 6, "seed " + first);
  }
  while (model.past.length) model.undo();
  assert.equal(model.text(), start);
});

test("the tree of 300 folders is worked out once a change", () => {
  const model = plan(
    ...Array.from(
      { length: 300 },
      (_, i) => (i % 10 ? "f" + Math.floor(i / 10) + "/" : "") + "f" + (i % 10 ? i : i / 10)
    )
  );
  const before = model.tree;
  assert.equal(model.tree, before);
  model.rename(0, "g");
  assert.notEqual(model.tree, before);
  assert.equal(model.tree, model.tree);
  assert.equal(model.tree.children(-1).length, 30);
});
