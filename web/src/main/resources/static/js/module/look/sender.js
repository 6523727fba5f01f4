// Hands in a folder or an archive, in a worker: lists it, reads what its files hash to, sends the list, then what the
// server does not have
// of it, and finishes. Whatever breaks that off, it goes on where it stopped.
import { listing } from "./packet.js";
import { packed, seldom, sent, sizeOf } from "./pack.js";
import { sums } from "./remembered.js";
import { between, meaning, Pace, PART, pause } from "./send.js";
import { hashed, Stopped } from "./sums.js";
import { ofFiles, ofHandle, TooMany } from "./walk.js";

const MARKER = "satchel.kit.json",
  MOST_NAMES = 2_000,
  LONGEST_MARKER = 64 * 1024,
  MOST_ROUNDS = 8,
  SAVE_EVERY = 3_000;

const tell = (step, more = {}) => postMessage({ step, ...more });

class Refused extends Error {}
class Changed extends Error {}

let listed = null,
  order = null,
  held = false,
  request = null,
  wake = () => {};

// Waits, until the time is over or the page says something.
const rest = (ms) =>
  new Promise((done) => {
    const timer = setTimeout(done, ms);
    wake = () => {
      clearTimeout(timer);
      done();
    };
  });

const whileHeld = async () => {
  while (held) {
    tell("held");
    await rest(2 ** 30);
  }
};

// ---- what the files hash to

const refreshed = async (file) => {
  const anew = await file.again?.().catch(() => null);
  if (!anew) throw new Changed(file.path);
  Object.assign(file, { file: anew, bytes: anew.size, time: anew.lastModified, sha256: undefined });
};

const sumOf = async (file, done) => {
  for (let tries = 0; ; tries++) {
    try {
      return await hashed(file.file, done, () => held);
    } catch (fault) {
      if (fault instanceof Stopped) throw fault;
      if (tries === 3) throw new Changed(file.path);
      await refreshed(file);
    }
  }
};

const sumAll = async () => {
  const known = (await sums.get(order.key)) ?? {},
    all = sizeOf(listed.files);
  let done = 0,
    saved = performance.now();
  for (const file of listed.files) {
    const [bytes, time, sum] = known[file.path] ?? [];
    if (!file.sha256 && bytes === file.bytes && time === file.time) file.sha256 = sum;
    const before = done;
    while (!file.sha256) {
      await whileHeld();
      done = before;
      try {
        file.sha256 = await sumOf(file, (more) => {
          done += more;
          seldom(() => tell("summing", { done, of: all }));
        });
      } catch (fault) {
        if (!(fault instanceof Stopped)) throw fault;
      }
    }
    done = before + file.bytes;
    known[file.path] = [file.bytes, file.time, file.sha256];
    if (performance.now() - saved > SAVE_EVERY) {
      saved = performance.now();
      await sums.put(order.key, known);
    }
  }
  await sums.put(order.key, known);
};

const changed = async (hashes) => {
  for (const file of listed.files.filter(({ sha256 }) => hashes.has(sha256))) {
    await refreshed(file).catch(() => {
      file.sha256 = undefined;
    });
  }
  await sums.drop(order.key);
};

// ---- asking the server

const signedOut = async () => {
  tell("signed-out");
  held = true;
  await whileHeld();
};

// Asks until there is an answer that means something; waits where the server is away, and says so.
const asked = async (make) => {
  for (let tries = 0; ; tries++) {
    await whileHeld();
    const answer = await make().catch(() => ({ status: 0 }));
    const what = meaning(answer);
    if (what === "signed-out") {
      await signedOut();
      continue;
    }
    if (what !== "away" && what !== "later") return [what, answer];
    if (held) continue;
    tell("waiting", { online: what === "later", ms: pause(tries) });
    await rest(pause(tries));
  }
};

const json = (answer) => answer.json().catch(() => ({}));

const packedText = async (text) => {
  if (typeof CompressionStream === "undefined") return [new Blob([text]), {}];
  return [
    await new Response(new Blob([text]).stream().pipeThrough(new CompressionStream("gzip"))).blob(),
    { "Content-Encoding": "gzip" }
  ];
};

const begun = async () => {
  const [body, coding] = await packedText(listing(listed));
  const [what, answer] = await asked(() =>
    fetch(`${order.begin}?form=${order.form}`, {
      method: "POST",
      body,
      redirect: "follow",
      headers: {
        "Content-Type": "application/json",
        "X-CSRF-TOKEN": order.token,
        "X-File-Name": encodeURIComponent(listed.root),
        ...coding
      }
    })
  );
  const said = await json(answer);
  if (what !== "good") throw new Refused(said.refusal ?? "");
  return said;
};

const patched = (at, from, body, progress) =>
  new Promise((done, failed) => {
    request = new XMLHttpRequest();
    request.open("PATCH", at);
    for (const [name, value] of [
      ["Content-Type", "application/offset+octet-stream"],
      ["Tus-Resumable", "1.0.0"],
      ["Upload-Offset", from],
      ["X-CSRF-TOKEN", order.token]
    ])
      request.setRequestHeader(name, value);
    request.responseType = "json";
    request.upload.onprogress = (event) => progress(event.loaded);
    request.onload = () => done(request);
    request.onerror = request.onabort = () => failed(new Error("away"));
    request.send(body);
  });

const stands = async (at) => {
  const [what, answer] = await asked(async () => {
    const head = await fetch(at, { method: "HEAD", headers: { "Tus-Resumable": "1.0.0" } });
    return head.ok && !head.headers.has("Upload-Offset") ? { status: 403 } : head;
  });
  return what === "good" ? Number(answer.headers.get("Upload-Offset")) : null;
};

// A file that cannot be read any more breaks a request like a lost connection does; only reading it tells.
const unreadable = async (files) => {
  for (const file of files) {
    if (
      !(await file.file
        .slice(0, 1)
        .arrayBuffer()
        .then(
          () => true,
          () => false
        ))
    )
      return file;
  }
  return null;
};

// Sends all that is wanted; whether it came to its end, or has to begin anew with another list.
const stream = async ({ at, send, offset, length }) => {
  const byHash = new Map(listed.files.map((file) => [file.sha256, file]));
  const files = send.map((hash) => byHash.get(hash)),
    pace = new Pace();
  const progress = (done) => {
    pace.at(performance.now(), done);
    seldom(() => tell("sending", { done, of: length, left: pace.left(length) }));
  };
  let from = offset;
  tell("sending", { done: from, of: length, left: null });
  while (from < length) {
    await whileHeld();
    const to = Math.min(length, from + PART),
      body = between(
        files.map(({ file }) => file),
        from,
        to
      ),
      begins = from;
    const answer = await patched(at, from, body, (loaded) => progress(begins + loaded)).catch(() => ({ status: 0 }));
    const what = meaning(answer);
    if (what === "good") {
      from = Number(answer.getResponseHeader("Upload-Offset"));
      continue;
    }
    if (what === "refused") throw new Refused(answer.response?.refusal ?? "");
    if (what === "gone") return false;
    if (what === "signed-out") await signedOut();
    const broken = what === "away" && (await unreadable(files));
    if (broken) {
      await changed(new Set([broken.sha256]));
      return false;
    }
    if (what === "later") {
      tell("waiting", { online: true, ms: 2_000 });
      await rest(2_000);
    }
    const stand = await stands(at);
    if (stand === null) return false;
    from = stand;
  }
  return true;
};

const finished = async (at) => {
  const [what, answer] = await asked(() =>
    fetch(`${at}/finish`, { method: "POST", headers: { "X-CSRF-TOKEN": order.token } })
  );
  const said = await json(answer);
  if (what === "good") return said.next;
  if (what === "refused") throw new Refused(said.refusal ?? "");
  if (said.differ?.length) await changed(new Set(said.differ));
  return null;
};

const handIn = async () => {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    await sumAll();
    const going = await begun();
    order.at = going.at;
    tell("begun", { at: going.at, send: going.length - going.offset });
    if (!(await stream(going))) continue;
    tell("finishing");
    const next = await finished(going.at);
    if (next) {
      await sums.drop(order.key);
      tell("done", { next });
      return;
    }
  }
  throw new Changed("");
};

// Only the list, with the documents.
const handInList = async () => {
  const { blob } = await packed(listed, order.reading, (so) => tell("reading", so));
  const [what, answer] = await asked(
    async () =>
      (await sent(blob, { to: order.listing, token: order.token, root: listed.root }, (so) =>
        tell("sending", { ...so, left: null })
      )) ?? { status: 0 }
  );
  if (what !== "good" || !answer.response?.next) throw new Refused(answer.response?.refusal ?? "");
  tell("done", { next: answer.response.next });
};

const guarded = async (work) => {
  try {
    await work();
  } catch (fault) {
    if (fault instanceof TooMany) tell("failed", { why: "js-look.too-many", values: [order.most] });
    else if (fault instanceof Refused) tell("failed", fault.message ? { says: fault.message } : { why: "js.refused" });
    else if (fault instanceof Changed)
      tell("failed", { why: fault.message ? "js-look.changes" : "js-look.keeps-changing", values: [fault.message] });
    else tell("failed", { why: "js-look.unreadable" });
  }
};

// ---- looking at what was picked

const look = (list) =>
  guarded(async () => {
    listed = await list((so) => seldom(() => tell("listing", { files: so.files.length, bytes: sizeOf(so.files) })));
    if (!listed.files.length) {
      tell("failed", { why: "js-look.empty" });
      return;
    }
    const marker = listed.files.find(({ path, bytes }) => path === MARKER && bytes <= LONGEST_MARKER);
    tell("looked", {
      name: listed.root,
      files: listed.files.length,
      bytes: sizeOf(listed.files),
      unread: listed.unread,
      names: listed.files.slice(0, MOST_NAMES).map(({ path }) => listed.root + "/" + path),
      marker: marker ? await marker.file.text().catch(() => "") : ""
    });
  });

const archive = (file) => {
  listed = {
    root: file.name,
    files: [{ path: file.name, bytes: file.size, time: file.lastModified, file }],
    folders: [],
    seesEmpty: true,
    unread: []
  };
};

let gathered = [];
onmessage = ({ data }) => {
  if (data.order) order = data.order;
  if (data.handle) look((so) => ofHandle(data.handle, order.most, so));
  if (data.listed) look(async () => data.listed);
  if (data.files) gathered.push(...data.files);
  if (data.end) look(async (so) => ofFiles(gathered.splice(0), order.most, so));
  if (data.zip) archive(data.zip);
  if (data.go === "all") guarded(handIn);
  if (data.go === "list") guarded(handInList);
  if (data.token) order.token = data.token;
  if (data.hold) {
    held = true;
    request?.abort();
    wake();
  }
  if (data.goOn) held = false;
  if (data.goOn || data.wake) wake();
};
