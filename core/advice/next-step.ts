/** The one thing to do next: a card after new air, one change, one look, or leave it. */
import { ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { changedParts, type OpenChange } from "../log/fold.ts";
import type { Part } from "../log/parts.ts";
import type { Setting } from "../log/schema.ts";
import { cholesky, dot, times } from "../numbers/linear.ts";
import { seededRandom } from "../numbers/random.ts";
import type { BestSetting } from "./card.ts";
import { oneChangeAway, type Choices } from "./choices.ts";
import { chanceRight, CONTENT, MOST_LEAN_RISK, type Judged, type SettingJudge } from "./judge-setting.ts";
import { expectedLoss, loss } from "./loss.ts";
import { looksByWorth, type LookKind, type LookWorth } from "./next-look.ts";

export interface ChangeStep {
  readonly kind: "change";
  readonly part: Part;
  readonly from: number;
  readonly to: number;
  /** the zone it is for */
  readonly zone: Zone;
  /** how the mixture moves in each zone, + leaner */
  readonly effect: PerZone<number>;
  /** chance that the engine is better off with it */
  readonly chanceBetter: number;
  /** the fitted setting is too likely past the lean limit at the top: this comes before anything else */
  readonly urgent: boolean;
}

export type NextStep =
  | ChangeStep
  | { readonly kind: "card"; readonly parts: readonly Part[]; readonly urgent: boolean }
  | { readonly kind: "leave"; readonly because: "right" | "smallGain" }
  | ({ readonly kind: "look"; readonly because: "openChange" | "doubt" } & LookWorth)
  | { readonly kind: "stop"; readonly because: "noneRichEnough" | "specks"; readonly leanRisk: number };

/** What a 1.5 % error costs in a zone used a quarter of the time: less than one reading can show. */
const LEAST_GAIN = 0.035;
/** A look costs a plug and ten minutes: it must promise a quarter of what a change must bring. */
const LEAST_LOOK_GAIN = LEAST_GAIN / 4;
/** Below this chance of an improvement a look is worth more than a spanner. */
const LEAST_CHANCE = 0.6;
/** Gains within this share of the best are the same; then the quicker change wins. */
const NEARLY_THE_SAME = 0.85;
/** Quickest first: what can be done, and undone, at the bike. */
const PREFERENCE: readonly Part[] = ["screwTurns", "clip", "shimMm", "main", "pilot"];
const DRAWS = 400;
const DRAW_SEED = 45165;

export interface Situation {
  readonly judge: SettingJudge;
  readonly options: Choices;
  readonly fitted: Setting;
  readonly card: BestSetting;
  readonly cardDue: boolean;
  readonly openChange: OpenChange | undefined;
  readonly lookKinds: readonly LookKind[];
  /** the newest plug has specks of metal on it */
  readonly specks: boolean;
}

/** Chance that one setting costs less than another, over seeded draws of what is believed. */
export function chanceBetter(judge: SettingJudge, from: Setting, to: Setting): number {
  const { belief, shares } = judge;
  const lower = cholesky(belief.covariance);
  const random = seededRandom(DRAW_SEED);
  const cost = (setting: Setting, offset: readonly number[]) =>
    ZONES.reduce((sum, zone) => {
      const { shift, row } = judge.lines(setting)[zone];
      return sum + shares[zone] * loss(zone, shift + dot(row, belief.mean) + dot(row, offset));
    }, 0);
  let better = 0;
  for (let i = 0; i < DRAWS; i += 1) {
    const offset = times(
      lower,
      belief.mean.map(() => random.normal()),
    );
    if (cost(to, offset) < cost(from, offset)) better += 1;
  }
  return better / DRAWS;
}

/** The zone a change is for: of those that gain, the one it moves most. */
function zoneFor(before: Judged, after: Judged): Zone {
  const gains = (zone: Zone) =>
    expectedLoss(zone, before.zones[zone]) > expectedLoss(zone, after.zones[zone]);
  const moved = (zone: Zone) =>
    gains(zone) ? Math.abs(after.zones[zone].mean - before.zones[zone].mean) : 0;
  return ZONES.reduce((best, zone) => (moved(zone) > moved(best) ? zone : best));
}

function changeStep(
  judge: SettingJudge,
  fitted: Setting,
  part: Part,
  to: Judged,
  urgent: boolean,
): ChangeStep {
  const before = judge.judge(fitted);
  const effect = (zone: Zone) => to.zones[zone].mean - before.zones[zone].mean;
  return {
    kind: "change",
    part,
    from: fitted[part],
    to: to.setting[part],
    zone: urgent ? "top" : zoneFor(before, to),
    effect: { idle: effect("idle"), low: effect("low"), mid: effect("mid"), top: effect("top") },
    chanceBetter: chanceBetter(judge, fitted, to.setting),
    urgent,
  };
}

interface Candidate {
  readonly part: Part;
  readonly judged: Judged;
  readonly gain: number;
}

/** Safe changes of one part, the best first; those nearly as good are led by the quickest. */
function rankedChanges({ judge, options, fitted }: Situation): Candidate[] {
  const before = judge.judge(fitted).loss;
  const safe = oneChangeAway(options, fitted)
    .map(({ part, setting }) => ({ part, judged: judge.judge(setting) }))
    .filter(({ judged }) => judged.leanRisk <= MOST_LEAN_RISK)
    .map((candidate) => ({ ...candidate, gain: before - candidate.judged.loss }))
    .sort((a, b) => b.gain - a.gain);
  const most = safe[0]?.gain ?? 0;
  const same = safe.filter(({ gain }) => gain >= NEARLY_THE_SAME * most);
  const quickest = [...same].sort((a, b) => PREFERENCE.indexOf(a.part) - PREFERENCE.indexOf(b.part));
  return [...quickest, ...safe.slice(same.length)];
}

/** The first thing said when the top is too likely lean: the safest way out of it, or stop. */
function outOfDanger(situation: Situation): NextStep {
  const { judge, fitted, card } = situation;
  const [best] = rankedChanges(situation);
  if (best && !situation.cardDue) return changeStep(judge, fitted, best.part, best.judged, true);
  if (card.safe) return { kind: "card", parts: changedParts(fitted, card.setting), urgent: true };
  if (best) return changeStep(judge, fitted, best.part, best.judged, true);
  return { kind: "stop", because: "noneRichEnough", leanRisk: judge.judge(fitted).leanRisk };
}

function lookAtChange({ judge, options, fitted, lookKinds }: Situation, change: OpenChange): NextStep {
  const before = judge.lines(change.before);
  const after = judge.lines(change.after);
  const moved = (zone: Zone) => judge.shares[zone] * Math.abs(after[zone].shift - before[zone].shift);
  const zone = ZONES.reduce((best, other) => (moved(other) > moved(best) ? other : best));
  const look = looksByWorth(judge, options, fitted, lookKinds).find((candidate) => candidate.zone === zone);
  return { kind: "look", because: "openChange", ...(look ?? { zone, how: "plug", minutes: 10, gain: 0 }) };
}

/** @returns what to do next, given all that is believed and fitted */
export function nextStep(situation: Situation): NextStep {
  const { judge, options, fitted, card, openChange } = situation;
  const now = judge.judge(fitted);
  if (situation.specks) return { kind: "stop", because: "specks", leanRisk: now.leanRisk };
  if (now.leanRisk > MOST_LEAN_RISK) return outOfDanger(situation);
  const cardParts = changedParts(fitted, card.setting);
  if (situation.cardDue && cardParts.length > 0) return { kind: "card", parts: cardParts, urgent: false };
  if (openChange) return lookAtChange(situation, openChange);
  if (ZONES.every((zone) => chanceRight(now.zones[zone]) >= CONTENT))
    return { kind: "leave", because: "right" };
  const [best] = rankedChanges(situation);
  if (best && best.gain >= LEAST_GAIN) {
    const change = changeStep(judge, fitted, best.part, best.judged, false);
    if (change.chanceBetter >= LEAST_CHANCE) return change;
  }
  const look = looksByWorth(judge, options, fitted, situation.lookKinds).find(
    ({ zone }) => chanceRight(now.zones[zone]) < CONTENT,
  );
  if (!look || look.gain < LEAST_LOOK_GAIN) return { kind: "leave", because: "smallGain" };
  return { kind: "look", because: "doubt", ...look };
}
