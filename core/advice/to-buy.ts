/** Jets that are not in the box and would help: what to buy, or to borrow in the next tent. */
import type { Build, JetPart } from "../log/schema.ts";
import type { BestSetting } from "./card.ts";
import { RULES } from "./card-rows.ts";
import { lockedParts, type Choices } from "./choices.ts";
import { chanceRight, CONTENT, MOST_LEAN_RISK, type SettingJudge } from "./judge-setting.ts";

export interface ToBuy {
  readonly part: JetPart;
  readonly number: number;
  /** expected loss it would save, see loss.ts */
  readonly gain: number;
}

/** As much as a rule must cost before it is named: a 2 % error in a zone used a quarter of the time. */
const WORTH_MONEY = 0.06;
/** How far from the fitted jet the shop is searched, as a share of its number. */
const REACH = 0.25;
/** Jets by diameter come in steps of 2 to 2.5; where the box shows finer ones, those exist. */
const USUAL_STEP = 2.5;

function stepOf(sizes: readonly number[]): number {
  const gaps = sizes.slice(1).map((size, i) => size - (sizes[i] ?? size));
  return Math.min(USUAL_STEP, ...gaps.filter((gap) => gap >= 1));
}

/** Sizes in reach of the card's, in step with those in the box. */
function shopSizes(around: number, inStepWith: number, step: number): number[] {
  const first = Math.ceil(((1 - REACH) * around - inStepWith) / step);
  const last = Math.floor(((1 + REACH) * around - inStepWith) / step);
  return Array.from(
    { length: last - first + 1 },
    (_, i) => Math.round((inStepWith + (first + i) * step) * 10) / 10,
  );
}

/** @returns at most one jet a part, the most useful first */
export function toBuy(judge: SettingJudge, build: Build, options: Choices, card: BestSetting): ToBuy[] {
  const locked = lockedParts(build);
  // Where the card is right already the shop is not searched: it would cost every keystroke some sixty settings.
  const wanting = (part: JetPart) => !card.safe || chanceRight(card.zones[RULES[part]]) < CONTENT;
  const parts = (["main", "pilot"] as const).filter((part) => !locked.includes(part) && wanting(part));
  const found = parts.flatMap((part): ToBuy[] => {
    const inBox = options[part];
    const sizes = shopSizes(card.setting[part], inBox[0] ?? card.setting[part], stepOf(inBox)).filter(
      (size) => !inBox.includes(size),
    );
    const better = sizes
      .map((number) => ({ number, judged: judge.judge({ ...card.setting, [part]: number }) }))
      .filter(({ judged }) => judged.leanRisk <= MOST_LEAN_RISK)
      .map(({ number, judged }) => ({ part, number, gain: card.loss - judged.loss }))
      .sort((a, b) => b.gain - a.gain)[0];
    const helps = better && (card.safe ? better.gain > WORTH_MONEY : true);
    return helps ? [better] : [];
  });
  return found.sort((a, b) => b.gain - a.gain);
}
