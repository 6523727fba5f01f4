// What a page keeps from somebody who works by keyboard, listens to it, or sees little of it at a time; a line for each place.
() => {
  const out = [];
  const told = (what, element) => out.push(`${what}: ${element.outerHTML.replace(/\s+/g, " ").slice(0, 160)}`);
  const bare = (text) => text.replace(/\s+/g, " ").trim().toLowerCase();
  const shown = (element) => element.checkVisibility({ visibilityProperty: true }) && element.getBoundingClientRect().width > 1;
  for (const element of document.querySelectorAll("a[href], button, summary, [role=button], label")) {
    const name = element.getAttribute("aria-label");
    // What is drawn, or for eyes alone, is no word of a label.
    const copy = element.cloneNode(true);
    copy.querySelectorAll("svg, [aria-hidden=true], .visually-hidden, input, select").forEach((one) => one.remove());
    const seen = bare(copy.textContent);
    if (name && seen && shown(element) && !bare(name).includes(seen)) told(`label without the words that are seen (${seen})`, element);
  }
  for (const element of document.querySelectorAll("main *, body > *")) {
    const style = getComputedStyle(element);
    const scrolls = (/auto|scroll/.test(style.overflowX) && element.scrollWidth > element.clientWidth + 1)
      || (/auto|scroll/.test(style.overflowY) && element.scrollHeight > element.clientHeight + 1);
    if (scrolls && shown(element) && element.tabIndex < 0 && !/^(TEXTAREA|SELECT|INPUT)$/.test(element.tagName)) told("scrolls and cannot be reached", element);
  }
  const targets = [...document.querySelectorAll("a[href], button, summary, input:not([type=hidden]), select, textarea")].filter(shown).filter((one) => !one.closest("svg"));
  const boxes = targets.map((one) => (one.labels?.[0] && /checkbox|radio/.test(one.type) ? one.labels[0] : one).getBoundingClientRect());
  targets.forEach((element, i) => {
    const box = boxes[i];
    if (box.width >= 24 && box.height >= 24) return;
    // WCAG 2.2, 2.5.8: in a sentence it may be smaller, and where a circle of 24 px around it touches no other.
    const own = element.parentElement.closest("p, li, td, th, dd, dt, div, span, figcaption, caption");
    if (getComputedStyle(element).display === "inline" && own && bare(own.textContent).length > bare(element.textContent).length) return;
    const x = box.x + box.width / 2, y = box.y + box.height / 2;
    const near = boxes.some((other, j) => j !== i && !element.contains(targets[j]) && !targets[j].contains(element) && (() => {
      const small = other.width < 24 || other.height < 24;
      const dx = small ? Math.abs(other.x + other.width / 2 - x) : Math.max(other.x - x, 0, x - other.right);
      const dy = small ? Math.abs(other.y + other.height / 2 - y) : Math.max(other.y - y, 0, y - other.bottom);
      return Math.hypot(dx, dy) < (small ? 24 : 12);
    })());
    if (near) told(`target of ${Math.round(box.width)} x ${Math.round(box.height)} px with another beside it`, element);
  });
  let level = 0;
  for (const heading of [...document.querySelectorAll("h1, h2, h3, h4, h5, h6")].filter(shown)) {
    const now = Number(heading.tagName[1]);
    if (now > level + 1) told(`heading after one of level ${level}`, heading);
    level = now;
  }
  for (const table of [...document.querySelectorAll("table")].filter(shown)) {
    if (!table.caption && !table.getAttribute("aria-label")) told("table without a caption", table);
    const rows = [...table.querySelectorAll("tbody tr")].filter((row) => row.cells.length > 1 && !row.querySelector("th[scope]"));
    if (rows.length) told("row without a header", rows[0]);
    const heads = [...table.querySelectorAll("thead th")].filter((one) => !one.scope);
    if (heads.length) told("column header without its scope", heads[0]);
  }
  if (document.documentElement.scrollWidth > document.documentElement.clientWidth) {
    const wide = [...document.querySelectorAll("main *")].filter((one) => one.getBoundingClientRect().right > document.documentElement.clientWidth + 1 && shown(one) && !one.closest("svg *"));
    told(`wider than the screen by ${document.documentElement.scrollWidth - document.documentElement.clientWidth} px`, wide.at(-1) ?? document.body);
  }
  return out;
}
