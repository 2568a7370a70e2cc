/** The browser's clock, written as the log wants it: with the offset of the place. */

import { localInstant } from "#app/vocabulary/local-instant.ts";

export { localInstant };

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
