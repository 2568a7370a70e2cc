/** A part from the box in a carburettor: what it changes, what comes out for it, and what cannot be. */
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { ATV, TWIN } from "../../demo/other-rigs.ts";
import { BenchPart } from "../log/part-schema.ts";
import type { Build } from "../log/schema.ts";
import { fitPart, isFitted, partInPlaceOf, withPart } from "./bench-part.ts";
import { withStraight } from "./needle-shape.ts";

const body = ENDURO_BUILD.carburettor;
const thicker: BenchPart = { kind: "needle", name: "thick", needle: withStraight(body.needle, 0.02) };
const own: BenchPart = { kind: "needle", name: "own", needle: body.needle };
const boxed = (...parts: BenchPart[]): Build => ({ ...ENDURO_BUILD, box: { ...ENDURO_BUILD.box, parts } });

const EACH: readonly (readonly [BenchPart, Build])[] = [
  [thicker, ENDURO_BUILD],
  [{ kind: "needleJet", name: "a", needleJetMm: 2.7 }, ENDURO_BUILD],
  [{ kind: "slide", name: "a", cutawayMm: 4.5 }, ENDURO_BUILD],
  [{ kind: "airJet", name: "a", path: "main", holeMm: 1 }, ATV.build],
  [{ kind: "airJet", name: "a", path: "pilot", holeMm: 1 }, ATV.build],
  [{ kind: "emulsionTube", name: "a", drilled: true }, ENDURO_BUILD],
  [{ kind: "slideSpring", name: "a", depressionPa: 2500 }, ATV.build],
];

it.each(EACH)("a $kind goes in, is in then, and what came out goes back in", (part, build) => {
  const before = { ...build.carburettor };
  expect(isFitted(build, part)).toBe(false);
  const fitted = withPart(build, part);
  expect(isFitted(fitted, part)).toBe(true);
  const out = partInPlaceOf(before, part, "what was in");
  expect(out && withPart(fitted, out).carburettor).toEqual(before);
  expect(BenchPart.safeParse(part).success).toBe(true);
});

it("a vacuum slide has no cutaway, a manual one no spring that sets the mixture", () => {
  expect(() => withPart(ATV.build, { kind: "slide", name: "a", cutawayMm: 4 })).toThrow(
    "a cutaway must be a manual slide’s, got a vacuum slide",
  );
  const spring: BenchPart = { kind: "slideSpring", name: "a", depressionPa: 2500 };
  expect(() => withPart(ENDURO_BUILD, spring)).toThrow(RangeError);
  expect(isFitted(ENDURO_BUILD, spring)).toBe(false);
  expect(partInPlaceOf(body, spring, "out")).toBeUndefined();
});

describe("fitted", () => {
  it("it leaves what came out in the box, once, and the baseline as it was", () => {
    const once = fitPart(boxed(thicker), 0, thicker, "the old one");
    expect(once.box.parts).toEqual([thicker, { ...own, name: "the old one" }]);
    expect(once.baseline).toEqual(ENDURO_BUILD.baseline);
    // The old one back in: both lie in the box already.
    const back = fitPart(once, 0, { ...own, name: "the old one" }, "again");
    expect(back.box).toEqual(once.box);
    expect(back.carburettor).toEqual(body);
  });

  it("what is measured now is no longer assumed", () => {
    const assumed = [
      "carburettor.needle.profile",
      "carburettor.needle.groovePitchMm",
      "carburettor.needleJetMm",
    ];
    const fitted = fitPart({ ...boxed(thicker), assumed }, 0, thicker, "old");
    expect(fitted.assumed).toEqual(["carburettor.needleJetMm"]);
  });

  it("on one of several it stands in that one alone, on all that are alike in all", () => {
    const { carburettor, baseline } = TWIN.build;
    const jet: BenchPart = { kind: "needleJet", name: "wide", needleJetMm: carburettor.needleJetMm + 0.02 };
    expect(fitPart(TWIN.build, 0, jet, "old").carburettor.needleJetMm).toBe(jet.needleJetMm);
    const apart: Build = { ...TWIN.build, others: [{ carburettor, setting: baseline.setting }] };
    const second = fitPart(apart, 1, jet, "old");
    expect(second.carburettor).toEqual(carburettor);
    expect(second.others?.[0]?.carburettor.needleJetMm).toBe(jet.needleJetMm);
  });

  it("no machine that cannot be comes of it", () => {
    const fat: BenchPart = { kind: "needle", name: "fat", needle: withStraight(body.needle, 0.2) };
    expect(() => fitPart(boxed(fat), 0, fat, "old")).toThrow("needle must be thinner than its jet");
    const narrow: BenchPart = { kind: "needleJet", name: "narrow", needleJetMm: 2.5 };
    expect(() => fitPart(boxed(narrow), 0, narrow, "old")).toThrow(RangeError);
  });
});
