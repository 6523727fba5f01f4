// The words a page's scripts say, in its language. They come with the page as one block of JSON; of ICU's message
// syntax the
// scripts know {0} and {0, plural, …} with =N, one, other and #, which is all that their bundle uses.

// What stands between the brace at a place and the one that closes it.
const inside = (text, from) => {
  let depth = 0;
  for (let i = from; i < text.length; i++) {
    if (text[i] === "{") depth++;
    if (text[i] === "}" && --depth === 0) return text.slice(from + 1, i);
  }
  return text.slice(from + 1);
};

const forms = (text) => {
  const found = {};
  for (let i = 0; i < text.length; i++) {
    const form = /\s*(=\d+|\w+)\s*/y;
    form.lastIndex = i;
    const named = form.exec(text);
    if (!named || text[form.lastIndex] !== "{") continue;
    const words = inside(text, form.lastIndex);
    found[named[1]] = words;
    i = form.lastIndex + words.length + 1;
  }
  return found;
};

// Fills the holes of sentences of one language.
export const filler = (language) => {
  const pluralOf = new Intl.PluralRules(language);
  const filled = (text, values) => {
    let out = "";
    for (let i = 0; i < text.length; i++) {
      if (text[i] !== "{") {
        out += text[i];
        continue;
      }
      const hole = inside(text, i),
        plural = /^(\d+), plural,/.exec(hole);
      i += hole.length + 1;
      if (!plural) {
        out += values[Number(hole)] ?? "";
        continue;
      }
      const number = values[Number(plural[1])],
        of = forms(hole.slice(plural[0].length));
      out += filled((of["=" + number] ?? of[pluralOf.select(number)] ?? of.other).replaceAll("#", number), values);
    }
    return out;
  };
  return filled;
};

const language = () => document.documentElement.lang || "en";
let bundle = null;
let fill = null;

// What stands under a key, its holes filled in order; a key that is not there says itself.
export const say = (key, ...values) => {
  bundle ??= JSON.parse(document.querySelector("meta[name=words]")?.content ?? "{}");
  fill ??= filler(language());
  return fill(bundle[key] ?? key, values);
};

export const megabytes = (bytes) =>
  (bytes / 1e6).toLocaleString(language(), { minimumFractionDigits: 1, maximumFractionDigits: 1 });

// For the scripts that are no modules.
if (typeof window !== "undefined") window.satchel = Object.assign(window.satchel ?? {}, { say, megabytes });
