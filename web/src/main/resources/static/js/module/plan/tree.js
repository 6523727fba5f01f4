// The planned folders as they lie in one another, worked out once for a list of folders.
export class FolderTree {
  #folders;
  #parents;
  #children = new Map();
  #byPath = new Map();

  constructor(folders) {
    this.#folders = folders;
    folders.forEach(({ path }, i) => {
      if (!this.#byPath.has(path)) this.#byPath.set(path, i);
    });
    this.#parents = folders.map(({ path }, i) => this.#around(path, i));
    this.#parents.forEach((parent, i) => {
      if (!this.#children.has(parent)) this.#children.set(parent, []);
      this.#children.get(parent).push(i);
    });
  }

  // The planned folder that holds another one most closely, or -1 for the root.
  #around(path, self) {
    for (let cut = path.lastIndexOf("/"); cut > 0; cut = path.lastIndexOf("/", cut - 1)) {
      const found = this.#byPath.get(path.slice(0, cut));
      if (found !== undefined && found !== self) return found;
    }
    return -1;
  }

  at(path) {
    return this.#byPath.get(path) ?? -1;
  }

  parent(i) {
    return this.#parents[i];
  }

  children(i) {
    return this.#children.get(i) ?? [];
  }

  siblings(i) {
    return this.children(this.parent(i));
  }

  // A folder and all in it, in the order they are drawn.
  subtree(i) {
    return [i, ...this.children(i).flatMap((inner) => this.subtree(inner))];
  }

  // What stands of a path before the part that is drawn inside the folder around it.
  above(i) {
    return this.parent(i) < 0 ? "" : this.#folders[this.parent(i)].path + "/";
  }

  shown(i) {
    return this.#folders[i].path.slice(this.above(i).length);
  }
}
