/** The browser's clock, written as the log wants it: with the offset of the place. */

const two = (value: number): string => String(Math.floor(value)).padStart(2, "0");

/** @returns `2026-05-23T13:40:00+02:00`: the time here and how far that is from Greenwich */
export function localInstant(date: Date = new Date()): string {
  const east = -date.getTimezoneOffset();
  // A date that is read as Greenwich time shows what the clock here shows.
  const shown = new Date(date.getTime() + 60_000 * east).toISOString().slice(0, 19);
  return `${shown}${east < 0 ? "-" : "+"}${two(Math.abs(east) / 60)}:${two(Math.abs(east) % 60)}`;
}

/** Minutes east of Greenwich of this device's clock when it shows that: put on and back as its place does it. */
export function wallClock(shownMs: number): number {
  const shown = new Date(shownMs);
  const here = new Date(
    shown.getUTCFullYear(),
    shown.getUTCMonth(),
    shown.getUTCDate(),
    shown.getUTCHours(),
    shown.getUTCMinutes(),
  );
  return -here.getTimezoneOffset();
}

/** @returns the instant at which this device's clock shows a day and a time, `2026-05-23` and `14:30` */
export const instantAt = (day: string, time: string): string => localInstant(new Date(`${day}T${time}`));
