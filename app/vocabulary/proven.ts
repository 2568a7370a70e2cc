/** How a setting is known to be right, in words. */
import type { Proven } from "#core/log/schema.ts";

export const PROVEN_WORDS: Readonly<Record<Proven, { readonly name: string; readonly note: string }>> = {
  guess: { name: "A guess", note: "what is in it, nobody knows why" },
  book: { name: "The maker’s book", note: "or a good chart for this machine" },
  ranWell: { name: "It ran well", note: "clean all over, nobody has measured" },
  measured: { name: "It was read", note: "plugs, λ or temperatures said so" },
};
