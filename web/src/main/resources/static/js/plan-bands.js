// The bag: the folder plan as nested bands, each opened and edited where it lies, by pointer and by keys.
(() => {
  const { el, fields, put } = satchel.fields;
  const NEEDS = [["required"], ["optional"], ["forbidden"]];
  const open = new Set();
  let dragged = null;

  const specs = [
    { key: "purpose", label: "What it is for", kind: "text" },
    { key: "need", label: "Need", kind: "choice", choices: NEEDS, otherwise: "required", set: (folder, value) => { folder.need = value; if (value === "forbidden") delete folder.atLeast; } },
    { key: "accepts", label: "Takes", kind: "types" },
    { key: "atLeast", label: "Files, at least", kind: "number", placeholder: "none" },
    { key: "repeats", label: "Such folders, at least", kind: "number", placeholder: "does not repeat", when: (folder) => /\{(word|text|number|version|date)/.test(folder.path),
      get: (folder) => folder.repeats?.atLeast ?? (folder.repeats ? 1 : undefined), set: (folder, value) => { if (value === undefined) delete folder.repeats; else folder.repeats = { atLeast: value }; } },
    { key: "sealed", label: "", kind: "flag", says: "sealed: nothing in it may be renamed, moved or changed once it is there" },
    { key: "managed", label: "", kind: "flag", says: "kept by a program: nobody looks into it", set: (folder, value) => { put(folder, "managed", value); if (value) delete folder.atLeast; } },
  ];

  const summary = (folder) => folder.managed ? "Kept by the program, never judged" : folder.purpose || "";
  const least = (folder) => folder.repeats ? (folder.repeats.atLeast ?? 1) + " or more such" : folder.atLeast > 0 ? folder.atLeast + " or more" : folder.need || "required";

  const holds = (model, folder) => [
    ...[...(model.doc.documents || []), ...(model.doc.files || [])].filter((rule) => (rule.in || "") === folder.path)
      .map((rule) => el("p", { class: "holds" }, (rule.need === "optional" ? "may hold: " : "must hold: "), el("span", { class: "name" }, rule.name + (rule.types?.length ? "." + rule.types[0] : "")))),
    ...(model.doc.starter || []).filter((file) => file.path.slice(0, Math.max(0, file.path.lastIndexOf("/"))) === folder.path)
      .map((file) => el("p", { class: "holds" }, "comes with the kit: ", el("span", { class: "name" }, file.path.slice(file.path.lastIndexOf("/") + 1)))),
  ];

  const band = (view, i) => {
    const { model, faults } = view;
    const folder = model.folders()[i];
    const own = faults.filter((fault) => fault.at === "/folders/" + i || fault.at.startsWith("/folders/" + i + "/"));
    const isOpen = open.has(folder.path);
    const head = el("button", { type: "button", class: "band-head", "aria-expanded": String(isOpen), "data-path": folder.path, draggable: "true", onclick: () => view.toggle(folder.path), onkeydown: (event) => keys(view, event, i) },
      el("span", { class: "path-name" }, model.shown(i)), el("span", { class: "purpose" }, summary(folder), folder.sealed ? el("span", { class: "soft" }, " · sealed") : null),
      el("span", { class: "types" }, folder.accepts?.length ? folder.accepts.join(" ") : "anything"), el("span", { class: "least" }, least(folder)));
    drag(view, head, i);
    return el("div", { class: ["band", folder.need || "required", folder.managed ? "managed" : "", own.some((fault) => fault.severity === "must") ? "wrong" : ""].join(" "), "data-band": true },
      el("svg", { class: "edge", "aria-hidden": "true" }, el("line", { x1: 2.5, y1: 0, x2: 2.5, y2: "100%" })), head,
      own.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)),
      isOpen ? edit(view, i, folder) : null, holds(model, folder), model.children(i).map((inner) => band(view, inner)));
  };

  const edit = (view, i, folder) => {
    // Once a field: it says that it changed once more when it goes, and the name it shows may be another's by then.
    let renamed = false;
    const rename = (event) => {
      if (renamed) return;
      renamed = true;
      renamed = view.rename(i, event.target.value.trim());
    };
    return el("div", { class: "edit" },
      el("label", { for: "path-" + i }, "Folder"), el("input", { id: "path-" + i, class: "field bare name", "data-at": "/folders/" + i + "/path", value: view.model.shown(i), spellcheck: "false", onchange: rename, onkeydown: (event) => {
        if (event.key === "Enter") { event.preventDefault(); rename(event); view.focus(view.model.folders()[i]?.path); }
        if (event.key === "Escape") { event.target.value = view.model.shown(i); view.focus(folder.path); }
      } }),
      fields(view.model, specs, folder, "/folders/" + i),
      el("span", {}), el("span", { class: "tools" },
        el("button", { type: "button", class: "act quiet small", onclick: () => view.add(i, true) }, "Folder inside"), el("button", { type: "button", class: "act quiet small", onclick: () => view.add(i, false) }, "Folder after"),
        el("button", { type: "button", class: "act quiet small", onclick: () => view.remove(i) }, "Take out")));
  };

  const keys = (view, event, i) => {
    const { model } = view;
    const heads = [...view.place.querySelectorAll(".band-head")];
    const at = heads.indexOf(event.currentTarget);
    const acts = {
      ArrowDown: () => heads[at + 1]?.focus(), ArrowUp: () => heads[at - 1]?.focus(),
      n: () => view.add(i, false), c: () => view.add(i, true), F2: () => view.edit(model.folders()[i].path), Delete: () => view.remove(i),
    };
    const moves = { ArrowDown: () => model.shift(i, 1), ArrowUp: () => model.shift(i, -1), ArrowRight: () => model.indent(i), ArrowLeft: () => model.outdent(i) };
    const act = event.ctrlKey || event.metaKey ? null : event.altKey ? moves[event.key] : acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };

  // Dropped on the upper or lower edge of a band it goes before or after, on the middle into it.
  const where = (event, node) => {
    const box = node.getBoundingClientRect();
    const part = (event.clientY - box.top) / box.height;
    return part < 0.25 ? "before" : part > 0.75 ? "after" : "inside";
  };

  const drag = (view, head, i) => {
    const clear = () => head.classList.remove("drop-before", "drop-after", "drop-inside");
    head.addEventListener("dragstart", (event) => { dragged = i; event.dataTransfer.effectAllowed = "move"; event.dataTransfer.setData("text/plain", view.model.folders()[i].path); });
    head.addEventListener("dragover", (event) => {
      if (dragged === null || view.model.subtree(dragged).includes(i)) return;
      event.preventDefault();
      clear();
      head.classList.add("drop-" + where(event, head));
    });
    head.addEventListener("dragleave", clear);
    head.addEventListener("drop", (event) => {
      if (dragged === null) return;
      event.preventDefault();
      event.stopPropagation();
      const to = where(event, head);
      clear();
      const moving = dragged;
      dragged = null;
      view.model.place(moving, i, to);
    });
  };

  satchel.Bag = class {
    constructor(model, place) {
      this.model = model;
      this.place = place;
      this.faults = [];
    }

    draw(faults) {
      this.faults = faults;
      const top = this.model.children(-1).map((i) => band(this, i));
      this.place.replaceChildren(...(top.length ? top : [el("p", { class: "soft m-0 p-2" }, "No folder yet. Add one, or make the plan from an example.")]));
    }

    toggle(path) {
      if (open.has(path)) open.delete(path); else open.add(path);
      this.draw(this.faults);
      this.focus(path);
    }

    focus(path) { [...this.place.querySelectorAll(".band-head")].find((head) => head.dataset.path === path)?.focus(); }

    // Opens a band with its name ready to be typed over.
    edit(path) {
      open.add(path);
      this.draw(this.faults);
      const at = this.model.folders().findIndex((folder) => folder.path === path);
      const field = document.getElementById("path-" + at);
      field?.focus();
      field?.select();
    }

    add(i, inside) { this.edit(this.model.add(i, inside)); }

    rename(i, name) {
      if (!name || name === this.model.shown(i)) return false;
      const path = this.model.above(i) + name;
      if (open.delete(this.model.folders()[i].path)) open.add(path);
      this.model.rename(i, path);
      return true;
    }

    remove(i) {
      const heads = [...this.place.querySelectorAll(".band-head")];
      const next = heads.find((head) => head.dataset.path === this.model.folders()[i].path);
      const at = heads.indexOf(next);
      this.model.remove(i);
      this.draw(this.faults);
      const left = [...this.place.querySelectorAll(".band-head")];
      (left[Math.min(at, left.length - 1)] ?? document.getElementById("add-folder"))?.focus();
    }
  };
})();
