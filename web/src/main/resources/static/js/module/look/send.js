// Sends what is asked for of a project, as one stream in parts, each of which goes on where the one before ended (the
// core of tus 1.0.0:
// HEAD and PATCH with Upload-Offset). Nothing here knows of folders: there are contents with their files, and the
// order they go in.

export const PART = 2 ** 30;
const LONGEST_WAIT = 30_000;

// What of some files lies between two places of the stream that they make, as one body that is read as it goes.
export const between = (files, from, to) => {
  const pieces = [];
  let begin = 0;
  for (const file of files) {
    const end = begin + file.size;
    if (end > from && begin < to) pieces.push(file.slice(Math.max(0, from - begin), Math.min(file.size, to - begin)));
    if (begin >= to) break;
    begin = end;
  }
  return new Blob(pieces);
};

// How long to wait before the next try, the longer the more failed.
export const pause = (tries) => Math.min(LONGEST_WAIT, 500 * 2 ** tries);

// What an answer means. A sign-in page comes where a session has ended.
export const meaning = ({ status, redirected }) => {
  if (redirected || status === 401 || status === 403) return "signed-out";
  if (status >= 200 && status < 300) return "good";
  if (status === 409 || status === 412) return "elsewhere";
  if (status === 423 || status === 429 || status === 408) return "later";
  if (status === 404 || status === 410) return "gone";
  return status === 0 || (status >= 500 && status !== 507) ? "away" : "refused";
};

// How much longer it takes: the last seconds tell more than the beginning. In seconds; nothing while too little is
// known.
export class Pace {
  #seen = [];

  at(now, done) {
    this.#seen.push([now, done]);
    while (this.#seen.length > 2 && now - this.#seen[0][0] > 15_000) this.#seen.shift();
  }

  left(of) {
    const [first, last] = [this.#seen[0], this.#seen.at(-1)];
    if (!first || last[0] - first[0] < 2_000 || last[1] <= first[1]) return null;
    return ((of - last[1]) * (last[0] - first[0])) / (last[1] - first[1]) / 1_000;
  }
}
