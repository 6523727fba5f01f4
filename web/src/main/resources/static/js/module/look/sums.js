// SHA-256 (FIPS 180-4) of files of any size. WebCrypto takes a content only as a whole, so that a film would have to
// fit into memory:
// what is longer than a piece is summed piece by piece.
import "../../sha256.umd.min.js";

const PIECE = 4 * 2 ** 20;

export class Stopped extends Error {}

// In hexadecimal. A file that is written to while it is read cannot be read on, and throws.
export const hashed = async (file, tell = () => {}, stopped = () => false) => {
  if (file.size <= PIECE && globalThis.crypto?.subtle) {
    if (stopped()) throw new Stopped();
    const whole = await crypto.subtle.digest("SHA-256", await file.arrayBuffer());
    tell(file.size);
    return [...new Uint8Array(whole)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  }
  const sum = await globalThis.hashwasm.createSHA256();
  const piece = (from) => file.slice(from, from + PIECE).arrayBuffer();
  // The next piece is read while this one is summed.
  for (let from = 0, next = piece(0); from < file.size; from += PIECE) {
    const content = new Uint8Array(await next);
    if (stopped()) throw new Stopped();
    if (from + PIECE < file.size) next = piece(from + PIECE);
    sum.update(content);
    tell(content.length);
  }
  return sum.digest("hex");
};
