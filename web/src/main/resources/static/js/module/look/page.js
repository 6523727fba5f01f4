// The page that checks a folder: takes one that is chosen or dropped, lets a worker look into it, and says how far that is.
import { megabytes, say } from "../words.js";
import { forget, recall, remember } from "./remembered.js";
import { ofEntry, TooMany } from "./walk.js";

// Files of a chosen folder go to the worker in parts, so that the page never stands still.
const PART = 500;

const page = document.querySelector("[data-look]");
const part = (name) => page.querySelector(`[data-part=${name}]`);
const order = () => ({
  to: page.dataset.to, token: document.querySelector("meta[name=_csrf]").content, reading: JSON.parse(page.dataset.reading), most: Number(page.dataset.most),
});

let worker = null, last = null;

const show = (name, shown) => { part(name).hidden = !shown; };

const idle = () => {
  worker?.terminate();
  worker = null;
  show("going", false);
  show("choose", true);
};

const failed = ({ why, values = [], says, again }) => {
  idle();
  part("wrong").textContent = says ?? say(why, ...values);
  show("wrong", true);
  show("sign-in", why === "js-look.signed-out");
  show("once-more", Boolean(again && last));
};

const STEPS = {
  listing: ({ files, bytes }) => say("js-look.listing", files, megabytes(bytes)),
  listed: ({ files, bytes }) => say("js-look.listing", files, megabytes(bytes)),
  reading: ({ done, of }) => say("js-look.reading", done, of),
  packed: ({ documents, bytes }) => say("js-look.packed", documents, megabytes(bytes)),
  sending: ({ done, of }) => say("js-look.sending", megabytes(done), megabytes(of)),
};

const heard = ({ data }) => {
  if (data.step === "failed") { failed(data); return; }
  if (data.step === "done") { location.assign(data.next); return; }
  part("told").textContent = STEPS[data.step](data);
  const bar = part("bar");
  if (data.of) { bar.max = data.of; bar.value = data.done; } else bar.removeAttribute("value");
  if (data.step === "listed") part("name").textContent = data.root;
};

const begin = (name) => {
  for (const each of ["wrong", "sign-in", "once-more", "choose"]) show(each, false);
  show("going", true);
  part("name").textContent = name;
  part("told").textContent = say("js-look.opening");
  part("bar").removeAttribute("value");
  part("cancel").focus();
  worker?.terminate();
  worker = new Worker(new URL("./worker.js", import.meta.url), { type: "module" });
  worker.onmessage = heard;
  worker.onerror = () => failed({ why: "js-look.unreadable" });
  return worker;
};

const lookInto = async (handle) => {
  last = () => lookInto(handle);
  begin(handle.name).postMessage({ handle, order: order() });
  await remember(page.dataset.key, handle);
};

const lookAtFiles = (files) => {
  last = () => lookAtFiles(files);
  const to = begin(files[0]?.webkitRelativePath.split("/")[0] ?? "");
  let at = 0;
  const some = () => {
    if (worker !== to) return;
    to.postMessage({ files: files.slice(at, at + PART).map((file) => ({ path: file.webkitRelativePath, file })) });
    at += PART;
    if (at < files.length) setTimeout(some); else to.postMessage({ end: true, order: order() });
  };
  some();
};

const lookAtEntry = async (entry) => {
  last = () => lookAtEntry(entry);
  const to = begin(entry.name);
  try {
    const listed = await ofEntry(entry, Number(page.dataset.most), (so) => { part("told").textContent = say("js-look.listing", so.files.length, megabytes(0)); });
    to.postMessage({ listed, order: order() });
  } catch (fault) {
    failed(fault instanceof TooMany ? { why: "js-look.too-many", values: [page.dataset.most] } : { why: "js-look.unreadable", again: true });
  }
};

// What was dropped is a folder, or it is said what it is instead.
const dropped = async (transfer) => {
  const items = [...transfer.items].filter((item) => item.kind === "file");
  if (items.length !== 1) { failed({ why: items.length ? "js-look.several" : "js-look.nothing" }); return; }
  const entry = items[0].webkitGetAsEntry?.();
  const handle = items[0].getAsFileSystemHandle?.();
  if (entry?.isFile) { failed({ why: entry.name.toLowerCase().endsWith(".zip") ? "js-look.zip" : "js-look.file", values: [entry.name] }); return; }
  const got = await handle?.catch(() => null);
  if (got?.kind === "directory") await lookInto(got); else if (entry?.isDirectory) await lookAtEntry(entry); else failed({ why: "js-look.nothing" });
};

const choose = async () => {
  if (!window.showDirectoryPicker) { part("input").click(); return; }
  const handle = await window.showDirectoryPicker({ id: "project" }).catch((why) => why.name === "AbortError" ? null : part("input").click());
  if (handle) await lookInto(handle);
};

const allowed = async (handle, ask) => {
  const now = await handle.queryPermission?.({ mode: "read" });
  return now === "granted" || (ask && await handle.requestPermission({ mode: "read" }) === "granted");
};

// A folder that was chosen before is offered again; where the page was opened for that, it begins at once.
const known = async () => {
  const handle = await recall(page.dataset.key);
  if (!handle) return;
  const button = part("again");
  part("again-name").textContent = handle.name;
  button.hidden = false;
  button.addEventListener("click", async () => {
    if (await allowed(handle, true).catch(() => false)) await lookInto(handle);
    else { await forget(page.dataset.key); failed({ why: "js-look.not-allowed" }); }
  });
  if (location.hash === "#again" && await allowed(handle, false).catch(() => false)) await lookInto(handle);
};

// Signing in again happens in another tab; its sign is asked for when one comes back.
const signedInAgain = async () => {
  if (part("sign-in").hidden) return;
  const answer = await fetch(location.pathname, { headers: { Accept: "text/html" } }).catch(() => null);
  if (!answer?.ok || answer.redirected) return;
  const token = new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("meta[name=_csrf]")?.content;
  if (!token) return;
  document.querySelector("meta[name=_csrf]").content = token;
  show("sign-in", false);
  last?.();
};

if (page) {
  page.classList.add("alive");
  const zone = part("choose");
  part("pick").addEventListener("click", choose);
  part("input").addEventListener("change", (event) => { if (event.target.files.length) lookAtFiles([...event.target.files]); event.target.value = ""; });
  part("cancel").addEventListener("click", () => { idle(); part("pick").focus(); });
  part("once-more").addEventListener("click", () => last?.());
  zone.addEventListener("dragover", (event) => { event.preventDefault(); zone.classList.add("over"); });
  zone.addEventListener("dragleave", () => zone.classList.remove("over"));
  zone.addEventListener("drop", (event) => { event.preventDefault(); zone.classList.remove("over"); dropped(event.dataTransfer); });
  window.addEventListener("focus", signedInAgain);
  known();
}
