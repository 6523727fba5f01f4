// The pattern workshop: what the root's pattern, or any other, makes for everybody, and where a name differs from it.
(() => {
  const { el } = satchel.fields;

  // A name with the place of the first difference marked in it.
  const marked = (name, at) => {
    const points = [...name];
    const here = points[at] ?? "";
    return el("span", { class: "name" }, points.slice(0, at).join(""), el("mark", { class: "here" }, here === "" ? "⎵" : here), points.slice(at + 1).join(""));
  };

  satchel.Workshop = class {
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
      const answer = await this.post("workshop", { pattern: this.source.value, ascii: this.model.doc.names?.ascii === true, name: this.tried.value, student: Number(this.student.value || 0) });
      if (answer && asked === this.asked) this.show(answer);
    }

    show(answer) {
      if (answer.fault) {
        this.told.replaceChildren(el("p", { class: "wrongly", role: "status" }, answer.fault), marked(this.source.value, answer.faultAt));
        return;
      }
      this.told.replaceChildren(...answer.clashes.map((clash) => el("p", { class: "wrongly", role: "status" }, clash)));
      const students = this.student.value;
      this.student.replaceChildren(el("option", { value: "0" }, "for whoever it comes nearest to"), ...answer.names.map((made) => el("option", { value: made.student }, made.listed)));
      if (students) this.student.value = students;
      this.result.replaceChildren(this.test(answer), el("p", { class: "soft mb-1" }, "the longest has " + answer.longest + " characters; " + answer.systems.join(", ")),
        el("ul", { class: "roots" }, answer.names.map((made) => el("li", {}, made.made ? el("span", { class: "name" }, made.made) : el("span", { class: "must" }, "◆ " + made.listed), " ", el("span", { class: "soft" }, made.remarks.join(", "))))));
    }

    test(answer) {
      if (!answer.tried) return el("span", {});
      if (answer.tried.fits) return el("p", { class: "ready", role: "status" }, "This name is right" + (answer.tried.whose ? " for " + answer.tried.whose + "." : "."));
      const name = this.tried.value;
      return el("p", { role: "status" }, marked(name, answer.tried.at), el("br"), "There should be " + answer.tried.expected + ". ", answer.tried.nearest ? el("span", {}, "The nearest right name is ", el("span", { class: "name proposal" }, answer.tried.nearest)) : null,
        answer.tried.whose ? el("span", { class: "soft" }, " (for " + answer.tried.whose + ")") : null);
    }
  };
})();
