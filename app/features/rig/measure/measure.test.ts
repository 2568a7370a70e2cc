import { ASSUMED_DOUBT, assumablePaths } from "#core/rig/assumed.ts";
import { STARTING_KINDS, startingBuild } from "#core/rig/starting-builds.ts";
import { fold } from "#core/log/fold.ts";
import { answerOf, freshRig, logged, sent, refusal } from "#app/testing/rig.ts";
import { at } from "../../../../core/__tests__/entries.ts";
import { HOW_TO } from "./how.ts";
import { hasGaugePlace } from "./GaugePlace.tsx";
import { textOf, withMeasured } from "./measured.ts";
import { clientAction as measure } from "./route.tsx";

const bike = startingBuild("twoStrokeBike");

describe("each assumed value", () => {
  it.each(Object.keys(ASSUMED_DOUBT))("%s says where the gauge goes", (path) => {
    expect(HOW_TO[path]?.how).toMatch(/^\p{Lu}.{20,}\.$/su);
    expect(HOW_TO[path]?.minutes).toBeLessThanOrEqual(20);
  });

  it.each(Object.keys(ASSUMED_DOUBT).filter((path) => /^carburettor\.|setting/.test(path)))(
    "%s is pointed at in the drawing",
    (path) => expect(hasGaugePlace(path)).toBe(true),
  );

  it.each(STARTING_KINDS)("of a %s is confirmed as it stands by typing it again", (kind) => {
    const build = startingBuild(kind);
    for (const path of assumablePaths(build)) {
      const read = withMeasured(build, path, textOf(build, path));
      if (!read.ok) throw new Error(`${path}: ${read.message}`);
      expect(read.build.assumed ?? []).not.toContain(path);
      expect({ ...read.build, assumed: build.assumed }).toEqual(build);
    }
  });

  it("of a needle moves it all along, its tapers as they were", () => {
    const read = withMeasured(bike, "carburettor.needle.profile", "2,5");
    if (!read.ok) throw new Error(read.message);
    const by = bike.carburettor.needle.profile.map(({ diameterMm }, i) =>
      Number(((read.build.carburettor.needle.profile[i]?.diameterMm ?? NaN) - diameterMm).toFixed(3)),
    );
    expect(by).toEqual([-0.02, -0.02, -0.02, -0.02]);
  });

  it.each([
    ["carburettor.needleJetMm", "", "Type a number"],
    ["carburettor.needleJetMm", "2.4", "needle must be thinner"],
    ["carburettor.needle.profile", "thick", "“thick” is not a number"],
    ["carburettor.boreMm", "3", "at least 8"],
    ["baseline.air.temperatureK", "900", "Must lie between"],
    ["carburettor.slide.depressionPa", "2000", "no such thing"],
  ])("%s is refused as “%s”", (path, text, words) => {
    expect(withMeasured(bike, path, text)).toMatchObject({
      ok: false,
      message: expect.stringContaining(words) as string,
    });
  });
});

describe("a measure on its own page", () => {
  beforeEach(() =>
    freshRig([{ id: "build:0001", at: at("08:00"), kind: "build", build: bike, reopens: [], why: "" }]),
  );

  it("is logged as measured better, and is assumed no more", async () => {
    const measured = sent({ path: "carburettor.needleJetMm", value: "2.66", by: "pin gauge" });
    expect(answerOf(await measure(measured)).status).toBe(302);
    const [entry] = (await logged()).slice(-1);
    expect(entry).toMatchObject({
      kind: "build",
      corrects: ["carburettor.needleJetMm"],
      why: "Measured: the needle jet, pin gauge",
    });
    const { build } = fold(await logged());
    expect(build?.carburettor.needleJetMm).toBe(2.66);
    expect(build?.assumed).not.toContain("carburettor.needleJetMm");
  });

  it.each([
    [{ path: "carburettor.needleJetMm", value: "x".repeat(5000) }, "value", "40 signs"],
    [{ path: "carburettor.horn", value: "1" }, "path", "Choose one"],
    [{ path: "toString", value: "1" }, "path", "Choose one"],
    [{ path: "carburettor.boreMm", value: "NaN" }, "value", "is not a number"],
  ])("refuses %j", async (fields, field, words) => {
    expect((await refusal(() => measure(sent({ by: "", ...fields })))).fields?.[field]).toContain(words);
  });
});
