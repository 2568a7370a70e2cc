/** Names the class rule that keeps a zone from being right. */
import { changedParts } from "../../log/settings.ts";
import type { Part } from "../../log/parts.ts";
import { choices, lockedParts } from "./choices.ts";
import { planStop, type Plan, type PlanQuestion } from "./plan.ts";

/** What a rule must cost before it is worth a word: a 2.5 % error in a zone that counts for a third. */
const WORTH_A_WORD = 0.1;

/** @returns locked parts that the plan without rules would change, if that would help noticeably */
export function rulesInTheWay(question: PlanQuestion, plan: Plan): Part[] {
  const { build, fitted } = question;
  const locked = lockedParts(build);
  if (locked.length === 0) return [];
  const free = planStop({ ...question, options: choices(build, fitted, []) });
  const helps = (free.safe && !plan.safe) || plan.card.reachedLoss - free.card.reachedLoss > WORTH_A_WORD;
  return helps ? changedParts(fitted, free.card.setting).filter((part) => locked.includes(part)) : [];
}
