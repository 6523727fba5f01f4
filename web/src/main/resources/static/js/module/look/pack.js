// Packs the list of a folder with its documents, in a worker, and sends that: of media only what they say of
// themselves, and only where the kit asks something of them.
import { choose, compared } from "./choose.js";
import { Packet, listing } from "./packet.js";
import { ranges } from "./ranges.js";
import { hashed } from "./sums.js";

export const sizeOf = (files) => files.reduce((sum, file) => sum + file.bytes, 0);

let told = 0;
// A page needs to know a few times a second.
export const seldom = (tell) => {
  const now = performance.now();
  if (now - told > 150) {
    told = now;
    tell();
  }
};

const read = async (file) => new Uint8Array(await file.file.arrayBuffer());

// The packet, how many documents are in it, and those that are not.
export const packed = async (listed, reading, tell) => {
  const { read: chosen, left } = choose(listed.files, reading);
  const packet = new Packet(),
    unread = [];
  for (const [at, file] of chosen.entries()) {
    seldom(() => tell({ done: at, of: chosen.length }));
    const content = await read(file).catch(() => null);
    if (content && content.length === file.bytes) await packet.add("documents/" + file.path, content);
    else unread.push(file.path);
  }
  if (reading.media.length)
    await ranges(listed.files, reading.media, chosen, packet, reading.most * 0.9 - packet.bytes);
  for (const file of compared(listed.files, reading)) {
    file.sha256 = await hashed(file.file).catch(() => undefined);
  }
  await packet.add("listing.json", new TextEncoder().encode(listing(listed)));
  return { blob: packet.finish(), documents: chosen.length - unread.length, left: [...left, ...unread] };
};

// The answer to a packet; nothing where there is no connection.
export const sent = (packet, { to, token, root }, tell) =>
  new Promise((done) => {
    const request = new XMLHttpRequest();
    request.open("POST", to);
    request.setRequestHeader("Content-Type", "application/zip");
    request.setRequestHeader("X-CSRF-TOKEN", token);
    request.setRequestHeader("X-File-Name", encodeURIComponent(root));
    request.responseType = "json";
    request.upload.onprogress = (event) => seldom(() => tell({ done: event.loaded, of: event.total }));
    request.onload = () => done(request);
    request.onerror = () => done(null);
    request.send(packet);
  });
