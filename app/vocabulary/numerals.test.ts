import { readTypedNumber } from "#core/units/typed-number.ts";
import { dayTitle } from "./days.ts";
import { fixed, formatQuantity, formatTurns, setRegion, shortest, typedText } from "./numerals.ts";

afterEach(() => setRegion("en-GB"));

describe("numbers as the device's region writes them", () => {
  it("have the region's decimal mark, no groups, and no sign of nothing", () => {
    expect([fixed(1250, 1), shortest(1.5, 3), fixed(-0.04, 1)]).toEqual(["1250.0", "1.5", "0.0"]);
    setRegion("de-DE");
    expect([fixed(1250, 1), shortest(1.5, 3), fixed(-0.04, 1)]).toEqual(["1250,0", "1,5", "0,0"]);
    expect(formatQuantity("temperature", 297.15, "°C")).toBe("24,0 °C");
    expect(formatTurns(1.6)).toBe("1,6");
    expect(formatTurns(1.75)).toBe("1 ¾");
  });
  it("are read back as they were, in every region", () => {
    for (const language of [
      "en-US",
      "de-CH",
      "fr-FR",
      "sv-SE",
      "hi-IN",
      "ar-EG",
      "fa-IR",
      "pt-BR",
      "ja-JP",
    ]) {
      setRegion(language);
      for (const value of [1.25, 1250, -4.5, 0.0031, 142.5])
        expect([language, readTypedNumber(typedText(value))]).toEqual([language, { ok: true, value }]);
      expect([language, readTypedNumber(fixed(-12.25, 2))]).toEqual([language, { ok: true, value: -12.25 }]);
    }
  });
  it("a language that is none leaves all as it was", () => {
    setRegion("de-DE");
    setRegion("not a language");
    expect(fixed(0.5, 1)).toBe("0,5");
  });
});

describe("days", () => {
  it("stand in the region's order, in English words", () => {
    const day = "2026-05-23T13:40:00+02:00";
    expect(dayTitle(day)).toBe("Saturday 23 May 2026");
    setRegion("en-US");
    expect(dayTitle(day)).toBe("Saturday May 23, 2026");
    setRegion("de-DE");
    expect(dayTitle(day)).toBe("Saturday 23 May 2026");
  });
});
