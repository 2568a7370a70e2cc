/** Scores of a practice game: the share of the avoidable loss that was saved, less what it took. */
import { advise } from "../advice/card/advise.ts";
import type { PerZone } from "../carburettor/zones.ts";
import type { Entry } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { airOfState } from "../simulator/real-engine.ts";
import { drawReader } from "../simulator/reader.ts";
import { chartMain, robot } from "../simulator/robots.ts";
import { Bench, followAdvice, type Outcome } from "../simulator/trial.ts";
import { changeMinutes, LOOK_MINUTES } from "./game.ts";
import { bestLoss, lossOf } from "./true-loss.ts";
import { startOf, type Scenario } from "./scenario.ts";

/** Half a point a minute beyond Tamis's own. */
const POINTS_A_MINUTE = 0.5;
const POINTS_A_SHOW = 15;
/** Less than this cannot be felt or read: nobody loses points over it. */
const NOUGHT_LOSS = 0.15;

export interface Played {
  readonly errors: PerZone<number>;
  readonly minutes: number;
  readonly hurt: boolean;
  /** times the card was looked at */
  readonly shown: number;
}

/** @returns 100 × share of the loss that could be saved and was; 100 where none could and none was lost; 0 when hurt */
export function savedShare(scenario: Scenario, { errors, hurt }: Pick<Played, "errors" | "hurt">): number {
  if (hurt) return 0;
  const air = airOfState(scenario.air);
  const start = lossOf(scenario.build, scenario.engine.errors(startOf(scenario), air));
  const best = Math.max(NOUGHT_LOSS, bestLoss(scenario));
  const end = Math.max(NOUGHT_LOSS, lossOf(scenario.build, errors));
  if (start <= best) return end <= start + NOUGHT_LOSS ? 100 : 0;
  return 100 * Math.min(1, Math.max(0, (start - end) / (start - best)));
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

/** How a player fares on the same engine, with plugs, the idle bench and how it pulls. */
export function playedBy(scenario: Scenario, player: Player): Played {
  const random = seededRandom(31 * scenario.seed + 5);
  const bench = new Bench(scenario.engine, scenario.air, drawReader(random), random);
  const play = (): Outcome => {
    if (scenario.noRide) return player === "tamis" ? fitTheCard(bench) : fitTheChart(bench, scenario);
    return player === "tamis"
      ? followAdvice(bench, ["plug", "idleBench", "rideReport"])
      : robot(bench, player);
  };
  const { errors, minutes, leanRides } = play();
  return { errors, minutes: minutesOf(bench.entries, minutes), hurt: leanRides > 0, shown: 0 };
}
