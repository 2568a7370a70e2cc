/** Reads a table with known columns into hourly records; unusable rows are reported by number. */
import { looksLikeSeaLevel, meanSeaLevelPressure, stationPressureFromSetting } from "../air/barometer.ts";
import { MOST_HOURS, type ForecastHour } from "../log/schema.ts";
import { PRESSURE_DOMAIN_PA, SEA_LEVEL_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import {
  columnsProblem,
  fractionOf,
  kelvinOf,
  pressureOf,
  zoneMinutes,
  type ForecastMapping,
  type ForecastRole,
} from "./columns.ts";
import { instantsOf, instantText, namesItsZone, timeTexts, type WallClock } from "./instants.ts";
import type { Table } from "./table.ts";

export interface ForecastRead {
  readonly hours: readonly ForecastHour[];
  /** what the tuner should know before it is used, in his words */
  readonly notes: readonly string[];
}

interface ReadWith {
  readonly mapping: ForecastMapping;
  readonly clock: WallClock;
  /** of what the forecast tells */
  readonly elevationM: number;
}

const HOUR_MS = 3_600_000;
/** Between rows further apart nobody knows what the air does. */
const GAP_H = 4;

const inside = (value: number, { min, max }: { min: number; max: number }): boolean =>
  value >= min && value <= max;

/** One row, or nothing where a figure that counts is missing or cannot be. */
function hourOf(
  row: readonly string[],
  at: string,
  { mapping, elevationM }: Pick<ReadWith, "mapping" | "elevationM">,
): ForecastHour | undefined {
  const use = (role: ForecastRole) => mapping.find((one) => one.role === role);
  const read = (role: ForecastRole, as: (text: string, unit: string) => number): number => {
    const column = use(role);
    return column ? as(row[column.column] ?? "", column.unit) : Number.NaN;
  };
  const temperatureK = read("temperature", kelvinOf);
  if (!inside(temperatureK, TEMPERATURE_DOMAIN_K)) return undefined;
  const dewPointK = read("dewPoint", kelvinOf);
  const fraction = read("humidity", fractionOf);
  // A dew point says more than a rounded humidity; above the air by a rounding it is the air's.
  const humidity = inside(dewPointK, { min: 200, max: temperatureK + 1 })
    ? { kind: "dewPoint" as const, temperatureK: Math.min(dewPointK, temperatureK) }
    : inside(fraction, { min: 0, max: 1.02 })
      ? { kind: "relative" as const, fraction: Math.min(1, fraction) }
      : undefined;
  if (!humidity) return undefined;
  const hour = { at, temperatureK, humidity };
  const seaLevel = read("seaLevel", pressureOf);
  if (inside(seaLevel, SEA_LEVEL_DOMAIN_PA))
    return { ...hour, pressure: { kind: "seaLevel", pressurePa: seaLevel } };
  const altimeter = read("altimeter", pressureOf);
  if (inside(altimeter, SEA_LEVEL_DOMAIN_PA))
    return {
      ...hour,
      pressure: { kind: "station", pressurePa: stationPressureFromSetting(altimeter, elevationM) },
    };
  const station = read("station", pressureOf);
  if (inside(station, PRESSURE_DOMAIN_PA))
    return { ...hour, pressure: { kind: "station", pressurePa: station } };
  // A table that has a column for it and nothing in it has lost this row.
  return use("seaLevel") || use("altimeter") || use("station") ? undefined : hour;
}

const clockOf = (at: string): string => `${at.slice(8, 10)}. ${at.slice(11, 16)}`;

const warmestOf = (day: readonly ForecastHour[]): ForecastHour | undefined =>
  day.reduce<ForecastHour | undefined>(
    (best, hour) => (best && best.temperatureK >= hour.temperatureK ? best : hour),
    undefined,
  );

/** The warmest hour of a day comes after noon: told in another zone it does not. */
function zoneDoubt(hours: readonly ForecastHour[]): string | undefined {
  const clock = ({ at }: ForecastHour) => Number(at.slice(11, 13));
  const days = [...new Set(hours.map(({ at }) => at.slice(0, 10)))].map((date) =>
    hours.filter(({ at }) => at.startsWith(date)),
  );
  const whole = days.filter((day) => day.some((h) => clock(h) <= 3) && day.some((h) => clock(h) >= 21));
  const odd = whole.flatMap((day) => {
    const warmest = warmestOf(day);
    if (!warmest) return [];
    const span = warmest.temperatureK - Math.min(...day.map(({ temperatureK }) => temperatureK));
    const hour = clock(warmest);
    return span > 3 && (hour < 10 || hour > 19) ? [warmest] : [];
  });
  const [first] = odd;
  if (!first || odd.length <= whole.length / 2) return undefined;
  return `The warmest hour is ${first.at.slice(11, 16)}. Are the times another zone’s?`;
}

function gapNotes(hours: readonly ForecastHour[]): string[] {
  return hours.flatMap(({ at }, i) => {
    const next = hours[i + 1];
    if (!next || Date.parse(next.at) - Date.parse(at) <= GAP_H * HOUR_MS) return [];
    return [
      `Nothing from ${clockOf(at)} to ${clockOf(next.at)}: what lies between is guessed, with more doubt.`,
    ];
  });
}

/** Weather reaches from the one to the other at the sea. */
const AT_SEA_PA = { min: 93_000, max: 107_000 };

/** A station's pressure that belongs to another height. */
function heightNote(hours: readonly ForecastHour[], elevationM: number): string | undefined {
  const odd = hours.find(
    ({ pressure, temperatureK }) =>
      pressure?.kind === "station" &&
      !inside(meanSeaLevelPressure(pressure.pressurePa, elevationM, temperatureK), AT_SEA_PA),
  );
  return (
    odd &&
    `A pressure of ${Math.round((odd.pressure?.pressurePa ?? 0) / 100)} hPa does not belong to this height.`
  );
}

/**
 * @returns the hours in order, each once, and what is to be said of them
 * @throws {RangeError} in the tuner's words where nothing can be made of it
 */
export function readForecast(table: Table, { mapping, clock, elevationM }: ReadWith): ForecastRead {
  const problem = columnsProblem(mapping);
  if (problem !== undefined) throw new RangeError(problem);
  const time = mapping.find(({ role }) => role === "time");
  const texts = timeTexts(table.rows, time?.column, mapping.find(({ role }) => role === "hour")?.column);
  const offsetMin = zoneMinutes(time?.unit ?? "local");
  const asked = offsetMin === undefined ? clock : () => offsetMin;
  const instants = instantsOf(texts, asked);
  const rows = table.rows.flatMap((row, i) => {
    const ms = instants[i] ?? Number.NaN;
    if (!Number.isFinite(ms)) return [];
    const hour = hourOf(row, instantText(ms, clock(ms)), { mapping, elevationM });
    return hour ? [{ ms, hour }] : [];
  });
  rows.sort((a, b) => a.ms - b.ms);
  const once = rows.filter(({ ms }, i) => ms !== rows[i - 1]?.ms);
  const hours = once.slice(0, MOST_HOURS).map(({ hour }) => hour);
  const [first, last] = [hours[0], hours.at(-1)];
  if (!first || !last || hours.length < 2)
    throw new RangeError(
      instants.every((ms) => !Number.isFinite(ms))
        ? `No time could be read: “${(texts[0] ?? "").slice(0, 40)}” is none that is known here. Write it as 2026-05-23 14:00.`
        : "Fewer than two rows could be read with these columns and units. Check the units.",
    );
  const lost = table.rows.length - rows.length;
  const twice = rows.length - once.length;
  const tooMany = once.length - hours.length;
  const station = hours.filter(({ pressure }) => pressure?.kind === "station");
  const likeSea = station.filter(({ pressure }) => looksLikeSeaLevel(pressure?.pressurePa ?? 0, elevationM));
  const doubt = zoneDoubt(hours);
  const height = likeSea.length > station.length / 2 ? undefined : heightNote(hours, elevationM);
  return {
    hours,
    notes: [
      ...(lost > 0 ? [`${lost} of ${table.rows.length} rows could not be read and are left out.`] : []),
      ...(twice > 0 ? [`${twice} rows stand for an hour that was there already; the first counts.`] : []),
      ...(tooMany > 0 ? [`Only the first ${MOST_HOURS} hours are kept.`] : []),
      ...gapNotes(hours),
      ...(likeSea.length > station.length / 2
        ? ["The pressure is said to be the station’s and looks like one reduced to sea level. Which is it?"]
        : []),
      ...(height === undefined ? [] : [height]),
      ...(doubt !== undefined && !texts.some(namesItsZone) ? [doubt] : []),
      ...(hours.every(({ pressure }) => !pressure)
        ? ["There is no pressure in it: the standard atmosphere’s is taken, to about 1 %."]
        : []),
    ],
  };
}
