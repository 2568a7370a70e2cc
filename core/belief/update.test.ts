import { WORKED_EXAMPLE } from "../__tests__/worked-example.ts";
import { buildModel } from "../carburettor/model.ts";
import type { Zone } from "../carburettor/zones.ts";
import { humidAir } from "../air/humid-air.ts";
import type { Evidence } from "../looks/registry.ts";
import { lambdaLikelihood } from "../looks/lambda.ts";
import { blendLines, zoneMixture } from "./mixture.ts";
import { toneLikelihood } from "../looks/plug-tone.ts";
import { PRIOR, PRIOR_SD, UNKNOWNS } from "./unknowns.ts";
import type { Tone } from "../log/parts.ts";
import { addScaled, dot, lessOuter, times } from "../numbers/linear.ts";
import { seededRandom } from "../numbers/random.ts";
import { drift, reopen } from "./passing-time.ts";
import { SURPRISING, update } from "./update.ts";

const mountain = humidAir({ temperatureK: 303.15, pressurePa: 84_556, relativeHumidity: 0.4 });
const model = buildModel(WORKED_EXAMPLE);
const baseline = WORKED_EXAMPLE.baseline;
const atHome = zoneMixture(model, baseline.air)(baseline.setting);
const onMountain = zoneMixture(model, mountain)({ ...baseline.setting, main: 152, clip: 2 });

let looks = 0;
const plug = (mixture: typeof atHome, zone: Zone, tone: Tone, sd = 0.03, idleShare = 0): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: blendLines(mixture[zone], mixture.idle, idleShare),
  zoneShift: mixture[zone].shift,
  likelihood: toneLikelihood({ tone, sd, looksRicher: 0 }),
});
const lambda = (mixture: typeof atHome, zone: Zone, error: number, sd = 0.015): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: mixture[zone],
  zoneShift: mixture[zone].shift,
  likelihood: lambdaLikelihood(Math.exp(error), 1, sd),
});

const EVIDENCE = [
  plug(atHome, "top", "cocoa"),
  plug(atHome, "mid", "straw"),
  plug(atHome, "top", "biscuit", 0.06, 0.5),
  lambda(atHome, "idle", -0.06),
  plug(onMountain, "mid", "biscuit"),
  plug(onMountain, "top", "umber"),
  plug(onMountain, "low", "soot"),
  lambda(onMountain, "top", -0.03, 0.05),
];

/** Brute force: draws from the prior, weighted by the likelihood of everything at once. */
function importanceSampling(evidence: readonly Evidence[], draws: number, seed: number) {
  const random = seededRandom(seed);
  const sds = UNKNOWNS.map((name) => PRIOR_SD[name]);
  let mass = 0;
  const first = sds.map(() => 0);
  const second = sds.map(() => 0);
  for (let n = 0; n < draws; n += 1) {
    const x = sds.map((sd) => sd * random.normal());
    let log = 0;
    for (const { line, likelihood } of evidence) log += likelihood.log(line.shift + dot(line.row, x));
    const weight = Math.exp(log);
    mass += weight;
    for (let i = 0; i < x.length; i += 1) {
      const value = x[i] ?? 0;
      first[i] = (first[i] ?? 0) + weight * value;
      second[i] = (second[i] ?? 0) + weight * value * value;
    }
  }
  const mean = first.map((sum) => sum / mass);
  return { mean, sd: second.map((sum, i) => Math.sqrt(sum / mass - (mean[i] ?? 0) ** 2)) };
}

describe("the sieve's update", () => {
  it("agrees with brute-force importance sampling: means within 0.3 % of mixture, sds within 5 %", () => {
    const { mean, covariance, converged } = update(PRIOR, EVIDENCE);
    const brute = importanceSampling(EVIDENCE, 200_000, 20260523);
    expect(converged).toBe(true);
    UNKNOWNS.forEach((name, i) => {
      // The air sensitivity multiplies a log density of -0.24 here: 0.3 % of mixture is 0.0125 of it.
      const unit = name === "airSensitivity" ? 1 / Math.abs(onMountain.top.row[7] ?? NaN) : 1;
      expect(Math.abs((mean[i] ?? NaN) - (brute.mean[i] ?? NaN))).toBeLessThan(0.003 * unit);
      expect(Math.abs(Math.sqrt(covariance[i]?.[i] ?? NaN) / (brute.sd[i] ?? NaN) - 1)).toBeLessThan(0.05);
    });
  });

  it("is exact for λ figures alone: the textbook update of one measurement after another", () => {
    const figures = EVIDENCE.filter(({ likelihood }) => likelihood.normal);
    expect(figures.length).toBeGreaterThan(1);
    let { mean, covariance } = PRIOR;
    for (const { line, likelihood } of figures) {
      const { mean: reads, variance } = likelihood.normal ?? { mean: NaN, variance: NaN };
      const gain = times(covariance, line.row);
      const total = dot(line.row, gain) + variance;
      mean = addScaled(mean, gain, (reads - line.shift - dot(line.row, mean)) / total);
      covariance = lessOuter(covariance, gain, 1 / total);
    }
    const updated = update(PRIOR, figures);
    updated.mean.forEach((x, i) => expect(x).toBeCloseTo(mean[i] ?? NaN, 10));
    updated.covariance.forEach((row, i) =>
      row.forEach((x, j) => expect(x).toBeCloseTo(covariance[i]?.[j] ?? NaN, 10)),
    );
  });

  it("says the same whatever order the looks were entered in", () => {
    const forward = update(PRIOR, EVIDENCE);
    const backward = update(PRIOR, [...EVIDENCE].reverse());
    forward.mean.forEach((x, i) => expect(x).toBeCloseTo(backward.mean[i] ?? NaN, 6));
    const outcome = new Map(backward.outcomes.map((item) => [item.lookId, item]));
    for (const { lookId, tail } of forward.outcomes)
      expect(tail).toBeCloseTo(outcome.get(lookId)?.tail ?? NaN, 4);
  });

  it("leaves the prior alone without evidence, and never gains doubt from a look", () => {
    expect(update(PRIOR, [])).toMatchObject({
      mean: PRIOR.mean,
      covariance: PRIOR.covariance,
      converged: true,
    });
    const one = update(PRIOR, EVIDENCE.slice(0, 1));
    one.covariance.forEach((row, i) => expect(row[i]).toBeLessThanOrEqual(PRIOR.covariance[i]?.[i] ?? NaN));
  });

  it("settles with five hundred looks", () => {
    const many = Array.from({ length: 500 }, (_, i) => EVIDENCE[i % EVIDENCE.length] as Evidence);
    const { converged, mean } = update(PRIOR, many);
    expect(converged).toBe(true);
    for (const x of mean) expect(Number.isFinite(x)).toBe(true);
  });

  it("questions a look that nothing else supports, and only that one", () => {
    const steady = Array.from({ length: 6 }, () => plug(atHome, "top", "biscuit"));
    const odd = plug(atHome, "top", "soot");
    const { outcomes } = update(PRIOR, [...steady, odd]);
    expect(outcomes.filter(({ tail }) => tail < SURPRISING).map(({ lookId }) => lookId)).toEqual([
      odd.lookId,
    ]);
  });
});

describe("passing time", () => {
  const known = update(PRIOR, EVIDENCE);
  const sdOf = (belief: { covariance: readonly (readonly number[])[] }, i: number) =>
    Math.sqrt(belief.covariance[i]?.[i] ?? NaN);

  it("adds one per cent a month to each path, in quadrature, and nothing to the rest", () => {
    const later = drift(known, 30.44);
    [0, 1, 2].forEach((i) => expect(sdOf(later, i)).toBeCloseTo(Math.hypot(sdOf(known, i), 0.01), 12));
    [3, 4, 5, 6, 7].forEach((i) => expect(sdOf(later, i)).toBe(sdOf(known, i)));
    expect(later.mean).toEqual(known.mean);
  });

  it("reopens only the paths that were worked on, never beyond the first doubt", () => {
    const cleaned = reopen(known, ["pilot"]);
    expect(sdOf(cleaned, 0)).toBeGreaterThan(sdOf(known, 0));
    expect(sdOf(cleaned, 1)).toBe(sdOf(known, 1));
    const often = [1, 2, 3, 4].reduce(
      (belief) => reopen(belief, ["pilot", "zones"]),
      known as typeof cleaned,
    );
    expect(sdOf(often, 0)).toBeCloseTo(PRIOR_SD.pilot, 12);
    expect(sdOf(often, 4)).toBeCloseTo(PRIOR_SD.low, 12);
  });
});
