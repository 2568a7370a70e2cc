import { believing, judgeWith, PRIOR, questionWith } from "../../__tests__/judged.ts";
import { layoutOf, priorOf } from "../../belief/layout.ts";
import type { Unknown } from "../../belief/unknowns.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { chanceAllRight } from "../judge/chances.ts";
import { chanceAfter, nextLook, type LookQuestion } from "./next-look.ts";

const doubting = (sds: Partial<Record<Unknown, number>>) => believing({}, (name) => sds[name] ?? 0.002);
const look = (sds: Partial<Record<Unknown, number>>, change: Partial<LookQuestion> = {}) =>
  nextLook(questionWith(doubting(sds), { isSafe: () => true, ...change }));

describe("the next look", () => {
  it("is where the doubt is", () => {
    expect(look({ main: 0.08 })).toMatchObject({ how: "plug", zone: "top" });
    expect(look({ pilot: 0.1 })).toMatchObject({ how: "plug", zone: "idle" });
  });

  it("is where the machine is ridden", () => {
    const best = (usage: typeof ENDURO_BUILD.usage) => {
      const belief = doubting({ mid: 0.05, top: 0.05 });
      const judge = judgeWith(belief, undefined, { ...ENDURO_BUILD, usage });
      return nextLook(questionWith(belief, { judge, isSafe: () => true }))?.zone;
    };
    expect(best({ idle: 1, low: 1, mid: 1, top: 997 })).toBe("top");
    expect(best({ idle: 1, low: 1, mid: 997, top: 1 })).toBe("mid");
  });

  it("is by the instrument that says most a minute, of those that there are", () => {
    expect(look({ main: 0.08 }, { means: ["plug", "lambda"] })).toMatchObject({ how: "lambda", zone: "top" });
    expect(look({ pilot: 0.1 }, { means: ["plug", "idleBench"] })).toMatchObject({ how: "idleBench" });
    expect(look({ main: 0.08 }, { means: ["temperature"] })).toBeUndefined();
  });

  it("of a methanol engine is no plug where a temperature has a target: alcohol leaves little colour", () => {
    const heat = { exhaust: { top: { targetK: 840, withinK: 20 } } };
    const build = { ...ENDURO_BUILD, fuel: { name: "methanol" as const }, heat };
    expect(look({ main: 0.08 }, { build, means: ["plug", "temperature"] })).toMatchObject({
      how: "temperature",
      zone: "top",
    });
  });

  it("names no zone for a ride, two settings for timed runs, and a cylinder of several", () => {
    expect(look({ main: 0.08 }, { means: ["rideReport"] })).not.toHaveProperty("zone");
    const [from, to] = look({ main: 0.08 }, { means: ["stopwatch"] })?.settings ?? [];
    expect([from?.main, to?.main]).toEqual([165, 168]);
    const layout = layoutOf(2, []);
    const joint = priorOf(layout);
    const two = questionWith(joint, { joint, layout, cylinders: [1, 2], isSafe: () => true });
    expect([1, 2]).toContain(nextLook(two)?.cylinder);
  });

  it("tells how it pulled along with its plug, and is worth the more; nobody rides for the report alone", () => {
    const both = look({ pilot: 0.1, main: 0.08 }, { means: ["plug", "rideReport"] });
    expect(both).toMatchObject({ how: "plug", tells: true });
    const plug = look({ pilot: 0.1, main: 0.08 }, { means: ["plug"] });
    expect(both?.gain).toBeGreaterThan(plug?.gain ?? NaN);
    expect(plug).not.toHaveProperty("tells");
    // Told once of this setting in this air, it is not told again.
    const told = look(
      { pilot: 0.1, main: 0.08 },
      { means: ["plug", "rideReport"], taken: (how) => (how === "rideReport" ? 1 : 0) },
    );
    expect(told).not.toHaveProperty("tells");
    expect(told?.gain).toBeCloseTo(plug?.gain ?? NaN, 9);
  });

  it("is not of a kind that was taken twice there already", () => {
    const twice: LookQuestion["taken"] = (how, zone) => (how === "plug" && zone === "top" ? 2 : 0);
    expect(look({ main: 0.08 }, { taken: twice })?.zone).not.toBe("top");
    const everywhere: LookQuestion["taken"] = (how) => (how === "plug" ? 2 : 0);
    expect(look({ main: 0.08 }, { taken: everywhere })).toBeUndefined();
  });

  it("by λ reads all that one ride goes through, and no more of what was read twice", () => {
    const doubt = { pilot: 0.1, main: 0.08 };
    const ride = look(doubt, { means: ["lambda"] });
    expect([ride?.zone, ...(ride?.along ?? [])].sort()).toEqual(["idle", "low", "mid", "top"]);
    const alone = look({ pilot: 0.1 }, { means: ["lambda"] })?.gain ?? NaN;
    expect(ride?.gain).toBeGreaterThan(alone);
    const topTwice: LookQuestion["taken"] = (_, zone) => (zone === "top" ? 2 : 0);
    const rest = look(doubt, { means: ["lambda"], taken: topTwice });
    expect([rest?.zone, ...(rest?.along ?? [])]).not.toContain("top");
    expect(rest?.minutes).toBeLessThan(ride?.minutes ?? NaN);
  });

  it("by temperature is one run for start line and finish, and one each for openings that are held", () => {
    const build = {
      ...ENDURO_BUILD,
      heat: {
        staging: { targetK: 350, withinK: 5 },
        rise: { fromK: 40, toK: 60 },
        exhaust: { mid: { targetK: 840, withinK: 20 } },
      },
    };
    const run = look({ pilot: 0.1, main: 0.08 }, { build, means: ["temperature"] });
    expect([run?.zone, ...(run?.along ?? [])].sort()).toEqual(["idle", "top"]);
    expect(look({ needle: 0.08 }, { build, means: ["temperature"] })).toMatchObject({ zone: "mid" });
    expect(look({ needle: 0.08 }, { build, means: ["temperature"] })).not.toHaveProperty("along");
  });

  it("is charged what it risks flat out: where the top may be lean, the middle comes first", () => {
    const asked = (means: Partial<Record<Unknown, number>>) => {
      const sds: Partial<Record<Unknown, number>> = { main: 0.06, needle: 0.04 };
      const belief = believing(means, (name) => sds[name] ?? 0.002);
      return nextLook(questionWith(belief, { isSafe: () => true }));
    };
    const [lean, rich] = [asked({ main: 0.06 }), asked({ main: -0.06 })];
    expect(rich?.zone).toBe("top");
    expect(lean?.zone).not.toBe("top");
  });

  it("may be half of two alike: where one moves nothing, it is worth its share of both", () => {
    // A little rich, with nothing finer than the next main: one plug does not decide it.
    const doubt = (name: Unknown) => (name === "main" ? 0.03 : 0.002);
    const options = { pilot: [45], screwTurns: [1.5], clip: [3], main: [160, 165], shimMm: [0] };
    const asked = (taken: number) =>
      nextLook(questionWith(believing({}, doubt), { options, isSafe: () => true, taken: () => taken }));
    expect(asked(0)?.gain).toBeGreaterThan(0);
    expect(asked(2)).toBeUndefined();
  });

  it("makes it likelier that all is right, the more so the more it tells", () => {
    const belief = doubting({ pilot: 0.06, needle: 0.05, main: 0.06 });
    const question = questionWith(belief, { means: ["plug", "lambda"], isSafe: () => true });
    const plug = { how: "plug", zone: "top", minutes: 8, gain: 0 } as const;
    const lambda = { how: "lambda", zone: "top", along: ["idle", "mid"], minutes: 6, gain: 0 } as const;
    const zones = ["idle", "mid", "top"] as const;
    const now = chanceAllRight(question.judge, question.fitted, zones);
    const [one, all] = [chanceAfter(question, plug, zones), chanceAfter(question, lambda, zones)];
    expect(one).toBeGreaterThan(now);
    expect(all).toBeGreaterThan(one + 0.2);
    expect(all).toBeLessThanOrEqual(1);
  });

  it("takes the zones of one ride together as less than each by itself", () => {
    const alone = (zone: Unknown, sd: number) => look({ [zone]: sd }, { means: ["rideReport"] })?.gain ?? NaN;
    const [idle, top] = [alone("pilot", 0.1), alone("main", 0.08)];
    const both = look({ pilot: 0.1, main: 0.08 }, { means: ["rideReport"] })?.gain ?? NaN;
    expect(both).toBeGreaterThan(Math.max(idle, top));
    // Idle and top share hardly a part: what each shows by itself adds up, within a tenth.
    expect(both / (idle + top)).toBeCloseTo(1, 0);
    const plug = look({ main: 0.08 }, { means: ["plug"] })?.gain ?? NaN;
    expect(top).toBeLessThan(plug);
  });

  it("is worth next to nothing where nothing is in doubt, and never less than nothing", () => {
    expect(look({})?.gain ?? 0).toBeLessThan(0.001);
    expect(nextLook(questionWith(PRIOR))?.gain ?? -1).toBeGreaterThan(0);
  });

  it("counts the reader's own error: what he has read often he cannot read away", () => {
    const layout = layoutOf(1, [{ kind: "reader" }]);
    const joint = priorOf(layout);
    const known = { ...joint, covariance: Float64Array.from(joint.covariance) };
    const last = layout.size - 1;
    known.covariance[last * layout.size + last] = 1e-8;
    const gainOf = (belief: typeof joint) =>
      nextLook(questionWith(PRIOR, { joint: belief, layout, isSafe: () => true }))?.gain ?? NaN;
    expect(gainOf(known)).toBeGreaterThan(gainOf(joint));
  });
});
