// Which files of a folder are read, of all that were listed: documents first, then small files that may stand for
// another, then
// what no one knows; never more than may be sent.

const UNKNOWN_MOST = 16 * 2 ** 20;

// The ending of a name in small letters; a name that only begins with a dot has none.
export const ending = (path) => {
  const name = path.slice(path.lastIndexOf("/") + 1),
    dot = name.lastIndexOf(".");
  return dot > 0 ? name.slice(dot + 1).toLowerCase() : "";
};

const rank = (file, documents, passed, standIn) => {
  const its = ending(file.path);
  if (documents.has(its) || file.path === "satchel.kit.json") return 0;
  if (file.bytes <= standIn) return 1;
  return passed.has(its) || file.bytes > UNKNOWN_MOST ? -1 : 2;
};

// The files to read, and the documents for which there is no room.
export const choose = (files, reading) => {
  const documents = new Set(reading.worth.documents),
    passed = new Set(reading.worth.passedOver);
  const ranked = files
    .filter((file) => file.bytes > 0)
    .map((file) => [rank(file, documents, passed, reading.worth.standIn), file])
    .filter(([its]) => its >= 0)
    .sort(([a, one], [b, other]) => a - b || one.bytes - other.bytes);
  // What is packed may come out a little longer than it was.
  let room = reading.most * 0.95 - files.length * 60;
  const read = [],
    left = [];
  for (const [its, file] of ranked) {
    if (file.bytes <= room) {
      room -= file.bytes + 200;
      read.push(file);
    } else if (its === 0) {
      left.push(file.path);
    }
  }
  return { read, left };
};

// Files whose content is compared: those as long as one that came with the kit.
export const compared = (files, reading, most = 256 * 2 ** 20) => {
  const sizes = new Set(reading.sizes);
  return files.filter((file) => file.bytes <= most && sizes.has(file.bytes));
};
