// The plan's page: reads the document from the form, draws its parts, judges it while it is changed, keeps and publishes it.
document.addEventListener("DOMContentLoaded", () => {
  const page = document.getElementById("bench");
  if (!page) return;
  const { el } = satchel.fields;
  const source = document.getElementById("document");
  const token = document.querySelector("meta[name=_csrf]").content;
  const told = document.getElementById("told");
  const state = document.getElementById("plan-state");
  let revision = Number(page.dataset.revision);
  let version = Number(page.dataset.version);
  let parsed;
  try { parsed = JSON.parse(source.value); } catch { return; }
  const model = new satchel.PlanModel(parsed);
  let kept = page.dataset.changed === "true" ? "" : model.text();
  let saved = model.text();
  let base = saved;
  let faults = [];

  const request = async (path, body, type) => {
    const answer = await fetch(page.dataset.to + "/" + path, { method: "POST", body, headers: { "Content-Type": type, "X-CSRF-TOKEN": token } }).catch(() => null);
    return answer?.ok ? answer.json() : null;
  };
  const post = (path, value) => request(path, JSON.stringify(value), "application/json");
  const send = (path, file) => request(path, file, "application/octet-stream");
  const sent = () => ({ document: model.text(), revision, version });

  const bag = new satchel.Bag(model, document.getElementById("bands"));
  const parts = new satchel.Parts(model, page, post);
  const workshop = new satchel.Workshop(document.getElementById("workshop"), post, model);
  const title = document.getElementById("title");
  const root = document.getElementById("root");
  const view = { model, post, send, look: () => look() };
  new satchel.Material(view);

  // What is typed in stays in hand while the page is drawn anew.
  const keepingFocus = (draw, moved) => {
    const active = document.activeElement;
    const at = active?.dataset?.at ?? active?.closest?.("[data-at]")?.dataset.at;
    const path = active?.dataset?.path && typeof moved === "string" ? moved : active?.dataset?.path;
    const { value, type, selectionStart, selectionEnd } = active ?? {};
    const typing = active?.matches("input, textarea") && value !== active.defaultValue;
    draw();
    if (document.activeElement !== document.body && document.activeElement?.isConnected) return;
    const holder = at && [...document.querySelectorAll("[data-at]")].find((node) => node.dataset.at === at);
    const again = holder && (["radio", "checkbox"].includes(type) ? [...holder.querySelectorAll("input")].find((input) => input.value === value) ?? holder.querySelector("input") : holder.matches("input, select") ? holder : holder.querySelector("input, button"));
    if (again) again.focus(); else if (path) bag.focus(path);
    if (typeof selectionStart !== "number" || !again?.matches("input")) return;
    if (typing) again.value = value;
    again.setSelectionRange(selectionStart, selectionEnd);
  };

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
  window.addEventListener("pointerdown", () => { pressed = true; }, true);
  ["pointerup", "pointercancel", "dragend", "drop"].forEach((end) => window.addEventListener(end, () => setTimeout(() => {
    pressed = false;
    drawDue();
  }), true));

  const draw = (moved) => {
    // A field that is typed in says that it changed when it goes: what that changes is drawn when this is done.
    due = () => {
      drawing = true;
      try { drawNow(moved); } finally { drawing = false; }
      drawDue();
    };
    drawDue();
  };

  const drawNow = (moved) => keepingFocus(() => {
    if (document.activeElement !== title) title.value = model.doc.title ?? "";
    if (document.activeElement !== root) root.value = model.doc.root?.name ?? "";
    bag.draw(faults);
    parts.draw(faults);
    const own = (at) => faults.filter((fault) => fault.at === at || fault.at.startsWith(at + "/"));
    mark("title-fault", title, own("/title"));
    mark("root-fault", root, own("/root"));
    intoChoices();
    buttons();
    workshop.follow(model.doc.root?.name ?? "");
  }, moved);

  const mark = (id, field, own) => {
    field.classList.toggle("wrong", own.some((fault) => fault.severity === "must"));
    document.getElementById(id).replaceChildren(...own.map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, fault.message)));
  };

  const intoChoices = () => {
    const into = document.getElementById("starter-into");
    const held = into.value;
    into.replaceChildren(el("option", { value: "" }, "the root"), ...model.folders().filter((folder) => !folder.path.includes("{")).map((folder) => el("option", { value: folder.path }, folder.path)));
    into.value = held;
  };

  const buttons = () => {
    const text = model.text();
    const changed = text !== saved;
    document.getElementById("undo").disabled = !model.past.length;
    document.getElementById("redo").disabled = !model.future.length;
    document.getElementById("save").disabled = !changed;
    document.getElementById("publish").disabled = text === kept;
    document.getElementById("publish").textContent = "Publish as v" + (version + 1);
    const must = faults.filter((fault) => fault.severity === "must").length;
    state.textContent = (version ? "v" + version + " is what students collect. " : "Nothing is published yet. ") + (changed ? "Not saved." : text === kept ? "" : "Saved, not published.")
      + (must ? " " + (must === 1 ? "1 thing stands" : must + " things stand") + " against publishing." : "");
  };

  let waiting;
  let judging = 0;
  const judge = async () => {
    const asked = ++judging;
    const answer = await post("judge", sent());
    if (asked !== judging) return;
    // What could not be asked is asked again: a plan that shows no fault must not be one that nobody looked at.
    if (!answer) { waiting = setTimeout(judge, 2000); return; }
    faults = answer.faults;
    elsewhere();
    if (isTyping()) late = true; else draw();
  };
  const look = () => {
    clearTimeout(waiting);
    waiting = setTimeout(judge, 250);
  };

  // A field in the middle of a word is let alone: drawn anew, it would give what is typed so far as its value.
  let late = false;
  const isTyping = () => document.activeElement?.matches("#bench input:not([type=radio]):not([type=checkbox]), #bench textarea") && document.activeElement.value !== document.activeElement.defaultValue;
  page.addEventListener("focusout", () => setTimeout(() => {
    if (!late || isTyping()) return;
    late = false;
    draw();
  }));

  // Faults of no band, field or list that shows them.
  const elsewhere = () => {
    const shown = ["/folders/", "/documents/", "/files/", "/companions/", "/steps/", "/starter/", "/names", "/links/custom/", "/location", "/machines", "/limits", "/points", "/severities", "/title", "/root"];
    document.getElementById("plan-faults").replaceChildren(...faults.filter((fault) => !shown.some((at) => fault.at.startsWith(at))).map((fault) => el("p", { class: "wrongly " + fault.severity, role: "status" }, (fault.at ? fault.at + ": " : "") + fault.message)));
  };

  const say = (...nodes) => { told.hidden = !nodes.length; told.replaceChildren(...nodes); };

  const meanwhile = (answer, again) => {
    const theirs = JSON.parse(answer.theirs);
    const settle = (document) => { revision = answer.revision; base = JSON.stringify(theirs, null, 2); saved = base; if (document) model.replace(document); say(); buttons(); if (document !== theirs) again(); };
    say(el("p", {}, el("b", {}, answer.by + " saved this plan while you changed it. "), "Nothing is lost: every save is kept."), el("ul", {}, (answer.others.length ? answer.others : ["They changed nothing that could be said in words."]).map((text) => el("li", {}, text))),
      el("p", { class: "tools mb-0" }, el("button", { type: "button", class: "act small", onclick: () => settle(satchel.mergePlans(JSON.parse(base), theirs, model.doc)) }, "Put both together"),
        el("button", { type: "button", class: "act quiet small", onclick: () => settle(theirs) }, "Take theirs"), el("button", { type: "button", class: "act quiet small", onclick: () => settle(null) }, "Keep mine")));
  };

  const keep = async (path, done) => {
    document.activeElement?.blur?.();
    const text = model.text();
    const answer = await post(path, sent());
    if (!answer) { say(el("p", { class: "must mb-0" }, "It could not be sent. Your changes are still here: try again.")); return; }
    if (answer.theirs) { meanwhile(answer, () => keep(path, done)); return; }
    if (answer.revision !== revision) { revision = answer.revision; saved = text; base = text; }
    if (path === "publish" || answer.faults.length) faults = answer.faults;
    elsewhere();
    if (answer.good) done(answer, text);
    else say(el("p", { class: "mb-0" }, el("b", { class: "must" }, path === "publish" ? "It was not published. " : "It was not saved. "), faults.length ? "It is saved; what stands against it is marked where it stands." : ""), el("ul", { class: "mb-0" }, faults.filter((fault) => fault.severity === "must").map((fault) => el("li", {}, fault.message, " ", el("span", { class: "soft" }, fault.remedy)))));
    draw();
  };

  const save = () => keep("save", () => say());
  const publish = () => keep("publish", (answer, text) => { version = answer.version; kept = text; say(el("p", { class: "mb-0" }, "Version " + version + " is published. Students who collected an earlier one keep it until they collect again.")); });

  title.addEventListener("change", () => model.change((doc) => { doc.title = title.value; }));
  root.addEventListener("input", () => { workshop.source.value = root.value; workshop.soon(); });
  root.addEventListener("change", () => model.change((doc) => { doc.root = { name: root.value.trim() }; }));
  workshop.source.addEventListener("change", () => model.change((doc) => { doc.root = { name: workshop.source.value.trim() }; }));
  document.getElementById("add-folder").addEventListener("click", () => bag.add(-1, false));
  document.getElementById("undo").addEventListener("click", () => model.undo());
  document.getElementById("redo").addEventListener("click", () => model.redo());
  document.getElementById("save").addEventListener("click", save);
  document.getElementById("publish").addEventListener("click", publish);
  window.addEventListener("keydown", (event) => {
    if (!(event.ctrlKey || event.metaKey)) {
      if (event.key === "?" && !event.target.matches("input, textarea, select")) document.getElementById("plan-keys").toggleAttribute("hidden");
      return;
    }
    const key = event.key.toLowerCase();
    const inField = event.target.matches("input:not([type=radio]):not([type=checkbox]), textarea") && event.target.value !== event.target.defaultValue;
    if (key === "s") { event.preventDefault(); save(); }
    if (key === "z" && !inField) { event.preventDefault(); if (event.shiftKey) model.redo(); else model.undo(); }
    if (key === "y" && !inField) { event.preventDefault(); model.redo(); }
  });
  window.addEventListener("beforeunload", (event) => { if (model.text() !== saved) event.preventDefault(); });
  model.listen((moved) => { draw(moved); look(); });

  page.classList.add("alive");
  document.getElementById("plain").hidden = true;
  draw();
  look();
});
