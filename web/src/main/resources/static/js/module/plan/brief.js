// The brief of a rule: what its pictures, films and sounds have to be. Grouped as people look at media; a preset
// fills in several fields at once.
import { say } from "../words.js";
import { el, put } from "./fields.js";
import { grouped } from "./grouped.js";

// What each group asks for: [key, how it is written, its example].
const GROUPS = [
  [
    "picture",
    [
      ["width", "whole"],
      ["height", "whole"],
      ["aspect", "text", "16:9"],
      ["multipleOf", "whole", "2"],
      ["minPixels", "whole"],
      ["maxPixels", "whole"],
      ["alpha", "yes", "media-alpha"]
    ]
  ],
  [
    "time",
    [
      ["frameRate", "number", "25"],
      ["constantRate", "flag"],
      ["minSeconds", "number"],
      ["maxSeconds", "number"]
    ]
  ],
  [
    "sound",
    [
      ["sound", "yes", "media-sound"],
      ["sampleRate", "whole", "48000"],
      ["channels", "whole", "2"],
      ["peakDb", "band", "-12|-3"],
      ["loudness", "band", "-24|-22"]
    ]
  ],
  [
    "coding",
    [
      ["codecs", "words", "H.264, AAC"],
      ["bitDepth", "whole", "24"]
    ]
  ]
];

const presets = { known: null };
const known = () =>
  (presets.known ??= [...document.querySelectorAll("#known-presets option")].map((option) => ({
    id: Number(option.dataset.id),
    title: option.textContent,
    brief: option.value,
    own: option.dataset.own === "true"
  })));

const isSame = (held, other) =>
  Boolean(held) &&
  Object.keys(held).length === Object.keys(other).length &&
  Object.keys(held).every((key) => JSON.stringify(held[key]) === JSON.stringify(other[key]));

/** @returns the label and the control of one field of a rule; `post` keeps presets. */
export const brief = (model, rule, at, post) => {
  const held = rule.media;
  const replace = (media) => model.change(() => put(rule, "media", media));
  const chips = known().map((preset) =>
    el(
      "button",
      {
        type: "button",
        class: "chip",
        "aria-pressed": String(isSame(held, JSON.parse(preset.brief))),
        onclick: () => replace(JSON.parse(preset.brief))
      },
      preset.title
    )
  );
  return [
    el("span", { class: "soft brief-name" }, say("js-plan.media")),
    el(
      "div",
      { class: "brief" },
      el("div", { class: "groups" }, el("span", { class: "soft" }, say("js-plan.presets")), chips),
      el(
        "details",
        { open: Boolean(held) },
        el("summary", {}, say(held ? "js-plan.media-asked" : "js-plan.media-ask")),
        grouped(model, rule, "media", GROUPS, at),
        held ? keeping(model, rule, post) : null
      )
    )
  ];
};

// What is asked for now, kept under a name for everybody here; one's own can be removed again.
const keeping = (model, rule, post) => {
  const told = el("span", { role: "status", class: "soft" });
  const title = el("input", {
    class: "field bare",
    maxlength: 60,
    "aria-label": say("js-plan.preset-name"),
    placeholder: say("js-plan.preset-name")
  });
  const answered = (answer, done) => {
    if (!answer) {
      told.textContent = say("js-plan.not-sent");
      return;
    }
    presets.known = answer.presets;
    told.textContent = answer.refusal || done;
    if (!answer.refusal) model.redraw();
  };
  const own = known().filter((preset) => preset.own);
  return el(
    "div",
    { class: "brief-keep" },
    title,
    el(
      "button",
      {
        type: "button",
        class: "act quiet small",
        onclick: async () =>
          answered(
            await post("presets", { title: title.value, brief: JSON.stringify(rule.media) }),
            say("js-plan.preset-kept")
          )
      },
      say("js-plan.preset-keep")
    ),
    el(
      "button",
      {
        type: "button",
        class: "act quiet small",
        onclick: () =>
          model.change(() => {
            delete rule.media;
          })
      },
      say("js-plan.media-none")
    ),
    told,
    own.length
      ? el(
          "p",
          { class: "soft mb-0" },
          say("js-plan.preset-own"),
          " ",
          own.flatMap((preset) => [
            " ",
            el(
              "button",
              {
                type: "button",
                class: "link-like",
                onclick: async () => answered(await post("presets/remove", { preset: preset.id }), "")
              },
              say("js-plan.preset-remove", preset.title)
            )
          ])
        )
      : null
  );
};
