import { humidAir } from "../../air/humid-air.ts";
import { believing, judgeWith, PRIOR, questionWith } from "../../__tests__/judged.ts";
import { PRIOR_SD } from "../../belief/unknowns.ts";
import type { Setting } from "../../log/schema.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { choices, screwWindow } from "./choices.ts";
import { chanceBetter } from "../judge/chances.ts";
import { sizeBeyond, stepOf } from "../parts/jet-steps.ts";
import { workOf } from "./moves.ts";
import { shopSizes } from "../parts/to-buy.ts";
import type { PerZone } from "../../carburettor/zones.ts";
import { canBeToldApart, LEAST_GAIN, linesOf, planStop, type PlanLine } from "./plan.ts";
import { claimedIsSafe } from "../judge/safety.ts";

const { setting } = ENDURO_BUILD.baseline;
const mountain = humidAir({ temperatureK: 297.15, pressurePa: 86_300, relativeHumidity: 0.46 });
/** As sure as plugs make one: a third of the first doubt. */
const sure = believing({}, (name) => PRIOR_SD[name] / 3);
const safe = claimedIsSafe(setting);

describe("choices", () => {
  it("are what the box holds, the window's quarter turns, the needle's grooves, and what is fitted", () => {
    const options = choices(ENDURO_BUILD, { ...setting, main: 163 });
    expect(options.main).toContain(163);
    expect(options.screwTurns).toEqual([0.5, 0.75, 1, 1.25, 1.5, 1.75, 2, 2.25, 2.5]);
    expect(choices(ENDURO_BUILD, setting, [], 0.125).screwTurns).toHaveLength(17);
    expect(options.clip).toEqual([1, 2, 3, 4, 5]);
    const fixed = { ...ENDURO_BUILD, screwWindow: { kind: "fixed" as const, from: 1, to: 2 } };
    expect(screwWindow(fixed)).toEqual({ from: 1, to: 2 });
  });

  it("never let a screw out of its thread, whatever its base", () => {
    const far = { ...setting, screwTurns: 9.5 };
    const build = { ...ENDURO_BUILD, baseline: { ...ENDURO_BUILD.baseline, setting: far } };
    expect(screwWindow(build)).toEqual({ from: 8.5, to: 10 });
    expect(Math.max(...choices(build, far).screwTurns)).toBe(10);
  });

  it("let a washer out that the rules forbid, never one in", () => {
    const rules = { locked: [], noWashers: true, onePlug: false };
    const build = { ...ENDURO_BUILD, rules, box: { ...ENDURO_BUILD.box, shimsMm: [0.3, 0.6] } };
    expect(choices(build, { ...setting, shimMm: 0.5 }).shimMm).toEqual([0, 0.5]);
    expect(choices(build, setting).shimMm).toEqual([0]);
  });
});

describe("the plan for this stop", () => {
  const question = questionWith(sure, { isSafe: safe }, mountain);
  const plan = planStop(question);

  it("waits for a ride where no look could tell it from what was changed just before", () => {
    const { judge, fitted, options } = question;
    // Where the main was nearly as it is to be, a groove moved the top more than the main will.
    const above = options.main.find((main) => main > plan.card.setting.main);
    const mains = above === undefined ? [fitted.main] : [fitted.main, above];
    const before = mains.flatMap((main) => options.clip.map((clip) => ({ ...fitted, main, clip })));
    const hides = (lookedAt: Setting) =>
      !canBeToldApart(linesOf({ judge, fitted: lookedAt }, plan.card.setting));
    const hidden = before.filter(hides);
    expect(hidden.length).toBeGreaterThan(0);
    expect(hidden.length).toBeLessThan(before.length);
    for (const lookedAt of before) {
      const then = planStop({ ...question, lookedAt });
      expect(then.rideFirst).toBe(hides(lookedAt) ? "showsChange" : undefined);
      expect(then.card.setting).toEqual(hides(lookedAt) ? fitted : plan.card.setting);
    }
    const danger = { ...question, isSafe: () => false };
    expect(planStop({ ...danger, lookedAt: hidden[0] }).rideFirst).toBeUndefined();
  });

  it("is as good as the best of every setting that moves the way its zones ask", () => {
    const { judge, options, fitted } = question;
    const all: Setting[] = options.pilot.flatMap((pilot) =>
      options.screwTurns.flatMap((screwTurns) =>
        options.clip.flatMap((clip) =>
          options.main.map((main) => ({ pilot, screwTurns, clip, main, shimMm: 0 })),
        ),
      ),
    );
    expect(all.length).toBe(5 * 9 * 5 * 12);
    const cost = (one: Setting) => judge.judge(one).reachedLoss + workOf(fitted, one);
    const least = Math.min(...all.filter((one) => safe(judge.judge(one))).map(cost));
    expect(cost(plan.card.setting)).toBeGreaterThanOrEqual(least - 1e-12);
    expect(cost(plan.card.setting)).toBeLessThan(least + 0.02);
  });

  it("has a line a zone, each of which makes most of what is predicted there", () => {
    expect(plan.lines.map(({ zone }) => zone)).toEqual(["idle", "mid", "top"]);
    expect(canBeToldApart(plan.lines)).toBe(true);
    expect(plan.gain).toBeGreaterThan(1);
    expect(plan.chanceBetter).toBeGreaterThan(0.95);
    for (const { zone, effect } of plan.lines) expect(effect[zone]).toBeGreaterThan(0.015);
  });

  it("cannot be told apart where one line makes as much of the change as the line of that zone", () => {
    const line = (zone: "idle" | "mid" | "top", effect: Partial<PerZone<number>>): PlanLine => ({
      zone,
      changes: [],
      effect: { idle: 0, low: 0, mid: 0, top: 0, ...effect },
    });
    const clip = line("mid", { mid: 0.05, top: 0.02 });
    expect(canBeToldApart([clip, line("top", { mid: 0.01, top: 0.03 })])).toBe(true);
    expect(canBeToldApart([clip, line("top", { mid: 0.01, top: 0.02 })])).toBe(false);
    expect(canBeToldApart([clip, line("top", { mid: -0.06, top: 0.04 })])).toBe(false);
  });

  it("of one change at a time follows the school's order", () => {
    const zones = (order: "bottomUp" | "topFirst" | "mainThenClip") =>
      planStop({ ...question, changes: "oneAtATime", order }).lines.map(({ zone }) => zone);
    expect(zones("bottomUp")).toEqual(["idle"]);
    expect(zones("topFirst")).toEqual(["top"]);
    expect(zones("mainThenClip")).toEqual(["top"]);
  });

  it("is none where all is right, or where what could be gained is less than anybody could show", () => {
    const known = believing({}, () => 0.003);
    expect(planStop(questionWith(known)).lines).toEqual([]);
    const little = believing({ main: -0.02 }, () => 0.003);
    const offered = planStop(questionWith(little));
    expect(offered.lines).toEqual([]);
    expect(LEAST_GAIN).toBe(0.05);
  });

  it("changes the pilot jet where its screw cannot do it, and only there", () => {
    const idleAt = (error: number) =>
      planStop(questionWith(believing({ pilot: error }, () => 0.005))).lines.flatMap(({ zone, changes }) =>
        zone === "idle" ? changes.map(({ part }) => part) : [],
      );
    expect(idleAt(0.08)).toEqual(["screwTurns"]);
    expect(idleAt(0.35)).toContain("pilot");
    expect(idleAt(-0.35)).toContain("pilot");
  });

  it("answers danger at the top by the main jet, not by the screw", () => {
    const lean = believing({ main: 0.12 }, (name) => PRIOR_SD[name] / 4);
    const answer = planStop(questionWith(lean));
    expect(answer).toMatchObject({ urgent: true, safe: true });
    expect(answer.lines.map(({ zone }) => zone)).toContain("top");
    expect(answer.card.setting.main).toBeGreaterThan(setting.main);
  });
});

describe("the chance of being better off", () => {
  it("is near certain towards what is believed, and near none away from it", () => {
    const rich = judgeWith(believing({ main: -0.1 }, () => 0.002));
    const leaner = { ...setting, main: 158 };
    expect(chanceBetter(rich, setting, leaner)).toBeGreaterThan(0.95);
    expect(chanceBetter(rich, leaner, setting)).toBeLessThan(0.05);
  });

  it("is nought for no change at all, and the same at every asking", () => {
    const judge = judgeWith(PRIOR);
    expect(chanceBetter(judge, setting, setting)).toBe(0);
    const richer = { ...setting, main: 170 };
    expect(chanceBetter(judge, setting, richer)).toBe(chanceBetter(judgeWith(PRIOR), setting, richer));
  });
});

describe("sizes that are made", () => {
  it("are those of the shop within reach on either side, in step with the box", () => {
    expect(shopSizes(150, 152.5, 5, 0.1)).toEqual([137.5, 142.5, 147.5, 152.5, 157.5, 162.5]);
    expect(shopSizes(45, 45, 2.5, 0.06)).toEqual([42.5, 45, 47.5]);
  });

  it("go on beyond the box in its own steps", () => {
    expect(stepOf([150, 152, 155])).toBe(2);
    expect(stepOf([205, 210, 215])).toBe(2.5);
    expect(sizeBeyond([150, 152.5, 155], 158.3)).toBe(157.5);
    expect(sizeBeyond([150, 152.5, 155], 155.1)).toBe(157.5);
    expect(sizeBeyond([150, 152.5, 155], 143)).toBe(142.5);
  });
});

describe("out of danger", () => {
  it("every jet of a crowded box is thought of, not only those nearest to the zone's target", () => {
    // Little is known of it: the jets nearest to the target leave more than the rule's chance.
    const doubtful = believing({}, (name) => PRIOR_SD[name]);
    const mains = Array.from({ length: 120 }, (_, i) => 150 + i / 4);
    const build = { ...ENDURO_BUILD, box: { ...ENDURO_BUILD.box, mains } };
    const plan = planStop(questionWith(doubtful, { build, options: choices(build, setting) }));
    expect(plan.safe).toBe(true);
    expect(plan.card.setting.main).toBeGreaterThan(setting.main);
  });
});
