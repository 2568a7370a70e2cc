/** Advice is a pure function of the log (and perhaps of an air that is still being typed). */
import { densityAltitude, powerLeft } from "../air/air-worth.ts";
import type { HumidAir } from "../air/humid-air.ts";
import { buildModel, type Model } from "../carburettor/model.ts";
import { LEAN_LIMIT, ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { beliefOver } from "../belief/cylinders.ts";
import { heatRangeSays, type HeatRangeSays } from "../looks/heat-range.ts";
import type { Evidence } from "../looks/registry.ts";
import { SAYS_NOTHING } from "../looks/temperature.ts";
import type { Belief } from "../belief/unknowns.ts";
import { fold, type Present } from "../log/fold.ts";
import type { PlugFinding } from "../log/parts.ts";
import type { AirEntry, Build, Entry, Setting } from "../log/schema.ts";
import { adviceGroups, buildOfCarburettor, cylindersFedBy } from "../rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild } from "../rig/from-build.ts";
import { bestSetting } from "./card.ts";
import { cardRows, type CardRow } from "./card-rows.ts";
import { choices, screwWindow } from "./choices.ts";
import { chanceRight, settingJudge, TOLERANCE, type CylinderBelief, type Judged } from "./judge-setting.ts";
import { chanceAbove } from "./loss.ts";
import { cylinderReports, outliersAmong } from "./departures.ts";
import type { LearntHeat } from "../belief/heat-slopes.ts";
import { leanings, type Leaning } from "./leanings.ts";
import { type LookKind } from "./next-look.ts";
import { nextStep, type NextStep } from "./next-step.ts";
import { rulesInTheWay } from "./rules-in-the-way.ts";
import { sift, type Sifted } from "../belief/replay.ts";
import { stripCurve, type StripPoint } from "./strip-curve.ts";
import { toBuy, type ToBuy } from "./to-buy.ts";
import { SURPRISING, type LookOutcome } from "../belief/update.ts";
import { warnings, type Warning } from "./warnings.ts";

export interface ZoneAdvice {
  readonly zone: Zone;
  /** believed mixture error with the fitted setting: 0 on target, + lean */
  readonly mean: number;
  readonly sd: number;
  readonly pLean: number;
  readonly pRich: number;
  readonly pRight: number;
  /** chance of being past the lean limit */
  readonly pPastLimit: number;
  /** looks taken in this zone on this build */
  readonly looks: number;
}

/** A look drawn on the strip: where it stands now, had it been taken with today's setting and air. */
export interface Mark {
  readonly lookId: string;
  readonly zone: Zone;
  readonly reads: number;
}

export interface AirWorth {
  readonly air: HumidAir;
  /** dry density over that of the baseline's day */
  readonly relativeDryDensity: number;
  readonly densityAltitudeM: number;
  readonly powerLeft: number;
  /** how the baseline setting would run in this air, by physics alone */
  readonly shift: PerZone<number>;
}

export interface Advice {
  /** the carburettors (from 0) that this is for: all of them while they are alike and set alike */
  readonly carburettors: readonly number[];
  /** how many such groups there are */
  readonly groups: number;
  readonly fitted: Setting;
  readonly card: { readonly setting: Setting; readonly rows: readonly CardRow[]; readonly safe: boolean };
  readonly next: NextStep;
  readonly zones: readonly ZoneAdvice[];
  readonly strip: readonly StripPoint[];
  readonly marks: readonly Mark[];
  readonly air: AirWorth;
  readonly warnings: readonly Warning[];
  readonly looks: readonly LookOutcome[];
  readonly surprises: readonly LookOutcome[];
  /** what the card leans on most of all that nobody has measured */
  readonly leanings: readonly Leaning[];
  /** what a temperature is worth on this engine, where its log has taught it */
  readonly heat: readonly LearntHeat[];
  /** jets that the box lacks and that would help */
  readonly buy: readonly ToBuy[];
}

/** Everything that does not change while an air is being typed. */
export interface Case {
  readonly present: Present;
  readonly build: Build;
  readonly sifted: Sifted;
}

/** The carburettors advised as one: their machine, what is fitted, what is believed of their cylinders. */
interface Group {
  readonly carburettors: readonly number[];
  readonly groups: number;
  readonly build: Build;
  readonly model: Model;
  readonly fitted: Setting;
  /** of the mean of their cylinders */
  readonly belief: Belief;
  readonly cylinders: readonly CylinderBelief[];
  /** looks at these cylinders, or at the engine as a whole */
  readonly evidence: readonly Evidence[];
}

/** @throws {RangeError} if the log holds no build, or one that cannot be */
export function openCase(entries: readonly Entry[]): Case {
  const present = fold(entries);
  const sifted = sift(present);
  const { build } = present;
  if (!build) throw new RangeError("log must hold a build, got none");
  return { present, build, sifted };
}

function groupOf({ present, build: rig, sifted }: Case, carburettor: number): Group {
  const all = adviceGroups(rig, present.settings);
  const carburettors = all.find((members) => members.includes(carburettor)) ?? all[0] ?? [0];
  const [first = 0] = carburettors;
  const build = buildOfCarburettor(rig, first);
  const cylinders = carburettors.flatMap((one) => cylindersFedBy(rig, one));
  const elsewhere = new Set(
    present.looks.flatMap(({ entry: { id, cylinder } }) =>
      cylinder === undefined || cylinders.includes(cylinder) ? [] : [id],
    ),
  );
  return {
    carburettors,
    groups: all.length,
    build,
    model: buildModel(rigFromBuild(build)),
    fitted: present.settings[first] ?? build.baseline.setting,
    belief: beliefOver(
      sifted.joint,
      cylinders.map((cylinder) => cylinder - 1),
    ),
    evidence: sifted.evidence.filter(
      ({ lookId, likelihood }) => !elsewhere.has(lookId) && likelihood !== SAYS_NOTHING,
    ),
    cylinders:
      cylinders.length < 2
        ? []
        : cylinders.map((cylinder) => ({ cylinder, belief: beliefOver(sifted.joint, [cylinder - 1]) })),
  };
}

function zoneAdvice(now: Judged, evidence: readonly Evidence[]): ZoneAdvice[] {
  return ZONES.map((zone) => {
    const spread = now.zones[zone];
    return {
      zone,
      ...spread,
      pLean: chanceAbove(TOLERANCE, spread),
      pRich: 1 - chanceAbove(-TOLERANCE, spread),
      pRight: chanceRight(spread),
      pPastLimit: chanceAbove(LEAN_LIMIT[zone], spread),
      looks: evidence.filter((item) => item.zone === zone).length,
    };
  });
}

interface NewestPlug {
  /** what it had on it besides its tone */
  readonly findings: readonly PlugFinding[];
  readonly heatRange: HeatRangeSays | undefined;
}

function newestPlug({ looks }: Present): NewestPlug {
  const reading = looks.findLast(({ entry }) => entry.reading.type === "plug")?.entry.reading;
  if (reading?.type !== "plug") return { findings: [], heatRange: undefined };
  const { findings = [], tone, places } = reading;
  return { findings, heatRange: heatRangeSays(tone, places?.strap) };
}

/** A tuner who has a λ meter has used it. */
function lookKinds({ looks }: Present): LookKind[] {
  return looks.some(({ entry }) => entry.reading.type === "lambda") ? ["plug", "lambda"] : ["plug"];
}

/**
 * @param draft - an air instead of the log's newest, e.g. one still being typed; it makes the card due
 * @param carburettor - one (from 0) of those that the advice is wanted for
 * @returns the card, the next step and all that the strip draws
 * @throws {RangeError} if the fitted setting is impossible on this build
 */
export function adviseOn(open: Case, draft?: AirEntry, carburettor = 0): Advice {
  const { present, sifted } = open;
  const { outcomes } = sifted;
  const plug = newestPlug(present);
  const group = groupOf(open, carburettor);
  const { carburettors, groups, build, model, belief, cylinders, evidence, fitted } = group;
  const airEntry = draft ?? present.air;
  const air = airEntry ? humidAirFromLog(airEntry) : model.rig.baseline.air;
  const judge = settingJudge(model, belief, air, build.usage, cylinders);
  const options = choices(build, fitted);
  const window = screwWindow(build);
  const card = bestSetting(judge, options, fitted);
  const now = judge.judge(fitted);
  const cardDue = present.cardDue || draft !== undefined || present.looks.length === 0;
  const { openChange } = present;
  const lines = judge.lines(fitted);
  const baseline = judge.lines(build.baseline.setting);
  return {
    carburettors,
    groups,
    fitted,
    card: { setting: card.setting, rows: cardRows(judge, options, fitted, card, window), safe: card.safe },
    next: nextStep({
      judge,
      options,
      fitted,
      card,
      cardDue,
      openChange,
      lookKinds: lookKinds(present),
      specks: plug.findings.includes("specks"),
    }),
    zones: zoneAdvice(now, evidence),
    strip: stripCurve(model, belief, air, fitted),
    marks: evidence.map(({ lookId, zone, zoneShift, likelihood }) => ({
      lookId,
      zone,
      reads: likelihood.reads - zoneShift + lines[zone].shift,
    })),
    air: {
      air,
      relativeDryDensity: air.dryDensityKgM3 / model.rig.baseline.air.dryDensityKgM3,
      densityAltitudeM: densityAltitude(air.densityKgM3),
      powerLeft: powerLeft(air),
      shift: {
        idle: baseline.idle.shift,
        low: baseline.low.shift,
        mid: baseline.mid.shift,
        top: baseline.top.shift,
      },
    },
    warnings: warnings({
      judge,
      carburettor: model.rig.carburettor,
      options,
      window,
      now,
      card,
      air,
      airEntry,
      openChange,
      converged: sifted.converged,
      ruled: rulesInTheWay(judge, build, fitted, card),
      overridden: present.overridden,
      ...plug,
      outliers: outliersAmong(cylinderReports(present, open.build, sifted.joint, airEntry)),
    }),
    looks: outcomes,
    surprises: outcomes.filter(({ tail }) => tail < SURPRISING),
    leanings: leanings(build, air, card.setting),
    heat: sifted.heat,
    buy: toBuy(judge, build, options, card),
  };
}

/** @returns advice for a whole log in one go */
export function advise(entries: readonly Entry[]): Advice {
  return adviseOn(openCase(entries));
}
