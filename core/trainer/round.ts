/** Rounds of the plug trainer: which plugs are drawn, in which light, and what was called what. */
import type { Tone } from "../log/parts.ts";
import { TONES } from "../log/parts.ts";
import { toneBand, toneCentre } from "../looks/plug-tone.ts";
import { seededRandom } from "../numbers/random.ts";
import { LIGHTS, type LightName } from "../pictures/light.ts";
import { plugScene, type PlugScene } from "../pictures/plug-scene.ts";
import type { Burns } from "../pictures/plug-scene.ts";
import { requireRange } from "../units/guard.ts";

export const PLUGS_A_ROUND = 20;

export interface RoundAsked {
  readonly seed: number;
  /** one light, or each plug in another */
  readonly light: LightName | "mixed";
  readonly burns: Burns;
}

export interface TrainerPlug {
  /** mixture error that it shows, log, + lean */
  readonly error: number;
  /** what a perfect eye calls it */
  readonly tone: Tone;
  readonly scene: PlugScene;
  readonly seed: number;
}

/** A plug that was called: its truth beside the word. */
export interface Call {
  readonly error: number;
  readonly light: LightName;
  readonly called: Tone;
}

/** Share of a tone's band about its middle that plugs are drawn from: nearer to its edge two words would be right. */
const INNER = 0.8;
/** Half width of the two tones whose band has no end. */
const OPEN_HALF_WIDTH = 0.03;

function errorOf(tone: Tone, share: number): number {
  const { low, high } = toneBand(tone);
  const half = Number.isFinite(high - low) ? (high - low) / 2 : OPEN_HALF_WIDTH;
  return toneCentre(tone) + INNER * half * (2 * share - 1);
}

/**
 * The plugs of a round: every tone comes at least twice, in no order.
 * @param asked - the same seed draws the same plugs
 * @throws {RangeError} unless the seed is a whole number from 0 to 2³² - 1
 */
export function roundOf({ seed, light, burns }: RoundAsked): TrainerPlug[] {
  requireRange("seed", seed, 0, 2 ** 32 - 1);
  if (!Number.isInteger(seed)) throw new RangeError(`seed must be a whole number, got ${seed}`);
  const random = seededRandom(seed);
  const tones = Array.from({ length: PLUGS_A_ROUND }, (_, i) =>
    i < 2 * TONES.length
      ? TONES[i % TONES.length]
      : TONES[Math.floor(TONES.length * random.uniform()) % TONES.length],
  );
  // Fisher-Yates.
  for (let i = tones.length - 1; i > 0; i -= 1) {
    const j = Math.floor((i + 1) * random.uniform());
    [tones[i], tones[j]] = [tones[j], tones[i]];
  }
  return tones.map((tone = "biscuit") => {
    const error = errorOf(tone, random.uniform());
    const inLight = light === "mixed" ? (LIGHTS[Math.floor(3 * random.uniform())] ?? "shade") : light;
    return {
      error,
      tone,
      scene: plugScene(error, { light: inLight, burns }),
      seed: Math.floor(2 ** 31 * random.uniform()),
    };
  });
}
