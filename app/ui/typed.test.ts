import fc from "fast-check";
import * as z from "zod/mini";
import {
  maybe,
  maybeAll,
  spaced,
  typedNumber,
  typedQuantity,
  typedSizes,
  variants,
  yesOrNo,
} from "./typed.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";

const turns = typedNumber(z.number().check(z.gte(0), z.lte(10)));
const said = (field: z.ZodMiniType, typed: unknown): string[] => {
  const read = z.safeDecode(field, typed, { error: boundWords });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`);
};

describe("what stands in a field", () => {
  it("reads what it shows, whatever the number", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 10, noNaN: true }), (value) => {
        expect(z.decode(turns, z.encode(turns, value))).toBe(value === 0 ? 0 : value);
      }),
    );
  });

  it.each([
    ["1 3/4", 1.75],
    ["1,5", 1.5],
    ["2.25", 2.25],
  ])("takes %s as the workshop writes it", (typed, value) => expect(z.decode(turns, typed)).toBe(value));

  it.each([
    ["", "Type a number here."],
    ["much", "“much” is not a number."],
    ["12", "Must be at most 10."],
    ["-1", "Must be at least 0."],
  ])("says of “%s” what is wrong", (typed, words) => expect(said(turns, typed)).toEqual([`: ${words}`]));

  it("knows a whole number from a half", () => {
    expect(said(typedNumber(z.int().check(z.gte(1))), "2.5")).toEqual([": Must be a whole number."]);
  });

  it("keeps quantities in SI and shows them in the field’s unit", () => {
    const air = typedQuantity("temperature", "°C", z.number().check(z.gte(233.15), z.lte(333.15)));
    expect(z.decode(air, "59 °F")).toBeCloseTo(288.15, 6);
    expect(z.encode(air, 288.15)).toBe("15");
    expect(said(air, "90")).toEqual([": Must lie between -40 °C and 60 °C."]);
  });

  it("says of a list of sizes which is none, and that one is too large, at the list", () => {
    const sizes = typedSizes(z.array(z.number().check(z.gte(5), z.lte(999))));
    expect(z.decode(sizes, "150 to 155 by 2.5")).toEqual([150, 152.5, 155]);
    expect(said(sizes, "150, big")[0]).toContain("“big” is no size");
    expect(said(sizes, "150, 5000")).toEqual([": Must be at most 999."]);
  });

  it("holds yes and no, and names parted by spaces", () => {
    expect([z.decode(yesOrNo, "yes"), z.encode(yesOrNo, false)]).toEqual([true, "no"]);
    expect([z.decode(spaced, " clip  main "), z.encode(spaced, ["clip"])]).toEqual([
      ["clip", "main"],
      "clip",
    ]);
  });
});

describe("what may stay empty", () => {
  it("is nothing then, and is shown as nothing", () => {
    expect([z.decode(maybe(turns), "  "), z.encode(maybe(turns), undefined)]).toEqual([undefined, ""]);
    expect(said(maybe(turns), "99")).toEqual([": Must be at most 10."]);
  });

  it("is left out together, unless one that counts was typed: then the others are asked for", () => {
    const empty = { from: "", to: "", unit: "mm" };
    const range = maybeAll(z.object({ from: turns, to: turns, unit: z.string() }), ["from", "to"], empty);
    expect(z.decode(range, { ...empty, unit: "inch" })).toBeUndefined();
    expect(z.encode(range, undefined)).toEqual(empty);
    expect(said(z.object({ range }), { range: { ...empty, from: "1" } })).toEqual([
      "range.to: Type a number here.",
    ]);
  });
});

describe("one of several variants", () => {
  const opened = { kind: "round", diameter: "1", width: "2" };
  const hole = variants<typeof opened, { kind: string; diameter?: number; width?: number }>(
    "kind",
    { round: z.object({ diameter: turns }), slot: z.object({ width: turns }) },
    opened,
  );

  it("reads only the chosen one, whatever waits in the others", () => {
    expect(z.decode(hole, { kind: "slot", diameter: "nonsense", width: "3" })).toEqual({
      kind: "slot",
      width: 3,
    });
    expect(said(hole, { ...opened, diameter: "wide" })).toEqual(["diameter: “wide” is not a number."]);
  });

  it("is shown with usual values waiting in the others", () => {
    expect(z.encode(hole, { kind: "slot", width: 5 })).toEqual({ ...opened, kind: "slot", width: "5" });
  });
});
