/**
 * What the players of the practice ladder score, on seeded games: `npm run bench:practice -- --seeds 100 --from 1`,
 * of one level with `--level heads`. Tamis to the letter, two schools, and one who changes a random size a stop.
 * Prints means; asserts nothing.
 */
import { parseArgs } from "node:util";
import { boxJets } from "../core/rig/box.ts";
import type { Change } from "../core/log/schema.ts";
import { seededRandom } from "../core/numbers/random.ts";
import { Game } from "../core/practice/game.ts";
import { LEVELS } from "../core/practice/levels.ts";
import { drawScenario, type Scenario } from "../core/practice/scenario.ts";
import { PLAYERS, playedBy, scoreOf, type Played } from "../core/practice/score.ts";

const { values } = parseArgs({
  options: {
    seeds: { type: "string", default: "20" },
    from: { type: "string", default: "1" },
    level: { type: "string" },
  },
});
const [seeds, from] = [Number(values.seeds), Number(values.from)];

/** A lap, then one size of anything, again and again until the minutes are gone. */
function atRandom(scenario: Scenario): Played {
  const random = seededRandom(scenario.seed + 77);
  const one = <T>(all: readonly T[]): T => all[Math.floor(all.length * random.uniform())] as T;
  const game = new Game(scenario);
  for (let stop = 0; stop < 4 && !game.over; stop += 1) {
    game.act({ do: "ride", hold: scenario.holds.at(-1) ?? "lap", cut: "clean" });
    const { setting } = game;
    const jets = (part: "pilot" | "main") => boxJets(scenario.build, part).map(({ number }) => number);
    const change: Change = one([
      { part: "main" as const, to: one(jets("main")) },
      { part: "pilot" as const, to: one(jets("pilot")) },
      {
        part: "clip" as const,
        to: 1 + Math.floor(scenario.build.carburettor.needle.grooves * random.uniform()),
      },
      { part: "screwTurns" as const, to: Math.max(0, setting.screwTurns + one([-0.5, 0.5])) },
    ]);
    game.act({ do: "change", changes: [change] });
  }
  return {
    errors: game.errors,
    minutes: game.minutes,
    hurt: game.hurt,
    shown: 0,
    faultLeft: game.fault !== undefined,
  };
}

const mean = (all: readonly number[]) => all.reduce((sum, x) => sum + x, 0) / all.length;
console.log(
  `level        ${[...PLAYERS, "random"].map((name) => name.padStart(9)).join("")}   hurt: ${[...PLAYERS, "random"].join(" ")}`,
);
for (const level of LEVELS.filter((one) => one === (values.level ?? one))) {
  const scores = Array.from({ length: seeds }, (_, i) => {
    const scenario = drawScenario({ level, seed: from + i });
    const played = [...PLAYERS.map((player) => playedBy(scenario, player)), atRandom(scenario)];
    const minutes = played[0]?.minutes ?? 0;
    return played.map((one) => ({
      score: scoreOf(scenario, one, minutes),
      hurt: one.hurt,
      minutes: one.minutes,
    }));
  });
  const row = [0, 1, 2, 3]
    .map((i) =>
      mean(scores.map((of) => of[i]?.score ?? 0))
        .toFixed(0)
        .padStart(9),
    )
    .join("");
  const hurt = [0, 1, 2, 3].map((i) => scores.filter((of) => of[i]?.hurt).length).join(" ");
  const least = Math.min(...scores.map((of) => of[0]?.score ?? 0));
  const took = mean(scores.map((of) => of[0]?.minutes ?? 0)).toFixed(0);
  console.log(`${level.padEnd(13)}${row}   hurt: ${hurt}   Tamis ${took} min, least ${least}`);
}
