import { advise } from "../advice/card/advise.ts";
import { openCase } from "../advice/judge/case.ts";
import { beliefOver } from "../belief/layout.ts";
import { UNKNOWNS } from "../belief/unknowns.ts";
import { USUAL_SCHOOLS } from "../log/schools.ts";
import type { Build, Entry } from "../log/schema.ts";
import { checkBuild } from "./check-build.ts";
import { airAnswerFor, buildLike, schoolsLike } from "./rig-like.ts";
import { startingBuild } from "./starting-builds.ts";

const BUILD: Build = {
  ...startingBuild("twoStrokeBike"),
  assumed: ["plug.gapMm"],
  airAnswer: { mean: 0.2, sd: 0.1 },
};
const FITTED = { ...BUILD.baseline.setting, main: 160 };
const AIR = { temperatureK: 300, pressurePa: 90_000, relativeHumidity: 0.4 };
const logOf = (build: Build): Entry[] => [
  { id: "build:0001", at: "2026-05-23T09:00:00+02:00", kind: "build", build, reopens: [], why: "" },
];

describe("another rig like this one", () => {
  it("begins with what is fitted in today’s air, as a guess, and can be", () => {
    const like = buildLike(BUILD, FITTED, AIR, { carburettor: "same" });
    expect(like.baseline).toEqual({ setting: FITTED, air: AIR, proven: "guess" });
    expect(like.airAnswer).toBeUndefined();
    expect(like.assumed).toEqual(["plug.gapMm"]);
    expect(() => checkBuild(like)).not.toThrow();
    expect(advise(logOf(like)).fitted).toEqual(FITTED);
    expect(buildLike(BUILD, FITTED, undefined, { carburettor: "same" }).baseline.air).toEqual(
      BUILD.baseline.air,
    );
  });
  it("with another carburettor has every value of it still to be confirmed", () => {
    const { assumed = [] } = buildLike(BUILD, FITTED, AIR, { carburettor: "anew" });
    expect(assumed).toContain("carburettor.needleJetMm");
    expect(assumed).toContain("plug.gapMm");
    expect(assumed.some((path) => path.startsWith("engine."))).toBe(false);
  });
  it("takes what was learnt of the air along, with more doubt than it was learnt with", () => {
    expect(airAnswerFor({ mean: -0.12, sd: 0.04 })).toEqual({ mean: -0.12, sd: Math.hypot(0.04, 0.05) });
    expect(airAnswerFor({ mean: 2, sd: 0.3 })).toEqual({ mean: 1, sd: 0.15 });
    const airAnswer = airAnswerFor({ mean: -0.12, sd: 0.04 });
    const { replayed } = openCase(logOf(buildLike(BUILD, FITTED, AIR, { carburettor: "same", airAnswer })));
    const at = UNKNOWNS.indexOf("airSensitivity");
    const { mean, covariance } = beliefOver(replayed.joint, [0]);
    expect(mean[at]).toBeCloseTo(-0.12, 6);
    expect(Math.sqrt(covariance[at * mean.length + at]!)).toBeCloseTo(airAnswer.sd, 6);
  });
  it("keeps the ways of working that were chosen, and no others", () => {
    expect(schoolsLike({ schools: USUAL_SCHOOLS })).toEqual([]);
    expect(schoolsLike({ schools: { ...USUAL_SCHOOLS, order: "topFirst", lookWith: ["plug"] } })).toEqual([
      { what: "order", is: "topFirst" },
      { what: "lookWith", is: ["plug"] },
    ]);
  });
});
