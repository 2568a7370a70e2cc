/**
 * Simulated logger ride: stands, pulls away, shifts, rolls on a shut throttle, cruises. Its λ is that of a hidden
 * engine, seen by a sensor that is behind and errs.
 */
import type { HumidAir } from "../air/humid-air.ts";
import { rulerPosition, zoneAt } from "../carburettor/zones.ts";
import { mixtureMap } from "../belief/mixture.ts";
import type { Build, Setting } from "../log/schema.ts";
import { dot } from "../numbers/linear.ts";
import type { Random } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { residualShares } from "../advice/judge/strip-curve.ts";
import { SIMULATED_MARK } from "../logger/sniff.ts";
import { requireRange } from "../units/guard.ts";
import type { HiddenEngine } from "./hidden-engine.ts";

export interface RideRow {
  readonly timeS: number;
  /** 0 shut .. 1 open */
  readonly throttle: number;
  readonly rpm: number;
  readonly speedMs: number;
  /** as the sensor shows it */
  readonly lambda: number;
  readonly exhaustK: number;
  readonly headK: number;
  /** as it truly is in the cylinder; undefined where it does not burn */
  readonly trueLambda: number | undefined;
}

export interface RideOptions {
  readonly seconds: number;
  readonly rateHz: number;
  /** from the cylinder to the sensor */
  readonly delayS: number;
}

/** A round: what the hand does and for how long, s. Below 0 it brakes. */
const ROUND: readonly (readonly [throttle: number, seconds: number])[] = [
  [0, 4],
  [1, 9],
  [0, 2],
  [0.45, 7],
  [0.18, 7],
  [0.3, 3],
  [1, 5],
  [0.35, 5],
  [0.2, 5],
  [-1, 5],
];
const ROUND_S = ROUND.reduce((sum, [, seconds]) => sum + seconds, 0);

const MASS_KG = 175;
const DRAG = 0.42;
const ROLLING_N = 45;
const BRAKES_N = 900;
const ENGINE_BRAKE_N = 160;
/** W for a cm³ and a stroke each turn. */
const POWER_PER_CM3 = 92;
/** Power falls by so many times the square of the error. */
const POWER_PER_SQUARE = 3;
/** Speeds at the peak of each gear, m/s. */
const GEARS = { motorcycle: [13, 19, 25, 31, 37], atv: [9, 15, 21, 27], kart: [31] } as const;
const LIFT_S = 0.25;
const HAND_LAG_S = 0.08;
const SENSOR_LAG_S = 0.06;
const SENSOR_NOISE = 0.006;
const FREE_AIR = 1.9;

const towards = (from: number, to: number, dtS: number, lagS: number): number =>
  to + (from - to) * Math.exp(-dtS / lagS);

/** True mixture error at any opening, from a table fine enough to be read between its lines. */
function errorTable(
  { frame, truth }: HiddenEngine,
  setting: Setting,
  air: HumidAir,
): (throttle: number) => number {
  const openings = Array.from({ length: 101 }, (_, i) => ({
    throttle: i / 100,
    shares: residualShares(rulerPosition(i / 100)),
  }));
  const map = mixtureMap(frame, frame.build, air, openings);
  const fitted = settingFromLog(setting);
  const errors = openings.map((_, i) => {
    const { shift, row } = map.at(fitted, i);
    return shift + dot(row, truth);
  });
  return (throttle) => errors[Math.round(100 * Math.min(1, Math.max(0, throttle)))] ?? 0;
}

/** What the hand wants at a time of the ride. */
function wantedAt(timeS: number): number {
  let left = timeS % ROUND_S;
  for (const [throttle, seconds] of ROUND) {
    if (left < seconds) return throttle;
    left -= seconds;
  }
  return 0;
}

/**
 * @returns rows at even times
 * @throws {RangeError} for a ride of no length or more than 1000 rows a second
 */
export function* ride(
  engine: HiddenEngine,
  build: Build,
  setting: Setting,
  air: HumidAir,
  { seconds, rateHz, delayS }: RideOptions,
  random: Random,
): Generator<RideRow> {
  requireRange("ride", seconds, 1, 100_000, "s");
  requireRange("rate", rateHz, 1, 1000, "Hz");
  const errorAt = errorTable(engine, setting, air);
  const { idleRpm, peakRpm, displacementCm3, cylinders, strokes } = build.engine;
  const gears = GEARS[build.machine];
  const power = POWER_PER_CM3 * displacementCm3 * cylinders * (strokes === 2 ? 1 : 0.8);
  const dt = 1 / rateHz;
  const behind: number[] = [];
  const queue = Math.max(1, Math.round(delayS * rateHz));
  let [throttle, speed, gear, liftLeft, sensor] = [0, 0, 0, 0, build.targetLambda.idle];
  let [exhaustK, headK] = [600, 360];
  for (let i = 0; i < seconds * rateHz; i += 1) {
    const timeS = i * dt;
    const wanted = wantedAt(timeS);
    liftLeft = Math.max(0, liftLeft - dt);
    const hand = liftLeft > 0 ? 0 : Math.max(0, wanted);
    throttle = Math.min(1, Math.max(0, towards(throttle, hand, dt, HAND_LAG_S)));
    const top = gears[gear] ?? gears[0];
    const slips = gear === 0 && throttle > 0.1 ? 0.45 * peakRpm : idleRpm;
    const rpm = Math.max(slips, (speed / top) * peakRpm);
    if (rpm > 1.02 * peakRpm && wanted > 0.8 && gear < gears.length - 1) {
      gear += 1;
      liftLeft = LIFT_S;
    } else if (gear > 0 && speed < 0.5 * (gears[gear - 1] ?? 0)) gear -= 1;
    const rolling = throttle < 0.03 && rpm > 1.4 * idleRpm;
    const error = errorAt(throttle);
    const burns = !rolling && liftLeft === 0;
    const trueLambda = burns ? build.targetLambda[zoneAt(throttle)] * Math.exp(error) : undefined;
    const curve = Math.max(0.2, 1 - 1.6 * (rpm / peakRpm - 0.95) ** 2);
    const drive = burns ? power * throttle ** 0.9 * curve * (1 - POWER_PER_SQUARE * error * error) : 0;
    const pull = Math.min(drive / Math.max(speed, 4), 0.7 * MASS_KG * 9.81);
    const slow =
      DRAG * speed * speed + ROLLING_N + (rolling ? ENGINE_BRAKE_N : 0) + (wanted < 0 ? BRAKES_N : 0);
    const idles = wanted === 0 && speed < 1;
    speed = idles
      ? 0
      : Math.max(0, speed + ((pull - (speed > 0 || pull > slow ? slow : pull)) / MASS_KG) * dt);
    exhaustK = towards(exhaustK, 620 + 330 * throttle + 900 * error * throttle, dt, 1.5);
    headK = towards(headK, 365 + 45 * throttle + 120 * error, dt, 25);
    behind.push(trueLambda ?? FREE_AIR);
    const arriving = behind.length > queue ? (behind.shift() ?? FREE_AIR) : build.targetLambda.idle;
    sensor = towards(sensor, arriving, dt, SENSOR_LAG_S);
    yield {
      timeS,
      throttle,
      rpm: rpm * (1 + 0.002 * random.normal()),
      speedMs: speed,
      lambda: sensor * (1 + SENSOR_NOISE * random.normal()),
      exhaustK,
      headK,
      trueLambda,
    };
  }
}

/** How a logger writes its file. */
export interface LoggerStyle {
  readonly delimiter: "," | ";";
  readonly decimal: "." | ",";
  /** λ itself, or the air-fuel ratio of this fuel */
  readonly stoichiometric?: number;
  readonly time: "s" | "ms";
}

/** @returns a logger's file of a ride, marked as simulated in its first line */
export function rideCsv(rows: Iterable<RideRow>, style: LoggerStyle): string {
  const { delimiter, decimal, stoichiometric, time } = style;
  const figure = (value: number, digits: number) =>
    decimal === "," ? value.toFixed(digits).replace(".", ",") : value.toFixed(digits);
  const names = [
    `Time [${time}]`,
    "Throttle [%]",
    "Engine [rpm]",
    stoichiometric === undefined ? "Lambda" : "AFR",
    "Speed [km/h]",
    "Exhaust gas [°C]",
    "Head [°C]",
  ];
  const lines = [`${SIMULATED_MARK}: no engine ran`, names.join(delimiter)];
  for (const row of rows)
    lines.push(
      [
        time === "ms" ? figure(1000 * row.timeS, 0) : figure(row.timeS, 3),
        figure(100 * row.throttle, 1),
        figure(row.rpm, 0),
        stoichiometric === undefined ? figure(row.lambda, 3) : figure(row.lambda * stoichiometric, 2),
        figure(3.6 * row.speedMs, 1),
        figure(row.exhaustK - 273.15, 0),
        figure(row.headK - 273.15, 0),
      ].join(delimiter),
    );
  return `${lines.join("\n")}\n`;
}
