// Many small fields of one part of a rule, in groups with a name each. What nobody fills in is not in the plan.
import { say } from "../words.js";
import { el, pick, put } from "./fields.js";

let ids = 0;

const choices = (word, list) => ["", ...list].map((one) => [one, say("js-plan." + word + "-" + (one || "any"))]);
const number = (text) =>
  text.trim() === "" || Number.isNaN(Number(text.replace(",", "."))) ? undefined : Number(text.replace(",", "."));
const list = (text) => {
  const words = text
    .split(",")
    .map((word) => word.trim())
    .filter(Boolean);
  return words.length ? words : undefined;
};

// A number on each side; one that is missing yet is held until both are there.
const band = (id, value, set, example, label, data) => {
  const places = example.split("|");
  const sides = [0, 1].map((i) =>
    el("input", {
      id: i ? id + "b" : id,
      class: "field bare tiny",
      inputmode: "decimal",
      value: value?.[i] ?? "",
      placeholder: places[i],
      "aria-label": label + ", " + say(i ? "js-plan.to" : "js-plan.from"),
      "data-at": data
    })
  );
  const changed = () => {
    const pair = sides.map((side) => number(side.value));
    if (pair.every((one) => one === undefined)) set(undefined);
    else if (pair.every((one) => one !== undefined)) set(pair);
  };
  sides.forEach((side) => side.addEventListener("change", changed));
  return el("span", { class: "brief-pair" }, sides[0], el("span", { class: "soft" }, say("js-plan.to")), sides[1]);
};

const control = (kind, id, value, set, more, label, data) => {
  const input = (attributes, read) =>
    el("input", {
      id,
      class: "field bare tiny",
      value: value ?? "",
      placeholder: more ? say("js-plan.like", more) : say("js-plan.any"),
      spellcheck: "false",
      "data-at": data,
      ...attributes,
      onchange: (event) => set(read(event.target.value))
    });
  if (kind === "band") return band(id, value, set, more, label, data);
  if (kind === "flag")
    return el("input", {
      id,
      type: "checkbox",
      checked: value === true,
      "data-at": data,
      onchange: (event) => set(event.target.checked || undefined)
    });
  if (kind === "yes")
    return pick(
      { id, class: "field bare tiny", "data-at": data },
      value === undefined ? "" : String(value),
      (word) => set(word === "" ? undefined : word === "true"),
      choices(more, ["true", "false"])
    );
  if (kind === "choice")
    return pick(
      { id, class: "field bare tiny", "data-at": data },
      value ?? "",
      (word) => set(word || undefined),
      choices(...more)
    );
  if (kind === "words") return input({ value: [value ?? []].flat().join(", "), class: "field bare wide" }, list);
  if (kind === "text") return input({}, (text) => text.trim() || undefined);
  return input(
    { type: "number", min: kind === "count" || kind === "number" ? 0 : 1, step: kind === "number" ? "any" : 1 },
    number
  );
};

// A value by its way through the part, and the part with another one there; parts that hold nothing go.
const reach = (part, way) => way.split("/").reduce((held, key) => held?.[key], part);
const changed = (part, [key, ...rest], value) => {
  const next = { ...part };
  const inner = rest.length ? changed(next[key], rest, value) : value;
  if (inner === undefined || (rest.length && !Object.keys(inner).length)) delete next[key];
  else next[key] = inner;
  return next;
};

/**
 * @param key of the part in the rule; its groups are [name, fields], a field [way, kind, example or choices]
 * @param keep whether a part with nothing in it stays
 */
export const grouped = (model, rule, key, groups, at, keep = false) =>
  groups.map(([group, fields]) =>
    el(
      "fieldset",
      { class: "brief-group" },
      el("legend", {}, say("js-plan." + key + "-group-" + group)),
      el(
        "div",
        { class: "brief-fields" },
        fields.map(([way, kind, more]) => {
          const id = "m" + ++ids;
          const label = say("js-plan." + key + "-" + way.replace("/", "-"));
          const set = (value) =>
            model.change(() => {
              const next = changed(rule[key], way.split("/"), value);
              if (keep || Object.keys(next).length) rule[key] = next;
              else put(rule, key, undefined);
            });
          return el(
            "span",
            { class: "brief-field" + (kind === "words" ? " long" : "") },
            el("label", { for: id }, label),
            control(kind, id, reach(rule[key], way), set, more, label, at + "/" + key + "/" + way)
          );
        })
      )
    )
  );
