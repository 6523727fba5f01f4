// How a folder comes to a page: chosen, dropped, or remembered. What is picked is { handle }, { files } or { entry },
// as the browser has
// it; { zip } for an archive that was dropped; or { why, values } where it is none of these.
import { ofEntry } from "./walk.js";

// Files of a chosen folder go to the worker in parts, so that the page never stands still. Handing over a file costs
// more on one machine than on
// another: a part is as large as a short moment allows.
const FIRST = 25,
  LEAST = 5,
  MOST = 500,
  SHORT = 8,
  LONG = 25;

export const nextPart = (part, took) =>
  Math.round(Math.min(MOST, Math.max(LEAST, took > LONG ? part / 2 : took < SHORT ? part * 2 : part)));

// Lets the page do what waits, without the pause that timers have.
const breath = () =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });

export const dropped = async (transfer) => {
  const items = [...transfer.items].filter((item) => item.kind === "file");
  if (items.length !== 1) return { why: items.length ? "js-look.several" : "js-look.nothing" };
  const entry = items[0].webkitGetAsEntry?.(),
    file = items[0].getAsFile(),
    handle = items[0].getAsFileSystemHandle?.();
  if (entry?.isFile) return { zip: file };
  const got = await handle?.catch(() => null);
  if (got?.kind === "directory") return { handle: got };
  return entry?.isDirectory ? { entry } : { why: "js-look.nothing" };
};

// Asks for a folder; a browser without handles asks by its file input, which answers elsewhere.
export const choose = async (input) => {
  if (!window.showDirectoryPicker) {
    input.click();
    return null;
  }
  const handle = await window.showDirectoryPicker({ id: "project" }).catch((why) => {
    if (why.name !== "AbortError") input.click();
    return null;
  });
  return handle && { handle };
};

export const allowed = async (handle, ask) => {
  const now = await handle.queryPermission?.({ mode: "read" });
  return now === "granted" || (ask && (await handle.requestPermission({ mode: "read" })) === "granted");
};

export const nameOf = ({ handle, files, entry, zip }) =>
  handle?.name ?? entry?.name ?? zip?.name ?? files?.[0]?.webkitRelativePath.split("/")[0] ?? "";

// Hands what was picked to a worker, with what it is to do; going() says whether it is still wanted.
export const feed = async (worker, picked, order, going, tell) => {
  if (picked.handle) {
    worker.postMessage({ handle: picked.handle, order });
    return;
  }
  if (picked.zip) {
    worker.postMessage({ zip: picked.zip, order });
    return;
  }
  if (picked.entry) {
    const listed = await ofEntry(picked.entry, order.most, tell);
    // What reads a file anew stays here: a worker gets the files themselves.
    if (going())
      worker.postMessage({ listed: { ...listed, files: listed.files.map(({ again, ...file }) => file) }, order });
    return;
  }
  for (let at = 0, part = FIRST; at < picked.files.length && going();) {
    const begun = performance.now();
    worker.postMessage({
      files: picked.files.slice(at, at + part).map((file) => ({ path: file.webkitRelativePath, file }))
    });
    at += part;
    part = nextPart(part, performance.now() - begun);
    await breath();
  }
  if (going()) worker.postMessage({ end: true, order });
};
