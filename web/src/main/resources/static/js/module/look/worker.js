// Looks into a folder away from the page: lists it, reads its documents, packs the list with them and sends that. Nothing else of
// the folder leaves the computer.
import { choose, compared } from "./choose.js";
import { listing, Packet } from "./packet.js";
import { ofFiles, ofHandle, TooMany } from "./walk.js";

const tell = (step, more = {}) => postMessage({ step, ...more });
let told = 0;
// A page needs to know a few times a second.
const seldom = (step, more) => {
  const now = performance.now();
  if (now - told > 150) { told = now; tell(step, more()); }
};

const hex = (buffer) => [...new Uint8Array(buffer)].map((byte) => byte.toString(16).padStart(2, "0")).join("");

const sizeOf = (files) => files.reduce((sum, file) => sum + file.bytes, 0);

const read = async (file) => new Uint8Array(await file.file.arrayBuffer());

const send = (packet, order) => new Promise((done, failed) => {
  const request = new XMLHttpRequest();
  request.open("POST", order.to);
  request.setRequestHeader("Content-Type", "application/zip");
  request.setRequestHeader("X-CSRF-TOKEN", order.token);
  request.setRequestHeader("X-File-Name", encodeURIComponent(order.root));
  request.responseType = "json";
  request.upload.onprogress = (event) => seldom("sending", () => ({ done: event.loaded, of: event.total }));
  request.onload = () => done(request);
  request.onerror = () => failed(new Error("offline"));
  request.send(packet);
});

const packed = async (listed, order) => {
  const { read: chosen, left } = choose(listed.files, order.reading);
  const packet = new Packet(), unread = [];
  for (const [at, file] of chosen.entries()) {
    seldom("reading", () => ({ done: at, of: chosen.length }));
    const content = await read(file).catch(() => null);
    if (content && content.length === file.bytes) await packet.add("documents/" + file.path, content); else unread.push(file.path);
  }
  for (const file of compared(listed.files, order.reading)) {
    const content = await read(file).catch(() => null);
    if (content) file.sha256 = hex(await crypto.subtle.digest("SHA-256", content));
  }
  await packet.add("listing.json", new TextEncoder().encode(listing(listed)));
  return { blob: packet.finish(), documents: chosen.length - unread.length, left: [...left, ...unread] };
};

const look = async (order, list) => {
  try {
    const listed = await list((so) => seldom("listing", () => ({ files: so.files.length, bytes: sizeOf(so.files) })));
    if (!listed.files.length && !listed.folders.length) { tell("failed", { why: "js-look.empty" }); return; }
    tell("listed", { root: listed.root, files: listed.files.length, bytes: sizeOf(listed.files) });
    const { blob, documents, left } = await packed(listed, order);
    tell("packed", { documents, bytes: blob.size, left, unread: listed.unread });
    const answer = await send(blob, { ...order, root: listed.root });
    if (answer.status === 200 && answer.response?.next) tell("done", { next: answer.response.next });
    else if (answer.response?.refusal) tell("failed", { says: answer.response.refusal });
    else tell("failed", { why: answer.status === 403 || answer.status === 200 ? "js-look.signed-out" : "js-look.broke-off", again: true });
  } catch (fault) {
    if (fault instanceof TooMany) tell("failed", { why: "js-look.too-many", values: [order.most] });
    else tell("failed", { why: fault.message === "offline" ? "js-look.broke-off" : "js-look.unreadable", again: true });
  }
};

let gathered = [];
onmessage = ({ data }) => {
  if (data.handle) look(data.order, (so) => ofHandle(data.handle, data.order.most, so));
  if (data.listed) look(data.order, async () => data.listed);
  if (data.files) gathered.push(...data.files);
  if (data.end) look(data.order, async (so) => ofFiles(gathered.splice(0), data.order.most, so));
};
