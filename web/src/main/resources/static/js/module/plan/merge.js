// Two people changed one plan: what each of them changed is put together; where both changed one thing, ours stays.
const KEYS = { folders: "path", companions: "name", documents: "role", files: "role", starter: "path", steps: "title" };
const same = (a, b) => JSON.stringify(a) === JSON.stringify(b);
const plain = (value) => value !== null && typeof value === "object" && !Array.isArray(value);

const objects = (base, theirs, mine) => {
  const out = {};
  new Set([...Object.keys(theirs), ...Object.keys(mine)]).forEach((key) => {
    const value = merged(base?.[key], theirs[key], mine[key], KEYS[key]);
    if (value !== undefined) out[key] = value;
  });
  return out;
};

const lists = (base, theirs, mine, by) => {
  const find = (list, id) => (list || []).find((item) => item[by] === id);
  const out = [];
  mine.forEach((item) => {
    const value = merged(find(base, item[by]), find(theirs, item[by]), item);
    if (value !== undefined) out.push(value);
  });
  theirs.filter((item) => !find(mine, item[by]) && !find(base, item[by])).forEach((item) => out.push(item));
  return out;
};

const merged = (base, theirs, mine, by) => {
  if (same(mine, theirs) || same(theirs, base)) return mine;
  if (same(mine, base)) return theirs;
  if (by && Array.isArray(mine) && Array.isArray(theirs)) return lists(base, theirs, mine, by);
  if (plain(mine) && plain(theirs)) return objects(base, theirs, mine);
  return mine;
};

export const mergePlans = (base, theirs, mine) => merged(base, theirs, mine);
