import assert from "node:assert/strict";
import test from "node:test";
import { choose, compared, ending } from "../../main/resources/static/js/module/look/choose.js";
import { listing, Packet } from "../../main/resources/static/js/module/look/packet.js";
import { ofEntry, ofFiles, ofHandle, TooMany } from "../../main/resources/static/js/module/look/walk.js";
import { entries, member, NoZip } from "../../main/resources/static/js/module/look/zip.js";

const MOST = 1_000;

// Folders as browsers give them, made of { name: "content" or { … } }.
const handle = (name, inside) =>
  typeof inside === "string"
    ? {
        kind: "file",
        name,
        getFile: async () => {
          if (inside === "locked") throw new Error("locked");
          return new File([inside], name, { lastModified: 5 });
        }
      }
    : {
        kind: "directory",
        name,
        entries: async function* () {
          for (const [child, what] of Object.entries(inside)) yield [child, handle(child, what)];
        }
      };

const entry = (name, inside) =>
  typeof inside === "string"
    ? {
        isFile: true,
        name,
        file: (done, failed) =>
          inside === "locked" ? failed(new Error("locked")) : done(new File([inside], name, { lastModified: 5 }))
      }
    : {
        isDirectory: true,
        name,
        createReader: () => {
          const left = Object.entries(inside).map(([child, what]) => entry(child, what));
          return { readEntries: (done) => done(left.splice(0, 2)) };
        }
      };

const PROJECT = {
  edit: { "a.otio": "{}", deep: { er: { "b.txt": "x" } } },
  empty: {},
  "c.mp4": "film",
  d: { "e.png": "p", "f.png": "p", "g.png": "p" },
  "h.bin": "locked"
};
const PATHS = ["c.mp4", "d/e.png", "d/f.png", "d/g.png", "edit/a.otio", "edit/deep/er/b.txt"];

test("a folder lists the same by its handle and by its entries", async () => {
  for (const listed of [await ofHandle(handle("R", PROJECT), MOST), await ofEntry(entry("R", PROJECT), MOST)]) {
    assert.deepEqual(listed.files.map(({ path }) => path).sort(), PATHS);
    assert.deepEqual(listed.folders.sort(), ["d", "edit", "edit/deep", "edit/deep/er", "empty"]);
    assert.deepEqual([listed.root, listed.seesEmpty, listed.unread], ["R", true, ["h.bin"]]);
    assert.deepEqual([listed.files.find(({ path }) => path === "c.mp4").bytes, listed.files[0].time], [4, 5]);
  }
});

test("the files of a chosen folder lose its name, and folders without files are not seen", () => {
  const listed = ofFiles(
    ["R/a/b.txt", "R/c.txt"].map((path) => ({ path, file: new File(["x"], "x") })),
    MOST
  );
  assert.deepEqual(
    [listed.root, listed.seesEmpty, listed.files.map(({ path }) => path)],
    ["R", false, ["a/b.txt", "c.txt"]]
  );
});

test("more files than are taken end the walk", async () => {
  const many = Object.fromEntries(Array.from({ length: 200 }, (_, i) => ["f" + i, "x"]));
  await assert.rejects(ofHandle(handle("R", many), 100), TooMany);
  await assert.rejects(ofEntry(entry("R", many), 100), TooMany);
});

test("an ending is what stands behind the last dot of a name", () => {
  for (const [path, its] of [
    ["a/b.OTIO", "otio"],
    ["a.b/c", ""],
    [".hidden", ""],
    ["a/.x.png", "png"],
    ["x.", ""]
  ])
    assert.equal(ending(path), its);
});

const READING = {
  worth: { documents: ["otio", "glb"], passedOver: ["mp4", "txt"], standIn: 100 },
  sizes: [77],
  most: 1_000_000
};
const file = (path, bytes) => ({ path, bytes });

test("documents, small files and what nobody knows are read; films, notes and what is empty are not", () => {
  const files = [
    file("a.otio", 9_000),
    file("b.mp4", 5_000),
    file("c.mp4", 50),
    file("d.txt", 5_000),
    file("e.scene", 5_000),
    file("f.scene", 2 ** 25),
    file("g.otio", 0),
    file("satchel.kit.json", 5_000)
  ];
  assert.deepEqual(
    choose(files, READING)
      .read.map(({ path }) => path)
      .sort(),
    ["a.otio", "c.mp4", "e.scene", "satchel.kit.json"]
  );
});

test("where there is no room, documents go before the rest and those left out are named", () => {
  const { read, left } = choose(
    [file("x.scene", 400_000), file("b.otio", 600_000), file("a.otio", 300_000), file("c.glb", 900_000)],
    READING
  );
  assert.deepEqual([read.map(({ path }) => path), left], [["a.otio", "b.otio"], ["c.glb"]]);
});

test("only files as long as a starter file are compared", () => {
  assert.deepEqual(
    compared([file("a", 77), file("b", 78)], READING).map(({ path }) => path),
    ["a"]
  );
});

test("a packet is an archive that reads back", async () => {
  const packet = new Packet(),
    long = new TextEncoder().encode("abc ".repeat(5_000));
  await packet.add("documents/Ø/a.otio", long);
  await packet.add("documents/b.bin", new Uint8Array([1, 2, 3]));
  const list = listing({
    root: "R",
    seesEmpty: false,
    folders: ["a"],
    files: [{ path: "b.bin", bytes: 3, time: 0, sha256: "0".repeat(64), file: "not this" }]
  });
  await packet.add("listing.json", new TextEncoder().encode(list));
  const blob = packet.finish(),
    inside = await entries(blob);
  assert.deepEqual(
    inside.map(({ name, bytes, method }) => [name, bytes, method]),
    [
      ["documents/Ø/a.otio", 20_000, 8],
      ["documents/b.bin", 3, 0],
      ["listing.json", list.length, 8]
    ]
  );
  assert.ok(blob.size < 1_000);
  assert.equal(await member(blob, inside[0]), new TextDecoder().decode(long));
  assert.deepEqual(JSON.parse(await member(blob, inside[2])), {
    listing: 1,
    root: "R",
    emptyFolders: false,
    files: [{ path: "b.bin", bytes: 3, time: "1970-01-01T00:00:00.000Z", sha256: "0".repeat(64) }],
    folders: ["a"]
  });
});

test("what is no archive, or is cut off, is told as that", async () => {
  const packet = new Packet();
  await packet.add("a", new Uint8Array(5_000));
  const whole = packet.finish();
  for (const blob of [new Blob([]), new Blob(["no archive at all"]), whole.slice(0, whole.size - 30)])
    await assert.rejects(entries(blob), NoZip);
});

test("an archive whose numbers lie is read as far as it is one", async () => {
  const packet = new Packet();
  await packet.add("a", new TextEncoder().encode("x"));
  const bytes = new Uint8Array(await packet.finish().arrayBuffer());
  for (const at of [bytes.length - 10, bytes.length - 6]) {
    const lying = bytes.slice();
    lying.fill(0xff, at, at + 3);
    await assert.rejects(entries(new Blob([lying])), NoZip);
  }
  const [first] = await entries(new Blob([bytes]));
  assert.equal(await member(new Blob([bytes]), { ...first, from: 10_000 }), "");
});
