/** Detection of seeded faults: named or missed, and false alarms on healthy engines. */
import { PROVEN, type Proven } from "#core/log/schema.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import type { Build, Change } from "#core/log/schema.ts";
import type { FaultName } from "#core/log/fault-names.ts";
import { faulty, type Faulty } from "#core/simulator/faulty.ts";
import { drawReader } from "#core/simulator/reader.ts";
import { drawRealEngine, drawWeather, type EngineKind } from "#core/simulator/real-engine.ts";
import { Bench, chaseFault, followAdvice, type FaultOutcome, type Outcome } from "#core/simulator/trial.ts";
import { boxJets } from "#core/rig/box.ts";
import { benchBuild, type RigName } from "./rigs.ts";
import { randomOf, type Task } from "./trials.ts";

export const SIZES_TRIED = [0, 1, 2] as const;

export interface Seeded {
  readonly fault: FaultName | undefined;
  readonly size: (typeof SIZES_TRIED)[number];
  /** healthy all the same: trims of heavy tails, jetted wrong, or called by a book that is not its own */
  readonly odd?: "heavyTails" | "rich" | "lean" | "wrongBook";
}

/** A cylinder of its own needs a neighbour. */
export const canHave = (rig: RigName, fault: FaultName | undefined): boolean =>
  fault !== "cylinderSeal" || rig === "twin";

/** A carburettor whose air jets count by its description, and another air jet in its bag. */
function withAirJets(build: Build, mm: number): Build {
  const { carburettor } = build;
  return { ...build, carburettor: { ...carburettor, emulsionTubeDrilled: true, mainAirJetMm: mm } };
}

/** What comes with a change needs one, large enough to be felt. */
function ownChange({ fault, deaf, fromTheStart }: Faulty, build: Build): Change | undefined {
  if (fromTheStart) return undefined;
  const { pilot, clip, main } = build.baseline.setting;
  const part = fault === "mainNotAsStamped" ? "main" : fault === "partWithoutEffect" ? deaf : undefined;
  if (part === undefined) return undefined;
  if (part === "clip") return { part, to: clip + 1 };
  const from = part === "pilot" ? pilot : main;
  const larger = boxJets(build, part === "pilot" ? "pilot" : "main").map(({ number }) => number);
  const wanted = from * (part === "pilot" ? 1.08 : 1.05);
  return { part: part === "pilot" ? "pilot" : "main", to: larger.find((size) => size > wanted) ?? from + 5 };
}

/** Fifteen hundredths rich, ten lean: jets from another machine, or from another height. */
const JETTED_OFF = { rich: -0.15, lean: 0.1 } as const;

function kindOf(proven: Proven, odd: Seeded["odd"]): EngineKind {
  const kind = { proven, heavyTails: odd === "heavyTails", airSensitivitySd: 0.15 };
  if (odd === "rich" || odd === "lean") return { ...kind, startsOff: JETTED_OFF[odd] };
  // A book that is not this machine's says nothing of it: the engine is a guess's.
  return odd === "wrongBook" ? { ...kind, proven: "guess" } : kind;
}

/** What a tuner can jet around without knowing. */
export const JETTED_AROUND = [
  "airLeak",
  "floatHigh",
  "floatLow",
  "chokeOpen",
  "needleJetWorn",
  "plugDead",
  "ignition",
] as const satisfies readonly FaultName[];

/** Jetted around on one day, then found and mended: what is advised from there on; nothing where no box goes so far. */
export function mendedEngine(task: Task, { fault, size }: Seeded): Outcome | undefined {
  const random = randomOf(task, 25 + size);
  const proven = PROVEN[Math.floor(random.uniform() * PROVEN.length)] ?? "book";
  const healthy = drawRealEngine(benchBuild(task.rig, random, false), kindOf(proven, undefined), random);
  const wrong = faulty(healthy, fault, size, random);
  const bench = new Bench(wrong.engine, drawWeather(random), drawReader(random), random, { faulty: wrong });
  if (fault === undefined || !bench.jetAround()) return undefined;
  bench.mend(fault, healthy);
  return followAdvice(bench, task.means);
}

/** A day on which a tuner does what is advised; how his setting is known is drawn too. */
export function faultyEngine(task: Task, { fault, size, odd }: Seeded): FaultOutcome {
  const random = randomOf(task, 5 + size);
  const proven = PROVEN[Math.floor(random.uniform() * PROVEN.length)] ?? "book";
  const drawn = benchBuild(task.rig, random, task.halfGrooves);
  const build = fault === "airJetsDead" ? withAirJets(drawn, 0.9) : drawn;
  const engine = drawRealEngine(build, kindOf(proven, odd), random);
  const called =
    odd === "wrongBook"
      ? { ...engine, build: { ...build, baseline: { ...build.baseline, proven: "book" as const } } }
      : engine;
  const wrong = faulty(called, fault, size, random);
  const bench = new Bench(wrong.engine, drawWeather(random), drawReader(random), random, { faulty: wrong });
  // He comes in from a ride, and tells what it did.
  const ride = () => {
    bench.report(true);
    for (const zone of ZONES) bench.notice(zone);
  };
  ride();
  const change = ownChange(wrong, build);
  if (change || fault === "airJetsDead") {
    for (const zone of ["mid", "top"] as const) bench.plug(zone);
    bench.idle();
    if (change) bench.fit([change], "own");
    else bench.rebuild(withAirJets(wrong.engine.build, 1.4));
    ride();
    for (const zone of ["mid", "top"] as const) bench.plug(zone);
    bench.idle();
  }
  return chaseFault(bench, task.means, fault);
}
