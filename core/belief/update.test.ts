import { importanceDraws } from "../__tests__/importance.ts";
import { FRAME, ONE, PRIOR, sdAt } from "../__tests__/judged.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { settingFromLog } from "../rig/from-build.ts";
import type { Zone } from "../carburettor/zones.ts";
import { humidAir } from "../air/humid-air.ts";
import type { Evidence } from "./evidence.ts";
import { lambdaLikelihood } from "../looks/lambda.ts";
import { normalLikelihood } from "../looks/likelihood.ts";
import { blendLines, type Line } from "../looks/line.ts";
import { zoneMixture } from "./mixture.ts";
import { toneLikelihood } from "../looks/plug-tone.ts";
import { PRIOR_SD, UNKNOWNS } from "./unknowns.ts";
import type { Tone } from "../log/parts.ts";
import { addScaled, dot, lessOuter, times } from "../numbers/linear.ts";
import { seededRandom } from "../numbers/random.ts";
import { drift, reopen } from "./passing-time.ts";
import { SURPRISING, update } from "./update.ts";

const mountain = humidAir({ temperatureK: 303.15, pressurePa: 84_556, relativeHumidity: 0.4 });
const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
const atHome = zoneMixture(FRAME, ENDURO_BUILD, FRAME.air)(setting);
const onMountain = zoneMixture(FRAME, ENDURO_BUILD, mountain)({ ...setting, main: 152, clip: 2 });

let looks = 0;
const plug = (mixture: typeof atHome, zone: Zone, tone: Tone, sd = 0.03, idleShare = 0): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: blendLines(mixture[zone], mixture.idle, idleShare),
  shifts: new Map([[0, mixture[zone].shift]]),
  likelihood: toneLikelihood({ tone, sd, looksRicher: 0 }),
});
const lambda = (mixture: typeof atHome, zone: Zone, error: number, sd = 0.015): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: mixture[zone],
  shifts: new Map([[0, mixture[zone].shift]]),
  likelihood: lambdaLikelihood(Math.exp(error), 1, sd),
});

const normal = (mixture: typeof atHome, zone: Zone, error: number, sd: number): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: mixture[zone],
  shifts: new Map([[0, mixture[zone].shift]]),
  likelihood: normalLikelihood(error, sd * sd),
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

/** Each unknown by itself. */
const EACH: readonly Line[] = UNKNOWNS.map((_, i) => ({
  shift: 0,
  row: Float64Array.from(UNKNOWNS, (_name, j) => (i === j ? 1 : 0)),
}));

describe("the sieve's update", () => {
  it("agrees with brute-force importance sampling: means within 0.3 % of mixture, sds within 5 %", () => {
    const answer = update(PRIOR, EVIDENCE);
    const { mean, covariance, converged } = answer;
    const brute = importanceDraws(PRIOR, EVIDENCE, answer, EACH, 60_000, seededRandom(20260523));
    expect(brute.effective).toBeGreaterThan(5000);
    expect(converged).toBe(true);
    UNKNOWNS.forEach((name, i) => {
      // The air sensitivity multiplies a log density of -0.24 here: 0.3 % of mixture is 0.0125 of it.
      // The worth of a step multiplies a shift of some hundredths: 0.3 % of mixture is far more of that factor.
      const unit =
        name === "airSensitivity"
          ? 1 / Math.abs(onMountain.top.row[7] ?? NaN)
          : name.endsWith("Worth")
            ? 10
            : 1;
      expect(Math.abs((mean[i] ?? NaN) - (brute.along[i]?.mean ?? NaN))).toBeLessThan(0.003 * unit);
      expect(Math.abs(sdAt({ mean, covariance }, i) / (brute.along[i]?.sd ?? NaN) - 1)).toBeLessThan(0.05);
    });
  });

  it("is exact for normal looks alone: the textbook update of one measurement after another", () => {
    const figures = [
      normal(atHome, "idle", -0.06, 0.015),
      normal(onMountain, "top", -0.03, 0.05),
      normal(onMountain, "top", 0.02, 0.03),
    ];
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
    updated.covariance.forEach((x, i) => expect(x).toBeCloseTo(covariance[i] ?? NaN, 10));
  });

  it("says the same whatever order the looks were entered in", () => {
    const forward = update(PRIOR, EVIDENCE);
    const backward = update(PRIOR, [...EVIDENCE].reverse());
    forward.mean.forEach((x, i) => expect(x).toBeCloseTo(backward.mean[i] ?? NaN, 5));
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
    UNKNOWNS.forEach((_, i) => expect(sdAt(one, i)).toBeLessThanOrEqual(sdAt(PRIOR, i) * (1 + 1e-12)));
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
  const sdOf = sdAt;

  it("adds one per cent a month to each path, in quadrature, and nothing to the rest", () => {
    const later = drift(known, ONE, 30.44);
    [0, 1, 2].forEach((i) => expect(sdOf(later, i)).toBeCloseTo(Math.hypot(sdOf(known, i), 0.01), 12));
    [3, 4, 5, 6, 7].forEach((i) => expect(sdOf(later, i)).toBe(sdOf(known, i)));
    expect(later.mean).toEqual(known.mean);
  });

  it("reopens only the paths that were worked on, never beyond the first doubt", () => {
    const cleaned = reopen(known, ONE, ["pilot"]);
    expect(sdOf(cleaned, 0)).toBeGreaterThan(sdOf(known, 0));
    expect(sdOf(cleaned, 1)).toBe(sdOf(known, 1));
    const often = [1, 2, 3, 4].reduce(
      (belief) => reopen(belief, ONE, ["pilot", "zones"]),
      known as typeof cleaned,
    );
    expect(sdOf(often, 0)).toBeCloseTo(PRIOR_SD.pilot, 12);
    expect(sdOf(often, 4)).toBeCloseTo(PRIOR_SD.low, 12);
  });
});
