// Makes a packet: a ZIP archive (APPNOTE 6.3.10: local headers, deflate, a central directory; names in UTF-8) that
// holds the list
// of a folder as listing.json, and documents below documents/. Its size stays far below what would need ZIP64.

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

export const crc32 = (bytes) => {
  let c = 0xffffffff;
  for (let i = 0; i < bytes.length; i++) c = TABLE[(c ^ bytes[i]) & 0xff] ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
};

const deflated = async (bytes) => {
  if (typeof CompressionStream === "undefined") return null;
  const stream = new Blob([bytes]).stream().pipeThrough(new CompressionStream("deflate-raw"));
  return new Uint8Array(await new Response(stream).arrayBuffer());
};

// The numbers of a header one after the other: [value, bytes].
const numbers = (...fields) => {
  const view = new DataView(new ArrayBuffer(fields.reduce((sum, [, bytes]) => sum + bytes, 0)));
  let at = 0;
  for (const [value, bytes] of fields) {
    if (bytes === 2) view.setUint16(at, value, true);
    else view.setUint32(at, value, true);
    at += bytes;
  }
  return new Uint8Array(view.buffer);
};

const UTF8 = 0x0800,
  VERSION = 20,
  MIDNIGHT_1980 = 0x21;

export class Packet {
  #parts = [];
  #directory = [];
  #at = 0;

  get bytes() {
    return this.#at;
  }

  async add(name, content) {
    const packed = await deflated(content);
    const short = packed && packed.length < content.length;
    const data = short ? packed : content,
      path = new TextEncoder().encode(name);
    const shared = [
      [UTF8, 2],
      [short ? 8 : 0, 2],
      [0, 2],
      [MIDNIGHT_1980, 2],
      [crc32(content), 4],
      [data.length, 4],
      [content.length, 4],
      [path.length, 2],
      [0, 2]
    ];
    this.#directory.push(
      numbers([0x02014b50, 4], [VERSION, 2], [VERSION, 2], ...shared, [0, 2], [0, 2], [0, 2], [0, 4], [this.#at, 4]),
      path
    );
    this.#put(numbers([0x04034b50, 4], [VERSION, 2], ...shared), path, data);
  }

  #put(...parts) {
    for (const part of parts) {
      this.#parts.push(part);
      this.#at += part.length;
    }
  }

  // The archive, with its table of contents.
  finish() {
    const count = this.#directory.length / 2,
      begins = this.#at;
    this.#put(...this.#directory);
    this.#put(
      numbers([0x06054b50, 4], [0, 2], [0, 2], [count, 2], [count, 2], [this.#at - begins, 4], [begins, 4], [0, 2])
    );
    return new Blob(this.#parts, { type: "application/zip" });
  }
}

// The list as docs/formats.md describes it.
export const listing = (listed) =>
  JSON.stringify({
    listing: 1,
    root: listed.root,
    emptyFolders: listed.seesEmpty,
    files: listed.files.map(({ path, bytes, time, sha256 }) => ({
      path,
      bytes,
      time: new Date(time).toISOString(),
      ...(sha256 && { sha256 })
    })),
    folders: listed.folders
  });
