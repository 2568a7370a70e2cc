/** What the instruments of the air say, in words. */
import { pressureWorth } from "#core/satellites/height.ts";
import { fromSI } from "#core/units/quantity.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";

/** A small difference of pressure: two figures of it are enough. */
function differenceWords(pascals: number, unit: Preferences["pressure"]): string {
  return `${Number(fromSI("pressure", pascals, unit).toPrecision(2))} ${unit}`;
}

/** Less than this an hour is no weather. */
const STEADY_PA = 40;

/** @param paPerHour - nothing before ten minutes are known */
export function trendWords(paPerHour: number | undefined, unit: Preferences["pressure"]): string {
  if (paPerHour === undefined) return "its trend shows after ten minutes";
  if (Math.abs(paPerHour) < STEADY_PA) return "steady";
  const moved = differenceWords(Math.abs(paPerHour), unit);
  return `${paPerHour > 0 ? "rising" : "falling"} ${moved} an hour`;
}

/** @returns a height with its error, and what that error is worth on a barometer */
export function heightWords(heightM: number, sdM: number, { length, pressure }: Preferences): string {
  const worthPa = pressureWorth(heightM, sdM);
  return `${formatNumber("length", heightM, length)} ± ${formatQuantity("length", sdM, length)}, worth ± ${differenceWords(worthPa, pressure)}`;
}
