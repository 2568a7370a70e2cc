/**
 * Hidden engine with a fault: what it adds to the mixture by rules of its own, what it makes the tuner feel, see
 * and answer. How likely it makes a symptom or an answer is known to nobody: each engine draws it about what the
 * judgement believes, as far off as docs/judgement.md says.
 */
import { perZone, type PerZone, type Zone } from "../carburettor/zones.ts";
import { FAULTS } from "../faults/registry.ts";
import { PLUG_WHEN_JETTING, YES_WHEN_JETTING } from "../faults/questions.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { Part, PlugFinding } from "../log/parts.ts";
import type { QuestionName } from "../log/question-names.ts";
import { SYMPTOM_NAMES, SYMPTOMS, type Symptom } from "../log/symptom-names.ts";
import type { Random } from "../numbers/random.ts";
import type { RealEngine } from "./real-engine.ts";

/** Smallest, middle and largest of what the workshop sees of it, log mixture where it counts most. */
const SIZES: Readonly<Record<FaultName, readonly [number, number, number]>> = {
  airLeak: [0.09, 0.16, 0.24],
  floatHigh: [0.03, 0.06, 0.1],
  floatLow: [0.04, 0.08, 0.13],
  chokeOpen: [0.1, 0.18, 0.28],
  pilotBlocked: [0.15, 0.26, 0.38],
  mainNotAsStamped: [0.08, 0.16, 0.28],
  needleJetWorn: [0.03, 0.055, 0.08],
  fuelStarvation: [0.05, 0.12, 0.2],
  plugDead: [0.05, 0.1, 0.16],
  ignition: [0.04, 0.08, 0.14],
  cylinderSeal: [0.05, 0.1, 0.16],
  airJetsDead: [1, 1, 1],
  partWithoutEffect: [1, 1, 1],
};
/** How much air is drawn at each zone's opening, idle 1: a leak or a choke counts against it. */
const DRAWN: PerZone<number> = { idle: 1, low: 2.1, mid: 4.6, top: 9 };
/** Logits by which an engine's chance of showing or answering something departs from what is believed. */
const CHANCE_SD = 0.6;
/** So many mains that are not as stamped are the one that the engine came with. */
const FROM_THE_START = 0.35;
/** Of a smaller fault less is felt. */
const FELT_SHARE = [0.6, 0.9, 1] as const;
/** A symptom of a mixture this far off is told after a look in its zone this often. */
const TOLD = 0.35;
const OTHER_CAUSE = 0.01;

const JETS_CHANGED: readonly Part[] = ["pilot", "clip", "main"];

export interface Faulty {
  readonly engine: RealEngine;
  readonly fault: FaultName | undefined;
  /** of a fault in one of several: counted from 1 */
  readonly cylinder: number | undefined;
  /** the part that does nothing, where that is the fault */
  readonly deaf: Part;
  /** the main that it came with is the one that is not as stamped: nothing was changed yet */
  readonly fromTheStart: boolean;
  readonly plugShift: (zone: Zone) => number;
  readonly lambdaShift: (zone: Zone) => number;
  readonly plugFinding: () => PlugFinding | undefined;
  /** what is noticed on a ride in a zone, each thing once */
  readonly noticed: (zone: Zone, errors: PerZone<number>) => Symptom[];
  readonly answer: (
    question: QuestionName,
    errors: PerZone<number>,
    /** the idle is best somewhere within the screw's travel */
    crestInReach: boolean,
  ) => "yes" | "no";
}

/** What is off alike everywhere is called so, whatever made it so. */
const ALIKE = { from: 0.04, yes: 0.8, no: 0.1 } as const;

/** A screw that finds no best idle anywhere is often said to do nothing. */
const SCREW_WITHOUT_CREST = 0.55;

function usually(question: QuestionName, { idle, mid, top }: PerZone<number>, crestInReach: boolean): number {
  if (question === "screwMatters" && !crestInReach) return SCREW_WITHOUT_CREST;
  if (question !== "everywhereAlike") return YES_WHEN_JETTING[question];
  const sides = [idle, mid, top].map((error) => (Math.abs(error) < ALIKE.from ? 0 : Math.sign(error)));
  return sides.every((side) => side !== 0 && side === sides[0]) ? ALIKE.yes : ALIKE.no;
}

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));
const blurred = (p: number, random: Random): number =>
  logistic(Math.log(p / (1 - p)) + CHANCE_SD * random.normal());
const jitter = (random: Random): number => Math.exp(0.2 * random.normal());

/** Of a hole behind the slide: so much counts against what is drawn there, of what it counts at idle. */
const BEHIND_SLIDE: PerZone<readonly [number, number]> = {
  idle: [1, 1],
  low: [0.13, 0.23],
  mid: [0.04, 0.07],
  top: [0.01, 0.03],
};

/** A hole that stays as it is fades with the throttle; seals and boots that open under load fade slowly. */
function fades(drawn: PerZone<number>, random: Random): PerZone<number> {
  const stays = random.uniform() < 0.6;
  return perZone((zone) => {
    const [least, most] = BEHIND_SLIDE[zone];
    return stays ? least + (most - least) * random.uniform() : 1 / drawn[zone];
  });
}

/** @returns what the fault adds to the mixture of every zone, + lean */
function added(fault: FaultName, size: number, random: Random): PerZone<number> {
  const drawn = perZone((zone) => DRAWN[zone] ** (0.8 + 0.4 * random.uniform()));
  // So much more air, or fuel, against what is drawn.
  const extra = Math.exp(size) - 1;
  const shape = (idle: number, low: number, mid: number, top: number) => {
    const shapes = { idle, low, mid, top };
    return perZone((zone) => size * shapes[zone] * jitter(random));
  };
  switch (fault) {
    case "airLeak":
    case "chokeOpen": {
      const shares = fades(drawn, random);
      const side = fault === "airLeak" ? 1 : -1;
      return perZone((zone) => side * Math.log(1 + extra * shares[zone]));
    }
    case "floatHigh":
      return perZone((zone) => -size / drawn[zone] ** 0.35);
    case "floatLow":
      return perZone((zone) => size * (0.5 + 0.5 * (drawn[zone] / drawn.top)));
    case "pilotBlocked":
      return shape(1, 0.35, 0.08, 0.03);
    case "needleJetWorn": {
      const [low, mid] = [-size * jitter(random), -size * 0.85 * jitter(random)];
      return { idle: 0.15 * low, low, mid, top: 0.35 * mid };
    }
    case "fuelStarvation":
      return { idle: 0, low: 0, mid: 0.1 * size, top: size };
    default:
      return perZone(() => 0);
  }
}

/** What a change does where it does not do what it should. */
function changed(
  fault: FaultName,
  size: number,
  engine: RealEngine,
  deaf: Part,
  fromTheStart: boolean,
  random: Random,
): RealEngine["errors"] {
  const { setting: base } = engine.build.baseline;
  const side = random.uniform() < 0.5 ? -1 : 1;
  const shares = { idle: 0, low: 0.06 * jitter(random), mid: 0.25 * jitter(random), top: 1 };
  // Behind dirt a screw and a jet do little of what they should; past a leak the screw does half.
  const works = fault === "pilotBlocked" ? 0.25 * random.uniform() : 0.3 + 0.4 * random.uniform();
  if (fault === "pilotBlocked" || fault === "airLeak")
    return (setting, air) => {
      const fixed = { screwTurns: base.screwTurns, ...(fault === "pilotBlocked" && { pilot: base.pilot }) };
      const [all, none] = [engine.errors(setting, air), engine.errors({ ...setting, ...fixed }, air)];
      return perZone((zone) => none[zone] + works * (all[zone] - none[zone]));
    };
  if (fault === "mainNotAsStamped")
    return (setting, air) => {
      const errors = engine.errors(setting, air);
      if ((setting.main === base.main) !== fromTheStart) return errors;
      return perZone((zone) => errors[zone] + side * size * shares[zone]);
    };
  if (fault === "partWithoutEffect")
    return (setting, air) => engine.errors({ ...setting, [deaf]: base[deaf] }, air);
  return engine.errors;
}

function spoilt(
  engine: RealEngine,
  fault: FaultName,
  size: number,
  cylinder: number | undefined,
  deaf: Part,
  fromTheStart: boolean,
  random: Random,
) {
  const more = added(fault, size, random);
  const told = changed(fault, size, engine, deaf, fromTheStart, random);
  const side = random.uniform() < 0.5 ? -1 : 1;
  const seal = { idle: side * size, low: side * size * 0.95, mid: side * size * 0.7, top: side * size * 0.5 };
  const { cylinders } = engine.build.engine;
  const errors: RealEngine["errors"] = (setting, air) => {
    const all = told(setting, air);
    const shared = cylinder === undefined ? 0 : 1 / cylinders;
    return perZone((zone) => all[zone] + more[zone] + shared * seal[zone]);
  };
  const errorsOf: RealEngine["errorsOf"] = (own, setting, air) => {
    const [mine, common] = [engine.errorsOf(own, setting, air), engine.errors(setting, air)];
    const all = told(setting, air);
    const here = cylinder === own ? 1 : 0;
    return perZone((zone) => all[zone] + mine[zone] - common[zone] + more[zone] + here * seal[zone]);
  };
  return { build: engine.build, errors, errorsOf };
}

/**
 * @param size - 0 small, 1 middle, 2 large
 * @returns the engine with it; without a fault a healthy one, whose mixture alone is felt
 */
export function faulty(
  engine: RealEngine,
  fault: FaultName | undefined,
  size: 0 | 1 | 2,
  random: Random,
): Faulty {
  const kind = fault && FAULTS[fault];
  const [amount, felt] = [fault ? SIZES[fault][size] : 0, FELT_SHARE[size]];
  const { cylinders } = engine.build.engine;
  const cylinder =
    fault === "cylinderSeal" && cylinders > 1 ? 1 + Math.floor(random.uniform() * cylinders) : undefined;
  const deaf = JETS_CHANGED[Math.floor(random.uniform() * JETS_CHANGED.length)] ?? "main";
  const fromTheStart = fault === "mainNotAsStamped" && random.uniform() < FROM_THE_START;
  const shown = new Set<Symptom>(
    SYMPTOM_NAMES.filter((symptom) => {
      const made = kind?.makes[symptom];
      return made !== undefined && random.uniform() < felt * blurred(made, random);
    }),
  );
  const told = new Set<Symptom>();
  const once = (symptom: Symptom): boolean => {
    if (told.has(symptom)) return false;
    told.add(symptom);
    return true;
  };
  const noticed = (zone: Zone, errors: PerZone<number>): Symptom[] =>
    SYMPTOM_NAMES.filter((symptom) => {
      const { kind: side, zone: where } = SYMPTOMS[symptom];
      if (where !== zone && !shown.has(symptom)) return false;
      if (shown.has(symptom)) return random.uniform() < 0.5 && once(symptom);
      const towards = side === "lean" ? errors[where] : -errors[where];
      const chance = TOLD * logistic((towards - 0.06) / 0.015) + OTHER_CAUSE;
      return random.uniform() < chance / 2 && once(symptom);
    });
  const yes = new Map<QuestionName, boolean>();
  const answer: Faulty["answer"] = (question, errors, crestInReach) => {
    const came = fromTheStart && question === "beganWithPart" ? undefined : kind?.answers[question];
    const believed = came ?? usually(question, errors, crestInReach);
    const known = yes.get(question) ?? random.uniform() < blurred(believed, random);
    yes.set(question, known);
    return known ? "yes" : "no";
  };
  const plugFinding = (): PlugFinding | undefined =>
    (["wet", "glazed"] as const).find(
      (finding) => random.uniform() < 0.7 * (kind?.plugs?.[finding] ?? PLUG_WHEN_JETTING[finding]),
    );
  const up: PerZone<number> = { idle: 0.2, low: 0.4, mid: 0.6, top: 1 };
  return {
    engine: fault ? spoilt(engine, fault, amount, cylinder, deaf, fromTheStart, random) : engine,
    fault,
    cylinder,
    deaf,
    fromTheStart,
    plugShift: (zone) => (fault === "plugDead" ? -amount : fault === "ignition" ? -amount * up[zone] : 0),
    lambdaShift: (zone) => (fault === "ignition" ? amount * up[zone] : 0),
    plugFinding,
    noticed,
    answer,
  };
}
