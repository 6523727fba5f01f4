// The plan's page: reads the document from the form, draws its parts, judges it while it is changed, keeps and
// publishes it.
import { say } from "../words.js";
import { Bands } from "./bands.js";
import { el } from "./fields.js";
import { enable, held } from "./held.js";
import { Material } from "./material.js";
import { mergePlans } from "./merge.js";
import { PlanModel } from "./model.js";
import { Parts } from "./parts.js";
import { Workshop } from "./workshop.js";

const byId = (id) => document.getElementById(id);

const begin = (page, parsed) => {
  const token = document.querySelector("meta[name=_csrf]").content;
  const told = byId("told");
  const state = byId("plan-state");
  let revision = Number(page.dataset.revision);
  let version = Number(page.dataset.version);
  const model = new PlanModel(parsed);
  let kept = page.dataset.changed === "true" ? "" : model.text();
  let saved = model.text();
  let base = saved;
  let faults = [];

  const request = async (path, body, type) => {
    const answer = await fetch(page.dataset.to + "/" + path, {
      method: "POST",
      body,
      headers: { "Content-Type": type, "X-CSRF-TOKEN": token }
    }).catch(() => null);
    return answer?.ok ? answer.json() : null;
  };
  const post = (path, value) => request(path, JSON.stringify(value), "application/json");
  const send = (path, file) => request(path, file, "application/octet-stream");
  const sent = () => ({ document: model.text(), revision, version });

  const bands = new Bands(model, byId("bands"), post);
  const parts = new Parts(model, post);
  const workshop = new Workshop(byId("workshop"), post, model);
  const title = byId("title");
  const root = byId("root");
  const view = { model, post, send, look: () => look() };
  new Material(view);

  const keepingFocus = (drawAll, moved) => held(document.activeElement, moved, drawAll);

  // What is being pressed is not drawn anew before the press is over: the click would be lost.
  let pressed = false;
  let drawing = false;
  let due = null;
  const drawDue = () => {
    if (!due || pressed || drawing) return;
    const next = due;
    due = null;
    next();
  };
  // A drag ends the pointer's press as far as the browser is concerned, and is one until it is dropped.
  let dragged = false;
  window.addEventListener(
    "pointerdown",
    () => {
      pressed = true;
    },
    true
  );
  window.addEventListener(
    "dragstart",
    () => {
      pressed = dragged = true;
    },
    true
  );
  ["pointerup", "pointercancel", "dragend", "drop"].forEach((end) =>
    window.addEventListener(
      end,
      () =>
        setTimeout(() => {
          if (end === "dragend" || end === "drop") dragged = false;
          pressed = dragged;
          drawDue();
        }),
      true
    )
  );

  // A field says that it changed while the focus is on its way to the next one: all is drawn when it has come there.
  let hint;
  const draw = (moved) => {
    hint = moved ?? hint;
    due = () => {
      const to = hint;
      hint = undefined;
      drawing = true;
      try {
        drawNow(to);
      } finally {
        drawing = false;
      }
      drawDue();
    };
    if (["change", "focusout"].includes(window.event?.type)) setTimeout(drawDue);
    else drawDue();
  };

  const drawNow = (moved) =>
    keepingFocus(() => {
      if (document.activeElement !== title) title.value = model.doc.title ?? "";
      if (document.activeElement !== root) root.value = model.doc.root?.name ?? "";
      bands.draw(faults);
      parts.draw(faults);
      const own = (at) => faults.filter((fault) => fault.at === at || fault.at.startsWith(at + "/"));
      mark("title-fault", title, own("/title"));
      mark("root-fault", root, own("/root"));
      intoChoices();
      buttons();
      workshop.follow(model.doc.root?.name ?? "");
      byId("begin").hidden = ["folders", "documents", "files", "starter"].some((key) => model.doc[key]?.length);
    }, moved);

  const mark = (id, field, own) => {
    field.classList.toggle(
      "wrong",
      own.some((fault) => fault.severity === "must")
    );
    byId(id).replaceChildren(
      ...own.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message))
    );
  };

  const intoChoices = () => {
    const into = byId("starter-into");
    const held = into.value;
    const paths = model
      .folders()
      .map((folder) => folder.path)
      .filter((path) => !path.includes("{"));
    if (
      [...into.options]
        .slice(1)
        .map((option) => option.value)
        .join("\n") === paths.join("\n") &&
      into.options.length
    )
      return;
    into.replaceChildren(
      el("option", { value: "" }, say("js-plan.project-folder")),
      ...paths.map((path) => el("option", { value: path }, path))
    );
    into.value = held;
  };

  const buttons = () => {
    const text = model.text();
    const changed = text !== saved;
    enable(byId("undo"), model.past.length > 0);
    enable(byId("redo"), model.future.length > 0);
    enable(byId("save"), changed);
    enable(byId("publish"), text !== kept);
    byId("publish").textContent = say("js-plan.publish-as", version + 1);
    const must = faults.filter((fault) => fault.severity === "must").length;
    state.textContent = [
      version ? say("js-plan.is-out", version) : say("js-plan.nothing-out"),
      changed ? say("js-plan.not-saved") : text === kept ? "" : say("js-plan.saved"),
      must ? say("js-plan.against", must) : ""
    ]
      .filter(Boolean)
      .join(" ");
  };

  let waiting;
  let judging = 0;
  const judge = async () => {
    const asked = ++judging;
    const answer = await post("judge", sent());
    if (asked !== judging) return;
    // What could not be asked is asked again: a plan that shows no fault must not be one that nobody looked at.
    if (!answer) {
      waiting = setTimeout(judge, 2000);
      return;
    }
    faults = answer.faults;
    elsewhere();
    if (isTyping()) late = true;
    else draw();
  };
  const look = () => {
    clearTimeout(waiting);
    waiting = setTimeout(judge, 250);
  };

  // A field in the middle of a word is let alone: drawn anew, it would give what is typed so far as its value.
  let late = false;
  const isTyping = () =>
    document.activeElement?.closest("[data-waits]") ||
    (document.activeElement?.matches("#plan input:not([type=radio]):not([type=checkbox]), #plan textarea") &&
      document.activeElement.value !== document.activeElement.defaultValue);
  page.addEventListener("focusout", () =>
    setTimeout(() => {
      if (!late || isTyping()) return;
      late = false;
      draw();
    })
  );

  // Faults of no band, field or list that shows them.
  const elsewhere = () => {
    const shown = [
      "/folders/",
      "/documents/",
      "/files/",
      "/companions/",
      "/steps/",
      "/starter/",
      "/names",
      "/links/custom/",
      "/location",
      "/machines",
      "/limits",
      "/points",
      "/severities",
      "/title",
      "/root"
    ];
    byId("plan-faults").replaceChildren(
      ...faults
        .filter((fault) => !shown.some((at) => fault.at.startsWith(at)))
        .map((fault) =>
          el(
            "p",
            { class: "wrongly " + fault.severity, role: "status" },
            (fault.at ? fault.at + ": " : "") + fault.message
          )
        )
    );
  };

  const notice = (...nodes) => {
    told.hidden = !nodes.length;
    told.replaceChildren(...nodes);
  };

  const meanwhile = (answer, again) => {
    const theirs = JSON.parse(answer.theirs);
    const settle = (document) => {
      revision = answer.revision;
      base = JSON.stringify(theirs, null, 2);
      saved = base;
      if (document) model.replace(document);
      notice();
      buttons();
      if (document !== theirs) again();
    };
    notice(
      el("p", {}, el("b", {}, say("js-plan.meanwhile", answer.by)), " ", say("js-plan.nothing-lost")),
      el(
        "ul",
        {},
        (answer.others.length ? answer.others : [say("js-plan.no-words")]).map((text) => el("li", {}, text))
      ),
      el(
        "p",
        { class: "tools mb-0" },
        el(
          "button",
          {
            type: "button",
            class: "act small",
            onclick: () => settle(mergePlans(JSON.parse(base), theirs, model.doc))
          },
          say("js-plan.put-together")
        ),
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => settle(theirs) },
          say("js-plan.take-theirs")
        ),
        el(
          "button",
          { type: "button", class: "act quiet small", onclick: () => settle(null) },
          say("js-plan.keep-mine")
        )
      )
    );
  };

  const keep = async (path, done) => {
    document.activeElement?.blur?.();
    const text = model.text();
    const answer = await post(path, sent());
    if (!answer) {
      notice(el("p", { class: "must mb-0" }, say("js-plan.not-sent")));
      return;
    }
    if (answer.theirs) {
      meanwhile(answer, () => keep(path, done));
      return;
    }
    if (answer.revision !== revision) {
      revision = answer.revision;
      saved = text;
      base = text;
    }
    if (path === "publish" || answer.faults.length) faults = answer.faults;
    elsewhere();
    if (answer.good) done(answer, text);
    else
      notice(
        el(
          "p",
          { class: "mb-0" },
          el("b", { class: "must" }, say(path === "publish" ? "js-plan.not-published" : "js-plan.was-not-saved")),
          " ",
          faults.length ? say("js-plan.marked") : ""
        ),
        el(
          "ul",
          { class: "mb-0" },
          faults
            .filter((fault) => fault.severity === "must")
            .map((fault) => el("li", {}, fault.message, " ", el("span", { class: "soft" }, fault.remedy)))
        )
      );
    draw();
  };

  const save = () => keep("save", () => notice());
  const publish = () =>
    keep("publish", (answer, text) => {
      version = answer.version;
      kept = text;
      notice(el("p", { class: "mb-0" }, say("js-plan.published", version)));
    });

  title.addEventListener("change", () =>
    model.change((doc) => {
      doc.title = title.value;
    })
  );
  root.addEventListener("input", () => {
    workshop.source.value = root.value;
    workshop.soon();
  });
  root.addEventListener("change", () =>
    model.change((doc) => {
      doc.root = { name: root.value.trim() };
    })
  );
  workshop.source.addEventListener("change", () =>
    model.change((doc) => {
      doc.root = { name: workshop.source.value.trim() };
    })
  );
  byId("add-folder").addEventListener("click", () => bands.add());
  Object.entries({ undo: () => model.undo(), redo: () => model.redo(), save, publish }).forEach(([id, act]) =>
    byId(id).addEventListener("click", (event) => {
      if (event.currentTarget.getAttribute("aria-disabled") !== "true") act();
    })
  );
  window.addEventListener("keydown", (event) => {
    if (!(event.ctrlKey || event.metaKey)) {
      if (event.key === "?" && !event.target.matches("input, textarea, select"))
        byId("plan-keys").toggleAttribute("hidden");
      if (event.key === "Escape") byId("plan-keys").hidden = true;
      return;
    }
    const key = event.key.toLowerCase();
    const inField =
      event.target.matches("input:not([type=radio]):not([type=checkbox]), textarea") &&
      event.target.value !== event.target.defaultValue;
    if (key === "s") {
      event.preventDefault();
      save();
    }
    if (key === "z" && !inField) {
      event.preventDefault();
      if (event.shiftKey) model.redo();
      else model.undo();
    }
    if (key === "y" && !inField) {
      event.preventDefault();
      model.redo();
    }
  });
  window.addEventListener("beforeunload", (event) => {
    if (model.text() !== saved) event.preventDefault();
  });
  model.listen((moved) => {
    draw(moved);
    look();
  });

  page.classList.add("alive");
  byId("plain").hidden = true;
  draw();
  look();
};

const page = byId("plan");
let parsed = null;
try {
  parsed = JSON.parse(byId("document").value);
} catch {
  /* What is no document is edited as text. */
}
if (page && parsed) begin(page, parsed);
