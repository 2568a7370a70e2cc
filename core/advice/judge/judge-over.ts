/** Evaluates a setting over several airs: the scenarios of a heat, the heats of a day, the heights of a climb. */
import { perZone } from "../../carburettor/zones.ts";
import type { Setting } from "../../log/schema.ts";
import type { MixturePoint } from "../../looks/line.ts";
import { memoised, type Judged, type SettingJudge } from "./judge-setting.ts";

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

/** The mean of some lines: what is asked of it is asked of the middle of all airs. */
function meanPoint(all: readonly { point: MixturePoint; weight: number }[]): MixturePoint {
  const row = new Float64Array(all[0]?.point.row.length ?? 0);
  const authority = { pilot: 0, needle: 0, main: 0 };
  let shift = 0;
  for (const { point, weight } of all) {
    shift += weight * point.shift;
    for (const path of ["pilot", "needle", "main"] as const)
      authority[path] += weight * point.authority[path];
    point.row.forEach((x, i) => (row[i] = (row[i] ?? 0) + weight * x));
  }
  return { shift, authority, row };
}

/**
 * @param weighed - one at least; lines are the mean of theirs
 * @throws {RangeError} for none, or weights that do not add to more than 0
 */
export function judgeOver(weighed: readonly Weighed[], danger: Danger): SettingJudge {
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const [first] = weighed;
  if (!first || !(total > 0)) throw new RangeError(`airs must count for more than 0 together, got ${total}`);
  if (weighed.length === 1) return first.judge;
  const shares = weighed.map(({ judge, weight }) => ({ judge, weight: weight / total }));
  return {
    beliefs: first.judge.beliefs,
    weights: first.judge.weights,
    lines: memoised((setting) => {
      const all = shares.map(({ judge, weight }) => ({ at: judge.lines(setting), weight }));
      return perZone((zone) => meanPoint(all.map(({ at, weight }) => ({ point: at[zone], weight }))));
    }),
    judge: memoised((setting) =>
      merged(
        setting,
        shares.map(({ judge, weight }) => ({ judged: judge.judge(setting), weight })),
        danger,
      ),
    ),
    believing: (beliefs) =>
      judgeOver(
        weighed.map((one) => ({ judge: one.judge.believing(beliefs), weight: one.weight })),
        danger,
      ),
  };
}
