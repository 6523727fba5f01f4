// What a ZIP archive (APPNOTE 6.3.10) says of itself, read from its end without reading the rest: the names in it,
// and single small
// members. Archives of more than 4 GB have the ZIP64 records.

export class NoZip extends Error {}

const END = 0x06054b50,
  END64 = 0x06064b50,
  LOCATOR64 = 0x07064b50,
  ENTRY = 0x02014b50,
  LOCAL = 0x04034b50;
const LONGEST_END = 22 + 65_535,
  MOST_DIRECTORY = 64 * 2 ** 20;

const view = async (file, from, bytes) => new DataView(await file.slice(from, from + bytes).arrayBuffer());
const long = (data, at) => Number(data.getBigUint64(at, true));

const end = async (file) => {
  const from = Math.max(0, file.size - LONGEST_END),
    data = await view(file, from, LONGEST_END);
  for (let at = data.byteLength - 22; at >= 0; at--) {
    if (data.getUint32(at, true) !== END) continue;
    const found = {
      entries: data.getUint16(at + 10, true),
      bytes: data.getUint32(at + 12, true),
      from: data.getUint32(at + 16, true)
    };
    if (at >= 20 && data.getUint32(at - 20, true) === LOCATOR64) {
      const more = await view(file, long(data, at - 12), 56);
      if (more.byteLength === 56 && more.getUint32(0, true) === END64)
        return { entries: long(more, 32), bytes: long(more, 40), from: long(more, 48) };
    }
    return found;
  }
  throw new NoZip();
};

// Names are UTF-8 where the archive says so, or where they read as it.
const text = (bytes) => {
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("latin1").decode(bytes);
  }
};

export const entries = async (file) => {
  const directory = await end(file);
  if (directory.bytes > MOST_DIRECTORY || directory.from + directory.bytes > file.size) throw new NoZip();
  const data = await view(file, directory.from, directory.bytes),
    out = [];
  for (let at = 0; at + 46 <= data.byteLength && data.getUint32(at, true) === ENTRY;) {
    const name = data.getUint16(at + 28, true),
      extra = data.getUint16(at + 30, true),
      comment = data.getUint16(at + 32, true);
    out.push({
      name: text(new Uint8Array(data.buffer, at + 46, Math.min(name, data.byteLength - at - 46))),
      method: data.getUint16(at + 10, true),
      packed: data.getUint32(at + 20, true),
      bytes: data.getUint32(at + 24, true),
      from: data.getUint32(at + 42, true)
    });
    at += 46 + name + extra + comment;
  }
  return out;
};

// The text of a small member; empty where it cannot be read.
export const member = async (file, entry) => {
  const head = await view(file, entry.from, 30);
  if (head.byteLength < 30 || head.getUint32(0, true) !== LOCAL) return "";
  const from = entry.from + 30 + head.getUint16(26, true) + head.getUint16(28, true),
    packed = file.slice(from, from + entry.packed);
  if (entry.method === 0) return packed.text();
  if (entry.method !== 8 || typeof DecompressionStream === "undefined") return "";
  return new Response(packed.stream().pipeThrough(new DecompressionStream("deflate-raw"))).text().catch(() => "");
};
