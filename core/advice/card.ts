/**
 * The card: of everything in the box, the setting with the least expected loss that is safe at the top.
 * Search: one part after the other from the fitted setting, then every pair of parts, until neither helps.
 */
import { PARTS, type Part } from "../log/parts.ts";
import type { Setting } from "../log/schema.ts";
import { oneChangeAway, type Choices } from "./choices.ts";
import { MOST_LEAN_RISK, type Judged, type SettingJudge } from "./judge-setting.ts";

/**
 * A part that changes must earn its work: a screw almost for nothing, a jet behind a drained bowl only when
 * the change of air is worth it. Unit: loss, see loss.ts.
 */
const WORK: Readonly<Record<Part, number>> = {
  screwTurns: 0.004,
  clip: 0.02,
  shimMm: 0.025,
  main: 0.03,
  pilot: 0.08,
};
/** Any safe setting beats any unsafe one; among unsafe ones the least risk wins. */
const UNSAFE = 1e6;

export interface BestSetting extends Judged {
  /** whether the box holds a setting that is safe at the top */
  readonly safe: boolean;
}

function costOf(judged: Judged, fitted: Setting): number {
  if (judged.leanRisk > MOST_LEAN_RISK) return UNSAFE * (1 + judged.leanRisk);
  return (
    judged.loss +
    PARTS.reduce((sum, part) => sum + (judged.setting[part] === fitted[part] ? 0 : WORK[part]), 0)
  );
}

function* pairsAway(options: Choices, setting: Setting): Generator<Setting> {
  for (const [i, first] of PARTS.entries())
    for (const second of PARTS.slice(i + 1))
      for (const a of options[first])
        for (const b of options[second])
          if (a !== setting[first] && b !== setting[second]) yield { ...setting, [first]: a, [second]: b };
}

/** @returns the best setting within reach of the box */
export function bestSetting(judge: SettingJudge, options: Choices, fitted: Setting): BestSetting {
  const cost = (setting: Setting) => costOf(judge.judge(setting), fitted);
  let best = fitted;
  let bestCost = cost(fitted);
  const take = (candidates: Iterable<Setting>): boolean => {
    const before = bestCost;
    for (const candidate of candidates) {
      const candidateCost = cost(candidate);
      if (candidateCost < bestCost - 1e-12) [best, bestCost] = [candidate, candidateCost];
    }
    return bestCost < before;
  };
  const singles = () => take(oneChangeAway(options, best).map(({ setting }) => setting));
  while (singles() || take([...pairsAway(options, best)])) {
    // each round strictly lowers the cost over a finite box, so this ends
  }
  const judged = judge.judge(best);
  return { ...judged, safe: judged.leanRisk <= MOST_LEAN_RISK };
}
