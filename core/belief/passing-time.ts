/**
 * Process noise: old looks lose weight with time, and work on the engine reopens doubt. Both only add to variances.
 */
import type * as z from "zod/mini";
import type { PathName } from "../log/parts.ts";
import { addDoubt, type Layout } from "./layout.ts";
import { PRIOR_SD, UNKNOWNS, UNKNOWNS_EACH, type Belief, type Unknown } from "./unknowns.ts";

/** Drift of each path per month of use. */
const DRIFT_SD_PER_MONTH = 0.01;
const DAYS_PER_MONTH = 30.44;
/** Work on a part brings back this share of the doubt there was before anything was seen. */
const REOPENED_SHARE = 0.5;

const REOPENS: Readonly<Record<z.infer<typeof PathName>, readonly Unknown[]>> = {
  pilot: ["pilot"],
  needle: ["needle", "clipWorth"],
  main: ["main"],
  zones: ["idle", "low", "mid", "top"],
  air: ["airSensitivity"],
};

/** @param days - between two groups of looks, not below 0 */
export function drift(belief: Belief, layout: Layout, days: number): Belief {
  if (!(days > 0)) return belief;
  const added = DRIFT_SD_PER_MONTH ** 2 * (days / DAYS_PER_MONTH);
  return addDoubt(belief, layout, (name) =>
    name === "pilot" || name === "needle" || name === "main" ? added : 0,
  );
}

/** Never beyond what was doubted at the very start, never a reset of what was learnt. */
export function reopen(belief: Belief, layout: Layout, paths: readonly z.infer<typeof PathName>[]): Belief {
  const names = new Set(paths.flatMap((path) => REOPENS[path]));
  if (names.size === 0) return belief;
  return addDoubt(belief, layout, (name, cylinder) => {
    if (!names.has(name)) return 0;
    const place = cylinder * UNKNOWNS_EACH + UNKNOWNS.indexOf(name);
    const variance = belief.covariance[place * layout.size + place] ?? 0;
    const prior = PRIOR_SD[name] ** 2;
    return Math.max(0, Math.min(REOPENED_SHARE * prior, prior - variance));
  });
}
