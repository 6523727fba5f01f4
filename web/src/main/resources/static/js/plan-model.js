// The plan of a kit while it is edited: the kit document itself, every step of which can be taken back. Knows no page.
window.satchel = window.satchel || {};

satchel.PlanModel = class {
  constructor(document) {
    this.doc = document;
    this.past = [];
    this.future = [];
    this.listeners = [];
  }

  listen(listener) { this.listeners.push(listener); }

  tell(hint) { this.listeners.forEach((listener) => listener(hint)); }

  // One step: what it does to the document can be taken back as one.
  change(act, hint) {
    const before = JSON.stringify(this.doc);
    act(this.doc);
    if (JSON.stringify(this.doc) === before) return;
    this.past.push(before);
    this.future = [];
    this.tell(hint);
  }

  replace(document) { this.change(() => { this.doc = document; }); }

  undo() { this.step(this.past, this.future); }

  redo() { this.step(this.future, this.past); }

  step(from, to) {
    if (!from.length) return;
    to.push(JSON.stringify(this.doc));
    this.doc = JSON.parse(from.pop());
    this.tell();
  }

  text() { return JSON.stringify(this.doc, null, 2); }

  folders() { return this.doc.folders || (this.doc.folders = []); }

  // The planned folder that holds another one most closely, or -1 for the root.
  parent(i) {
    const path = this.folders()[i].path;
    let best = -1;
    this.folders().forEach((other, j) => {
      const holds = j !== i && path.startsWith(other.path + "/") && (best < 0 || other.path.length > this.folders()[best].path.length);
      if (holds) best = j;
    });
    return best;
  }

  children(parent) { return this.folders().map((_, i) => i).filter((i) => this.parent(i) === parent); }

  // A folder and all in it, in the order they are drawn.
  subtree(i) { return [i, ...this.children(i).flatMap((inner) => this.subtree(inner))]; }

  // What is drawn of a path inside the band around it.
  shown(i) {
    const parent = this.parent(i);
    return parent < 0 ? this.folders()[i].path : this.folders()[i].path.slice(this.folders()[parent].path.length + 1);
  }

  above(i) {
    const path = this.folders()[i].path;
    const shown = this.shown(i);
    return path.slice(0, path.length - shown.length);
  }

  free(prefix) {
    const taken = new Set(this.folders().map((folder) => folder.path.toLowerCase()));
    for (let n = 1; ; n++) {
      const path = prefix + (n === 1 ? "new-folder" : "new-folder-" + n);
      if (!taken.has(path.toLowerCase())) return path;
    }
  }

  // A new folder beside another one, or inside it; returns its path.
  add(i, inside) {
    const prefix = i < 0 ? "" : inside ? this.folders()[i].path + "/" : this.above(i);
    const path = this.free(prefix);
    this.change((doc) => {
      const at = i < 0 ? doc.folders.length : Math.max(...this.subtree(i)) + 1;
      doc.folders.splice(at, 0, { path, purpose: "", need: "required", atLeast: 1 });
    }, path);
    return path;
  }

  // Another path for a folder: all that lies in it, and all that is asked for or comes in it, goes along.
  rename(i, path) {
    this.change((doc) => this.moved(doc, this.folders()[i].path, path), path);
  }

  moved(doc, from, to) {
    const follow = (list, key) => (list || []).forEach((item) => {
      const held = item[key] || "";
      if (held === from || held.startsWith(from + "/")) item[key] = to + held.slice(from.length);
    });
    follow(doc.folders, "path");
    follow(doc.documents, "in");
    follow(doc.files, "in");
    follow(doc.starter, "path");
  }

  remove(i) {
    this.change((doc) => {
      const gone = new Set(this.subtree(i));
      doc.folders = doc.folders.filter((_, j) => !gone.has(j));
    });
  }

  siblings(i) { return this.children(this.parent(i)); }

  // Up or down among the folders beside it.
  shift(i, by) {
    const beside = this.siblings(i);
    const other = beside[beside.indexOf(i) + by];
    if (other !== undefined) this.place(i, other, by < 0 ? "before" : "after", this.folders()[i].path);
  }

  indent(i) {
    const beside = this.siblings(i);
    const before = beside[beside.indexOf(i) - 1];
    if (before !== undefined) this.place(i, before, "inside");
  }

  outdent(i) {
    const parent = this.parent(i);
    if (parent >= 0) this.place(i, parent, "after");
  }

  // Puts a folder with all in it before, after or inside another one.
  place(i, target, where) {
    const inside = this.subtree(i);
    if (inside.includes(target)) return;
    const name = this.shown(i);
    const prefix = where === "inside" ? this.folders()[target].path + "/" : this.above(target);
    const to = prefix + name;
    const from = this.folders()[i].path;
    if (to !== from && this.folders().some((folder) => folder.path.toLowerCase() === to.toLowerCase())) return;
    this.change((doc) => {
      const moving = inside.map((j) => doc.folders[j]);
      const anchor = where === "before" ? doc.folders[target] : doc.folders[Math.max(...this.subtree(target).filter((j) => !inside.includes(j)))];
      this.moved(doc, from, to);
      doc.folders = doc.folders.filter((folder) => !moving.includes(folder));
      doc.folders.splice(doc.folders.indexOf(anchor) + (where === "before" ? 0 : 1), 0, ...moving);
    }, to);
  }
};
