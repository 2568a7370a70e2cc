/** How a setting is known to be right, in words. */
import type { WeighedClaim } from "#core/belief/claims.ts";
import type { Proven } from "#core/log/schema.ts";
import { certainty, percentWords } from "./parts.ts";

export const PROVEN_WORDS: Readonly<Record<Proven, { readonly name: string; readonly note: string }>> = {
  guess: { name: "A guess", note: "what is in it, nobody knows why" },
  book: { name: "The maker’s book", note: "or a good chart for this machine" },
  ranWell: { name: "It ran well", note: "clean all over, nobody has measured" },
  measured: { name: "It was read", note: "plugs, λ or temperatures said so" },
};

type Worded = Pick<WeighedClaim, "how" | "chance">;

const WORD: Readonly<Record<Proven, string>> = {
  guess: "A guess",
  book: "The maker’s setting",
  ranWell: "The setting that ran well",
  measured: "The setting that was read",
};

/** @returns e.g. "The maker’s setting probably does not fit this engine (88 %). …" */
export const doubtedWords = ({ how, chance }: Worded): string =>
  `${WORD[how]} probably does not fit this engine (${percentWords(1 - chance)}). What you saw counts instead. Was it for another model, another pipe, or another fuel?`;

/** @returns e.g. "The maker’s setting fits this engine: likely (84 %)" */
export const claimWords = ({ how, chance }: Worded): string =>
  `${WORD[how]} fits this engine: ${certainty(chance)}`;
