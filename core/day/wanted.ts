/** The continuous right value of each part over a day's air, with its standard deviation. */
import { groupOf, judgeOf, type Case } from "../advice/judge/case.ts";
import type { SettingJudge } from "../advice/judge/judge-setting.ts";
import { expectedLoss } from "../advice/judge/loss.ts";
import { RULES } from "../advice/plan/moves.ts";
import { questionOf } from "../advice/ride/question.ts";
import type { AirAhead } from "../forecast/air-ahead.ts";
import type { Part } from "../log/parts.ts";
import type { Setting } from "../log/schema.ts";

export const WANTED_PARTS = ["screwTurns", "clip", "main"] as const satisfies readonly Part[];
export type WantedPart = (typeof WANTED_PARTS)[number];

export interface Wanted {
  readonly value: number;
  /** in thinner and in denser air than is expected, one sd each way */
  readonly low: number;
  readonly high: number;
}

export interface Moment {
  readonly ms: number;
  readonly dryDensityKgM3: number;
  /** sd of its logarithm */
  readonly lnDrySd: number;
  readonly parts: Readonly<Record<WantedPart, Wanted>>;
}

/** So many airs between the thinnest and the densest of the day: what lies between follows a straight line. */
const AIRS = 7;

/** The least of a list of costs, between its places: a parabola through the least and its neighbours. */
function leastBetween(at: readonly number[], costs: readonly number[]): number {
  const i = costs.reduce((least, cost, j) => (cost < (costs[least] ?? Infinity) ? j : least), 0);
  const [x0, x1, x2] = [at[i - 1], at[i] ?? Number.NaN, at[i + 1]];
  const [y0, y1, y2] = [costs[i - 1], costs[i], costs[i + 1]];
  if (x0 === undefined || x2 === undefined || y0 === undefined || y1 === undefined || y2 === undefined)
    return x1;
  const [left, right] = [(y1 - y0) / (x1 - x0), (y2 - y1) / (x2 - x1)];
  const bend = (right - left) / (x2 - x0);
  if (!(bend > 0)) return x1;
  const least = (x0 + x1) / 2 - left / (2 * bend);
  return Math.min(x2, Math.max(x0, least));
}

function wantedOf(
  judge: SettingJudge,
  setting: Setting,
  part: WantedPart,
  values: readonly number[],
): number {
  const zone = RULES[part];
  const costs = values.map((value) =>
    expectedLoss(zone, judge.judge({ ...setting, [part]: value }).zones[zone]),
  );
  return leastBetween(values, costs);
}

const between = (x: number, at: readonly number[], values: readonly number[]): number => {
  const after = Math.max(
    1,
    at.findIndex((one) => one >= x),
  );
  const i = at.at(-1) !== undefined && x > (at.at(-1) ?? x) ? at.length - 1 : after;
  const [x0 = 0, x1 = 1, y0 = 0, y1 = 0] = [at[i - 1], at[i], values[i - 1], values[i]];
  return x1 === x0 ? y1 : y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
};

/**
 * @param airs - of the moments, in their order, one at least
 * @param setting - what the parts that are not asked about are
 */
export function wantedOver(
  open: Case,
  airs: readonly AirAhead[],
  setting: Setting,
  carburettor = 0,
): Moment[] {
  const group = groupOf(open, carburettor);
  const ln = ({ air }: AirAhead) => Math.log(air.dryDensityKgM3);
  const byDensity = [...airs].sort((a, b) => ln(a) - ln(b));
  // The least and the most that may come stand at the ends.
  const [thin, dense] = [byDensity[0], byDensity.at(-1)];
  if (!thin || !dense) return [];
  const ends = [thin.likely[0]?.air ?? thin.air, dense.likely.at(-1)?.air ?? dense.air];
  const spread = Array.from(
    { length: AIRS - 2 },
    (_, i) => byDensity[Math.floor(((i + 0.5) * byDensity.length) / (AIRS - 2))]?.air,
  );
  const asked = [ends[0], ...spread, ends[1]].filter((air) => air !== undefined);
  const judges = asked.map((air) => ({ at: Math.log(air.dryDensityKgM3), judge: judgeOf(open, group, air) }));
  judges.sort((a, b) => a.at - b.at);
  const [first] = judges;
  if (!first) return [];
  const { options } = questionOf(open, group, first.judge, thin.air);
  const at = judges.map((one) => one.at);
  const lines = Object.fromEntries(
    WANTED_PARTS.map((part) => [
      part,
      judges.map(({ judge }) => wantedOf(judge, setting, part, options[part])),
    ]),
  ) as Record<WantedPart, number[]>;
  return airs.map((air): Moment => {
    const here = ln(air);
    const of = (part: WantedPart): Wanted => {
      const ask = (by: number) => between(here + by, at, lines[part]);
      return { value: ask(0), low: ask(-air.lnDrySd), high: ask(air.lnDrySd) };
    };
    const { ms, lnDrySd } = air;
    const { dryDensityKgM3 } = air.air;
    return {
      ms,
      dryDensityKgM3,
      lnDrySd,
      parts: { screwTurns: of("screwTurns"), clip: of("clip"), main: of("main") },
    };
  });
}
