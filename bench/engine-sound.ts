/**
 * How well an engine's speed is heard: `npm run bench:sound -- --engines 300 --seed 1`. Each engine is one window of two
 * seconds, at 44.1 or 48 kHz, heard by itself: nothing is known of it but its strokes and cylinders. Asserts nothing.
 */
import { parseArgs } from "node:util";
import { hear, type Heard } from "#core/instruments/engine-sound/hear.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { amongNoise, drawSoundingEngine, soundOf } from "#core/simulator/exhaust-sound.ts";

const { values } = parseArgs({
  options: { engines: { type: "string", default: "300" }, seed: { type: "string", default: "1" } },
});
const [engines, seed] = [Number(values.engines), Number(values.seed)];
const SECONDS = 2;
const within = (heard: number, truth: number, share: number) => Math.abs(heard / truth - 1) <= share;
const isOctave = (heard: number, truth: number) =>
  [1 / 4, 1 / 3, 1 / 2, 2, 3, 4].some((k) => within(heard, k * truth, 0.04));

console.log(
  "| engine over noise | within 1 % | octave off | else wrong | two answers, the right one among them | not sure | a window |",
);
console.log("| --- | --- | --- | --- | --- | --- | --- |");
for (const ratioDb of [0, 5, 10, 15, 20]) {
  const all: { heard: Heard; truth: number; ms: number }[] = [];
  for (let i = 0; i < engines; i += 1) {
    const random = seededRandom(seed * 100_000 + i);
    const engine = drawSoundingEngine(random);
    const rateHz = i % 2 === 0 ? 48_000 : 44_100;
    const { sound, meanRpm } = soundOf(engine, SECONDS, rateHz, random);
    const noisy = amongNoise(sound, ratioDb, rateHz, random);
    const { strokes, cylinders } = engine;
    const started = performance.now();
    const heard = hear(noisy, rateHz, {
      firing: { strokes, cylinders, even: true },
      leastRpm: 700,
      mostRpm: 7500,
    });
    all.push({ heard, truth: meanRpm, ms: performance.now() - started });
  }
  const share = (is: (one: (typeof all)[number]) => boolean) =>
    `${((100 * all.filter(is).length) / all.length).toFixed(1)} %`;
  const ms = all.map((one) => one.ms).sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN;
  const cells = [
    `${ratioDb} dB`,
    share(({ heard, truth }) => heard.kind === "rpm" && within(heard.rpm, truth, 0.01)),
    share(({ heard, truth }) => heard.kind === "rpm" && isOctave(heard.rpm, truth)),
    share(
      ({ heard, truth }) =>
        heard.kind === "rpm" && !within(heard.rpm, truth, 0.01) && !isOctave(heard.rpm, truth),
    ),
    `${share(({ heard }) => heard.kind === "two")}, ${share(({ heard, truth }) => heard.kind === "two" && heard.rpms.some((rpm) => within(rpm, truth, 0.01)))}`,
    share(({ heard }) => heard.kind === "unsure" || heard.kind === "tooQuiet"),
    `${ms.toFixed(1)} ms`,
  ];
  console.log(`| ${cells.join(" | ")} |`);
}
