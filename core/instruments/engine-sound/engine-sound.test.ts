/** An engine's speed from its sound: on made-up exhausts whose truth is known, and on what is no engine. */
import { seededRandom } from "../../numbers/random.ts";
import {
  amongNoise,
  drawSoundingEngine,
  soundOf,
  type SoundingEngine,
} from "../../simulator/exhaust-sound.ts";
import { OTHER_SOUNDS, otherSound, type OtherSound } from "../../simulator/other-sounds.ts";
import { beatOf } from "./beat.ts";
import { hear, type Listening } from "./hear.ts";
import { linesOf } from "./lines.ts";
import { meanRate } from "./phase.ts";
import { reduceSound } from "./reduced.ts";

/** A quarter of a phone’s: what tells lies far below, and the bench hears the rest (`npm run bench:sound`). */
const RATE = 12_000;
const PHONE = 44_100;
const listening = (engine: SoundingEngine, change: Partial<Listening> = {}): Listening => ({
  firing: { strokes: engine.strokes, cylinders: engine.cylinders, even: true },
  leastRpm: 700,
  mostRpm: 7500,
  ...change,
});
/** An engine of a seed, changed, heard for two seconds at 10 dB over wind and crowd. */
function heardFrom(seed: number, change: Partial<SoundingEngine> = {}, rateHz = RATE) {
  const random = seededRandom(seed);
  const engine = { ...drawSoundingEngine(random), ...change };
  const { sound, meanRpm } = soundOf(engine, 2, rateHz, random);
  return { engine, meanRpm, sound: amongNoise(sound, 10, rateHz, random), rateHz };
}
const single: Partial<SoundingEngine> = { strokes: 4, cylinders: 1, loudness: [1], rpm: 1500 };

it("most engines are heard to 1 % at 10 dB, and hardly one an octave off", () => {
  const all = Array.from({ length: 14 }, (_, i) => heardFrom(300 + i, {}, i === 0 ? 44_100 : RATE));
  const off = all.map(({ engine, meanRpm, sound, rateHz }) => {
    const heard = hear(sound, rateHz, listening(engine));
    return heard.kind === "rpm" ? heard.rpm / meanRpm - 1 : undefined;
  });
  expect(off.filter((x) => x !== undefined && Math.abs(x) < 0.01).length).toBeGreaterThanOrEqual(12);
  expect(off.filter((x) => x !== undefined && Math.abs(x) > 0.1).length).toBeLessThanOrEqual(1);
});

it("the rig's strokes and cylinders make the factor: the same sound is half or twice the speed", () => {
  const { sound, meanRpm, engine } = heardFrom(7, single);
  const rpm = (change: Partial<Listening>) => {
    const heard = hear(sound, RATE, listening(engine, change));
    return heard.kind === "rpm" ? heard.rpm : NaN;
  };
  expect(rpm({}) / meanRpm).toBeCloseTo(1, 2);
  const twoStroke = { strokes: 2, cylinders: 1, even: true } as const;
  expect(rpm({ firing: twoStroke, leastRpm: 350, mostRpm: 3700 }) / meanRpm).toBeCloseTo(0.5, 2);
  // Two that do not fire evenly repeat once a cycle, as one does.
  expect(rpm({ firing: { strokes: 4, cylinders: 2, even: false } }) / meanRpm).toBeCloseTo(1, 2);
});

it("of answers an octave apart the book's idle names one, and asks where it is far from all", () => {
  const uneven = { strokes: 4, cylinders: 2, loudness: [1, 0.5], rpm: 1600 } as const;
  const all = Array.from({ length: 6 }, (_, i) => heardFrom(63 + i, uneven));
  const known = all.map(({ sound, engine, meanRpm }) => {
    const heard = hear(sound, RATE, listening(engine, { usualRpm: 1500 }));
    return heard.kind === "rpm" ? Math.abs(heard.rpm / meanRpm - 1) < 0.01 : heard.kind;
  });
  expect(known.filter((right) => right === true).length).toBeGreaterThanOrEqual(5);
  expect(known).not.toContain(false);
  for (const { sound, engine } of all)
    expect(hear(sound, RATE, listening(engine, { usualRpm: 5500 })).kind).not.toBe("rpm");
});

it("what was heard just before is followed, and no octave is jumped", () => {
  const uneven = { strokes: 4, cylinders: 2, loudness: [1, 0.5], rpm: 3000 } as const;
  const { sound, meanRpm, engine } = heardFrom(11, uneven);
  const alone = hear(sound, RATE, listening(engine));
  const followed = hear(sound, RATE, listening(engine, { nearRpm: 3050 }));
  expect(followed.kind === "rpm" && followed.rpm / meanRpm).toBeCloseTo(1, 2);
  // By itself it is at least asked about, or right: every second beat hardly speaks.
  if (alone.kind === "asked") expect(alone.rpms.some((rpm) => Math.abs(rpm / meanRpm - 1) < 0.01)).toBe(true);
});

it("noise alone is no engine, silence is said to be too quiet", () => {
  const random = seededRandom(5);
  const crowd = amongNoise(soundOf(drawSoundingEngine(random), 2, RATE, random).sound, -60, RATE, random);
  expect(hear(crowd, RATE, listening(drawSoundingEngine(random)))).toEqual({ kind: "unsure" });
  const silence = new Float32Array(2 * RATE);
  expect(hear(silence, RATE, listening(drawSoundingEngine(random)))).toEqual({ kind: "tooQuiet" });
  const broken = Float32Array.from({ length: 2 * RATE }, () => NaN);
  expect(hear(broken, RATE, listening(drawSoundingEngine(random)))).toEqual({ kind: "tooQuiet" });
});

describe("what is no engine", () => {
  const heardOf = (kind: OtherSound, change: Partial<Listening> = {}) =>
    Array.from({ length: 6 }, (_, i) => {
      const random = seededRandom(4000 + i);
      const engine = drawSoundingEngine(random);
      const sound = amongNoise(otherSound(kind, 2, PHONE, random), 20, PHONE, random);
      return hear(sound, PHONE, listening(engine, change)).kind;
    });
  // A voice that waves may pass for a slow engine once in thirty (the bench counts them).
  it.each(OTHER_SOUNDS)("has no speed: %s", (kind) => {
    const heard = heardOf(kind).filter((one) => one === "rpm");
    expect(heard.length).toBeLessThanOrEqual(kind === "sung note" ? 1 : 0);
  });
  it("and hums on the mains is asked to be blipped; who has seen it answer is told its speed", () => {
    expect(heardOf("mains").filter((heard) => heard === "steady").length).toBeGreaterThanOrEqual(5);
    expect(
      heardOf("mains", { answered: true }).filter((heard) => heard === "rpm").length,
    ).toBeGreaterThanOrEqual(6);
  });
});

it("a beat is measured: there all the time, how it wanders, and nothing of it where there are too few", () => {
  const rate = 2400;
  const beats = (unrest: number) => {
    const random = seededRandom(9);
    let phase = 0;
    return Float64Array.from({ length: 2 * rate }, () => {
      // A walk that spreads by `unrest` a beat, of sixty beats a second.
      phase += 60 / rate + unrest * Math.sqrt(60 / rate) * random.normal();
      return Math.cos(2 * Math.PI * phase);
    });
  };
  const [calm, restless] = [beatOf(beats(0), rate, 60), beatOf(beats(0.03), rate, 60)];
  expect(calm?.leastShare).toBeCloseTo(1, 2);
  expect([calm?.walk, calm?.jitter].every((x) => (x ?? 1) < 0.001)).toBe(true);
  expect(restless?.walk).toBeGreaterThan(0.015);
  expect(restless?.walk).toBeLessThan(0.06);
  expect(beatOf(beats(0).subarray(0, 300), rate, 60)).toBeUndefined();
});

it("windows, rates and speeds that cannot be are refused", () => {
  const { sound, engine } = heardFrom(3);
  expect(() => hear(sound.subarray(0, 3000), RATE, listening(engine))).toThrow("window must");
  expect(() => hear(sound, 100, listening(engine))).toThrow("sample rate must");
  expect(() => hear(sound, RATE, listening(engine, { mostRpm: 700 }))).toThrow("most speed must");
  expect(() => soundOf(engine, 99, RATE, seededRandom(1))).toThrow(RangeError);
});

describe("the pieces", () => {
  it("rumble is taken out, what beats stays", () => {
    const tone = (hz: number, rateHz = RATE) =>
      Float32Array.from({ length: rateHz }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / rateHz));
    expect(reduceSound(tone(15), RATE).level).toBeLessThan(0.15 * reduceSound(tone(300), RATE).level);
    expect(reduceSound(tone(300, 44_100), 44_100).rateHz).toBeCloseTo(44_100 / 18, 9);
  });
  it("a line stands out of its surroundings, a slope does not", () => {
    const slope = Float64Array.from({ length: 2000 }, (_, i) => 1 / (1 + i / 500));
    slope[800] = 100;
    const { meanAbout } = linesOf(slope, 1);
    expect(meanAbout(800, 0)).toBeGreaterThan(5);
    expect(meanAbout(1200, 3)).toBeCloseTo(1, 0);
  });
  it("the mean of a beat that quickens is its mean, not its middle", () => {
    // From 20 Hz to 21 Hz and back to 20.2: the phase at its end says how many beats there were.
    const rate = 2400;
    const seconds = 2;
    const turns = (t: number) => 20 * t + 0.25 * t * t;
    const beats = Float64Array.from({ length: rate * seconds }, (_, i) =>
      Math.cos(2 * Math.PI * turns(i / rate)),
    );
    expect(meanRate(beats, rate, 20.1)).toBeCloseTo(turns(seconds) / seconds, 1);
    expect(meanRate(beats.subarray(0, 600), rate, 20.1)).toBe(20.1);
  });
});
