// What the timelines of a document have to be like.
import { say } from "../words.js";
import { el } from "./fields.js";
import { grouped } from "./grouped.js";

const tracks = (kind) => [
  [kind + "/atLeast", "count"],
  [kind + "/atMost", "count"],
  [kind + "/names", "words", kind === "video" ? "Pictures, Titles" : "Voice, Music"]
];

const GROUPS = [
  ["video", tracks("video")],
  ["sound", tracks("sound")],
  [
    "time",
    [
      ["frameRate", "number", "25"],
      ["minSeconds", "number"],
      ["maxSeconds", "number"],
      ["startsAt", "text", "01:00:00:00"]
    ]
  ],
  [
    "cuts",
    [
      ["minClipFrames", "whole", "3"],
      ["maxGapFrames", "count", "0"],
      ["offline", "choice", ["timeline-offline", ["note", "forbid"]]],
      ["name", "text", "{last}_A2"]
    ]
  ]
];

/** @returns the label and the control of one field of a document rule */
export const timing = (model, rule, at) => {
  const held = rule.timeline;
  return [
    el("span", { class: "soft brief-name" }, say("js-plan.timeline")),
    el(
      "div",
      { class: "brief" },
      el(
        "details",
        { open: Boolean(held) },
        el("summary", {}, say(held ? "js-plan.media-asked" : "js-plan.media-ask")),
        grouped(model, rule, "timeline", GROUPS, at, true),
        held
          ? el(
              "div",
              { class: "brief-keep" },
              el(
                "button",
                {
                  type: "button",
                  class: "act quiet small",
                  onclick: () =>
                    model.change(() => {
                      delete rule.timeline;
                    })
                },
                say("js-plan.media-none")
              )
            )
          : null
      )
    )
  ];
};
