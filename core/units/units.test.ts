import fc from "fast-check";
import { requireFinite, requireWhole } from "./guard.ts";
import { formatQuantity, fromSI, readQuantity, toSI, UNITS } from "./quantity.ts";
import { readTypedNumber } from "./typed-number.ts";
import { formatOrdinal, formatPercent, formatTurns } from "./workshop.ts";

describe("typed numbers", () => {
  it.each([
    ["1 3/4", 1.75],
    ["1¾", 1.75],
    ["1 ¾", 1.75],
    ["¾", 0.75],
    ["1,75", 1.75],
    ["1.75", 1.75],
    [".5", 0.5],
    ["-5", -5],
    ["−5,5", -5.5],
    ["-1 1/2", -1.5],
    [" 165 ", 165],
    ["1.01325e5", 101_325],
    ["5E-1", 0.5],
  ])("reads %p as %d", (text, value) => {
    expect(readTypedNumber(text)).toEqual({ ok: true, value });
  });

  it.each([
    ["", "empty"],
    ["   ", "empty"],
    ["1,013.25", "twoMarks"],
    ["main", "notANumber"],
    ["1e999", "notANumber"],
    ["e5", "notANumber"],
    ["1 3/0", "notANumber"],
    ["NaN", "notANumber"],
    ["Infinity", "notANumber"],
    ["1 2", "notANumber"],
    ["9".repeat(400), "notANumber"],
  ])("does not read %p: %s", (text, reason) => {
    expect(readTypedNumber(text)).toEqual({ ok: false, reason });
  });

  it("never yields a NaN or an infinity, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(..."0123456789 ./,-¼½¾eE+x") }), (text) => {
        const read = readTypedNumber(text);
        if (read.ok) expect(Number.isFinite(read.value)).toBe(true);
      }),
      { seed: 7, numRuns: 2000 },
    );
  });
});

describe("quantities", () => {
  it.each([
    ["temperature", "75 °F", 297.0389],
    ["temperature", "24", 297.15],
    ["temperature", "-5,5", 267.65],
    ["pressure", "863", 86_300],
    ["pressure", "25.48inHg", 86_285.2],
    ["pressure", "86,3 kPa", 86_300],
    ["length", "4500 ft", 1371.6],
    ["humidity", "46 %", 0.46],
  ] as const)("reads %s %p", (kind, text, valueSI) => {
    const usual = { temperature: "°C", pressure: "hPa", length: "m", humidity: "%" } as const;
    const read = readQuantity(kind, text, usual[kind] as never);
    expect(read.ok && read.valueSI).toBeCloseTo(valueSI, 1);
  });

  it("names an unknown unit and says when there is no number", () => {
    expect(readQuantity("pressure", "14.7 psi", "hPa")).toEqual({
      ok: false,
      reason: "unknownUnit",
      text: "psi",
    });
    expect(readQuantity("pressure", "hPa", "hPa")).toMatchObject({ ok: false, reason: "notANumber" });
    expect(readQuantity("pressure", "", "hPa")).toMatchObject({ ok: false, reason: "empty" });
    expect(() => toSI("pressure", 1, "psi" as never)).toThrow(
      "unit must be one of hPa, kPa, Pa, inHg, mmHg, got psi",
    );
  });

  it("goes to SI and back unchanged in every unit", () => {
    for (const [kind, table] of Object.entries(UNITS))
      for (const name of Object.keys(table))
        expect(fromSI(kind as never, toSI(kind as never, 42.5, name as never), name as never)).toBeCloseTo(
          42.5,
          6,
        );
  });

  it("shows a number with the decimals usual for its unit", () => {
    expect(formatQuantity("temperature", 297.15, "°C")).toBe("24.0 °C");
    expect(formatQuantity("temperature", 273.13, "°C")).toBe("0.0 °C");
    expect(formatQuantity("pressure", 86_300, "inHg")).toBe("25.48 inHg");
  });
});

describe("workshop wording", () => {
  it.each([
    [1.75, "1 ¾"],
    [0, "0"],
    [0.5, "½"],
    [2, "2"],
    [1.625, "1 ⅝"],
    [1.6, "1.6"],
  ])("writes %d turns as %s", (turns, text) => expect(formatTurns(turns)).toBe(text));

  it("counts grooves and rounds per cents without a minus nought", () => {
    expect([1, 2, 3, 4, 11, 22].map(formatOrdinal)).toEqual(["1st", "2nd", "3rd", "4th", "11th", "22nd"]);
    expect(formatPercent(0.0412)).toBe("4.1");
    expect(formatPercent(-0.0004, 0)).toBe("0");
  });
});

describe("guards", () => {
  it("name the quantity, the rule and the value", () => {
    expect(() => requireFinite("shim", NaN)).toThrow("shim must be a finite number, got NaN");
    expect(() => requireWhole("clip", 2.5, 1, 5)).toThrow("clip must be a whole number, got 2.5");
    expect(() => requireWhole("clip", 6, 1, 5)).toThrow("clip must be in 1..5, got 6");
  });
});
