/**
 * An engine, a reader or a sensor that is further off than usual is odd, not faulty: these compete with the faults,
 * so that a strange but healthy engine raises no alarm.
 */
import { UNKNOWNS, UNKNOWNS_EACH, type Unknown } from "../belief/unknowns.ts";
import type { Layout } from "../belief/layout.ts";
import { OFFSET_SD } from "../looks/instruments.ts";
import type { MatchedEvidence } from "../belief/replay.ts";
import type { FaultSize } from "./fault-kind.ts";

export interface OddCase {
  readonly prior: number;
  readonly size: FaultSize;
  readonly shareOf: (matched: MatchedEvidence) => number;
}

const ODD: readonly { readonly unknown: Unknown; readonly prior: number; readonly sd: number }[] = [
  { unknown: "pilot", prior: 0.06, sd: 0.2 },
  { unknown: "needle", prior: 0.06, sd: 0.16 },
  { unknown: "main", prior: 0.06, sd: 0.16 },
  { unknown: "low", prior: 0.03, sd: 0.08 },
  { unknown: "idle", prior: 0.03, sd: 0.05 },
  { unknown: "mid", prior: 0.03, sd: 0.05 },
  { unknown: "top", prior: 0.03, sd: 0.05 },
  { unknown: "airSensitivity", prior: 0.03, sd: 0.35 },
  { unknown: "screwWorth", prior: 0.03, sd: 0.5 },
  { unknown: "clipWorth", prior: 0.03, sd: 0.5 },
];
/** Jets of another machine, or of another height: all of it alike rich or lean, and nothing wrong with it. */
const JETTED_OFF = { prior: 0.06, size: { mean: 0, sd: 0.13 }, shareOf: () => 1 } as const satisfies OddCase;
const ODD_READER_PRIOR = 0.04;
const ODD_READER_SDS = 2.5;

/** @returns the ways in which all could be healthy and yet unusual */
export function benignHypotheses({ cylinders, instruments }: Layout): OddCase[] {
  const engines = ODD.map(({ unknown, prior, sd }): OddCase => {
    const place = UNKNOWNS.indexOf(unknown);
    const shareOf = ({ item: { line } }: MatchedEvidence) => {
      let share = 0;
      for (let c = 0; c < cylinders; c += 1) share += line.row[c * UNKNOWNS_EACH + place] ?? 0;
      return share;
    };
    return { prior, size: { mean: 0, sd }, shareOf };
  });
  const readers = instruments.map(({ kind }, i): OddCase => ({
    prior: ODD_READER_PRIOR,
    size: { mean: 0, sd: ODD_READER_SDS * OFFSET_SD[kind] },
    shareOf: ({ item: { line } }) => line.row[UNKNOWNS_EACH * cylinders + i] ?? 0,
  }));
  return [JETTED_OFF, ...engines, ...readers];
}
