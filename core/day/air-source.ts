/** Chooses the source of a coming air: a forecast corrected by the day's readings, else the last reading. */
import type { HumidAir } from "../air/humid-air.ts";
import { aheadOf, heldAir, tellsOf, weatherOf, type AirAhead, type Reading } from "../forecast/air-ahead.ts";
import { forecastOf, type Forecast, type Weather } from "../forecast/forecast.ts";
import { placeKey } from "../log/day-schema.ts";
import { airsRead } from "../log/airs-read.ts";
import type { Present } from "../log/present.ts";
import type { AirEntry, Build, ForecastEntry } from "../log/schema.ts";
import { airStateFromLog } from "../rig/from-build.ts";

export interface AirSource {
  readonly airAt: (ms: number, elevationM?: number) => AirAhead;
  /** in the order of how much they say */
  readonly kind: "forecast" | "held" | "usual";
  /** the entry that it comes from */
  readonly entryId?: string;
  readonly place?: string;
  /** of the place, taken into a forecast */
  readonly readings: number;
  /** how far the forecast is off by the newest of them */
  readonly learnt?: Weather;
  /** the forecast tells less than all of the time asked about */
  readonly short: boolean;
}

interface When {
  /** whose forecast goes before another's */
  readonly place?: string;
  readonly elevationM: number;
  readonly fromMs: number;
  readonly toMs: number;
}

const HOUR_MS = 3_600_000;

/**
 * The thinnest air to be believed at a moment without any file: the newest reading, held and brought to the height, at
 * the thin end of its doubt.
 */
export function thinnestWithoutFiles(
  present: Present,
  build: Build,
  { ms, elevationM }: { readonly ms: number; readonly elevationM: number },
): HumidAir {
  const { ahead } = present;
  const bare = { ...present, ahead: { ...ahead, forecasts: [] } };
  const { air, likely } = airSource(bare, build, { elevationM, fromMs: ms, toMs: ms }).airAt(ms, elevationM);
  return likely.reduce((thin, one) => (one.air.dryDensityKgM3 < thin.dryDensityKgM3 ? one.air : thin), air);
}

const readingOf = (air: AirEntry): Reading => ({
  ms: Date.parse(air.at),
  weather: weatherOf(airStateFromLog(air)),
  ...(air.elevationM !== undefined && { elevationM: air.elevationM }),
});

/**
 * The newest that tells all of the time asked about, else the newest that tells some of it; that place's own before
 * another's: a paddock and its pass go by several names.
 */
function forecastFor(
  forecasts: readonly ForecastEntry[],
  { place, fromMs, toMs }: When,
): { entry: ForecastEntry; forecast: Forecast; short: boolean } | undefined {
  const own = (entry: ForecastEntry) =>
    place !== undefined && placeKey(entry.place) === placeKey(place) ? 0 : 1;
  const told = [...forecasts]
    .reverse()
    .sort((a, b) => own(a) - own(b))
    .map((entry) => ({ entry, forecast: forecastOf(entry) }));
  const all = told.find(
    ({ forecast }) => forecast.fromMs <= fromMs + HOUR_MS && forecast.toMs >= toMs - HOUR_MS,
  );
  if (all) return { ...all, short: false };
  const some = told.find(({ forecast }) => forecast.fromMs < toMs && forecast.toMs > fromMs);
  return some && { ...some, short: true };
}

/**
 * @param build - whose baseline's air stands in where none was ever read
 * @throws {RangeError} for a height no wheel can reach
 */
export function airSource(present: Present, build: Build, when: When): AirSource {
  const { elevationM } = when;
  const airs = airsRead(present);
  const found = forecastFor(present.ahead.forecasts, when);
  if (found) {
    const { entry, forecast, short } = found;
    const telling = airs.filter((air) => tellsOf(air, forecast, elevationM));
    const readings = telling.map(readingOf);
    const airAt = aheadOf(forecast, readings, elevationM);
    const last = readings.at(-1);
    const said = last && forecast.at(last.ms, last.elevationM ?? elevationM);
    return {
      airAt,
      kind: "forecast",
      entryId: entry.id,
      place: entry.place,
      readings: readings.length,
      short,
      ...(last &&
        said && {
          learnt: {
            temperatureK: last.weather.temperatureK - said.temperatureK,
            dewPointK: last.weather.dewPointK - said.dewPointK,
            pressurePa: last.weather.pressurePa - said.pressurePa,
          },
        }),
    };
  }
  const last = airs.at(-1);
  if (last)
    return {
      airAt: heldAir(readingOf(last), last.elevationM ?? elevationM),
      kind: "held",
      entryId: last.id,
      place: last.place,
      readings: 0,
      short: false,
    };
  const usual = { ms: when.fromMs - 24 * HOUR_MS, weather: weatherOf(build.baseline.air) };
  return { airAt: heldAir(usual, elevationM), kind: "usual", readings: 0, short: false };
}
