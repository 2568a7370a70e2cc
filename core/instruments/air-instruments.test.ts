import fc from "fast-check";
import { saturationVapourPressure } from "../air/saturation-vapour-pressure.ts";
import { seededRandom } from "../numbers/random.ts";
import { drawWeatherDay, FRESH_STATION, stationOn, weatherAt } from "../simulator/weather-station.ts";
import { CHARACTERISTICS, readCharacteristic, type Characteristic } from "./environmental-sensing.ts";
import { AIR_CHANNELS } from "./line-read.ts";
import { readLine } from "./lines.ts";
import { checksum } from "./nmea.ts";
import { Trace, type Quantity, type Sample } from "./sample.ts";
import { pressureTrend, stationReading, warmedItself } from "./station.ts";
import { heldSteady } from "./steady.ts";

const valuesOf = (line: string): Partial<Record<Quantity, number>> => {
  const read = readLine(line);
  if (read.kind !== "samples") return {};
  return Object.fromEntries(read.samples.map(({ quantity, value }) => [quantity, value]));
};
const sentence = (body: string) => `$${body}*${checksum(body)}`;

describe("lines about the air", () => {
  it("reads a station's own line, with a comma or a semicolon between, and figures left out", () => {
    expect(valuesOf("air,24.5,56,988.2")).toEqual({
      temperature: 297.65,
      humidity: 0.56,
      pressure: expect.closeTo(98_820, 6) as number,
    });
    expect(valuesOf("AIR; 24,5; 56; 988,2").temperature).toBeCloseTo(297.65, 9);
    expect(valuesOf("air,,56,")).toEqual({ humidity: 0.56 });
  });
  it.each([
    ["air,24.5,56", "°C, % and hPa"],
    ["air,warm,56,988", "°C, % and hPa"],
    ["air,24.5,156,988", "humidity 1.56 is out of what air can be"],
    ["air,76,56,988", "out of what air can be"],
    ["air,24.5,56,29.92", "pressure 2992 is out of what air can be"],
  ])("says why %j is of no use", (line, why) => {
    expect(readLine(line)).toMatchObject({ kind: "noise", why: expect.stringContaining(why) as string });
  });
  it("reads transducers and the composite of NMEA 0183, in their units", () => {
    expect(valuesOf(sentence("WIXDR,C,21.3,C,TEMP,H,48.0,P,HUMI,P,0.98820,B,BARO"))).toEqual({
      temperature: expect.closeTo(294.45, 9) as number,
      humidity: expect.closeTo(0.48, 9) as number,
      pressure: expect.closeTo(98_820, 6) as number,
    });
    expect(valuesOf(sentence("YXXDR,P,98820,P,BARO,C,19.0,C,IN,C,25.0,C,OUT"))).toEqual({
      pressure: 98_820,
      temperature: expect.closeTo(292.15, 9) as number,
    });
    expect(valuesOf(sentence("WIMDA,29.18,I,0.9882,B,21.3,C,,,48.0,,9.9,C,,T,,M,,N,,M"))).toEqual({
      temperature: expect.closeTo(294.45, 9) as number,
      humidity: expect.closeTo(0.48, 9) as number,
      pressure: expect.closeTo(98_820, 6) as number,
    });
  });
  it("passes over other sentences and angles, and believes none without its checksum", () => {
    // The published worked example of the checksum.
    expect(checksum("GPGLL,5300.97914,N,00259.98174,E,125926,A")).toBe("28");
    expect(readLine("$GPGLL,5300.97914,N,00259.98174,E,125926,A*28")).toEqual({ kind: "silent" });
    expect(readLine(sentence("WIXDR,A,12,D,ROLL"))).toEqual({ kind: "silent" });
    expect(readLine("$WIXDR,C,21.3,C,TEMP*00")).toMatchObject({ kind: "noise" });
    expect(readLine("$WIXDR,C,21.3,C,TEMP")).toMatchObject({ kind: "noise" });
  });
  it("reads λ, and an air-fuel ratio of a named fuel or of the usual petrol", () => {
    expect(valuesOf("lambda 0.874").lambda).toBeCloseTo(0.874, 9);
    expect(valuesOf("afr 12.8").lambda).toBeCloseTo(12.8 / 14.7, 9);
    expect(valuesOf("AFR 5.6 Methanol").lambda).toBeCloseTo(5.6 / 6.45, 9);
    expect(readLine("afr 12.8 diesel")).toMatchObject({ kind: "noise" });
    expect(readLine("lambda 12.8")).toMatchObject({ kind: "noise" });
  });
});

describe("values of a station over Bluetooth", () => {
  const view = (bytes: readonly number[]) => new DataView(Uint8Array.from(bytes).buffer);
  it.each<[Characteristic, number[], number]>([
    // 21.30 °C, -5.00 °C, 48.00 %, 98 820.0 Pa
    ["temperature", [0x52, 0x08], 294.45],
    ["temperature", [0x0c, 0xfe], 268.15],
    ["humidity", [0xc0, 0x12], 0.48],
    ["pressure", [0x28, 0x14, 0x0f, 0x00], 98_820],
  ])("%s %p", (kind, bytes, value) => {
    const read = readCharacteristic(kind, view(bytes));
    expect(read).toMatchObject({ kind: "samples" });
    expect(read.kind === "samples" && read.samples[0]?.value).toBeCloseTo(value, 6);
  });
  it("that the station does not know say nothing, and short or impossible ones say why", () => {
    expect(readCharacteristic("temperature", view([0x00, 0x80]))).toEqual({ kind: "silent" });
    expect(readCharacteristic("humidity", view([0xff, 0xff]))).toEqual({ kind: "silent" });
    expect(readCharacteristic("pressure", view([1, 2]))).toMatchObject({ kind: "noise" });
    expect(readCharacteristic("temperature", view([0xff, 0x7f]))).toMatchObject({ kind: "noise" });
  });
  it("never let a figure through that air cannot have", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(CHARACTERISTICS) as Characteristic[])),
        fc.uint8Array({ maxLength: 6 }),
        (kind, bytes) => {
          const read = readCharacteristic(kind, new DataView(Uint8Array.from(bytes).buffer));
          if (read.kind === "samples")
            expect(read.samples.every(({ value }) => Number.isFinite(value))).toBe(true);
        },
      ),
      { seed: 9, numRuns: 300 },
    );
  });
});

/** Ten hours of a made-up day, as a screen keeps them. */
function dayOf(seed: number, inSun: boolean) {
  const random = seededRandom(seed);
  const day = drawWeatherDay(400, random);
  const traces = new Map<number, Trace>([1, 2, 3].map((channel) => [channel, new Trace(750, 5000)]));
  let state = FRESH_STATION;
  let [asked, found, warm, foundWarm] = [0, 0, 0, 0];
  const trendsOff: number[] = [];
  for (let atS = 9 * 3600; atS < 19 * 3600; atS += 6) {
    const weather = weatherAt(day, atS);
    const next = stationOn(weather, state, inSun, 6, random);
    state = next.state;
    const { temperatureK, humidity, pressurePa } = next.says;
    for (const [quantity, value] of [
      ["temperature", temperatureK],
      ["humidity", humidity],
      ["pressure", pressurePa],
    ] as const) {
      const channel = AIR_CHANNELS[quantity];
      traces.get(channel)?.add({ atMs: 1000 * atS, quantity, channel, value });
    }
    if (atS % 600 !== 0) continue;
    const kept = new Map([...traces].map(([channel, { samples }]) => [channel, samples]));
    const warms = warmedItself(kept);
    asked += 1;
    if (warms) found += 1;
    if (state.warmedK > 2) {
      warm += 1;
      if (warms) foundWarm += 1;
    }
    const trend = pressureTrend(kept);
    if (trend !== undefined && atS > 10 * 3600)
      trendsOff.push(trend - (weather.pressurePa - weatherAt(day, atS - 3600).pressurePa));
  }
  return { traces, asked, found, warm, foundWarm, trendsOff };
}

describe("a weather station", () => {
  it("is found out where the sun warms it, and hardly ever in the shade, whatever front comes", () => {
    const seeds = Array.from({ length: 12 }, (_, i) => 300 + i);
    const [sunny, shaded] = [true, false].map((inSun) => seeds.map((seed) => dayOf(seed, inSun)));
    const sum = (
      days: readonly ReturnType<typeof dayOf>[] = [],
      of: (d: ReturnType<typeof dayOf>) => number,
    ) => days.reduce((total, day) => total + of(day), 0);
    expect(sum(sunny, (d) => d.foundWarm) / sum(sunny, (d) => d.warm)).toBeGreaterThan(0.6);
    expect(sum(shaded, (d) => d.found) / sum(shaded, (d) => d.asked)).toBeLessThan(0.01);
    const offs = shaded?.flatMap(({ trendsOff }) => trendsOff) ?? [];
    // A front drops some 3 hPa in two hours.
    expect(Math.sqrt(offs.reduce((total, x) => total + x * x, 0) / offs.length)).toBeLessThan(40);
  });
  it("keeps no more over a day than over an hour", () => {
    const { traces } = dayOf(7, false);
    for (const { samples } of traces.values()) expect(samples.length).toBeLessThanOrEqual(750);
    const first = traces.get(1)?.samples ?? [];
    expect(((first.at(-1)?.atMs ?? 0) - (first[0]?.atMs ?? 0)) / 3_600_000).toBeGreaterThan(1);
  });
  it("is judged at the hottest that it can say, too", () => {
    const of = (channel: number, at: (i: number) => number): [number, Sample[]] => [
      channel,
      Array.from({ length: 60 }, (_, i) => ({
        atMs: 15_000 * i,
        quantity: "temperature",
        channel,
        value: at(i),
      })),
    ];
    const hot = (i: number) => 325.15 + 3 * Math.sin(i / 6);
    const wet = (i: number) => 0.2 * Math.exp(-0.15 * Math.sin(i / 6));
    expect(warmedItself(new Map([of(1, hot), of(2, wet)]))).toBe(true);
    expect(warmedItself(new Map([of(1, hot), of(2, () => 0.2)]))).toBe(false);
  });
  it("is read as its mean over half a minute, once temperature and humidity were heard", () => {
    const of = (channel: number, values: readonly number[]): [number, Sample[]] => [
      channel,
      values.map((value, i) => ({ atMs: 10_000 * i, quantity: "temperature", channel, value })),
    ];
    expect(stationReading(new Map([of(1, [290])]))).toBeUndefined();
    const read = stationReading(new Map([of(1, [280, 290, 291, 292]), of(2, [0.5, 0.5, 0.5, 0.5])]));
    expect(read).toMatchObject({ temperatureK: 291, humidity: 0.5, pressurePa: undefined });
  });
  it("shows in the shade the water that the weather has, and in the sun the same water in a warm box", () => {
    const random = seededRandom(5);
    const day = drawWeatherDay(400, random);
    const noon = weatherAt(day, 12 * 3600);
    const water = noon.humidity * saturationVapourPressure(noon.temperatureK);
    const box = { ...FRESH_STATION, warmedK: 5 };
    const { says } = stationOn({ ...noon, sun: 1 }, box, true, 1, random);
    expect(says.temperatureK).toBeGreaterThan(noon.temperatureK + 4);
    expect((says.humidity * saturationVapourPressure(says.temperatureK)) / water).toBeCloseTo(1, 1);
  });
});

describe("a figure that is held", () => {
  const at = (values: readonly number[]): Sample[] =>
    values.map((value, i) => ({ atMs: 100 * i, quantity: "lambda", channel: 1, value }));
  it("counts from where the throttle last moved", () => {
    const held = heldSteady(at([...Array<number>(30).fill(1.1), ...Array<number>(41).fill(0.88)]));
    expect(held?.seconds).toBeCloseTo(4, 9);
    expect(held?.mean).toBeCloseTo(0.88, 9);
    expect(held?.spread).toBeCloseTo(0, 6);
  });
  it("says how far it strayed", () => {
    const held = heldSteady(
      at(Array.from({ length: 50 }, (_, i) => 0.88 * Math.exp(i % 2 === 0 ? 0.01 : -0.01))),
    );
    expect(held?.spread).toBeCloseTo(0.01, 4);
    expect(heldSteady([])).toBeUndefined();
    expect(heldSteady(at([0]))).toBeUndefined();
  });
});
