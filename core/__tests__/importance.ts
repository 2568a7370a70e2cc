/** Importance sampling as a second method against EP: draws from a widened posterior, reweighted. */
import type { Evidence } from "../belief/evidence.ts";
import type { Belief } from "../belief/unknowns.ts";
import type { Line } from "../looks/line.ts";
import { cholesky, dot } from "../numbers/linear.ts";
import type { Random } from "../numbers/random.ts";

export interface Drawn {
  /** as many even draws would say as much */
  readonly effective: number;
  /** kurtosis: 3 of a normal, less of two peaks, more of one with long tails */
  readonly along: readonly { readonly mean: number; readonly sd: number; readonly kurtosis: number }[];
}

/**
 * @param prior - its unknowns are independent of each other
 * @param lines - along which means and sds are wanted
 * @param wider - draws reach this much further than the answer says; less in many dimensions
 */
export function importanceDraws(
  prior: Belief,
  evidence: readonly Evidence[],
  answer: Belief,
  lines: readonly Line[],
  draws: number,
  random: Random,
  wider = 1.35,
): Drawn {
  const size = prior.mean.length;
  const lower = cholesky(answer.covariance);
  const precision = Float64Array.from(prior.mean, (_, i) => 1 / (prior.covariance[i * size + i] ?? NaN));
  const logs = new Float64Array(draws);
  const values = lines.map(() => new Float64Array(draws));
  // What all looks along one line share is drawn with them, one a line.
  const lineOf = evidence.map(({ line, sharedSd = 0 }) => `${sharedSd} ${line.row.join(" ")}`);
  const shared = new Map(lineOf.map((line, i) => [line, evidence[i]?.sharedSd ?? 0]));
  for (let n = 0; n < draws; n += 1) {
    const z = Float64Array.from({ length: size }, () => random.normal());
    const x = Float64Array.from(answer.mean, (mean, i) => {
      let sum = mean;
      for (let j = 0; j <= i; j += 1) sum += wider * (lower[i * size + j] ?? 0) * (z[j] ?? 0);
      return sum;
    });
    let log = 0.5 * dot(z, z);
    x.forEach((value, i) => (log -= 0.5 * value * value * (precision[i] ?? 0)));
    const errors = new Map([...shared].map(([line, sd]) => [line, sd === 0 ? 0 : sd * random.normal()]));
    evidence.forEach(({ line, likelihood }, i) => {
      log += likelihood.log(line.shift + dot(line.row, x) + (errors.get(lineOf[i] ?? "") ?? 0));
    });
    logs[n] = log;
    lines.forEach(({ row, shift }, i) => {
      const list = values[i];
      if (list) list[n] = shift + dot(row, x);
    });
  }
  const top = logs.reduce((a, b) => Math.max(a, b));
  const weights = logs.map((log) => Math.exp(log - top));
  const mass = weights.reduce((a, b) => a + b);
  const squares = weights.reduce((a, b) => a + b * b, 0);
  return {
    effective: (mass * mass) / squares,
    along: values.map((list) => {
      const mean = dot(weights, list) / mass;
      const moment = (power: number) =>
        weights.reduce((sum, weight, n) => sum + weight * ((list[n] ?? 0) - mean) ** power, 0) / mass;
      const variance = moment(2);
      return { mean, sd: Math.sqrt(variance), kurtosis: moment(4) / variance ** 2 };
    }),
  };
}
