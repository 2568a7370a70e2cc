/** Parts of the box: what each would do, when one is advised, and what it makes of the log once it is in. */
import { air, build, lookWith, plug } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { BenchPart } from "../../log/part-schema.ts";
import type { Build, Entry } from "../../log/schema.ts";
import { fitPart } from "../../rig/bench-part.ts";
import { withStraight } from "../../rig/needle-shape.ts";
import { advise } from "../card/advise.ts";
import { openCase } from "../judge/case.ts";
import { nearestNeedles, partsAnswer } from "./parts-answer.ts";
import { deeper } from "../card/deeper.ts";
import { WORTH_A_MINUTE } from "../ride/next-look.ts";
import { partQuestion } from "./part-in-the-end.ts";
import { partsOnBench } from "./parts-on-bench.ts";
import { partsToSwap } from "./parts-to-swap.ts";

const { needle } = ENDURO_BUILD.carburettor;
const thin: BenchPart = { kind: "needle", name: "thin", needle: withStraight(needle, -0.03) };
const shade: BenchPart = { kind: "needle", name: "a shade", needle: withStraight(needle, 0.02) };
const thick: BenchPart = { kind: "needle", name: "thick", needle: withStraight(needle, 0.03) };
const own: BenchPart = { kind: "needle", name: "own", needle };
const spring: BenchPart = { kind: "slideSpring", name: "spring", depressionPa: 2500 };

/** λ as it was on target in its zone, off by so much. */
const lambda = (id: string, time: string, zone: "idle" | "low" | "mid" | "top", off: number): Entry =>
  lookWith(id, time, {
    type: "lambda",
    zone,
    lambda: ENDURO_BUILD.targetLambda[zone] * Math.exp(off),
    sensor: "inside",
  });
const start = (parts: readonly BenchPart[]): Entry[] => {
  const { temperatureK, pressurePa } = ENDURO_BUILD.baseline.air;
  return [
    build("08:00", { box: { ...ENDURO_BUILD.box, parts: [...parts] } }),
    air("0001", "08:30", { temperatureK, pressurePa }),
  ];
};
/** Right everywhere but just off idle, where it is 14 % lean however it is looked at. */
const leanLow = (parts: readonly BenchPart[]): Entry[] => [
  ...start(parts),
  lambda("0001", "09:00", "idle", 0),
  lambda("0002", "09:10", "mid", 0),
  lambda("0003", "09:20", "top", -0.01),
  lambda("0004", "09:30", "low", 0.14),
  lambda("0005", "09:40", "low", 0.14),
  lambda("0006", "09:50", "low", 0.14),
];
const question = (log: readonly Entry[]) => partQuestion(openCase(log), 0);

describe("the parts of the box", () => {
  const tried = partsOnBench(question(start([thin, thick, own, spring])));

  it("are tried, in already, or impossible here with the reason", () => {
    expect(tried.map(({ state }) => state)).toEqual(["tried", "tried", "fitted", "impossible"]);
    expect(tried[3]).toMatchObject({ why: expect.stringContaining("vacuum slide’s") as string });
  });

  it("move the zone that they rule the way they should, and hardly the top", () => {
    const [thinner, thicker] = tried;
    if (thinner?.state !== "tried" || thicker?.state !== "tried") throw new Error("not tried");
    expect(thinner.effect.low).toBeLessThan(-0.08);
    expect(thicker.effect.low).toBeGreaterThan(0.08);
    expect(Math.abs(thinner.effect.top)).toBeLessThan(0.01);
    // Nobody has seen anything wrong: another needle is not worth its twenty minutes.
    for (const { gain } of [thinner, thicker]) expect(gain).toBeLessThan(0);
  });
});

describe("what no jet reaches", () => {
  it("is answered with the part that cures it, not with one that makes it worse", () => {
    const { next } = advise(leanLow([thick, thin, own]));
    expect(next).toMatchObject({ kind: "part", part: { name: "thin" }, zone: "low", minutes: 20 });
    expect(next.kind === "part" && next.chanceBetter).toBeGreaterThan(0.75);
  });

  it("is left to the tuner where the school has it so, and named where the box holds no cure", () => {
    const never: Entry = {
      id: "school:0001",
      at: "2026-05-23T10:00:00+02:00",
      kind: "school",
      school: { what: "parts", is: "never" },
    };
    expect(advise([...leanLow([thin]), never]).next.kind).not.toBe("part");
    const without = advise(leanLow([]));
    expect(without.next.kind).not.toBe("part");
    expect(without.warnings).toContainEqual(
      expect.objectContaining({ code: "outOfReach", zone: "low", ruledBy: "needle" }),
    );
  });

  it("with a part that might cure it, is looked at before anybody takes the slide out", () => {
    const rich = [
      ...start([shade]),
      lambda("0001", "09:00", "idle", 0),
      lambda("0002", "09:10", "mid", 0),
      lambda("0003", "09:20", "top", 0),
      plug("0004", "09:30", "low", "umber"),
    ];
    const { swaps, worthIt } = partsToSwap(question(rich));
    expect([swaps.length, worthIt]).toEqual([1, undefined]);
    const { next } = advise(rich);
    expect(next).toMatchObject({ kind: "ride", zone: "low" });
    // Why says the same of it as Today does.
    const same = deeper(openCase(rich)).looks.find(({ how }) => next.kind === "ride" && how === next.how);
    expect(same).toMatchObject({ zone: "low" });
    expect((same?.gain ?? 0) / (same?.minutes ?? 1)).toBeGreaterThanOrEqual(WORTH_A_MINUTE);
  });

  it("once the part is in, is right by what was learnt: the baseline stays, its own doubt comes back", () => {
    const log = leanLow([thin]);
    const first = log[0];
    if (first?.kind !== "build") throw new Error("no build");
    const rig: Build = fitPart(first.build, 0, thin, "old");
    const swapped: Entry = {
      id: "build:0002",
      at: "2026-05-23T10:30:00+02:00",
      kind: "build",
      build: rig,
      reopens: [],
      why: "",
    };
    const [before, after] = [advise(log), advise([...log, swapped])];
    const low = (of: typeof before) => of.zones.find(({ zone }) => zone === "low");
    const predicted = partsOnBench(question(log))[0];
    if (predicted?.state !== "tried") throw new Error("not tried");
    // The same trims count a little otherwise where another part feeds.
    expect(low(after)?.mean).toBeCloseTo((low(before)?.mean ?? NaN) + predicted.effect.low, 2);
    expect(low(after)?.sd).toBeGreaterThan(low(before)?.sd ?? NaN);
    expect(low(after)?.pRight).toBeGreaterThan(0.5);
    const { present, replayed } = openCase([...log, swapped]);
    expect(present.reopenings).toEqual([["needle"]]);
    expect(replayed.frames[0]?.build.baseline).toEqual(ENDURO_BUILD.baseline);
    expect(after.next.kind).not.toBe("part");
  });
});

describe("what to look for when buying", () => {
  it("says what a step does: a straight 0.01 mm thicker makes just off idle some 5 % leaner", () => {
    const { buying } = partsAnswer(openCase(start([])));
    const straight = buying.find(({ measure }) => measure === "straight");
    expect(straight).toMatchObject({ nowMm: 2.52, stepMm: 0.01 });
    expect(100 * (straight?.stepEffect.low ?? NaN)).toBeCloseTo(4.7, 1);
    expect(buying.map(({ measure }) => measure)).toEqual(["straight", "taper", "needleJet", "cutaway"]);
    for (const { wanted } of buying) expect(wanted).toBeUndefined();
  });

  it("names the measure that cures it, thinner where it is lean, wider for the jet", () => {
    const { buying } = partsAnswer(openCase(leanLow([])));
    const wanted = (name: string) => buying.find(({ measure }) => measure === name)?.wanted;
    expect(wanted("straight")?.toMm).toBeLessThan(2.52);
    expect(wanted("straight")?.chanceBetter).toBeGreaterThan(0.75);
    expect(wanted("needleJet")?.toMm).toBeGreaterThan(2.68);
    expect(wanted("cutaway")?.toMm).toBeLessThan(4);
  });
});

describe("which needle is nearest", () => {
  const open = openCase(start([thin, own, thick]));
  it("to the one that is fitted, or to one of the box: itself is not asked about", () => {
    expect(
      nearestNeedles(open, "fitted")
        .map(({ which }) => which)
        .sort(),
    ).toEqual([0, 2]);
    expect(nearestNeedles(open, 0).map(({ which }) => which)).toEqual(["fitted", 2]);
    expect(() => nearestNeedles(open, 7)).toThrow("needle must be one of the box, got part 7");
  });
});
