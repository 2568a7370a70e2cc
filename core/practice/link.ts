/** A practice game as a piece of a link: version, level and seed, nothing else. */
import { LEVELS, type PracticeAsked } from "./scenario.ts";

/** Raised when a level or the simulator draws other engines: an old link would make another game. */
export const GAME_VERSION = 1;

export type LinkRead =
  | { readonly ok: true; readonly asked: PracticeAsked }
  | { readonly ok: false; readonly why: "notOne" | "otherVersion" | "noLevel" | "noSeed" };

/** @returns e.g. `1.topRich.4711` */
export const gameText = ({ level, seed }: PracticeAsked): string => `${GAME_VERSION}.${level}.${seed}`;

/** @returns the game that a link asks for, or why it is none */
export function readGame(text: string): LinkRead {
  const [, version, name, number] = /^(\d{1,4})\.([A-Za-z]{1,20})\.(\d{1,9})$/.exec(text) ?? [];
  if (version === undefined || name === undefined || number === undefined)
    return { ok: false, why: "notOne" };
  if (Number(version) !== GAME_VERSION) return { ok: false, why: "otherVersion" };
  const level = LEVELS.find((one) => one === name);
  if (!level) return { ok: false, why: "noLevel" };
  const seed = Number(number);
  return seed <= 999_999 ? { ok: true, asked: { level, seed } } : { ok: false, why: "noSeed" };
}
