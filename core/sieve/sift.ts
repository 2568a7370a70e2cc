/**
 * Replays a log: all looks of a day on one build are taken together, whatever order they were entered in;
 * the belief after one day, with its drift, is the start of the next.
 */
import { buildModel } from "../carburettor/model.ts";
import { lineOver, priorOf } from "../evidence/cylinders.ts";
import { evidenceFromLook, type Evidence } from "../evidence/from-look.ts";
import { timedLooks, type TimedLook } from "../evidence/from-runs.ts";
import { heatOf, heatSeries } from "../evidence/heat-reading.ts";
import { learnHeatSlope, type HeatPoint, type HeatSlope } from "../evidence/heat-slope.ts";
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

/** On which machine a look was taken. */
function buildOf(builds: readonly BuildRecord[], { build: index }: Look): Build {
  const record = builds[index];
  if (!record) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${index}`);
  return record.build;
}

/** What a setting did on the carburettor of a look, in its air. */
type Mixtures = (look: Look, build: Build, carburettor: number) => ZoneMixture;

/** Keeps one mixture map per build, carburettor and air: the costly half of a look's line. */
function mixtures(): Mixtures {
  const maps = new Map<string, ZoneMixture>();
  const made = (one: Build, air: AirEntry | undefined): ZoneMixture => {
    const model = buildModel(rigFromBuild(one));
    return zoneMixture(model, air ? humidAirFromLog(air) : model.rig.baseline.air);
  };
  return (look, build, carburettor) => {
    const alike = build.others === undefined;
    const key = `${look.build} ${alike ? 0 : carburettor} ${look.air?.id ?? "baseline"}`;
    const map = maps.get(key) ?? made(buildOfCarburettor(build, carburettor), look.air);
    maps.set(key, map);
    return map;
  };
}

type HeatSlopes = (look: Look, build: Build) => HeatSlope | undefined;

/** What this engine's temperatures have taught so far: all of its log speaks, whatever the day. */
function heatSlopes(present: Present, mixtureOf: Mixtures): HeatSlopes {
  const series = new Map<string, HeatPoint[]>();
  for (const look of present.looks) {
    const { reading, cylinder } = look.entry;
    if (reading.type !== "temperature") continue;
    const build = buildOf(present.builds, look);
    const carburettor = cylinder === undefined ? 0 : carburettorOf(build, cylinder - 1);
    const setting = settingFromLog(look.settings[carburettor] ?? look.setting);
    const { shift } = mixtureOf(look, build, carburettor)(setting)[reading.zone];
    const name = heatSeries(reading, build, cylinder);
    series.set(name, [...(series.get(name) ?? []), { shift, temperatureK: heatOf(reading) }]);
  }
  const learnt = new Map([...series].map(([name, points]) => [name, learnHeatSlope(points)]));
  return ({ entry: { reading, cylinder } }, build) =>
    reading.type === "temperature" ? learnt.get(heatSeries(reading, build, cylinder)) : undefined;
}

/** @returns from a look to its evidence about the long belief of all cylinders */
function lineMaker(present: Present, cylinders: number): (look: Look) => Evidence {
  const mixtureOf = mixtures();
  const slopeOf = heatSlopes(present, mixtureOf);
  /** What the look says about the cylinder, through the carburettor that feeds it. */
  const through = (look: Look, build: Build, carburettor: number): Evidence => {
    const setting = look.settings[carburettor] ?? look.setting;
    return evidenceFromLook(look.entry, build, mixtureOf(look, build, carburettor), settingFromLog(setting), {
      before: settingFromLog(look.before?.[carburettor] ?? setting),
      heatSlope: slopeOf(look, build),
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
  const evidenceOf = lineMaker(present, cylinders);
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
  return { joint: belief, evidence, outcomes, converged };
}
