// The pattern workshop: what the root's pattern, or any other, makes for everybody, and where a name differs from it.
import { say } from "../words.js";
import { el } from "./fields.js";
import { marked, verdict } from "./preview.js";

// A name with the place of the first difference marked in it.
const shown = (name, at) => {
  const { before, here, after } = marked(name, at);
  return el("span", { class: "name" }, before, el("mark", { class: "here" }, here), after);
};

export class Workshop {
  constructor(place, post, model) {
    this.place = place;
    this.post = post;
    this.model = model;
    this.source = place.querySelector("[data-pattern]");
    this.tried = place.querySelector("[data-try]");
    this.student = place.querySelector("[data-student]");
    this.result = place.querySelector("[data-result]");
    this.told = place.querySelector("[data-told]");
    [this.source, this.tried, this.student].forEach((field) => field.addEventListener("input", () => this.soon()));
  }

  soon() {
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.ask(), 200);
  }

  follow(pattern) {
    if (document.activeElement === this.source) return;
    this.source.value = pattern;
    this.soon();
  }

  async ask() {
    const asked = (this.asked = (this.asked ?? 0) + 1);
    const answer = await this.post("workshop", {
      pattern: this.source.value,
      ascii: this.model.doc.names?.ascii === true,
      name: this.tried.value,
      student: Number(this.student.value || 0)
    });
    if (answer && asked === this.asked) this.show(answer);
  }

  show(answer) {
    if (answer.fault) {
      this.told.replaceChildren(
        el("p", { class: "wrongly", role: "status" }, answer.fault),
        shown(this.source.value, answer.faultAt)
      );
      return;
    }
    this.told.replaceChildren(...answer.clashes.map((clash) => el("p", { class: "wrongly", role: "status" }, clash)));
    const students = this.student.value;
    this.student.replaceChildren(
      el("option", { value: "0" }, say("js-plan.nearest-person")),
      ...answer.names.map((made) => el("option", { value: made.student }, made.listed))
    );
    if (students) this.student.value = students;
    this.result.replaceChildren(
      this.test(answer),
      ...(answer.longest > 0
        ? [el("p", { class: "soft mb-1" }, say("js-plan.longest", answer.longest, answer.systems.join(", ")))]
        : []),
      el(
        "ul",
        { class: "roots" },
        answer.names.map((made) =>
          el(
            "li",
            {},
            made.made ? el("span", { class: "name" }, made.made) : el("span", { class: "must" }, "◆ " + made.listed),
            " ",
            el("span", { class: "soft" }, made.remarks.join(", "))
          )
        )
      )
    );
  }

  test({ tried }) {
    const said = verdict(tried);
    if (!said) return el("span", {});
    if (tried.fits) return el("p", { class: "ready", role: "status" }, say(...said));
    return el(
      "p",
      { role: "status" },
      shown(this.tried.value, tried.at),
      el("br"),
      say(...said),
      " ",
      tried.nearest
        ? el("span", {}, say("js-plan.nearest-name"), " ", el("span", { class: "name proposal" }, tried.nearest))
        : null,
      tried.whose ? el("span", { class: "soft" }, " ", say("js-plan.for", tried.whose)) : null
    );
  }
}
