/** Posterior means and standard deviations of engine and instruments, day by day. */
import { groupOf, type Case } from "../advice/judge/case.ts";
import { beliefOver, placeOfInstrument } from "../belief/layout.ts";
import { firstUnknowns } from "../belief/stale-air.ts";
import { UNKNOWNS, type Belief, type Unknown } from "../belief/unknowns.ts";
import { dayOf } from "../log/schema.ts";
import type { Instrument } from "../looks/instruments.ts";

/** What a tuner can make something of: how far each path is off the model, and how the air works here. */
export const TRENDS = ["pilot", "needle", "main", "airSensitivity"] as const satisfies readonly Unknown[];
export type TrendName = (typeof TRENDS)[number];

interface Known {
  readonly mean: number;
  readonly sd: number;
}

export interface TrendDay {
  readonly day: string;
  readonly engine: Readonly<Record<TrendName, Known>>;
  /** in the order of the instruments */
  readonly instruments: readonly Known[];
}

export interface Trend {
  readonly instruments: readonly Instrument[];
  /** one a day on which something was seen, in order */
  readonly days: readonly TrendDay[];
}

function knownAt({ mean, covariance }: Belief, place: number): Known {
  const variance = covariance[place * mean.length + place] ?? 0;
  return { mean: mean[place] ?? 0, sd: Math.sqrt(Math.max(0, variance)) };
}

/** @returns a log of nothing but its description has no days */
export function trendOf(open: Case, carburettor = 0): Trend {
  const { replayed } = open;
  const { layout } = replayed;
  const cylinders = groupOf(open, carburettor).cylinders.map((cylinder) => cylinder - 1);
  const days = new Map<string, TrendDay>();
  for (const { matched, after, known } of replayed.sessions) {
    const at = matched.find((one) => one.at !== undefined)?.at;
    if (at === undefined) continue;
    const joint = firstUnknowns(after, known);
    const engine = beliefOver(joint, cylinders);
    const of = (name: TrendName) => knownAt(engine, UNKNOWNS.indexOf(name));
    days.set(dayOf(at), {
      day: dayOf(at),
      engine: {
        pilot: of("pilot"),
        needle: of("needle"),
        main: of("main"),
        airSensitivity: of("airSensitivity"),
      },
      instruments: layout.instruments.map((one) => knownAt(joint, placeOfInstrument(layout, one) ?? 0)),
    });
  }
  return { instruments: layout.instruments, days: [...days.values()] };
}
