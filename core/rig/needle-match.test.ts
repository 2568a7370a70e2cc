/** Which needle is nearest: as the mixture says, against needles whose answer is known beforehand. */
import { humidAir } from "../air/humid-air.ts";
import { buildModel } from "../carburettor/model.ts";
import { mixtureShift } from "../carburettor/mixture-shift.ts";
import { WORKED_EXAMPLE } from "../__tests__/worked-example.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import type { LoggedNeedle } from "../log/part-schema.ts";
import { settingFromLog } from "./from-build.ts";
import { matchNeedles } from "./needle-match.ts";
import { straightOf, withStraight, withTaperMoved } from "./needle-shape.ts";

const { needle } = ENDURO_BUILD.carburettor;
const { setting, air } = ENDURO_BUILD.baseline;
const model = buildModel(WORKED_EXAMPLE);
const match = (others: readonly LoggedNeedle[], clip = setting.clip) =>
  matchNeedles(model, setting, humidAir(air), { needle, clip }, others);

it("the same needle is nearest to itself, in the groove it stands in", () => {
  const [first, second] = match([withStraight(needle, 0.01), needle]);
  expect(first).toMatchObject({ index: 1, clip: setting.clip });
  expect(first?.apart).toBeCloseTo(0, 12);
  expect(second?.index).toBe(0);
});

it("one whose every point lies a pitch further along is the same one groove lower", () => {
  const profile = needle.profile.map((point) => ({
    ...point,
    alongMm: point.alongMm + needle.groovePitchMm,
  }));
  const [only] = match([{ ...needle, profile }]);
  expect(only?.clip).toBe(setting.clip + 1);
  expect(only?.apart).toBeCloseTo(0, 12);
});

it("says what the model says: a straight 0.02 mm thicker, in per cent just off idle", () => {
  const thick = withStraight(needle, 0.02);
  const [only] = match([{ ...thick, grooves: 3 }], 3);
  const rig = WORKED_EXAMPLE;
  const profile = thick.profile.map((p) => ({ alongM: p.alongMm / 1000, diameterM: p.diameterMm / 1000 }));
  const other = {
    ...model,
    rig: { ...rig, carburettor: { ...rig.carburettor, needle: { ...rig.carburettor.needle, profile } } },
  };
  const at = (asked: typeof model) => mixtureShift(asked, settingFromLog(setting), air, [0.18])[0];
  // A second way: both needles through the whole model, each against its own baseline, brought to one.
  const { feedAt, pointAt } =
    jest.requireActual<typeof import("../carburettor/model.ts")>("../carburettor/model.ts");
  const point = pointAt(rig, humidAir(air), 0.18);
  const by =
    feedAt(other, settingFromLog(setting), point).lnAirFuel -
    feedAt(model, settingFromLog(setting), point).lnAirFuel;
  expect(at(model)?.shift).toBeCloseTo(0, 12);
  expect(100 * by).toBeCloseTo(9.6, 1);
  expect(only?.zones.low).toBeGreaterThan(0.6 * by);
  expect(only?.zones.low).toBeLessThan(1.1 * by);
});

it("what is as thick as its jet at full lift is left out; a wanted one that cannot be is refused", () => {
  expect(match([withStraight(needle, 0.2), needle]).map(({ index }) => index)).toEqual([1]);
  expect(() =>
    matchNeedles(model, setting, humidAir(air), { needle: withStraight(needle, 0.2), clip: 3 }, [needle]),
  ).toThrow(RangeError);
});

describe("a needle by its measures", () => {
  it("has a straight, which alone grows thicker", () => {
    expect(straightOf(needle)).toEqual({ diameterMm: 2.52, endMm: 11 });
    expect(withStraight(needle, 0.01).profile.map(({ diameterMm }) => diameterMm)).toEqual([
      2.53, 2.53, 2.25, 1.55,
    ]);
    expect(withStraight(withStraight(needle, 0.01), -0.01)).toEqual(needle);
  });
  it("has a taper that begins elsewhere, never before the needle does", () => {
    expect(withTaperMoved(needle, -1.5).profile.map(({ alongMm }) => alongMm)).toEqual([0, 9.5, 22.5, 38.5]);
    expect(() => withTaperMoved(needle, -11)).toThrow(
      "a taper must begin after 0 mm along the needle, got 0",
    );
    // One that tapers from its very first point has nothing to begin after.
    const conical = { ...needle, profile: needle.profile.slice(1) };
    expect(straightOf(conical)).toEqual({ diameterMm: 2.52, endMm: 11 });
    expect(withTaperMoved(conical, -20).profile[0]?.alongMm).toBe(-9);
  });
});
