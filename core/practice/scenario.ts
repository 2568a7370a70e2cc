/** Scenarios of the practice ladder: a hidden engine, what it is fitted with, the air, and the minutes there are. */
import type { AirState } from "../air/humid-air.ts";
import { ZONES } from "../carburettor/zones.ts";
import { PART_STEPS, type Stepped } from "./part-steps.ts";
import type { Build, Setting } from "../log/schema.ts";
import { seededRandom, type Random } from "../numbers/random.ts";
import { startingBuild, type StartingKind } from "../rig/starting-builds.ts";
import { FAULT_NAMES } from "../log/fault-names.ts";
import { faulty, type Faulty } from "../simulator/faulty.ts";
import { drawLinked, type LinkedCarburettors } from "../simulator/linked-carburettors.ts";
import { drawRealEngine, drawWeather, type RealEngine } from "../simulator/real-engine.ts";
import { requireRange } from "../units/guard.ts";
import {
  FREE_KINDS,
  HOLDS,
  LEVELS,
  type FreeKind,
  type Hold,
  type Level,
  type PracticeAsked,
} from "./levels.ts";
import { bestLoss, startLoss, type Known } from "./true-loss.ts";

/** A known engine; its build is the machine as its tuner describes it, with what is fitted as its baseline. */
export interface Scenario extends PracticeAsked, Known {
  readonly minutes: number;
  /** what can be held on a ride; none before the gate of some */
  readonly holds: readonly Hold[];
  /** the engine with what is wrong with it, if anything; made anew for each player, since it remembers what it told */
  readonly withFault?: () => Faulty;
  /** without its fault, as it is once that is found and mended */
  readonly healthy: RealEngine;
  /** carburettors that are out of step until somebody balances them */
  readonly linked?: LinkedCarburettors;
}

interface Plan {
  readonly kind: StartingKind;
  readonly minutes: number;
  /** steps away from what is right: richer is +, for the idle's pilot and for the groove as well */
  readonly off: (random: Random) => Partial<Record<Stepped, number>>;
  /** sea level's standard day, or what the weather draws */
  readonly air: "home" | "anywhere" | "high";
  readonly holds?: readonly Hold[];
  /** chance that something is wrong that no jet cures */
  readonly faultShare?: number;
  readonly outOfStep?: true;
  /** none of its loss is the jets' */
  readonly jetted?: true;
}

/** One of the two, either as likely. */
const either = (random: Random, a: number, b: number): number => (random.uniform() < 0.5 ? a : b);

const ANY_STEP = (random: Random) => Math.round(2.5 * random.normal());

const PLANS: Readonly<Record<Exclude<Level, "free">, Plan>> = {
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
    off: (random) => ({ main: either(random, -3, -4) }),
  },
  twoHide: {
    kind: "twoStrokeBike",
    minutes: 90,
    air: "anywhere",
    off: (random) => ({ clip: -1, main: either(random, 6, 7) }),
  },
  mountain: { kind: "twoStrokeBike", minutes: 30, air: "high", off: () => ({}), holds: [] },
  // Ten laps a look: everything is gone through, and three witnesses are read together.
  kart: {
    kind: "kart",
    minutes: 100,
    air: "anywhere",
    off: (random) => ({ main: either(random, 5, 6), clip: either(random, 0, 1) }),
    holds: ["lap"],
  },
  heads: {
    kind: "methanolRacer",
    minutes: 100,
    air: "home",
    off: (random) => ({ main: either(random, 5, 6), pilot: either(random, -1, 1) }),
    holds: ["idle", "top"],
  },
  twin: {
    kind: "twin",
    minutes: 120,
    air: "home",
    off: (random) => ({ main: either(random, 7, 8) }),
    outOfStep: true,
  },
  fault: {
    kind: "twoStrokeBike",
    minutes: 120,
    air: "home",
    off: () => ({}),
    faultShare: 0.85,
    jetted: true,
  },
};

/** Everything drawn: the machine too, unless it is chosen. */
function freePlan(kind: FreeKind | undefined, random: Random): Plan {
  const drawn = FREE_KINDS[Math.floor(FREE_KINDS.length * random.uniform())] ?? "twoStrokeBike";
  return {
    kind: kind ?? drawn,
    minutes: 120,
    air: "anywhere",
    off: (one) => ({ main: ANY_STEP(one), clip: Math.round(one.normal()), pilot: Math.round(one.normal()) }),
    faultShare: 0.2,
  };
}

/** A box as a racer has who came prepared: nothing is out of reach on the ladder. */
function fullBox(build: Build): Build["box"] {
  const { pilot, main } = build.baseline.setting;
  const sizes = (middle: number, by: number, below: number, above: number) =>
    Array.from({ length: below + above + 1 }, (_, i) => middle + (i - below) * by);
  // Some 1.5 % of the diameter a size, as boxes go.
  const by = main > 200 ? 5 : 2.5;
  return { pilots: sizes(pilot, 2.5, 4, 4), mains: sizes(main, by, 8, 10), shimsMm: [] };
}

/** A lesson needs something to save, and a box that can save it. */
const WRONG_ENOUGH = 2;
const RIGHT_ENOUGH = 0.4;
const MOST_TRIES = 400;

/** Where the head of a methanol engine belongs: at the start line, and by how much it gains to the finish. */
const HEAD_TARGETS: NonNullable<Build["heat"]> = {
  staging: { targetK: 338, withinK: 4 },
  rise: { fromK: 38, toK: 46 },
};

const HOME: AirState = { temperatureK: 288.15, pressurePa: 101_325, relativeHumidity: 0.5 };
/** A pass: thinner by a fifth, and cool. */
const HIGH: AirState = { temperatureK: 285.15, pressurePa: 82_000, relativeHumidity: 0.45 };

/**
 * The same level, seed and kind make the same scenario on every machine.
 * @throws {RangeError} unless the seed is a whole number from 0 to 999 999
 */
export function drawScenario(asked: PracticeAsked): Scenario {
  const { level, seed, kind } = asked;
  requireRange("seed", seed, 0, 999_999);
  if (!Number.isInteger(seed)) throw new RangeError(`seed must be a whole number, got ${seed}`);
  const random = seededRandom(1_000_003 * (LEVELS.indexOf(level) + 1) + seed);
  const plan = level === "free" ? freePlan(kind, random) : PLANS[level];
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const drawn = draw(plan, random);
    if (!isLesson(plan, drawn)) continue;
    const linked = plan.outOfStep && drawLinked("shaft", 2, drawn.build.engine.idleRpm, random);
    return {
      ...asked,
      ...drawn,
      minutes: plan.minutes,
      holds: plan.holds ?? HOLDS,
      ...(linked && { linked }),
    };
  }
  throw new RangeError(`seed must draw an engine that fits its level, got ${seed}`);
}

type Drawn = Known & Pick<Scenario, "withFault" | "healthy">;

function isLesson({ jetted }: Plan, drawn: Drawn): boolean {
  // Without its fault it is right as it stands: who changes a jet has gone astray.
  if (jetted)
    return (
      startLoss({ ...drawn, engine: drawn.healthy }) <= RIGHT_ENOUGH && (isFelt(drawn) || isHealthy(drawn))
    );
  return startLoss(drawn) >= WRONG_ENOUGH && bestLoss({ ...drawn, engine: drawn.healthy }) <= RIGHT_ENOUGH;
}

const isHealthy = ({ withFault }: Drawn): boolean => withFault?.().fault === undefined;
/** A fault that shows nothing until a jet is changed would teach nothing: it pulls wrong, or its plugs look wrong. */
const isFelt = (drawn: Drawn): boolean =>
  startLoss(drawn) >= WRONG_ENOUGH || ZONES.some((zone) => drawn.withFault?.().plugShift(zone) !== 0);

function drawFault(engine: RealEngine, share: number, random: Random): () => Faulty {
  const name =
    random.uniform() < share ? FAULT_NAMES[Math.floor(FAULT_NAMES.length * random.uniform())] : undefined;
  const size = random.uniform() < 0.5 ? 1 : 2;
  const seed = Math.floor(1e9 * random.uniform());
  return () => faulty(engine, name, size, seededRandom(seed));
}

function draw(plan: Plan, random: Random): Drawn {
  const usual = startingBuild(plan.kind);
  const right: Build = {
    ...usual,
    box: fullBox(usual),
    assumed: undefined,
    ...(plan.kind === "methanolRacer" && { heat: HEAD_TARGETS }),
  };
  const engine = drawRealEngine(
    right,
    { proven: "measured", heavyTails: false, airSensitivitySd: 0.1, startsOff: 0 },
    random,
  );
  const start = { ...right.baseline.setting };
  for (const [part, steps] of Object.entries(plan.off(random)) as [Stepped, number][])
    start[part] = PART_STEPS[part](start, steps, right);
  const known = plan.holds?.length === 0 || plan.jetted;
  const build: Build = {
    ...right,
    baseline: { ...right.baseline, setting: start, proven: known ? "measured" : "guess" },
  };
  const air = plan.air === "home" ? HOME : plan.air === "high" ? HIGH : drawWeather(random);
  const healthy = { ...engine, build };
  if (plan.faultShare === undefined) return { build, engine: healthy, healthy, air };
  const withFault = drawFault(healthy, plan.faultShare, random);
  return { build, engine: withFault().engine, healthy, withFault, air };
}

export const startOf = ({ build }: Scenario): Setting => build.baseline.setting;
