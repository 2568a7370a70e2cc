/** A setting that was right in some other air: however it is logged, it says the same. */
import { advise, type Advice } from "../advice/card/advise.ts";
import { at } from "../__tests__/entries.ts";
import type { AirState } from "../air/humid-air.ts";
import type { Build, Entry, Proven, Setting } from "../log/schema.ts";
import { STARTING_KINDS, startingBuild } from "../rig/starting-builds.ts";

const HILL: AirState = { temperatureK: 291.15, pressurePa: 80_500, relativeHumidity: 0.5 };
const COAST: AirState = { temperatureK: 301.15, pressurePa: 101_900, relativeHumidity: 0.8 };

const buildEntry = (id: string, time: string, build: Build): Entry => ({
  id: `build:${id}`,
  at: at(time),
  kind: "build",
  build,
  reopens: [],
  why: "",
});

const airEntry = (id: string, time: string, state: AirState): Entry => ({
  id: `air:${id}`,
  at: at(time),
  kind: "air",
  temperatureK: state.temperatureK,
  humidity: { kind: "relative", fraction: state.relativeHumidity },
  pressure: { kind: "station", pressurePa: state.pressurePa },
  place: "",
});

const provenEntry = (
  id: string,
  time: string,
  how: Exclude<Proven, "guess">,
  setting: Setting,
  air: AirState,
): Entry => ({ id: `proven:${id}`, at: at(time), kind: "proven", how, setting, air, note: "" });

/** The claim as the rig's screen logs it, in a build of its own; and as an entry of its own. */
const WAYS = {
  build: (
    id: string,
    time: string,
    on: Build,
    how: Exclude<Proven, "guess">,
    setting: Setting,
    air: AirState,
  ) => buildEntry(id, time, { ...on, baseline: { setting, air, proven: how } }),
  entry: (
    id: string,
    time: string,
    _: Build,
    how: Exclude<Proven, "guess">,
    setting: Setting,
    air: AirState,
  ) => provenEntry(id, time, how, setting, air),
};

const zonesOf = ({ zones }: Advice) => zones.map(({ mean, sd }) => [mean, sd]);

function expectAlike(one: Advice, other: Advice): void {
  for (const [i, [mean = NaN, sd = NaN]] of zonesOf(one).entries()) {
    const [otherMean = NaN, otherSd = NaN] = zonesOf(other)[i] ?? [];
    expect(Math.abs(mean - otherMean)).toBeLessThan(0.001);
    expect(Math.abs(sd - otherSd)).toBeLessThan(0.001);
  }
}

describe.each(STARTING_KINDS)("a setting that was right in other air, on a %s", (kind) => {
  const guess = startingBuild(kind);
  const { setting } = guess.baseline;
  const hillMain = Math.round(setting.main * 0.92);
  const onTheHill = { ...setting, main: hillMain };

  it("says the same as a build’s baseline and as an entry of its own", () => {
    const log = (way: keyof typeof WAYS) => [
      buildEntry("0001", "08:00", guess),
      WAYS[way]("0002", "09:00", guess, "measured", setting, HILL),
      airEntry("0001", "09:30", HILL),
    ];
    const [byBuild, byEntry] = [advise(log("build")), advise(log("entry"))];
    expectAlike(byBuild, byEntry);
    expect(byBuild.card.setting).toEqual(byEntry.card.setting);
    // In that very air it is right: nothing is leaned.
    for (const { mean } of byBuild.zones) expect(Math.abs(mean)).toBeLessThan(0.015);
    expect(byBuild.card.setting).toEqual(setting);
  });

  it("says the same with a claim before it, and another fuel or part between", () => {
    const fuel: Build = {
      ...guess,
      fuel: { name: "petrol", ethanolPercent: guess.fuel.name === "methanol" ? 85 : 10 },
    };
    const jet: Build = {
      ...fuel,
      carburettor: { ...fuel.carburettor, needleJetMm: fuel.carburettor.needleJetMm + 0.01 },
    };
    const log = (way: keyof typeof WAYS) => {
      const say = WAYS[way];
      const keep = (build: Build): Build =>
        way === "entry" ? build : { ...build, baseline: { setting, air: COAST, proven: "ranWell" } };
      return [
        buildEntry("0001", "07:00", guess),
        say("0002", "08:00", guess, "ranWell", setting, COAST),
        buildEntry("0003", "09:00", keep(fuel)),
        buildEntry("0004", "10:00", keep(jet)),
        say("0005", "11:00", jet, "measured", onTheHill, HILL),
        airEntry("0001", "11:30", HILL),
      ];
    };
    expectAlike(advise(log("build")), advise(log("entry")));
  });
});
