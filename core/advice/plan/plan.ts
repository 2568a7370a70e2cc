/**
 * The plan for this stop: of everything allowed and in the box, the least expected loss and work, in as many
 * changes as can be told apart afterwards. Each change is made for one zone and moves the way that zone asks; the
 * search is over sets of zones, never lines dropped from a larger optimum.
 */
import type { PerZone } from "../../carburettor/zones.ts";
import { ZONES } from "../../carburettor/zones.ts";
import { PARTS, type Part } from "../../log/parts.ts";
import type { ChangesSchool, OrderSchool } from "../../log/schools.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { chanceBetter } from "../judge/chances.ts";
import type { Choices } from "./choices.ts";
import { REACHED_ZONES, type Judged, type ReachedZone, type SettingJudge } from "../judge/judge-setting.ts";
import { LEAST_EFFECT, movesFor, RULES, workOf, type PartsOfZone } from "./moves.ts";
import { anyChangeIsSafe, type IsSafe, type ReadFirst } from "../judge/safety.ts";

export interface PlanChange {
  readonly part: Part;
  readonly from: number;
  readonly to: number;
}

/** One line of the plan: what a spanner does for one zone. */
export interface PlanLine {
  readonly zone: ReachedZone;
  readonly changes: readonly PlanChange[];
  /** how the line moves the mixture in each zone, + leaner */
  readonly effect: PerZone<number>;
}

export interface Plan {
  /** what is fitted when all of it is done */
  readonly card: Judged;
  readonly lines: readonly PlanLine[];
  /** expected fall of the loss */
  readonly gain: number;
  /** chance that the engine is better off with it; 1 for a plan of no change */
  readonly chanceBetter: number;
  /** what is fitted is too likely past the lean limit at the top: this comes before anything else */
  readonly urgent: boolean;
  /** whether the card is safe at the top */
  readonly safe: boolean;
  /** what else would be fitted waits for a ride */
  readonly rideFirst?: RideFirst;
}

/** It would lean a top that nobody has read, or no look could tell it from what was changed just before. */
export type RideFirst = "readsTop" | "showsChange";

export interface PlanQuestion {
  readonly judge: SettingJudge;
  readonly build: Build;
  readonly options: Choices;
  readonly fitted: Setting;
  readonly isSafe: IsSafe;
  /** what waits until somebody has read the top */
  readonly readFirst?: ReadFirst | undefined;
  /** what was fitted when somebody last looked; nothing where nothing was changed since */
  readonly lookedAt?: Setting | undefined;
  readonly changes: ChangesSchool;
  readonly order: OrderSchool;
  /** where an idle bench of what is fitted, in this air, found the screw to belong */
  readonly benchedTurns?: number | undefined;
}

/** A stop must gain as much as a 2 % error in a zone that counts for a third. */
export const LEAST_GAIN = 0.05;
/** Below this chance of an improvement a look is worth more than a spanner. */
export const LEAST_CHANCE = 0.6;
/** Any safe setting beats any unsafe one; among unsafe ones the least risk wins. */
const UNSAFE = 1e6;
/** A screw that brings the idle this near to its target has done it. */
const SCREW_DOES = 0.02;
/** So many ways of setting a zone are searched together with the other zones'. */
const MOST_MOVES = 12;
/** So many neighbours on either side are tried together, two zones at a time. */
const NEAR = 2;

export const ORDER: Readonly<Record<OrderSchool, readonly ReachedZone[]>> = {
  bottomUp: ["idle", "mid", "top"],
  topFirst: ["top", "idle", "mid"],
  mainThenClip: ["top", "mid", "idle"],
  startThenFinish: ["idle", "top", "mid"],
};

const SUBSETS: readonly (readonly ReachedZone[])[] = [
  ["idle"],
  ["mid"],
  ["top"],
  ["idle", "mid"],
  ["idle", "top"],
  ["mid", "top"],
  ["idle", "mid", "top"],
];

/** What each zone's parts may be, what is fitted among them: in the order of its mixture, richest first. */
type Moves = Readonly<Record<ReachedZone, readonly PartsOfZone[]>>;

const partsOf = (zone: ReachedZone, setting: Setting): PartsOfZone =>
  Object.fromEntries(PARTS.filter((part) => RULES[part] === zone).map((part) => [part, setting[part]]));

/**
 * Each part moves the way its own zone asks, by as much as can be noticed there. Out of danger at the top leads
 * only what feeds it: the main, and the clip where no main does it. What is fitted may stay on a claim alone; any
 * change made there must bring the top within the rule for changes, so the way out stands open then too.
 */
function allowedMoves({ judge, build, options, fitted, benchedTurns }: PlanQuestion): Moves {
  const now = judge.judge(fitted);
  const atRisk = !anyChangeIsSafe(now);
  const mains = movesFor("top", options, build, fitted);
  const mainSaves = mains.some((move) => anyChangeIsSafe(judge.judge({ ...fitted, ...move })));
  /** A jet that goes one way so that its screw can go further the other is no work for anybody. */
  const againstItsScrew = ({ pilot = fitted.pilot }: PartsOfZone): boolean => {
    if (pilot === fitted.pilot) return false;
    const moved = judge.lines({ ...fitted, pilot }).idle.shift - judge.lines(fitted).idle.shift;
    return Math.sign(moved) === Math.sign(now.zones.idle.mean);
  };
  // A pilot jet is condemned by its screw: as long as that can bring the idle right, the jet stays.
  const screwDoes = movesFor("idle", options, build, fitted).some(
    (move) =>
      (move.pilot ?? fitted.pilot) === fitted.pilot &&
      Math.abs(judge.judge({ ...fitted, ...move }).zones.idle.mean) < SCREW_DOES,
  );
  const condemned = ({ pilot = fitted.pilot }: PartsOfZone) => pilot === fitted.pilot || !screwDoes;
  // What a bench has just read is known in turns, whatever a turn is worth: no word of old turns the screw away from it.
  const asBenched = ({ pilot = fitted.pilot, screwTurns = fitted.screwTurns }: PartsOfZone) =>
    benchedTurns === undefined ||
    pilot !== fitted.pilot ||
    Math.abs(screwTurns - benchedTurns) <= Math.abs(fitted.screwTurns - benchedTurns);
  const allowed = (zone: ReachedZone): readonly PartsOfZone[] => {
    const offered = movesFor(zone, options, build, fitted);
    const good = (
      zone === "idle" ? offered.filter((move) => condemned(move) && asBenched(move)) : offered
    ).filter((move) => {
      const after = judge.judge({ ...fitted, ...move });
      const moved = after.zones[zone].mean - now.zones[zone].mean;
      const rescues =
        atRisk && after.leanRisk < now.leanRisk && (zone === "top" || (zone === "mid" && !mainSaves));
      // Idle is set for the idle: a screw that would pass its target for another zone's sake stays.
      const nearer = zone !== "idle" || Math.abs(after.zones.idle.mean) < Math.abs(now.zones.idle.mean);
      const asked = Math.sign(moved) === -Math.sign(now.zones[zone].mean) && nearer && !againstItsScrew(move);
      return Math.abs(moved) >= LEAST_EFFECT && (asked || rescues);
    });
    const off = (move: PartsOfZone) => Math.abs(judge.judge({ ...fitted, ...move }).zones[zone].mean);
    const shift = (move: PartsOfZone) => judge.lines({ ...fitted, ...move })[zone].shift;
    // What leaves its own zone far off is no candidate; out of danger nothing is left out.
    if (!atRisk) good.sort((a, b) => off(a) - off(b)).splice(MOST_MOVES);
    return [partsOf(zone, fitted), ...good].sort((a, b) => shift(a) - shift(b));
  };
  return { idle: allowed("idle"), mid: allowed("mid"), top: allowed("top") };
}

interface Found {
  readonly judged: Judged;
  readonly cost: number;
}

function costOf({ fitted, isSafe }: PlanQuestion, judged: Judged): number {
  if (!isSafe(judged)) return UNSAFE * (1 + judged.leanRisk);
  return judged.reachedLoss + workOf(fitted, judged.setting);
}

/** The best setting that changes parts of these zones only: zone by zone, then two neighbours at a time. */
function descend(question: PlanQuestion, moves: Moves, zones: readonly ReachedZone[]): Found {
  const { judge, fitted } = question;
  const foundAt = (setting: Setting): Found => {
    const judged = judge.judge(setting);
    return { judged, cost: costOf(question, judged) };
  };
  let best = foundAt(fitted);
  const take = (setting: Setting): boolean => {
    const found = foundAt(setting);
    if (!(found.cost < best.cost - 1e-12)) return false;
    best = found;
    return true;
  };
  const singles = () =>
    zones
      .map((zone) => moves[zone].map((move) => take({ ...best.judged.setting, ...move })))
      .flat()
      .some(Boolean);
  const near = (zone: ReachedZone): readonly PartsOfZone[] => {
    const here = best.judged.setting;
    const i = moves[zone].findIndex((move) =>
      PARTS.every((part) => move[part] === undefined || move[part] === here[part]),
    );
    return moves[zone].slice(Math.max(0, i - NEAR), i + NEAR + 1);
  };
  const pairs = () => {
    const start = best.judged.setting;
    let better = false;
    for (const [i, first] of zones.entries())
      for (const second of zones.slice(i + 1))
        for (const a of near(first))
          for (const b of near(second)) better = take({ ...start, ...a, ...b }) || better;
    return better;
  };
  while (singles() || pairs()) {
    // each round strictly lowers the cost over a finite box, so this ends
  }
  return best;
}

/** @returns what each zone's parts do by themselves, in the order in which a spanner meets them */
export function linesOf(
  { judge, fitted }: Pick<PlanQuestion, "judge" | "fitted">,
  card: Setting,
): PlanLine[] {
  const before = judge.lines(fitted);
  return REACHED_ZONES.flatMap((zone): PlanLine[] => {
    const changes = PARTS.filter((part) => RULES[part] === zone && fitted[part] !== card[part]).map(
      (part) => ({
        part,
        from: fitted[part],
        to: card[part],
      }),
    );
    if (changes.length === 0) return [];
    const after = judge.lines({ ...fitted, ...partsOf(zone, card) });
    const effect = (z: (typeof ZONES)[number]) => after[z].shift - before[z].shift;
    return [
      {
        zone,
        changes,
        effect: { idle: effect("idle"), low: effect("low"), mid: effect("mid"), top: effect("top") },
      },
    ];
  });
}

/** Each line makes most of what is predicted for its own zone: then a look there tells what it did. */
export function canBeToldApart(lines: readonly PlanLine[]): boolean {
  return lines.every(({ zone, effect }) => {
    const all = lines.reduce((sum, other) => sum + Math.abs(other.effect[zone]), 0);
    return Math.abs(effect[zone]) > 0.5 * all;
  });
}

/** @returns whether looks show what each change did: each in its own zone, or only one where that is the school */
export function showsInLooks(
  { judge, changes }: Pick<PlanQuestion, "judge" | "changes">,
  from: Setting,
  to: Setting,
): boolean {
  const lines = linesOf({ judge, fitted: from }, to);
  return changes === "oneAtATime" ? lines.length <= 1 : canBeToldApart(lines);
}

function planOf(question: PlanQuestion, found: Found, sure: boolean): Plan {
  const { judge, fitted, isSafe } = question;
  const now = judge.judge(fitted);
  const { judged } = found;
  const lines = linesOf(question, judged.setting);
  return {
    card: judged,
    lines,
    gain: now.reachedLoss - judged.reachedLoss,
    chanceBetter: lines.length === 0 || !sure ? 1 : chanceBetter(judge, fitted, judged.setting),
    urgent: !isSafe(now),
    safe: isSafe(judged),
  };
}

/** Where one change a stop is the school, its order says which: the first zone that is worth it. */
function oneOf(question: PlanQuestion, moves: Moves, now: Found): Found {
  const { judge, fitted, isSafe, order } = question;
  const danger = !isSafe(judge.judge(fitted));
  const singles = ORDER[order].map((zone) => descend(question, moves, [zone]));
  const least = singles.reduce((a, b) => (b.cost < a.cost ? b : a), now);
  if (danger) return least;
  return singles.find(({ cost }) => now.cost - cost >= LEAST_GAIN) ?? least;
}

function bestOf(question: PlanQuestion): Found {
  const { judge, fitted } = question;
  const moves = allowedMoves(question);
  const judged = judge.judge(fitted);
  const now: Found = { judged, cost: costOf(question, judged) };
  if (question.changes === "oneAtATime") return oneOf(question, moves, now);
  const sets = SUBSETS.filter((zones) => zones.every((zone) => moves[zone].length > 1));
  const danger = !question.isSafe(judged);
  const asked = ({ zone, effect }: PlanLine) =>
    Math.sign(effect[zone]) === -Math.sign(judged.zones[zone].mean);
  return sets.reduce((best, zones) => {
    const found = descend(question, moves, zones);
    if (!(found.cost < best.cost - 1e-12)) return best;
    const lines = linesOf(question, found.judged.setting);
    // What stays on a claim is not made richer for its own sake: nothing is changed where no zone asks.
    return canBeToldApart(lines) && (danger || lines.some(asked)) ? found : best;
  }, now);
}

/** The least loss to be had with one stop, for the worth of a look: no words, no chances, told apart or not. */
export function leastLoss(question: PlanQuestion): number {
  const judged = bestAtOneStop(question);
  return judged.reachedLoss + workOf(question.fitted, judged.setting);
}

/** What one stop could bring at best, told apart afterwards or not. */
export const bestAtOneStop = (question: PlanQuestion): Judged =>
  descend(question, allowedMoves(question), REACHED_ZONES).judged;

/** @returns the rule for what is fitted without a ride that reads the top before it */
export const safeUnread =
  ({ judge, isSafe, readFirst }: Pick<PlanQuestion, "judge" | "isSafe" | "readFirst">): IsSafe =>
  (judged) =>
    isSafe(judged) && !readFirst?.(judge, judged.setting);

/** Before somebody has read the top the idle is set, and the main goes with the air as far as the claims allow. */
const beforeTopIsRead = (question: PlanQuestion, zones: Parameters<typeof descend>[2]): Found =>
  descend({ ...question, isSafe: safeUnread(question) }, allowedMoves(question), zones);

/** @returns what to fit at this stop; a plan of no lines where nothing is worth a spanner */
export function planStop(question: PlanQuestion): Plan {
  const { judge, fitted, isSafe, readFirst, lookedAt = fitted, benchedTurns } = question;
  const judged = judge.judge(fitted);
  const best = planOf(question, bestOf(question), true);
  if (!isSafe(judged)) return best;
  const stay = planOf(question, { judged, cost: costOf(question, judged) }, true);
  const worthIt = (plan: Plan): Plan =>
    plan.gain >= LEAST_GAIN && plan.chanceBetter >= LEAST_CHANCE ? plan : stay;
  const wanted = worthIt(best);
  const plan: Plan = readFirst?.(judge, wanted.card.setting)
    ? {
        ...worthIt(planOf(question, beforeTopIsRead(question, ["idle", "top"]), true)),
        rideFirst: "readsTop",
      }
    : wanted;
  const shows = plan.lines.length === 0 || showsInLooks(question, lookedAt, plan.card.setting);
  if (shows) return plan;
  // What an idle bench has just read is set there and then: it is looked at as it is turned.
  const atTheBench =
    benchedTurns === undefined ? stay : worthIt(planOf(question, beforeTopIsRead(question, ["idle"]), true));
  return { ...atTheBench, rideFirst: plan.rideFirst ?? "showsChange" };
}
