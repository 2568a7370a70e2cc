/**
 * Numbers and dates as this device's region writes them, through `Intl`; the words stay English. No digits are grouped,
 * so that "1,250" is never read back as 1.25. Jets stay as they are stamped, files as they are.
 */
import * as quantity from "#core/units/quantity.ts";
import * as workshop from "#core/units/workshop.ts";

/** Until the page says whose it is: tests and the command line read the same everywhere. */
let [numbers, days] = ["en-GB", "en-GB"];
let formats = new Map<string, Intl.NumberFormat>();

/** @param language - of the device, such as `de-CH`; one that is none leaves all as it was */
export function setRegion(language: string): void {
  try {
    const { region } = new Intl.Locale(language).maximize();
    const english = region === undefined ? "en-GB" : `en-${region}`;
    [numbers, days] = [Intl.getCanonicalLocales(language)[0] ?? "en-GB", english];
    formats = new Map();
  } catch {
    // A browser's language may be set to anything.
  }
}

/** Of scripts from right to left: unseen, and no part of a number. */
const WRITING_MARKS = /[\u061c\u200e\u200f]/g;

function format(value: number, least: number, most: number): string {
  const key = `${least} ${most}`;
  let found = formats.get(key);
  if (!found) {
    found = new Intl.NumberFormat(numbers, {
      minimumFractionDigits: least,
      maximumFractionDigits: most,
      useGrouping: false,
      numberingSystem: "latn",
      // What rounds to nothing has no sign.
      signDisplay: "negative",
    });
    formats.set(key, found);
  }
  return found.format(value).replace(WRITING_MARKS, "");
}

/** @returns the number with so many decimals: `1.50`, `1,50` */
export const fixed = (value: number, decimals: number): string => format(value, decimals, decimals);

/** @returns the number with no more decimals than it has, and no more than these: `1.5`, `1,5` */
export const shortest = (value: number, most: number): string => format(value, 0, most);

/** @returns a number that was written with a point, as the region writes it */
const local = (written: string): string =>
  written.replace(/\d\.\d/, (at) => at.replace(".", fixed(0.1, 1).charAt(1)));

/** @returns a number as it stands in a field, with all its digits */
export const typedText = (value: number): string => local(String(value));

export const formatNumber: typeof quantity.formatNumber = (...of) => local(quantity.formatNumber(...of));
export const formatQuantity: typeof quantity.formatQuantity = (...of) =>
  local(quantity.formatQuantity(...of));
export const formatTurns = (turns: number): string => local(workshop.formatTurns(turns));
export const formatPercent = (logRatio: number, decimals?: number): string =>
  local(workshop.formatPercent(logRatio, decimals));

/** @returns a day of the log, `2026-05-23`, as the region puts it: `Saturday 23 May 2026` */
export const dayWords = (day: string, how: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(days, { ...how, timeZone: "UTC" })
    .format(new Date(`${day.slice(0, 10)}T00:00:00Z`))
    // Some browsers put a comma there, others do not.
    .replace(/^(\w+),/, "$1");
