// The class board: filters as one types, findings in place, keys, and the table fresh when a check is done. Without
// it the filters are a form,
// the marks are links to the report, and the table is as it was when the page was made.
import { say } from "./words.js";

const section = document.getElementById("board");
const part = (name) => section.querySelector(`[data-part=${name}]`);
const filters = section.querySelector(".filters");
const token = () => document.querySelector("meta[name=_csrf]").content;
const links = () => [...section.querySelectorAll(".row-link")];
const tell = (text) => {
  part("status").textContent = text;
};

filters.querySelector("button").hidden = true;

// The address says what is shown, so that it can be kept and sent.
const address = () => {
  const asked = new URLSearchParams([...new FormData(filters)].filter(([, value]) => value !== ""));
  const open = new URLSearchParams(location.search).get("open");
  if (open) asked.set("open", open);
  return section.dataset.from + (asked.size ? "?" + asked : "");
};

let latest = 0;
async function load(url, quiet) {
  const mine = ++latest;
  let answer;
  try {
    answer = await fetch(url, { headers: { "X-Part": "board" } });
  } catch {
    answer = null;
  }
  if (mine !== latest) return;
  if (!answer?.ok) {
    if (!quiet) tell(say("js-board.failed"));
    return;
  }
  const at = document.activeElement?.closest?.("tr[data-who]")?.dataset.who;
  const focused =
    at &&
    [...document.activeElement.closest("tr").querySelectorAll("a, input, button")].indexOf(document.activeElement);
  const chosen = new Set([...section.querySelectorAll("input[name=who]:checked")].map((box) => box.value));
  const holder = document.createElement("div");
  holder.innerHTML = await answer.text();
  part("board").replaceWith(holder.firstElementChild);
  section.querySelectorAll("input[name=who]").forEach((box) => {
    box.checked = chosen.has(box.value);
  });
  wake();
  if (at) [...section.querySelectorAll(`tr[data-who="${at}"] :is(a, input, button)`)][focused]?.focus();
  tell(quiet ? say("js-board.updated") : say("js-board.shown", Number(part("board").dataset.shown)));
}

let typing;
const changed = () => {
  history.replaceState(null, "", address());
  load(address(), false);
};
filters.addEventListener("input", (event) => {
  clearTimeout(typing);
  typing = setTimeout(changed, event.target.type === "search" ? 150 : 0);
});
filters.addEventListener("submit", (event) => {
  event.preventDefault();
  changed();
});

// What hangs on the table, each time there is a new one.
function wake() {
  part("clear").hidden = part("board").dataset.all === "true";
  const all = part("all");
  if (all) {
    all.hidden = false;
    all.addEventListener("change", () =>
      section.querySelectorAll("input[name=who]").forEach((box) => {
        box.checked = all.checked;
      })
    );
  }
}
wake();

// Findings in place: a row of its own under the student's.
function close(back) {
  const open = section.querySelector("tr.panel-row");
  const from = open && section.querySelector("[data-cell][aria-expanded=true]");
  from?.removeAttribute("aria-expanded");
  open?.remove();
  if (back) from?.focus();
  return Boolean(open);
}
async function panel(mark) {
  const row = mark.closest("tr");
  const again = mark.getAttribute("aria-expanded") === "true";
  close(false);
  if (again) {
    mark.focus();
    return;
  }
  const answer = await fetch(
    `${section.dataset.from}/findings?hand-in=${row.dataset.handIn}&family=${mark.dataset.cell}`
  ).catch(() => null);
  if (!answer?.ok) {
    location.assign(mark.href);
    return;
  }
  close(false);
  const under = document.createElement("tr");
  under.className = "panel-row";
  const cell = document.createElement("td");
  cell.colSpan = row.cells.length + 8;
  cell.innerHTML = await answer.text();
  under.append(cell);
  row.after(under);
  mark.setAttribute("aria-expanded", "true");
  cell.querySelector("a, button")?.focus();
}
section.addEventListener("click", (event) => {
  if (event.target.closest("[data-part=help]")) part("keys").hidden = !part("keys").hidden;
  if (event.target.closest(".panel [data-part=close]")) close(true);
  const mark = event.target.closest("[data-cell]");
  if (mark && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
    event.preventDefault();
    panel(mark);
  }
});

// Keys move from student to student.
function step(by) {
  const all = links();
  const row = document.activeElement?.closest?.("tr");
  const here = all.findIndex(
    (link) =>
      link.closest("tr") === row || (link.closest("tr") === row?.previousElementSibling && row.matches(".panel-row"))
  );
  all[here < 0 ? (by > 0 ? 0 : all.length - 1) : Math.max(0, Math.min(all.length - 1, here + by))]?.focus();
}
document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "Escape") {
    if (!part("keys").hidden) {
      part("keys").hidden = true;
      return;
    }
    if (!close(true)) document.activeElement?.blur?.();
    return;
  }
  if (event.target.matches("input:not([type=checkbox]), textarea, select")) return;
  const row = document.activeElement?.closest?.("tr[data-who]");
  const keys = {
    j: () => step(1),
    k: () => step(-1),
    o: () => row?.querySelector(".row-link")?.click(),
    w: () => {
      const mark = row?.querySelector(`[data-cell="${row.dataset.worst}"]`);
      if (mark) panel(mark);
    },
    r: () => {
      if (row?.dataset.handIn && row.dataset.worst) location.assign("/hand-ins/" + row.dataset.handIn + "/slip");
    },
    x: () => {
      const box = row?.querySelector("input[name=who]");
      if (box) box.checked = !box.checked;
    },
    "/": () => filters.querySelector("[type=search]").focus(),
    "?": () => {
      part("keys").hidden = !part("keys").hidden;
    }
  };
  if (keys[event.key]) {
    event.preventDefault();
    keys[event.key]();
  }
});

// Looks now and then whether a check is done or something came, more often while something is being checked.
const BUSY = 3000,
  CALM = 20000;
async function watch() {
  if (!document.hidden && !section.querySelector(".panel-row")) {
    const answer = await fetch(section.dataset.from + "/state")
      .then((response) => (response.ok ? response.json() : null))
      .catch(() => null);
    if (answer && answer.state !== part("board").dataset.state) await load(location.pathname + location.search, true);
  }
  setTimeout(watch, part("board").dataset.busy === "true" ? BUSY : CALM);
}
setTimeout(watch, BUSY);
