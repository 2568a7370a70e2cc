/**
 * Replays a log: all looks of a day on one build are taken together, whatever order they were entered in;
 * the belief after one day, with its drift, is the start of the next.
 */
import { lineOver, priorOf } from "./cylinders.ts";
import { evidenceFromLook, type Evidence } from "../looks/registry.ts";
import { timedLooks, type TimedLook } from "../looks/timed-runs.ts";
import type { Belief } from "./unknowns.ts";
import { dayOf, type Build } from "../log/schema.ts";
import type { Present, SeenLook } from "../log/fold.ts";
import { carburettorOf } from "../rig/carburettors.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { heatSlopes, slopeFor, type LearntHeat } from "./heat-slopes.ts";
import { buildOf, mixtures, type Mixtures } from "./look-mixtures.ts";
import { drift, reopen } from "./passing-time.ts";
import { update, type LookOutcome } from "./update.ts";

export interface Sifted {
  /** of all cylinders, one after the other */
  readonly joint: Belief;
  readonly evidence: readonly Evidence[];
  readonly outcomes: readonly LookOutcome[];
  readonly converged: boolean;
  /** what temperatures are worth on this engine, where its log has taught it */
  readonly heat: readonly LearntHeat[];
}

const DAY_MS = 86_400_000;

/** Taken by somebody, or told by the clock. */
type Look = SeenLook | TimedLook;

/** Looks taken on one day on one build, with no work between them that brings doubts back. */
interface Session {
  readonly day: string;
  readonly build: number;
  readonly reopenings: number;
  readonly looks: Look[];
}

function sessions(looks: readonly Look[]): Session[] {
  const found: Session[] = [];
  for (const look of looks) {
    const day = dayOf(look.entry.at);
    const last = found.at(-1);
    const { build, reopenings } = look;
    if (last?.day === day && last.build === build && last.reopenings === reopenings) last.looks.push(look);
    else found.push({ day, build, reopenings, looks: [look] });
  }
  return found;
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;

/** @returns from a look to its evidence about the long belief of all cylinders */
function lineMaker(
  present: Present,
  cylinders: number,
  mixtureOf: Mixtures,
  learnt: ReadonlyMap<string, LearntHeat>,
): (look: Look) => Evidence {
  /** What the look says about the cylinder, through the carburettor that feeds it. */
  const through = (look: Look, build: Build, carburettor: number): Evidence => {
    const setting = look.settings[carburettor] ?? look.setting;
    return evidenceFromLook(look.entry, build, mixtureOf(look, build, carburettor), settingFromLog(setting), {
      before: settingFromLog(look.before?.[carburettor] ?? setting),
      heatSlope: slopeFor(learnt, look, build),
      ...("feel" in look && { feel: look.feel }),
    });
  };
  return (look) => {
    const build = buildOf(present.builds, look);
    const { cylinder } = look.entry;
    const named = cylinder !== undefined && cylinder <= cylinders ? [cylinder - 1] : undefined;
    const seen = named ?? Array.from({ length: cylinders }, (_, i) => i);
    const made = new Map<string, Evidence>();
    const each = seen.map((c): readonly [number, Evidence] => {
      const carburettor = carburettorOf(build, c);
      const key = build.others
        ? String(carburettor)
        : JSON.stringify([look.settings[carburettor], look.before?.[carburettor]]);
      const known = made.get(key) ?? through(look, build, carburettor);
      made.set(key, known);
      return [c, known];
    });
    const [first] = each;
    if (!first) throw new RangeError(`cylinders must be at least 1, got ${cylinders}`);
    const line = lineOver(new Map(each.map(([c, { line: own }]) => [c, own])), cylinders);
    return { ...first[1], line };
  };
}

/** What was seen and what the clock told, in the order in which it came. */
function allLooks({ runs, looks }: Present): Look[] {
  const timed = timedLooks(runs, looks);
  if (timed.length === 0) return [...looks];
  return [...looks, ...timed].sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at));
}

/**
 * @returns what is believed now of every cylinder of the newest build
 * @throws {RangeError} if the log has no build, or holds one that cannot be
 */
export function sift(present: Present): Sifted {
  const { build: newest, reopenings } = present;
  if (!newest) throw new RangeError("log must hold a build, got none");
  const { cylinders } = newest.engine;
  const mixtureOf = mixtures();
  const learnt = heatSlopes(present, mixtureOf);
  const evidenceOf = lineMaker(present, cylinders, mixtureOf, learnt);
  let belief = priorOf(cylinders);
  let converged = true;
  let last: Session | undefined;
  const evidence: Evidence[] = [];
  const outcomes: LookOutcome[] = [];
  for (const session of sessions(allLooks(present))) {
    if (last) {
      belief = drift(belief, daysBetween(last.day, session.day));
      belief = reopen(belief, reopenings.slice(last.reopenings, session.reopenings).flat());
    }
    const items = session.looks.map(evidenceOf);
    const updated = update(belief, items);
    belief = { mean: updated.mean, covariance: updated.covariance };
    converged &&= updated.converged;
    evidence.push(...items);
    outcomes.push(...updated.outcomes);
    last = session;
  }
  if (last) belief = reopen(belief, reopenings.slice(last.reopenings).flat());
  return { joint: belief, evidence, outcomes, converged, heat: [...learnt.values()] };
}
