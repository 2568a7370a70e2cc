/**
 * Is the idle bench any good? A thousand seeded engines of two kinds of screw, walked as a tuner walks them:
 * quarter turns from the base both ways, asking for the next point until the crest shows. `npm run bench:idle`.
 */
import { parseArgs } from "node:util";
import { humidAir } from "#core/air/humid-air.ts";
import { frameOf } from "#core/belief/frame.ts";
import { bisectFalling } from "#core/numbers/bisect.ts";
import { fitBestIdle, type IdleFit, type IdlePoint } from "#core/idle/best-idle.ts";
import { judgePilot, type IdleVerdict } from "#core/idle/verdict.ts";
import type { Build } from "#core/log/schema.ts";
import { hear } from "#core/instruments/engine-sound/hear.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import { amongNoise, drawSoundingEngine, soundOf } from "#core/simulator/exhaust-sound.ts";
import { screwScale } from "#core/carburettor/screw-scale.ts";
import { settingFromLog } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { screwWindow } from "#core/advice/plan/choices.ts";
import { drawEngine, trueError, type HiddenEngine } from "#core/simulator/hidden-engine.ts";
import { readIdle } from "#core/simulator/idle-bench.ts";
import { HALF_WIDTH } from "#core/simulator/idle-share.ts";

const { values } = parseArgs({
  options: { engines: { type: "string", default: "1000" }, microphone: { type: "boolean", default: false } },
});
const ENGINES = Number(values.engines);
/** Of a figure on a wire, with the unrest of the idle in it. */
const SCATTER = 0.004;
/** Of the idle alone: what hears it errs by itself. */
const UNREST = 0.002;
const MOST_TURNS = 6;
const FURTHEST_TURNS = 10;
const MOST_POINTS = 40;

/** Turns out at which the mixture has a given error, kept within what a screw can do. */
function turnsAt(engine: HiddenEngine, build: Build, error: number): number {
  const { setting, air } = build.baseline;
  const off = (screwTurns: number) =>
    trueError(engine, { ...setting, screwTurns }, humidAir(air), "idle") - error;
  const [seated, out] = [off(0), off(FURTHEST_TURNS)];
  if (seated > 0 === out > 0) return Math.abs(seated) < Math.abs(out) ? 0 : FURTHEST_TURNS;
  const sign = seated > 0 ? 1 : -1;
  return bisectFalling((turns) => sign * off(turns), 0, FURTHEST_TURNS);
}

/** Halfway between the two true fall-offs; nothing where one of them lies out of the screw's reach. */
function trueMiddle(engine: HiddenEngine, build: Build): number {
  return (turnsAt(engine, build, -HALF_WIDTH) + turnsAt(engine, build, HALF_WIDTH)) / 2;
}

/** How an idle is heard: two seconds beside the exhaust, 15 dB over wind and crowd, and again where it is not sure. */
const RATE_HZ = 44_100;
const OVER_NOISE_DB = 15;
const MOST_WINDOWS = 4;
let unheard = 0;

function heard(rpm: number, build: Build, before: number | undefined, random: Random): number {
  const { strokes, cylinders } = build.engine;
  const sounding = { ...drawSoundingEngine(random), strokes, cylinders, loudness: [1], rpm };
  for (let i = 0; i < MOST_WINDOWS; i += 1) {
    const { sound } = soundOf(sounding, 2, RATE_HZ, random);
    const answer = hear(amongNoise(sound, OVER_NOISE_DB, RATE_HZ, random), RATE_HZ, {
      firing: { strokes, cylinders, even: true },
      leastRpm: 700,
      mostRpm: 9000,
      nearRpm: before,
    });
    if (answer.kind === "rpm") return answer.rpm;
    // Asked about, the tuner says which: the nearer one.
    if (answer.kind === "asked")
      return answer.rpms.reduce((a, b) => (Math.abs(b - rpm) < Math.abs(a - rpm) ? b : a));
  }
  unheard += 1;
  return rpm;
}

function walk(
  engine: HiddenEngine,
  build: Build,
  judge: (fit: IdleFit) => IdleVerdict,
  random: Random,
): IdleFit {
  const { setting, air } = build.baseline;
  let before: number | undefined;
  const read = (turns: number): IdlePoint => {
    const scatter = values.microphone ? UNREST : SCATTER;
    const shown = readIdle(
      engine,
      { ...setting, screwTurns: turns },
      humidAir(air),
      1700,
      { scatter },
      random,
    );
    const rpm = Math.max(1, values.microphone && shown > 700 ? heard(shown, build, before, random) : shown);
    before = rpm;
    return { turns, rpm };
  };
  const base = setting.screwTurns;
  let points = [base - 0.5, base - 0.25, base, base + 0.25, base + 0.5].map(read);
  const scale = screwScale(engine.frame.model, settingFromLog(setting), humidAir(air));
  const walkOn = (): IdleFit => {
    let fit = fitBestIdle(points, scale);
    while (!fit.ok && points.length < MOST_POINTS) {
      const { nextTurns } = fit.missing;
      // As a tuner does: no further once the jet stands condemned, or the screw would fall out.
      if (nextTurns === undefined || nextTurns > MOST_TURNS || judge(fit).kind !== "more") break;
      points.push(read(nextTurns));
      fit = fitBestIdle(points, scale);
    }
    return fit;
  };
  const fit = walkOn();
  if (judge(fit).kind !== "repeat") return fit;
  // "Walk it again": every place once more, and a quarter turn past either end; then on as it asks.
  const places = points.map(({ turns }) => turns);
  const past = [Math.max(0, Math.min(...places) - 0.25), Math.max(...places) + 0.25];
  points = [...points, ...[...places, ...past].map(read)];
  return walkOn();
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
  const engine = drawEngine(frameOf(build), random);
  const middle = trueMiddle(engine, build);
  const window = screwWindow(build);
  const judge = (fit: IdleFit) =>
    judgePilot(fit, {
      school: "middle",
      screw: build.carburettor.screw,
      window,
      baseTurns: build.baseline.setting.screwTurns,
      pilot: build.baseline.setting.pilot,
      pilots: build.box.pilots,
    });
  const fit = walk(engine, build, judge, random);
  const verdict = judge(fit);
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
if (values.microphone) console.log(`not heard at all: ${unheard} readings`);
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
