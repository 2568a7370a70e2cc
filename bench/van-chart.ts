/**
 * What the chart for the van is worth over a season: `npm run bench:chart -- --engines 40 --seed 1`. Each engine is put
 * right on two days with plugs and the idle bench; then eight days of other air follow, on which nobody looks. By the
 * chart alone, by a card each day, by a density chart for the main jet, by leaving it. Asserts nothing.
 */
import { parseArgs } from "node:util";
import { standardPressure } from "#core/air/barometer.ts";
import { humidAir } from "#core/air/humid-air.ts";
import { LEAN_LIMIT } from "#core/carburettor/zones.ts";
import { advise } from "#core/advice/card/advise.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { settingKey, TOLERANCE } from "#core/advice/judge/judge-setting.ts";
import { gridCells, walks, type GridCell } from "#core/chart/grid.ts";
import { chartCells, chartGround, type ChartCell } from "#core/chart/jetting-chart.ts";
import type { Setting } from "#core/log/schema.ts";
import { drawReader } from "#core/simulator/reader.ts";
import { drawWeather, type RealEngine } from "#core/simulator/real-engine.ts";
import { chartMain } from "#core/simulator/robots.ts";
import { Bench, followAdvice } from "#core/simulator/trial.ts";
import { engineOf, type Task } from "./judgement/trials.ts";
import { RIG_NAMES } from "./judgement/rigs.ts";

const { values } = parseArgs({
  options: { engines: { type: "string", default: "40" }, seed: { type: "string", default: "1" } },
});
const [engines, seed] = [Number(values.engines), Number(values.seed)];
const DAYS = 8;
const KAPPA_SD = 0.15;
/** 5 K by 100 m, as a sheet has it. */
const GRID = {
  side: "height",
  temperaturesK: Array.from({ length: 10 }, (_, i) => 268.15 + 5 * i),
  rows: Array.from({ length: 20 }, (_, i) => 100 * i - 100),
  relativeHumidity: 0.5,
} as const;

interface Count {
  right: number;
  lean: number;
  days: number;
}
const POLICIES = ["the chart alone", "a card each day", "main by a density chart", "left as it is"] as const;
const counts = new Map(
  POLICIES.map((name) => [name, { right: 0, lean: 0, days: 0 } satisfies Count] as const),
);
let [asCard, cells, settings, charts] = [0, 0, 0, 0];

function count(
  name: (typeof POLICIES)[number],
  engine: RealEngine,
  setting: Setting,
  air: ReturnType<typeof humidAir>,
) {
  const errors = engine.errors(setting, air);
  const of = counts.get(name);
  if (!of) return;
  of.days += 1;
  of.right += Number([errors.idle, errors.mid, errors.top].every((error) => Math.abs(error) <= TOLERANCE));
  of.lean += Number(errors.top > LEAN_LIMIT.top);
}

/** The cell that a tuner finds: by the thermometer, and by the height at which the standard atmosphere has that pressure. */
function lookedUp(
  chart: ReadonlyMap<string, ChartCell>,
  grid: readonly GridCell[],
  air: ReturnType<typeof humidAir>,
) {
  const far = (cell: GridCell) =>
    Math.abs(cell.air.temperatureK - air.temperatureK) / 5 +
    Math.abs(cell.air.pressurePa - air.pressurePa) / 1200;
  const nearest = grid.reduce((best, cell) => (far(cell) < far(best) ? cell : best));
  return chart.get(`${nearest.row} ${nearest.column}`);
}

for (const rig of RIG_NAMES)
  for (let i = 0; i < engines; i += 1) {
    const task: Task = { rig, seed: seed * 1000 + i, means: ["plug", "idleBench"], halfGrooves: false };
    const { engine, random } = engineOf(
      task,
      { proven: "measured", heavyTails: false, airSensitivitySd: KAPPA_SD },
      39,
    );
    const [first, second] = [drawWeather(random), drawWeather(random)];
    const bench = new Bench(engine, first, drawReader(random), random);
    for (const weather of [undefined, second]) {
      if (weather) bench.travel(weather);
      followAdvice(bench, task.means);
      for (const zone of ["mid", "top"] as const) bench.plug(zone);
    }
    const open = openCase(bench.entries);
    const ground = chartGround(open);
    const grid = gridCells(GRID);
    const chart = new Map<string, ChartCell>();
    for (const walk of walks(grid, ground.fromKgM3)) {
      const found = chartCells(
        open,
        walk.map(({ air }) => air),
        undefined,
      );
      walk.forEach(({ row, column }, at) => {
        const cell = found[at];
        if (cell) chart.set(`${row} ${column}`, cell);
      });
    }
    charts += 1;
    settings += new Set([...chart.values()].map(({ setting }) => settingKey(setting))).size;
    cells += chart.size;
    const home = bench.fitted;
    const homeDry = humidAir(second).dryDensityKgM3;
    for (let day = 0; day < DAYS; day += 1) {
      const weather = drawWeather(random);
      const air = humidAir(weather);
      bench.travel(weather);
      const card = advise(bench.entries).card.setting;
      const cell = lookedUp(chart, grid, air);
      if (cell) count("the chart alone", engine, cell.setting, air);
      asCard += Number(cell !== undefined && settingKey(cell.setting) === settingKey(card));
      count("a card each day", engine, card, air);
      const main = chartMain(engine.build, home.main, air.dryDensityKgM3 / homeDry);
      count("main by a density chart", engine, { ...home, main }, air);
      count("left as it is", engine, home, air);
    }
  }

console.log(
  `${charts} engines, ${DAYS} days each, seed ${seed}; standard pressure at 0 m ${standardPressure(0)} Pa.`,
);
console.log(`Settings a chart: ${(settings / charts).toFixed(1)} over ${(cells / charts).toFixed(0)} cells.`);
console.log(
  `The chart's setting is the card's of that day: ${((100 * asCard) / (charts * DAYS)).toFixed(0)} %\n`,
);
console.log("| by | right | lean at full throttle |");
console.log("| --- | --- | --- |");
for (const [name, { right, lean, days }] of counts)
  console.log(`| ${name} | ${((100 * right) / days).toFixed(0)} % | ${((100 * lean) / days).toFixed(1)} % |`);
