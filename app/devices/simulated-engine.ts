/** Simulated idle bench: an engine drawn from the present posterior of this log. */
import type { HumidAir } from "#core/air/humid-air.ts";
import { frameOf } from "#core/belief/frame.ts";
import { zoneMixture } from "#core/belief/mixture.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { settingFromLog } from "#core/rig/from-build.ts";
import { SCREW_STEP } from "#core/practice/screw-step.ts";
import type { RunningEngine } from "#core/simulator/running-engine.ts";

/** A small number that stays the same for a name. */
export function seedOf(name: string): number {
  let seed = 2166136261;
  for (const letter of name) seed = Math.imul(seed ^ (letter.codePointAt(0) ?? 0), 16777619);
  return seed >>> 0;
}

/**
 * Of a practice engine the idle is known over the screw's turns.
 * @param idleOver - mixture error in steps of {@link SCREW_STEP} from seated; between them a straight line
 */
export function practiceIdle(build: Build, idleOver: readonly number[]): RunningEngine {
  const errorAt = (turns: number): number => {
    const at = Math.min(idleOver.length - 1, Math.max(0, turns / SCREW_STEP));
    const below = idleOver[Math.floor(at)] ?? 0;
    return below + (at - Math.floor(at)) * ((idleOver[Math.ceil(at)] ?? below) - below);
  };
  return { crestRpm: CREST_SHARE * build.engine.idleRpm, peakRpm: build.engine.peakRpm, errorAt };
}

/** The book's idle is set a little below the best that the mixture gives. */
const CREST_SHARE = 1.1;
/** Where nothing is believed yet. */
const UNKNOWN = { mean: 0, sd: 0.05 };

/**
 * @param believed - mixture error at idle with what is fitted, as the advice has it: its secret is drawn from it
 */
export function simulatedEngine(
  rigId: string,
  build: Build,
  fitted: Setting,
  air: HumidAir,
  believed: { readonly mean: number; readonly sd: number } = UNKNOWN,
): RunningEngine {
  const mixture = zoneMixture(frameOf(build), build, air);
  const shift = (screwTurns: number) => mixture(settingFromLog({ ...fitted, screwTurns })).idle.shift;
  const now = shift(fitted.screwTurns);
  const truth = believed.mean + believed.sd * seededRandom(seedOf(rigId)).normal();
  const known = new Map<number, number>();
  const errorAt = (screwTurns: number): number => {
    const error = known.get(screwTurns) ?? truth + shift(screwTurns) - now;
    known.set(screwTurns, error);
    return error;
  };
  return { crestRpm: CREST_SHARE * build.engine.idleRpm, peakRpm: build.engine.peakRpm, errorAt };
}
