/** Scores of a practice game: the share of the avoidable loss that was saved, less what it took. */
import { advise } from "../advice/card/advise.ts";
import type { PerZone } from "../carburettor/zones.ts";
import type { Entry } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { airOfState, type RealEngine } from "../simulator/real-engine.ts";
import type { Faulty } from "../simulator/faulty.ts";
import { drawReader } from "../simulator/reader.ts";
import { chartMain, robot } from "../simulator/robots.ts";
import { Bench, followAdvice, followStep, MOST_STEPS, type Outcome } from "../simulator/trial.ts";
import { Game } from "./game.ts";
import {
  BALANCE_MINUTES,
  changeMinutes,
  checkMinutes,
  LOOK_MINUTES,
  MEND_MINUTES,
  POINTS_A_SHOW,
} from "./minutes.ts";
import { bestLoss, lossOf, startLoss } from "./true-loss.ts";
import type { LookMeans } from "../log/schools.ts";
import { FAULTS } from "../faults/registry.ts";
import type { Scenario } from "./scenario.ts";

/** Half a point a minute beyond Tamis's own. */
const POINTS_A_MINUTE = 0.5;
/** Less than this cannot be felt or read: nobody loses points over it. */
const NOUGHT_LOSS = 0.15;

export interface Played {
  readonly errors: PerZone<number>;
  readonly minutes: number;
  readonly hurt: boolean;
  /** times the card was looked at */
  readonly shown: number;
  /** something is still wrong with it that no jet cures */
  readonly faultLeft?: boolean;
}

/** Who leaves a fault in the engine has saved half at the most, however well he jets around it. */
const FAULT_LEFT_SHARE = 0.5;

type Left = Pick<Played, "errors" | "hurt" | "faultLeft">;

/** @returns 100 × share of the loss that could be saved and was; 100 where none could and none was lost; 0 when hurt */
export function savedShare(scenario: Scenario, { errors, hurt, faultLeft = false }: Left): number {
  if (hurt) return 0;
  const most = faultLeft ? 100 * FAULT_LEFT_SHARE : 100;
  const start = lossOf(scenario.build, new Game(scenario).errors);
  const mended = { ...scenario, engine: scenario.healthy };
  // Where the fault alone is to be found, the jets are right as they are.
  const best = Math.max(NOUGHT_LOSS, scenario.level === "fault" ? startLoss(mended) : bestLoss(mended));
  const end = Math.max(NOUGHT_LOSS, lossOf(scenario.build, errors));
  if (start <= best) return end <= best + NOUGHT_LOSS ? most : 0;
  return most * Math.min(1, Math.max(0, (start - end) / (start - best)));
}

/**
 * @param tamisMinutes - what Tamis took over the same engine
 * @returns 0 to 100
 */
export function scoreOf(scenario: Scenario, played: Played, tamisMinutes: number): number {
  if (played.hurt) return 0;
  const late = Math.max(0, played.minutes - tamisMinutes);
  const points = savedShare(scenario, played) - POINTS_A_MINUTE * late - POINTS_A_SHOW * played.shown;
  return Math.round(Math.min(100, Math.max(0, points)));
}

const TAMIS_MEANS: readonly LookMeans[] = ["plug", "idleBench", "rideReport"];
/** A probe in the head is used where there is one. */
const meansFor = ({ build }: Scenario): readonly LookMeans[] =>
  build.heat ? ["temperature", ...TAMIS_MEANS] : TAMIS_MEANS;

export const PLAYERS = ["tamis", "bottomUp", "topFirst"] as const;
export type Player = (typeof PLAYERS)[number];

/** Minutes of a log in the game's own prices: the bench counts looks and rides, not the spanner. */
function minutesOf(entries: readonly Entry[], looks: number): number {
  return entries.reduce((sum, entry) => {
    if (entry.kind === "fit") return sum + changeMinutes(entry.changes);
    return entry.kind === "look" && entry.reading.type === "plug" ? sum + LOOK_MINUTES.plug : sum;
  }, looks);
}

/** Fits what the card says, without a ride. */
function fitTheCard(bench: Bench): Outcome {
  const { card } = advise(bench.entries);
  const changes = card.rows.filter(({ from, to }) => from !== to).map(({ part, to }) => ({ part, to }));
  if (changes.length > 0) bench.fit(changes);
  return bench.outcome(true, undefined);
}

/** A rule of thumb for who may not ride: the chart's main, and nothing else. */
function fitTheChart(bench: Bench, { build, air }: Scenario): Outcome {
  const { setting, air: home } = build.baseline;
  const ratio = airOfState(air).dryDensityKgM3 / airOfState(home).dryDensityKgM3;
  const to = chartMain(build, setting.main, ratio);
  if (to !== setting.main) bench.fit([{ part: "main", to }]);
  return bench.outcome(true, undefined);
}

/** Does what is advised, looks where it is sent, and mends what is found there. */
function chase(
  bench: Bench,
  { healthy }: Scenario,
  faulty: Faulty,
): Outcome & { readonly faultLeft: boolean } {
  bench.school({ what: "lookWith", is: [...TAMIS_MEANS] });
  // Something brought its owner here: a ride to the middle, and what is noticed on it.
  bench.plug("mid");
  for (const zone of ["idle", "low", "mid"] as const) bench.notice(zone);
  let left = faulty.fault;
  let leanRides = 0;
  let finished = false;
  for (let step = 0; step < MOST_STEPS && !finished; step += 1) {
    const { next, question } = advise(bench.entries);
    if (question !== undefined) bench.answer(question);
    else if (next.kind === "check" && left && FAULTS[left].check === next.check) {
      leanRides += bench.leanRides;
      bench.minutes += checkMinutes(next.check) + MEND_MINUTES;
      bench.mend(left, healthy);
      left = undefined;
    } else finished = !followStep(bench, next, true);
  }
  const outcome = bench.outcome(finished, undefined);
  return { ...outcome, leanRides: leanRides + outcome.leanRides, faultLeft: left !== undefined };
}

/** The engine of a player who leaves its carburettors out of step: what he reads is its first cylinder. */
function outOfStepEngine(scenario: Scenario): RealEngine {
  const game = new Game(scenario);
  const errorsOf: RealEngine["errorsOf"] = (cylinder, setting) => game.errorsOf(cylinder, [setting, setting]);
  return { build: scenario.build, errorsOf, errors: (setting, air) => errorsOf(1, setting, air) };
}

/** Somebody who has never heard of balancing jets it as it stands; Tamis begins with the gauges. */
const knowsOfStep = (player: Player): boolean => player === "tamis";

/** How a player fares on the same engine, with plugs, the idle bench and how it pulls. */
export function playedBy(scenario: Scenario, player: Player): Played {
  const random = seededRandom(31 * scenario.seed + 5);
  const faulty = scenario.withFault?.();
  const inStep = knowsOfStep(player);
  const engine = scenario.linked && !inStep ? outOfStepEngine(scenario) : scenario.engine;
  const bench = new Bench(engine, scenario.air, drawReader(random), random, faulty ? { faulty } : {});
  if (scenario.linked && inStep) bench.minutes += BALANCE_MINUTES;
  const play = (): Outcome & { readonly faultLeft?: boolean } => {
    if (scenario.holds.length === 0)
      return player === "tamis" ? fitTheCard(bench) : fitTheChart(bench, scenario);
    if (player !== "tamis") return { ...robot(bench, player), faultLeft: faulty?.fault !== undefined };
    return faulty ? chase(bench, scenario, faulty) : followAdvice(bench, meansFor(scenario));
  };
  const { errors, minutes, leanRides, faultLeft = false } = play();
  return { errors, minutes: minutesOf(bench.entries, minutes), hurt: leanRides > 0, shown: 0, faultLeft };
}
