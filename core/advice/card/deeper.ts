/**
 * Why, deeper: what would be believed and advised had one look not been taken, and what one more look of each kind
 * would be worth.
 */
import type { HumidAir } from "../../air/humid-air.ts";
import { freshMemory, memoryLike, replay, type ReplayMemory } from "../../belief/replay.ts";
import { perZone, type PerZone } from "../../carburettor/zones.ts";
import { PARTS, type Part } from "../../log/parts.ts";
import { foldPossible } from "../../rig/check-log.ts";
import { airOf, groupOf, judgeOf, type Case, type Group } from "../judge/case.ts";
import type { SettingJudge } from "../judge/judge-setting.ts";
import { bestOfEachKind, type NextLook } from "../ride/next-look.ts";
import { partsToSwap } from "../parts/parts-to-swap.ts";
import { planStop, type Plan } from "../plan/plan.ts";
import { lookedAt } from "../ride/open-change.ts";
import { questionOf } from "../ride/question.ts";

/** Of older looks each has been outweighed by newer ones. */
export const MOST_LEFT_OUT = 12;

export interface WithoutLook {
  readonly lookId: string;
  /** how it has moved what is believed of each zone as it is fitted, + leaner */
  readonly moved: PerZone<number>;
  /** what the card would hold without it, where it would be another */
  readonly card: readonly { readonly part: Part; readonly without: number; readonly with: number }[];
}

export interface Deeper {
  /** newest first */
  readonly without: readonly WithoutLook[];
  /** the best of each kind, most a minute first */
  readonly looks: readonly NextLook[];
}

interface Standing {
  readonly group: Group;
  readonly judge: SettingJudge;
  readonly air: HumidAir;
  readonly plan: Plan;
}

function standing(open: Case, carburettor: number): Standing {
  const group = groupOf(open, carburettor);
  const air = airOf(open.present.air, group.frame);
  const judge = judgeOf(open, group, air);
  const question = { ...questionOf(open, group, judge, air), lookedAt: lookedAt(open, group, judge) };
  return { group, judge, air, plan: planStop(question) };
}

/** The same log without one look: what is suspected besides jetting is left as it is. */
function caseWithout(open: Case, lookId: string, memory: ReplayMemory): Case {
  const entries = open.present.lines.map(({ entry }) => entry).filter(({ id }) => id !== lookId);
  const present = foldPossible(entries);
  // The days before it are as they were; what is worked out here is nobody else's.
  const known = memoryLike(memory);
  const replayed = replay(present, { messages: open.heard, memory: known, now: open.present.newest });
  return { ...open, present, replayed };
}

function leftOut(
  open: Case,
  now: Standing,
  lookId: string,
  memory: ReplayMemory,
  carburettor: number,
): WithoutLook {
  const { group, judge, plan } = standing(caseWithout(open, lookId, memory), carburettor);
  const [card, withIt] = [plan.card.setting, now.plan.card.setting];
  const [before, after] = [judge.judge(group.fitted).zones, now.judge.judge(now.group.fitted).zones];
  return {
    lookId,
    moved: perZone((zone) => after[zone].mean - before[zone].mean),
    card: PARTS.filter((part) => card[part] !== withIt[part]).map((part) => ({
      part,
      without: card[part],
      with: withIt[part],
    })),
  };
}

/**
 * @param memory - of this log's replay: the days before a look are then not worked out again
 * @throws {RangeError} as {@link groupOf}
 */
export function deeper(open: Case, carburettor = 0, memory: ReplayMemory = freshMemory()): Deeper {
  const now = standing(open, carburettor);
  const { group, judge, air, plan } = now;
  const looks = open.present.looks.slice(-MOST_LEFT_OUT).reverse();
  // As the next step asks: a look may be worth it for the sake of a part alone.
  const { swaps } = plan.lines.length === 0 ? partsToSwap({ open, ...now }) : { swaps: [] };
  return {
    without: looks.map(({ entry }) => leftOut(open, now, entry.id, memory, carburettor)),
    looks: bestOfEachKind({ ...questionOf(open, group, judge, air), swaps }),
  };
}
