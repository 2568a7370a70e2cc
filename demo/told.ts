/**
 * The demo as it ships: told once by `npm run tell` and kept as a file, so that a first visit need not ride two days
 * before it shows anything. Only the calendar is moved. It is told anew when the story is, not with every change of
 * the advice: what was advised then stays in a log, as it does in a tuner's own.
 */
import { inOrder } from "#core/log/in-order.ts";
import type { Entry } from "#core/log/schema.ts";
import type { DemoRig } from "./story.ts";
import { TOLD_DAY } from "./told-day.ts";
import told from "./told.json" with { type: "json" };

const DAY_MS = 86_400_000;

const shiftDay = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Days to come are moved with the day that they follow. */
function movedEntry(entry: Entry, moved: (at: string) => string): Entry {
  const at = moved(entry.at);
  const all = <T extends { at: string }>(list: readonly T[]): T[] =>
    list.map((one) => ({ ...one, at: moved(one.at) }));
  switch (entry.kind) {
    case "forecast":
      return { ...entry, at, hours: all(entry.hours) };
    case "heats":
      return { ...entry, at, heats: all(entry.heats) };
    case "route":
      return { ...entry, at, startAt: moved(entry.startAt) };
    default:
      return { ...entry, at };
  }
}

/**
 * @param lastDay - the calendar day the stories end on, `2026-05-23`
 * @param offset - of the place's clock, `+02:00`
 * @returns the rigs as told, on those days; unchecked: the store parses what it keeps
 */
export function demoMovedTo(lastDay: string, offset: string): DemoRig[] {
  const days = Math.round((Date.parse(lastDay) - Date.parse(TOLD_DAY)) / DAY_MS);
  const moved = (at: string) => `${shiftDay(at.slice(0, 10), days)}${at.slice(10, 19)}${offset}`;
  return (told as unknown as DemoRig[]).map(({ header, entries }) => ({
    header,
    entries: inOrder(entries.map((entry) => movedEntry(entry, moved))),
  }));
}
