import { believing, judgeWith, PRIOR, questionWith } from "../../__tests__/judged.ts";
import { layoutOf, priorOf } from "../../belief/layout.ts";
import type { Unknown } from "../../belief/unknowns.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { nextLook, type LookQuestion } from "./next-look.ts";

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
