// Demands of a kit in the few words a field holds, and back: "png jpg 2-3, txt 0-1".
const RANGE = /^(.*?)\s*(\d+)(?:\s*[-–]\s*(\d+)?)?$/;

const parts = (text) =>
  text
    .split(",")
    .map((part) => part.trim())
    .filter(Boolean);
const number = (text) => (text === undefined ? undefined : Number(text));
const types = (text) =>
  text
    .split(/[\s.]+/)
    .map((type) => type.toLowerCase())
    .filter(Boolean);

// How many files of which types: a number alone is exact, "2-" is at least two.
export const counts = {
  write: (list) =>
    (list ?? [])
      .map((count) =>
        [
          (count.types ?? []).join(" "),
          count.atMost === count.atLeast ? (count.atMost ?? 0) : (count.atLeast ?? 0) + "-" + (count.atMost ?? "")
        ]
          .filter((part) => part !== "")
          .join(" ")
      )
      .join(", "),
  read: (text) => {
    const list = parts(text)
      .map((part) => RANGE.exec(part))
      .filter(Boolean)
      .map(([whole, named, least, most]) => {
        const open = /[-–]\s*$/.test(whole);
        const ranged = most !== undefined || open;
        return {
          types: types(named),
          atLeast: number(least),
          ...(open ? {} : { atMost: ranged ? number(most) : number(least) })
        };
      });
    return list.length ? list : undefined;
  }
};

// A file's name with its type, as one is written.
export const named = {
  write: (list) => (list ?? []).map((file) => file.name + (file.types?.length ? "." + file.types[0] : "")).join(", "),
  read: (text, before = []) => {
    const list = parts(text).map((part) => {
      const dot = part.lastIndexOf(".");
      const name = dot > 0 ? part.slice(0, dot) : part;
      const kind = dot > 0 ? [part.slice(dot + 1).toLowerCase()] : [];
      return { ...(before.find((file) => file.name === name) ?? { role: name }), name, types: kind };
    });
    return list.length ? list : undefined;
  }
};

// What a document links: a folder with a number, the file of a role, or a file that came with the kit.
export const linked = {
  write: (list) =>
    (list ?? [])
      .map((link) => (link.in !== undefined ? link.in + " " + (link.atLeast ?? 1) : (link.role ?? link.starter ?? "")))
      .filter(Boolean)
      .join(", "),
  read: (text, doc) => {
    const starters = new Set((doc.starter ?? []).map((file) => file.path));
    const roles = new Set([...(doc.documents ?? []), ...(doc.files ?? [])].map((rule) => rule.role));
    const list = parts(text).map((part) => {
      if (starters.has(part)) return { starter: part };
      if (roles.has(part)) return { role: part };
      const counted = /^(.*\S)\s+(\d+)$/.exec(part);
      return counted ? { in: counted[1], atLeast: Math.max(1, Number(counted[2])) } : { in: part, atLeast: 1 };
    });
    return list.length ? list : undefined;
  }
};
