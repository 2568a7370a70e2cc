/**
 * Replays a log: all looks of a day on one build are taken together, whatever order they were entered in;
 * the belief after one day, with its drift, is the start of the next.
 */
import { buildModel } from "../carburettor/model.ts";
import { lineOver, priorOf } from "../evidence/cylinders.ts";
import { evidenceFromLook, type Evidence } from "../evidence/from-look.ts";
import { zoneMixture, type ZoneMixture } from "../evidence/mixture.ts";
import type { Belief } from "../evidence/unknowns.ts";
import { dayOf, type AirEntry, type Build } from "../log/schema.ts";
import type { BuildRecord, Present, SeenLook } from "../log/fold.ts";
import { buildOfCarburettor, carburettorOf } from "../rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import { drift, reopen } from "./passing-time.ts";
import { update, type LookOutcome } from "./update.ts";

export interface Sifted {
  /** of all cylinders, one after the other */
  readonly joint: Belief;
  readonly evidence: readonly Evidence[];
  readonly outcomes: readonly LookOutcome[];
  readonly converged: boolean;
}

const DAY_MS = 86_400_000;

/** Looks taken on one day on one build, with no work between them that brings doubts back. */
interface Session {
  readonly day: string;
  readonly build: number;
  readonly reopenings: number;
  readonly looks: SeenLook[];
}

function sessions(looks: readonly SeenLook[]): Session[] {
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

/** Keeps one mixture map per build, carburettor and air: the costly half of a look's line. */
function lineMaker(builds: readonly BuildRecord[], cylinders: number): (look: SeenLook) => Evidence {
  const maps = new Map<string, ZoneMixture>();
  const mapOf = (one: Build, key: string, air: AirEntry | undefined): ZoneMixture => {
    const known = maps.get(key);
    if (known) return known;
    const model = buildModel(rigFromBuild(one));
    const made = zoneMixture(model, air ? humidAirFromLog(air) : model.rig.baseline.air);
    maps.set(key, made);
    return made;
  };
  /** What the look says about the cylinder, through the carburettor that feeds it. */
  const through = (look: SeenLook, build: Build, carburettor: number): Evidence => {
    const alike = build.others === undefined;
    const key = `${look.build} ${alike ? 0 : carburettor} ${look.air?.id ?? "baseline"}`;
    const map = mapOf(buildOfCarburettor(build, carburettor), key, look.air);
    const setting = look.settings[carburettor] ?? look.setting;
    const before = look.before?.[carburettor] ?? setting;
    return evidenceFromLook(look.entry, build, map, settingFromLog(setting), settingFromLog(before));
  };
  return (look) => {
    const record = builds[look.build];
    if (!record) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${look.build}`);
    const { build } = record;
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

/**
 * @returns what is believed now of every cylinder of the newest build
 * @throws {RangeError} if the log has no build, or holds one that cannot be
 */
export function sift(present: Present): Sifted {
  const { builds, build: newest, reopenings } = present;
  if (!newest) throw new RangeError("log must hold a build, got none");
  const { cylinders } = newest.engine;
  const evidenceOf = lineMaker(builds, cylinders);
  let belief = priorOf(cylinders);
  let converged = true;
  let last: Session | undefined;
  const evidence: Evidence[] = [];
  const outcomes: LookOutcome[] = [];
  for (const session of sessions(present.looks)) {
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
  return { joint: belief, evidence, outcomes, converged };
}
