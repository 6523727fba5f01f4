// Whoever works by keyboard stays where they are while the page is drawn anew.
const CONTROLS = "a[href], button, input:not([type=hidden]), select, textarea, summary";
const REGIONS = "#bands, [id^=part-], #workshop, #offer";

const at = (node) => node.closest("[data-at]")?.dataset.at ?? "";

// What tells a control from others when all of them were made anew.
const sign = (node, path) =>
  [
    at(node),
    node.dataset.focus ?? "",
    path ?? "",
    node.tagName,
    node.type ?? "",
    ["radio", "checkbox"].includes(node.type) ? node.value : "",
    node.dataset.focus || path
      ? ""
      : node.matches("button, a, summary")
        ? node.textContent
        : (node.getAttribute("aria-label") ?? "")
  ].join("\n");

/** Draws, and gives the focus to what took the place of what had it; `moved` is where a folder is called now. */
export const held = (active, moved, draw) => {
  const region = active?.closest?.(REGIONS);
  if (!region) {
    draw();
    return;
  }
  const controls = () => [...region.querySelectorAll(CONTROLS)].filter((node) => node.checkVisibility());
  const before = controls();
  const path = active.dataset.path;
  const known = sign(active, typeof moved === "string" && path ? moved : path);
  const own = at(active);
  const place = before.indexOf(active);
  const nth = before.filter((node) => sign(node, node.dataset.path) === sign(active, path)).indexOf(active);
  const { value, selectionStart, selectionEnd } = active;
  const typing =
    active.matches("input:not([type=radio]):not([type=checkbox]), textarea") && value !== active.defaultValue;
  draw();
  if (document.activeElement !== document.body && document.activeElement?.isConnected) return;
  const after = controls();
  const same = after.filter((node) => sign(node, node.dataset.path) === known);
  const again =
    same[Math.min(Math.max(nth, 0), same.length - 1)] ??
    after.find((node) => own && at(node) === own) ??
    after[Math.min(place, after.length - 1)];
  if (!again) {
    region.tabIndex = -1;
    region.focus();
    return;
  }
  again.focus();
  if (typeof selectionStart !== "number" || !same.length || !again.matches("input, textarea")) return;
  if (typing) again.value = value;
  again.setSelectionRange(selectionStart, selectionEnd);
};

/** A button that does nothing now keeps the focus, which one that is disabled would lose. */
export const enable = (button, works) => {
  if (works) button.removeAttribute("aria-disabled");
  else button.setAttribute("aria-disabled", "true");
};
