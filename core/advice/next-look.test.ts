import { buildModel } from "../carburettor/model.ts";
import { PRIOR, UNKNOWNS, type Belief } from "../belief/unknowns.ts";
import { diagonal } from "../numbers/linear.ts";
import { rigFromBuild } from "../rig/from-build.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { choices } from "./choices.ts";
import { settingJudge } from "./judge-setting.ts";
import { looksByWorth } from "./next-look.ts";
import { chanceBetter } from "./next-step.ts";

const model = buildModel(rigFromBuild(ENDURO_BUILD));
const { setting } = ENDURO_BUILD.baseline;
const options = choices(ENDURO_BUILD, setting);
const judgeOf = (belief: Belief, usage = ENDURO_BUILD.usage) =>
  settingJudge(model, belief, model.rig.baseline.air, usage);
const believing = (sds: Partial<Record<(typeof UNKNOWNS)[number], number>>): Belief => ({
  mean: UNKNOWNS.map(() => 0),
  covariance: diagonal(UNKNOWNS.map((name) => (sds[name] ?? 0.002) ** 2)),
});

describe("the worth of a look", () => {
  it("is greatest per minute where the doubt is", () => {
    expect(looksByWorth(judgeOf(believing({ main: 0.08 })), options, setting, ["plug"])[0]?.zone).toBe("top");
    expect(looksByWorth(judgeOf(believing({ pilot: 0.1 })), options, setting, ["plug"])[0]?.zone).toBe(
      "idle",
    );
  });

  it("is greatest where the machine is ridden", () => {
    const doubt = believing({ mid: 0.05, top: 0.05 });
    const best = (usage: typeof ENDURO_BUILD.usage) =>
      looksByWorth(judgeOf(doubt, usage), options, setting, ["plug"])[0]?.zone;
    expect(best({ idle: 1, low: 1, mid: 1, top: 97 })).toBe("top");
    expect(best({ idle: 1, low: 1, mid: 97, top: 1 })).toBe("mid");
  });

  it("is more for a λ meter than for a plug, and never below nought", () => {
    const looks = looksByWorth(judgeOf(PRIOR), options, setting, ["plug", "lambda"]);
    expect(looks).toHaveLength(8);
    for (const look of looks) expect(look.gain).toBeGreaterThanOrEqual(0);
    const gain = (how: string) => looks.find((look) => look.zone === "top" && look.how === how)?.gain ?? NaN;
    expect(gain("lambda")).toBeGreaterThan(gain("plug"));
  });

  it("is next to nothing where nothing is in doubt", () => {
    for (const { gain } of looksByWorth(judgeOf(believing({})), options, setting, ["plug"]))
      expect(gain).toBeLessThan(0.001);
  });
});

describe("the chance of being better off", () => {
  it("is near certain towards what is believed, and near none away from it", () => {
    const rich: Belief = { ...believing({}), mean: [0, 0, -0.1, 0, 0, 0, 0, 0] };
    const leaner = { ...setting, main: 158 };
    expect(chanceBetter(judgeOf(rich), setting, leaner)).toBeGreaterThan(0.95);
    expect(chanceBetter(judgeOf(rich), leaner, setting)).toBeLessThan(0.05);
  });

  it("is nought for no change at all, and the same at every asking", () => {
    const judge = judgeOf(PRIOR);
    expect(chanceBetter(judge, setting, setting)).toBe(0);
    const richer = { ...setting, main: 170 };
    expect(chanceBetter(judge, setting, richer)).toBe(chanceBetter(judge, setting, richer));
  });
});
