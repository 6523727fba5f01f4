// How a name is shown with the place marked at which it stops fitting its pattern.

// A name in three: what fits, the character that does not (⎵ where the name ends too early), and the rest. Places
// count code points.
export const marked = (name, at) => {
  const points = [...name];
  const here = points[at] ?? "";
  return { before: points.slice(0, at).join(""), here: here === "" ? "⎵" : here, after: points.slice(at + 1).join("") };
};

// What is to be said of a name that was tried: a key of the words, and what fills it.
export const verdict = (tried) => {
  if (!tried) return null;
  if (tried.fits) return tried.whose ? ["js-plan.fits-for", tried.whose] : ["js-plan.fits"];
  return ["js-plan.expected", tried.expected];
};
