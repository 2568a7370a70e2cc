/** Scenarios of the practice ladder: a hidden engine, what it is fitted with, the air, and the minutes there are. */
import type { AirState } from "../air/humid-air.ts";
import { PART_STEPS, type Stepped } from "./part-steps.ts";
import type { Build, Setting } from "../log/schema.ts";
import { seededRandom, type Random } from "../numbers/random.ts";
import { startingBuild, type StartingKind } from "../rig/starting-builds.ts";
import { drawRealEngine, drawWeather } from "../simulator/real-engine.ts";
import { requireRange } from "../units/guard.ts";
import { bestLoss, startLoss, type Known } from "./true-loss.ts";

/** In the order of the ladder; each has a lesson of its own. */
export const LEVELS = ["topRich", "middle", "idle", "unsafeTop", "twoHide", "mountain"] as const;
export type Level = (typeof LEVELS)[number];

export interface PracticeAsked {
  readonly level: Level;
  readonly seed: number;
}

/** A known engine; its build is the machine as its tuner describes it, with what is fitted as its baseline. */
export interface Scenario extends PracticeAsked, Known {
  readonly minutes: number;
  /** no ride before the gate: the card or a rule of thumb has to do */
  readonly noRide: boolean;
}

interface Plan {
  readonly kind: StartingKind;
  readonly minutes: number;
  /** steps away from what is right: richer is +, for the idle's pilot and for the groove as well */
  readonly off: (random: Random) => Partial<Record<Stepped, number>>;
  /** sea level's standard day, or what the weather draws */
  readonly air: "home" | "anywhere" | "high";
  readonly noRide?: true;
}

/** One of the two, either as likely. */
const either = (random: Random, a: number, b: number): number => (random.uniform() < 0.5 ? a : b);

const PLANS: Readonly<Record<Level, Plan>> = {
  topRich: {
    kind: "twoStrokeBike",
    minutes: 120,
    air: "home",
    off: (random) => ({ main: either(random, 6, 7) }),
  },
  middle: {
    kind: "twoStrokeBike",
    minutes: 110,
    air: "home",
    off: (random) => ({ clip: either(random, -1, 1) }),
  },
  idle: {
    kind: "twoStrokeBike",
    minutes: 100,
    air: "home",
    off: (random) => ({ pilot: either(random, -2, 2) }),
  },
  unsafeTop: {
    kind: "twoStrokeBike",
    minutes: 90,
    air: "home",
    off: (random) => ({ main: either(random, -5, -6) }),
  },
  twoHide: {
    kind: "twoStrokeBike",
    minutes: 90,
    air: "anywhere",
    off: (random) => ({ clip: -1, main: either(random, 6, 7) }),
  },
  mountain: { kind: "twoStrokeBike", minutes: 30, air: "high", off: () => ({}), noRide: true },
};

/** A box as a racer has who came prepared: nothing is out of reach on the ladder. */
function fullBox(build: Build): Build["box"] {
  const { pilot, main } = build.baseline.setting;
  const sizes = (middle: number, below: number, above: number) =>
    Array.from({ length: below + above + 1 }, (_, i) => middle + (i - below) * 2.5);
  return { pilots: sizes(pilot, 4, 4), mains: sizes(main, 14, 18), shimsMm: [] };
}

/** A lesson needs something to save, and a box that can save it. */
const WRONG_ENOUGH = 1;
const RIGHT_ENOUGH = 0.4;
const MOST_TRIES = 60;

const HOME: AirState = { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 };
/** A pass: thinner by a fifth, and cool. */
const HIGH: AirState = { temperatureK: 285.15, pressurePa: 82_000, relativeHumidity: 0.45 };

/**
 * The same level and seed make the same scenario on every machine.
 * @throws {RangeError} unless the seed is a whole number from 0 to 999 999
 */
export function drawScenario({ level, seed }: PracticeAsked): Scenario {
  requireRange("seed", seed, 0, 999_999);
  if (!Number.isInteger(seed)) throw new RangeError(`seed must be a whole number, got ${seed}`);
  const random = seededRandom(1_000_003 * (LEVELS.indexOf(level) + 1) + seed);
  const plan = PLANS[level];
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const drawn = draw(plan, random);
    if (startLoss(drawn) >= WRONG_ENOUGH && bestLoss(drawn) <= RIGHT_ENOUGH)
      return { ...drawn, level, seed, minutes: plan.minutes, noRide: plan.noRide ?? false };
  }
  throw new RangeError(`seed must draw an engine that fits its level, got ${seed}`);
}

function draw(plan: Plan, random: Random): Known {
  const usual = startingBuild(plan.kind);
  const right: Build = { ...usual, box: fullBox(usual), assumed: undefined };
  const engine = drawRealEngine(
    right,
    { proven: "measured", heavyTails: false, airSensitivitySd: 0.1, startsOff: 0 },
    random,
  );
  const start = { ...right.baseline.setting };
  for (const [part, steps] of Object.entries(plan.off(random)) as [Stepped, number][])
    start[part] = PART_STEPS[part](start, steps, right);
  const build: Build = {
    ...right,
    baseline: { ...right.baseline, setting: start, proven: plan.noRide ? "measured" : "guess" },
  };
  const air = plan.air === "home" ? HOME : plan.air === "high" ? HIGH : drawWeather(random);
  return { build, engine: { ...engine, build }, air };
}

export const startOf = ({ build }: Scenario): Setting => build.baseline.setting;
