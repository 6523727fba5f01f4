// The folder plan as nested bands, each opened and edited where it lies, by pointer and by keys.
import { say } from "../words.js";
import { brief } from "./brief.js";
import { el, fields, known, put } from "./fields.js";
import { counts, named } from "./short.js";

const NEEDS = () => ["required", "optional", "forbidden"].map((need) => [need, say("js-plan.need-" + need)]);
const FREE_FIELD = /\{(word|text|number|version|date)/;

// What else a flag does when it is set.
const OF_FLAG = {
  managed: {
    set: (folder, value) => {
      put(folder, "managed", value);
      if (value) delete folder.atLeast;
    }
  }
};

const specs = () => [
  { key: "purpose", label: say("js-plan.purpose"), kind: "text" },
  {
    key: "need",
    label: say("js-plan.need"),
    kind: "choice",
    choices: NEEDS(),
    otherwise: "required",
    set: (folder, value) => {
      folder.need = value;
      if (value === "forbidden") delete folder.atLeast;
    }
  },
  { key: "accepts", label: say("js-plan.accepts"), kind: "types" },
  { key: "atLeast", label: say("js-plan.at-least"), kind: "number", placeholder: say("js-plan.none") },
  { key: "atMost", label: say("js-plan.at-most"), kind: "number", placeholder: say("js-plan.no-limit") },
  {
    key: "counts",
    label: say("js-plan.counts"),
    kind: "text",
    mono: true,
    placeholder: "png 2-3, txt 0-1",
    get: (folder) => counts.write(folder.counts),
    set: (folder, value) => put(folder, "counts", counts.read(value ?? ""))
  },
  {
    key: "numbered",
    label: say("js-plan.numbered"),
    kind: "text",
    mono: true,
    placeholder: "shot_{number:4}",
    get: (folder) => folder.numbered?.name,
    set: (folder, value) => put(folder, "numbered", value ? { ...folder.numbered, name: value } : undefined)
  },
  {
    key: "each",
    label: say("js-plan.each"),
    kind: "text",
    mono: true,
    placeholder: "plate.png",
    when: (folder) => FREE_FIELD.test(folder.path),
    get: (folder) => named.write(folder.each?.files),
    set: (folder, value) => {
      const files = named.read(value ?? "", folder.each?.files);
      const each = { ...folder.each };
      put(each, "files", files);
      put(folder, "each", Object.keys(each).length ? each : undefined);
    }
  },
  {
    key: "repeats",
    label: say("js-plan.repeats"),
    kind: "number",
    placeholder: say("js-plan.no-repeat"),
    when: (folder) => FREE_FIELD.test(folder.path),
    get: (folder) => folder.repeats?.atLeast ?? (folder.repeats ? 1 : undefined),
    set: (folder, value) => {
      if (value === undefined) delete folder.repeats;
      else folder.repeats = { atLeast: value };
    }
  },
  ...known("flags").map(([key, says]) => ({ key, label: "", kind: "flag", says, ...OF_FLAG[key] }))
];

const summary = (folder) => (folder.managed ? say("js-plan.managed") : (folder.purpose ?? ""));
const least = (folder) =>
  folder.repeats
    ? say("js-plan.or-more-such", folder.repeats.atLeast ?? 1)
    : folder.atLeast > 0
      ? say("js-plan.or-more", folder.atLeast)
      : say("js-plan.need-" + (folder.need ?? "required"));

const within = (path) => path.slice(0, Math.max(0, path.lastIndexOf("/")));

// What each folder has to hold or comes with, by its path: [word, name].
const holdings = (doc) => {
  const held = new Map();
  const add = (path, ...line) => {
    if (!held.has(path)) held.set(path, []);
    held.get(path).push(line);
  };
  [...(doc.documents ?? []), ...(doc.files ?? [])].forEach((rule) =>
    add(
      rule.in ?? "",
      rule.need === "optional" ? "js-plan.may-hold" : "js-plan.must-hold",
      rule.name + (rule.types?.length ? "." + rule.types[0] : "")
    )
  );
  (doc.starter ?? []).forEach((file) =>
    add(within(file.path), "js-plan.comes-with", file.path.slice(file.path.lastIndexOf("/") + 1))
  );
  return held;
};

const faultsByFolder = (faults) => {
  const by = new Map();
  faults.forEach((fault) => {
    const i = /^\/folders\/(\d+)(?:\/|$)/.exec(fault.at)?.[1];
    if (i === undefined) return;
    if (!by.has(Number(i))) by.set(Number(i), []);
    by.get(Number(i)).push(fault);
  });
  return by;
};

// Dropped on the upper or lower edge of a band it goes before or after, on the middle into it.
const where = (event, node) => {
  const box = node.getBoundingClientRect();
  const part = (event.clientY - box.top) / box.height;
  return part < 0.25 ? "before" : part > 0.75 ? "after" : "inside";
};

const sameNodes = (a, b) => a.length === b.length && a.every((node, i) => node === b[i]);

export class Bands {
  #model;
  #place;
  #faults = [];
  #open = new Set();
  #dragged = null;
  // Each band as it was drawn, by its path: one that would look the same is let alone, since a plan may have hundreds.
  #drawn = new Map();

  #post;

  constructor(model, place, post) {
    this.#post = post;
    this.#model = model;
    this.#place = place;
  }

  draw(faults = this.#faults) {
    this.#faults = faults;
    const own = faultsByFolder(faults);
    const held = holdings(this.#model.doc);
    const drawn = new Map();
    const top = this.#model.tree.children(-1).map((i) => this.#band(i, own, held, drawn));
    this.#drawn = drawn;
    const nodes = top.length ? top : [el("p", { class: "soft m-0 p-2" }, say("js-plan.no-folder"))];
    if (!sameNodes([...this.#place.children], nodes)) this.#place.replaceChildren(...nodes);
  }

  #band(i, own, held, drawn) {
    const folder = this.#model.folders()[i];
    const isOpen = this.#open.has(folder.path);
    const lines = held.get(folder.path) ?? [];
    const faults = own.get(i) ?? [];
    // What is open holds the folder itself and its place in the document.
    const looks = JSON.stringify([folder, this.#model.tree.shown(i), lines, faults, isOpen && [i, this.#model.epoch]]);
    const before = this.#drawn.get(folder.path);
    const node =
      before?.looks === looks && !drawn.has(folder.path) ? before.node : this.#made(i, folder, isOpen, faults, lines);
    drawn.set(folder.path, { looks, node });
    const inner = this.#model.tree.children(i).map((child) => this.#band(child, own, held, drawn));
    const there = [...node.children].filter((child) => child.matches(".band"));
    if (!sameNodes(there, inner)) {
      there.forEach((child) => child.remove());
      node.append(...inner);
    }
    return node;
  }

  #made(i, folder, isOpen, faults, lines) {
    const path = folder.path;
    const head = el(
      "button",
      {
        type: "button",
        class: "band-head",
        "aria-expanded": String(isOpen),
        "data-path": path,
        draggable: "true",
        onclick: () => this.toggle(path),
        onkeydown: (event) => this.#keys(event, path)
      },
      el("span", { class: "path-name" }, this.#model.tree.shown(i)),
      el(
        "span",
        { class: "purpose" },
        summary(folder),
        folder.sealed ? el("span", { class: "soft" }, " · " + say("js-plan.sealed")) : null
      ),
      el("span", { class: "types" }, folder.accepts?.length ? folder.accepts.join(" ") : say("js-plan.anything")),
      el("span", { class: "least" }, least(folder))
    );
    this.#drag(head, path);
    return el(
      "div",
      {
        class: [
          "band",
          folder.need ?? "required",
          folder.managed ? "managed" : "",
          faults.some((fault) => fault.severity === "must") ? "wrong" : ""
        ].join(" "),
        "data-band": true
      },
      el("svg", { class: "edge", "aria-hidden": "true" }, el("line", { x1: 2.5, y1: 0, x2: 2.5, y2: "100%" })),
      head,
      faults.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)),
      isOpen ? this.#edit(i, folder) : null,
      lines.map(([word, name]) => el("p", { class: "holds" }, say(word), " ", el("span", { class: "name" }, name)))
    );
  }

  #edit(i, folder) {
    const path = folder.path;
    // Once a field: it says that it changed once more when it goes, and the name it shows may be another's by then.
    let renamed = false;
    const rename = (event) => {
      if (renamed) return;
      renamed = true;
      renamed = this.#rename(path, event.target.value.trim());
    };
    return el(
      "div",
      { class: "edit" },
      el("label", { for: "path-" + i }, say("js-plan.folder")),
      el("input", {
        id: "path-" + i,
        class: "field bare name",
        "data-at": "/folders/" + i + "/path",
        value: this.#model.tree.shown(i),
        spellcheck: "false",
        onchange: rename,
        onkeydown: (event) => {
          if (event.key === "Enter") {
            event.preventDefault();
            rename(event);
            this.draw();
            this.focus(this.#model.folders()[i]?.path);
          }
          if (event.key === "Escape") {
            event.target.value = this.#model.tree.shown(i);
            this.focus(path);
          }
        }
      }),
      fields(this.#model, specs(), folder, "/folders/" + i),
      folder.managed ? null : brief(this.#model, folder, "/folders/" + i, this.#post),
      el("span", {}),
      el(
        "span",
        { class: "tools" },
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => this.add(path, true) },
          say("js-plan.folder-inside")
        ),
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => this.add(path, false) },
          say("js-plan.folder-after")
        ),
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => this.#remove(path) },
          say("js-plan.remove")
        )
      )
    );
  }

  #heads() {
    return [...this.#place.querySelectorAll(".band-head")];
  }

  #keys(event, path) {
    const i = this.#model.tree.at(path);
    const heads = this.#heads();
    const at = heads.indexOf(event.currentTarget);
    const acts = {
      ArrowDown: () => heads[at + 1]?.focus(),
      ArrowUp: () => heads[at - 1]?.focus(),
      n: () => this.add(path, false),
      c: () => this.add(path, true),
      F2: () => this.edit(path),
      Delete: () => this.#remove(path)
    };
    const moves = {
      ArrowDown: () => this.#model.shift(i, 1),
      ArrowUp: () => this.#model.shift(i, -1),
      ArrowRight: () => this.#model.indent(i),
      ArrowLeft: () => this.#model.outdent(i)
    };
    const act = event.ctrlKey || event.metaKey ? null : event.altKey ? moves[event.key] : acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  }

  #drag(head, path) {
    const tree = () => this.#model.tree;
    const clear = () => head.classList.remove("drop-before", "drop-after", "drop-inside");
    head.addEventListener("dragstart", (event) => {
      this.#dragged = path;
      event.dataTransfer.effectAllowed = "move";
      event.dataTransfer.setData("text/plain", path);
    });
    head.addEventListener("dragover", (event) => {
      if (this.#dragged === null || tree().subtree(tree().at(this.#dragged)).includes(tree().at(path))) return;
      event.preventDefault();
      clear();
      head.classList.add("drop-" + where(event, head));
    });
    head.addEventListener("dragleave", clear);
    head.addEventListener("drop", (event) => {
      if (this.#dragged === null) return;
      event.preventDefault();
      event.stopPropagation();
      const to = where(event, head);
      clear();
      const moving = this.#dragged;
      this.#dragged = null;
      this.#model.place(tree().at(moving), tree().at(path), to);
    });
  }

  toggle(path) {
    if (!this.#open.delete(path)) this.#open.add(path);
    this.draw();
    this.focus(path);
  }

  focus(path) {
    this.#heads()
      .find((head) => head.dataset.path === path)
      ?.focus();
  }

  // Opens a band with its name ready to be typed over.
  edit(path) {
    this.#open.add(path);
    this.draw();
    const field = document.getElementById("path-" + this.#model.tree.at(path));
    field?.focus();
    field?.select();
  }

  // A folder after another one, or inside it; without one, at the end.
  add(path, inside) {
    this.edit(this.#model.add(path === undefined ? -1 : this.#model.tree.at(path), inside));
  }

  #rename(path, name) {
    const i = this.#model.tree.at(path);
    if (i < 0 || !name || name === this.#model.tree.shown(i)) return false;
    const to = this.#model.tree.above(i) + name;
    if (this.#open.delete(path)) this.#open.add(to);
    this.#model.rename(i, to);
    return true;
  }

  #remove(path) {
    const at = this.#heads().findIndex((head) => head.dataset.path === path);
    this.#model.remove(this.#model.tree.at(path));
    this.draw();
    const left = this.#heads();
    (left[Math.min(at, left.length - 1)] ?? document.getElementById("add-folder"))?.focus();
  }
}
