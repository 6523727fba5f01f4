// Lists a folder as browsers give one, without reading any content. What comes out is the same for all three ways:
// { root, files: [{ path, bytes, time, file }], folders, seesEmpty, unread } with paths below the folder and /
// between the names.

export class TooMany extends Error {}

const BATCH = 64;

const empty = (root, seesEmpty) => ({ root, files: [], folders: [], seesEmpty, unread: [] });

// A file that is written to later cannot be read any more: where the browser gives one, again() gets it anew.
const add = (listed, path, file, most, again) => {
  if (listed.files.length >= most) throw new TooMany();
  listed.files.push({ path, bytes: file.size, time: file.lastModified, file, ...(again && { again }) });
};

// A folder's handle, of the File System Access API or the Entries API's newer half.
export const ofHandle = async (folder, most, tell = () => {}) => {
  const listed = empty(folder.name, true);
  const open = [["", folder]];
  while (open.length) {
    const [prefix, at] = open.pop();
    let files = [];
    const take = async () => {
      const batch = files;
      files = [];
      const got = await Promise.all(batch.map(([path, handle]) => handle.getFile().catch(() => path)));
      got.forEach((file, i) =>
        typeof file === "string"
          ? listed.unread.push(file)
          : add(listed, batch[i][0], file, most, () => batch[i][1].getFile())
      );
      tell(listed);
    };
    try {
      for await (const [name, child] of at.entries()) {
        if (child.kind === "directory") {
          listed.folders.push(prefix + name);
          open.push([prefix + name + "/", child]);
        } else {
          files.push([prefix + name, child]);
          if (files.length === BATCH) await take();
        }
      }
    } catch (refused) {
      if (refused instanceof TooMany) throw refused;
      listed.unread.push(prefix || folder.name);
    }
    await take();
  }
  return listed;
};

// A dropped folder, as older browsers give it: entries with callbacks.
export const ofEntry = async (folder, most, tell = () => {}) => {
  const listed = empty(folder.name, true);
  const open = [["", folder]];
  const called = (use) => new Promise((done, failed) => use(done, failed));
  while (open.length) {
    const [prefix, at] = open.pop();
    const reader = at.createReader();
    try {
      // A reader gives a hundred at a time, and nothing when there is no more.
      for (
        let some = await called((done, failed) => reader.readEntries(done, failed));
        some.length;
        some = await called((done, failed) => reader.readEntries(done, failed))
      ) {
        for (const child of some) {
          if (child.isDirectory) {
            listed.folders.push(prefix + child.name);
            open.push([prefix + child.name + "/", child]);
          } else {
            const file = await called((done, failed) => child.file(done, failed)).catch(() => null);
            if (file) add(listed, prefix + child.name, file, most);
            else listed.unread.push(prefix + child.name);
          }
        }
        tell(listed);
      }
    } catch (refused) {
      if (refused instanceof TooMany) throw refused;
      listed.unread.push(prefix || folder.name);
    }
  }
  return listed;
};

// The files of a chosen folder: browsers tell of no folder without files here.
export const ofFiles = (files, most, tell = () => {}) => {
  const first = files[0]?.path ?? "";
  const root = first.slice(0, first.indexOf("/"));
  const listed = empty(root, false);
  for (const { path, file } of files) add(listed, path.slice(path.indexOf("/") + 1), file, most);
  tell(listed);
  return listed;
};
