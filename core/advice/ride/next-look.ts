/**
 * Which look comes next: of every kind that this tuner has, in every zone and at every cylinder, the one that is
 * expected to save most loss per minute, with the plan made again after each of three things it could show.
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
import { beliefsOf } from "../judge/judge-setting.ts";
import { leastLoss, ORDER, type PlanQuestion } from "../plan/plan.ts";

export interface NextLook {
  readonly how: LookHow;
  /** none for a report of a whole ride */
  readonly zone?: Zone;
  /** of an engine with several */
  readonly cylinder?: number;
  /** two that are run against each other */
  readonly settings?: readonly [Setting, Setting];
  readonly minutes: number;
  /** expected fall of the least loss within one stop */
  readonly gain: number;
}

export interface LookQuestion extends PlanQuestion {
  readonly joint: Belief;
  readonly layout: Layout;
  /** counted from 1 */
  readonly cylinders: readonly number[];
  readonly means: readonly LookMeans[];
  readonly seen: readonly Reading[];
  /** parts of the box that could be swapped, if one knew more */
  readonly swaps?: readonly Swap[];
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
const WHOLE_RIDE_SHARE = 0.8;
/** Where two looks are worth about the same the school's order decides. */
const ORDER_FAVOUR = [1.1, 1, 0.9] as const;

interface Candidate {
  readonly look: Omit<NextLook, "gain">;
  /** of the one zone that is worked out */
  readonly zone: Zone;
  readonly gain: Float64Array;
  /** variance of what it would read */
  readonly total: number;
  /** fall of variance along its line, per minute */
  readonly takesAway: number;
  readonly wholeRide: boolean;
}

function candidates(question: LookQuestion): Candidate[] {
  const { judge, joint, layout, cylinders, fitted, build, options, means, seen } = question;
  const at = judge.lines(fitted);
  const pair = (): readonly [Setting, Setting] | undefined => {
    const richer = options.main.find((main) => main > fitted.main);
    return richer === undefined ? undefined : [fitted, { ...fitted, main: richer }];
  };
  return NEXT_LOOKS.filter(({ means: by }) => means.includes(by)).flatMap((kind) =>
    kind.zones(build).flatMap((zone): Candidate[] => {
      const named = cylinders.length > 1 && !kind.wholeRide && !kind.pair ? cylinders : [undefined];
      const settings = kind.pair ? pair() : undefined;
      if (kind.pair && !settings) return [];
      return named.map((cylinder): Candidate => {
        const speaksOf = cylinder === undefined ? cylinders : [cylinder];
        const place = kind.instrument && placeOfInstrument(layout, { kind: kind.instrument });
        const { row } = lineOver(new Map(speaksOf.map((c) => [c - 1, at[zone]])), layout, place);
        const gain = times(joint.covariance, row);
        const along = dot(row, gain);
        const unknownError = kind.instrument && place === undefined ? OFFSET_SD[kind.instrument] : 0;
        const total = along + kind.sd(zone, build, seen) ** 2 + unknownError ** 2;
        const minutes = kind.minutes(zone);
        return {
          look: {
            how: kind.how,
            ...(!kind.wholeRide && { zone }),
            ...(cylinder !== undefined && { cylinder }),
            ...(settings && { settings }),
            minutes,
          },
          zone,
          gain,
          total,
          takesAway: (judge.weights[zone] * along * along) / total / minutes,
          wholeRide: kind.wholeRide ?? false,
        };
      });
    }),
  );
}

/** What the best of the parts would save, if it saves anything. */
const swapGain = (swaps: readonly Swap[], joint: Belief): number =>
  swaps.reduce((most, { gainIf }) => Math.max(most, gainIf(joint)), 0);

interface Now {
  readonly loss: number;
  readonly swap: number;
}

function worthOf(question: LookQuestion, { gain, total }: Candidate, now: Now): number {
  const { joint, cylinders, judge, swaps = [], onlyForParts = false } = question;
  const covariance = lessOuter(joint.covariance, gain, 1 / total);
  const after = OUTCOMES.map(({ at, weight }) => {
    const mean = addScaled(joint.mean, gain, at / Math.sqrt(total));
    const known = { mean, covariance };
    const beliefs = beliefsOf(known, cylinders);
    return {
      loss: weight * leastLoss({ ...question, judge: judge.believing(beliefs) }),
      swap: weight * swapGain(swaps, known),
    };
  });
  const saved = now.loss - after.reduce((sum, { loss }) => sum + loss, 0);
  const swapped = after.reduce((sum, { swap }) => sum + swap, 0) - now.swap;
  return (onlyForParts ? 0 : Math.max(0, saved)) + Math.max(0, swapped);
}

/** Best first, however many zones a ride speaks of. */
function shortlist(all: readonly Candidate[], swaps: readonly Swap[] = []): Candidate[] {
  const ordered = [...all].sort((a, b) => b.takesAway - a.takesAway);
  const rides = ordered.filter(({ wholeRide }) => wholeRide);
  const looks = ordered.filter(({ wholeRide }) => !wholeRide);
  // Where only a part reaches, a look is worth nothing to any jet: it is asked about for the part's sake.
  const forParts = swaps.length === 0 ? [] : looks.slice(SHORTLIST).filter(({ zone }) => zone === "low");
  return [...looks.slice(0, SHORTLIST), ...forParts, ...rides];
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

/** @returns what each of these looks would be worth, the best a minute first; the zones of a ride as one look */
function weigh(question: LookQuestion, asked: readonly Candidate[]): Weighed[] {
  const { joint, swaps = [] } = question;
  const now = { loss: leastLoss(question), swap: swapGain(swaps, joint) };
  const worths = asked.map((candidate) => ({
    candidate,
    gain: worthOf(question, candidate, now),
  }));
  const rides = worths.filter(({ candidate }) => candidate.wholeRide);
  const looks = worths
    .filter(({ candidate }) => !candidate.wholeRide)
    .map(({ candidate: { look, zone }, gain }) => ({
      look: { ...look, gain },
      rank: (gain * favour(question, zone)) / look.minutes,
    }));
  const ride = rides[0]?.candidate.look;
  if (ride) {
    const gain = WHOLE_RIDE_SHARE * rides.reduce((sum, one) => sum + one.gain, 0);
    looks.push({ look: { ...ride, gain }, rank: gain / ride.minutes });
  }
  return looks.sort((a, b) => b.rank - a.rank);
}

/** @returns the look most worth its minutes, or nothing when this tuner has no way of looking */
export const nextLook = (question: LookQuestion): NextLook | undefined =>
  weigh(question, shortlist(candidates(question), question.swaps))[0]?.look;

/** @returns of every kind of look that this tuner has the one most worth its minutes, the best first */
export function bestOfEachKind(question: LookQuestion): NextLook[] {
  const found = new Map<LookHow, NextLook>();
  for (const { look } of weigh(question, candidates(question)))
    if (!found.has(look.how)) found.set(look.how, look);
  return [...found.values()];
}
