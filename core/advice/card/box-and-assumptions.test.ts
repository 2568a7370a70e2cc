/** What the box lacks, what a rule costs, and what the card leans on. */
import { buildModel } from "../../carburettor/model.ts";
import { jetArea, jetNumberOfArea } from "../../carburettor/jet.ts";
import type { Build, Entry } from "../../log/schema.ts";
import { WORK, reopenedBy } from "../../log/epochs.ts";
import { assumablePaths, ASSUMED_DOUBT, withDoubt } from "../../rig/assumed.ts";
import { boxJet, boxJets } from "../../rig/box.ts";
import { buildOfCarburettor, carburettorCount, cylindersFedBy } from "../../rig/carburettors.ts";
import { checkBuild } from "../../rig/check-build.ts";
import { rigFromBuild } from "../../rig/from-build.ts";
import { STARTING_KINDS, startingBuild } from "../../rig/starting-builds.ts";
import { air, at, build, plug } from "../../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../../demo/enduro-build.ts";
import { advise } from "./advise.ts";

const boxed = (box: Partial<Build["box"]>): Build => ({
  ...ENDURO_BUILD,
  box: { ...ENDURO_BUILD.box, ...box },
});
const flow = { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 } as const;

describe("the box in the carburettor's own numbers", () => {
  it("counts a drilled jet as what the pin gauge says, not as what is stamped", () => {
    const drilled = boxed({ mains: [150], drilled: [{ part: "main", stamped: 148, measuredMm: 1.58 }] });
    expect(boxJets(drilled, "main")).toEqual([
      { number: 150 },
      { number: 158, drilled: { stamped: 148, measuredMm: 1.58 } },
    ]);
    expect(boxJets(drilled, "pilot").map(({ number }) => number)).toEqual(ENDURO_BUILD.box.pilots);
  });

  it("turns a family numbered by flow into diameters, and knows a jet again by its number", () => {
    const family = { name: "Hex, by flow", part: "main" as const, numbering: flow, sizes: [225, 256] };
    const mixed = boxed({ mains: [150], families: [family] });
    // √2.25 = 1.5 mm works like the 150 that is there already; √2.56 = 1.6 mm is new.
    expect(boxJets(mixed, "main")).toEqual([
      { number: 150 },
      { number: 160, family: { name: "Hex, by flow", stamped: 256 } },
    ]);
    expect(boxJet(mixed, "main", 160)?.family?.stamped).toBe(256);
    expect(boxJet(mixed, "main", 161)).toBeUndefined();
  });

  it("goes from number to area and back in both numberings", () => {
    const si = { by: "flow", referenceNumber: 100, referenceDiameterM: 0.001 } as const;
    for (const number of [38, 112.5, 200]) {
      expect(jetNumberOfArea(jetArea(number, { by: "diameter" }), { by: "diameter" })).toBeCloseTo(number, 9);
      expect(jetNumberOfArea(jetArea(number, si), si)).toBeCloseTo(number, 9);
    }
    expect(() => jetNumberOfArea(0, si)).toThrow(RangeError);
  });

  it("puts a drilled jet on the card where it is the best there is", () => {
    const box = {
      ...ENDURO_BUILD.box,
      mains: [165],
      drilled: [{ part: "main" as const, stamped: 148, measuredMm: 1.55 }],
    };
    const rich = plug("0001", "09:00", "top", "umber");
    expect(advise([build("08:00", { box }), air("0001", "08:30"), rich]).card.setting.main).toBe(155);
  });
});

describe("what to buy", () => {
  const looked = (mains: number[]): Entry[] => [
    build("08:00", { box: { ...ENDURO_BUILD.box, mains } }),
    air("0001", "08:30"),
    plug("0001", "09:00", "top", "umber"),
  ];
  it("names a size near the best one when the box ends too early", () => {
    const rich = advise(looked([160, 165, 170]));
    const ideal = advise(looked(ENDURO_BUILD.box.mains)).card.setting.main;
    const main = rich.buy.find(({ part }) => part === "main");
    expect(main?.gain).toBeGreaterThan(0.06);
    expect(Math.abs((main?.number ?? 0) - ideal)).toBeLessThanOrEqual(5);
  });
  it("names nothing when the box holds what is wanted, and never a locked part", () => {
    expect(advise(looked(ENDURO_BUILD.box.mains)).buy.filter(({ part }) => part === "main")).toEqual([]);
    const [first, ...rest] = looked([160, 165, 170]);
    if (first?.kind !== "build") throw new Error("story must start with a build");
    const rules = { locked: ["main" as const], noWashers: false, onePlug: false };
    const ruled = advise([{ ...first, build: { ...first.build, rules } }, ...rest]);
    expect(ruled.buy.filter(({ part }) => part === "main")).toEqual([]);
    expect(ruled.card.setting.main).toBe(165);
  });
});

describe("washers that the class forbids", () => {
  it("stay off the card although the box holds them", () => {
    const box = { ...ENDURO_BUILD.box, shimsMm: [0.3, 0.6] };
    const shims = (noWashers: boolean) =>
      advise([
        build("08:00", { box, rules: { locked: ["clip"], noWashers, onePlug: false } }),
        plug("0001", "09:00", "mid", "bone"),
        plug("0002", "09:10", "mid", "bone"),
      ]).card.setting.shimMm;
    expect(shims(false)).toBeGreaterThan(0);
    expect(shims(true)).toBe(0);
  });
});

describe("assumed values", () => {
  it.each(STARTING_KINDS)("of a new %s are marked wherever they are there, and only there", (kind) => {
    const start = startingBuild(kind);
    expect(start.assumed).toEqual(assumablePaths(start));
    expect(start.assumed?.includes("carburettor.slide.cutawayMm")).toBe(
      start.carburettor.slide.kind === "manual",
    );
    expect(() => checkBuild(start)).not.toThrow();
  });

  it("move one field by its doubt and leave the rest alone", () => {
    const moved = withDoubt(ENDURO_BUILD, "carburettor.needleJetMm");
    expect(moved?.carburettor.needleJetMm).toBeCloseTo(2.7, 12);
    expect({ ...moved, carburettor: { ...moved?.carburettor, needleJetMm: 2.68 } }).toEqual(ENDURO_BUILD);
    const needle = withDoubt(ENDURO_BUILD, "carburettor.needle.profile")?.carburettor.needle.profile;
    expect(needle?.map(({ diameterMm }) => diameterMm)[0]).toBeCloseTo(2.5, 12);
    expect(withDoubt(ENDURO_BUILD, "plate")).toBeUndefined();
  });

  it("are named by how far they would move the card; confirmed ones are not named", () => {
    const at30 = air("0001", "08:30", { temperatureK: 303.15 });
    const assumed = Object.keys(ASSUMED_DOUBT);
    const named = advise([build("08:00", { assumed }), at30]).leanings;
    expect(named).toHaveLength(3);
    const sizes = named.map(({ effect }) => Math.abs(effect));
    expect([...sizes].sort((a, b) => b - a)).toEqual(sizes);
    expect(sizes.at(-1)).toBeGreaterThanOrEqual(0.005);
    const [strongest] = named;
    const rest = assumed.filter((path) => path !== strongest?.path);
    expect(advise([build("08:00", { assumed: rest }), at30]).leanings.map(({ path }) => path)).not.toContain(
      strongest?.path,
    );
    expect(advise([build(), at30]).leanings).toEqual([]);
  });

  it("say how far: the baseline's warmth counts as the model says it does", () => {
    const [leaning] = advise([
      build("08:00", { assumed: ["baseline.air.temperatureK"] }),
      air("0001", "08:30"),
    ]).leanings;
    // A warmer baseline day needed less fuel for the same λ: today would be leaner by about ½ ln(T'/T) and more.
    expect(leaning?.effect).toBeGreaterThan(0.01);
    expect(leaning?.effect).toBeLessThan(0.04);
  });
});

describe("several carburettors", () => {
  const engine = { ...ENDURO_BUILD.engine, cylinders: 4 };
  it("are each a rig of one, and share the cylinders in order", () => {
    const setting = { ...ENDURO_BUILD.baseline.setting, main: 150 };
    const two: Build = {
      ...ENDURO_BUILD,
      engine,
      carburettors: 2,
      others: [{ carburettor: { ...ENDURO_BUILD.carburettor, boreMm: 36 }, setting }],
    };
    expect(carburettorCount(two)).toBe(2);
    expect(buildOfCarburettor(two, 1)).toMatchObject({ carburettor: { boreMm: 36 }, baseline: { setting } });
    expect(buildModel(rigFromBuild(buildOfCarburettor(two, 1))).rig.carburettor.boreM).toBeCloseTo(0.036, 12);
    expect([cylindersFedBy(two, 0), cylindersFedBy(two, 1)]).toEqual([
      [1, 2],
      [3, 4],
    ]);
    expect(() => checkBuild(two)).not.toThrow();
    expect(() => buildOfCarburettor(two, 2)).toThrow("carburettor must be in 0..1, got 2");
  });
  it("are refused where they cannot share the cylinders, or one of them cannot be", () => {
    expect(() => checkBuild({ ...ENDURO_BUILD, engine, carburettors: 3 })).toThrow(
      "carburettors must share the 4 cylinders evenly, got 3",
    );
    const { setting } = ENDURO_BUILD.baseline;
    const thick = { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 };
    expect(() =>
      checkBuild({ ...ENDURO_BUILD, engine, carburettors: 2, others: [{ carburettor: thick, setting }] }),
    ).toThrow("needle must be thinner than its jet (2.5 mm)");
    expect(() => checkBuild({ ...ENDURO_BUILD, engine, carburettors: 4, others: [] })).toThrow("one by one");
  });
});

describe("work that reopens doubts", () => {
  const looks = [plug("0001", "09:00", "top", "biscuit"), plug("0002", "09:10", "mid", "biscuit")];
  const sds = (what?: keyof typeof WORK) => {
    const work: Entry[] = what ? [{ id: "work:0001", at: at("10:00"), kind: "work", what, why: "" }] : [];
    return advise([build(), ...looks, ...work]).zones.map(({ sd }) => sd);
  };
  it("widens what it touches and nothing else", () => {
    const before = sds();
    const main = sds("mainCleaned");
    expect(main[3]).toBeGreaterThan((before[3] ?? 0) * 1.2);
    expect(main[0]).toBeCloseTo(before[0] ?? 0, 3);
    expect(sds("plugReplaced")).toEqual(before);
    const pipe = sds("pipeChanged");
    for (const [i, sd] of before.entries()) expect(pipe[i]).toBeGreaterThan(sd);
    expect(reopenedBy("floatSet")).toEqual(["pilot", "needle", "main"]);
  });
});
