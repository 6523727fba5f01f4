// The plan of a kit while it is edited: the kit document itself, every step of which can be taken back. Knows no page.
import { FolderTree } from "./tree.js";

export class PlanModel {
  #tree = null;
  #listeners = [];

  constructor(document) {
    this.doc = document;
    this.past = [];
    this.future = [];
    // Counts how often the document became another object, so that whoever holds a part of it can tell.
    this.epoch = 0;
  }

  get tree() {
    return (this.#tree ??= new FolderTree(this.folders()));
  }

  listen(listener) {
    this.#listeners.push(listener);
  }

  // What is shown beside the plan changed, and the plan did not.
  redraw() {
    this.epoch++;
    this.#tell();
  }

  #tell(hint) {
    this.#listeners.forEach((listener) => listener(hint));
  }

  // One step: what it does to the document can be taken back as one.
  change(act, hint) {
    const before = JSON.stringify(this.doc);
    act(this.doc);
    this.#tree = null;
    if (JSON.stringify(this.doc) === before) return;
    this.past.push(before);
    this.future = [];
    this.#tell(hint);
  }

  replace(document) {
    this.change(() => {
      this.doc = document;
      this.epoch++;
    });
  }

  undo() {
    this.#step(this.past, this.future);
  }

  redo() {
    this.#step(this.future, this.past);
  }

  #step(from, to) {
    if (!from.length) return;
    to.push(JSON.stringify(this.doc));
    this.doc = JSON.parse(from.pop());
    this.epoch++;
    this.#tree = null;
    this.#tell();
  }

  text() {
    return JSON.stringify(this.doc, null, 2);
  }

  folders() {
    return this.doc.folders ?? (this.doc.folders = []);
  }

  #free(prefix) {
    const taken = new Set(this.folders().map((folder) => folder.path.toLowerCase()));
    for (let n = 1; ; n++) {
      const path = prefix + (n === 1 ? "new-folder" : "new-folder-" + n);
      if (!taken.has(path.toLowerCase())) return path;
    }
  }

  // A new folder beside another one, or inside it; returns its path.
  add(i, inside) {
    const tree = this.tree;
    const path = this.#free(i < 0 ? "" : inside ? this.folders()[i].path + "/" : tree.above(i));
    const at = i < 0 ? this.folders().length : Math.max(...tree.subtree(i)) + 1;
    this.change((doc) => doc.folders.splice(at, 0, { path, purpose: "", need: "required", atLeast: 1 }), path);
    return path;
  }

  // Another path for a folder: all that lies in it, and all that is asked for or comes in it, goes along.
  rename(i, path) {
    this.change((doc) => moved(doc, this.folders()[i].path, path), path);
  }

  remove(i) {
    const gone = new Set(this.tree.subtree(i));
    this.change((doc) => {
      doc.folders = doc.folders.filter((_, j) => !gone.has(j));
    });
  }

  // Up or down among the folders beside it.
  shift(i, by) {
    const beside = this.tree.siblings(i);
    const other = beside[beside.indexOf(i) + by];
    if (other !== undefined) this.place(i, other, by < 0 ? "before" : "after");
  }

  indent(i) {
    const beside = this.tree.siblings(i);
    const before = beside[beside.indexOf(i) - 1];
    if (before !== undefined) this.place(i, before, "inside");
  }

  outdent(i) {
    const parent = this.tree.parent(i);
    if (parent >= 0) this.place(i, parent, "after");
  }

  // Puts a folder with all in it before, after or inside another one.
  place(i, target, where) {
    const tree = this.tree;
    const inside = tree.subtree(i);
    if (inside.includes(target)) return;
    const from = this.folders()[i].path;
    const to = (where === "inside" ? this.folders()[target].path + "/" : tree.above(target)) + tree.shown(i);
    if (to !== from && this.folders().some((folder) => folder.path.toLowerCase() === to.toLowerCase())) return;
    this.change((doc) => {
      const moving = inside.map((j) => doc.folders[j]);
      const anchor =
        where === "before"
          ? doc.folders[target]
          : doc.folders[Math.max(...tree.subtree(target).filter((j) => !inside.includes(j)))];
      moved(doc, from, to);
      doc.folders = doc.folders.filter((folder) => !moving.includes(folder));
      doc.folders.splice(doc.folders.indexOf(anchor) + (where === "before" ? 0 : 1), 0, ...moving);
    }, to);
  }
}

const moved = (doc, from, to) => {
  const follow = (list, key) =>
    (list ?? []).forEach((item) => {
      const held = item[key] ?? "";
      if (held === from || held.startsWith(from + "/")) item[key] = to + held.slice(from.length);
    });
  follow(doc.folders, "path");
  follow(doc.documents, "in");
  follow(doc.files, "in");
  follow(doc.starter, "path");
  follow(doc.proxies, "in");
  follow(doc.limits?.per, "in");
  (doc.documents ?? []).forEach((rule) => follow(rule.links, "in"));
};
