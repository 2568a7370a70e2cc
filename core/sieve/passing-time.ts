/** Old looks fade, and work on the engine reopens doubt: both only ever add to a belief's variance. */
import type * as z from "zod";
import type { PathName } from "../log/parts.ts";
import { PRIOR_SD, UNKNOWNS, type Belief, type Unknown } from "../evidence/unknowns.ts";

/** Drift of each path per month of use. */
const DRIFT_SD_PER_MONTH = 0.01;
const DAYS_PER_MONTH = 30.44;
/** Work on a part brings back this share of the doubt there was before anything was seen. */
const REOPENED_SHARE = 0.5;

const REOPENS: Readonly<Record<z.infer<typeof PathName>, readonly Unknown[]>> = {
  pilot: ["pilot"],
  needle: ["needle"],
  main: ["main"],
  zones: ["idle", "low", "mid", "top"],
  air: ["airSensitivity"],
};

function withAdded(belief: Belief, added: (name: Unknown, variance: number) => number): Belief {
  const covariance = belief.covariance.map((row, i) =>
    row.map((value, j) => {
      const name = UNKNOWNS[i];
      return i === j && name ? value + added(name, value) : value;
    }),
  );
  return { mean: belief.mean, covariance };
}

/** @param days - between two groups of looks, not below 0 */
export function drift(belief: Belief, days: number): Belief {
  const added = DRIFT_SD_PER_MONTH ** 2 * (Math.max(0, days) / DAYS_PER_MONTH);
  return withAdded(belief, (name) => (name === "pilot" || name === "needle" || name === "main" ? added : 0));
}

/** Never beyond what was doubted at the very start, never a reset of what was learnt. */
export function reopen(belief: Belief, paths: readonly z.infer<typeof PathName>[]): Belief {
  const names = new Set(paths.flatMap((path) => REOPENS[path]));
  return withAdded(belief, (name, variance) => {
    if (!names.has(name)) return 0;
    const prior = PRIOR_SD[name] ** 2;
    return Math.max(0, Math.min(REOPENED_SHARE * prior, prior - variance));
  });
}
