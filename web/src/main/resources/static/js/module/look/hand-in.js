// Handing in on purpose: what was picked is looked at first, what will happen is said, and one button does it. A
// worker sends it.
import { megabytes, say } from "../words.js";
import { choose, dropped, feed, nameOf, allowed } from "./pick.js";
import { recall, remember, sums } from "./remembered.js";
import { askToSignIn, token } from "./signed-in.js";
import { TooMany } from "./walk.js";
import { entries, member, NoZip } from "./zip.js";

const MARKER = "satchel.kit.json",
  MOST_NAMES = 2_000,
  LONGEST_MARKER = 64 * 1024,
  MINUTE = 60,
  LEAVING = 8_000;
// Answers to which one asks again: what is locked, too much, or away.
const NOT_YET = [423, 429, 503];

const page = document.querySelector("[data-hand-in]");
const part = (name) => page.querySelector(`[data-part=${name}]`);
const show = (name, shown) => {
  part(name).hidden = !shown;
};

let worker = null,
  picked = null,
  at = "",
  going = false,
  held = false;

const order = () => ({
  begin: page.dataset.begin,
  listing: page.dataset.listing,
  reading: JSON.parse(page.dataset.reading),
  most: 200_000,
  key: page.dataset.key,
  token: token(),
  form: picked?.zip ? "zip" : "folder"
});

const wrong = (sentence) => {
  part("wrong").textContent = sentence;
  show("wrong", Boolean(sentence));
};

const begin = () => {
  worker?.terminate();
  worker = picked = null;
  going = held = false;
  at = "";
  for (const each of ["picked", "going", "looking", "sign-in"]) show(each, false);
  show("choose", true);
};

const refuse = (sentence) => {
  begin();
  wrong(sentence);
  part("pick").focus();
};
const failed = ({ why, values = [], says }) => refuse(says ?? say(why, ...values));

// ---- what was picked

const line = ({ severity, text, remedy }) => {
  const item = document.createElement("li"),
    what = document.createElement("b");
  item.className = severity;
  what.textContent = text;
  item.append(what, " ", remedy);
  return item;
};

const glance = async (what, unread = []) => {
  const answer = await fetch(page.dataset.glance, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-CSRF-TOKEN": token() },
    body: JSON.stringify(what)
  }).catch(() => null);
  if (answer?.status === 403 || answer?.redirected) {
    askToSignIn(part("sign-in"), () => glance(what, unread));
    return;
  }
  if (!answer?.ok) {
    refuse(say("js-look.broke-off"));
    return;
  }
  const said = await answer.json();
  if (said.refusal) {
    refuse(said.refusal);
    return;
  }
  const lines = unread.length
    ? [
        { severity: "must", text: say("js-look.unread", unread.length, unread[0]), remedy: say("js-look.unread-how") },
        ...said.said
      ]
    : said.said;
  part("summary").textContent = said.summary;
  part("name").textContent = what.name;
  part("said").replaceChildren(...lines.map(line));
  // What is most likely a mistake is handed in by a button that says so.
  const doubtful = lines.some(({ severity }) => severity === "must");
  show("send", !doubtful);
  show("send-anyway", doubtful);
  if (part("send-list")) show("send-list", !picked.zip && !doubtful);
  show("looking", false);
  show("picked", true);
  part(doubtful ? "other" : "send").focus();
};

const lookAtZip = async (file) => {
  try {
    const inside = await entries(file),
      files = inside.filter(({ name }) => !name.endsWith("/"));
    const marker = files
      .filter(({ name, bytes }) => (name === MARKER || name.endsWith("/" + MARKER)) && bytes <= LONGEST_MARKER)
      .sort((a, b) => a.name.length - b.name.length)[0];
    await glance({
      name: file.name,
      bytes: file.size,
      files: files.length,
      names: files.slice(0, MOST_NAMES).map(({ name }) => name),
      marker: marker ? await member(file, marker) : ""
    });
  } catch (fault) {
    refuse(say(fault instanceof NoZip ? "js-look.no-zip" : "js-look.unreadable", file.name));
  }
};

const told = (sentence) => {
  part("told").textContent = sentence;
};

const left = (seconds) =>
  seconds === null
    ? ""
    : seconds < MINUTE
      ? say("js-look.left-short")
      : say("js-look.left", Math.round(seconds / MINUTE));

const STEPS = {
  listing: ({ files, bytes }) => {
    part("looking-told").textContent = say("js-look.listing", files, megabytes(bytes));
  },
  looked: ({ unread, ...what }) => glance(what, unread),
  reading: ({ done, of }) => told(say("js-look.reading", done, of)),
  summing: ({ done, of }) => {
    told(say("js-look.summing", megabytes(done), megabytes(of)));
    bar(done, of);
  },
  begun: (so) => {
    at = so.at;
    told(so.send ? say("js-look.to-send", megabytes(so.send)) : say("js-look.nothing-to-send"));
  },
  sending: ({ done, of, left: seconds }) => {
    told([say("js-look.sending", megabytes(done), megabytes(of)), left(seconds)].filter(Boolean).join(", "));
    bar(done, of);
  },
  waiting: ({ online }) => told(say(online ? "js-look.waiting" : "js-look.offline")),
  held: () => {
    if (held) told(say("js-look.held"));
  },
  finishing: () => {
    told(say("js-look.finishing"));
    part("bar").removeAttribute("value");
  },
  "signed-out": () => {
    told(say("js-look.signed-out-sending"));
    askToSignIn(part("sign-in"), () => worker?.postMessage({ token: token(), goOn: true }));
  },
  // It has gone: leaving the page loses nothing any more.
  done: ({ next }) => {
    going = false;
    location.assign(next);
  },
  failed
};

const bar = (done, of) => {
  part("bar").max = of || 1;
  part("bar").value = done;
};

const hire = () => {
  worker?.terminate();
  worker = new Worker(new URL("./sender.js", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }) => STEPS[data.step](data);
  worker.onerror = () => failed({ why: "js-look.unreadable" });
  return worker;
};

const take = async (chosen) => {
  wrong("");
  if (!chosen) return;
  if (chosen.why) {
    refuse(say(chosen.why, ...(chosen.values ?? [])));
    return;
  }
  picked = chosen;
  if (picked.zip && picked.zip.size > Number(page.dataset.most)) {
    refuse(say("js.too-large", page.dataset.mostSaid));
    return;
  }
  show("choose", false);
  show("looking", true);
  part("looking-told").textContent = "";
  const to = hire();
  if (picked.zip) {
    await feed(to, picked, order(), () => true);
    await lookAtZip(picked.zip);
    return;
  }
  try {
    await feed(
      to,
      picked,
      order(),
      () => worker === to,
      (so) => STEPS.listing({ files: so.files.length, bytes: 0 })
    );
    if (picked.handle) await remember(page.dataset.key, picked.handle);
  } catch (fault) {
    failed(
      fault instanceof TooMany ? { why: "js-look.too-many", values: [order().most] } : { why: "js-look.unreadable" }
    );
  }
};

// ---- sending it

const send = (what) => {
  going = true;
  show("picked", false);
  show("going", true);
  show("unfinished", false);
  part("going-name").textContent = nameOf(picked);
  part("hold").textContent = say("js-look.pause");
  part("bar").removeAttribute("value");
  told(say("js-look.opening"));
  part("hold").focus();
  worker.postMessage({ go: what, token: token() });
};

const hold = () => {
  held = !held;
  part("hold").textContent = say(held ? "js-look.go-on" : "js-look.pause");
  worker?.postMessage(held ? { hold: true } : { goOn: true, token: token() });
};

const begunBefore = async () => {
  const answer = await fetch(page.dataset.begin).catch(() => null);
  return answer?.status === 200 && !answer.redirected ? answer.json() : null;
};

// A sending that is just being begun has to have an address before it can be given up.
const addressOf = (leaving) =>
  new Promise((done) => {
    leaving.onmessage = ({ data }) => {
      if (["begun", "held", "failed", "done"].includes(data.step)) done(data.at);
    };
    leaving.onerror = () => done();
    setTimeout(done, LEAVING);
    leaving.postMessage({ hold: true });
  }).finally(() => leaving.terminate());

// What the server is just taking has to end first, and it may be away for a moment.
const giveUp = async (address) => {
  sums.drop(page.dataset.key);
  for (let tries = 0; tries < 20; tries++) {
    const begun = address || (await begunBefore())?.at;
    if (!begun) return;
    const answer = await fetch(begun, { method: "DELETE", headers: { "X-CSRF-TOKEN": token() } }).catch(() => null);
    if (answer && !NOT_YET.includes(answer.status)) return;
    await new Promise((done) => setTimeout(done, 500));
  }
};

const cancel = async () => {
  const address = at,
    leaving = going && !at ? worker : null;
  if (leaving) worker = null;
  begin();
  part("pick").focus();
  await giveUp(address || (leaving && (await addressOf(leaving))));
};

// What was being sent when the page was left goes on with the same folder.
const unfinished = async () => {
  const one = await begunBefore();
  if (!one) return;
  const handle = one.form === "FOLDER" ? await recall(page.dataset.key) : null;
  part("unfinished-told").textContent = say(
    one.form === "FOLDER" ? "js-look.unfinished" : "js-look.unfinished-zip",
    one.name
  );
  show("unfinished", true);
  show("go-on", Boolean(handle && handle.name === one.name));
  part("go-on").addEventListener("click", async () => {
    if (await allowed(handle, true).catch(() => false)) take({ handle });
    else failed({ why: "js-look.not-allowed" });
  });
  part("forget").addEventListener("click", async () => {
    show("unfinished", false);
    part("pick").focus();
    await giveUp(one.at);
  });
};

if (page) {
  page.classList.add("alive");
  page.inert = false;
  const zone = part("choose");
  part("pick").addEventListener("click", async () => take(await choose(part("folder"))));
  part("pick-zip").addEventListener("click", () => part("file").click());
  part("folder").addEventListener("change", ({ target }) => {
    const files = [...target.files];
    target.value = "";
    if (files.length) take({ files });
  });
  part("file").addEventListener("change", ({ target }) => {
    const [zip] = target.files;
    target.value = "";
    if (zip) take({ zip });
  });
  for (const name of ["send", "send-anyway"]) part(name).addEventListener("click", () => send("all"));
  part("send-list")?.addEventListener("click", () => send("list"));
  part("other").addEventListener("click", () => {
    begin();
    part("pick").focus();
  });
  part("hold").addEventListener("click", hold);
  part("cancel").addEventListener("click", cancel);
  zone.addEventListener("dragover", (event) => {
    event.preventDefault();
    zone.classList.add("over");
  });
  zone.addEventListener("dragleave", () => zone.classList.remove("over"));
  zone.addEventListener("drop", async (event) => {
    event.preventDefault();
    zone.classList.remove("over");
    take(await dropped(event.dataTransfer));
  });
  window.addEventListener("online", () => worker?.postMessage({ wake: true }));
  window.addEventListener("beforeunload", (event) => {
    if (going) event.preventDefault();
  });
  unfinished();
}
