/**
 * As shift-weight.ts, but without its quadratic approximation: runs EP again with the fault’s size as one more unknown.
 * Used where a rank-one step finds a fault likely, since a plug far off its tone has no normal likelihood.
 */
import type { ReplayedSession, MatchedEvidence } from "../belief/replay.ts";
import { firstUnknowns, withUnknown } from "../belief/stale-air.ts";
import type { Belief } from "../belief/unknowns.ts";
import { update } from "../belief/update.ts";
import type { Likelihood } from "../looks/likelihood.ts";
import type { FaultSize } from "./fault-kind.ts";

/** A fault that began longer ago is left at its first answer: an answer must not take a season to find. */
export const MOST_DAYS = 8;

/** A chance need not be known as well as a mixture. */
const NEAR_ENOUGH = 0.01;

/** @returns the same symptom, which a fault shows with this chance whatever the mixture */
export function alsoMade(symptom: Likelihood, made: number): Likelihood {
  if (made === 0) return symptom;
  const { sd, tail, reads } = symptom;
  return { sd, tail, reads, log: (e) => Math.log(1 - (1 - made) * (1 - Math.exp(symptom.log(e)))) };
}

/** What a day added to what is doubted of the engine: drift and work, the same with a fault and without. */
function carriedOver(extended: Belief, ended: Belief, begun: Belief, known: number): Belief {
  const wide = begun.mean.length;
  const size = wide + 1;
  const covariance = new Float64Array(size * size);
  const mean = new Float64Array(size);
  const old = known + 1;
  const was = ended.mean.length;
  const placeOf = (i: number) => (i === known ? wide : i);
  for (let i = 0; i < old; i += 1) {
    mean[placeOf(i)] = extended.mean[i] ?? 0;
    for (let j = 0; j < old; j += 1) {
      const added =
        i < known && j < known
          ? (begun.covariance[i * wide + j] ?? 0) - (ended.covariance[i * was + j] ?? 0)
          : 0;
      covariance[placeOf(i) * size + placeOf(j)] = (extended.covariance[i * old + j] ?? 0) + added;
    }
  }
  if (wide > known) covariance[known * size + known] = begun.covariance[known * wide + known] ?? 0;
  return { mean, covariance };
}

/** @returns the first unknowns and the last one, which is the fault's size */
function knownAndSize(belief: Belief, known: number): Belief {
  const wide = belief.mean.length;
  if (wide === known + 1) return belief;
  const narrow = withUnknown(firstUnknowns(belief, known), 0);
  const [last, size] = [wide - 1, known + 1];
  for (let i = 0; i < known; i += 1) {
    const both = belief.covariance[i * wide + last] ?? 0;
    narrow.covariance[i * size + known] = both;
    narrow.covariance[known * size + i] = both;
  }
  narrow.covariance[known * size + known] = belief.covariance[last * wide + last] ?? 0;
  narrow.mean[known] = belief.mean[last] ?? 0;
  return narrow;
}

/**
 * @param fixed - what is added besides, whatever the size
 * @param likelihoodOf - what a look says where the fault makes it by itself too
 * @returns ln of how many times more likely all looks are; nothing where it began too long ago
 * @throws {RangeError} if a look is impossible with it
 */
export function lnBayesFactor(
  sessions: readonly ReplayedSession[],
  shareOf: (matched: MatchedEvidence) => number,
  fixed: (matched: MatchedEvidence) => number,
  size: FaultSize,
  likelihoodOf: (matched: MatchedEvidence) => Likelihood = ({ item }) => item.likelihood,
): number | undefined {
  const known = sessions[0]?.known ?? 0;
  const begins = sessions.findIndex(({ matched }) =>
    matched.some((one) => shareOf(one) !== 0 || fixed(one) !== 0),
  );
  if (begins < 0) return 0;
  if (sessions.length - begins > MOST_DAYS) return undefined;
  let extended: Belief | undefined;
  let ended: Belief | undefined;
  let ln = 0;
  for (const { before, after, matched, lnEvidence } of sessions.slice(begins)) {
    let begun: Belief;
    if (extended && ended) begun = carriedOver(extended, ended, before, known);
    else {
      begun = withUnknown(before, size.sd);
      begun.mean[before.mean.length] = size.mean;
    }
    const items = matched.map((one) => {
      const { item } = one;
      const row = new Float64Array(item.line.row.length + 1);
      row.set(item.line.row);
      row[row.length - 1] = shareOf(one);
      return { ...item, likelihood: likelihoodOf(one), line: { shift: item.line.shift + fixed(one), row } };
    });
    const from = matched.map(({ site }) => site);
    const with_ = update(begun, items, { from, settled: NEAR_ENOUGH });
    ln += with_.lnEvidence() - lnEvidence();
    extended = knownAndSize(with_, known);
    ended = after;
  }
  return ln;
}
