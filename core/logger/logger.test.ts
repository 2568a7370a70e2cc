import { FRAME } from "../__tests__/judged.ts";
import { zoneAt, ZONES } from "../carburettor/zones.ts";
import { humidAirFromLog } from "../rig/from-build.ts";
import { air } from "../__tests__/entries.ts";
import type { AirEntry } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { drawEngine } from "../simulator/hidden-engine.ts";
import { ride, rideCsv, type LoggerStyle, type RideOptions, type RideRow } from "../simulator/ride.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { throttleRange, withThrottleRange } from "./throttle-range.ts";
import { conditions, GEAR_CHANGE, OVERRUN, STEADY } from "./conditions.ts";
import { transportDelay } from "./delay.ts";
import { mappingProblem, type Mapping } from "./mapping.ts";
import { reduceTrace } from "./reduce.ts";
import { sniff } from "./sniff.ts";
import { TraceBuilder, type LoggerTrace } from "./trace.ts";

const WANTED = { speedsMs: [50 / 3.6, 80 / 3.6], lengthsM: [100] };
const day = humidAirFromLog(air("0001", "09:00") as AirEntry);

function rideOf(seed: number, options: RideOptions): RideRow[] {
  const random = seededRandom(seed);
  const engine = drawEngine(FRAME, random);
  return [...ride(engine, ENDURO_BUILD, ENDURO_BUILD.baseline.setting, day, options, random)];
}

const STYLE: LoggerStyle = { delimiter: ",", decimal: ".", time: "s" };
const cells = (csv: string, delimiter = ",") =>
  csv
    .trimEnd()
    .split("\n")
    .map((line) => line.split(delimiter));

function read(
  csv: string,
  delimiter: Mapping["delimiter"] = ",",
  change: Partial<Mapping> = {},
): LoggerTrace {
  const rows = cells(csv, delimiter);
  const sniffed = sniff(rows.slice(0, 30), delimiter, 14.6);
  if (!sniffed) throw new Error("no figures");
  const builder = new TraceBuilder({ ...sniffed.mapping, ...change });
  for (const row of rows.slice(sniffed.mapping.headerLines)) builder.add(row);
  return builder.finish();
}

const guess = (text: string, delimiter: Mapping["delimiter"] = ",") =>
  sniff(cells(text, delimiter), delimiter, 14.6);

describe("a first guess at a logger's file", () => {
  const uses = (found: ReturnType<typeof guess>) =>
    Object.fromEntries(
      found?.mapping.columns.map(({ role, column, unit }) => [role, `${column} ${unit}`]) ?? [],
    );

  it("finds names, units, and where the figures begin", () => {
    const found = guess(
      "Session 4\nTime,TPS,RPM,AFR,GPS Speed,EGT\ns,%,1/min,,mph,°F\n0.00,3.2,1800,13.1,0,700\n",
    );
    expect(found?.mapping.headerLines).toBe(3);
    expect(uses(found)).toEqual({
      time: "0 s",
      throttle: "1 %",
      rpm: "2 rpm",
      lambda: "3 AFR",
      speed: "4 mph",
      exhaust: "5 °F",
    });
    expect(found?.simulated).toBe(false);
  });
  it("reads decimal commas, thousands of a second, shares of opening and thousands of turns off the figures", () => {
    const found = guess("t [ms];throttle;rev;lambda\n0;0,03;1,8;0,88\n10;0,5;6,2;0,91\n", ";");
    expect(found?.mapping).toMatchObject({ decimal: ",", delimiter: ";" });
    expect(uses(found)).toEqual({ time: "0 ms", throttle: "1 0 to 1", rpm: "2 rpm × 1000", lambda: "3 λ" });
  });
  it("knows the simulated logger by its mark, and a file without figures for none", () => {
    expect(guess("# simulated: no engine ran\nTime,Lambda,Throttle\n0,0.9,50\n")?.simulated).toBe(true);
    expect(guess("just words\nand, more words\n")).toBeUndefined();
  });
  it("numbers columns that have no name", () => {
    expect(guess("0.1,2.5,1800\n0.2,2.6,1810\n")).toMatchObject({
      names: ["Column 1", "Column 2", "Column 3"],
      mapping: { headerLines: 0, columns: [] },
    });
  });
});

describe("a mapping", () => {
  const base: Mapping = { delimiter: ",", decimal: ".", headerLines: 1, columns: [], stoichiometric: 14.6 };
  const use = (role: Mapping["columns"][number]["role"], column: number) => ({ role, column, unit: "s" });
  it("says in words what it lacks", () => {
    expect(mappingProblem(base)).toContain("which column is the time");
    expect(mappingProblem({ ...base, rateHz: 50 })).toContain("throttle");
    expect(mappingProblem({ ...base, rateHz: 50, columns: [use("throttle", 0)] })).toContain("λ");
    expect(mappingProblem({ ...base, columns: [use("time", 0), use("time", 1)] })).toContain("Two columns");
    expect(mappingProblem({ ...base, columns: [use("time", 0), use("speed", 1)] })).toBeUndefined();
  });
});

describe("rows as columns", () => {
  const head = "Time,Throttle,Lambda\n";
  it("turns units into SI and the clock to nought", () => {
    const trace = read("t [ms];Throttle;AFR;Speed [mph]\n5000;50;14.6;10\n5010;100;13.14;20\n", ";");
    expect([...trace.timeS].map((t) => Number(t.toFixed(6)))).toEqual([0, 0.01]);
    expect([...(trace.channels.lambda ?? [])].map((x) => Number(x.toFixed(4)))).toEqual([1, 0.9]);
    expect(trace.channels.throttle?.[1]).toBe(1);
    expect(trace.channels.speed?.[0]).toBeCloseTo(4.4704, 5);
    const clock = read("Time,Throttle,Lambda\n1:02.5,10,0.9\n1:03.0,20,0.9\n");
    expect(clock.timeS[1]).toBeCloseTo(0.5, 9);
  });
  it("counts ragged rows and cells that are no figures, names the first line, and reads on", () => {
    const trace = read(`${head}0,10,0.9\n0.1,20\n0.2,oops,0.9\n0.3,40,\n0.4,50,0.91\n`);
    expect(trace).toMatchObject({ rows: 4, ragged: 1, unreadable: 1, firstBadLine: 3 });
    expect(trace.channels.throttle?.[1]).toBeNaN();
  });
  it("keeps the longest stretch when the time goes back, and says what it set aside", () => {
    const trace = read(`${head}5,10,0.9\n6,20,0.9\n0,30,0.8\n1,40,0.8\n2,50,0.8\n`);
    expect(trace).toMatchObject({ rows: 3, wentBack: 1, setAside: 2 });
    expect([...trace.timeS]).toEqual([0, 1, 2]);
    expect(trace.channels.throttle?.[0]).toBeCloseTo(0.3, 6);
  });
  it("makes the time of a rate where no column holds it", () => {
    const trace = read("Throttle,Lambda\n10,0.9\n20,0.9\n30,0.9\n", ",", { rateHz: 50 });
    expect(trace.timeS[2]).toBeCloseTo(0.04, 12);
  });
  it("refuses a file of one row", () => {
    expect(() => read(`${head}0,1,0.9\n`)).toThrow("rows must be at least 2, got 1");
  });
});

describe("columns that are called nearly alike", () => {
  const roles = (heads: string, row: string) =>
    guess(`${heads}\n${row}\n${row}\n`)?.mapping.columns.map(({ role, column }) => `${role} ${column}`);
  it("a heading is no head, a battery's volts no velocity, a receiver's height no speed", () => {
    expect(
      roles(
        "Time [s],Heading [deg],Battery [V],GPS altitude [m],GPS speed [km/h],TPS [%],AFR",
        "0.1,270,13.8,410,52,30,13.1",
      ),
    ).toEqual(["time 0", "speed 4", "throttle 5", "lambda 6"]);
    expect(roles("Time,GPS lat,GPS lon,GPS,Lambda", "0.1,45.1,6.2,52,0.9")).toEqual([
      "time 0",
      "lambda 4",
      "speed 3",
    ]);
  });
  it("a head's temperature is one, however it is written", () => {
    for (const name of ["CHT", "Head temp [°C]", "Cylinder head", "head_1"])
      expect(roles(`Time,${name},Speed`, "0.1,120,50")).toEqual(["time 0", "head 1", "speed 2"]);
  });
});

describe("a throttle whose sensor does not rest at nought", () => {
  const rides = (zero: number, full: number) =>
    Float32Array.from({ length: 4000 }, (_, i) => {
      const opening = Math.min(1, Math.max(0, 0.5 + 0.6 * Math.sin(i / 90)));
      return zero + (full - zero) * opening;
    });
  it("is stretched from where it stood shut to where it stood open, spikes left out", () => {
    const throttle = rides(0.04, 0.93);
    throttle[100] = 3;
    throttle[200] = -2;
    const range = throttleRange(throttle);
    expect(range.zero).toBeCloseTo(0.04, 2);
    expect(range.full).toBeCloseTo(0.93, 2);
    const trace = { ...read("Time,Throttle\n0,1\n1,2\n"), channels: { throttle } };
    const scaled = withThrottleRange(trace, range).channels.throttle ?? new Float32Array();
    expect(Math.max(...scaled)).toBe(1);
    expect(Math.min(...scaled)).toBe(0);
    expect(scaled[50]).toBeCloseTo((throttle[50] ?? NaN) / 0.89 - 0.04 / 0.89, 2);
  });
  it("is taken as it stands where nobody opened it fully, or nobody shut it", () => {
    expect(throttleRange(rides(0.3, 0.6))).toEqual({ zero: 0, full: 1 });
    expect(throttleRange(undefined)).toEqual({ zero: 0, full: 1 });
    expect(throttleRange(new Float32Array([NaN, NaN]))).toEqual({ zero: 0, full: 1 });
  });
});

describe("a simulated ride at 200 Hz", () => {
  const rows = rideOf(12, { seconds: 208, rateHz: 200, delayS: 0.24 });
  const trace = read(rideCsv(rows, STYLE));
  const codes = conditions(trace, ENDURO_BUILD.engine.idleRpm);
  const found = reduceTrace(trace, ENDURO_BUILD.engine.idleRpm, WANTED);

  it("gives zone means within 0.5 % of the truth", () => {
    for (const zone of ZONES) {
      const truths = rows.flatMap(({ throttle, trueLambda }) =>
        trueLambda !== undefined && zoneAt(throttle) === zone ? [Math.log(trueLambda)] : [],
      );
      const truth = Math.exp(truths.reduce((sum, x) => sum + x, 0) / truths.length);
      const { mean = NaN, seconds = 0 } = found.lambda.zones[zone] ?? {};
      expect(Math.abs(mean / truth - 1)).toBeLessThan(0.005);
      expect(seconds).toBeGreaterThan(3);
    }
  });
  it("finds by how much the sensor is behind, its own lag included", () => {
    expect(found.delay?.delayS).toBeGreaterThan(0.22);
    expect(found.delay?.delayS).toBeLessThan(0.4);
  });
  it("leaves out the overrun and the gear changes, and nothing that burns steadily", () => {
    let wrong = 0;
    rows.forEach(({ trueLambda }, i) => {
      if (trueLambda === undefined && codes[i] === STEADY) wrong += 1;
    });
    expect(wrong / rows.length).toBeLessThan(0.002);
    expect(found.leftOut.overrun).toBeGreaterThan(0.02);
    expect(found.leftOut.gearChange).toBeGreaterThan(0.002);
    expect(codes).toContain(OVERRUN);
    expect(codes).toContain(GEAR_CHANGE);
  });
  it("finds the pulls and times them as the ride itself does", () => {
    // Four rounds of 52 s: a standing start and a rolling pull in each.
    expect(found.pulls).toHaveLength(8);
    const [first] = found.pulls;
    const began = rows.findIndex(({ speedMs }) => speedMs > 0.3);
    const at50 = rows.findIndex(({ speedMs }) => speedMs > 50 / 3.6);
    expect(first?.toSpeed[0]?.seconds).toBeCloseTo((at50 - began) / 200, 1);
    let metres = 0;
    const at100 = rows.findIndex(({ speedMs }, i) => i > began && (metres += speedMs / 200) > 100);
    expect(first?.toDistance[0]?.seconds).toBeCloseTo((at100 - began) / 200, 1);
    expect(found.pulls[1]?.toSpeed).toEqual([]);
    expect(first?.series?.timeS).toHaveLength(160);
    expect(first?.lambda).toBeGreaterThan(0.6);
    expect(first?.leanest).toBeGreaterThanOrEqual(first?.lambda ?? NaN);
  });
  it("sees the same in a file with semicolons, decimal commas, AFR and milliseconds", () => {
    const other = read(
      rideCsv(rows, { delimiter: ";", decimal: ",", stoichiometric: 14.6, time: "ms" }),
      ";",
    );
    const again = reduceTrace(other, ENDURO_BUILD.engine.idleRpm, WANTED);
    expect(again.lambda.zones.top?.mean).toBeCloseTo(found.lambda.zones.top?.mean ?? NaN, 3);
    expect(again.pulls).toHaveLength(8);
  });
  it("says where it was ridden: the longest first, in fields of throttle and speed", () => {
    const { ridden, rpm } = found.lambda;
    expect(ridden.length).toBeGreaterThan(5);
    expect(ridden.length).toBeLessThanOrEqual(150);
    ridden.slice(1).forEach(({ seconds }, k) => expect(seconds).toBeLessThanOrEqual(ridden[k]?.seconds ?? 0));
    const all = (of: readonly { readonly seconds: number }[]) =>
      of.reduce((sum, { seconds }) => sum + seconds, 0);
    // Glances of less than half a second are in neither.
    expect(all(ridden)).toBeLessThanOrEqual(all(rpm) + 1e-6);
    expect(all(ridden)).toBeGreaterThan(0.5 * all(rpm));
    for (const { throttle, rpm: speed } of ridden) {
      expect(throttle * 20 - 0.5).toBeCloseTo(Math.round(throttle * 20 - 0.5), 9);
      expect(speed % 500).toBe(250);
    }
  });

  it("adds up: seconds by zone, along the throttle and by engine speed are the same seconds", () => {
    const total = (list: readonly { seconds: number }[]) =>
      list.reduce((sum, { seconds }) => sum + seconds, 0);
    const byZone = total(ZONES.flatMap((zone) => found.lambda.zones[zone] ?? []));
    expect(Math.abs(total(found.lambda.throttle) - byZone)).toBeLessThan(1.5);
    expect(Math.abs(total(found.lambda.rpm) - byZone)).toBeLessThan(5);
  });
});

describe("files with less in them", () => {
  it("without λ: pulls only, no delay", () => {
    const rows = rideOf(3, { seconds: 60, rateHz: 50, delayS: 0.2 });
    const lines = [
      "Time,Speed [km/h]",
      ...rows.map((r) => `${r.timeS.toFixed(3)},${(3.6 * r.speedMs).toFixed(2)}`),
    ];
    const found = reduceTrace(read(lines.join("\n")), 1700, WANTED);
    expect(found.delay).toBeUndefined();
    expect(found.lambda.zones.top).toBeUndefined();
    expect(found.pulls.length).toBeGreaterThanOrEqual(1);
    expect(found.pulls[0]?.toSpeed.length).toBeGreaterThan(0);
  });
  it("a λ that never moves tells no delay; one out of this world is counted, not averaged", () => {
    const flat = Array.from({ length: 400 }, (_, i) => `${(i / 50).toFixed(2)},${i % 100},0.9`);
    const still = read(`Time,Throttle,Lambda\n${flat.join("\n")}`);
    expect(transportDelay(still, conditions(still, 1700))).toBeUndefined();
    const wild = Array.from({ length: 400 }, (_, i) => `${(i / 50).toFixed(2)},50,${i % 2 ? 0.9 : 2.4}`);
    const found = reduceTrace(read(`Time,Throttle,Lambda\n${wild.join("\n")}`), 1700, WANTED);
    expect(found.lambda.impossible).toBeGreaterThan(100);
    expect(found.lambda.zones.mid?.mean).toBeCloseTo(0.9, 6);
  });
  it("doubts units that make no engine: throttle of 80, λ of 13, a row every ten seconds", () => {
    const rows = Array.from({ length: 200 }, (_, i) => `${10 * i},${i % 80},13.1`);
    const odd = read(`Time,Throttle,Lambda\n${rows.join("\n")}`, ",", {
      columns: [
        { role: "time", column: 0, unit: "s" },
        { role: "throttle", column: 1, unit: "0 to 1" },
        { role: "lambda", column: 2, unit: "λ" },
      ],
    });
    const found = reduceTrace(odd, 1700, WANTED);
    expect(found.doubts).toEqual(["throttleTooLarge", "lambda", "timeTooSlow"]);
    expect(found.medianLambda).toBeCloseTo(13.1, 4);
  });
  it("refuses a rig whose idle is none", () => {
    const trace = read("Time,Throttle,Lambda\n0,1,0.9\n1,2,0.9\n");
    expect(() => reduceTrace(trace, NaN, WANTED)).toThrow("idle speed must be a number above 0");
  });
});
