// Fields of the plan as they stand on the page: each shows one key of an object and writes it back as one step.
import { say } from "../words.js";

let ids = 0;

export const el = (tag, attributes = {}, ...children) => {
  const node = ["svg", "line", "path", "circle", "text"].includes(tag)
    ? document.createElementNS("http://www.w3.org/2000/svg", tag)
    : document.createElement(tag);
  Object.entries(attributes).forEach(([key, value]) => {
    if (key.startsWith("on")) node.addEventListener(key.slice(2), value);
    else if (value === true) node.setAttribute(key, "");
    else if (value !== false && value !== undefined && value !== null) node.setAttribute(key, value);
  });
  node.append(...children.flat().filter((child) => child !== undefined && child !== null && child !== false));
  return node;
};

// What the server knows and the page offers: [word, what it says].
export const known = (what) =>
  [...document.querySelectorAll(`#known-${what} option`)].map((option) => [option.value, option.textContent]);

export const split = (text) => [
  ...new Set(
    text
      .split(/[\s,;]+/)
      .map((type) => type.replace(/^\./, "").toLowerCase())
      .filter(Boolean)
  )
];

export const put = (object, key, value) => {
  const empty =
    value === "" ||
    value === undefined ||
    value === null ||
    (Array.isArray(value) && value.length === 0) ||
    value === false;
  if (empty && object[key] !== undefined) delete object[key];
  else if (!empty) object[key] = value;
};

// Arrows walk through a choice and decide nothing: Enter, the space bar or leaving it does, Escape goes back to what
// was. A click decides at once.
export const choosing = (node, held, show, commit) => {
  let walking = false;
  let waits;
  const decide = () => {
    if (waits === undefined) return;
    const chosen = waits;
    waits = undefined;
    node.removeAttribute("data-waits");
    if (chosen !== held) commit(chosen);
  };
  node.addEventListener("keydown", (event) => {
    if (event.key === "Escape" && waits !== undefined) {
      event.stopPropagation();
      waits = undefined;
      node.removeAttribute("data-waits");
      show(held);
    } else if (event.key === "Enter" || event.key === " ") decide();
    walking = !["Enter", " ", "Tab"].includes(event.key);
  });
  node.addEventListener("pointerdown", () => {
    walking = false;
  });
  node.addEventListener("change", (event) => {
    waits = event.target.value;
    if (walking) node.setAttribute("data-waits", "");
    else decide();
  });
  node.addEventListener("focusout", (event) => {
    if (!node.contains(event.relatedTarget)) decide();
  });
  return node;
};

// A choice that folds; its options are [word, what it says].
export const pick = (attributes, held, set, options) => {
  const select = el(
    "select",
    attributes,
    options.map(([word, says]) => el("option", { value: word, selected: word === held }, says))
  );
  return choosing(
    select,
    held,
    (word) => {
      select.value = word;
    },
    set
  );
};

// One labelled field. `get` and `set` reach the value; `set` is one step of the model.
const makers = {
  text: (field, value, set, id) =>
    el("input", {
      id,
      class: "field bare" + (field.mono ? " name" : ""),
      value: value ?? "",
      placeholder: field.placeholder,
      spellcheck: field.mono ? "false" : "true",
      onchange: (event) => set(event.target.value.trim())
    }),
  number: (field, value, set, id) =>
    el("input", {
      id,
      class: "field bare short",
      type: "number",
      min: field.min ?? 0,
      step: field.step ?? 1,
      value: value ?? "",
      placeholder: field.placeholder,
      onchange: (event) => set(event.target.value === "" ? undefined : Number(event.target.value))
    }),
  flag: (field, value, set, id) =>
    el(
      "span",
      {},
      el("input", { id, type: "checkbox", checked: value === true, onchange: (event) => set(event.target.checked) }),
      " ",
      el("label", { for: id }, field.says)
    ),
  choice: (field, value, set, id) => {
    const held = value ?? field.otherwise;
    const all = el(
      "fieldset",
      { class: "choices mb-0" },
      el("legend", { class: "visually-hidden" }, field.label),
      field.choices.map(([word, says]) =>
        el(
          "label",
          {},
          el("input", { type: "radio", name: id, value: word, checked: held === word }),
          el("span", {}, says ?? word)
        )
      )
    );
    return choosing(
      all,
      held,
      (word) => {
        const radio = [...all.querySelectorAll("input")].find((one) => one.value === word);
        if (radio) {
          radio.checked = true;
          radio.focus();
        }
      },
      set
    );
  },
  select: (field, value, set, id) => {
    const options = typeof field.options === "function" ? field.options() : field.options;
    const known = options.some(([word]) => word === (value ?? ""));
    return pick({ id, class: "field bare" }, value ?? "", set, [...(known ? [] : [[value, value]]), ...options]);
  },
  several: (field, value, set) =>
    el(
      "fieldset",
      { class: "choices mb-0" },
      el("legend", { class: "visually-hidden" }, field.label),
      field.choices.map(([word, says]) =>
        el(
          "label",
          {},
          el("input", {
            type: "checkbox",
            value: word,
            checked: (value ?? []).includes(word),
            onchange: (event) => {
              const held = new Set(value ?? []);
              if (event.target.checked) held.add(word);
              else held.delete(word);
              set(field.choices.map(([each]) => each).filter((each) => held.has(each)));
            }
          }),
          el("span", {}, says ?? word)
        )
      )
    ),
  words: (field, value, set, id) =>
    el("input", {
      id,
      class: "field bare name",
      value: (value ?? []).join(", "),
      placeholder: field.placeholder,
      spellcheck: "false",
      onchange: (event) =>
        set(
          event.target.value
            .split(",")
            .map((word) => word.trim())
            .filter(Boolean)
        )
    }),
  types: (field, value, set, id) =>
    el(
      "div",
      {},
      el("input", {
        id,
        class: "field bare name",
        value: (value ?? []).join(" "),
        placeholder: field.placeholder ?? say("js-plan.anything"),
        spellcheck: "false",
        onchange: (event) => set(split(event.target.value))
      }),
      el(
        "div",
        { class: "groups" },
        known("families").map(([endings, name]) => {
          const types = endings.split(" ");
          const all = types.every((type) => (value ?? []).includes(type));
          return el(
            "button",
            {
              type: "button",
              class: "chip",
              "aria-pressed": String(all),
              onclick: () =>
                set(
                  all
                    ? (value ?? []).filter((type) => !types.includes(type))
                    : [...new Set([...(value ?? []), ...types])]
                )
            },
            name
          );
        })
      )
    )
};

// All fields of an object as label and control, in two columns.
export const fields = (model, specs, object, at) =>
  specs
    .filter((spec) => !spec.when || spec.when(object))
    .flatMap((spec) => {
      const id = "f" + ++ids;
      const set = (value) => model.change(() => (spec.set ? spec.set(object, value) : put(object, spec.key, value)));
      const value = spec.get ? spec.get(object) : object[spec.key];
      const control = makers[spec.kind](spec, value, set, id);
      control.dataset.at = at + "/" + (spec.at ?? spec.key);
      return [
        ["flag", "choice", "several"].includes(spec.kind)
          ? el("span", { class: "soft" }, spec.kind === "flag" ? "" : spec.label)
          : el("label", { for: id }, spec.label),
        control
      ];
    });
