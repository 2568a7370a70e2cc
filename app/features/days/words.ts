/** What sets a past day apart from this one, in words. */
import type { PastDay } from "#core/day/days-like.ts";
import { ZONES, type PerZone } from "#core/carburettor/zones.ts";
import { capital, shiftWords, zoneInSentence } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

/** Less is the same air, as far as any instrument tells. */
const SAME_AIR = 0.003;
const SAME_WATER_PA = 150;

function airDiffers({ denser, damperPa }: PastDay, { pressure }: Preferences): string {
  const share = `${fixed(100 * Math.abs(denser), 1)} %`;
  const air =
    Math.abs(denser) < SAME_AIR
      ? "as much to burn as today"
      : `today has ${share} ${denser > 0 ? "more" : "less"} to burn`;
  if (Math.abs(damperPa) < SAME_WATER_PA) return air;
  const water = formatQuantity("pressure", Math.abs(damperPa), pressure);
  return `${air}, and is ${damperPa > 0 ? "damper" : "drier"} by ${water} of vapour`;
}

/** @returns one sentence: the air, the place, the machine */
export function differsWords(day: PastDay, preferences: Preferences): string {
  const parts = [
    airDiffers(day, preferences),
    day.samePlace ? "the same place" : "another place",
    day.worked ? "parts or passages have been worked on since" : "the same machine",
  ];
  return `${capital(parts.join("; "))}.`;
}

/** Less than this nobody reads. */
const FELT = 0.005;

/** @returns what the air between the two days does to that setting */
export function movedWords(moved: PerZone<number>): string {
  const felt = ZONES.filter((zone) => Math.abs(moved[zone]) >= FELT);
  if (felt.length === 0) return "In today’s air that setting does what it did.";
  const words = felt.map((zone) => `${zoneInSentence(zone)} ${shiftWords(moved[zone])}`);
  return `In today’s air that setting is, against that day: ${words.join(", ")}.`;
}
