/** Jets outside the box that would reduce the expected loss: what to buy. */
import type { JetPart } from "../../log/schema.ts";
import { lockedParts } from "../plan/choices.ts";
import { CONTENT, type Judged } from "../judge/judge-setting.ts";
import { RULES } from "../plan/moves.ts";
import type { Plan, PlanQuestion } from "../plan/plan.ts";
import { plainSizes, stepOf } from "./jet-steps.ts";

export interface ToBuy {
  readonly part: JetPart;
  readonly number: number;
  /** expected loss it would save, see loss.ts */
  readonly gain: number;
}

/** As much as a rule must cost before it is named: a 2.5 % error in a zone that counts for a third. */
export const WORTH_MONEY = 0.1;
/** How far from the fitted jet the shop is searched, as a share of its number. */
const REACH = 0.25;

/** Sizes in reach of one, in step with those in the box; @param reach - as a share of its number */
export function shopSizes(around: number, inStepWith: number, step: number, reach = REACH): number[] {
  const first = Math.ceil(((1 - reach) * around - inStepWith) / step);
  const last = Math.floor(((1 + reach) * around - inStepWith) / step);
  return Array.from(
    { length: last - first + 1 },
    (_, i) => Math.round((inStepWith + (first + i) * step) * 10) / 10,
  );
}

/** @returns at most one jet a part, the most useful first */
export function toBuy({ judge, build, options, isSafe }: PlanQuestion, { card, safe }: Plan): ToBuy[] {
  const locked = lockedParts(build);
  const costs = (judged: Judged) => judged.reachedLoss;
  // Where the card is right already the shop is not searched: it would cost every keystroke some sixty settings.
  const wanting = (part: JetPart) => (part === "main" && !safe) || card.right[RULES[part]] < CONTENT;
  const parts = (["main", "pilot"] as const).filter((part) => !locked.includes(part) && wanting(part));
  const found = parts.flatMap((part): ToBuy[] => {
    const inBox = options[part];
    const plain = plainSizes(build, part);
    const sizes = shopSizes(card.setting[part], plain[0] ?? card.setting[part], stepOf(plain)).filter(
      (size) => size > 0 && !inBox.includes(size),
    );
    const better = sizes
      .map((number) => ({ number, judged: judge.judge({ ...card.setting, [part]: number }) }))
      .filter(({ judged }) => isSafe(judged))
      .map(({ number, judged }) => ({ part, number, gain: costs(card) - costs(judged) }))
      .sort((a, b) => b.gain - a.gain)[0];
    const helps = better && (safe || part === "pilot" ? better.gain > WORTH_MONEY : true);
    return helps ? [better] : [];
  });
  return found.sort((a, b) => b.gain - a.gain);
}
