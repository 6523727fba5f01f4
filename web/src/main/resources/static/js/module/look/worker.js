// Looks into a folder away from the page: lists it, reads its documents, packs the list with them and sends that.
import { packed, seldom, sent, sizeOf } from "./pack.js";
import { ofFiles, ofHandle, TooMany } from "./walk.js";

const tell = (step, more = {}) => postMessage({ step, ...more });

const look = async (order, list) => {
  try {
    const listed = await list((so) =>
      seldom(() => tell("listing", { files: so.files.length, bytes: sizeOf(so.files) }))
    );
    if (!listed.files.length && !listed.folders.length) {
      tell("failed", { why: "js-look.empty" });
      return;
    }
    tell("listed", { root: listed.root, files: listed.files.length, bytes: sizeOf(listed.files) });
    const { blob, documents, left } = await packed(listed, order.reading, (so) => tell("reading", so));
    tell("packed", { documents, bytes: blob.size, left, unread: listed.unread });
    const answer = await sent(blob, { ...order, root: listed.root }, (so) => tell("sending", so));
    if (!answer) tell("failed", { why: "js-look.broke-off", again: true });
    else if (answer.status === 200 && answer.response?.next) tell("done", { next: answer.response.next });
    else if (answer.response?.refusal) tell("failed", { says: answer.response.refusal });
    else
      tell("failed", {
        why: answer.status === 403 || answer.status === 200 ? "js-look.signed-out" : "js-look.broke-off",
        again: true
      });
  } catch (fault) {
    if (fault instanceof TooMany) tell("failed", { why: "js-look.too-many", values: [order.most] });
    else tell("failed", { why: "js-look.unreadable", again: true });
  }
};

let gathered = [];
onmessage = ({ data }) => {
  if (data.handle) look(data.order, (so) => ofHandle(data.handle, data.order.most, so));
  if (data.listed) look(data.order, async () => data.listed);
  if (data.files) gathered.push(...data.files);
  if (data.end) look(data.order, async (so) => ofFiles(gathered.splice(0), data.order.most, so));
};
