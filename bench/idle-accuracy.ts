/**
 * Is the idle bench any good? A thousand seeded engines of two kinds of screw, walked as a tuner walks them:
 * quarter turns from the base both ways, asking for the next point until the crest shows. `npm run bench:idle`.
 */
import { humidAir } from "#core/air/humid-air.ts";
import { buildModel } from "#core/carburettor/model.ts";
import { bisectFalling } from "#core/numbers/bisect.ts";
import { fitBestIdle, type IdleFit, type IdlePoint } from "#core/idle/best-idle.ts";
import { judgePilot } from "#core/idle/verdict.ts";
import type { Build } from "#core/log/schema.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { screwWindow } from "#core/sieve/choices.ts";
import { drawEngine, trueError, type HiddenEngine } from "#core/simulator/hidden-engine.ts";
import { readIdle } from "#core/simulator/idle-bench.ts";

const ENGINES = 1000;
const SCATTER = 0.004;
const MOST_TURNS = 6;
const MOST_POINTS = 24;

function trueMiddle(engine: HiddenEngine, build: Build): number {
  const { setting, air } = build.baseline;
  const error = (screwTurns: number) => trueError(engine, { ...setting, screwTurns }, humidAir(air), "idle");
  if (Math.sign(error(0)) === Math.sign(error(MOST_TURNS)))
    return Math.abs(error(0)) < Math.abs(error(MOST_TURNS)) ? 0 : MOST_TURNS;
  const sign = error(0) > 0 ? 1 : -1;
  return bisectFalling((turns) => sign * error(turns), 0, MOST_TURNS);
}

function walk(engine: HiddenEngine, build: Build, random: ReturnType<typeof seededRandom>): IdleFit {
  const { setting, air } = build.baseline;
  const read = (turns: number): IdlePoint => ({
    turns,
    rpm: Math.max(
      1,
      readIdle(engine, { ...setting, screwTurns: turns }, humidAir(air), 1700, { scatter: SCATTER }, random),
    ),
  });
  const base = setting.screwTurns;
  const points = [base - 0.5, base - 0.25, base, base + 0.25, base + 0.5].map(read);
  let fit = fitBestIdle(points);
  while (!fit.ok && points.length < MOST_POINTS) {
    const { nextTurns } = fit.missing;
    if (nextTurns === undefined || nextTurns > MOST_TURNS) break;
    points.push(read(nextTurns));
    fit = fitBestIdle(points);
  }
  return fit;
}

const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} % of ${whole}`;

const random = seededRandom(1964);
let shown = 0;
let near = 0;
let needing = 0;
let condemned = 0;
let sound = 0;
let left = 0;
const spent: number[] = [];
for (let i = 0; i < ENGINES; i += 1) {
  const build = startingBuild(i % 2 === 0 ? "twoStrokeBike" : "fourStrokeAtv");
  const engine = drawEngine(buildModel(rigFromBuild(build)), random);
  const middle = trueMiddle(engine, build);
  const window = screwWindow(build);
  const fit = walk(engine, build, random);
  const verdict = judgePilot(fit, {
    school: "middle",
    screw: build.carburettor.screw,
    window,
    baseTurns: build.baseline.setting.screwTurns,
    pilot: build.baseline.setting.pilot,
    pilots: build.box.pilots,
  });
  if (fit.ok) {
    shown += 1;
    if (Math.abs(fit.fit.middleTurns - middle) <= 0.25) near += 1;
    spent.push(Math.abs(fit.fit.middleTurns - middle));
  }
  // A size is truly needed when the true middle lies clear of the window.
  const outside = Math.max(window.from - middle, middle - window.to);
  if (outside > 0.25) {
    needing += 1;
    const outIsRicher = build.carburettor.screw === "fuel";
    const towards = middle > window.to === outIsRicher ? "richer" : "leaner";
    if (verdict.kind === "jet" && verdict.towards === towards) condemned += 1;
  } else if (outside < -0.25) {
    sound += 1;
    if (verdict.kind === "leave") left += 1;
  }
}
spent.sort((a, b) => a - b);
console.log(`crest shown: ${percent(shown, ENGINES)}`);
console.log(
  `middle within a quarter turn: ${percent(near, shown)}; median error ${spent[spent.length >> 1]?.toFixed(3)} turns`,
);
console.log(`right verdict where a size is needed: ${percent(condemned, needing)}`);
console.log(`left alone where none is needed: ${percent(left, sound)}`);

const many = Array.from({ length: 200 }, (_, i) => ({
  turns: 0.5 + (i % 40) / 20,
  rpm: 1700 * (1 - 0.02 * (((i % 40) / 20 - 1) / 0.6) ** 2) * (1 + 0.004 * random.normal()),
}));
for (let i = 0; i < 20; i += 1) fitBestIdle(many);
const start = performance.now();
const RUNS = 50;
for (let i = 0; i < RUNS; i += 1) fitBestIdle(many);
console.log(`fit of 200 points: ${((performance.now() - start) / RUNS).toFixed(2)} ms`);
