// The other parts of a kit: each a list of rules opened in place, or a few fields.
(() => {
  const { el, fields, put } = satchel.fields;
  const GRADES = [["", "as usual"], ["must"], ["should"], ["note"], ["off"]];
  const NEEDS = [["required"], ["optional"]];
  const open = new Set();
  const MB = 1048576;

  const megabytes = (key) => ({ get: (object) => object[key] === undefined ? undefined : object[key] / MB, set: (object, value) => put(object, key, value === undefined ? undefined : Math.max(1, Math.round(value * MB))) });
  const mediaField = (key, label, kind, more = {}) => ({ key: "media", at: "media/" + key, label, kind, ...more, get: (rule) => rule.media?.[key], set: (rule, value) => {
    const media = { ...rule.media };
    put(media, key, value);
    put(rule, "media", Object.keys(media).length ? media : undefined);
  } });

  const specsOf = (model) => {
    const folders = () => [["", "the root"], ...model.folders().map((folder) => [folder.path, folder.path])];
    const roles = () => [["", "a name of its own"], ...[...(model.doc.documents || []), ...(model.doc.files || [])].map((rule) => [rule.role, rule.role])];
    const role = [
      { key: "role", label: "What it is", kind: "text" }, { key: "in", label: "Where", kind: "select", options: folders }, { key: "name", label: "Its name", kind: "text", mono: true },
      { key: "types", label: "Types", kind: "types", placeholder: "any" }, { key: "need", label: "Need", kind: "choice", choices: NEEDS, otherwise: "required" },
      { key: "namedLike", label: "Named like", kind: "select", options: roles },
    ];
    return {
      documents: [...role, { key: "versions", label: "Versions, at least", kind: "number", placeholder: "one" }, { key: "maxLength", label: "Longest name", kind: "number", placeholder: "as all names" }],
      files: [...role, mediaField("width", "Width", "number", { placeholder: "any" }), mediaField("height", "Height", "number", { placeholder: "any" }), mediaField("aspect", "Aspect", "text", { placeholder: "any, like 16:9" }),
        mediaField("frameRate", "Frames a second", "number", { step: "any", placeholder: "any" }), mediaField("minSeconds", "Seconds, at least", "number", { step: "any" }), mediaField("maxSeconds", "Seconds, at most", "number", { step: "any" }),
        mediaField("codecs", "Codecs", "words", { placeholder: "any" }),
        { key: "media", at: "media/sound", label: "Sound", kind: "choice", choices: [["", "either"], ["true", "with"], ["false", "without"]], otherwise: "", get: (rule) => rule.media?.sound === undefined ? "" : String(rule.media.sound), set: (rule, value) => {
          const media = { ...rule.media };
          if (value === "") delete media.sound; else media.sound = value === "true";
          put(rule, "media", Object.keys(media).length ? media : undefined);
        } },
        { key: "media", at: "media/peakDb", label: "Peaks, dBFS", kind: "words", placeholder: "any, like -12, -3", get: (rule) => rule.media?.peakDb?.map(String), set: (rule, value) => {
          const media = { ...rule.media };
          put(media, "peakDb", value.length ? value.map(Number) : undefined);
          put(rule, "media", Object.keys(media).length ? media : undefined);
        } }],
      companions: [{ key: "name", label: "Name", kind: "text", mono: true }, { key: "purpose", label: "What it is for", kind: "text" }, { key: "need", label: "Need", kind: "choice", choices: NEEDS, otherwise: "optional" }, { key: "managed", kind: "flag", label: "", says: "kept by a program" }],
      steps: [{ key: "title", label: "Step", kind: "text" }, { key: "text", label: "What to do", kind: "text" }, { key: "confirm", kind: "flag", label: "", says: "every student confirms it" }],
      custom: [{ key: "files", label: "In files", kind: "text", mono: true, placeholder: "**/*.scn" },
        { key: "kind", label: "A link is found by", kind: "choice", choices: [["pattern", "a regular expression"], ["element", "an element"], ["pointer", "a JSON pointer"]], get: (rule) => ["element", "pointer"].find((kind) => rule[kind] !== undefined) ?? "pattern", set: (rule, kind) => {
          const held = rule.pattern ?? rule.element ?? rule.pointer ?? "";
          ["pattern", "element", "pointer"].forEach((key) => delete rule[key]);
          rule[kind] = held;
        } },
        { key: "held", at: "pattern", label: "Written", kind: "text", mono: true, get: (rule) => rule.pattern ?? rule.element ?? rule.pointer, set: (rule, value) => { rule[["element", "pointer"].find((kind) => rule[kind] !== undefined) ?? "pattern"] = value; } },
        { key: "base", label: "Starts from", kind: "choice", choices: [["document", "the document"], ["root", "the root"]], otherwise: "document" }, { key: "uri", kind: "flag", label: "", says: "is a web address, with % in place of spaces" }],
      starter: [{ key: "path", label: "Where", kind: "text", mono: true }, { key: "treat", label: "A student", kind: "choice", choices: [["keep", "leaves it as it is"], ["edit", "may change it"], ["free", "may do anything"]], otherwise: "keep" }],
    };
  };

  const said = {
    documents: (rule) => [rule.role || "a document", (rule.in ? rule.in + "/" : "") + (rule.name || "") + (rule.types?.length ? "." + rule.types[0] : ""), rule.versions > 1 ? rule.versions + " versions" : rule.need || "required"],
    files: (rule) => [rule.role || "a file", (rule.in ? rule.in + "/" : "") + (rule.name || "") + (rule.types?.length ? "." + rule.types[0] : ""), rule.need || "required"],
    companions: (rule) => [rule.purpose || "a folder beside the root", "../" + (rule.name || ""), rule.need || "optional"],
    steps: (step) => [step.title || "a step", "", step.confirm ? "confirmed" : "told"],
    custom: (rule) => [rule.files || "a link rule", rule.pattern ?? rule.element ?? rule.pointer ?? "", rule.base || "document"],
    starter: (file) => [file.path.slice(file.path.lastIndexOf("/") + 1), file.path, size(file.bytes) + ", " + ({ edit: "may change", free: "free" }[file.treat] ?? "stays as it is")],
  };

  const size = (bytes) => bytes < 1000 ? bytes + " B" : bytes < 1e6 ? Math.round(bytes / 1000) + " kB" : (bytes / 1e6).toFixed(1) + " MB";

  // A list of rules; one opens where it stands.
  const listed = (view, name, list, at, fresh) => {
    const { model } = view;
    const specs = specsOf(model)[name];
    const rows = list.map((item, i) => {
      const key = name + i;
      const [what, mono, more] = said[name](item);
      const own = view.faults.filter((fault) => fault.at === at + "/" + i || fault.at.startsWith(at + "/" + i + "/"));
      return el("div", { class: "rule" + (own.some((fault) => fault.severity === "must") ? " wrong" : "") },
        el("button", { type: "button", class: "rule-head", "aria-expanded": String(open.has(key)), "data-focus": key, onclick: () => { if (open.has(key)) open.delete(key); else open.add(key); view.draw(); } },
          el("span", { class: "rule-what" }, what), el("span", { class: "name" }, mono), el("span", { class: "soft" }, more)),
        own.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)),
        open.has(key) ? el("div", { class: "edit" }, fields(model, specs, item, at + "/" + i), name === "custom" ? tryOut(view, item) : null, el("span", {}), el("span", { class: "tools" },
          el("button", { type: "button", class: "act quiet small", onclick: () => model.change(() => list.splice(i, 1)) }, "Take out"))) : null);
    });
    const add = fresh && el("button", { type: "button", class: "act quiet small", onclick: () => { open.add(name + list.length); fresh(); } }, "Add");
    return [...rows, add];
  };

  // A link rule is tried on a pasted document, or one that was dropped.
  let pasted = "";
  const tryOut = (view, rule) => {
    const result = el("ul", { class: "roots", role: "status" });
    const ask = async () => {
      const answer = await view.post("try-rule", { rule: JSON.stringify(rule), text: pasted });
      const rows = answer ? [...answer.faults.map((fault) => el("li", { class: "wrongly" }, fault)), ...answer.links.map((link) => el("li", { class: "name" }, link))] : [];
      result.replaceChildren(...(rows.length ? rows : [el("li", { class: "soft" }, "It finds no link here.")]));
    };
    const area = el("textarea", { class: "field name", rows: 4, "aria-label": "Try it on a document", placeholder: "paste a document here, or drop one", oninput: (event) => { pasted = event.target.value; ask(); }, ondrop: async (event) => {
      if (!event.dataTransfer.files.length) return;
      event.preventDefault();
      pasted = (await event.dataTransfer.files[0].text()).slice(0, 1 << 20);
      area.value = pasted;
      ask();
    } });
    area.value = pasted;
    if (pasted) ask();
    return [el("span", { class: "soft" }, "Try it"), el("div", {}, area, result)];
  };

  const ensure = (model, key, value) => (doc) => { if (doc[key] === undefined) doc[key] = value; return doc[key]; };

  const lists = {
    documents: () => ({ role: "", in: "", name: "{last}_v{version:2}", types: [], need: "required" }),
    files: () => ({ role: "", in: "", name: "{last}_final", types: [], need: "required" }),
    companions: () => ({ name: "", purpose: "", need: "optional" }),
    steps: () => ({ title: "", text: "", confirm: true }),
  };

  const detached = (model, key, value) => {
    // Fields of a part that is not there yet write into a copy, and the part comes to be with the first of them.
    const object = model.doc[key] ?? value;
    return { object, specs: (list) => list.map((spec) => ({ ...spec, set: (target, set) => { model.doc[key] = object; if (spec.set) spec.set(object, set); else put(object, spec.key, set); if (!Object.keys(object).length) delete model.doc[key]; } })) };
  };

  satchel.Parts = class {
    constructor(model, page, post) {
      this.post = post;
      this.model = model;
      this.page = page;
      this.faults = [];
    }

    draw(faults = this.faults) {
      this.faults = faults;
      const held = document.activeElement?.dataset?.focus;
      Object.keys(lists).forEach((name) => this.list(name));
      this.fill("starter", listed(this, "starter", this.model.doc.starter ?? [], "/starter"));
      this.names();
      this.links();
      this.location();
      this.rest();
      if (held) document.querySelector('[data-focus="' + held + '"]')?.focus();
    }

    fill(name, nodes) { document.getElementById("part-" + name)?.replaceChildren(...nodes.flat().filter(Boolean)); }

    list(name) {
      const { model } = this;
      this.fill(name, listed(this, name, model.doc[name] ?? [], "/" + name, () => model.change((doc) => ensure(model, name, [])(doc).push(lists[name]()))));
    }

    grid(key, specs, value = {}) {
      const part = detached(this.model, key, value);
      return el("div", { class: "edit" }, fields(this.model, part.specs(specs), part.object, "/" + key));
    }

    names() {
      this.fill("names", [this.grid("names", [
        { key: "spaces", label: "Spaces", kind: "choice", choices: [["allow", "allowed"], ["forbid", "not allowed"]], otherwise: "allow" },
        { key: "letters", label: "Letters", kind: "choice", choices: [["any"], ["lower", "small"], ["upper", "capitals"]], otherwise: "any" },
        { key: "maxLength", label: "Longest name", kind: "number", placeholder: "no limit" },
        { key: "avoid", label: "Says nothing", kind: "words", placeholder: "untitled, copy" },
        { key: "ascii", label: "", kind: "flag", says: "plain letters A to Z only" },
        { key: "portable", label: "", kind: "flag", says: "work on every system", get: (rules) => rules.portable !== false, set: (rules, value) => { if (value) delete rules.portable; else rules.portable = false; } },
      ]), this.faultsOf("/names")]);
    }

    links() {
      const grade = (key, label) => ({ key, label, kind: "choice", choices: GRADES, otherwise: "" });
      const links = this.model.doc.links ?? {};
      this.fill("links", [this.grid("links", [grade("absolute", "Tied to one place"), grade("outside", "Lead out"), grade("missing", "To nothing"), grade("remote", "To the web")]),
        el("h3", {}, "Links in files of no known format"), ...listed(this, "custom", links.custom ?? [], "/links/custom", () => this.model.change((doc) => { doc.links = doc.links ?? {}; (doc.links.custom = doc.links.custom ?? []).push({ files: "**/*.scn", pattern: "path=\"(?<link>[^\"]+)\"", base: "document" }); }))]);
    }

    location() {
      this.fill("location", [this.grid("location", [
        { key: "storage", label: "Disks allowed", kind: "several", choices: [["local", "inside the computer"], ["removable", "a drive they carry"], ["network", "the network"], ["synced", "a synced folder"], ["home", "the home folder"]] },
        { key: "avoid", label: "Keep away from", kind: "several", choices: [["desktop"], ["downloads"], ["temporary"], ["synced"], ["documents"], ["system"]] },
        { key: "maxRootLength", label: "Longest path of the root", kind: "number", placeholder: "no limit" },
      ]), this.faultsOf("/location")]);
      const machines = [...document.querySelectorAll("#known-machines option")].map((option) => [option.value, option.textContent]);
      this.fill("machines", [el("div", { class: "edit" }, fields(this.model, [{ key: "machines", label: "Has to open on", kind: "several", choices: machines }], this.model.doc, "")), this.faultsOf("/machines")]);
    }

    rest() {
      const { model } = this;
      this.fill("other", [el("div", { class: "edit" }, fields(model, [{ key: "otherFolders", label: "Folders nobody planned", kind: "choice", choices: [["allow", "are fine"], ["note", "are noted"], ["forbid", "are not allowed"]], otherwise: "note" }], model.doc, ""))]);
      this.fill("limits", [this.grid("limits", [{ key: "totalBytes", label: "Whole project, MB", kind: "number", step: "any", placeholder: "no limit", ...megabytes("totalBytes") }, { key: "fileBytes", label: "One file, MB", kind: "number", step: "any", placeholder: "no limit", ...megabytes("fileBytes") }]), this.faultsOf("/limits")]);
      this.fill("points", [this.grid("points", ["structure", "names", "links", "assets"].map((key) => ({ key, label: { structure: "Folders", names: "Names", links: "Links", assets: "Files" }[key], kind: "number", set: (points, value) => {
        put(points, key, value);
        const total = ["structure", "names", "links", "assets"].reduce((sum, each) => sum + (points[each] ?? 0), 0);
        put(points, "total", total || undefined);
      } }))), el("p", { class: "soft" }, model.doc.points?.total ? model.doc.points.total + " points in all" : "No points are given for organisation."), this.faultsOf("/points")]);
      this.severities();
    }

    severities() {
      const held = this.model.doc.severities ?? {};
      const set = (code, grade) => this.model.change((doc) => { const all = { ...doc.severities }; put(all, code, grade); put(doc, "severities", Object.keys(all).length ? all : undefined); });
      const rows = Object.keys(held).map((code) => [el("span", { class: "name" }, code), el("span", { class: "tools" }, el("select", { class: "field bare short", "aria-label": "How much " + code + " weighs", onchange: (event) => set(code, event.target.value) },
        GRADES.map(([word, says]) => el("option", { value: word, selected: held[code] === word }, says ?? word))))]);
      const more = el("select", { class: "field bare", "aria-label": "Another finding", onchange: (event) => event.target.value && set(event.target.value, "note") }, el("option", { value: "" }, "another finding…"),
        [...document.querySelectorAll("#known-codes option")].filter((option) => held[option.value] === undefined).map((option) => el("option", { value: option.value }, option.value)));
      this.fill("severities", [el("div", { class: "edit wide" }, rows.flat(), el("span", {}, more), el("span", {})), this.faultsOf("/severities")]);
    }

    faultsOf(at) { return this.faults.filter((fault) => fault.at === at || fault.at.startsWith(at + "/")).map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)); }
  };
})();
