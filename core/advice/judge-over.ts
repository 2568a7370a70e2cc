/** One question over several airs: those that a heat may have, those of a whole day, those along a climb. */
import { perZone } from "../carburettor/zones.ts";
import type { Judged, SettingJudge } from "./judge-setting.ts";
import { settingKey } from "./judge-setting.ts";
import type { Setting } from "../log/schema.ts";

export interface Weighed {
  readonly judge: SettingJudge;
  /** how much it counts, on any scale */
  readonly weight: number;
}

/**
 * Of one moment whose air is in doubt a danger counts by its chance; along a way every air comes, and the worst counts.
 */
export type Danger = "byChance" | "theWorst";

function merged(
  setting: Setting,
  all: readonly { judged: Judged; weight: number }[],
  danger: Danger,
): Judged {
  const mean = (of: (judged: Judged) => number) =>
    all.reduce((sum, { judged, weight }) => sum + weight * of(judged), 0);
  const worst = all.reduce((a, b) => (b.judged.leanRisk > a.judged.leanRisk ? b : a)).judged;
  const zones = perZone((zone) => {
    const middle = mean(({ zones: at }) => at[zone].mean);
    const variance = mean(({ zones: at }) => at[zone].sd ** 2 + (at[zone].mean - middle) ** 2);
    return { mean: middle, sd: Math.sqrt(variance) };
  });
  return {
    setting,
    zones,
    right: perZone((zone) => mean(({ right }) => right[zone])),
    loss: mean(({ loss }) => loss),
    reachedLoss: mean(({ reachedLoss }) => reachedLoss),
    leanRisk: danger === "byChance" ? mean(({ leanRisk }) => leanRisk) : worst.leanRisk,
    ...(worst.leanest !== undefined && { leanest: worst.leanest }),
  };
}

/**
 * @param weighed - one at least; what is asked of lines is asked of the one that counts most
 * @throws {RangeError} for none, or weights that do not add to more than 0
 */
export function judgeOver(weighed: readonly Weighed[], danger: Danger): SettingJudge {
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const [first] = weighed;
  if (!first || !(total > 0)) throw new RangeError(`airs must count for more than 0 together, got ${total}`);
  if (weighed.length === 1) return first.judge;
  const main = weighed.reduce((a, b) => (b.weight > a.weight ? b : a)).judge;
  const known = new Map<string, Judged>();
  const judge = (setting: Setting): Judged => {
    const key = settingKey(setting);
    const before = known.get(key);
    if (before) return before;
    const all = weighed.map((one) => ({ judged: one.judge.judge(setting), weight: one.weight / total }));
    const now = merged(setting, all, danger);
    known.set(key, now);
    return now;
  };
  return {
    beliefs: main.beliefs,
    weights: main.weights,
    lines: main.lines,
    judge,
    believing: (beliefs) =>
      judgeOver(
        weighed.map((one) => ({ judge: one.judge.believing(beliefs), weight: one.weight })),
        danger,
      ),
  };
}
