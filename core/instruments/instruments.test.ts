import fc from "fast-check";
import { LineReader, readLine } from "./lines.ts";
import { Trace, type Sample } from "./sample.ts";
import { settling, WINDOW_MS } from "./settled.ts";

const sample = (value: number, atMs = 0): Sample => ({ atMs, quantity: "rpm", channel: 1, value });

describe("lines of an instrument", () => {
  it.each([
    ["rpm 1480", { quantity: "rpm", channel: 1, value: 1480 }],
    ["  RPM   1480,5 ", { quantity: "rpm", channel: 1, value: 1480.5 }],
    ["vac 2 31.4 kPa", { quantity: "depression", channel: 2, value: 31_400 }],
    ["vac 2 31.4", { quantity: "depression", channel: 2, value: 31_400 }],
    ["vac 4 20 cmHg", { quantity: "depression", channel: 4, value: 26_664.48 }],
    ["vac 1 10 inhg", { quantity: "depression", channel: 1, value: 33_863.89 }],
    ["vac 1 -5 mbar", { quantity: "depression", channel: 1, value: -500 }],
  ])("reads %s", (line, wanted) => {
    expect(readLine(line)).toEqual({ kind: "samples", samples: [wanted] });
  });
  it.each(["", "   ", "# two gauges, warmed up"])("takes %j for nothing said", (line) => {
    expect(readLine(line)).toEqual({ kind: "silent" });
  });
  it.each([
    ["rpm", "must be followed by a figure"],
    ["rpm fast", "must be followed by a figure"],
    ["rpm 1e99", "must be followed by a figure"],
    ["rpm 45000", "out of any engine's range"],
    ["vac 9 31 kPa", "gauge from 1 to 6"],
    ["vac 1 31 bananas", "a unit of pressure"],
    ["vac 1 400 kPa", "out of any engine's range"],
    ["vac 1.5 30 kPa", "gauge from 1 to 6"],
    ["\u0000\u0001garbage", "a line begins with"],
    ["rpm 1480 rpm 1490", "must be followed by a figure"],
    ["r".repeat(300), "does not end"],
  ])("says why %j is of no use", (line, why) => {
    expect(readLine(line)).toMatchObject({ kind: "noise", why: expect.stringContaining(why) as string });
  });
  it("never throws and never lets a figure through that is no number", () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.string({ unit: "binary" }), fc.constant("vac 1 NaN kPa")),
        (line) => {
          const read = readLine(line);
          if (read.kind === "samples")
            for (const { value } of read.samples) expect(Number.isFinite(value)).toBe(true);
        },
      ),
      { seed: 5, numRuns: 500 },
    );
  });
});

describe("a stream of lines", () => {
  it("is cut wherever it was cut on the way", () => {
    const text = "rpm 1400\r\nrpm 1410\nvac 1 30 kPa\r# pause\nrpm 1420\n";
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: text.length }), { maxLength: 6 }), (cuts) => {
        // A \r\n cut in two is an empty line more: it says nothing.
        const reader = new LineReader();
        const ends = [...cuts.sort((a, b) => a - b), text.length];
        const found = ends.flatMap((end, i) => reader.read(text.slice(ends[i - 1] ?? 0, end)));
        expect(found.map(({ value }) => value)).toEqual([1400, 1410, 30_000, 1420]);
      }),
      { seed: 6, numRuns: 200 },
    );
  });
  it("forgives a broken line now and then, and refuses babble", () => {
    const reader = new LineReader();
    for (let i = 0; i < 100; i += 1) expect(reader.read(`rpm 1400\nrpm 14#0\nrpm 1400\n`)).toHaveLength(2);
    expect(() => {
      for (let i = 0; i < 40; i += 1) reader.read("xx\n");
    }).toThrow('lines must read like "rpm 1480"');
  });
  it("does not gather a line that never ends", () => {
    const reader = new LineReader();
    expect(() => {
      for (let i = 0; i < 200; i += 1) reader.read("8".repeat(1000));
    }).toThrow("the line does not end");
  });
});

describe("a trace", () => {
  it("keeps the newest and no more", () => {
    const trace = new Trace(3);
    for (const value of [1, 2, 3, 4, 5]) trace.add(sample(value));
    expect(trace.samples.map(({ value }) => value)).toEqual([3, 4, 5]);
    expect(trace.last?.value).toBe(5);
    trace.clear();
    expect(trace.last).toBeUndefined();
    expect(() => new Trace(0)).toThrow("trace must keep at least 1 sample");
  });
});

describe("settling", () => {
  const run = (rpmAt: (s: number) => number, seconds: number) =>
    Array.from({ length: seconds * 20 }, (_, i) => sample(rpmAt(i / 20), i * 50));
  it("is reached once both halves of the window agree, and says for how long", () => {
    const steady = run(() => 1500, 10);
    expect(settling(steady)).toMatchObject({ settled: true, mean: 1500 });
    expect(settling(steady).restMs).toBeGreaterThanOrEqual(6000);
  });
  it("is not reached while the idle still climbs or hunts, nor before there is a window of it", () => {
    expect(settling(run((s) => 1400 + 20 * s, 10)).settled).toBe(false);
    expect(settling(run((s) => 1500 + 90 * Math.sin(3 * s), 10)).settled).toBe(false);
    expect(settling(run(() => 1500, 2)).settled).toBe(false);
    expect(settling([])).toEqual({ settled: false, mean: 0, restMs: 0 });
  });
  it("begins anew with every turn of the screw", () => {
    const steady = run(() => 1500, 10);
    expect(settling(steady, 10_000 - WINDOW_MS / 2).settled).toBe(false);
  });
});
