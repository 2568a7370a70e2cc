/** The coming day in each demo log: forecast, heats, a route. */
import { weatherOf } from "#core/forecast/air-ahead.ts";
import { instantText } from "#core/forecast/instants.ts";
import type { AirEntry, ForecastEntry, HeatsEntry, RouteEntry } from "#core/log/schema.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { airStateFromLog } from "#core/rig/from-build.ts";
import { wayOf } from "#core/route/track.ts";
import { drawDay, forecastFor } from "#core/simulator/forecasts.ts";
import { drawTrack, type Col } from "#core/simulator/mountain-track.ts";
import type { Place } from "./story.ts";

const HOUR_MS = 3_600_000;
const HOURS = 36;
/** A story's way is drawn on a screen, not surveyed. */
const MOST_POINTS = 120;

interface Now {
  /** when it is known */
  readonly at: string;
  /** the day after, `2026-05-24` */
  readonly tomorrow: string;
  readonly offset: string;
  readonly seed: number;
}

type Body<T> = Omit<T, "id" | "at" | "kind">;

const offsetMin = (offset: string): number => {
  const [hours, minutes] = offset.slice(1).split(":").map(Number);
  return (offset.startsWith("-") ? -1 : 1) * (60 * (hours ?? 0) + (minutes ?? 0));
};

/** From noon of the last day on, through the air that was read there. */
export function forecastTold(
  { place, elevationM }: Place,
  air: AirEntry,
  { at, tomorrow, offset, seed }: Now,
): Body<ForecastEntry> {
  const random = seededRandom(seed);
  const noon = Date.parse(`${tomorrow}T12:00:00${offset}`) - 24 * HOUR_MS;
  const hour = (Date.parse(air.at) - noon) / HOUR_MS;
  const day = drawDay(elevationM, random, { hour: hour + 12, weather: weatherOf(airStateFromLog(air)) });
  // The day is drawn from its midnight on; the table begins at noon.
  const hours = forecastFor(
    { elevationM, at: (later) => day.at(later + 12) },
    {
      midnightMs: noon,
      offsetMin: offsetMin(offset),
      madeAt: (Date.parse(at) - noon) / HOUR_MS,
      hours: HOURS,
    },
    random,
  );
  return { place, elevationM, file: "simulated-forecast.csv", hours, simulated: true };
}

export const heatsTold = (
  { place, elevationM }: Place,
  starts: readonly (readonly [name: string, time: string])[],
  minutes: number,
  { tomorrow, offset }: Now,
): Body<HeatsEntry> => ({
  place,
  elevationM,
  heats: starts.map(([name, time]) => ({ name, at: `${tomorrow}T${time}:00${offset}`, minutes })),
});

export function routeTold(col: Col, time: string, { tomorrow, offset, seed }: Now): Body<RouteEntry> {
  const startAt = `${tomorrow}T${time}:00${offset}`;
  const points = drawTrack(col, Date.parse(startAt), seededRandom(seed));
  const way = wayOf({ name: col.name, segments: [points] }, col.averageMs).points;
  const every = Math.ceil(way.length / MOST_POINTS);
  return {
    name: col.name,
    startAt: instantText(Date.parse(startAt), offsetMin(offset)),
    points: way.filter((_, i) => i % every === 0 || i === way.length - 1),
    simulated: true,
  };
}
