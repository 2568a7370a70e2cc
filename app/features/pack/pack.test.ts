import { Preferences } from "#app/vocabulary/preferences.ts";
import type { PackList } from "#core/pack/pack-list.ts";
import { readPack, type PackTexts } from "./form.ts";
import { buyWords, needleWords, packedFor, taken } from "./words.ts";

const units = Preferences.parse({});
const TEXTS: PackTexts = {
  kind: "range",
  from: "2026-05-23",
  to: "2026-05-24",
  place: "Quai Nord",
  elevation: "4",
  month: "5",
  low: "8",
  high: "24",
  humidity: "60",
  lowest: "0",
  highest: "400",
};

describe("what is packed for", () => {
  it("is read as typed: a range, days to come, a month of a place", () => {
    expect(readPack(TEXTS, units)).toEqual({
      ok: true,
      asked: { kind: "range", lowK: 281.15, highK: 297.15, humidity: 0.6, lowM: 0, highM: 400 },
    });
    const event = readPack({ ...TEXTS, kind: "event" }, units);
    if (!event.ok || event.asked.kind !== "event") throw new Error("no event");
    expect(event.asked.fromAt).toMatch(/^2026-05-23T08:00:00/);
    expect(packedFor(event.asked, units)).toBe("2026-05-23 to 2026-05-24, 4 m");
    const month = readPack({ ...TEXTS, kind: "month" }, units);
    expect(month.ok && packedFor(month.asked, units)).toBe("May at Quai Nord, 4 m");
  });

  it.each([
    [{ high: "2" }, { high: "Lower than the lowest." }],
    [{ low: "cold" }, { low: "“cold” is not a number." }],
    [{ lowest: "500" }, { highest: "Lower than the lowest." }],
    [{ kind: "event", to: "2026-05-01" }, { to: "It ends before it begins." }],
    [{ kind: "event", from: "" }, { from: "A day, such as 2026-05-23." }],
    [{ kind: "month", place: " " }, { place: "Which place?" }],
  ] as const)("says at its field what is wrong: %j", (change, fields) => {
    expect(readPack({ ...TEXTS, ...change }, units)).toEqual({ ok: false, fields });
  });
});

describe("the list in words", () => {
  const wanted = (...chances: number[]) =>
    chances.map((chance, i) => ({ value: 150 + i, chance, owned: true }));

  it("takes what together is enough, and leaves the seldom wanted at home", () => {
    expect([...taken(wanted(0.01, 0.3, 0.5, 0.18, 0.01))].sort()).toEqual([151, 152, 153]);
    expect([...taken(wanted(0.6, 0.4))].sort()).toEqual([150, 151]);
  });

  it("says what to buy, and that another needle may be wanted", () => {
    expect(buyWords({ part: "main", number: 147.5, gain: 0.25 })).toBe(
      "main jet 147.5: saves what an error of 2 % costs",
    );
    const list = { otherNeedle: { leaner: 0.12, richer: 0.001 } } as PackList;
    expect(needleWords(list)).toContain("leaner (12 %)");
    expect(needleWords({ ...list, otherNeedle: { leaner: 0, richer: 0 } })).toBeUndefined();
  });
});
