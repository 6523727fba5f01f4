// The page that checks a folder: takes one that is chosen or dropped, lets a worker look into it, and says how far
// that is.
import { megabytes, say } from "../words.js";
import { allowed, choose, dropped, feed, nameOf } from "./pick.js";
import { forget, recall, remember } from "./remembered.js";
import { askToSignIn, token } from "./signed-in.js";
import { TooMany } from "./walk.js";

const page = document.querySelector("[data-look]");
const part = (name) => page.querySelector(`[data-part=${name}]`);
const order = () => ({
  to: page.dataset.to,
  token: token(),
  reading: JSON.parse(page.dataset.reading),
  most: Number(page.dataset.most)
});

let worker = null,
  last = null;

const show = (name, shown) => {
  part(name).hidden = !shown;
};

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
  show("once-more", Boolean(again && last) && why !== "js-look.signed-out");
  if (why === "js-look.signed-out") askToSignIn(part("sign-in"), () => last?.());
};

const STEPS = {
  listing: ({ files, bytes }) => say("js-look.listing", files, megabytes(bytes)),
  listed: ({ files, bytes }) => say("js-look.listing", files, megabytes(bytes)),
  reading: ({ done, of }) => say("js-look.reading", done, of),
  packed: ({ documents, bytes }) => say("js-look.packed", documents, megabytes(bytes)),
  sending: ({ done, of }) => say("js-look.sending", megabytes(done), megabytes(of))
};

const heard = ({ data }) => {
  if (data.step === "failed") {
    failed(data);
    return;
  }
  if (data.step === "done") {
    location.assign(data.next);
    return;
  }
  part("told").textContent = STEPS[data.step](data);
  const bar = part("bar");
  if (data.of) {
    bar.max = data.of;
    bar.value = data.done;
  } else bar.removeAttribute("value");
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

// Where a page takes them, an archive is sent as it is.
const whole = async (file) => {
  last = () => whole(file);
  const stop = new AbortController();
  begin(file.name).terminate();
  worker = { terminate: () => stop.abort() };
  part("told").textContent = say("js-look.sending", megabytes(0), megabytes(file.size));
  try {
    const to = order();
    const answer = await fetch(to.to, {
      method: "POST",
      body: file,
      signal: stop.signal,
      headers: {
        "X-CSRF-TOKEN": to.token,
        "Content-Type": "application/zip",
        "X-Whole": "yes",
        "X-File-Name": encodeURIComponent(file.name)
      }
    });
    if (answer.redirected || answer.status === 401 || answer.status === 403) {
      failed({ why: "js-look.signed-out" });
      return;
    }
    const { next, refusal } = await answer.json();
    if (refusal) failed({ says: refusal });
    else location.assign(next);
  } catch (fault) {
    if (fault.name !== "AbortError") failed({ why: "js-look.unreadable", again: true });
  }
};

const look = async (picked) => {
  if (picked.zip && "zip" in page.dataset && picked.zip.name.toLowerCase().endsWith(".zip")) {
    await whole(picked.zip);
    return;
  }
  if (picked.zip) {
    failed({
      why: picked.zip.name.toLowerCase().endsWith(".zip") ? "js-look.zip" : "js-look.file",
      values: [picked.zip.name]
    });
    return;
  }
  if (picked.why) {
    failed(picked);
    return;
  }
  last = () => look(picked);
  const to = begin(nameOf(picked));
  try {
    await feed(
      to,
      picked,
      order(),
      () => worker === to,
      (so) => {
        part("told").textContent = say("js-look.listing", so.files.length, megabytes(0));
      }
    );
    if (picked.handle) await remember(page.dataset.key, picked.handle);
  } catch (fault) {
    failed(
      fault instanceof TooMany
        ? { why: "js-look.too-many", values: [page.dataset.most] }
        : { why: "js-look.unreadable", again: true }
    );
  }
};

// A folder that was chosen before is offered again; where the page was opened for that, it begins at once.
const known = async () => {
  const handle = await recall(page.dataset.key);
  if (!handle) return;
  const button = part("again");
  part("again-name").textContent = handle.name;
  button.hidden = false;
  button.addEventListener("click", async () => {
    if (await allowed(handle, true).catch(() => false)) await look({ handle });
    else {
      await forget(page.dataset.key);
      failed({ why: "js-look.not-allowed" });
    }
  });
  if (location.hash === "#again" && (await allowed(handle, false).catch(() => false))) await look({ handle });
};

if (page) {
  page.classList.add("alive");
  page.inert = false;
  const zone = part("choose");
  part("pick").addEventListener("click", async () => {
    const picked = await choose(part("input"));
    if (picked) look(picked);
  });
  part("input").addEventListener("change", (event) => {
    if (event.target.files.length) look({ files: [...event.target.files] });
    event.target.value = "";
  });
  part("pick-zip")?.addEventListener("click", () => part("input-zip").click());
  part("input-zip")?.addEventListener("change", (event) => {
    if (event.target.files.length) look({ zip: event.target.files[0] });
    event.target.value = "";
  });
  part("cancel").addEventListener("click", () => {
    idle();
    part("pick").focus();
  });
  part("once-more").addEventListener("click", () => last?.());
  zone.addEventListener("dragover", (event) => {
    event.preventDefault();
    zone.classList.add("over");
  });
  zone.addEventListener("dragleave", () => zone.classList.remove("over"));
  zone.addEventListener("drop", async (event) => {
    event.preventDefault();
    zone.classList.remove("over");
    look(await dropped(event.dataTransfer));
  });
  known();
}
