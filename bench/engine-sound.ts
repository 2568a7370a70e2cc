/**
 * How well an engine's speed is heard: `npm run bench:sound -- --engines 300 --seed 1`. Each engine is one window of two
 * seconds, at 44.1 or 48 kHz, heard by itself: nothing is known of it but its strokes and cylinders. Asserts nothing.
 */
import { parseArgs } from "node:util";
import { hear, type Heard } from "#core/instruments/engine-sound/hear.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { amongNoise, drawSoundingEngine, soundOf } from "#core/simulator/exhaust-sound.ts";

const { values } = parseArgs({
  options: {
    engines: { type: "string", default: "300" },
    seed: { type: "string", default: "1" },
    // All at idle, 1000 to 2200 rpm, and the book's idle known to 15 %.
    idle: { type: "boolean", default: false },
  },
});
const [engines, seed] = [Number(values.engines), Number(values.seed)];
const SECONDS = 2;
const within = (heard: number, truth: number, share: number) => Math.abs(heard / truth - 1) <= share;
const isOctave = (heard: number, truth: number) =>
  [1 / 4, 1 / 3, 1 / 2, 2, 3, 4].some((k) => within(heard, k * truth, 0.04));

/** @returns what is known of the speed after a window: as heard, or the one of two that is nearer */
function settledBy(heard: Heard, truth: number): number | undefined {
  if (heard.kind === "rpm") return heard.rpm;
  const off = (rpm: number) => Math.abs(Math.log(rpm / truth));
  return heard.kind === "two" ? heard.rpms.reduce((a, b) => (off(b) < off(a) ? b : a)) : undefined;
}

console.log(
  "| engine over noise | within 1 % | octave off | else wrong | two answers, the right one among them | not sure | a window | followed: within 1 %, octave off |",
);
console.log("| --- | --- | --- | --- | --- | --- | --- | --- |");
for (const ratioDb of [0, 5, 10, 15, 20]) {
  const all: { heard: Heard; truth: number; ms: number; after: Heard; truthAfter: number }[] = [];
  for (let i = 0; i < engines; i += 1) {
    const random = seededRandom(seed * 100_000 + i);
    const drawn = drawSoundingEngine(random);
    const engine = values.idle ? { ...drawn, rpm: 1000 * 2.2 ** random.uniform() } : drawn;
    const usualRpm = values.idle ? engine.rpm * Math.exp(0.15 * random.normal()) : undefined;
    const rateHz = i % 2 === 0 ? 48_000 : 44_100;
    const { sound, meanRpm } = soundOf(engine, SECONDS, rateHz, random);
    const noisy = amongNoise(sound, ratioDb, rateHz, random);
    const { strokes, cylinders } = engine;
    const listening = {
      firing: { strokes, cylinders, even: true },
      leastRpm: 700,
      mostRpm: 7500,
      usualRpm,
    } as const;
    const started = performance.now();
    const heard = hear(noisy, rateHz, listening);
    const ms = performance.now() - started;
    // As the screen goes on: what was heard is followed, and of two answers the tuner has tapped the right one.
    const next = soundOf(engine, SECONDS, rateHz, random);
    const after = hear(amongNoise(next.sound, ratioDb, rateHz, random), rateHz, {
      ...listening,
      nearRpm: settledBy(heard, meanRpm),
    });
    all.push({ heard, truth: meanRpm, ms, after, truthAfter: next.meanRpm });
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
    `${share(({ after, truthAfter }) => after.kind === "rpm" && within(after.rpm, truthAfter, 0.01))}, ${share(({ after, truthAfter }) => after.kind === "rpm" && isOctave(after.rpm, truthAfter))}`,
  ];
  console.log(`| ${cells.join(" | ")} |`);
}
