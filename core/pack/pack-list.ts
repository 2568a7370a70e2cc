/**
 * Pack list by Monte Carlo: the best setting for each draw of air and engine. A size that is seldom wanted stays at
 * home; one that is missing and often wanted is bought.
 */
import type { HumidAir } from "../air/humid-air.ts";
import { groupOf, judgeOf, type Case, type Group } from "../advice/judge/case.ts";
import { drawnFrom } from "../advice/judge/chances.ts";
import { lockedParts } from "../advice/plan/choices.ts";
import { plainSizes, stepOf } from "../advice/parts/jet-steps.ts";
import { TOLERANCE } from "../advice/judge/judge-setting.ts";
import { LOSS, zoneWeights } from "../advice/judge/loss.ts";
import { workOf } from "../advice/plan/moves.ts";
import { questionOf } from "../advice/ride/question.ts";
import { shopSizes } from "../advice/parts/to-buy.ts";
import { mixtureIn } from "../belief/mixture.ts";
import type { Zone } from "../carburettor/zones.ts";
import type { Line } from "../looks/line.ts";
import type { Part } from "../log/parts.ts";
import type { JetPart, Setting } from "../log/schema.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { dot } from "../numbers/linear.ts";
import { requireWhole } from "../units/guard.ts";

export interface Wanted {
  readonly value: number;
  /** that it turns out to be the best */
  readonly chance: number;
  /** in the box, or fitted; grooves are always there */
  readonly owned: boolean;
}

export interface Buy {
  readonly part: JetPart;
  readonly number: number;
  /** expected loss that it saves, once those before it are bought */
  readonly gain: number;
}

export interface PackList {
  readonly draws: number;
  /** every value with a chance worth a line, in order of size */
  readonly wanted: Readonly<Record<Part, readonly Wanted[]>>;
  /** chance that no groove and washer brings the middle right, by the way it is off */
  readonly otherNeedle: { readonly leaner: number; readonly richer: number };
  /** what is worth buying, the most useful first */
  readonly buy: readonly Buy[];
  /** expected loss with the best of what is owned, and with all sizes a shop has */
  readonly loss: { readonly owned: number; readonly everything: number };
  readonly dryDensity: { readonly low: number; readonly high: number };
}

/** A line of the list wants this chance; less is not carried. */
const LEAST_CHANCE = 0.005;
/** Less is not worth a jet's money, see loss.ts. */
const LEAST_BUY = 0.03;
const MOST_BOUGHT = 4;
/** How far from the fitted jet the shop is searched, as a share of its number. */
const REACH: Readonly<Record<JetPart, number>> = { main: 0.12, pilot: 0.25 };
const MOST_SIZES = 15;

interface Options {
  readonly pilots: readonly number[];
  readonly screws: readonly number[];
  readonly clips: readonly number[];
  readonly shims: readonly number[];
  readonly mains: readonly number[];
  readonly owned: Readonly<Record<JetPart, ReadonlySet<number>>>;
}

/** The nearest of too many. */
const nearest = (sizes: readonly number[], to: number): number[] =>
  [...sizes]
    .sort((a, b) => Math.abs(a - to) - Math.abs(b - to))
    .slice(0, MOST_SIZES)
    .sort((a, b) => a - b);

function optionsOf(open: Case, carburettor: number, air: HumidAir): Options {
  const group = groupOf(open, carburettor);
  const { options, fitted, build } = questionOf(open, group, judgeOf(open, group, air), air);
  const locked = lockedParts(build);
  const sizes = (part: JetPart): number[] => {
    const inBox = options[part];
    const here = fitted[part];
    if (locked.includes(part)) return [here];
    const plain = plainSizes(build, part);
    const shop = shopSizes(here, plain[0] ?? here, stepOf(plain), REACH[part]).filter((size) => size > 0);
    const near = inBox.filter((size) => Math.abs(size - here) <= REACH[part] * here);
    return nearest([...new Set([...shop, ...near, here])], here);
  };
  return {
    pilots: sizes("pilot"),
    screws: options.screwTurns,
    clips: options.clip,
    shims: options.shimMm,
    mains: sizes("main"),
    owned: { pilot: new Set(options.pilot), main: new Set(options.main) },
  };
}

/** What a choice of parts costs in one draw, and which zones it is judged by. */
interface Choice {
  readonly setting: Setting;
  readonly work: number;
}

const idleChoices = ({ pilots, screws }: Options, fitted: Setting): Choice[] =>
  pilots.flatMap((pilot) =>
    screws.map((screwTurns) => {
      const setting = { ...fitted, pilot, screwTurns };
      return { setting, work: workOf(fitted, setting) };
    }),
  );

const loadedChoices = ({ clips, shims, mains }: Options, fitted: Setting): Choice[] =>
  mains.flatMap((main) =>
    clips.flatMap((clip) =>
      shims.map((shimMm) => {
        const setting = { ...fitted, main, clip, shimMm };
        return { setting, work: workOf(fitted, setting) };
      }),
    ),
  );

/** One air: the lines of every choice, in the zones that it is judged by. */
interface Asked {
  readonly zone: Zone;
  readonly weight: number;
  readonly lines: readonly Line[];
}

function askedIn(
  { frame, build }: Group,
  air: HumidAir,
  choices: readonly Choice[],
  zones: readonly Zone[],
): Asked[] {
  const weights = zoneWeights(build.usage);
  const mixture = mixtureIn(frame, build, air, zones);
  const points = choices.map(({ setting }) => mixture(settingFromLog(setting)));
  return zones.map((zone, z) => ({
    zone,
    weight: weights[zone],
    lines: points.flatMap((point) => point[z] ?? []),
  }));
}

/** @returns of each choice what it costs when the engine is this one */
function costsIn(
  asked: readonly Asked[],
  choices: readonly Choice[],
  draw: Float64Array,
  costs: Float64Array,
): void {
  choices.forEach(({ work }, i) => (costs[i] = work));
  for (const { zone, weight, lines } of asked) {
    const cost = LOSS[zone];
    for (let i = 0; i < lines.length; i += 1) {
      const line = lines[i];
      if (line) costs[i] = (costs[i] ?? 0) + weight * cost(line.shift + dot(line.row, draw));
    }
  }
}

/** The sizes of one jet over the draws: what each costs at its best. */
class JetTally {
  readonly sizes: readonly number[];
  readonly best: Float64Array[] = [];
  readonly owned: ReadonlySet<number>;
  private readonly placeOf: readonly number[];

  constructor(
    part: JetPart,
    sizes: readonly number[],
    owned: ReadonlySet<number>,
    choices: readonly Choice[],
  ) {
    this.sizes = sizes;
    this.owned = owned;
    this.placeOf = choices.map(({ setting }) => sizes.indexOf(setting[part]));
  }

  add(costs: Float64Array): void {
    const row = new Float64Array(this.sizes.length).fill(Infinity);
    this.placeOf.forEach((place, i) => (row[place] = Math.min(row[place] ?? Infinity, costs[i] ?? Infinity)));
    this.best.push(row);
  }

  /** expected loss when only these are at hand */
  mean(has: (size: number) => boolean): number {
    const places = this.sizes.flatMap((size, i) => (has(size) ? [i] : []));
    let sum = 0;
    for (const row of this.best) {
      let least = Infinity;
      for (const place of places) least = Math.min(least, row[place] ?? Infinity);
      sum += least;
    }
    return sum / Math.max(1, this.best.length);
  }

  /** The one more that saves most, again and again. */
  buys(part: JetPart): Buy[] {
    const bought = new Set(this.owned);
    const found: Buy[] = [];
    let before = this.mean((size) => bought.has(size));
    while (found.length < MOST_BOUGHT) {
      let best: Buy | undefined;
      for (const number of this.sizes) {
        if (bought.has(number)) continue;
        const gain = before - this.mean((size) => size === number || bought.has(size));
        if (gain >= LEAST_BUY && gain > (best?.gain ?? 0)) best = { part, number, gain };
      }
      if (!best) break;
      found.push(best);
      bought.add(best.number);
      before -= best.gain;
    }
    return found;
  }
}

function chancesOf(
  choices: readonly Choice[],
  wins: Float64Array,
  part: Part,
  owned: (value: number) => boolean,
): Wanted[] {
  const total = wins.reduce((sum, count) => sum + count, 0);
  const byValue = new Map<number, number>();
  choices.forEach(({ setting }, i) =>
    byValue.set(setting[part], (byValue.get(setting[part]) ?? 0) + (wins[i] ?? 0)),
  );
  return [...byValue]
    .map(([value, count]) => ({ value, chance: count / Math.max(1, total), owned: owned(value) }))
    .filter(({ chance }) => chance >= LEAST_CHANCE)
    .sort((a, b) => a.value - b.value);
}

/**
 * @param airs - that may come, each as likely as the next; one at least
 * @param draws - in all, spread over the airs
 * @throws {RangeError} for no airs, or draws that are no whole number from 100 to 100 000
 */
export function packList(open: Case, airs: readonly HumidAir[], draws: number, carburettor = 0): PackList {
  requireWhole("draws", draws, 100, 100_000);
  const [first] = airs;
  if (!first) throw new RangeError("airs must be one at least, got none");
  const group = groupOf(open, carburettor);
  const { fitted } = group;
  const options = optionsOf(open, carburettor, first);
  const idle = idleChoices(options, fitted);
  const loaded = loadedChoices(options, fitted);
  const wins = { idle: new Float64Array(idle.length), loaded: new Float64Array(loaded.length) };
  const costs = { idle: new Float64Array(idle.length), loaded: new Float64Array(loaded.length) };
  const tally = {
    pilot: new JetTally("pilot", options.pilots, options.owned.pilot, idle),
    main: new JetTally("main", options.mains, options.owned.main, loaded),
  };
  const off = { leaner: 0, richer: 0 };
  const perAir = Math.ceil(draws / airs.length);
  const believed = drawnFrom(judgeOf(open, group, first).beliefs.together, perAir * airs.length);
  airs.forEach((air, a) => {
    const atIdle = askedIn(group, air, idle, ["idle"]);
    const atLoad = askedIn(group, air, loaded, ["mid", "top"]);
    const mid = atLoad[0]?.lines ?? [];
    for (let d = a * perAir; d < (a + 1) * perAir; d += 1) {
      const draw = believed[d];
      if (!draw) continue;
      costsIn(atIdle, idle, draw, costs.idle);
      costsIn(atLoad, loaded, draw, costs.loaded);
      const bestIdle = leastOf(costs.idle);
      const bestLoaded = leastOf(costs.loaded);
      wins.idle[bestIdle] = (wins.idle[bestIdle] ?? 0) + 1;
      wins.loaded[bestLoaded] = (wins.loaded[bestLoaded] ?? 0) + 1;
      tally.pilot.add(costs.idle);
      tally.main.add(costs.loaded);
      const line = mid[bestLoaded];
      const error = line ? line.shift + dot(line.row, draw) : 0;
      // Lean with the best that can be done: a needle that is richer is wanted.
      if (error > TOLERANCE) off.richer += 1;
      if (error < -TOLERANCE) off.leaner += 1;
    }
  });
  const count = perAir * airs.length;
  const densities = airs.map(({ dryDensityKgM3 }) => dryDensityKgM3);
  const always = () => true;
  const washers = new Set(group.build.box.shimsMm);
  const ownedLoss = (jet: JetTally) => jet.mean((size) => jet.owned.has(size));
  const buy = [...tally.main.buys("main"), ...tally.pilot.buys("pilot")];
  return {
    draws: count,
    wanted: {
      pilot: chancesOf(idle, wins.idle, "pilot", (value) => options.owned.pilot.has(value)),
      screwTurns: chancesOf(idle, wins.idle, "screwTurns", always),
      clip: chancesOf(loaded, wins.loaded, "clip", always),
      shimMm: chancesOf(loaded, wins.loaded, "shimMm", (value) => value === 0 || washers.has(value)),
      main: chancesOf(loaded, wins.loaded, "main", (value) => options.owned.main.has(value)),
    },
    otherNeedle: { leaner: off.leaner / count, richer: off.richer / count },
    buy: buy.sort((a, b) => b.gain - a.gain),
    loss: {
      owned: ownedLoss(tally.main) + ownedLoss(tally.pilot),
      everything: tally.main.mean(always) + tally.pilot.mean(always),
    },
    dryDensity: { low: Math.min(...densities), high: Math.max(...densities) },
  };
}

function leastOf(costs: Float64Array): number {
  let least = 0;
  for (let i = 1; i < costs.length; i += 1)
    if ((costs[i] ?? Infinity) < (costs[least] ?? Infinity)) least = i;
  return least;
}
