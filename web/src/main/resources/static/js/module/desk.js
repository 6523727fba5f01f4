// One student's page by keys: next and previous in the board's order, waiving what is focused, and taking the last
// decision back.
const part = (name) => document.querySelector(`[data-part=${name}]`);
const findings = () => [...document.querySelectorAll(".findings > li[id]")];

// A mark of the board leads to the first finding of its family.
const family = new URLSearchParams(location.search).get("family");
if (family)
  findings()
    .find((one) => one.dataset.family === family || (family === "timeline" && one.dataset.family === "habit"))
    ?.focus();

function waive() {
  const here = document.activeElement?.closest?.(".findings > li[id]") ?? findings()[0];
  const form = here?.querySelector("details.decide");
  if (!form) return;
  form.open = true;
  form.querySelector("input[name=reason]").focus();
}

document.addEventListener("keydown", (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "Escape") {
    const open = document.activeElement?.closest?.("details[open]");
    if (open) {
      open.open = false;
      open.querySelector("summary").focus();
    }
    return;
  }
  if (event.target.matches("input, textarea, select")) return;
  const keys = {
    j: () => part("next")?.click(),
    k: () => part("previous")?.click(),
    u: () => part("board")?.click(),
    r: () => part("slip")?.click(),
    w: waive,
    z: () => part("undo")?.click()
  };
  if (keys[event.key]) {
    event.preventDefault();
    keys[event.key]();
  }
});
