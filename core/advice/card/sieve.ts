/**
 * The sieve: every setting of two parts that is still possible, the other parts set best for each. A hole's chance is
 * how often its setting is the best of all in draws of what is believed; the likeliest holes that hold the best together with
 * 95 % are open, the rest are closed. Belief after each of the last looks can be asked for, so that one sees which look closed which holes.
 */
import type { HumidAir } from "../../air/humid-air.ts";
import { replay, type Replayed } from "../../belief/replay.ts";
import type { Belief } from "../../belief/unknowns.ts";
import { PARTS, type Part } from "../../log/parts.ts";
import type { LookEntry, Setting } from "../../log/schema.ts";
import { foldPossible } from "../../rig/check-log.ts";
import { airOf, groupOf, judgeOf, type Case, type Group } from "../judge/case.ts";
import { costOfDraws } from "../judge/chances.ts";
import { beliefsOf, type SettingJudge } from "../judge/judge-setting.ts";
import { RULES, workOf } from "../plan/moves.ts";
import type { LookQuestion } from "../ride/next-look.ts";
import { LEAST_GAIN } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";

export const MOST_ACROSS = 25;
export const MOST_DOWN = 15;
/** So many looks back one can go. */
export const MOST_LOOKS_BACK = 24;
/** The best setting is among the open holes with this chance. */
export const OPEN_HOLD = 0.95;

export interface SieveAxes {
  readonly across: Part;
  readonly down: Part;
}

export interface SieveGrid {
  readonly axes: SieveAxes;
  readonly across: readonly number[];
  readonly down: readonly number[];
  /** row by row: down, then across */
  readonly holes: readonly Setting[];
}

/** The sieve as it stood after some of the looks. */
export interface SieveState {
  /** of each hole: chance to be the best of all, shared by those that nobody would tell apart; they add to 1 */
  readonly best: readonly number[];
  /** of each hole: whether it is among the likeliest that hold the best with {@link OPEN_HOLD} */
  readonly open: readonly boolean[];
}

export interface Sieve extends SieveGrid, SieveState {
  readonly fitted: Setting;
  /** the newest looks, the oldest first: one can go back before any of them */
  readonly looks: readonly LookEntry[];
  /** so many of them count here */
  readonly counted: number;
}

/** The values nearest to what is fitted, so many of them. */
function nearest(values: readonly number[], fitted: number, most: number): number[] {
  const by = (value: number) => Math.abs(values.indexOf(value) - values.indexOf(fitted));
  return [...values]
    .sort((a, b) => by(a) - by(b))
    .slice(0, most)
    .sort((a, b) => a - b);
}

/**
 * The rest set best for two parts that stand: a part at a time, until none gains more than its work.
 * @param reach - how many steps from where a part is are tried at a time
 */
function bestRest(
  { judge, options, fitted }: LookQuestion,
  start: Setting,
  rest: readonly Part[],
  reach = Infinity,
): Setting {
  const costOf = (setting: Setting) => judge.judge(setting).reachedLoss + workOf(fitted, setting);
  let best = { setting: start, cost: costOf(start) };
  for (let gained = true; gained;) {
    gained = false;
    for (const part of rest) {
      const at = options[part].indexOf(best.setting[part]);
      const near = options[part].filter((_, i) => i !== at && Math.abs(i - at) <= reach);
      for (const value of near) {
        const setting = { ...best.setting, [part]: value };
        const cost = costOf(setting);
        if (cost < best.cost - 1e-9) {
          best = { setting, cost };
          gained = true;
        }
      }
    }
  }
  return best.setting;
}

function gridOf(question: LookQuestion, axes: SieveAxes): SieveGrid {
  const { options, fitted } = question;
  const across = nearest(options[axes.across], fitted[axes.across], MOST_ACROSS);
  const down = nearest(options[axes.down], fitted[axes.down], MOST_DOWN);
  const rest = PARTS.filter((part) => part !== axes.across && part !== axes.down && options[part].length > 1);
  let from = bestRest(question, fitted, rest);
  const holes = down.flatMap((d) =>
    across.map((a) => {
      // The neighbour's rest is nearly this one's.
      from = bestRest(question, { ...from, [axes.across]: a, [axes.down]: d }, rest, 1);
      return from;
    }),
  );
  return { axes, across, down, holes };
}

/** @returns whether each is among the fewest that add up to the share */
function likeliest(chances: Float64Array, share: number): boolean[] {
  const open = new Array<boolean>(chances.length).fill(false);
  let held = 0;
  for (const i of [...chances.keys()].sort((a, b) => (chances[b] ?? 0) - (chances[a] ?? 0))) {
    if (held >= share - 1e-9) break;
    held += chances[i] ?? 0;
    open[i] = true;
  }
  return open;
}

/** @returns how often each hole is the best, and which are still open */
export function sift(judge: SettingJudge, { axes, holes }: SieveGrid): SieveState {
  // Only the zones that these parts are set for: how nearly the steps of the rest hit theirs is chance.
  const zones = [...new Set([RULES[axes.across], RULES[axes.down]])];
  const { draws, costs } = costOfDraws(judge, holes, zones);
  const count = holes.length;
  const best = new Float64Array(count);
  for (let from = 0; from < draws * count; from += count) {
    let least = Infinity;
    for (let hole = from; hole < from + count; hole += 1) {
      const cost = costs[hole] ?? Infinity;
      if (cost < least) least = cost;
    }
    let good = 0;
    for (let hole = from; hole < from + count; hole += 1)
      if ((costs[hole] ?? Infinity) <= least + LEAST_GAIN) good += 1;
    // Where a main does next to nothing the best of them is a toss: what nobody would notice shares the draw.
    const share = 1 / (draws * good);
    for (let hole = 0; hole < count; hole += 1)
      if ((costs[from + hole] ?? Infinity) <= least + LEAST_GAIN) best[hole] = (best[hole] ?? 0) + share;
  }
  return { best: [...best], open: likeliest(best, OPEN_HOLD) };
}

/** The newest looks, in order. */
const newestLooks = ({ sessions }: Replayed): LookEntry[] =>
  [
    ...new Map(
      sessions.flatMap(({ matched }) =>
        matched.flatMap(({ look }) => (look ? [[look.entry.id, look.entry] as const] : [])),
      ),
    ).values(),
  ].slice(-MOST_LOOKS_BACK);

/** @returns what was believed once so many of the looks had been taken, brought to today */
function beliefAfter(
  { present, heard, replayed }: Case,
  looks: readonly LookEntry[],
  counted: number,
): Belief {
  if (counted >= looks.length) return replayed.joint;
  const later = new Set(looks.slice(counted).map(({ id }) => id));
  const entries = present.lines.map(({ entry }) => entry).filter(({ id }) => !later.has(id));
  return replay(foldPossible(entries), { messages: heard, now: present.newest }).joint;
}

interface Prepared {
  readonly group: Group;
  readonly judge: SettingJudge;
  readonly grid: SieveGrid;
  readonly looks: readonly LookEntry[];
  /** by how many looks count: going back and forth is sifted once */
  readonly states: Map<number, SieveState>;
}

/** Of one log and one question the grid is the same however far back one looks. */
const prepared = new WeakMap<Case, Map<string, Prepared>>();

function prepare(open: Case, axes: SieveAxes, carburettor: number, air: HumidAir, group: Group): Prepared {
  const known = prepared.get(open) ?? new Map<string, Prepared>();
  prepared.set(open, known);
  const key = `${carburettor} ${axes.across} ${axes.down}`;
  const before = known.get(key);
  if (before) return before;
  const judge = judgeOf(open, group, air);
  const grid = gridOf(questionOf(open, group, judge, air), axes);
  const made = {
    group,
    judge,
    grid,
    looks: newestLooks(open.replayed),
    states: new Map<number, SieveState>(),
  };
  known.set(key, made);
  return made;
}

/**
 * @param axes - two parts; a locked one has one hole along its way
 * @param counted - so many of the newest looks count (0 to all of them); all unless given
 * @throws {RangeError} if both are the same part
 */
export function sieveOf(open: Case, axes: SieveAxes, carburettor = 0, counted = Infinity): Sieve {
  if (axes.across === axes.down)
    throw new RangeError(`axes of a sieve must be two parts, got ${axes.across} twice`);
  const group = groupOf(open, carburettor);
  const air = airOf(open.present.air, group.frame);
  const { judge, grid, looks, states } = prepare(open, axes, carburettor, air, group);
  const count = Math.min(looks.length, Math.max(0, Math.floor(counted)));
  const stateOf = (): SieveState => {
    if (count === looks.length) return sift(judge, grid);
    return sift(judge.believing(beliefsOf(beliefAfter(open, looks, count), group.cylinders)), grid);
  };
  const state = states.get(count) ?? stateOf();
  states.set(count, state);
  return {
    ...grid,
    ...state,
    fitted: group.fitted,
    looks,
    counted: count,
  };
}
