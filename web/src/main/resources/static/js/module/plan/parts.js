// The other parts of a kit: each a list of rules opened in place, or a few fields.
import { say } from "../words.js";
import { brief } from "./brief.js";
import { el, fields, pick, put } from "./fields.js";
import { linked } from "./short.js";
import { timing } from "./timing.js";
import { Trial } from "./trial.js";

const MB = 1048576;
// Lists whose rules may have a brief.
const BRIEFED = ["documents", "files"];
const POINTS = ["structure", "names", "links", "assets"];
// What one thing to fix takes off where a kit says nothing.
const OFF = { must: 1, should: 0.5, note: 0 };

const option = (prefix) => (word) => [word, say("js-plan." + prefix + "-" + (word || "none"))];
const grades = () => ["", "must", "should", "note", "off"].map(option("grade"));
const needs = () => ["required", "optional"].map(option("need"));
const anyNeed = () => ["required", "optional", "forbidden"].map(option("need"));
const lastName = (path) => path.slice(path.lastIndexOf("/") + 1);
const nameIn = (rule) =>
  (rule.in ? rule.in + "/" : "") + (rule.name ?? "") + (rule.types?.length ? "." + rule.types[0] : "");

const size = (bytes) => {
  const [unit, value] =
    bytes < 1000
      ? ["byte", bytes]
      : bytes < 1e6
        ? ["kilobyte", Math.round(bytes / 1000)]
        : ["megabyte", Math.round(bytes / 1e5) / 10];
  return new Intl.NumberFormat(document.documentElement.lang || "en", { style: "unit", unit }).format(value);
};

const megabytes = (key) => ({
  get: (object) => (object[key] === undefined ? undefined : object[key] / MB),
  set: (object, value) => put(object, key, value === undefined ? undefined : Math.max(1, Math.round(value * MB)))
});

const ruleKind = (rule) => ["element", "pointer"].find((kind) => rule[kind] !== undefined) ?? "pattern";

// The fields of one rule of each list.
const specsOf = (model) => {
  const folders = () => [
    ["", say("js-plan.project-folder")],
    ...model.folders().map((folder) => [folder.path, folder.path])
  ];
  const roles = () => [
    ["", say("js-plan.own-name")],
    ...[...(model.doc.documents ?? []), ...(model.doc.files ?? [])].map((rule) => [rule.role, rule.role])
  ];
  const role = [
    { key: "role", label: say("js-plan.role"), kind: "text" },
    { key: "in", label: say("js-plan.where"), kind: "select", options: folders },
    { key: "name", label: say("js-plan.its-name"), kind: "text", mono: true },
    { key: "types", label: say("js-plan.types"), kind: "types", placeholder: say("js-plan.any") },
    { key: "need", label: say("js-plan.need"), kind: "choice", choices: anyNeed(), otherwise: "required" },
    { key: "either", label: say("js-plan.either"), kind: "text", placeholder: say("js-plan.either-like") },
    { key: "namedLike", label: say("js-plan.named-like"), kind: "select", options: roles }
  ];
  return {
    documents: [
      ...role,
      { key: "versions", label: say("js-plan.versions"), kind: "number", placeholder: say("js-plan.one") },
      { key: "maxLength", label: say("js-plan.longest-name"), kind: "number", placeholder: say("js-plan.as-all") },
      {
        key: "links",
        label: say("js-plan.has-to-link"),
        kind: "text",
        mono: true,
        placeholder: "footage 3",
        get: (rule) => linked.write(rule.links),
        set: (rule, value) => put(rule, "links", linked.read(value ?? "", model.doc))
      }
    ],
    per: [
      { key: "in", label: say("js-plan.where"), kind: "select", options: folders },
      { key: "types", label: say("js-plan.types"), kind: "types", placeholder: say("js-plan.any") },
      ...["fileBytes", "totalBytes"].map((key) => ({
        key,
        label: say(key === "fileBytes" ? "js-plan.limits-fileBytes" : "js-plan.per-total"),
        kind: "number",
        step: "any",
        placeholder: say("js-plan.no-limit"),
        ...megabytes(key)
      }))
    ],
    files: role,
    companions: [
      { key: "name", label: say("js-plan.name"), kind: "text", mono: true },
      { key: "purpose", label: say("js-plan.purpose"), kind: "text" },
      { key: "need", label: say("js-plan.need"), kind: "choice", choices: needs(), otherwise: "optional" },
      { key: "managed", kind: "flag", label: "", says: say("js-plan.managed-short") }
    ],
    rootFiles: [
      { key: "name", label: say("js-plan.its-name"), kind: "text", mono: true },
      { key: "types", label: say("js-plan.types"), kind: "types", placeholder: say("js-plan.any") }
    ],
    forbidden: [
      { key: "files", label: say("js-plan.forbidden-files"), kind: "text", mono: true, placeholder: "**/*.tmp" },
      { key: "purpose", label: say("js-plan.forbidden-why"), kind: "text" }
    ],
    proxies: [
      {
        key: "in",
        label: say("js-plan.where"),
        kind: "select",
        options: () => [["", say("js-plan.anywhere")], ...folders().slice(1)]
      },
      { key: "name", label: say("js-plan.proxies-name"), kind: "text", mono: true, placeholder: "{original}_small" }
    ],
    steps: [
      { key: "title", label: say("js-plan.step"), kind: "text" },
      { key: "text", label: say("js-plan.step-text"), kind: "text" },
      {
        key: "picture",
        label: say("js-plan.step-picture"),
        kind: "text",
        mono: true,
        placeholder: "reference/autosave.png"
      },
      { key: "confirm", kind: "flag", label: "", says: say("js-plan.step-confirm") }
    ],
    custom: [
      { key: "files", label: say("js-plan.in-files"), kind: "text", mono: true, placeholder: "**/*.scn" },
      {
        key: "kind",
        label: say("js-plan.found-by"),
        kind: "choice",
        choices: ["pattern", "element", "pointer"].map(option("by")),
        get: ruleKind,
        set: (rule, kind) => {
          const held = rule.pattern ?? rule.element ?? rule.pointer ?? "";
          ["pattern", "element", "pointer"].forEach((key) => delete rule[key]);
          rule[kind] = held;
        }
      },
      {
        key: "held",
        at: "pattern",
        label: say("js-plan.written"),
        kind: "text",
        mono: true,
        get: (rule) => rule.pattern ?? rule.element ?? rule.pointer,
        set: (rule, value) => {
          rule[ruleKind(rule)] = value;
        }
      },
      {
        key: "base",
        label: say("js-plan.starts-from"),
        kind: "choice",
        choices: ["document", "root"].map(option("base")),
        otherwise: "document"
      },
      { key: "uri", kind: "flag", label: "", says: say("js-plan.is-uri") }
    ],
    starter: [
      { key: "path", label: say("js-plan.where"), kind: "text", mono: true },
      {
        key: "treat",
        label: say("js-plan.a-student"),
        kind: "choice",
        choices: ["keep", "edit", "free"].map(option("treat")),
        otherwise: "keep"
      }
    ]
  };
};

// What a rule's row says: what it is, its name or path, and what else counts.
const said = {
  documents: (rule) => [
    rule.role || say("js-plan.a-document"),
    nameIn(rule),
    rule.versions > 1 ? say("js-plan.n-versions", rule.versions) : say("js-plan.need-" + (rule.need ?? "required"))
  ],
  files: (rule) => [rule.role || say("js-plan.a-file"), nameIn(rule), say("js-plan.need-" + (rule.need ?? "required"))],
  companions: (rule) => [
    rule.purpose || say("js-plan.a-companion"),
    "../" + (rule.name ?? ""),
    say("js-plan.need-" + (rule.need ?? "optional"))
  ],
  per: (rule) => [
    rule.in || say("js-plan.everywhere"),
    rule.types?.length ? rule.types.join(" ") : "",
    [rule.fileBytes, rule.totalBytes].filter(Boolean).map(size).join(" · ")
  ],
  rootFiles: (file) => [say("js-plan.a-root-file"), nameIn(file), ""],
  forbidden: (rule) => [rule.purpose || say("js-plan.forbidden-rule"), rule.files ?? "", say("js-plan.need-forbidden")],
  proxies: (rule) => [
    rule.in || say("js-plan.anywhere"),
    rule.name ?? "",
    rule.name ? "" : say("js-plan.proxies-same")
  ],
  steps: (step) => [step.title || say("js-plan.a-step"), "", say(step.confirm ? "js-plan.confirmed" : "js-plan.told")],
  custom: (rule) => [
    rule.files || say("js-plan.a-rule"),
    rule.pattern ?? rule.element ?? rule.pointer ?? "",
    say("js-plan.base-" + (rule.base ?? "document"))
  ],
  starter: (file) => [
    lastName(file.path),
    file.path,
    size(file.bytes) + ", " + say("js-plan.treated-" + (file.treat ?? "keep"))
  ]
};

const fresh = {
  documents: () => ({ role: "", in: "", name: "{last}_v{version:2}", types: [], need: "required" }),
  files: () => ({ role: "", in: "", name: "{last}_final", types: [], need: "required" }),
  companions: () => ({ name: "", purpose: "", need: "optional" }),
  rootFiles: () => ({ name: "readme", types: [] }),
  forbidden: () => ({ files: "**/*.tmp", purpose: "" }),
  proxies: () => ({ name: "{original}_small" }),
  steps: () => ({ title: "", text: "", confirm: true })
};

export class Parts {
  #model;
  #post;
  #faults = [];
  #open = new Set();
  #pasted = "";
  // What each part was last drawn from: one that would look the same is let alone.
  #looks = new Map();
  #trial;

  constructor(model, post) {
    this.#model = model;
    this.#post = post;
    this.#trial = new Trial(model, post);
  }

  draw(faults = this.#faults) {
    this.#faults = faults;
    const held = document.activeElement?.dataset?.focus;
    Object.keys(fresh).forEach((name) => this.#list(name));
    this.#fill("starter", "/starter", "starter", () =>
      this.#rows("starter", this.#model.doc.starter ?? [], "/starter")
    );
    this.#names();
    this.#links();
    this.#location();
    this.#rest();
    this.#unfold();
    if (held && document.activeElement?.dataset?.focus !== held)
      document.querySelector('[data-focus="' + held + '"]')?.focus();
  }

  // What is set, or has a fault, is open; nothing that somebody opened is closed again.
  #unfold() {
    const isSet = (value) => value !== undefined && value !== null && value !== "" && Object.keys(value).length !== 0;
    document.querySelectorAll("details.part").forEach((part) => {
      const keys = part.dataset.keys.split(" ");
      const set = keys.some((key) => isSet(this.#model.doc[key]));
      if (set !== part.classList.contains("set")) {
        part.classList.toggle("set", set);
        if (set) part.open = true;
      }
      if (keys.some((key) => this.#under("/" + key).length)) part.open = true;
    });
  }

  #under(at) {
    return this.#faults.filter((fault) => fault.at === at || fault.at.startsWith(at + "/"));
  }

  #told(at) {
    return this.#under(at).map((fault) =>
      el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)
    );
  }

  // Draws a part when something in it changed: a key of the document, the faults in it, what is open.
  #fill(name, at, key, nodes, more) {
    const { doc, epoch } = this.#model;
    const looks = JSON.stringify([
      doc[key],
      this.#under(at),
      [...this.#open].filter((open) => open.startsWith(name) || open.startsWith("custom")),
      epoch,
      more
    ]);
    if (this.#looks.get(name) === looks) return;
    this.#looks.set(name, looks);
    document.getElementById("part-" + name)?.replaceChildren(...nodes().flat().filter(Boolean));
  }

  #list(name) {
    const model = this.#model;
    const known = [...this.#open].some((open) => open.startsWith(name)) && [
      model.folders().map((folder) => folder.path),
      model.doc.documents,
      model.doc.files
    ];
    this.#fill(
      name,
      "/" + name,
      name,
      () => {
        const list = model.doc[name] ?? [];
        return [
          ...this.#rows(name, list, "/" + name, () => model.change((doc) => (doc[name] ??= []).push(fresh[name]())))
        ];
      },
      known
    );
  }

  // A list of rules; one opens where it stands.
  #rows(name, list, at, add) {
    const model = this.#model;
    const specs = specsOf(model)[name];
    const rows = list.map((item, i) => {
      const key = name + i;
      const [what, mono, more] = said[name](item);
      const own = this.#under(at + "/" + i);
      return el(
        "div",
        { class: "rule" + (own.some((fault) => fault.severity === "must") ? " wrong" : "") },
        el(
          "button",
          {
            type: "button",
            class: "rule-head",
            "aria-expanded": String(this.#open.has(key)),
            "data-focus": key,
            onclick: () => {
              if (!this.#open.delete(key)) this.#open.add(key);
              this.draw();
            }
          },
          el("span", { class: "rule-what" }, what),
          el("span", { class: "name" }, mono),
          el("span", { class: "soft" }, more)
        ),
        own.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)),
        this.#open.has(key)
          ? el(
              "div",
              { class: "edit" },
              fields(model, specs, item, at + "/" + i),
              BRIEFED.includes(name) ? brief(model, item, at + "/" + i, this.#post) : null,
              name === "documents" ? timing(model, item, at + "/" + i) : null,
              name === "custom" ? this.#tryOut(item) : null,
              el("span", {}),
              el(
                "span",
                { class: "tools" },
                el(
                  "button",
                  { type: "button", class: "act quiet small", onclick: () => this.#remove(name, list, i) },
                  say("js-plan.remove")
                )
              )
            )
          : null
      );
    });
    return [
      ...rows,
      add &&
        el(
          "button",
          {
            type: "button",
            class: "act quiet small",
            "data-add": name,
            onclick: () => this.#add(name, list.length, add)
          },
          say("js-plan.add")
        )
    ];
  }

  // Where something was added one goes on in it; where something is gone, in what took its place.
  #add(name, i, add) {
    this.#open.add(name + i);
    add();
    this.draw();
    this.#head(name, i)?.parentElement.querySelector(".edit input, .edit select")?.focus();
  }

  #remove(name, list, i) {
    const open = new Set(
      [...this.#open]
        .filter((key) => key !== name + i)
        .map((key) => {
          const at = key.startsWith(name) ? Number(key.slice(name.length)) : NaN;
          return at > i ? name + (at - 1) : key;
        })
    );
    this.#open = open;
    this.#model.change(() => list.splice(i, 1));
    this.draw();
    (
      this.#head(name, Math.min(i, list.length - 1)) ??
      document.querySelector(`[data-add="${name}"]`) ??
      document.getElementById("part-" + name)
    )?.focus();
  }

  #head(name, i) {
    return document.querySelector(`[data-focus="${name}${i}"]`);
  }

  // A link rule is tried on a pasted document, or one that was dropped.
  #tryOut(rule) {
    const result = el("ul", { class: "roots", role: "status" });
    const ask = async () => {
      const answer = await this.#post("try-rule", { rule: JSON.stringify(rule), text: this.#pasted });
      const rows = answer
        ? [
            ...answer.faults.map((fault) => el("li", { class: "wrongly" }, fault)),
            ...answer.links.map((link) => el("li", { class: "name" }, link))
          ]
        : [];
      result.replaceChildren(...(rows.length ? rows : [el("li", { class: "soft" }, say("js-plan.finds-nothing"))]));
    };
    const area = el("textarea", {
      class: "field name",
      rows: 4,
      "aria-label": say("js-plan.try-on"),
      placeholder: say("js-plan.paste"),
      oninput: (event) => {
        this.#pasted = event.target.value;
        ask();
      },
      ondrop: async (event) => {
        if (!event.dataTransfer.files.length) return;
        event.preventDefault();
        this.#pasted = (await event.dataTransfer.files[0].text()).slice(0, 1 << 20);
        area.value = this.#pasted;
        ask();
      }
    });
    area.value = this.#pasted;
    if (this.#pasted) ask();
    return [el("span", { class: "soft" }, say("js-plan.try")), el("div", {}, area, result)];
  }

  // Fields of one object of the document. Those of a part that is not there yet write into a copy, and the part
  // comes to be with the first of them.
  #grid(key, specs) {
    const model = this.#model;
    const object = model.doc[key] ?? {};
    const writing = specs.map((spec) => ({
      ...spec,
      set: (target, value) => {
        model.doc[key] = object;
        if (spec.set) spec.set(object, value);
        else put(object, spec.key, value);
        if (!Object.keys(object).length) delete model.doc[key];
      }
    }));
    return el("div", { class: "edit" }, fields(model, writing, object, "/" + key));
  }

  #names() {
    this.#fill("names", "/names", "names", () => [
      this.#grid("names", [
        {
          key: "spaces",
          label: say("js-plan.spaces"),
          kind: "choice",
          choices: ["allow", "forbid"].map(option("spaces")),
          otherwise: "allow"
        },
        {
          key: "letters",
          label: say("js-plan.letters"),
          kind: "choice",
          choices: ["any", "lower", "upper"].map(option("letters")),
          otherwise: "any"
        },
        { key: "maxLength", label: say("js-plan.longest-name"), kind: "number", placeholder: say("js-plan.no-limit") },
        { key: "avoid", label: say("js-plan.avoid"), kind: "words", placeholder: say("js-plan.avoid-like") },
        { key: "avoidWholeWords", label: "", kind: "flag", says: say("js-plan.avoid-whole") },
        { key: "ascii", label: "", kind: "flag", says: say("js-plan.ascii") },
        {
          key: "portable",
          label: "",
          kind: "flag",
          says: say("js-plan.portable"),
          get: (rules) => rules.portable !== false,
          set: (rules, value) => {
            if (value) delete rules.portable;
            else rules.portable = false;
          }
        }
      ]),
      this.#told("/names")
    ]);
  }

  #links() {
    const grade = (key) => ({
      key,
      label: say("js-plan.links-" + key),
      kind: "choice",
      choices: grades(),
      otherwise: ""
    });
    this.#fill("links", "/links", "links", () => [
      this.#grid("links", ["absolute", "outside", "missing", "remote"].map(grade)),
      el("h3", {}, say("js-plan.custom")),
      ...this.#rows("custom", this.#model.doc.links?.custom ?? [], "/links/custom", () =>
        this.#model.change((doc) =>
          ((doc.links ??= {}).custom ??= []).push({
            files: "**/*.scn",
            pattern: 'path="(?<link>[^"]+)"',
            base: "document"
          })
        )
      )
    ]);
  }

  #location() {
    this.#fill("location", "/location", "location", () => [
      this.#grid("location", [
        {
          key: "storage",
          label: say("js-plan.storage"),
          kind: "several",
          choices: ["local", "removable", "network", "synced", "home"].map(option("storage"))
        },
        {
          key: "avoid",
          label: say("js-plan.keep-away"),
          kind: "several",
          choices: ["desktop", "downloads", "temporary", "synced", "documents", "system"].map(option("place"))
        },
        {
          key: "maxRootLength",
          label: say("js-plan.longest-root"),
          kind: "number",
          placeholder: say("js-plan.no-limit")
        }
      ]),
      this.#told("/location")
    ]);
    const machines = [...document.querySelectorAll("#known-machines option")].map((machine) => [
      machine.value,
      machine.textContent
    ]);
    this.#fill("machines", "/machines", "machines", () => [
      el(
        "div",
        { class: "edit" },
        fields(
          this.#model,
          [{ key: "machines", label: say("js-plan.opens-on"), kind: "several", choices: machines }],
          this.#model.doc,
          ""
        )
      ),
      this.#told("/machines")
    ]);
  }

  #rest() {
    const model = this.#model;
    this.#fill("other", "/otherFolders", "otherFolders", () => [
      el(
        "div",
        { class: "edit" },
        fields(
          model,
          [
            {
              key: "otherFolders",
              label: say("js-plan.other-folders"),
              kind: "choice",
              choices: ["allow", "note", "forbid"].map(option("other")),
              otherwise: "note"
            }
          ],
          model.doc,
          ""
        )
      )
    ]);
    this.#fill("limits", "/limits", "limits", () => [
      this.#grid(
        "limits",
        ["totalBytes", "fileBytes"].map((key) => ({
          key,
          label: say("js-plan.limits-" + key),
          kind: "number",
          step: "any",
          placeholder: say("js-plan.no-limit"),
          ...megabytes(key)
        }))
      ),
      el("h3", {}, say("js-plan.per")),
      ...this.#rows("per", model.doc.limits?.per ?? [], "/limits/per", () =>
        model.change((doc) => ((doc.limits ??= {}).per ??= []).push({ types: [] }))
      ),
      this.#told("/limits")
    ]);
    this.#fill("ignore", "/ignore", "ignore", () => [
      el(
        "div",
        { class: "edit" },
        fields(
          model,
          [{ key: "ignore", label: say("js-plan.ignore"), kind: "words", placeholder: "**/*.tmp" }],
          model.doc,
          ""
        )
      ),
      this.#told("/ignore")
    ]);
    this.#fill("points", "/points", "points", () => [
      this.#grid(
        "points",
        POINTS.map((key) => ({
          key,
          label: say("js-plan.points-" + key),
          kind: "number",
          set: (points, value) => {
            put(points, key, value);
            put(points, "total", POINTS.reduce((sum, each) => sum + (points[each] ?? 0), 0) || undefined);
          }
        }))
      ),
      el("p", { class: "soft mb-1" }, say("js-plan.points-in-all", model.doc.points?.total ?? 0)),
      ...(model.doc.points
        ? [
            el("h3", {}, say("js-plan.points-off")),
            this.#grid(
              "points",
              Object.entries(OFF).map(([key, usual]) => ({
                key,
                at: "off/" + key,
                label: say("js-plan.points-off-" + key),
                kind: "number",
                step: 0.25,
                placeholder: String(usual),
                get: (points) => points.off?.[key],
                set: (points, value) => {
                  const off = { ...points.off };
                  if (value === undefined) delete off[key];
                  else off[key] = value;
                  if (Object.keys(off).length) points.off = off;
                  else delete points.off;
                }
              }))
            ),
            this.#trial.node
          ]
        : []),
      this.#told("/points")
    ]);
    this.#trial.follow();
    this.#severities();
  }

  #severities() {
    const codes = [...document.querySelectorAll("#known-codes option")];
    const titles = new Map(codes.map((code) => [code.value, code.textContent]));
    const set = (code, grade) =>
      this.#model.change((doc) => {
        const all = { ...doc.severities };
        put(all, code, grade);
        put(doc, "severities", Object.keys(all).length ? all : undefined);
      });
    this.#fill("severities", "/severities", "severities", () => {
      const held = this.#model.doc.severities ?? {};
      const rows = Object.keys(held).map((code) => [
        el("span", {}, titles.get(code) ?? code),
        el(
          "span",
          { class: "tools" },
          pick(
            {
              class: "field bare short",
              "aria-label": say("js-plan.weighs", titles.get(code) ?? code),
              "data-at": "/severities/" + code
            },
            held[code],
            (grade) => set(code, grade),
            grades()
          )
        )
      ]);
      const more = pick(
        { class: "field bare", "aria-label": say("js-plan.another-finding") },
        "",
        (code) => code && set(code, "note"),
        [
          ["", say("js-plan.another-finding")],
          ...codes
            .filter((code) => !code.disabled && held[code.value] === undefined)
            .map((code) => [code.value, code.textContent])
        ]
      );
      return [
        el("div", { class: "edit wide" }, rows.flat(), el("span", {}, more), el("span", {})),
        this.#told("/severities")
      ];
    });
  }
}
