// The brief of a rule: what its pictures, films and sounds have to be. Grouped as people look at media; a preset fills in several fields at once.
import { say } from "../words.js";
import { el, pick, put } from "./fields.js";

const yesNo = (key) => ["", "true", "false"].map((word) => [word, say("js-plan." + key + "-" + (word || "any"))]);

// What each group asks for: [key, how it is written, its example].
const GROUPS = [
  ["picture", [["width", "whole"], ["height", "whole"], ["aspect", "text", "16:9"], ["multipleOf", "whole", "2"], ["minPixels", "whole"], ["maxPixels", "whole"], ["alpha", "yes"]]],
  ["time", [["frameRate", "number", "25"], ["constantRate", "flag"], ["minSeconds", "number"], ["maxSeconds", "number"]]],
  ["sound", [["sound", "yes"], ["sampleRate", "whole", "48000"], ["channels", "whole", "2"], ["peakDb", "band", "-12|-3"], ["loudness", "band", "-24|-22"]]],
  ["coding", [["codecs", "words", "H.264, AAC"], ["bitDepth", "whole", "24"]]],
];

let ids = 0;
const presets = { known: null };
const known = () => (presets.known ??= [...document.querySelectorAll("#known-presets option")].map((option) => ({ id: Number(option.dataset.id), title: option.textContent, brief: option.value, own: option.dataset.own === "true" })));

const isSame = (held, other) => Boolean(held) && Object.keys(held).length === Object.keys(other).length && Object.keys(held).every((key) => JSON.stringify(held[key]) === JSON.stringify(other[key]));

const number = (text) => (text.trim() === "" || Number.isNaN(Number(text.replace(",", "."))) ? undefined : Number(text.replace(",", ".")));

// A number on each side; one that is missing yet is held until both are there.
const band = (id, value, set, example, label, data) => {
  const [low, high] = example.split("|");
  const side = (i, place) => el("input", { id: i ? id + "b" : id, class: "field bare tiny", inputmode: "decimal", value: value?.[i] ?? "", placeholder: place, "aria-label": label + ", " + say(i ? "js-plan.to" : "js-plan.from"), "data-at": data });
  const from = side(0, low);
  const to = side(1, high);
  const changed = () => {
    const pair = [number(from.value), number(to.value)];
    if (pair.every((one) => one === undefined)) set(undefined);
    else if (pair.every((one) => one !== undefined)) set(pair);
  };
  [from, to].forEach((input) => input.addEventListener("change", changed));
  return el("span", { class: "pair" }, from, el("span", { class: "soft" }, say("js-plan.to")), to);
};

const control = (kind, id, value, set, example, label, data) => {
  const input = (more, read) => el("input", { id, class: "field bare tiny", value: value ?? "", placeholder: example ? say("js-plan.like", example) : say("js-plan.any"), spellcheck: "false", "data-at": data, ...more, onchange: (event) => set(read(event.target.value)) });
  if (kind === "band") return band(id, value, set, example, label, data);
  if (kind === "flag") return el("input", { id, type: "checkbox", checked: value === true, "data-at": data, onchange: (event) => set(event.target.checked || undefined) });
  if (kind === "yes") return pick({ id, class: "field bare tiny", "data-at": data }, value === undefined ? "" : String(value), (word) => set(word === "" ? undefined : word === "true"), yesNo("media-" + (data.endsWith("alpha") ? "alpha" : "sound")));
  if (kind === "words") return input({ value: (value ?? []).join(", "), class: "field bare wide" }, (text) => { const words = text.split(",").map((word) => word.trim()).filter(Boolean); return words.length ? words : undefined; });
  if (kind === "text") return input({}, (text) => text.trim() || undefined);
  return input({ type: "number", min: kind === "whole" ? 1 : 0, step: kind === "whole" ? 1 : "any" }, number);
};

/** @returns the label and the control of one field of a rule; `post` keeps presets. */
export const brief = (model, rule, at, post) => {
  const held = rule.media;
  const change = (key, value) => model.change(() => {
    const media = { ...rule.media };
    if (value === undefined) delete media[key]; else media[key] = value;
    put(rule, "media", Object.keys(media).length ? media : undefined);
  });
  const replace = (media) => model.change(() => put(rule, "media", media));
  const chips = known().map((preset) => el("button", { type: "button", class: "chip", "aria-pressed": String(isSame(held, JSON.parse(preset.brief))), onclick: () => replace(JSON.parse(preset.brief)) }, preset.title));
  const groups = GROUPS.map(([group, list]) => el("fieldset", { class: "brief-group" }, el("legend", {}, say("js-plan.media-group-" + group)), el("div", { class: "brief-fields" }, list.map(([key, kind, example]) => {
    const id = "m" + (++ids);
    const label = say("js-plan.media-" + key);
    return el("span", { class: "brief-field" + (kind === "words" ? " long" : "") }, el("label", { for: id }, label), control(kind, id, held?.[key], (value) => change(key, value), example, label, at + "/media/" + key));
  }))));
  return [el("span", { class: "soft brief-name" }, say("js-plan.media")), el("div", { class: "brief" },
    el("div", { class: "groups" }, el("span", { class: "soft" }, say("js-plan.presets")), chips),
    el("details", { open: Boolean(held) }, el("summary", {}, say(held ? "js-plan.media-asked" : "js-plan.media-ask")), groups, held ? keeping(model, rule, post) : null))];
};

// What is asked for now, kept under a name for everybody here; one's own can be removed again.
const keeping = (model, rule, post) => {
  const told = el("span", { role: "status", class: "soft" });
  const title = el("input", { class: "field bare", maxlength: 60, "aria-label": say("js-plan.preset-name"), placeholder: say("js-plan.preset-name") });
  const answered = (answer, done) => {
    if (!answer) { told.textContent = say("js-plan.not-sent"); return; }
    presets.known = answer.presets;
    told.textContent = answer.refusal || done;
    if (!answer.refusal) model.redraw();
  };
  const own = known().filter((preset) => preset.own);
  return el("div", { class: "brief-keep" }, title,
    el("button", { type: "button", class: "act quiet small", onclick: async () => answered(await post("presets", { title: title.value, brief: JSON.stringify(rule.media) }), say("js-plan.preset-kept")) }, say("js-plan.preset-keep")),
    el("button", { type: "button", class: "act quiet small", onclick: () => model.change(() => { delete rule.media; }) }, say("js-plan.media-none")), told,
    own.length ? el("p", { class: "soft mb-0" }, say("js-plan.preset-own"), " ", own.flatMap((preset) => [" ", el("button", { type: "button", class: "link-like", onclick: async () => answered(await post("presets/remove", { preset: preset.id }), "") }, say("js-plan.preset-remove", preset.title))])) : null);
};
