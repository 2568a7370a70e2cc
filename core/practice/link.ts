/** A practice game as a piece of a link: version, level and seed, nothing else. */
import { FREE_KINDS, LEVELS, type PracticeAsked } from "./levels.ts";

/** Raised when a level or the simulator draws other engines: an old link would make another game. */
export const GAME_VERSION = 2;

export type LinkRead =
  | { readonly ok: true; readonly asked: PracticeAsked }
  | { readonly ok: false; readonly why: "notOne" | "otherVersion" | "noLevel" | "noSeed" };

/** @returns e.g. `2.topRich.4711`, or `2.free-kart.12` where the machine was chosen */
export const gameText = ({ level, seed, kind }: PracticeAsked): string =>
  `${GAME_VERSION}.${level}${kind ? `-${kind}` : ""}.${seed}`;

/** @returns the game that a link asks for, or why it is none */
export function readGame(text: string): LinkRead {
  const [, version, name, chosen, number] =
    /^(\d{1,4})\.([A-Za-z]{1,20})(?:-([A-Za-z]{1,20}))?\.(\d{1,9})$/.exec(text) ?? [];
  if (version === undefined || name === undefined || number === undefined)
    return { ok: false, why: "notOne" };
  if (Number(version) !== GAME_VERSION) return { ok: false, why: "otherVersion" };
  const level = LEVELS.find((one) => one === name);
  const kind = FREE_KINDS.find((one) => one === chosen);
  if (!level || (chosen !== undefined && (level !== "free" || !kind))) return { ok: false, why: "noLevel" };
  const seed = Number(number);
  return seed <= 999_999 ? { ok: true, asked: { level, seed, kind } } : { ok: false, why: "noSeed" };
}
