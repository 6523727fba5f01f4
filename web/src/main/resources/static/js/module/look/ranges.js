// What a picture, a film or a sound says of itself, of a file however large: its beginning, its end, and where its
// parts begin. Parts begin and end at
// whole pages, or where the file ends (docs/formats.md, ranges).
import { ending } from "./choose.js";

const PAGE = 4096,
  HEAD = 16 * PAGE,
  TAIL = 16 * PAGE;
const WHOLE = 160 * 1024,
  INDEX = 4 * 2 ** 20,
  IN_ALL = 24 * 2 ** 20,
  MOST_PARTS = 200;
const BOXES = new Set(["mp4", "m4v", "m4a", "mov", "qt", "3gp", "3g2"]);
const CHUNKS = new Set(["wav", "wave", "bwf", "avi", "webp", "aif", "aiff", "aifc"]);

const bytes = async (file, from, to) => new Uint8Array(await file.slice(from, to).arrayBuffer());
const word = (view, at) =>
  String.fromCharCode(view.getUint8(at), view.getUint8(at + 1), view.getUint8(at + 2), view.getUint8(at + 3));

// Where the boxes of a film begin, and its description whole.
const boxes = async (file, want) => {
  for (let at = 0, i = 0; at + 8 <= file.size && i < MOST_PARTS; i++) {
    const view = new DataView((await bytes(file, at, at + 16)).buffer);
    let size = view.getUint32(0);
    if (size === 1 && view.byteLength === 16) size = view.getUint32(8) * 2 ** 32 + view.getUint32(12);
    if (size === 0) size = file.size - at;
    want(at, at + 16);
    if (word(view, 4) === "moov" && size <= INDEX) want(at, at + size);
    if (size < 8) return;
    at += size;
  }
};

// Where the chunks of a sound begin.
const chunks = async (file, want) => {
  const little = word(new DataView((await bytes(file, 0, 4)).buffer), 0) !== "FORM";
  for (let at = 12, i = 0; at + 8 <= file.size && i < MOST_PARTS; i++) {
    const size = new DataView((await bytes(file, at, at + 8)).buffer).getUint32(4, little);
    want(at, at + 8);
    at += 8 + size + (size & 1);
  }
};

// The parts of one file as a record of them: where each lies, how long it is, its bytes.
const record = async (file) => {
  const pages = new Set();
  const want = (from, to) => {
    for (let page = Math.floor(from / PAGE); page * PAGE < Math.min(to, file.size); page++) pages.add(page);
  };
  if (file.size <= WHOLE) want(0, file.size);
  else {
    want(0, HEAD);
    want(file.size - TAIL, file.size);
    const its = ending(file.name);
    if (BOXES.has(its)) await boxes(file, want);
    if (CHUNKS.has(its)) await chunks(file, want);
  }
  const parts = [];
  for (const page of [...pages].sort((a, b) => a - b)) {
    const last = parts[parts.length - 1];
    if (last && last.to === page * PAGE) last.to = Math.min(file.size, (page + 1) * PAGE);
    else parts.push({ from: page * PAGE, to: Math.min(file.size, (page + 1) * PAGE) });
  }
  const out = new Uint8Array(parts.reduce((sum, { from, to }) => sum + 12 + to - from, 0)),
    view = new DataView(out.buffer);
  let at = 0;
  for (const { from, to } of parts) {
    view.setUint32(at, Math.floor(from / 2 ** 32));
    view.setUint32(at + 4, from % 2 ** 32);
    view.setUint32(at + 8, to - from);
    out.set(await bytes(file, from, to), at + 12);
    at += 12 + to - from;
  }
  return out;
};

// Adds the parts of those files that a brief may be about, as long as there is room.
export const ranges = async (files, endings, chosen, packet, room) => {
  const media = new Set(endings),
    read = new Set(chosen.map((file) => file.path));
  let left = Math.min(IN_ALL, room);
  for (const file of files) {
    if (!media.has(ending(file.path)) || read.has(file.path) || !file.bytes || left < WHOLE) continue;
    const parts = await record(file.file).catch(() => null);
    if (!parts || parts.length > left) continue;
    left -= parts.length;
    await packet.add("ranges/" + file.path, parts);
  }
};
