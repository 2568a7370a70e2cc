const two = (value: number): string => String(Math.floor(value)).padStart(2, "0");

/** @returns `2026-05-23T13:40:00+02:00`: the time here and how far that is from Greenwich; of no date, no instant */
export function localInstant(date: Date = new Date()): string {
  if (Number.isNaN(date.getTime())) return "no instant";
  const east = -date.getTimezoneOffset();
  // A date that is read as Greenwich time shows what the clock here shows.
  const shown = new Date(date.getTime() + 60_000 * east).toISOString().slice(0, 19);
  return `${shown}${east < 0 ? "-" : "+"}${two(Math.abs(east) / 60)}:${two(Math.abs(east) % 60)}`;
}
