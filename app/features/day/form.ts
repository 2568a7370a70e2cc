/** The heats of a day as typed, and a forecast that was looked through. */
import * as z from "zod/mini";
import type { KnownReading } from "#core/forecast/weigh.ts";
import { ForecastEntry, HeatsEntry, MOST_HEATS, type Heat } from "#core/log/schema.ts";
import type { LogLine } from "#core/log/present.ts";
import { airStateFromLog } from "#core/rig/from-build.ts";
import type { UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { instantAt } from "#app/journal/clock.ts";
import { typedQuantity } from "#app/ui/typed.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

export interface HeatTexts {
  readonly name: string;
  readonly time: string;
  readonly minutes: string;
}

export interface DayTexts {
  readonly day: string;
  readonly place: string;
  readonly elevation: string;
  readonly heats: HeatTexts[];
}

const DAY = /^20\d{2}-\d{2}-\d{2}$/;
const TIME = /^([01]?\d|2[0-3])[:.h]([0-5]\d)$/;

/** @returns `9:05`, `09.05` or `9h05` as `09:05`, or nothing */
export function clockText(text: string): string | undefined {
  const [, hour, minute] = TIME.exec(text.trim()) ?? [];
  return hour === undefined || minute === undefined ? undefined : `${hour.padStart(2, "0")}:${minute}`;
}

const HeatRow = z.pipe(
  z.object({
    name: z.string().check(z.maxLength(40)),
    time: z.string().check(z.maxLength(40)),
    minutes: z.string().check(z.maxLength(40)),
  }),
  z.transform((row, ctx): Omit<Heat, "at"> & { time: string } => {
    const say = (path: keyof HeatTexts, message: string) => sayIssue(ctx, message, [path]);
    const time = clockText(row.time);
    const minutes = readTypedNumber(row.minutes);
    const name = row.name.trim();
    if (name === "") say("name", "A name, such as Heat 1.");
    if (time === undefined) say("time", "A time, such as 14:30.");
    const long = minutes.ok && minutes.value >= 1 && minutes.value <= 600;
    if (!long) say("minutes", "Minutes, 1 to 600.");
    return time === undefined || !long || name === "" ? z.NEVER : { name, time, minutes: minutes.value };
  }),
);

/** @param unit - of the height, as the tuner likes it */
export const heatsForm = (unit: UnitOf<"length">) =>
  z.pipe(
    z.object({
      day: z.string().check(z.regex(DAY, "A day, such as 2026-05-23.")),
      place: HeatsEntry.shape.place,
      elevation: typedQuantity("length", unit, HeatsEntry.shape.elevationM),
      heats: z.array(HeatRow).check(z.minLength(1, "Name one heat at least."), z.maxLength(MOST_HEATS)),
    }),
    z.transform(({ day, place, elevation, heats }): Omit<HeatsEntry, "id" | "at" | "kind"> => ({
      place,
      elevationM: elevation,
      heats: heats
        .map(({ name, time, minutes }) => ({ name, at: instantAt(day, time), minutes }))
        .sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
    })),
  );

/** @returns the rig's own readings, as a forecast is held against them: a pressure only where a barometer read it */
export const knownReadings = (lines: readonly LogLine[]): KnownReading[] =>
  lines.flatMap(({ entry, struck, setAside }) => {
    if (entry.kind !== "air" || struck || setAside !== undefined) return [];
    const { at, temperatureK, elevationM, pressure } = entry;
    return {
      ms: Date.parse(at),
      temperatureK,
      ...(elevationM !== undefined && { elevationM }),
      ...(pressure.kind !== "standard" && { pressurePa: airStateFromLog(entry).pressurePa }),
    };
  });

/** What the screen sends when a forecast is kept: read and looked through there. */
export const ForecastSent = z.object({
  place: ForecastEntry.shape.place,
  elevationM: ForecastEntry.shape.elevationM,
  file: ForecastEntry.shape.file,
  hours: ForecastEntry.shape.hours,
  simulated: z.boolean(),
});
export type ForecastSent = z.infer<typeof ForecastSent>;

/** @returns rows of heats that start so many minutes apart; @throws {RangeError} for a time that is none */
export function heatsEvery(first: string, everyMin: number, count: number, minutes: string): HeatTexts[] {
  const clock = clockText(first);
  if (clock === undefined) throw new RangeError(`first start must be a time, got ${first}`);
  const start = 60 * Number(clock.slice(0, 2)) + Number(clock.slice(3));
  const pad = (value: number) => String(value).padStart(2, "0");
  return Array.from({ length: count }, (_, i): HeatTexts => {
    const at = Math.min(24 * 60 - 1, start + i * everyMin);
    return { name: `Heat ${i + 1}`, time: `${pad(Math.floor(at / 60))}:${pad(at % 60)}`, minutes };
  });
}
