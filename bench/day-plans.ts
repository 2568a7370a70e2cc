/**
 * What a plan of the day is worth against a new card each heat, on simulated days of eight heats:
 * `npm run bench:day -- --days 200 --seed 1 [--rig kart]`. Asserts nothing.
 */
import { parseArgs } from "node:util";
import { RIG_NAMES, type RigName } from "./judgement/rigs.ts";
import { DAY_POLICIES, simulatedDay, type DayOutcome } from "./day/simulated-day.ts";

const { values } = parseArgs({
  options: {
    days: { type: "string", default: "200" },
    seed: { type: "string", default: "1" },
    rig: { type: "string", default: "kart,enduro" },
  },
});
const [days, seed] = [Number(values.days), Number(values.seed)];
const rigs = values.rig.split(",").map((name): RigName => {
  const found = RIG_NAMES.find((known) => known === name);
  if (!found) throw new Error(`"${name}" is none of ${RIG_NAMES.join(", ")}`);
  return found;
});

const WORDS = {
  stay: "what is fitted stays",
  everyAir: "the best of each air, whatever the work",
  newCard: "a new card each heat",
  eveningPlan: "the plan of the evening before",
  dayPlan: "the plan of the day, made anew with each reading",
} as const;

const outcomes = Array.from({ length: days }, (_, i) =>
  simulatedDay(rigs[i % rigs.length] ?? "kart", seed * 100_000 + i),
);
const mean = (list: readonly DayOutcome[], of: (one: DayOutcome) => number): string =>
  (list.reduce((sum, one) => sum + of(one), 0) / list.length).toFixed(2);
console.log(`${days} days of eight heats, ${rigs.join(" and ")}, a day each.\n`);
console.log("| policy | loss | work | loss and work | parts changed | stops | heats past the lean limit |");
console.log("| --- | --- | --- | --- | --- | --- | --- |");
for (const policy of DAY_POLICIES) {
  const all = outcomes.map((day) => day[policy]);
  console.log(
    `| ${WORDS[policy]} | ${mean(all, ({ loss }) => loss)} | ${mean(all, ({ work }) => work)} | ${mean(all, ({ loss, work }) => loss + work)} | ${mean(all, ({ parts }) => parts)} | ${mean(all, ({ stops }) => stops)} | ${mean(all, ({ lean }) => lean)} |`,
  );
}
