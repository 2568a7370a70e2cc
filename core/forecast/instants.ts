/** Parses a table's times: with a UTC offset, or local wall-clock time with daylight saving. */

/** @returns minutes east of Greenwich of a clock on the wall, given what it shows as if that were UTC */
export type WallClock = (shownMs: number) => number;

const ISO =
  /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ,]+(\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const DOTTED = /^(\d{1,2})\.(\d{1,2})\.(\d{4})[ ,T]+(\d{1,2}):(\d{2})(?::(\d{2}))?$/;
const MINUTE_MS = 60_000;

/** What a text shows, and the zone that it names itself. */
interface Shown {
  readonly ms: number;
  readonly offsetMin?: number;
}

const utc = (y: string, m: string, d: string, h = "0", min = "0", s = "0"): number | undefined => {
  const [year, month, day, hour, minute, second] = [y, m, d, h, min, s].map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const ms = Date.UTC(year, month - 1, day, hour, minute, second);
  const read = new Date(ms);
  if (minute > 59 || second > 59) return undefined;
  // The 31st of a short month, or 25 o'clock: no day at all. Midnight as 24:00 is the next day's.
  const whole = read.getUTCDate() === day && read.getUTCMonth() === month - 1;
  return whole || (hour === 24 && minute === 0) ? ms : undefined;
};

/** @returns minutes east of Greenwich of "Z", "+02:00" or "-0330" */
export function offsetOf(zone: string | undefined): number | undefined {
  if (zone === undefined) return undefined;
  if (/z/i.test(zone)) return 0;
  const sign = zone.startsWith("-") ? -1 : 1;
  const digits = zone.replace(/\D/g, "");
  return sign * (60 * Number(digits.slice(0, 2)) + Number(digits.slice(2)));
}

function shownBy(text: string): Shown | undefined {
  const trimmed = text.trim();
  if (/^\d{10}(\d{3})?$/.test(trimmed)) {
    const value = Number(trimmed);
    return { ms: trimmed.length === 10 ? 1000 * value : value, offsetMin: 0 };
  }
  const iso = ISO.exec(trimmed);
  const dotted = DOTTED.exec(trimmed);
  if (!iso && !dotted) return undefined;
  const [, a = "", b = "", c = "", h, min, s, zone] = iso ?? dotted ?? [];
  const ms = iso ? utc(a, b, c, h, min, s) : utc(c, b, a, h, min, s);
  if (ms === undefined) return undefined;
  const offsetMin = offsetOf(zone);
  return { ms, ...(offsetMin !== undefined && { offsetMin }) };
}

/** @returns an hour of the day such as "14", "14:30", "1430", "14h" or "2 pm" as 14:30, nothing for any other text */
export function clockIn(text: string): string | undefined {
  const [, hours = "", minutes = "0", half] =
    /^(\d{1,2})(?:[:.h]?([0-5]\d))?(?::[0-5]\d)?\s*h?\s*(am|pm)?$/i.exec(text.trim()) ?? [];
  if (hours === "") return undefined;
  const twelve = half !== undefined;
  const hour = twelve ? (Number(hours) % 12) + (/pm/i.test(half) ? 12 : 0) : Number(hours);
  if (hour > 24 || (twelve && Number(hours) > 12)) return undefined;
  return `${String(hour).padStart(2, "0")}:${minutes.padStart(2, "0")}`;
}

/** @returns the moments of rows as texts: of one column, or of a day's and its hour's */
export const timeTexts = (
  rows: readonly (readonly string[])[],
  time: number | undefined,
  hour?: number,
): string[] =>
  rows.map((row) => {
    const day = (time === undefined ? "" : (row[time] ?? "")).trim();
    if (hour === undefined) return day;
    return `${day.split(/[T\s]/)[0] ?? ""} ${clockIn(row[hour] ?? "") ?? "?"}`;
  });

/** @returns whether a text names its own zone */
export const namesItsZone = (text: string): boolean => shownBy(text)?.offsetMin !== undefined;

/**
 * @param texts - in the order of the file
 * @param clock - of texts that name no zone
 * @returns milliseconds since 1970, NaN where a text is no time. In the night when clocks go back the second of two
 *   like hours is an hour later; hours that the clock skips are those after it
 */
export function instantsOf(texts: readonly string[], clock: WallClock): number[] {
  let last = Number.NaN;
  return texts.map((text) => {
    const shown = shownBy(text);
    if (!shown) return Number.NaN;
    const { ms, offsetMin } = shown;
    if (offsetMin !== undefined) return ms - MINUTE_MS * offsetMin;
    let at = ms - MINUTE_MS * clock(ms);
    // The same hour once more: by the clock of an hour later, which is put back already.
    if (at <= last) {
      const later = ms - MINUTE_MS * clock(ms + 2 * 60 * MINUTE_MS);
      if (later > last) at = later;
    }
    last = at;
    return at;
  });
}

/** @returns minutes east of Greenwich as an instant ends in them, such as "+02:00" */
export function offsetText(offsetMin: number): string {
  const size = Math.abs(offsetMin);
  const pad = (n: number) => String(n).padStart(2, "0");
  return `${offsetMin < 0 ? "-" : "+"}${pad(Math.floor(size / 60))}:${pad(size % 60)}`;
}

/** @returns an instant as a log writes it, by that clock; @throws {RangeError} if it is no time */
export function instantText(ms: number, offsetMin: number): string {
  if (!Number.isFinite(ms)) throw new RangeError(`instant must be a finite number, got ${ms}`);
  const shown = new Date(ms + MINUTE_MS * offsetMin).toISOString().slice(0, 19);
  return `${shown}${offsetText(offsetMin)}`;
}
