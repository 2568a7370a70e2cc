/** Something wrong that no jet cures, seeded into hidden engines: is it named, and is a healthy engine left alone? */
import { PROVEN } from "#core/log/schema.ts";
import type { Build } from "#core/log/schema.ts";
import type { FaultName } from "#core/log/fault-names.ts";
import { faulty } from "#core/simulator/faulty.ts";
import { drawReader } from "#core/simulator/reader.ts";
import { drawRealEngine, drawWeather } from "#core/simulator/real-engine.ts";
import { Bench, chaseFault, type FaultOutcome } from "#core/simulator/trial.ts";
import { chartMain } from "#core/simulator/robots.ts";
import { boxJets } from "#core/rig/box.ts";
import { benchBuild, type RigName } from "./rigs.ts";
import { randomOf, type Task } from "./trials.ts";

export const SIZES_TRIED = [0, 1, 2] as const;

export interface Seeded {
  readonly fault: FaultName | undefined;
  readonly size: (typeof SIZES_TRIED)[number];
  /** healthy, and with trims of heavy tails all the same */
  readonly odd: boolean;
}

/** A cylinder of its own needs a neighbour. */
export const canHave = (rig: RigName, fault: FaultName | undefined): boolean =>
  fault !== "cylinderSeal" || rig === "twin";

/** A carburettor whose air jets count by its description, and another air jet in its bag. */
function withAirJets(build: Build, mm: number): Build {
  const { carburettor } = build;
  return { ...build, carburettor: { ...carburettor, emulsionTubeDrilled: true, mainAirJetMm: mm } };
}

/** A day on which a tuner does what is advised; how his setting is known is drawn too. */
export function faultyEngine(task: Task, { fault, size, odd }: Seeded): FaultOutcome {
  const random = randomOf(task, 5 + size);
  const proven = PROVEN[Math.floor(random.uniform() * PROVEN.length)] ?? "book";
  const drawn = benchBuild(task.rig, random, task.halfGrooves);
  const build = fault === "airJetsDead" ? withAirJets(drawn, 0.9) : drawn;
  const engine = drawRealEngine(build, { proven, heavyTails: odd, airSensitivitySd: 0.15 }, random);
  const wrong = faulty(engine, fault, size, random);
  const bench = new Bench(wrong.engine, drawWeather(random), drawReader(random), random, wrong);
  // What comes with a change needs one: after a look at what was there before.
  if (fault === "mainNotAsStamped" || fault === "partWithoutEffect" || fault === "airJetsDead") {
    for (const zone of ["mid", "top"] as const) bench.plug(zone);
    bench.idle();
  }
  if (fault === "mainNotAsStamped") {
    const { main } = build.baseline.setting;
    const other = boxJets(build, "main").find(({ number }) => number > main)?.number;
    bench.fit([{ part: "main", to: other ?? chartMain(build, main, 1.06) }], "own");
  }
  if (fault === "airJetsDead") bench.rebuild(withAirJets(wrong.engine.build, 1.4));
  return chaseFault(bench, task.means, fault);
}
