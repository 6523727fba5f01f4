// What comes from outside into a plan: starter files dropped on it, an example it is made from, a package of somebody
// else's.
import { say } from "../words.js";
import { el } from "./fields.js";

const entries = async (item) => {
  if (!item.isDirectory) return [item];
  const reader = item.createReader();
  const out = [];
  for (;;) {
    const batch = await new Promise((done, failed) => reader.readEntries(done, failed));
    if (!batch.length) return out;
    for (const inner of batch) out.push(...(await entries(inner)));
  }
};

// Files as { file, path }; folders that were dropped keep their own folders.
const dropped = async (transfer) => {
  const roots = [...transfer.items].map((item) => item.webkitGetAsEntry?.()).filter(Boolean);
  if (!roots.length) return [...transfer.files].map((file) => ({ file, path: file.name }));
  const out = [];
  for (const root of roots) {
    for (const entry of await entries(root))
      out.push({
        file: await new Promise((done, failed) => entry.file(done, failed)),
        path: entry.fullPath.replace(/^\//, "")
      });
  }
  return out;
};

export class Material {
  constructor(view) {
    this.view = view;
    const zone = document.getElementById("starter-drop");
    zone.addEventListener("dragover", (event) => {
      event.preventDefault();
      zone.classList.add("over");
    });
    // Where files are dragged onto the page, the place for them is open.
    document.addEventListener("dragenter", (event) => {
      if ([...(event.dataTransfer?.types ?? [])].includes("Files")) zone.closest("details").open = true;
    });
    zone.addEventListener("dragleave", () => zone.classList.remove("over"));
    zone.addEventListener("drop", async (event) => {
      event.preventDefault();
      event.stopPropagation();
      zone.classList.remove("over");
      await this.starters(await dropped(event.dataTransfer));
    });
    document.getElementById("starter-files").addEventListener("change", async (event) => {
      await this.starters([...event.target.files].map((file) => ({ file, path: file.name })));
      event.target.value = "";
    });
    document.getElementById("example-file").addEventListener("change", (event) => this.offer("propose", event.target));
    document.getElementById("package-file").addEventListener("change", (event) => this.take(event.target));
    this.place = document.getElementById("offer");
    document.getElementById("begin").addEventListener("click", (event) => {
      const plan = event.target.dataset.plan;
      if (plan) this.begin(JSON.parse(plan));
    });
  }

  // A ready-made plan, under the title and the version that are there.
  begin(plan) {
    const { title, version, assignment } = this.view.model.doc;
    this.view.model.replace({
      ...plan,
      title: title || plan.title,
      ...(version && { version }),
      ...(assignment && { assignment })
    });
    this.view.look();
  }

  async starters(files) {
    const into = document.getElementById("starter-into").value;
    const told = document.getElementById("starter-told");
    const added = [];
    for (const { file, path } of files) {
      told.textContent = say("js-plan.sending", path);
      const answer = await this.view.send("starter", file);
      if (!answer || answer.refusal) {
        told.textContent = say("js-plan.not-added", path, answer?.refusal ?? say("js-plan.try-again"));
        return;
      }
      added.push({ path: (into ? into + "/" : "") + path, sha256: answer.sha256, bytes: answer.bytes, treat: "keep" });
    }
    this.view.model.change((doc) => {
      doc.starter = doc.starter ?? [];
      added.forEach((one) => {
        const there = doc.starter.find((other) => other.path === one.path);
        if (there) Object.assign(there, { sha256: one.sha256, bytes: one.bytes });
        else doc.starter.push(one);
      });
    });
    told.textContent = say("js-plan.added", added.length);
    this.view.look();
  }

  async offer(what, input) {
    const answer = await this.view.send(what, input.files[0]);
    input.value = "";
    if (!answer || answer.refusals.length) {
      this.refused(answer);
      return;
    }
    const boxes = answer.parts.map((part) => [part, el("input", { type: "checkbox", checked: true })]);
    const accept = () => {
      this.view.model.change((doc) => boxes.filter(([, box]) => box.checked).forEach(([part]) => this.put(doc, part)));
      this.close();
    };
    const seen = (part) =>
      part.examples.length && part.examples.join() !== part.title
        ? " " + say("js-plan.seen", part.examples.join(", "))
        : "";
    this.open(
      say("js-plan.from-example"),
      [
        el("p", { class: "mb-2" }, say("js-plan.one-example")),
        ...boxes.map(([part, box]) =>
          el(
            "label",
            { class: "offer-part" },
            box,
            el("span", { class: "soft" }, part.kind),
            el("span", { class: "name" }, part.title),
            el("span", {}, part.why + seen(part))
          )
        )
      ],
      say("js-plan.add-ticked"),
      accept
    );
  }

  put(doc, part) {
    if (part.key === "root" || part.key === "names") {
      doc[part.key] = part.value;
      return;
    }
    const key = part.key === "folders" ? "path" : "role";
    const list = doc[part.key] ?? (doc[part.key] = []);
    const at = list.findIndex((other) => other[key] === part.value[key]);
    if (at < 0) list.push(part.value);
    else list[at] = part.value;
  }

  async take(input) {
    const file = input.files[0];
    const head = new Uint8Array(await file.slice(0, 2).arrayBuffer());
    const zip = head[0] === 0x50 && head[1] === 0x4b;
    const answer = zip ? await this.view.send("import", file) : await this.document(file);
    input.value = "";
    if (!answer || answer.refusals.length) {
      this.refused(answer);
      return;
    }
    const fresh = JSON.parse(answer.document);
    this.open(
      say("js-plan.would-change", answer.title),
      (answer.changes.length ? answer.changes : [say("js-plan.changes-nothing")]).map((text) => el("p", {}, text)),
      say("js-plan.import"),
      () => {
        this.view.model.replace({
          ...fresh,
          version: this.view.model.doc.version,
          assignment: this.view.model.doc.assignment ?? fresh.assignment
        });
        this.close();
      }
    );
  }

  async document(file) {
    if (file.size > 16 * 1048576) return { refusals: [say("js-plan.document-large")] };
    const text = await file.text();
    try {
      JSON.parse(text);
    } catch {
      return { refusals: [say("js-plan.no-kit")] };
    }
    const judged = await this.view.post("compare", { document: text, revision: 0, version: 0 });
    return judged?.faults?.length
      ? { refusals: judged.faults.map((fault) => (fault.at ? fault.at + ": " : "") + fault.message) }
      : { document: text, title: JSON.parse(text).title, changes: judged?.others ?? [], refusals: [] };
  }

  refused(answer) {
    this.open(
      say("js-plan.refused"),
      (answer?.refusals ?? [say("js-plan.broke-off")]).map((text) => el("p", { class: "must" }, text)),
      null,
      null
    );
  }

  open(title, nodes, word, act) {
    this.place.hidden = false;
    this.place.replaceChildren(
      el("h2", {}, title),
      ...nodes,
      el(
        "p",
        { class: "tools mt-3" },
        word ? el("button", { type: "button", class: "act small", onclick: act }, word) : null,
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => this.close() },
          say(word ? "js-plan.cancel" : "js-plan.close")
        )
      )
    );
    this.place.scrollIntoView({ block: "nearest" });
    this.place.querySelector("button, input")?.focus();
  }

  close() {
    this.place.hidden = true;
    this.place.replaceChildren();
  }
}
