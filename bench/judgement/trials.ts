/** The experiments, one hidden engine at a time: each seed is an engine, a reader, a day's weather. */
import { humidAir } from "#core/air/humid-air.ts";
import type { PerZone } from "#core/carburettor/zones.ts";
import { advise } from "#core/advice/card/advise.ts";
import type { LookMeans } from "#core/log/schools.ts";
import type { LoggedNeedle } from "#core/log/part-schema.ts";
import type { Build, Proven, Setting } from "#core/log/schema.ts";
import { withStraight, withTaperMoved } from "#core/rig/needle-shape.ts";
import type { Random } from "#core/numbers/random.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { INSTRUMENT_SD } from "#core/simulator/truth.ts";
import { drawReader } from "#core/simulator/reader.ts";
import { drawRealEngine, drawWeather, type EngineKind } from "#core/simulator/real-engine.ts";
import { chartMain, robot } from "#core/simulator/robots.ts";
import { Bench, boxReaches, followAdvice, type Outcome } from "#core/simulator/trial.ts";
import { benchBuild, type RigName } from "./rigs.ts";

export interface Task {
  readonly rig: RigName;
  readonly seed: number;
  readonly means: readonly LookMeans[];
  readonly halfGrooves: boolean;
}

export interface NewAir {
  readonly relativeDryDensity: number;
  readonly nothing: PerZone<number>;
  readonly chart: PerZone<number>;
  readonly card: PerZone<number>;
  readonly withinReach: boolean;
}

const rigSeed: Readonly<Record<RigName, number>> = { enduro: 11, kart: 23, atv: 37, twin: 53, methanol: 71 };
export const randomOf = ({ rig, seed }: Task, salt: number) =>
  seededRandom(seed * 7919 + rigSeed[rig] * 104_729 + salt);

export const engineOf = (task: Task, kind: EngineKind, salt: number) => {
  const random = randomOf(task, salt);
  return { engine: drawRealEngine(benchBuild(task.rig, random, task.halfGrooves), kind, random), random };
};

/** A setting that is known by some word. */
export interface Worded {
  readonly airSensitivitySd: number;
  readonly proven: Exclude<Proven, "guess">;
  readonly wordsMayBeWrong: boolean;
  /** the word was true up to so many months ago */
  readonly upToMonths: number;
  /** guessed at first, and said of a second air, where the engine was found right */
  readonly later: boolean;
}

/** What came of a setting by four ways of taking it into an air. */
function inNewAir(bench: Bench, { setting, air: was }: Build["baseline"], fitted = setting): NewAir {
  const { engine, now: air } = bench;
  const relativeDryDensity = air.dryDensityKgM3 / humidAir(was).dryDensityKgM3;
  const chart: Setting = { ...setting, main: chartMain(engine.build, setting.main, relativeDryDensity) };
  const { card } = advise(bench.entries);
  return {
    relativeDryDensity,
    nothing: engine.errors(fitted, air),
    chart: engine.errors(chart, air),
    card: engine.errors(card.setting, air),
    withinReach: boxReaches(engine, engine.build, fitted, air),
  };
}

/** A setting known by a word, taken into new air: no look yet. */
export function newAir(task: Task, kind: Worded): NewAir {
  const { airSensitivitySd, proven, wordsMayBeWrong, upToMonths, later } = kind;
  const random = randomOf(task, 1);
  const monthsOld = upToMonths > 0 ? upToMonths * random.uniform() : 0;
  const drawn = benchBuild(task.rig, random, task.halfGrooves);
  const first = drawn.baseline.air;
  // The word holds in the air in which it was found out.
  const build = later ? { ...drawn, baseline: { ...drawn.baseline, air: drawWeather(random) } } : drawn;
  const engine = drawRealEngine(
    build,
    { proven, heavyTails: false, airSensitivitySd, wordsMayBeWrong, monthsOld },
    random,
  );
  const weather = drawWeather(random);
  const guessed: Build = { ...build, baseline: { ...build.baseline, air: first, proven: "guess" } };
  const bench = new Bench(engine, later ? build.baseline.air : weather, drawReader(random), random, {
    described: later ? guessed : engine.build,
    wordMonths: monthsOld,
  });
  if (later) {
    bench.rebuild(engine.build);
    bench.travel(weather);
  }
  return inNewAir(bench, engine.build.baseline);
}

/** The same, after two earlier days in other air on which plugs were read at idle, middle and top, and put right. */
export function taughtAir(task: Task, airSensitivitySd: number): NewAir {
  const { engine, random } = engineOf(task, { proven: "measured", heavyTails: false, airSensitivitySd }, 2);
  const reader = drawReader(random);
  const [first, second, third] = [drawWeather(random), drawWeather(random), drawWeather(random)];
  const teach = new Bench(engine, first, reader, random);
  followAdvice(teach, task.means);
  for (const zone of ["mid", "top"] as const) teach.plug(zone);
  teach.travel(second);
  followAdvice(teach, task.means);
  for (const zone of ["mid", "top"] as const) teach.plug(zone);
  teach.travel(third);
  return inNewAir(teach, engine.build.baseline, teach.fitted);
}

/** How far the straight of a wrong needle is off, mm, and where its taper begins: as the doc's table says. */
const WRONG_STRAIGHT_MM = { from: 0.02, to: 0.04 };
const WRONG_TAPER_MM = 1.5;

/** A needle that a former owner put in: its straight thicker or thinner, its taper begun elsewhere. */
function wrongNeedle(right: LoggedNeedle, random: Random): LoggedNeedle {
  const { from, to } = WRONG_STRAIGHT_MM;
  const thicker = (random.uniform() < 0.5 ? -1 : 1) * (from + (to - from) * random.uniform());
  return withTaperMoved(withStraight(right, thicker), WRONG_TAPER_MM * (2 * random.uniform() - 1));
}

/** What the tuner has: the wrong needle alone, the right one in the box beside it, the right one from the start. */
export const NEEDLES = ["wrong", "both", "right"] as const;
export type Needles = (typeof NEEDLES)[number];

/** The engine wants the needle it was built with; the tuner has another in, and measured it. */
export function wrongNeedleEngine(task: Task, needles: Needles): Outcome {
  const kind: EngineKind = { proven: "guess", heavyTails: false, airSensitivitySd: 0.15 };
  const { engine, random } = engineOf(task, kind, 4);
  const { build } = engine;
  const { needle } = build.carburettor;
  const wrong = wrongNeedle(needle, random);
  const described: Build = {
    ...build,
    carburettor: { ...build.carburettor, needle: needles === "right" ? needle : wrong },
    box:
      needles === "both"
        ? { ...build.box, parts: [{ kind: "needle", name: "the other one", needle }] }
        : build.box,
  };
  const bench = new Bench(engine, drawWeather(random), drawReader(random), random, { described });
  return followAdvice(bench, task.means);
}

export const POLICIES = [
  "advice",
  "oneAtATime",
  "bottomUp",
  "topFirst",
  "chartThenBottomUp",
  "chartThenTopFirst",
] as const;
export type Policy = (typeof POLICIES)[number];

export interface UnknownKind {
  readonly heavyTails?: boolean;
  /** how far readers are off: as believed, or so many times as far */
  readonly biasShare?: number;
  /** what the tuner says of his setting, now and then of another machine's; a guess else */
  readonly proven?: Proven;
  /** share of plugs and felt zones that show something else */
  readonly slips?: number;
  readonly startsOff?: number;
}

const timesOff = (share: number): typeof INSTRUMENT_SD => {
  const { plug, lambda, idle, ride, heat } = INSTRUMENT_SD;
  return {
    plug: share * plug,
    lambda: share * lambda,
    idle: share * idle,
    ride: share * ride,
    heat: share * heat,
  } as typeof INSTRUMENT_SD;
};

/** An engine nobody knows, jetted by one policy from a guess, or from a word that may be wrong. */
export function unknownEngine(task: Task, policy: Policy, unknown: UnknownKind): Outcome {
  const { heavyTails = false, biasShare = 1, proven = "guess", slips = 0, startsOff } = unknown;
  const kind: EngineKind = {
    proven,
    heavyTails,
    airSensitivitySd: 0.15,
    wordsMayBeWrong: true,
    ...(startsOff !== undefined && { startsOff }),
  };
  const { engine, random } = engineOf(task, kind, 3);
  const weather = drawWeather(random);
  const bench = new Bench(engine, weather, drawReader(random, timesOff(biasShare), slips), random);
  if (policy === "advice" || policy === "oneAtATime")
    return followAdvice(bench, task.means, policy === "oneAtATime");
  if (policy === "chartThenBottomUp" || policy === "chartThenTopFirst") {
    const { setting, air } = engine.build.baseline;
    const ratio = humidAir(weather).dryDensityKgM3 / humidAir(air).dryDensityKgM3;
    bench.fit([{ part: "main", to: chartMain(engine.build, setting.main, ratio) }]);
  }
  return robot(bench, policy === "topFirst" || policy === "chartThenTopFirst" ? "topFirst" : "bottomUp");
}
