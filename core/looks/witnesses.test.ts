/** Evidence that is neither a tone nor a λ: each against brute force, and what it does to the advice. */
import { seededRandom } from "../numbers/random.ts";
import { air, build, fit, lookWith, at, plug } from "../__tests__/entries.ts";
import { advise } from "../advice/card/advise.ts";
import { openCase } from "../advice/judge/case.ts";
import { update } from "../belief/update.ts";
import { SYMPTOM_NAMES } from "../log/symptom-names.ts";
import type { Build, Entry, Reading } from "../log/schema.ts";
import { VERDICTS } from "../log/parts.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { bestIdleLikelihood } from "./best-idle.ts";
import { comparedLikelihood } from "./compared.ts";
import { heatRangeSays } from "./heat-range.ts";
import { learnHeatSlope } from "./heat-slope.ts";
import { lambdaLikelihood, loggedSd } from "./lambda.ts";
import type { Likelihood } from "./likelihood.ts";
import { plugLikelihood, type PlugReading } from "./plug.ts";
import { symptomLikelihood } from "./symptom.ts";
import { asHotAs, pastItsPeak, temperatureLikelihood } from "./temperature.ts";
import { threeStepLikelihood } from "./three-steps.ts";
import { PRIOR, sdAt } from "../__tests__/judged.ts";
import { UNKNOWNS } from "../belief/unknowns.ts";

const STEPS = ["lean", "right", "rich"] as const;
const PLUG: PlugReading = { type: "plug", zone: "top", tone: "cocoa", cut: "clean", colderSteps: 0 };
const SLOPE = { perUnitK: 400, sdK: 60, scatterK: 6 };

/** Every likelihood there is, at readings that pull both ways. */
const EVERY_ONE: readonly (readonly [string, Likelihood])[] = [
  ["plug", plugLikelihood(PLUG, "petrol")],
  ["plug with its ring", plugLikelihood({ ...PLUG, tone: "straw", places: { ring: "umber" } }, "petrol")],
  ["plug on methanol", plugLikelihood({ ...PLUG, tone: "soot" }, "methanol")],
  ["λ", lambdaLikelihood(0.95, 0.9, 0.015)],
  ["best idle", bestIdleLikelihood(0.03)],
  ...STEPS.map((step) => [`crown ${step}`, threeStepLikelihood(step, 0.06)] as const),
  ["temperature by its sign", temperatureLikelihood(430, { targetK: 400, withinK: 8 }, undefined)],
  ["temperature by its slope", temperatureLikelihood(385, { targetK: 400, withinK: 8 }, SLOPE)],
  ...SYMPTOM_NAMES.map((name) => [`symptom ${name}`, symptomLikelihood(name)] as const),
  ...VERDICTS.map((verdict) => [`by hand ${verdict}`, comparedLikelihood(verdict, -0.05)] as const),
  ["by the clock", comparedLikelihood("better", 0.05, { felt: 0.002, blur: 0.0015 })],
];

describe("every likelihood in the sieve, against brute force along its own line", () => {
  // One unknown alone, sd 0.06 about a mean: the posterior by a sum over 4001 points.
  const row = Float64Array.from(UNKNOWNS, (name) => (name === "main" ? 0.75 : 0));
  const brute = (likelihood: Likelihood, shift: number) => {
    let [mass, first, second] = [0, 0, 0];
    for (let i = -2000; i <= 2000; i += 1) {
      const x = (i / 2000) * 8 * 0.08;
      const weight = Math.exp(-0.5 * (x / 0.08) ** 2 + likelihood.log(shift + 0.75 * x));
      mass += weight;
      first += weight * x;
      second += weight * x * x;
    }
    return { mean: first / mass, sd: Math.sqrt(second / mass - (first / mass) ** 2) };
  };
  it.each(EVERY_ONE)("%s: means within 0.3 %, sds within 5 %", (_, likelihood) => {
    for (const shift of [-0.06, 0, 0.08]) {
      const item = {
        lookId: "look:0001",
        zone: "top" as const,
        line: { shift, row },
        shifts: new Map([[0, shift]]),
        likelihood,
      };
      const { mean, covariance } = update(PRIOR, [item]);
      const main = UNKNOWNS.indexOf("main");
      const expected = brute(likelihood, shift);
      expect(Math.abs((mean[main] ?? NaN) - expected.mean)).toBeLessThan(0.003);
      expect(Math.abs(sdAt({ mean, covariance }, main) / expected.sd - 1)).toBeLessThan(0.05);
    }
  });
  it.each(EVERY_ONE)("%s: is surprising nowhere near what it reads, and gives chances", (_, likelihood) => {
    for (const mean of [-0.2, -0.05, 0, 0.05, 0.2]) {
      const tail = likelihood.tail(mean, 0.001);
      expect(tail).toBeGreaterThanOrEqual(0);
      expect(tail).toBeLessThanOrEqual(1);
    }
    expect(likelihood.tail(likelihood.reads, 0.001)).toBeGreaterThan(0.3);
  });
});

describe("three steps", () => {
  it("share certainty between them, and are drawn as often as a blurred eye names them", () => {
    const random = seededRandom(41);
    const counts = { lean: 0, right: 0, rich: 0 };
    for (let i = 0; i < 40_000; i += 1) {
      const seen = 0.03 + 0.06 * random.normal();
      // Three in a hundred have another cause, and are any of the three.
      const by = random.uniform() < 0.03 ? STEPS[Math.floor(3 * random.uniform())] : undefined;
      counts[by ?? (seen > 0.05 ? "lean" : seen < -0.05 ? "rich" : "right")] += 1;
    }
    for (const step of STEPS)
      expect(Math.exp(threeStepLikelihood(step, 0.06).log(0.03))).toBeCloseTo(counts[step] / 40_000, 2);
    expect(() => threeStepLikelihood("lean", 0)).toThrow("reader's error must be a number above 0");
  });
});

describe("temperatures", () => {
  it("are worth their sign until two settings have taught the slope", () => {
    const target = { targetK: 420, withinK: 10 };
    const hot = temperatureLikelihood(450, target, undefined);
    expect(hot.log(0.1)).toBeGreaterThan(hot.log(-0.1));
    expect(temperatureLikelihood(424, target, undefined).reads).toBe(0);
    expect(temperatureLikelihood(400, target, undefined).reads).toBeLessThan(0);
    expect(temperatureLikelihood(440, target, SLOPE).reads).toBeCloseTo(20 / 400, 12);
    expect(() => temperatureLikelihood(NaN, target, SLOPE)).toThrow("temperature must be a finite number");
  });
  it("learn the slope by least squares", () => {
    // By hand: shifts -0.05, 0, 0.05 and heats 400, 421, 439 give (439 - 400) / 0.1 = 390 K for a unit.
    const learnt = learnHeatSlope([
      { shift: -0.05, temperatureK: 400 },
      { shift: 0, temperatureK: 421 },
      { shift: 0.05, temperatureK: 439 },
    ]);
    expect(learnt?.perUnitK).toBeCloseTo(390, 9);
    expect(learnt?.scatterK).toBe(5);
    expect(learnt?.sdK).toBeCloseTo(5 / Math.sqrt(0.005), 9);
  });
  it("learn none from one setting, from noise, or where leaner was colder", () => {
    const of = (...points: [number, number][]) =>
      learnHeatSlope(points.map(([shift, temperatureK]) => ({ shift, temperatureK })));
    expect(of([0, 400])).toBeUndefined();
    expect(of([0, 400], [0.01, 420])).toBeUndefined();
    expect(of([0, 400], [0.03, 404])).toBeUndefined();
    expect(of([0, 440], [0.1, 400])).toBeUndefined();
    // A head that cooled on the way has risen by less than nothing: that is a reading like any other.
    expect(of([0, -8], [0.1, 32])?.perUnitK).toBeCloseTo(400, 9);
    expect(() => of([0, NaN], [0.1, 400])).toThrow("temperature must be a finite number");
  });
  it("in the log: the sign first, then the slope of its own two settings", () => {
    const heat = { exhaust: { top: { targetK: 880, withinK: 10 } } } satisfies Build["heat"];
    const read = (id: string, time: string, temperatureK: number): Entry =>
      lookWith(id, time, { type: "temperature", zone: "top", sensor: "exhaust", temperatureK });
    const start = [build("08:00", { heat }), air("0001", "08:30")];
    const one = openCase([...start, read("0001", "09:00", 930)]).replayed.evidence[0]?.likelihood;
    expect(one?.normal).toBeUndefined();
    const [first] = openCase([
      ...start,
      read("0001", "09:00", 930),
      fit("0001", "09:30", 172),
      read("0002", "10:00", 880),
    ]).replayed.evidence;
    // What 172 instead of the baseline's jet is worth made 50 K: so lean had the first been.
    expect(first?.likelihood.reads).toBeGreaterThan(0.01);
    const [slope] = advise([
      ...start,
      read("0001", "09:00", 930),
      fit("0001", "09:30", 172),
      read("0002", "10:00", 880),
    ]).heat;
    expect(slope).toMatchObject({ sensor: "exhaust", zone: "top", rise: false });
    // 50 K over the model's own shift between the two jets, 2 (0.63) ln(172/165) of mixture at the most.
    expect(slope?.perUnitK).toBeGreaterThan(50 / (2 * 0.8 * Math.log(172 / 165)));
    const cooled = advise([...start, fit("0001", "08:50", 172), read("0002", "10:00", 830)]);
    expect(cooled.zones[3]?.mean).toBeLessThan(
      advise([...start, fit("0001", "08:50", 172)]).zones[3]?.mean ?? NaN,
    );
  });
  it("see the weather: the same gas in warmer air is a richer one, and a rise is a rise in any air", () => {
    const heat = {
      exhaust: { top: { targetK: 880, withinK: 10 } },
      rise: { fromK: 40, toK: 50 },
    } satisfies Build["heat"];
    const topAfter = (airK: number, reading: Reading) =>
      openCase([
        build("08:00", { heat }),
        air("0001", "08:30", { temperatureK: airK }),
        lookWith("0001", "09:00", reading),
      ]).replayed.evidence[0]?.likelihood.reads;
    const gas: Reading = { type: "temperature", zone: "top", sensor: "exhaust", temperatureK: 893 };
    // 5 K over the target's window in the baseline's air, under it in air that is 15 K warmer.
    expect([topAfter(288.15, gas), topAfter(303.15, gas)]).toEqual([expect.any(Number), 0]);
    expect(topAfter(288.15, gas)).toBeGreaterThan(0);
    const rise: Reading = {
      type: "temperature",
      zone: "top",
      sensor: "head",
      temperatureK: 395,
      risenFromK: 340,
    };
    expect(topAfter(303.15, rise)).toBe(topAfter(288.15, rise));
  });
  it("allow that gas cools past its peak: a cool one may be far too lean as well as rich", () => {
    const cool = pastItsPeak(temperatureLikelihood(840, { targetK: 880, withinK: 10 }, undefined));
    expect(cool.log(-0.1)).toBeGreaterThan(cool.log(0.08) + 1);
    expect(cool.log(0.4)).toBeGreaterThan(cool.log(0.15) + 1);
    expect([asHotAs(-0.1), asHotAs(0)]).toEqual([-0.1, 0]);
    expect(asHotAs(0.15)).toBeGreaterThan(asHotAs(0.1));
    expect(asHotAs(0.3)).toBeCloseTo(0, 12);
  });
  it("without a target they teach and do not judge", () => {
    const start = [build(), air("0001", "08:30")];
    const hot = lookWith("0001", "09:00", {
      type: "temperature",
      zone: "idle",
      sensor: "head",
      temperatureK: 500,
    });
    expect(advise([...start, hot]).zones[0]?.mean).toBe(advise(start).zones[0]?.mean);
  });
  it("take the rise of a run for the top, the staging for the idle", () => {
    const heat = {
      staging: { targetK: 350, withinK: 5 },
      rise: { fromK: 60, toK: 80 },
    } satisfies Build["heat"];
    const start = [build("08:00", { heat }), air("0001", "08:30")];
    const run = (risen: number) =>
      lookWith("0002", "09:01", {
        type: "temperature",
        zone: "top",
        sensor: "head",
        temperatureK: 350 + risen,
        risenFromK: 350,
      });
    const top = (risen: number) => advise([...start, run(risen)]).zones[3]?.mean ?? NaN;
    expect(top(110)).toBeGreaterThan(top(70));
    expect(top(40)).toBeLessThan(top(70));
  });
});

describe("a logged stretch of λ", () => {
  it("averages its own scatter, never its sensor's error", () => {
    expect(loggedSd(0.015, { seconds: 0.1, spread: 0.04 })).toBeCloseTo(Math.hypot(0.015, 0.04), 12);
    expect(loggedSd(0.015, { seconds: 50, spread: 0.04 })).toBeCloseTo(Math.hypot(0.015, 0.004), 12);
    expect(loggedSd(0.015, { seconds: 1e6, spread: 0.04 })).toBeGreaterThan(0.015);
    expect(() => loggedSd(0.015, { seconds: 0, spread: 0 })).toThrow("seconds must be a number above 0");
  });
});

describe("what a plug's reading is worth", () => {
  const doubt = (change: Partial<PlugReading>) => {
    const { log } = plugLikelihood({ ...PLUG, tone: "biscuit", ...change }, "petrol");
    return log(0) - log(0.1);
  };
  it("less when it ran before, was held too briefly, or came off an unsure photo", () => {
    const fresh = doubt({});
    expect(doubt({ used: true })).toBeLessThan(fresh);
    expect(doubt({ made: { by: "steady", amount: 30 } })).toBeLessThan(fresh);
    expect(doubt({ made: { by: "steady", amount: 200 } })).toBe(fresh);
    expect(doubt({ photoSure: 0.5 })).toBeLessThan(fresh);
  });
  it("more with a ring that agrees", () => {
    expect(doubt({ places: { ring: "biscuit" } })).toBeGreaterThan(doubt({}));
  });
  it("asks for the heat range first where strap and porcelain disagree", () => {
    expect(heatRangeSays("biscuit", "umber")).toBe("tooCold");
    expect(heatRangeSays("biscuit", "bone")).toBe("tooHot");
    expect(heatRangeSays("biscuit", "cocoa")).toBeUndefined();
    expect(heatRangeSays("soot", undefined)).toBeUndefined();
    const cold = lookWith("0001", "09:00", { ...PLUG, places: { strap: "soot" } });
    const start = [build(), air("0001", "08:30")];
    expect(advise([...start, cold]).warnings).toContainEqual({ code: "plugHeatRange", says: "tooCold" });
    expect(advise([...start, cold, plug("0002", "10:00", "top", "cocoa")]).warnings).not.toContainEqual(
      expect.objectContaining({ code: "plugHeatRange" }),
    );
  });
  it("crown and header lean the belief their way", () => {
    const start = [build(), air("0001", "08:30")];
    const top = (reading: Reading) =>
      advise([...start, lookWith("0001", "09:00", reading)]).zones[3]?.mean ?? NaN;
    expect(top({ type: "crown", zone: "top", crown: "dry" })).toBeGreaterThan(
      top({ type: "crown", zone: "top", crown: "washed" }),
    );
    expect(top({ type: "header", zone: "top", colour: "pale" })).toBeGreaterThan(
      top({ type: "header", zone: "top", colour: "tan" }),
    );
  });
});

describe("timed runs as evidence", () => {
  let runs = 0;
  const lap = (time: string, seconds: number): Entry => ({
    id: `run:${String((runs += 1)).padStart(4, "0")}`,
    at: at(time),
    kind: "run",
    run: { what: "distance", seconds, lengthM: 400 },
  });
  const start = [build("08:00", {}), air("0001", "08:30")];
  const on155 = [lap("09:00", 20.1), lap("09:05", 20.05), lap("09:10", 20.12)];
  const faster = [lap("10:00", 19.6), lap("10:05", 19.55), lap("10:10", 19.62)];
  const slower = [lap("10:00", 20.7), lap("10:05", 20.65), lap("10:10", 20.72)];
  const change = fit("0001", "09:30", 150);
  const top = (entries: Entry[]) => advise(entries).zones[3]?.mean ?? NaN;

  it("believe the leaner jet when it was faster, and the richer one when it was slower", () => {
    const none = top([...start, ...on155, change]);
    expect(top([...start, ...on155, change, ...faster])).toBeLessThan(none);
    expect(top([...start, ...on155, change, ...slower])).toBeGreaterThan(none);
  });
  it("taken by satellites teach no more than their own error lets them", () => {
    const bySatellites = (errorShare: number) =>
      [...start, ...on155, change, ...faster].map((entry): Entry =>
        entry.kind === "run" ? { ...entry, receiver: { errorShare, rateHz: 1 } } : entry,
      );
    const [none, fine, coarse] = [
      top([...start, ...on155, change]),
      top(bySatellites(0.001)),
      top(bySatellites(0.03)),
    ];
    expect(fine).toBeCloseTo(top([...start, ...on155, change, ...faster]), 9);
    expect(none - coarse).toBeGreaterThan(0);
    expect(none - coarse).toBeLessThan(0.6 * (none - fine));
  });
  it("count once as a comparison, not run by run, and say under which entry", () => {
    const { looks } = advise([...start, ...on155, change, ...faster]);
    expect(looks.map(({ lookId }) => lookId)).toEqual([faster[2]?.id]);
  });
  it("give way to the tuner's own word on the same two settings", () => {
    const said = lookWith("said", "10:30", { type: "compared", zone: "top", verdict: "worse" });
    const { looks } = advise([...start, ...on155, change, ...faster, said]);
    expect(looks.map(({ lookId }) => lookId)).toEqual(["look:said"]);
  });
  it("are held against runs in another air with what that air burns taken out", () => {
    const warm = air("0002", "09:50", { temperatureK: 303 });
    // Dense air alone made the first runs faster: in the warm the same time is worth more.
    expect(top([...start, ...on155, change, warm, ...faster])).toBeLessThan(
      top([...start, ...on155, change, warm]),
    );
  });
  it("are not held against runs on another day, nor of fuel", () => {
    const later = faster.map((entry): Entry => ({
      ...entry,
      at: entry.at.replace("2026-05-23", "2026-05-24"),
    }));
    expect(later[0]?.at).not.toBe(faster[0]?.at);
    expect(advise([...start, ...on155, change, ...later]).looks).toEqual([]);
    const fuel = (time: string): Entry => ({
      id: `run:fuel-${time.replace(":", "")}`,
      at: at(time),
      kind: "run",
      run: { what: "fuel", litres: 3, lengthM: 50_000 },
    });
    expect(
      advise([...start, fuel("09:00"), fuel("09:05"), change, fuel("10:00"), fuel("10:05")]).looks,
    ).toEqual([]);
  });
  it("of two grooves that make laps quicker teach the middle, not the main jet", () => {
    const round = (time: string, seconds: number): Entry => ({
      id: `run:${String((runs += 1)).padStart(4, "0")}`,
      at: at(time),
      kind: "run",
      run: { what: "lap", seconds },
    });
    const two: Entry = {
      id: "fit:clip",
      at: at("09:30"),
      kind: "fit",
      changes: [{ part: "clip", to: 1 }],
      because: "own",
    };
    const before = [...start, round("09:00", 60.1), round("09:02", 60), round("09:04", 60.05), two];
    const laps = [round("10:00", 59.5), round("10:02", 59.4), round("10:04", 59.45)];
    const zonesOf = (entries: Entry[]) => advise(entries).zones;
    const [was, is] = [zonesOf(before), zonesOf([...before, ...laps])];
    const moved = (i: number) => Math.abs((is[i]?.mean ?? NaN) - (was[i]?.mean ?? NaN));
    // The needle has 0.77 of the middle and 0.34 of the top: that is how the two may learn together.
    expect(moved(2)).toBeGreaterThan(1.4 * moved(3));
    expect(is[2]?.mean).toBeLessThan(was[2]?.mean ?? NaN);
  });
  it("of the demo's machine: its build is the one of the tests", () => {
    expect(start[0]).toMatchObject({ build: { machine: ENDURO_BUILD.machine } });
  });
});
