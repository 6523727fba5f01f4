// Remembers the folder that was chosen for an assignment, in this browser only, so that it can be looked into again
// with one click; and
// what its files hash to while it is being sent, so that it goes on at once.

const STORES = ["folders", "sums"];

const opened = () =>
  new Promise((done, failed) => {
    const request = indexedDB.open("satchel", 2);
    request.onupgradeneeded = () =>
      STORES.filter((name) => !request.result.objectStoreNames.contains(name)).forEach((name) =>
        request.result.createObjectStore(name)
      );
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });

const within = async (name, mode, use) => {
  const database = await opened();
  try {
    return await new Promise((done, failed) => {
      const request = use(database.transaction(name, mode).objectStore(name));
      request.onsuccess = () => done(request.result);
      request.onerror = () => failed(request.error);
    });
  } finally {
    database.close();
  }
};

// A browser that keeps nothing, as in a private window, remembers nothing.
const kept = (name) => ({
  put: (key, value) => within(name, "readwrite", (store) => store.put(value, key)).catch(() => {}),
  get: (key) => within(name, "readonly", (store) => store.get(key)).catch(() => undefined),
  drop: (key) => within(name, "readwrite", (store) => store.delete(key)).catch(() => {})
});

const folders = kept("folders");
export const sums = kept("sums");
export const remember = folders.put;
export const recall = folders.get;
export const forget = folders.drop;
