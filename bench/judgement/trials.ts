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
import { drawReader } from "#core/simulator/reader.ts";
import { drawRealEngine, drawWeather, type EngineKind } from "#core/simulator/real-engine.ts";
import { chartMain, robot } from "#core/simulator/robots.ts";
import { Bench, followAdvice, type Outcome } from "#core/simulator/trial.ts";
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
}

const rigSeed: Readonly<Record<RigName, number>> = { enduro: 11, kart: 23, atv: 37, twin: 53, methanol: 71 };
export const randomOf = ({ rig, seed }: Task, salt: number) =>
  seededRandom(seed * 7919 + rigSeed[rig] * 104_729 + salt);

export const engineOf = (task: Task, kind: EngineKind, salt: number) => {
  const random = randomOf(task, salt);
  return { engine: drawRealEngine(benchBuild(task.rig, random, task.halfGrooves), kind, random), random };
};

/** A proven setting taken into new air, no look yet. */
export function newAir(task: Task, airSensitivitySd: number, proven: Proven = "measured"): NewAir {
  const { engine, random } = engineOf(task, { proven, heavyTails: false, airSensitivitySd }, 1);
  const weather = drawWeather(random);
  const bench = new Bench(engine, weather, drawReader(random), random);
  const air = humidAir(weather);
  const { setting, air: was } = engine.build.baseline;
  const relativeDryDensity = air.dryDensityKgM3 / humidAir(was).dryDensityKgM3;
  const chart: Setting = { ...setting, main: chartMain(engine.build, setting.main, relativeDryDensity) };
  const { card } = advise(bench.entries);
  return {
    relativeDryDensity,
    nothing: engine.errors(setting, air),
    chart: engine.errors(chart, air),
    card: engine.errors(card.setting, air),
  };
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
  const air = humidAir(third);
  const { setting, air: was } = engine.build.baseline;
  const relativeDryDensity = air.dryDensityKgM3 / humidAir(was).dryDensityKgM3;
  const { card } = advise(teach.entries);
  return {
    relativeDryDensity,
    nothing: engine.errors(teach.fitted, air),
    chart: engine.errors(
      { ...setting, main: chartMain(engine.build, setting.main, relativeDryDensity) },
      air,
    ),
    card: engine.errors(card.setting, air),
  };
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
  const bench = new Bench(engine, drawWeather(random), drawReader(random), random, undefined, described);
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
  readonly heavyTails: boolean;
  /** how far readers are off, in the bench's usual measure */
  readonly biasShare: number;
}

/** An engine nobody knows, jetted from a guess by one policy. */
export function unknownEngine(task: Task, policy: Policy, { heavyTails, biasShare }: UnknownKind): Outcome {
  const kind: EngineKind = { proven: "guess", heavyTails, airSensitivitySd: 0.15 };
  const { engine, random } = engineOf(task, kind, 3);
  const weather = drawWeather(random);
  const bench = new Bench(engine, weather, drawReader(random, biasShare), random);
  if (policy === "advice" || policy === "oneAtATime")
    return followAdvice(bench, task.means, policy === "oneAtATime");
  if (policy === "chartThenBottomUp" || policy === "chartThenTopFirst") {
    const { setting, air } = engine.build.baseline;
    const ratio = humidAir(weather).dryDensityKgM3 / humidAir(air).dryDensityKgM3;
    bench.fit([{ part: "main", to: chartMain(engine.build, setting.main, ratio) }]);
  }
  return robot(bench, policy === "topFirst" || policy === "chartThenTopFirst" ? "topFirst" : "bottomUp");
}
