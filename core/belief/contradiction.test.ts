/**
 * Logs that contradict themselves on one setting: half the plugs pale, half of them dark, with other looks besides,
 * against brute force, in both orders. 12 logs here, 200 with `npm run test:long`.
 */
import { runs } from "../__tests__/long.ts";
import { importanceDraws } from "../__tests__/importance.ts";
import { FRAME } from "../__tests__/judged.ts";
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Tone } from "../log/parts.ts";
import { lambdaLikelihood } from "../looks/lambda.ts";
import type { Likelihood } from "../looks/likelihood.ts";
import { toneLikelihood } from "../looks/plug-tone.ts";
import { dot, quadratic } from "../numbers/linear.ts";
import { seededRandom, type Random } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import type { Evidence } from "./evidence.ts";
import { layoutOf, lineOver, placeOfInstrument, priorOf } from "./layout.ts";
import { zoneMixture } from "./mixture.ts";
import type { Belief } from "./unknowns.ts";
import { update } from "./update.ts";

const LOGS = runs("TAMIS_LOGS", 12, 200);
const layout = layoutOf(1, [{ kind: "lambda" }, { kind: "reader" }]);
const prior = priorOf(layout);
const at = zoneMixture(FRAME, ENDURO_BUILD, FRAME.air)(settingFromLog(ENDURO_BUILD.baseline.setting));
const lines = ZONES.map((zone) => lineOver(new Map([[0, at[zone]]]), layout));

let looks = 0;
const seen = (zone: Zone, kind: "reader" | "lambda", likelihood: Likelihood): Evidence => ({
  lookId: `look:${(looks += 1)}`,
  zone,
  line: lineOver(new Map([[0, at[zone]]]), layout, placeOfInstrument(layout, { kind })),
  likelihood,
  shifts: new Map(),
  sharedSd: 0.01,
});
const plug = (zone: Zone, tone: Tone) =>
  seen(zone, "reader", toneLikelihood({ tone, sd: 0.03, looksRicher: 0 }));

const SIDES: readonly (readonly [pale: Tone, dark: Tone])[] = [
  ["chalk", "soot"],
  ["chalk", "umber"],
  ["bone", "soot"],
];

function contradicting(random: Random): Evidence[] {
  const zone = ZONES[Math.floor(4 * random.uniform())] ?? "top";
  const [pale, dark] = SIDES[Math.floor(3 * random.uniform())] ?? ["chalk", "soot"];
  const of = 1 + Math.floor(6 * random.uniform());
  const plugs = Array.from({ length: of }, () => [plug(zone, pale), plug(zone, dark)]).flat();
  const figure = (z: Zone) =>
    random.uniform() < 0.3
      ? [seen(z, "lambda", lambdaLikelihood(Math.exp(0.05 * random.normal()), 1, 0.015))]
      : [];
  return [...plugs, ...ZONES.filter((z) => z !== zone).flatMap(figure)];
}

const along = (belief: Belief) =>
  lines.map(({ row, shift }) => ({
    mean: shift + dot(row, belief.mean),
    sd: Math.sqrt(quadratic(belief.covariance, row)),
  }));

describe("looks that exclude each other", () => {
  it("six pale and six dark plugs on one setting leave the top as open as it was", () => {
    const plugs = Array.from({ length: 6 }, () => [plug("top", "chalk"), plug("top", "soot")]).flat();
    const top = along(update(prior, plugs))[3];
    const before = along(prior)[3];
    expect(Math.abs(top?.mean ?? NaN)).toBeLessThan(0.002);
    expect(top?.sd).toBeGreaterThan(before?.sd ?? NaN);
  });

  it("leave as open what brute force leaves open, the same in both orders", () => {
    let tight = 0;
    for (let seed = 7000; seed < 7000 + LOGS; seed += 1) {
      const evidence = contradicting(seededRandom(seed));
      const answer = update(prior, evidence);
      const backward = along(update(prior, [...evidence].reverse()));
      const brute = importanceDraws(prior, evidence, answer, lines, 20_000, seededRandom(seed), 1.2);
      const blur = 3 / Math.sqrt(brute.effective);
      const shares = along(answer).map(({ mean, sd }, i) => {
        expect(Math.abs(mean - (backward[i]?.mean ?? NaN))).toBeLessThan(5e-4);
        return sd / (brute.along[i]?.sd ?? NaN) + blur;
      });
      // What one zone's two peaks do to a figure in another is no normal: some are tighter, none by half.
      expect({ seed, share: Math.min(...shares) > 0.6 }).toEqual({ seed, share: true });
      if (Math.min(...shares) < 0.8) tight += 1;
    }
    expect(tight).toBeLessThanOrEqual(Math.ceil(0.1 * LOGS));
  });
});
