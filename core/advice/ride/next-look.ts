/**
 * Which ride comes next: of every kind of look that this tuner has, in every zone and at every cylinder, the ride that
 * is expected to save most loss per minute of its stop, with the plan made again after each of three things it could
 * show. A ride tells more than what it was ridden for: with the plug comes how it pulled in every zone.
 */
import type { Zone } from "../../carburettor/zones.ts";
import { placeOfInstrument, lineOver, type Layout } from "../../belief/layout.ts";
import type { Belief } from "../../belief/unknowns.ts";
import { OFFSET_SD } from "../../looks/instruments.ts";
import type { LookHow } from "../../looks/look-kind.ts";
import { NEXT_LOOKS } from "../../looks/registry.ts";
import type { LookMeans } from "../../log/schools.ts";
import type { Reading, Setting } from "../../log/schema.ts";
import { addScaled, dot, lessOuter, times } from "../../numbers/linear.ts";
import { chanceAllRight } from "../judge/chances.ts";
import { beliefsOf, type SettingJudge } from "../judge/judge-setting.ts";
import { bestAtOneStop, leastLoss, ORDER, type PlanQuestion } from "../plan/plan.ts";

export interface NextLook {
  readonly how: LookHow;
  /** what it is ridden for; none for a report of a whole ride */
  readonly zone?: Zone;
  /** read by the same instrument on the same ride */
  readonly along?: readonly Zone[];
  /** of an engine with several */
  readonly cylinder?: number;
  /** how it pulled is told with it, zone by zone */
  readonly tells?: true;
  /** two that are run against each other */
  readonly settings?: readonly [Setting, Setting];
  readonly minutes: number;
  /** expected fall of the least loss by one such stop, less what the ride itself may cost */
  readonly gain: number;
}

export interface LookQuestion extends PlanQuestion {
  readonly joint: Belief;
  readonly layout: Layout;
  /** counted from 1 */
  readonly cylinders: readonly number[];
  readonly means: readonly LookMeans[];
  readonly seen: readonly Reading[];
  /** how often such a look was taken of this setting in this air */
  readonly taken: (how: LookHow, zone: Zone, cylinder: number | undefined) => number;
  /** parts of the box that could be swapped, if one knew more */
  readonly swaps?: readonly Swap[];
  /** a ride that shows this zone */
  readonly only?: Zone;
  /** by plug, probe or meter, not by feel */
  readonly onlyRead?: boolean;
  /** what screws and jets set is right: a look is worth what it says of a part */
  readonly onlyForParts?: boolean;
}

/** A part as the worth of a look sees it. */
export interface Swap {
  /** its gain, were all that is given believed of the engine */
  readonly gainIf: (joint: Belief) => number;
}

/** Loss that a minute must save. */
export const WORTH_A_MINUTE = 0.006;
/** So many are worked out to the end; the others take away less doubt per minute. */
const SHORTLIST = 5;
// Three-point Gauss-Hermite over what the look may show: exact for parabolas, enough to rank looks.
const OUTCOMES = [
  { at: -Math.sqrt(3), weight: 1 / 6 },
  { at: 0, weight: 2 / 3 },
  { at: Math.sqrt(3), weight: 1 / 6 },
] as const;
/** The zones of one ride overlap: together they say a little less than each by itself. */
const BESIDE_SHARE = 0.8;
/** Each zone more that is held on a ride. */
const MINUTES_ALONG = 1;
/** Where two looks are worth about the same the school's order decides. */
const ORDER_FAVOUR = [1.1, 1, 0.9] as const;
/** A kind is not asked a third time of one setting, air and zone: something else tells more. */
const MOST_ALIKE = 2;
/** What it costs to ride flat out past the lean limit, as loss. */
const RIDDEN_LEAN = 1;

/** What would be known once one zone was read. */
interface Observed {
  readonly zone: Zone;
  /** where the mean would move to, for one sd of what could be read */
  readonly shift: Float64Array;
  readonly covariance: Float64Array;
  /** fall of variance along its line, as the zone weighs */
  readonly fall: number;
}

type Kind = (typeof NEXT_LOOKS)[number];

/** A ride that could come next, with all that it could tell. */
interface Candidate {
  readonly kind: Kind;
  readonly zones: readonly Zone[];
  readonly cylinder: number | undefined;
  readonly settings: readonly [Setting, Setting] | undefined;
  readonly tells: boolean;
  readonly minutes: number;
  readonly observed: readonly Observed[];
  /** fall of variance along its lines, per minute */
  readonly takesAway: number;
}

interface Read {
  readonly zone: Zone;
  readonly cylinders: readonly number[];
  readonly kinds: readonly Kind[];
}

const lineAt = ({ judge, layout, fitted }: LookQuestion, { zone, cylinders }: Read, place?: number) =>
  lineOver(new Map(cylinders.map((c) => [c - 1, judge.lines(fitted)[zone]])), layout, place).row;

/** What is in doubt after such looks at one zone, so many of each: with its own error and its instrument's. */
function doubtAfter(question: LookQuestion, doubt: Float64Array, read: Read, alike = 1): Float64Array {
  const { layout, build, seen } = question;
  return read.kinds.reduce((covariance, { instrument, sd }) => {
    const place = instrument && placeOfInstrument(layout, { kind: instrument });
    const row = lineAt(question, read, place);
    const gain = times(covariance, row);
    const unknownError = instrument && place === undefined ? OFFSET_SD[instrument] : 0;
    const total = dot(row, gain) + sd(read.zone, build, seen) ** 2 / alike + unknownError ** 2;
    return lessOuter(covariance, gain, 1 / total);
  }, doubt);
}

/** What is known of a zone's line once the doubt is this: the mean moves as far as the doubt along it falls. */
function observed(question: LookQuestion, read: Read, covariance: Float64Array): Observed {
  const { judge, joint } = question;
  const row = lineAt(question, read);
  const taken = addScaled(times(joint.covariance, row), times(covariance, row), -1);
  const fall = Math.max(0, dot(row, taken));
  const shift = addScaled(new Float64Array(taken.length), taken, fall > 0 ? 1 / Math.sqrt(fall) : 0);
  return { zone: read.zone, shift, covariance, fall: judge.weights[read.zone] * fall };
}

const REPORT = NEXT_LOOKS.find(({ how }) => how === "rideReport");

/** Zones of which how it pulled is to be told: once of one setting in one air; what was left out then was not used. */
function stillToTell({ means, taken, build }: LookQuestion): readonly Zone[] {
  if (!REPORT || !means.includes(REPORT.means)) return [];
  const zones = REPORT.rides(build).flat();
  return zones.some((zone) => taken(REPORT.how, zone, undefined) > 0) ? [] : zones;
}

type Ride = Pick<Candidate, "kind" | "zones" | "cylinder" | "settings" | "tells">;

/** Read and felt in one zone: two witnesses of one line. */
function readsOf(question: LookQuestion, { kind, zones, cylinder, tells }: Ride): Read[] {
  const cylinders = cylinder === undefined ? question.cylinders : [cylinder];
  const felt = tells && REPORT ? stillToTell(question) : [];
  const told = REPORT ? [REPORT] : [];
  return [
    ...zones.map((zone) => ({ zone, cylinders, kinds: felt.includes(zone) ? [kind, ...told] : [kind] })),
    ...felt
      .filter((zone) => !zones.includes(zone))
      .map((zone) => ({ zone, cylinders: question.cylinders, kinds: told })),
  ];
}

/** What each zone of a ride would say by itself. */
const allThatItTells = (question: LookQuestion, ride: Ride, alike = 1): Observed[] =>
  readsOf(question, ride).map((read) =>
    observed(question, read, doubtAfter(question, question.joint.covariance, read, alike)),
  );

/** What a richer main would run against what is fitted, where the box has one. */
function timedPair({ options, fitted }: LookQuestion): readonly [Setting, Setting] | undefined {
  const richer = options.main.find((main) => main > fitted.main);
  return richer === undefined ? undefined : [fitted, { ...fitted, main: richer }];
}

function ridesOf(question: LookQuestion, kind: Kind): Ride[] {
  const { cylinders, build, means, taken } = question;
  // Where a plug can be pulled, nobody rides for the report alone.
  if (!means.includes(kind.means) || (kind === REPORT && means.includes("plug"))) return [];
  const settings = kind.pair ? timedPair(question) : undefined;
  if (kind.pair && !settings) return [];
  if (kind === REPORT && stillToTell(question).length === 0) return [];
  const tells = kind.felt === true && stillToTell(question).length > 0;
  const named = cylinders.length > 1 && !kind.pair && kind !== REPORT ? cylinders : [undefined];
  return named.flatMap((cylinder) =>
    kind
      .rides(build)
      .map((zones) => zones.filter((zone) => taken(kind.how, zone, cylinder) < MOST_ALIKE))
      .filter((zones) => zones.length > 0)
      .map((zones) => ({ kind, zones, cylinder, settings, tells })),
  );
}

function candidates(question: LookQuestion): Candidate[] {
  const { only, onlyRead = false } = question;
  const rides = NEXT_LOOKS.flatMap((kind) => ridesOf(question, kind));
  const asked = rides.filter(
    ({ kind, zones }) => (only === undefined || zones.includes(only)) && !(onlyRead && kind.byFeel),
  );
  return asked.map((ride) => {
    const { kind, zones } = ride;
    const [first = 0, ...more] = zones.map((zone) => kind.minutes(zone)).sort((a, b) => b - a);
    const minutes = kind === REPORT ? first : first + MINUTES_ALONG * more.length;
    const told = allThatItTells(question, ride);
    const takesAway = told.reduce((sum, { fall }) => sum + fall, 0) / minutes;
    return { ...ride, minutes, observed: told, takesAway };
  });
}

/** What the best of the parts would save, if it saves anything. */
const swapGain = (swaps: readonly Swap[], joint: Belief): number =>
  swaps.reduce((most, { gainIf }) => Math.max(most, gainIf(joint)), 0);

interface Now {
  readonly loss: number;
  readonly swap: number;
}

/** @returns the mean of a figure over what may be seen */
function expected(
  { joint, cylinders, judge }: LookQuestion,
  { shift, covariance }: Observed,
  figure: (judge: SettingJudge, known: Belief) => number,
): number {
  return OUTCOMES.reduce((sum, { at, weight }) => {
    const known = { mean: addScaled(joint.mean, shift, at), covariance };
    return sum + weight * figure(judge.believing(beliefsOf(known, cylinders)), known);
  }, 0);
}

function worthOf(question: LookQuestion, seen: Observed, now: Now): number {
  const { swaps = [], onlyForParts = false } = question;
  const saved = now.loss - expected(question, seen, (judge) => leastLoss({ ...question, judge }));
  const swapped =
    swaps.length === 0 ? 0 : expected(question, seen, (_, known) => swapGain(swaps, known)) - now.swap;
  return (onlyForParts ? 0 : Math.max(0, saved)) + Math.max(0, swapped);
}

/** What all that one ride tells would save: what says most in full, the rest by its share. */
function worthOfAll(question: LookQuestion, told: readonly Observed[], now: Now) {
  const each = told.map((one) => ({ zone: one.zone, gain: worthOf(question, one, now) }));
  const sum = each.reduce((total, { gain }) => total + gain, 0);
  const best = each.reduce<{ zone?: Zone; gain: number }>((a, b) => (b.gain > a.gain ? b : a), { gain: 0 });
  return { each, gain: best.gain + BESIDE_SHARE * (sum - best.gain) };
}

/** What it risks to ride flat out with what is fitted. */
function riskOf({ judge, fitted }: LookQuestion, { kind, zones }: Candidate): number {
  return kind.how !== "idleBench" && zones.includes("top") ? RIDDEN_LEAN * judge.judge(fitted).leanRisk : 0;
}

/** Those that take away most doubt a minute, the best first. */
function shortlist(all: readonly Candidate[], swaps: readonly Swap[] = []): Candidate[] {
  const ordered = [...all].sort((a, b) => b.takesAway - a.takesAway);
  // Where only a part reaches, a look is worth nothing to any jet: it is asked about for the part's sake.
  const forParts =
    swaps.length === 0 ? [] : ordered.slice(SHORTLIST).filter(({ zones }) => zones.includes("low"));
  return [...ordered.slice(0, SHORTLIST), ...forParts];
}

function favour({ order }: LookQuestion, zone: Zone): number {
  const place = ORDER[order].indexOf(zone === "low" ? "idle" : zone);
  return ORDER_FAVOUR[place] ?? 1;
}

interface Weighed {
  readonly look: NextLook;
  /** gain a minute, as the school of order favours it */
  readonly rank: number;
}

function weighed(question: LookQuestion, ride: Candidate, now: Now): Weighed {
  const { kind, zones, cylinder, settings, tells, minutes } = ride;
  const risk = riskOf(question, ride);
  const once = worthOfAll(question, ride.observed, now);
  const gainOfOne = once.gain - risk;
  // One look that moves nothing may be half of two that do.
  const again =
    gainOfOne / minutes < WORTH_A_MINUTE && kind !== REPORT && !settings
      ? worthOfAll(question, allThatItTells(question, ride, 2), now).gain / 2 - risk
      : 0;
  const gain = Math.max(0, gainOfOne, again);
  const read = once.each.filter((one) => zones.includes(one.zone)).sort((a, b) => b.gain - a.gain);
  const zone = read[0]?.zone ?? "top";
  const along = zones.filter((other) => other !== zone);
  const look: NextLook = {
    how: kind.how,
    ...(kind !== REPORT && { zone }),
    ...(kind !== REPORT && along.length > 0 && { along }),
    ...(cylinder !== undefined && { cylinder }),
    ...(tells && { tells }),
    ...(settings && { settings }),
    minutes,
    gain,
  };
  const favoured = kind === REPORT ? 1 : favour(question, zone);
  return { look, rank: (gain * favoured) / minutes };
}

/** @returns what each of these rides would be worth by all that it tells, the best a minute first */
function weigh(question: LookQuestion, rides: readonly Candidate[]): NextLook[] {
  const { joint, swaps = [] } = question;
  const now = { loss: leastLoss(question), swap: swapGain(swaps, joint) };
  return rides
    .map((ride) => weighed(question, ride, now))
    .sort((a, b) => b.rank - a.rank)
    .map(({ look }) => look);
}

/** @returns the ride most worth its minutes, or nothing when this tuner has no way of looking */
export function nextLook(question: LookQuestion): NextLook | undefined {
  return weigh(question, shortlist(candidates(question), question.swaps))[0];
}

/** @returns the chance that these zones are right together once that ride has told all, and what it asks for is fitted */
export function chanceAfter(question: LookQuestion, look: NextLook, zones: readonly Zone[]): number {
  const { how, zone, along = [], cylinder, settings, tells = false } = look;
  const kind = NEXT_LOOKS.find((one) => one.how === how);
  if (!kind) throw new RangeError(`look must be of a kind that can be asked for, got ${how}`);
  const ridden = zone === undefined ? kind.rides(question.build).flat() : [zone, ...along];
  const reads = readsOf(question, { kind, zones: ridden, cylinder, settings, tells });
  const doubt = reads.reduce(
    (covariance, read) => doubtAfter(question, covariance, read),
    question.joint.covariance,
  );
  const [main] = reads;
  if (!main) return chanceAllRight(question.judge, question.fitted, zones);
  return expected(question, observed(question, main, doubt), (judge) =>
    chanceAllRight(judge, bestAtOneStop({ ...question, judge }).setting, zones),
  );
}

/** @returns of every kind of look that this tuner has the one most worth its minutes, the best first */
export function bestOfEachKind(question: LookQuestion): NextLook[] {
  const found = new Map<LookHow, NextLook>();
  for (const look of weigh(question, candidates(question)))
    if (!found.has(look.how)) found.set(look.how, look);
  return [...found.values()];
}
