/** Which zone to look at next, by what the look is expected to save: loss per minute of work. */
import { addScaled, dot, lessOuter, times } from "../numbers/linear.ts";
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Belief } from "../belief/unknowns.ts";
import { SENSOR_SD } from "../looks/registry.ts";
import { READER_SD } from "../looks/plug.ts";
import type { Setting } from "../log/schema.ts";
import { oneChangeAway, type Choices } from "./choices.ts";
import type { SettingJudge } from "./judge-setting.ts";

export type LookKind = "plug" | "lambda";

export interface LookWorth {
  readonly zone: Zone;
  readonly how: LookKind;
  readonly minutes: number;
  /** expected fall of the least loss within one change */
  readonly gain: number;
}

/** A tone names a band about 6 % wide; as a measurement its own width counts on top of the eye's error. */
const TONE_BAND_SD = 0.06 / Math.sqrt(12);
const LOOK_SD: Readonly<Record<LookKind, number>> = {
  plug: Math.hypot(READER_SD.clean, TONE_BAND_SD),
  lambda: SENSOR_SD.inside,
};
/** A part-throttle plug needs minutes to colour; a full-throttle pull and its cut are short. */
const MINUTES: Readonly<Record<LookKind, Readonly<Record<Zone, number>>>> = {
  plug: { idle: 8, low: 10, mid: 10, top: 8 },
  lambda: { idle: 3, low: 4, mid: 4, top: 4 },
};
// Three-point Gauss-Hermite over what the look may show: exact for parabolas, enough to rank looks.
const OUTCOMES = [
  { at: -Math.sqrt(3), weight: 1 / 6 },
  { at: 0, weight: 2 / 3 },
  { at: Math.sqrt(3), weight: 1 / 6 },
] as const;

function worthOf(
  judge: SettingJudge,
  reachable: readonly Setting[],
  fitted: Setting,
  zone: Zone,
  how: LookKind,
): LookWorth {
  const { belief } = judge;
  const { row } = judge.lines(fitted)[zone];
  const gain = times(belief.covariance, row);
  const total = dot(row, gain) + LOOK_SD[how] ** 2;
  const covariance = lessOuter(belief.covariance, gain, 1 / total);
  const least = (believed: Belief) =>
    Math.min(...reachable.map((setting) => judge.judgeWith(believed, setting).loss));
  const after = OUTCOMES.reduce((sum, { at, weight }) => {
    const mean = addScaled(belief.mean, gain, at / Math.sqrt(total));
    return sum + weight * least({ mean, covariance });
  }, 0);
  return { zone, how, minutes: MINUTES[how][zone], gain: Math.max(0, least(belief) - after) };
}

/**
 * @param kinds - the ways this tuner has of looking
 * @returns all looks, the one most worth its minutes first
 */
export function looksByWorth(
  judge: SettingJudge,
  options: Choices,
  fitted: Setting,
  kinds: readonly LookKind[],
): LookWorth[] {
  const reachable = [fitted, ...oneChangeAway(options, fitted).map(({ setting }) => setting)];
  return kinds
    .flatMap((how) => ZONES.map((zone) => worthOf(judge, reachable, fitted, zone, how)))
    .sort((a, b) => b.gain / b.minutes - a.gain / a.minutes);
}
