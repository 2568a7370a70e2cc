/**
 * Reduces a weather station's samples and checks them: means over half a minute, the trend of the pressure, and an
 * instrument that the sun warms.
 */
import { saturationVapourPressure } from "../air/saturation-vapour-pressure.ts";
import { TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { AIR_CHANNELS } from "./line-read.ts";
import type { Sample } from "./sample.ts";

export interface StationReading {
  readonly atMs: number;
  readonly temperatureK: number;
  /** 0..1 */
  readonly humidity: number;
  /** absent where the station has no barometer, or its pressure went silent */
  readonly pressurePa: number | undefined;
}

export type StationTraces = ReadonlyMap<number, readonly Sample[]>;

/** A glance is not a reading: so long is averaged. */
const MEAN_OVER_MS = 30_000;
/** What is older than this says nothing of now. */
const STALE_MS = 120_000;

function meanOfLast(samples: readonly Sample[] | undefined, nowMs: number): number | undefined {
  const recent = (samples ?? []).filter(({ atMs }) => atMs > nowMs - MEAN_OVER_MS);
  const last = samples?.at(-1);
  if (recent.length === 0) return last && last.atMs > nowMs - STALE_MS ? last.value : undefined;
  return recent.reduce((sum, { value }) => sum + value, 0) / recent.length;
}

/** @returns the air as it stands; nothing until temperature and humidity were heard */
export function stationReading(traces: StationTraces): StationReading | undefined {
  const [temperature, humidity, pressure] = [
    AIR_CHANNELS.temperature,
    AIR_CHANNELS.humidity,
    AIR_CHANNELS.pressure,
  ].map((channel) => traces.get(channel));
  const nowMs = Math.max(...[temperature, humidity, pressure].map((samples) => samples?.at(-1)?.atMs ?? 0));
  const [temperatureK, share] = [meanOfLast(temperature, nowMs), meanOfLast(humidity, nowMs)];
  if (temperatureK === undefined || share === undefined) return undefined;
  return { atMs: nowMs, temperatureK, humidity: share, pressurePa: meanOfLast(pressure, nowMs) };
}

interface Line {
  /** per millisecond */
  readonly slope: number;
  readonly mean: number;
}

/** Least squares. */
function lineThrough(xs: readonly number[], ys: readonly number[]): Line {
  const n = xs.length;
  const [mx, my] = [xs.reduce((a, b) => a + b, 0) / n, ys.reduce((a, b) => a + b, 0) / n];
  let [xy, xx] = [0, 0];
  xs.forEach((x, i) => {
    xy += (x - mx) * ((ys[i] ?? 0) - my);
    xx += (x - mx) ** 2;
  });
  return { slope: xx > 0 ? xy / xx : 0, mean: my };
}

const HOUR_MS = 3_600_000;
/** Less than this says nothing of an hour. */
const SHORTEST_TREND_MS = 10 * 60_000;
const TREND_OVER_MS = HOUR_MS;

/** @returns how the pressure moves, Pa an hour, over the last hour at most; nothing before ten minutes are known */
export function pressureTrend(traces: StationTraces): number | undefined {
  const samples = traces.get(AIR_CHANNELS.pressure) ?? [];
  const last = samples.at(-1);
  if (!last) return undefined;
  const recent = samples.filter(({ atMs }) => atMs > last.atMs - TREND_OVER_MS);
  const span = last.atMs - (recent[0]?.atMs ?? last.atMs);
  if (span < SHORTEST_TREND_MS || recent.length < 5) return undefined;
  const { slope } = lineThrough(
    recent.map(({ atMs }) => atMs),
    recent.map(({ value }) => value),
  );
  return slope * HOUR_MS;
}

/** The sun on a housing shows within so long. */
const SUN_OVER_MS = 30 * 60_000;
const LEAST_SPAN_MS = 8 * 60_000;
/** The air itself warms by some two kelvin an hour: more swing than that, beside its line, is not air. */
const LEAST_SWING_K = 0.6;
/** Humidity answers a heated sensor as if no water came or went; to this share. */
const SAME_WATER = 0.45;
const LEAST_TIED = 0.75;

/** @returns by how much the logarithm of the saturation pressure rises with a kelvin */
function perKelvin(temperatureK: number): number {
  const { min, max } = TEMPERATURE_DOMAIN_K;
  const middle = Math.max(min + 0.5, Math.min(max - 0.5, temperatureK));
  return Math.log(saturationVapourPressure(middle + 0.5) / saturationVapourPressure(middle - 0.5));
}

interface Pair {
  readonly atMs: number;
  readonly temperatureK: number;
  readonly lnHumidity: number;
}

/** The humidity that was told nearest to each temperature. */
function pairsOf(traces: StationTraces): Pair[] {
  const temperatures = traces.get(AIR_CHANNELS.temperature) ?? [];
  const humidities = traces.get(AIR_CHANNELS.humidity) ?? [];
  const last = temperatures.at(-1);
  if (!last) return [];
  let place = 0;
  return temperatures
    .filter(({ atMs }) => atMs > last.atMs - SUN_OVER_MS)
    .flatMap(({ atMs, value }): Pair[] => {
      while (
        place + 1 < humidities.length &&
        Math.abs((humidities[place + 1]?.atMs ?? 0) - atMs) <= Math.abs((humidities[place]?.atMs ?? 0) - atMs)
      )
        place += 1;
      const humidity = humidities[place]?.value;
      if (humidity === undefined || !(humidity > 0.02)) return [];
      return [{ atMs, temperatureK: value, lnHumidity: Math.log(humidity) }];
    });
}

/** What is left of a series once a straight line in time is taken out. */
function besideLine(times: readonly number[], values: readonly number[]): number[] {
  const { slope, mean } = lineThrough(times, values);
  const middle = times.reduce((a, b) => a + b, 0) / times.length;
  return values.map((value, i) => value - mean - slope * ((times[i] ?? 0) - middle));
}

/**
 * Whether the sun, a hand or an exhaust warms the instrument: its temperature swings faster than air does, and its
 * humidity moves against it exactly as if the water in the air stayed the same. A front moves both, but brings other
 * water with it; what warms the air itself is slow.
 */
export function warmedItself(traces: StationTraces): boolean {
  const pairs = pairsOf(traces);
  const [first, last] = [pairs[0], pairs.at(-1)];
  if (!first || !last || pairs.length < 12 || last.atMs - first.atMs < LEAST_SPAN_MS) return false;
  const times = pairs.map(({ atMs }) => atMs);
  const warmth = besideLine(
    times,
    pairs.map(({ temperatureK }) => temperatureK),
  );
  const wet = besideLine(
    times,
    pairs.map(({ lnHumidity }) => lnHumidity),
  );
  let [tt, tw, ww] = [0, 0, 0];
  warmth.forEach((t, i) => {
    const w = wet[i] ?? 0;
    tt += t * t;
    tw += t * w;
    ww += w * w;
  });
  const swing = Math.sqrt(tt / pairs.length);
  if (swing < LEAST_SWING_K || !(ww > 0)) return false;
  const expected = -perKelvin(last.temperatureK);
  const tied = -tw / Math.sqrt(tt * ww);
  return tied > LEAST_TIED && Math.abs(tw / tt / expected - 1) < SAME_WATER;
}
