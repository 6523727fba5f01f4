// Remembers the folder that was chosen for an assignment, in this browser only, so that it can be looked into again with one click.

const opened = () => new Promise((done, failed) => {
  const request = indexedDB.open("satchel", 1);
  request.onupgradeneeded = () => request.result.createObjectStore("folders");
  request.onsuccess = () => done(request.result);
  request.onerror = () => failed(request.error);
});

const within = async (mode, use) => {
  const database = await opened();
  try {
    return await new Promise((done, failed) => {
      const request = use(database.transaction("folders", mode).objectStore("folders"));
      request.onsuccess = () => done(request.result);
      request.onerror = () => failed(request.error);
    });
  } finally {
    database.close();
  }
};

// A browser that keeps nothing, as in a private window, remembers nothing.
export const remember = (key, handle) => within("readwrite", (store) => store.put(handle, key)).catch(() => {});
export const recall = (key) => within("readonly", (store) => store.get(key)).catch(() => undefined);
export const forget = (key) => within("readwrite", (store) => store.delete(key)).catch(() => {});
