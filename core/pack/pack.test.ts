import { openCase } from "../advice/judge/case.ts";
import { air, build, plug } from "../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { airAhead } from "../forecast/air-ahead.ts";
import { tableOfLines } from "../forecast/table.ts";
import type { AirEntry, Entry } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { airsAhead, airsBetween, airsLike } from "./airs.ts";
import { readClimate } from "./climate-table.ts";
import { packList } from "./pack-list.ts";
import { seasonAt } from "./season.ts";

const seen = (entries: Entry[] = [build()]): Entry[] => [
  ...entries,
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:41", "mid", "biscuit"),
  plug("0003", "08:42", "idle", "biscuit"),
];
const range = { lowK: 278, highK: 301, humidity: 0.6, lowM: 1380, highM: 1380 };
const some = (change: Partial<typeof range> = {}) =>
  airsBetween({ ...range, ...change }, 12, seededRandom(4));
const open = openCase(seen());

describe("the pack list", () => {
  it("gives every part chances that add to one, in order of size", () => {
    const { wanted, draws } = packList(open, some(), 600);
    expect(draws).toBe(600);
    for (const list of Object.values(wanted)) {
      const total = list.reduce((sum, { chance }) => sum + chance, 0);
      expect(total).toBeGreaterThan(0.93);
      expect(total).toBeLessThanOrEqual(1 + 1e-9);
      expect(list.every(({ value }, i) => value > (list[i - 1]?.value ?? -1))).toBe(true);
    }
  });

  it("is the same whenever it is asked", () => {
    expect(packList(open, some(), 300)).toEqual(packList(open, some(), 300));
  });

  const meanMain = (list: ReturnType<typeof packList>) => {
    const { main } = list.wanted;
    return (
      main.reduce((sum, { value, chance }) => sum + value * chance, 0) /
      main.reduce((sum, { chance }) => sum + chance, 0)
    );
  };

  it("wants smaller mains higher up, and is less sure of any where less is known", () => {
    expect(meanMain(packList(open, some({ lowM: 3000, highM: 3000 }), 600))).toBeLessThan(
      meanMain(packList(open, some({ lowM: 200, highM: 200 }), 600)) - 2,
    );
    const unknown = packList(openCase([build(), air("0001", "08:30")]), some(), 600);
    const known = packList(open, some(), 600);
    const surest = ({ wanted }: typeof known) => Math.max(...wanted.screwTurns.map(({ chance }) => chance));
    expect(surest(unknown)).toBeLessThan(surest(known));
  });

  it("says what to buy first where the box has nothing near, and what that is worth", () => {
    const [first] = ENDURO_BUILD.box.mains;
    const poor = build("08:00", { box: { ...ENDURO_BUILD.box, mains: [first ?? 150] } });
    const { buy, loss, wanted } = packList(openCase(seen([poor])), some({ lowM: 3400, highM: 3400 }), 600);
    expect(loss.owned).toBeGreaterThan(loss.everything);
    expect(wanted.main.some(({ owned }) => !owned)).toBe(true);
    for (const [i, { gain }] of buy.entries()) expect(gain).toBeLessThanOrEqual(buy[i - 1]?.gain ?? Infinity);
    expect(buy.reduce((sum, { gain }) => sum + gain, 0)).toBeLessThanOrEqual(
      loss.owned - loss.everything + 1e-9,
    );
  });

  it("leaves what the class locks alone", () => {
    const locked = build("08:00", { rules: { locked: ["main", "pilot"], noWashers: true, onePlug: false } });
    const { wanted, buy } = packList(openCase(seen([locked])), some(), 300);
    expect(wanted.main.map(({ value }) => value)).toEqual([ENDURO_BUILD.baseline.setting.main]);
    expect(buy).toEqual([]);
  });

  it("cannot be drawn from nothing", () => {
    expect(() => packList(open, [], 600)).toThrow("airs must be one at least, got none");
    expect(() => packList(open, some(), 5)).toThrow("draws must be in 100..100000, got 5");
  });
});

describe("the airs that may come", () => {
  it("span a range evenly, and lie about a forecast as wide as its doubt", () => {
    const temperatures = some().map(({ temperatureK }) => temperatureK);
    expect(Math.min(...temperatures)).toBeLessThan(280);
    expect(Math.max(...temperatures)).toBeGreaterThan(299);
    const moment = airAhead(
      0,
      { temperatureK: 290, dewPointK: 280, pressurePa: 95_000 },
      { temperatureK: 2, dewPointK: 0.1, pressurePa: 10 },
    );
    const drawn = airsAhead([moment], 400, seededRandom(2)).map(({ temperatureK }) => temperatureK - 290);
    expect(Math.sqrt(drawn.reduce((sum, x) => sum + x * x, 0) / 400)).toBeCloseTo(2, 0);
  });

  it("refuse what is no range", () => {
    expect(() => some({ lowK: 301, highK: 278 })).toThrow("highest temperature");
    expect(() => some({ lowM: 500, highM: 100 })).toThrow("greatest height");
    expect(() => airsAhead([], 3, seededRandom(1))).toThrow("got none");
    expect(() => airsLike([], 3, seededRandom(1))).toThrow("got none");
  });
});

describe("a season", () => {
  const may = (id: string, temperatureK: number) =>
    ({ ...air(id, "09:00", { temperatureK }), place: "Col de la Brume" }) as AirEntry;
  const place = { name: "col de la brume", elevationM: 1380 };

  it("takes a month's own readings first, then the table, then the standard atmosphere", () => {
    const climate = [{ month: 6, lowK: 283, highK: 299, humidity: 0.5 }];
    const months = seasonAt(place, [may("a001", 290), may("a002", 292), may("a003", 294)], climate);
    expect(months.map(({ source }) => source)).toEqual([
      ...Array.from({ length: 4 }, () => "standard"),
      "readings",
      "climate",
      ...Array.from({ length: 6 }, () => "standard"),
    ]);
    const warm = months[4]?.airs.map(({ temperatureK }) => temperatureK) ?? [];
    // Sixteen draws of 1.5 K each about the readings' mean.
    expect(Math.abs(warm.reduce((sum, t) => sum + t, 0) / warm.length - 292)).toBeLessThan(1.2);
    const june = months[5]?.airs.map(({ temperatureK }) => temperatureK) ?? [];
    expect([Math.min(...june) >= 283, Math.max(...june) <= 299]).toEqual([true, true]);
  });

  it("passes over readings of another height under the same name, and too few of them", () => {
    const elsewhere = [1, 2, 3].map((i) => ({ ...may(`b00${i}`, 290), elevationM: 400 }));
    expect(seasonAt(place, elsewhere, [])[4]?.source).toBe("standard");
    expect(seasonAt(place, [may("c001", 290)], [])[4]).toMatchObject({ source: "standard", readings: 1 });
  });
});

describe("a climate table", () => {
  const table = (text: string) => tableOfLines(text.split("\n").map((line) => line.split(",")));

  it("is read in Celsius and Fahrenheit, by numbers and by names of months", () => {
    const celsius = readClimate(table("month,low,high,humidity\n5,4.5,17,62\n6,8,21.5,58"));
    expect(celsius.map(({ month, humidity }) => [month, humidity])).toEqual([
      [5, 0.62],
      [6, 0.58],
    ]);
    const [july] = readClimate(table("Month,min °F,max °F\nJuly,55,80"));
    expect(july?.month).toBe(7);
    expect(july?.highK).toBeCloseTo(299.817, 3);
  });

  it.each([
    ["month,low,high\n5,17,4", "Row 1 of the table"],
    ["month,low,high\n14,4,17", "Row 1 of the table"],
    ["month,low,high\n5,4,17\n5,5,18", "Month 5 stands twice"],
    ["a,b,c\n5,4,17", "needs columns named month, low and high"],
  ])("is refused with the row that is wrong: %j", (text, words) => {
    expect(() => readClimate(table(text))).toThrow(words);
  });
});
