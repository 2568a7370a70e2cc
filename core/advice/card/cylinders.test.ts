import { TWIN } from "../../../demo/other-rigs.ts";
import { air, at, fitPart, twin } from "../../__tests__/entries.ts";
import { importanceDraws } from "../../__tests__/importance.ts";
import { PRIOR } from "../../__tests__/judged.ts";
import { beliefOver, COMMON_SHARE, contrastLine, layoutOf, lineOver, priorOf } from "../../belief/layout.ts";
import { PRIOR_SD, UNKNOWNS } from "../../belief/unknowns.ts";
import type { Tone } from "../../log/parts.ts";
import type { Build, Entry } from "../../log/schema.ts";
import { dot, quadratic } from "../../numbers/linear.ts";
import { seededRandom } from "../../numbers/random.ts";
import { toneLikelihood } from "../../looks/plug-tone.ts";
import { advise, adviseOn } from "./advise.ts";
import { openCase } from "../judge/case.ts";
import { distribution } from "./cylinders.ts";
import { replay } from "../../belief/replay.ts";
import { zoneMixture } from "../../belief/mixture.ts";
import { fold } from "../../log/fold.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import { update } from "../../belief/update.ts";
import { drift, reopen } from "../../belief/passing-time.ts";

const build = twin();
let looks = 0;
const plugOf = (cylinder: number | undefined, zone: "idle" | "mid" | "top", tone: Tone): Entry => ({
  id: `look:twin-${(looks += 1)}`,
  at: at(`09:${String(10 + (looks % 50)).padStart(2, "0")}`),
  kind: "look",
  reading: { type: "plug", zone, tone, cut: "clean", colderSteps: 0 },
  ...(cylinder !== undefined && { cylinder }),
});
const start = [build, air("twin", "08:30")];
const TWO = layoutOf(2, []);

describe("what cylinders have in common", () => {
  it("is the old belief for one of them, and 80 per cent of it between two", () => {
    expect(priorOf(layoutOf(1, []))).toEqual(PRIOR);
    const two = priorOf(TWO);
    expect(two.mean).toHaveLength(2 * UNKNOWNS.length);
    expect(two.covariance[UNKNOWNS.length]).toBeCloseTo(COMMON_SHARE * PRIOR_SD.pilot ** 2, 12);
    expect(beliefOver(two, [1])).toEqual(PRIOR);
  });
  it("makes the mean of them a little surer than any one", () => {
    const mean = beliefOver(priorOf(layoutOf(4, [])), [0, 1, 2, 3]);
    const share = COMMON_SHARE + (1 - COMMON_SHARE) / 4;
    expect(mean.covariance[0]).toBeCloseTo(share * PRIOR_SD.pilot ** 2, 12);
  });
  it("drifts and is reopened for all alike, and never past the start", () => {
    const prior = priorOf(TWO);
    const older = drift(prior, TWO, 30.44);
    const between = UNKNOWNS.length;
    expect((older.covariance[0] ?? 0) - (prior.covariance[0] ?? 0)).toBeCloseTo(1e-4, 9);
    expect((older.covariance[between] ?? 0) - (prior.covariance[between] ?? 0)).toBeCloseTo(0.8e-4, 9);
    expect(reopen(prior, TWO, ["main", "zones"])).toEqual(prior);
  });
});

describe("a look at one cylinder", () => {
  it("speaks for its neighbour too, but less loudly", () => {
    const mids = (entries: Entry[]) =>
      distribution(openCase(entries)).cylinders.map(({ zones }) => zones.mid.mean);
    const pale = [...start, plugOf(2, "mid", "straw"), plugOf(2, "mid", "straw")];
    const [before = 0] = mids(start);
    const [one = 0, two = 0] = mids(pale);
    expect(one).toBeGreaterThan(before + 0.02);
    expect(two).toBeGreaterThan(one);
    const { cylinders } = distribution(openCase(pale));
    expect(cylinders.map(({ carburettor, zones }) => [carburettor, zones.mid.looks])).toEqual([
      [1, 0],
      [2, 2],
    ]);
  });
  it("names an outlier once its neighbours say otherwise, the one that is off, and once only", () => {
    const both = openCase([
      ...start,
      ...(["biscuit", "biscuit"] as const).map((tone) => plugOf(1, "mid", tone)),
      ...(["soot", "soot", "soot"] as const).map((tone) => plugOf(2, "mid", tone)),
    ]);
    const { outliers } = distribution(both);
    expect(outliers.map(({ cylinder, zone }) => `${cylinder} ${zone}`)).toEqual(["2 mid"]);
    expect(outliers[0]?.departure).toBeLessThan(-0.05);
    expect(outliers[0]?.chance).toBeGreaterThan(0.8);
  });
  it("names nobody while both read alike, and nobody on a single", () => {
    const alike = [1, 2].map((cylinder) => plugOf(cylinder, "mid", "cocoa"));
    expect(distribution(openCase([...start, ...alike])).outliers).toEqual([]);
    const single: Build = { ...TWIN.build, carburettors: 1, engine: { ...TWIN.build.engine, cylinders: 1 } };
    const one = { ...build, build: single } as Entry;
    expect(distribution(openCase([one]))).toEqual({ cylinders: [], outliers: [], ownJets: [] });
  });
  it("counts the danger of the leanest cylinder, by name", () => {
    const lean = [plugOf(1, "top", "chalk"), plugOf(1, "top", "chalk"), plugOf(2, "top", "biscuit")];
    const { warnings } = advise([...start, ...lean]);
    expect(warnings.find(({ code }) => code === "leanRisk")).toMatchObject({ cylinder: 1 });
  });
  it("without a number speaks for all of them", () => {
    const { joint } = replay(fold([...start, plugOf(undefined, "mid", "umber")]));
    const [one, two] = [beliefOver(joint, [0]), beliefOver(joint, [1])];
    one.mean.forEach((x, i) => expect(x).toBeCloseTo(two.mean[i] ?? 0, 12));
  });
});

describe("carburettors that differ", () => {
  const own: Entry = {
    id: "fit:own",
    at: at("09:00"),
    kind: "fit",
    changes: [{ part: "main", to: 122.5, carburettor: 2 }],
    because: "own",
  };
  it("are advised as one while alike, and each by itself as soon as one is set otherwise", () => {
    expect(advise([...start, fitPart("both", "09:00", "main", 122.5)])).toMatchObject({
      groups: 1,
      carburettors: [0, 1],
    });
    const open = [...start, own];
    expect(advise(open)).toMatchObject({ groups: 2, carburettors: [0], fitted: { main: 120 } });
    expect(distribution(openCase(open)).ownJets.map(({ feeds, fitted }) => [feeds, fitted.main])).toEqual([
      [[1], 120],
      [[2], 122.5],
    ]);
  });
  it("count the looks at their own cylinders, and those at the engine as a whole", () => {
    const looked = [
      ...start,
      own,
      plugOf(1, "mid", "cocoa"),
      plugOf(2, "mid", "soot"),
      plugOf(undefined, "mid", "cocoa"),
    ];
    const counted = [0, 1].map((one) => adviseOn(openCase(looked), undefined, one).zones[2]?.looks);
    expect(counted).toEqual([2, 2]);
    expect(advise(looked.filter((entry) => entry !== own)).zones[2]?.looks).toBe(3);
  });
  it("read a look through the jets of the carburettor that feeds it", () => {
    /** Mixture of the second cylinder at the top, were the first one's jets in its carburettor. */
    const onSmaller = (entries: Entry[]) => {
      const present = fold(entries);
      const { joint, frames } = replay(present);
      const frame = frames[1];
      if (!frame || !present.build) throw new Error("no second carburettor");
      const { top } = zoneMixture(
        frame,
        present.build,
        frame.air,
      )(settingFromLog(TWIN.build.baseline.setting));
      return top.shift + dot(top.row, beliefOver(joint, [1]).mean);
    };
    const biscuits = [1, 2].map(() => plugOf(2, "top", "biscuit"));
    // Right with the larger jet: with the smaller one it would be leaner than what is right with the smaller.
    expect(onSmaller([...start, own, ...biscuits])).toBeGreaterThan(
      onSmaller([...start, ...biscuits]) + 0.003,
    );
  });
});

describe("the long belief", () => {
  it("agrees with brute force for two cylinders", () => {
    const row = (weights: Partial<Record<(typeof UNKNOWNS)[number], number>>) =>
      Float64Array.from(UNKNOWNS, (name) => weights[name] ?? 0);
    const line = { shift: 0.02, row: row({ needle: 0.7, pilot: 0.3, mid: 1 }) };
    const look = (tone: Tone, ...which: number[]) => ({
      lookId: "look:brute",
      zone: "mid" as const,
      line: lineOver(new Map(which.map((c) => [c, line])), TWO),
      shifts: new Map([[0, 0]]),
      likelihood: toneLikelihood({ tone, sd: 0.03, looksRicher: 0 }),
    });
    const evidence = [look("umber", 1), look("biscuit", 0), look("cocoa", 0, 1)];
    // What both have in common and what is each one's own, as independent unknowns of their own.
    const prior = priorOf(TWO);
    const own = Math.sqrt(1 - COMMON_SHARE);
    const apart = (seen: Float64Array) => {
      const [a, b] = [seen.subarray(0, UNKNOWNS.length), seen.subarray(UNKNOWNS.length)];
      const common = Float64Array.from(a, (x, i) => Math.sqrt(COMMON_SHARE) * (x + (b[i] ?? 0)));
      return Float64Array.of(...common, ...a.map((x) => own * x), ...b.map((x) => own * x));
    };
    const independent = (size: number) => {
      const covariance = new Float64Array(size * size);
      for (let i = 0; i < size; i += 1)
        covariance[i * size + i] = PRIOR_SD[UNKNOWNS[i % UNKNOWNS.length] ?? "pilot"] ** 2;
      return { mean: new Float64Array(size), covariance };
    };
    const split = independent(3 * UNKNOWNS.length);
    const seen = evidence.map((item) => ({
      ...item,
      line: { shift: item.line.shift, row: apart(item.line.row) },
    }));
    const departure = contrastLine([line, line], 1, TWO);
    const wanted = { shift: departure.shift, row: apart(departure.row) };
    const brute = importanceDraws(split, seen, update(split, seen), [wanted], 40_000, seededRandom(77), 1.1);
    expect(brute.effective).toBeGreaterThan(2000);
    const believed = update(prior, evidence);
    expect(Math.abs(dot(departure.row, believed.mean) - (brute.along[0]?.mean ?? NaN))).toBeLessThan(0.001);
    const sd = Math.sqrt(quadratic(believed.covariance, departure.row));
    expect(sd / (brute.along[0]?.sd ?? NaN)).toBeCloseTo(1, 1);
  });
  it("refuses a departure from nobody", () => {
    expect(() => contrastLine([{ shift: 0, row: new Float64Array(0) }], 0, TWO)).toThrow(
      "one of at least two",
    );
  });
});
