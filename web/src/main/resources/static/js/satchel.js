// Small components, one job each. Without script every page still shows and every form still submits.
// The step one is at is in sight, also where the band is wider than the screen.
document.addEventListener("DOMContentLoaded", () => {
  const band = document.querySelector(".path"),
    now = band?.querySelector(".now");
  if (now) band.scrollLeft = now.offsetLeft - (band.clientWidth - now.clientWidth) / 2;
});

// A time of the course is said in one's own time zone too, where that is another.
document.addEventListener("DOMContentLoaded", () => {
  const language = document.documentElement.lang || "en",
    own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const said = (when, timeZone) =>
    when.toLocaleString(language, {
      weekday: "long",
      day: "numeric",
      month: "long",
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
      timeZone
    });
  for (const time of document.querySelectorAll("time[data-zone]")) {
    const when = new Date(time.dateTime);
    try {
      if (said(when, own) !== said(when, time.dataset.zone))
        time.append(" (" + satchel.say("js.your-time", said(when, own)) + ")");
    } catch {
      /* A browser that does not know the zone says the time of the course alone. */
    }
  }
});

// Rows of a long table are looked for by what stands in them, whatever their accents; a row that is ticked stays in sight.
document.addEventListener("DOMContentLoaded", () => {
  const plain = (text) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
  // Of a choice, what is chosen.
  const said = (cell) => cell.querySelector("select")?.selectedOptions[0]?.textContent ?? cell.textContent;
  for (const field of document.querySelectorAll("input[data-finds]")) {
    const rows = [...field.closest(".finds").nextElementSibling.querySelectorAll("tbody tr")],
      text = (row) => plain([...row.cells].map(said).join(" ")),
      told = field.parentElement.querySelector("[role=status]");
    field.addEventListener("input", () => {
      const sought = plain(field.value.trim());
      rows.forEach((row) => {
        row.hidden = !text(row).includes(sought) && !row.querySelector("input:checked");
      });
      told.textContent = sought && satchel.say("js.rows-found", rows.filter((row) => !row.hidden).length);
    });
    field.addEventListener("keydown", (event) => {
      if (event.key === "Enter") event.preventDefault();
    });
  }
});

// A new course lies where its instructor is, as far as the browser knows.
document.addEventListener("DOMContentLoaded", () => {
  const field = document.querySelector("input[data-own-zone]"),
    own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  if (!field || !Intl.supportedValuesOf) return;
  const zones = Intl.supportedValuesOf("timeZone");
  field.list.append(...zones.map((zone) => new Option(zone)));
  if (own.includes("/")) field.value = own;
});

// A choice among very many people has all of them once somebody goes there: a page with every choice in full would
// take minutes.
["pointerdown", "focusin"].forEach((event) =>
  document.addEventListener(event, ({ target }) => {
    const everybody = target.dataset?.from && document.getElementById(target.dataset.from);
    if (!everybody) return;
    delete target.dataset.from;
    const known = new Set([...target.options].map((one) => one.value));
    target.append(...[...everybody.options].filter((one) => !known.has(one.value)).map((one) => one.cloneNode(true)));
  })
);

document.addEventListener("alpine:init", () => {
  const token = () => document.querySelector("meta[name=_csrf]").content;

  // Judges a location while it is typed, and puts the strap in.
  Alpine.data("location", () => ({
    waiting: null,
    judge(event) {
      const example = event?.target.dataset.example;
      if (example) this.$refs.path.placeholder = example;
      clearTimeout(this.waiting);
      this.waiting = setTimeout(() => this.ask(), 250);
    },
    async ask() {
      const form = this.$refs.form;
      const body = new URLSearchParams(new FormData(form));
      const answer = await fetch(form.dataset.judge, { method: "POST", body, headers: { "X-CSRF-TOKEN": token() } });
      if (answer.ok) this.$refs.strap.innerHTML = await answer.text();
    }
  }));

  // Sends the ZIP as it is, and shows how much of it has gone.
  Alpine.data("upload", () => ({
    state: "",
    busy: false,
    told: "",
    wrong: "",
    file: null,
    over(event) {
      event.preventDefault();
      this.state = "over";
    },
    leave() {
      this.state = "";
    },
    drop(event) {
      event.preventDefault();
      this.state = "";
      this.file = event.dataTransfer.files[0] ?? null;
      if (this.file) this.send();
    },
    picked() {
      this.file = this.$refs.file.files[0] ?? null;
      this.wrong = "";
    },
    submit(event) {
      event.preventDefault();
      this.file = this.file ?? this.$refs.file.files[0] ?? null;
      this.send();
    },
    send() {
      const most = Number(this.$root.dataset.most);
      if (!this.file) {
        this.wrong = satchel.say("js.choose");
        return;
      }
      if (this.file.size > most) {
        this.wrong = satchel.say("js.too-large", this.$root.dataset.mostSaid);
        this.file = null;
        return;
      }
      this.push();
    },
    push() {
      const request = new XMLHttpRequest();
      request.open("POST", this.$root.dataset.to);
      request.setRequestHeader("Content-Type", "application/zip");
      request.setRequestHeader("X-CSRF-TOKEN", token());
      request.setRequestHeader("X-File-Name", encodeURIComponent(this.file.name));
      request.responseType = "json";
      request.upload.onprogress = (event) => this.went(event.loaded, event.total);
      request.onload = () =>
        request.status === 200 ? location.assign(request.response.next) : this.failed(request.response?.refusal);
      request.onerror = () => this.failed(satchel.say("js.broke-off"));
      this.busy = true;
      this.wrong = "";
      this.$refs.send.disabled = true;
      this.went(0, this.file.size);
      request.send(this.file);
    },
    went(done, all) {
      this.$refs.bar.value = all ? (100 * done) / all : 0;
      this.told = satchel.say("js.sent", satchel.megabytes(done), satchel.megabytes(all));
    },
    failed(why) {
      this.busy = false;
      this.$refs.send.disabled = false;
      this.file = null;
      this.wrong = why || satchel.say("js.refused");
    }
  }));

  // Says what becomes of those who are ticked.
  Alpine.data("leaving", () => ({
    chosen: 0,
    told: "",
    count() {
      this.chosen = this.$root.querySelectorAll("[name=remove]:checked").length;
      this.told = satchel.say("js.lose", this.chosen);
    }
  }));

  // Looks again while something is being written.
  Alpine.data("again", () => ({
    init() {
      setTimeout(() => location.reload(), 1000);
    }
  }));

  // Looks for what is still being made of a page, and puts that in its place; what is typed beside it stays.
  Alpine.data("later", () => ({
    init() {
      if (this.$root.dataset.waits === "true") setTimeout(() => this.look(), 1000);
    },
    async look() {
      const page = await fetch(location.href)
        .then((response) => response.text())
        .catch(() => "");
      const fresh = new DOMParser().parseFromString(page, "text/html").getElementById(this.$root.id);
      if (fresh && fresh.dataset.waits !== "true") {
        this.$root.replaceChildren(...fresh.childNodes);
        return;
      }
      setTimeout(() => this.look(), 1000);
    }
  }));

  const waits = (before) => (before === null ? satchel.say("js.waits") : satchel.say("js.waiting", before));

  // Watches a check and goes to its report; one that was given up is not watched.
  Alpine.data("progress", () => ({
    told: "",
    init() {
      if (this.$root.querySelector("progress")) this.ask();
    },
    async ask() {
      const answer = await fetch(this.$root.dataset.from)
        .then((response) => response.json())
        .catch(() => null);
      if (answer && (answer.state === "DONE" || answer.state === "FAILED")) {
        location.reload();
        return;
      }
      if (answer)
        this.told =
          answer.state === "WAITING"
            ? waits(answer.before)
            : satchel.say("js.read", answer.files, satchel.megabytes(answer.bytes));
      setTimeout(() => this.ask(), answer?.state === "WAITING" ? 2000 : 700);
    }
  }));

  // A thread opens the link it stands for, and a finding lights up the threads it is about.
  Alpine.data("report", () => ({
    light(event) {
      const about = event.target.closest("[data-threads]")?.dataset.threads.split(" ").filter(Boolean) ?? [];
      document
        .querySelectorAll(".map .thread")
        .forEach((one) => one.classList.toggle("lit", about.includes(one.dataset.link)));
      document.querySelector(".map-wrap .map")?.classList.toggle("telling", about.length > 0);
    },
    dark() {
      document.querySelector(".map.telling")?.classList.remove("telling");
    },
    show(event) {
      const thread = event.target.closest("[data-link]");
      document.querySelectorAll(".thread.chosen, .piece.chosen").forEach((other) => other.classList.remove("chosen"));
      event.target.closest(".thread, .piece")?.classList.add("chosen");
      // What leads to a finding goes there by its address.
      if (!thread) return;
      const link = document.getElementById("link-" + thread.dataset.link);
      // On another page of links: the address leads there.
      if (!link) return;
      event.preventDefault();
      link.open = true;
      link.scrollIntoView({ block: "center" });
      link.querySelector("summary").focus();
    }
  }));

  // A table whose rows are put in the order of a column; numbers as numbers, what says nothing last.
  Alpine.data("sorted", () => ({
    by(event) {
      const button = event.target.closest("button");
      const head = button.closest("th");
      const column = Number(button.dataset.column);
      const down = head.getAttribute("aria-sort") === "ascending";
      const body = head.closest("table").tBodies[0];
      const key = (row) => row.cells[column].dataset.order ?? "";
      const compare = (a, b) => {
        const [x, y] = [key(a), key(b)];
        if (x === "" || y === "") return x === y ? 0 : x === "" ? 1 : -1;
        return (down ? -1 : 1) * (column === 0 ? x.localeCompare(y) : Number(x) - Number(y));
      };
      head.parentElement.querySelectorAll("th").forEach((other) => other.removeAttribute("aria-sort"));
      head.setAttribute("aria-sort", down ? "descending" : "ascending");
      body.replaceChildren(...[...body.rows].sort(compare));
    }
  }));

  // Through a table by keys.
  Alpine.data("rows", () => ({
    open: false,
    help() {
      this.open = !this.open;
    },
    key(event) {
      if (event.target.matches("input, textarea, select") || event.ctrlKey || event.metaKey || event.altKey) return;
      const links = [...document.querySelectorAll(".row-link")];
      const at = links.indexOf(document.activeElement);
      if (event.key === "j") links[Math.min(at + 1, links.length - 1)]?.focus();
      if (event.key === "k") links[Math.max(at - 1, 0)]?.focus();
      if (event.key === "?") this.help();
      if (event.key === "Escape") this.open = false;
    }
  }));
});
