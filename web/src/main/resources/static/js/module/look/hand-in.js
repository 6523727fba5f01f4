// Handing in on purpose: what was picked is looked at first, what will happen is said, and one button does it.
import { megabytes, say } from "../words.js";
import { entries, member, NoZip } from "./zip.js";

const MARKER = "satchel.kit.json", MOST_NAMES = 2_000, LONGEST_MARKER = 64 * 1024;

const page = document.querySelector("[data-hand-in]");
const part = (name) => page.querySelector(`[data-part=${name}]`);
const show = (name, shown) => { part(name).hidden = !shown; };
const token = () => document.querySelector("meta[name=_csrf]").content;

let file = null, request = null;

const wrong = (sentence) => {
  part("wrong").textContent = sentence;
  show("wrong", Boolean(sentence));
};

const begin = () => {
  request?.abort();
  request = null;
  file = null;
  part("file").value = "";
  for (const each of ["picked", "going", "looking"]) show(each, false);
  show("choose", true);
};

const refuse = (sentence) => { begin(); wrong(sentence); part("pick").focus(); };

const glanced = (answer) => {
  part("summary").textContent = answer.summary;
  part("name").textContent = file.name;
  part("said").replaceChildren(...answer.said.map(({ severity, text, remedy }) => {
    const line = document.createElement("li"), what = document.createElement("b");
    line.className = severity;
    what.textContent = text;
    line.append(what, " ", remedy);
    return line;
  }));
  // What is most likely a mistake is handed in by a button that says so.
  const doubtful = answer.said.some(({ severity }) => severity === "must");
  show("send", !doubtful);
  show("send-anyway", doubtful);
  show("looking", false);
  show("picked", true);
  part(doubtful ? "other" : "send").focus();
};

const take = async (chosen) => {
  wrong("");
  file = chosen;
  if (!file) return;
  if (file.size > Number(page.dataset.most)) { refuse(say("js.too-large", page.dataset.mostSaid)); return; }
  show("choose", false);
  show("looking", true);
  try {
    const inside = await entries(file);
    const files = inside.filter(({ name }) => !name.endsWith("/"));
    const marker = files.filter(({ name, bytes }) => (name === MARKER || name.endsWith("/" + MARKER)) && bytes <= LONGEST_MARKER)
      .sort((a, b) => a.name.length - b.name.length)[0];
    const answer = await fetch(page.dataset.glance, {
      method: "POST", headers: { "Content-Type": "application/json", "X-CSRF-TOKEN": token() },
      body: JSON.stringify({ name: file.name, bytes: file.size, files: files.length, names: files.slice(0, MOST_NAMES).map(({ name }) => name), marker: marker ? await member(file, marker) : "" }),
    });
    if (!answer.ok || answer.redirected) { refuse(say(answer.status === 403 || answer.redirected ? "js-look.signed-out-reload" : "js-look.broke-off")); return; }
    const said = await answer.json();
    if (said.refusal) refuse(said.refusal); else glanced(said);
  } catch (fault) {
    refuse(say(fault instanceof NoZip ? "js-look.no-zip" : "js-look.broke-off", file?.name));
  }
};

const went = (done, all) => {
  part("bar").value = all ? 100 * done / all : 0;
  part("told").textContent = say("js.sent", megabytes(done), megabytes(all));
};

const send = () => {
  show("picked", false);
  show("going", true);
  request = new XMLHttpRequest();
  request.open("POST", page.dataset.to);
  request.setRequestHeader("Content-Type", "application/zip");
  request.setRequestHeader("X-CSRF-TOKEN", token());
  request.setRequestHeader("X-File-Name", encodeURIComponent(file.name));
  request.responseType = "json";
  request.upload.onprogress = (event) => went(event.loaded, event.total);
  request.onload = ({ target }) => {
    // It has gone: leaving the page loses nothing any more.
    request = null;
    if (target.status === 200) location.assign(target.response.next);
    else refuse(target.response?.refusal || say(target.status === 403 ? "js-look.signed-out-reload" : "js.refused"));
  };
  request.onerror = () => refuse(say("js.broke-off"));
  went(0, file.size);
  request.send(file);
};

if (page) {
  page.classList.add("alive");
  const zone = part("choose");
  part("pick").addEventListener("click", () => part("file").click());
  part("file").addEventListener("change", (event) => take(event.target.files[0]));
  for (const name of ["send", "send-anyway"]) part(name).addEventListener("click", send);
  for (const name of ["other", "cancel"]) part(name).addEventListener("click", () => { begin(); part("pick").focus(); });
  zone.addEventListener("dragover", (event) => { event.preventDefault(); zone.classList.add("over"); });
  zone.addEventListener("dragleave", () => zone.classList.remove("over"));
  zone.addEventListener("drop", (event) => {
    event.preventDefault();
    zone.classList.remove("over");
    const folder = event.dataTransfer.items[0]?.webkitGetAsEntry?.()?.isDirectory;
    if (folder) wrong(say("js-look.folder")); else take(event.dataTransfer.files[0]);
  });
  window.addEventListener("beforeunload", (event) => { if (request) event.preventDefault(); });
}
