/** The day and the clock that the demo is told for; it is moved to the present from there. */
export const TOLD_DAY = "2026-05-23";
export const TOLD_OFFSET = "+02:00";
