import { air, build, fit, plug, strike } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import type { Entry } from "../../log/schema.ts";
import { advise } from "./advise.ts";
import { openCase } from "../judge/case.ts";
import { MOST_ACROSS, MOST_LOOKS_BACK, OPEN_HOLD, sieveOf } from "./sieve.ts";
import { trialOf } from "../judge/trial.ts";

const AXES = { across: "main", down: "clip" } as const;
const log: Entry[] = [
  build(),
  air("0001", "08:30"),
  fit("0001", "08:40", 165),
  plug("0001", "09:00", "top", "umber"),
  plug("0002", "09:20", "top", "cocoa"),
  plug("0003", "09:40", "mid", "biscuit"),
];
const total = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);
const openHoles = (open: readonly boolean[]) => open.filter(Boolean).length;

describe("the sieve", () => {
  const sieve = sieveOf(openCase(log), AXES);

  it("has a hole for every setting of the two parts, and chances that add to 1", () => {
    expect(sieve.holes).toHaveLength(sieve.across.length * sieve.down.length);
    sieve.holes.forEach((hole, i) => {
      expect(hole.main).toBe(sieve.across[i % sieve.across.length]);
      expect(hole.clip).toBe(sieve.down[Math.floor(i / sieve.across.length)]);
    });
    expect(total(sieve.best)).toBeCloseTo(1, 10);
    const held = sieve.best.filter((_, i) => sieve.open[i]);
    expect(total(held)).toBeGreaterThanOrEqual(OPEN_HOLD - 1e-9);
    expect(total(held) - Math.min(...held)).toBeLessThan(OPEN_HOLD);
    const closed = sieve.best.filter((_, i) => !sieve.open[i]);
    expect(Math.max(...closed)).toBeLessThanOrEqual(Math.min(...held));
  });

  it("agrees with the card: what it would fit is an open hole, likelier than what is fitted", () => {
    const { setting } = advise(log).card;
    const i = sieve.holes.findIndex(({ main, clip }) => main === setting.main && clip === setting.clip);
    const now = sieve.holes.findIndex(
      ({ main, clip }) => main === sieve.fitted.main && clip === sieve.fitted.clip,
    );
    expect(sieve.open[i]).toBe(true);
    expect(sieve.best[i]).toBeGreaterThan(sieve.best[now] ?? NaN);
  });

  it("sets the rest no worse than it is fitted", () => {
    const open = openCase(log);
    const at = sieve.holes.findIndex(({ main, clip }) => main === 165 && clip === sieve.fitted.clip);
    const hole = sieve.holes[at];
    if (!hole) throw new Error("the fitted setting must have a hole");
    const idle = (setting: typeof hole) => Math.abs(trialOf(open, { setting }).zones[0]?.mean ?? NaN);
    expect(idle(hole)).toBeLessThanOrEqual(idle(sieve.fitted) + 1e-9);
  });

  it("closes as looks are taken: a rich plug closes what is richer", () => {
    const open = openCase(log);
    const richer = sieve.holes.flatMap(({ main }, i) => (main >= 165 ? [i] : []));
    const chanceOfRicher = (counted: number) => {
      const { best } = sieveOf(open, AXES, 0, counted);
      return total(richer.map((i) => best[i] ?? 0));
    };
    expect(sieve.looks.map(({ id }) => id)).toEqual(["look:0001", "look:0002", "look:0003"]);
    const told = [0, 1, 2].map(chanceOfRicher);
    expect(told[1]).toBeLessThan(told[0] ?? NaN);
    // The second plug is less rich than the first: it takes some of that back.
    expect(told[2]).toBeGreaterThan(told[1] ?? NaN);
    expect(told[2]).toBeLessThan(told[0] ?? NaN);
  });

  it.each([0, 1, 2, 3])("after %i of the looks it is the sieve of a log that ends there", (counted) => {
    // Nothing else may be set: the holes are the same whatever is believed.
    const only = [
      build("08:00", {
        rules: { locked: ["pilot", "screwTurns", "shimMm"], noWashers: false, onePlug: false },
      }),
      ...log.slice(1),
    ];
    const scrubbed = sieveOf(openCase(only), AXES, 0, counted);
    const struck = log.slice(3 + counted).map(({ id }, i) => strike(`${i + 1}000`, "10:00", id));
    const cut = sieveOf(openCase([...only, ...struck]), AXES);
    expect(scrubbed.holes).toEqual(cut.holes);
    scrubbed.best.forEach((chance, i) => expect(chance).toBeCloseTo(cut.best[i] ?? NaN, 9));
  });

  it("counts looks back over days, and no more of them than one can go back over", () => {
    const many = Array.from({ length: 30 }, (_, i) => ({
      ...plug(`1${String(i).padStart(3, "0")}`, "09:00", "top", "biscuit"),
      at: `2026-05-${String(1 + Math.floor(i / 2)).padStart(2, "0")}T09:0${i % 2}:00+02:00`,
    }));
    const guessed = { baseline: { ...ENDURO_BUILD.baseline, proven: "guess" as const } };
    const early = { ...build("08:00", guessed), at: "2026-04-30T08:00:00+02:00" };
    const open = openCase([early, ...many]);
    const all = sieveOf(open, AXES);
    expect(all.looks).toHaveLength(MOST_LOOKS_BACK);
    expect(all.looks.at(-1)?.id).toBe("look:1029");
    const back = sieveOf(openCase([early, ...many.slice(0, 24)]), AXES, 0, 0);
    expect(openHoles(back.open)).toBeGreaterThan(openHoles(all.open));
  });

  it("offers the sizes around what is fitted where a box has more than the screen", () => {
    const mains = Array.from({ length: 60 }, (_, i) => 100 + 2.5 * i);
    const boxed = build("08:00", { box: { ...ENDURO_BUILD.box, mains } });
    const { across } = sieveOf(openCase([boxed, fit("0001", "08:40", 165)]), AXES);
    expect(across).toHaveLength(MOST_ACROSS);
    expect(across[12]).toBe(165);
  });

  it("keeps a locked part as it is, and refuses a part against itself", () => {
    const locked = build("08:00", { rules: { locked: ["main"], noWashers: false, onePlug: false } });
    expect(sieveOf(openCase([locked]), AXES).across).toEqual([ENDURO_BUILD.baseline.setting.main]);
    expect(() => sieveOf(openCase(log), { across: "clip", down: "clip" })).toThrow(RangeError);
  });
});
