/** Bench engine: true carburettor physics, with a rig sheet that describes it imperfectly. */
import { humidAir, type AirState, type HumidAir } from "../air/humid-air.ts";
import type { Carburettor } from "../carburettor/carburettor.ts";
import { perZone, PROBES, ZONES, type PerZone } from "../carburettor/zones.ts";
import type { Build, Proven, Setting } from "../log/schema.ts";
import type { Random } from "../numbers/random.ts";
import { rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import { drawPhysics, realCarburettor } from "./real-carburettor.ts";
import { DRIFT_SD_PER_MONTH, TRUE_SD, WORD, WRONG_WORD_ONE_IN } from "./truth.ts";

export interface RealEngine {
  readonly build: Build;
  /** true mixture error of every zone: 0 on target, + lean; the mean of its cylinders. `now`: with other parts in it */
  readonly errors: (setting: Setting, air: HumidAir, now?: Build) => PerZone<number>;
  /** of one cylinder (from 1) */
  readonly errorsOf: (cylinder: number, setting: Setting, air: HumidAir, now?: Build) => PerZone<number>;
}

export interface EngineKind {
  readonly proven: Proven;
  /** trims with the tails of a t distribution with 3 degrees of freedom */
  readonly heavyTails: boolean;
  /** sd of how far this engine departs from the orifice law when the air changes */
  readonly airSensitivitySd: number;
  /** the word is another machine's as often as such words are */
  readonly wordsMayBeWrong?: boolean;
  /** months of use since the word was true */
  readonly monthsOld?: number;
  /** jetted by somebody who was off by so much everywhere, log mixture: whatever the word */
  readonly startsOff?: number;
}

/** Cylinders of one engine differ by so much, log mixture. */
const CYLINDER_SD = 0.015;

/** A normal, or a t with 3 degrees of freedom brought to the same middle half. */
function draw(random: Random, heavy: boolean): number {
  const z = random.normal();
  if (!heavy) return z;
  const chi = random.normal() ** 2 + random.normal() ** 2 + random.normal() ** 2;
  return (z / Math.sqrt(chi / 3)) * 0.88;
}

/** Where the engine truly starts; nothing where the word is a guess, or another machine's. */
function trueWord(kind: EngineKind, random: Random): { mean: number; sd: number } | undefined {
  const { proven, wordsMayBeWrong = false, startsOff } = kind;
  if (startsOff !== undefined) return { mean: startsOff, sd: WORD.measured.sd };
  if (proven === "guess") return undefined;
  if (wordsMayBeWrong && random.uniform() < 1 / WRONG_WORD_ONE_IN[proven]) return undefined;
  return WORD[proven];
}

/** @param build - as the tuner describes it; its baseline is where the engine is known from, or guessed at */
export function drawRealEngine(build: Build, kind: EngineKind, random: Random): RealEngine {
  const rig = rigFromBuild(build);
  const some = (sd: number) => sd * draw(random, kind.heavyTails);
  const physics = drawPhysics(random, () => [some(TRUE_SD.pilot), some(TRUE_SD.needle), some(TRUE_SD.main)]);
  const untrimmed = realCarburettor(rig, { ...physics, trims: [0, 0, 0], wearM: 0 });
  const lnAirFuel = realCarburettor(rig, physics);
  const airSensitivity = kind.airSensitivitySd * random.normal();
  const { setting, air } = rig.baseline;
  const residual = perZone((zone) => some(TRUE_SD[zone]));
  const aged = DRIFT_SD_PER_MONTH * Math.sqrt(kind.monthsOld ?? 0);
  const word = trueWord(kind, random);
  const start = perZone((zone) => {
    const then = word
      ? word.mean + word.sd * random.normal()
      : lnAirFuel(setting, air, PROBES[zone]) - untrimmed(setting, air, PROBES[zone]) + residual[zone];
    return aged > 0 ? then + aged * random.normal() : then;
  });
  const base = perZone((zone) => lnAirFuel(setting, air, PROBES[zone]));
  const carburettors = new Map<Build, Carburettor>();
  const carburettorOf = (machine: Build): Carburettor => {
    const known = carburettors.get(machine) ?? rigFromBuild(machine).carburettor;
    carburettors.set(machine, known);
    return known;
  };
  const errors = (fitted: Setting, now: HumidAir, machine?: Build) => {
    const carburettor = machine ? carburettorOf(machine) : rig.carburettor;
    const ratio = Math.log(now.dryDensityKgM3 / air.dryDensityKgM3);
    return perZone(
      (zone) =>
        start[zone] +
        lnAirFuel(settingFromLog(fitted), now, PROBES[zone], carburettor) -
        base[zone] +
        airSensitivity * ratio,
    );
  };
  const drawn = Array.from({ length: build.engine.cylinders }, () => CYLINDER_SD * random.normal());
  const meanOwn = drawn.reduce((sum, x) => sum + x, 0) / drawn.length;
  const errorsOf = (cylinder: number, fitted: Setting, now: HumidAir, machine?: Build) => {
    const own = drawn.length < 2 ? 0 : (drawn[cylinder - 1] ?? 0) - meanOwn;
    const common = errors(fitted, now, machine);
    return perZone((zone) => common[zone] + own);
  };
  return { build: { ...build, baseline: { ...build.baseline, proven: kind.proven } }, errors, errorsOf };
}

/** Weather between the sea and 1800 m. */
export function drawWeather(random: Random): AirState {
  const heightM = 1800 * random.uniform();
  const temperatureK = 273.15 + 2 + 31 * random.uniform() - 0.004 * heightM;
  const pressurePa = 101_325 * (1 - 2.25577e-5 * heightM) ** 5.25588 * (1 + 0.008 * random.normal());
  return { temperatureK, pressurePa, relativeHumidity: 0.25 + 0.6 * random.uniform() };
}

/** An hour later at the same place. */
export function laterAir(air: AirState, random: Random): AirState {
  return {
    temperatureK: Math.min(320, Math.max(250, air.temperatureK + 2 * random.normal())),
    pressurePa: air.pressurePa * (1 + 0.001 * random.normal()),
    relativeHumidity: Math.min(0.95, Math.max(0.1, air.relativeHumidity + 0.08 * random.normal())),
  };
}

/** @returns is every zone that a hand can put right within 5 %? */
export const allRight = (errors: PerZone<number>): boolean =>
  ZONES.every((zone) => zone === "low" || Math.abs(errors[zone]) <= 0.05);

export const airOfState = (air: AirState): HumidAir => humidAir(air);
