/**
 * How well an engine's speed is heard, and what is none: `npm run bench:sound -- --engines 300 --seed 1 [--only idle]`. Each is one
 * window of two seconds, heard by itself: nothing is known of it but strokes, cylinders and, where said, the book's idle.
 * Asserts nothing.
 */
import { parseArgs } from "node:util";
import { hear, type Heard, type Listening } from "#core/instruments/engine-sound/hear.ts";
import { seededRandom, type Random } from "#core/numbers/random.ts";
import {
  amongNoise,
  drawSoundingEngine,
  soundOf,
  type SoundingEngine,
} from "#core/simulator/exhaust-sound.ts";
import { OTHER_SOUNDS, otherSound, type OtherSound } from "#core/simulator/other-sounds.ts";

const { values } = parseArgs({
  options: {
    engines: { type: "string", default: "300" },
    seed: { type: "string", default: "1" },
    only: { type: "string", default: "" },
  },
});
const [engines, seed] = [Number(values.engines), Number(values.seed)];
const SECONDS = 2;
const within = (heard: number, truth: number, share: number) => Math.abs(heard / truth - 1) <= share;

/** What is heard, whose speed it is (nothing where it is no engine), and what the listener knows. */
interface Case {
  readonly sound: Float32Array;
  readonly truth: number | undefined;
  readonly listening: Listening;
}

const listeningTo = ({ strokes, cylinders }: SoundingEngine, usualRpm?: number): Listening => ({
  firing: { strokes, cylinders, even: true },
  leastRpm: usualRpm === undefined ? 700 : Math.max(200, 0.5 * usualRpm),
  mostRpm: 7500,
  usualRpm,
});

type Change = (engine: SoundingEngine, random: Random) => SoundingEngine;
const idling: Change = (engine, random) => ({ ...engine, rpm: 1000 * 2.2 ** random.uniform() });

const anEngine =
  (db: number, change: Change, idleKnown: boolean) =>
  (random: Random, rateHz: number): Case => {
    const engine = change(drawSoundingEngine(random), random);
    const usual = idleKnown ? engine.rpm * Math.exp(0.15 * random.normal()) : undefined;
    const { sound, meanRpm } = soundOf(engine, SECONDS, rateHz, random);
    return {
      sound: amongNoise(sound, db, rateHz, random),
      truth: meanRpm,
      listening: listeningTo(engine, usual),
    };
  };

/** Scaled to the same loudness and added. */
function mixed(a: Float32Array, b: Float32Array): Float32Array {
  const rms = (of: Float32Array) => Math.sqrt(of.reduce((sum, x) => sum + x * x, 0) / of.length);
  const scale = rms(a) / rms(b);
  return a.map((x, i) => x + scale * (b[i] ?? 0));
}

const besides =
  (other: (random: Random, rateHz: number) => Float32Array) =>
  (random: Random, rateHz: number): Case => {
    const engine = idling(drawSoundingEngine(random), random);
    const usual = engine.rpm * Math.exp(0.15 * random.normal());
    const { sound, meanRpm } = soundOf(engine, SECONDS, rateHz, random);
    const both = mixed(sound, other(random, rateHz));
    return {
      sound: amongNoise(both, 20, rateHz, random),
      truth: meanRpm,
      listening: listeningTo(engine, usual),
    };
  };

const noEngine =
  (kind: OtherSound, idleKnown: boolean) =>
  (random: Random, rateHz: number): Case => {
    const engine = drawSoundingEngine(random);
    const usual = idleKnown ? 1000 * 2.2 ** random.uniform() : undefined;
    const sound = otherSound(kind, SECONDS, rateHz, random);
    return {
      sound: amongNoise(sound, 20, rateHz, random),
      truth: undefined,
      listening: listeningTo(engine, usual),
    };
  };

const unequal: Change = (engine, random) => ({
  ...idling(engine, random),
  cylinders: 2 + 2 * Math.floor(2 * random.uniform()),
  loudness: [1, 0.5, 1, 0.5],
});
const fourHighUp: Change = (engine, random) => ({
  ...engine,
  cylinders: 4,
  loudness: Array.from({ length: 4 }, () => Math.exp(0.15 * random.normal())),
  rpm: 4000 + 3000 * random.uniform(),
});
const calm: Change = (engine, random) => ({ ...idling(engine, random), unrest: 0.008, misfires: 0 });
const asItIs: Change = (engine) => engine;

const CASES: readonly (readonly [string, (random: Random, rateHz: number) => Case])[] = [
  ...[0, 5, 10, 20].map((db) => [`any speed, ${db} dB`, anEngine(db, asItIs, false)] as const),
  ...[5, 10, 20].map((db) => [`idle, the book's known, ${db} dB`, anEngine(db, idling, true)] as const),
  ["idle, hardly any unrest, the book's known, 20 dB", anEngine(20, calm, true)],
  ["cylinders unequal by half, the book's known, 10 dB", anEngine(10, unequal, true)],
  ["four cylinders high up, 10 dB", anEngine(10, fourHighUp, false)],
  [
    "a second engine as loud, the book's known",
    besides((random, rateHz) => soundOf(drawSoundingEngine(random), SECONDS, rateHz, random).sound),
  ],
  [
    "a voice as loud, the book's known",
    besides((random, rateHz) => otherSound("voice", SECONDS, rateHz, random)),
  ],
  [
    "mains as loud, the book's known",
    besides((random, rateHz) => otherSound("mains", SECONDS, rateHz, random)),
  ],
  ...OTHER_SOUNDS.map((kind) => [`no engine: ${kind}`, noEngine(kind, false)] as const),
  ...OTHER_SOUNDS.map((kind) => [`no engine: ${kind}, the book's idle known`, noEngine(kind, true)] as const),
];

console.log(
  "| heard | right within 1 % | a wrong figure | asked which (right among them) | asked to blip (right) | not sure | a window |",
);
console.log("| --- | --- | --- | --- | --- | --- | --- |");
for (const [name, draw] of CASES.filter(([of]) => of.includes(values.only))) {
  const all: { heard: Heard; truth: number | undefined; ms: number }[] = [];
  for (let i = 0; i < engines; i += 1) {
    const random = seededRandom(seed * 100_000 + i);
    const rateHz = i % 2 === 0 ? 48_000 : 44_100;
    const { sound, truth, listening } = draw(random, rateHz);
    const started = performance.now();
    const heard = hear(sound, rateHz, listening);
    all.push({ heard, truth, ms: performance.now() - started });
  }
  const share = (is: (one: (typeof all)[number]) => boolean) =>
    `${((100 * all.filter(is).length) / all.length).toFixed(1)} %`;
  const right = (rpm: number, truth: number | undefined) => truth !== undefined && within(rpm, truth, 0.01);
  const ms = all.map((one) => one.ms).sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN;
  const cells = [
    name,
    share(({ heard, truth }) => heard.kind === "rpm" && right(heard.rpm, truth)),
    share(({ heard, truth }) => heard.kind === "rpm" && !right(heard.rpm, truth)),
    `${share(({ heard }) => heard.kind === "asked")} (${share(({ heard, truth }) => heard.kind === "asked" && heard.rpms.some((rpm) => right(rpm, truth)))})`,
    `${share(({ heard }) => heard.kind === "steady")} (${share(({ heard, truth }) => heard.kind === "steady" && right(heard.rpm, truth))})`,
    share(({ heard }) => heard.kind === "unsure" || heard.kind === "tooQuiet"),
    `${ms.toFixed(1)} ms`,
  ];
  console.log(`| ${cells.join(" | ")} |`);
}
