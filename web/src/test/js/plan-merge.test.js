// Two people who changed one plan.
import assert from "node:assert/strict";
import { test } from "node:test";
import { mergePlans } from "../../main/resources/static/js/module/plan/merge.js";

const base = {
  title: "A",
  root: { name: "r" },
  folders: [{ path: "a", need: "required" }, { path: "b" }],
  machines: ["m"]
};
const changed = (act) => {
  const copy = structuredClone(base);
  act(copy);
  return copy;
};

test("what each of them changed is there", () => {
  const theirs = changed((doc) => {
    doc.folders.push({ path: "c" });
    doc.title = "B";
  });
  const mine = changed((doc) => {
    doc.folders[0].need = "optional";
    doc.steps = [{ title: "look" }];
  });
  assert.deepEqual(mergePlans(base, theirs, mine), {
    title: "B",
    root: { name: "r" },
    folders: [{ path: "a", need: "optional" }, { path: "b" }, { path: "c" }],
    machines: ["m"],
    steps: [{ title: "look" }]
  });
});

test("where both changed one thing, mine stays", () => {
  assert.equal(
    mergePlans(
      base,
      changed((doc) => {
        doc.title = "B";
      }),
      changed((doc) => {
        doc.title = "C";
      })
    ).title,
    "C"
  );
  assert.deepEqual(
    mergePlans(
      base,
      changed((doc) => {
        doc.machines = ["m", "n"];
      }),
      changed((doc) => {
        doc.machines = [];
      })
    ).machines,
    []
  );
});

test("both parts of one folder come together", () => {
  const theirs = changed((doc) => {
    doc.folders[0].purpose = "clips";
  });
  const mine = changed((doc) => {
    doc.folders[0].need = "optional";
  });
  assert.deepEqual(mergePlans(base, theirs, mine).folders[0], { path: "a", need: "optional", purpose: "clips" });
});

test("what one of them took out is out, unless the other changed it", () => {
  const without = changed((doc) => {
    doc.folders.shift();
  });
  assert.deepEqual(
    mergePlans(
      base,
      without,
      changed((doc) => {
        doc.title = "B";
      })
    ).folders.map((folder) => folder.path),
    ["b"]
  );
  assert.deepEqual(
    mergePlans(
      base,
      changed((doc) => {
        doc.title = "B";
      }),
      without
    ).folders.map((folder) => folder.path),
    ["b"]
  );
  const mine = changed((doc) => {
    doc.folders[0].purpose = "kept";
  });
  assert.deepEqual(
    mergePlans(base, without, mine).folders.map((folder) => folder.path),
    ["a", "b"]
  );
});

test("a key that one took out is out", () => {
  assert.equal(
    "machines" in
      mergePlans(
        base,
        changed((doc) => {
          delete doc.machines;
        }),
        changed((doc) => {
          doc.title = "B";
        })
      ),
    false
  );
});

test("the same on both sides is the same", () => {
  const both = changed((doc) => {
    doc.folders.push({ path: "c" });
  });
  assert.deepEqual(mergePlans(base, both, structuredClone(both)), both);
});
