import { humidAir } from "../air/humid-air.ts";
import { advise } from "../advice/card/advise.ts";
import { at } from "../__tests__/entries.ts";
import { ASSUMED_DOUBT } from "./assumed.ts";
import { checkBuild } from "./check-build.ts";
import { firstRig, usualSetting, type KnownOfRig } from "./first-rig.ts";
import { STARTING_KINDS, startingBuild, type StartingKind } from "./starting-builds.ts";

const known = (more: Partial<KnownOfRig> = {}): KnownOfRig => ({
  kind: "twoStrokeBike",
  displacementCm3: 250,
  boreMm: 38,
  setting: usualSetting("twoStrokeBike", 38),
  proven: "ranWell",
  ...more,
});

/** The ring between needle and jet at a point, as a share of the throttle's area. */
const ringShare = (build: ReturnType<typeof firstRig>, point: number): number => {
  const { needleJetMm, needle, boreMm } = build.carburettor;
  const { diameterMm } = needle.profile[point] ?? { diameterMm: NaN };
  return (needleJetMm ** 2 - diameterMm ** 2) / boreMm ** 2;
};

describe("a first rig", () => {
  const sizes = STARTING_KINDS.flatMap((kind) => {
    const { boreMm } = startingBuild(kind).carburettor;
    return [0.8, 0.9, 1, 1.15, 1.3].map((scale) => [kind, boreMm * scale] as const);
  });
  const rigOf = (kind: StartingKind, boreMm: number) => {
    const { displacementCm3 } = startingBuild(kind).engine;
    return firstRig({ kind, displacementCm3, boreMm, setting: usualSetting(kind, boreMm), proven: "book" });
  };
  it.each(sizes)("%s with a bore of %d mm is a machine that can be", (kind, boreMm) => {
    const build = rigOf(kind, boreMm);
    expect(() => checkBuild(build)).not.toThrow();
    expect(build.box.mains).toContain(build.baseline.setting.main);
    expect(build.box.pilots).toContain(build.baseline.setting.pilot);
  });

  it.each(STARTING_KINDS)("%s has a card at once: what was right stays, in its own air", (kind) => {
    const build = rigOf(kind, startingBuild(kind).carburettor.boreMm * 0.95);
    const { card } = advise([
      { id: "build:0001", at: at("09:00"), kind: "build", build, reopens: [], why: "" },
    ]);
    expect(card.setting).toEqual(build.baseline.setting);
  });

  it("keeps the ring round the needle in its share of the bore", () => {
    const usual = firstRig(known());
    for (const boreMm of [30, 34, 40, 44]) {
      const other = firstRig(known({ boreMm }));
      for (const point of [0, 2, 3])
        expect(ringShare(other, point) / ringShare(usual, point)).toBeCloseTo(1, 0.9);
    }
  });

  it("brings jets to the bore, in the steps they are made in", () => {
    expect(usualSetting("twoStrokeBike", 38)).toEqual(startingBuild("twoStrokeBike").baseline.setting);
    expect(usualSetting("twoStrokeBike", 36).main).toBe(157.5);
    expect(usualSetting("methanolRacer", 28).main % 5).toBe(0);
  });

  it("holds what was said for said, and the rest for assumed", () => {
    const { assumed = [] } = firstRig(known());
    expect(assumed).not.toContain("carburettor.boreMm");
    expect(assumed).not.toContain("baseline.setting.main");
    expect(assumed).toContain("carburettor.needleJetMm");
    expect(assumed).toContain("baseline.air.temperatureK");
    const air = humidAir({ temperatureK: 300, pressurePa: 95_000, relativeHumidity: 0.4 });
    const typed = firstRig(known({ air })).assumed ?? [];
    expect(typed).not.toContain("baseline.air.temperatureK");
    expect(typed).toContain("baseline.air.relativeHumidity");
    for (const path of assumed) expect(Object.keys(ASSUMED_DOUBT)).toContain(path);
  });

  it.each([
    [{ boreMm: 3 }, "bore must be in 8..80 mm, got 3"],
    [{ boreMm: Number.NaN }, "bore must be in 8..80 mm, got NaN"],
    [{ displacementCm3: 5000 }, "displacement must be in 10..2000 cm³, got 5000"],
  ])("refuses %j", (more, words) => {
    expect(() => firstRig(known(more))).toThrow(words);
  });
});
