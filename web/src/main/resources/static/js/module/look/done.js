// On a report: where the folder can still be looked into, what was mended is checked again with one click.
import { allowed } from "./pick.js";
import { recall } from "./remembered.js";

const report = document.querySelector("[data-again][data-key]");
const handle = report && (await recall(report.dataset.key));
if (handle) {
  for (const button of report.querySelectorAll("[data-done]")) {
    button.hidden = false;
    button.addEventListener("click", async () => {
      await allowed(handle, true).catch(() => false);
      location.assign(report.dataset.again + "#again");
    });
  }
}
