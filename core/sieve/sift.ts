/**
 * Replays a log: all looks of a day on one build are taken together, whatever order they were entered in;
 * the belief after one day, with its drift, is the start of the next.
 */
import { buildModel, type Model } from "../carburettor/model.ts";
import { evidenceFromLook, type Evidence } from "../evidence/from-look.ts";
import { zoneMixture, type ZoneMixture } from "../evidence/mixture.ts";
import { PRIOR, type Belief } from "../evidence/unknowns.ts";
import { dayOf, type AirEntry } from "../log/schema.ts";
import type { BuildRecord, Present, SeenLook } from "../log/fold.ts";
import { humidAirFromLog, rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import { drift, reopen } from "./passing-time.ts";
import { update, type LookOutcome } from "./update.ts";

export interface Sifted {
  /** of the newest build */
  readonly model: Model;
  readonly belief: Belief;
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

/** Keeps one mixture map per build and air: the costly half of a look's line. */
function lineMaker(builds: readonly BuildRecord[]): (look: SeenLook) => Evidence {
  const models = new Map<number, Model>();
  const maps = new Map<string, ZoneMixture>();
  const modelOf = (index: number, record: BuildRecord): Model => {
    const known = models.get(index) ?? buildModel(rigFromBuild(record.build));
    models.set(index, known);
    return known;
  };
  const mapOf = (model: Model, index: number, air: AirEntry | undefined): ZoneMixture => {
    const key = `${index} ${air?.id ?? "baseline"}`;
    const known = maps.get(key) ?? zoneMixture(model, air ? humidAirFromLog(air) : model.rig.baseline.air);
    maps.set(key, known);
    return known;
  };
  return (look) => {
    const record = builds[look.build];
    if (!record) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${look.build}`);
    const map = mapOf(modelOf(look.build, record), look.build, look.air);
    return evidenceFromLook(look.entry, record.build, map, settingFromLog(look.setting));
  };
}

/**
 * @returns what is believed now, with the model of the newest build
 * @throws {RangeError} if the log has no build, or holds one that cannot be
 */
export function sift(present: Present): Sifted {
  const { builds, build: newest, reopenings } = present;
  if (!newest) throw new RangeError("log must hold a build, got none");
  const evidenceOf = lineMaker(builds);
  let belief: Belief = PRIOR;
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
  return { model: buildModel(rigFromBuild(newest)), belief, evidence, outcomes, converged };
}
