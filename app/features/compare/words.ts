/** What sets two days or two settings apart, in words. */
import type { DaysCompared } from "#core/day/compare-days.ts";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { FittedOnce } from "#core/day/compare-settings.ts";
import { dayShort } from "#app/vocabulary/days.ts";
import { partValue, shiftWords, sizeWords, ZONE_NAMES } from "#app/vocabulary/parts.ts";

/** Less nobody reads. */
const FELT = 0.005;

/** @returns how a cause moved a zone: `2.1 % leaner`, or a dash */
export const movedBy = (shift: number): string => (Math.abs(shift) < FELT ? "–" : shiftWords(shift));

const CAUSES = [
  ["air", "the air"],
  ["parts", "the parts"],
  ["engine", "the engine itself, or what is known of it since"],
] as const;

/** @returns the zone that moved most, and what did most of it; nothing where none moved */
export function mostWords(compared: DaysCompared): string {
  const { a, b } = compared;
  const by = (zone: Zone) => b.zones[zone].mean - a.zones[zone].mean;
  const most = ZONES.reduce((one, zone) => (Math.abs(by(zone)) > Math.abs(by(one)) ? zone : one));
  if (Math.abs(by(most)) < FELT) return "No zone moved enough to show on a plug.";
  const along = (cause: (typeof CAUSES)[number][0]) => compared[cause][most] * Math.sign(by(most));
  const [cause, words] = CAUSES.reduce((one, other) => (along(other[0]) > along(one[0]) ? other : one));
  return `${ZONE_NAMES[most]} moved most, ${shiftWords(by(most))}: ${sizeWords(100 * along(cause))} of it by ${words}.`;
}

/** @returns `48 · 1¾ · clip 3 · 155, until 3 May 2026` */
export function settingName({ setting, day }: FittedOnce): string {
  const { pilot, screwTurns, clip, shimMm, main } = setting;
  const parts = [
    partValue("pilot", pilot),
    partValue("screwTurns", screwTurns),
    `clip ${partValue("clip", clip)}`,
    ...(shimMm === 0 ? [] : [partValue("shimMm", shimMm)]),
    partValue("main", main),
  ];
  return `${parts.join(" · ")}, until ${dayShort(day)}`;
}
