/** The microphone as a tachometer: what it says of windows of sound, and that it lets go. */
import { seededRandom } from "#core/numbers/random.ts";
import {
  amongNoise,
  drawSoundingEngine,
  soundOf,
  type SoundingEngine,
} from "#core/simulator/exhaust-sound.ts";
import type { Heard } from "#core/instruments/engine-sound/hear.ts";
import { listeningTo } from "#app/features/idle/use-tachometer.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { DeviceProblem } from "./device.ts";
import { DeviceFeed } from "./feed.ts";
import { hasMicrophone, MicrophoneTachometer, openMicrophone, type Ear } from "./microphone.ts";

const RATE = 12_000;
function soundAt(rpm: number, change: Partial<SoundingEngine> = {}): Float32Array {
  const random = seededRandom(21);
  const engine = {
    ...drawSoundingEngine(random),
    strokes: 2,
    cylinders: 1,
    loudness: [1],
    rpm,
    ...change,
  } as const;
  return amongNoise(soundOf(engine, 2, RATE, random).sound, 15, RATE, random);
}
function earOf(...sounds: Float32Array[]): Ear & { closed: boolean } {
  const ear = {
    rateHz: RATE,
    closed: false,
    windows: (async function* () {
      await Promise.resolve();
      yield* sounds;
    })(),
    close: () => {
      ear.closed = true;
      return Promise.resolve();
    },
  };
  return ear;
}
const LISTENING = listeningTo(ENDURO_BUILD);

it("listens for the whole cycle where cylinders fire unevenly", () => {
  const twin = { ...ENDURO_BUILD, engine: { ...ENDURO_BUILD.engine, cylinders: 2 } };
  expect(listeningTo(twin).firing).toEqual({ strokes: 2, cylinders: 2, even: true });
  expect(listeningTo({ ...twin, firing: "uneven" }).firing.even).toBe(false);
});

it("speaks in speeds, says what is none, and closes its ear when it ends", async () => {
  const told: Heard["kind"][] = [];
  const ear = earOf(new Float32Array(2 * RATE), soundAt(1700), soundAt(1760));
  const device = new MicrophoneTachometer(
    LISTENING,
    ({ kind }) => told.push(kind),
    () => Promise.resolve(ear),
  );
  await device.connect();
  const speeds: number[] = [];
  for await (const { value, quantity } of device.samples()) {
    expect(quantity).toBe("rpm");
    speeds.push(value);
  }
  expect(told).toEqual(["tooQuiet", "rpm", "rpm"]);
  expect(speeds.map((rpm, i) => Math.abs(rpm / [1700, 1760][i]! - 1) < 0.02)).toEqual([true, true]);
  await device.close();
  expect(ear.closed).toBe(true);
});

it("what the tuner settles is followed from there on", async () => {
  const told: Heard[] = [];
  const uneven = soundAt(3000, { cylinders: 2, strokes: 4, loudness: [1, 0.5] });
  const device = new MicrophoneTachometer(
    { firing: { strokes: 4, cylinders: 2, even: true }, leastRpm: 700, mostRpm: 7500 },
    (heard) => told.push(heard),
    () => Promise.resolve(earOf(uneven, uneven)),
  );
  await device.connect();
  device.settle(3000);
  const speeds: number[] = [];
  for await (const { value } of device.samples()) speeds.push(value);
  expect(told.map(({ kind }) => kind)).toEqual(["rpm", "rpm"]);
  for (const rpm of speeds) expect(rpm / 3000).toBeCloseTo(1, 1);
});

it("is not lost for being quiet, but is with words when it cannot be had", async () => {
  jest.useFakeTimers();
  const feed = new DeviceFeed();
  const never: Ear = {
    ...earOf(),
    windows: { [Symbol.asyncIterator]: () => ({ next: () => new Promise(() => undefined) }) },
  };
  void feed.start(
    new MicrophoneTachometer(
      LISTENING,
      () => undefined,
      () => Promise.resolve(never),
    ),
  );
  await jest.advanceTimersByTimeAsync(9000);
  expect(feed.snapshot().status).toBe("connecting");
  await feed.stop();
  jest.useRealTimers();
  const refused = () => Promise.reject(new DeviceProblem("The microphone was not allowed."));
  await feed.start(new MicrophoneTachometer(LISTENING, () => undefined, refused));
  expect(feed.snapshot()).toMatchObject({ status: "lost", message: "The microphone was not allowed." });
});

it("is not offered where a browser has none, and says so", async () => {
  expect(hasMicrophone()).toBe(false);
  await expect(openMicrophone()).rejects.toThrow("reaches no microphone here");
});

it("listens from well below idle to what the engine stands", () => {
  expect(LISTENING).toEqual({
    firing: { strokes: 2, cylinders: 1, even: true },
    leastRpm: 850,
    usualRpm: 1700,
    mostRpm: expect.closeTo(9775, 6) as number,
  });
});
