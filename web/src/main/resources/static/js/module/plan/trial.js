// A rule of points, tried on what the class handed in: how the points would lie, and whose would change.
import { say } from "../words.js";
import { el } from "./fields.js";

const WIDE = 560;
const STACK = 62;
const PARTS = ["structure", "names", "links", "assets"];
const number = (value) =>
  new Intl.NumberFormat(document.documentElement.lang || "en", { maximumFractionDigits: 2 }).format(value);
const average = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

// How many lie at each place of a scale from 0 to all points, in steps that are wide enough to be seen.
export const bins = (values, of) => {
  const steps = Math.max(1, Math.min(40, of * 2));
  const counts = new Array(steps + 1).fill(0);
  values.forEach((value) => {
    counts[Math.min(steps, Math.max(0, Math.round((value / of) * steps)))] += 1;
  });
  return counts;
};

const drawn = (rows, of) => {
  const then = bins(
    rows.map((row) => row.then),
    of
  );
  const before = rows.filter((row) => row.now !== null && row.nowOf === of).map((row) => row.now);
  const now = before.length ? bins(before, of) : null;
  const most = Math.max(...then, ...(now ?? [0]));
  const step = (WIDE - 40) / then.length;
  const x = (i) => 20 + step * (i + 0.5);
  const bars = (counts, name, y, up) =>
    counts.map(
      (count, i) =>
        count &&
        el("path", {
          class: "points-" + name,
          d: `M${x(i)} ${y}v${(((up ? -1 : 1) * count) / most) * STACK}`,
          "stroke-width": Math.max(3, step - 4)
        })
    );
  const tick = (value) =>
    el(
      "text",
      { x: 20 + step * 0.5 + ((WIDE - 40 - step) * value) / of, y: STACK + 25, "text-anchor": "middle" },
      number(value)
    );
  return el(
    "svg",
    { class: "points-drawn", viewBox: `0 0 ${WIDE} ${STACK * (now ? 2 : 1) + (now ? 44 : 32)}`, "aria-hidden": "true" },
    bars(then, "then", STACK + 8, true),
    el("line", { x1: 20, x2: WIDE - 20, y1: STACK + 9, y2: STACK + 9 }),
    [0, of / 4, of / 2, (of * 3) / 4, of].map(tick),
    now && bars(now, "now", STACK + 34, false)
  );
};

export class Trial {
  // The node stays while the parts around it are drawn anew; what it shows follows the rule.
  constructor(model, post) {
    this.model = model;
    this.post = post;
    this.open = false;
    this.asked = "";
    this.result = el("div", { role: "status" });
    this.node = el(
      "div",
      { class: "points-trial" },
      el(
        "p",
        { class: "mb-2" },
        el(
          "button",
          {
            type: "button",
            class: "act quiet small",
            onclick: () => {
              this.open = true;
              this.asked = "";
              this.follow();
            }
          },
          say("js-plan.points-try")
        )
      ),
      this.result
    );
  }

  async follow() {
    const rule = JSON.stringify(this.model.doc.points);
    if (!this.open || rule === this.asked) return;
    this.asked = rule;
    const answer = await this.post("points", { document: this.model.text() });
    if (rule !== this.asked) return;
    if (!answer) this.asked = "";
    this.result.replaceChildren(
      ...(answer ? this.#shown(answer) : [el("p", { class: "must" }, say("js-plan.not-sent"))])
    );
  }

  #shown({ good, of, unread, rows }) {
    if (!good) return [el("p", { class: "soft" }, say("js-plan.points-faulty"))];
    if (!rows.length) return [el("p", { class: "soft" }, say("js-plan.points-nobody"))];
    const before = rows.filter((row) => row.now !== null && row.nowOf === of).map((row) => row.now);
    const after = number(average(rows.map((row) => row.then)));
    const whole =
      before.length === rows.length
        ? say("js-plan.points-average", rows.length, number(average(before)), after, of)
        : say("js-plan.points-average-new", rows.length, after, of);
    const heads = [
      say("js-plan.points-student"),
      say("js-plan.points-now"),
      say("js-plan.points-then"),
      ...PARTS.map((part) => say("js-plan.points-" + part))
    ];
    const sorted = [...rows].sort((one, other) => one.then - other.then || one.name.localeCompare(other.name));
    return [
      el("p", { class: "mb-1" }, whole, " ", unread ? say("js-plan.points-unread", unread) : ""),
      drawn(rows, of),
      before.length ? el("p", { class: "soft points-legend" }, say("js-plan.points-legend")) : null,
      el(
        "div",
        { class: "table-wrap", tabindex: 0, role: "region", "aria-label": say("js-plan.points-table") },
        el(
          "table",
          { class: "sheet" },
          el("caption", { class: "visually-hidden" }, say("js-plan.points-table")),
          el(
            "thead",
            {},
            el(
              "tr",
              {},
              heads.map((head, i) => el("th", { scope: "col", class: i ? "text-end" : null }, head))
            )
          ),
          el(
            "tbody",
            {},
            sorted.map((row) =>
              el(
                "tr",
                {},
                el(
                  "th",
                  { scope: "row" },
                  row.name,
                  row.given ? el("span", { class: "soft" }, " ", say("js-plan.points-given")) : null
                ),
                el("td", { class: "text-end soft" }, row.now === null ? "–" : number(row.now)),
                el(
                  "td",
                  { class: "text-end" + (row.now !== null && row.now !== row.then ? " changed" : "") },
                  number(row.then)
                ),
                PARTS.map((part) =>
                  el(
                    "td",
                    { class: "text-end" + (row.taken[part] ? "" : " soft") },
                    row.taken[part] ? "−" + number(row.taken[part]) : "–"
                  )
                )
              )
            )
          )
        )
      ),
      el("p", { class: "soft" }, say("js-plan.points-kept"))
    ].filter(Boolean);
  }
}
