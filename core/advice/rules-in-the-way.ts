/** Where a class's rule keeps an engine from being right, the rule is named. */
import { changedParts } from "../log/fold.ts";
import type { Part } from "../log/parts.ts";
import type { Build, Setting } from "../log/schema.ts";
import { bestSetting, type BestSetting } from "./card.ts";
import { choices, lockedParts } from "./choices.ts";
import type { SettingJudge } from "./judge-setting.ts";

/** What a rule must cost before it is worth a word: a 2 % error in a zone used a quarter of the time. */
const WORTH_A_WORD = 0.06;

/** @returns locked parts that the best setting without rules would change, if that would help noticeably */
export function rulesInTheWay(judge: SettingJudge, build: Build, fitted: Setting, card: BestSetting): Part[] {
  const locked = lockedParts(build);
  if (locked.length === 0) return [];
  const free = bestSetting(judge, choices(build, fitted, []), fitted);
  const helps = (free.safe && !card.safe) || card.loss - free.loss > WORTH_A_WORD;
  return helps ? changedParts(fitted, free.setting).filter((part) => locked.includes(part)) : [];
}
