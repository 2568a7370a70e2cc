import { Preferences } from "#app/vocabulary/preferences.ts";
import type { PastDay } from "#core/day/days-like.ts";
import { differsWords, movedWords } from "./words.ts";

const units = Preferences.parse({});
const day = (over: Partial<PastDay>): PastDay =>
  ({ denser: 0, damperPa: 0, samePlace: true, worked: false, ...over }) as PastDay;

describe("what sets a past day apart", () => {
  it("is nothing where the air, the place and the machine are the same", () => {
    expect(differsWords(day({}), units)).toBe("As much to burn as today; the same place; the same machine.");
  });
  it.each([
    [{ denser: 0.034 }, "Today has 3.4 % more to burn; "],
    [{ denser: -0.034 }, "Today has 3.4 % less to burn; "],
    [{ damperPa: 640 }, "As much to burn as today, and is damper by 6 hPa of vapour; "],
    [{ denser: 0.01, damperPa: -900 }, "more to burn, and is drier by 9 hPa"],
    [{ samePlace: false }, "another place"],
    [{ worked: true }, "parts or passages have been worked on since."],
  ])("%p", (over, words) => expect(differsWords(day(over), units)).toContain(words));
});

describe("what the air does to that day's setting", () => {
  it("names the zones that feel it, and says when none does", () => {
    expect(movedWords({ idle: 0.001, low: -0.004, mid: 0.0049, top: 0 })).toContain("does what it did");
    expect(movedWords({ idle: 0, low: 0, mid: 0.02, top: -0.03 })).toBe(
      "In today’s air that setting is, against that day: middle 2 % leaner, full throttle 3 % richer.",
    );
  });
});
