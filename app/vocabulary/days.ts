import { localInstant } from "./local-instant.ts";
import { dayWords } from "./numerals.ts";

/** `Saturday 23 May 2026`, from an instant with its own offset: the tuner's own calendar day. */
export const dayTitle = (at: string): string =>
  dayWords(at, { weekday: "long", day: "numeric", month: "long", year: "numeric" });

/** `23 May 2026`, where there is little room. */
export const dayShort = (at: string): string =>
  dayWords(at, { day: "numeric", month: "short", year: "numeric" });

/** `23 May 2026, 13:40`, as the clock of its place had it. */
export const momentWords = (at: string): string => `${dayShort(at)}, ${at.slice(11, 16)}`;

/** `13:40`, by this device's clock. */
export const clockWords = (at: string | number): string => localInstant(new Date(at)).slice(11, 16);

/** @returns how long ago in words: `just now`, `64 min`, `5 h`, `3 days` */
export function agoWords(at: string, now: Date): string {
  const minutes = Math.max(0, Math.round((now.getTime() - Date.parse(at)) / 60_000));
  if (minutes < 2) return "just now";
  if (minutes < 100) return `${minutes} min`;
  if (minutes < 36 * 60) return `${Math.round(minutes / 60)} h`;
  return `${Math.round(minutes / 1440)} days`;
}

/** @returns does an instant lie on another day than now, by this device's calendar? */
export const isAnotherDay = (at: string, now: Date): boolean =>
  at.slice(0, 10) !== localInstant(now).slice(0, 10);

export const MONTH_NAMES = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
] as const;

/** @returns `in 12 min`, `in 2 h 05`, `now`, or nothing once it is over */
export function countdownWords(startMs: number, minutes: number, nowMs: number): string | undefined {
  const left = Math.ceil((startMs - nowMs) / 60_000);
  if (left <= -minutes) return undefined;
  if (left <= 0) return "now";
  if (left < 100) return `in ${left} min`;
  const hours = Math.floor(left / 60);
  return hours < 48
    ? `in ${hours} h ${String(left % 60).padStart(2, "0")}`
    : `in ${Math.round(hours / 24)} days`;
}
