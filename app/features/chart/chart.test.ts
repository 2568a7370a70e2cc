/** What is typed for a chart, its letters and its file. */
import Papa from "papaparse";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { lettered, type DrawnCell } from "#core/chart/letters.ts";
import { chartCsv } from "#app/store/book-file/chart-csv.ts";
import { readChart, roundValues, type ChartTexts } from "./form.ts";
import { restsOn } from "./words.ts";

const METRIC = Preferences.parse({});
const TEXTS: ChartTexts = {
  side: "height",
  coldest: "5",
  warmest: "30",
  lowest: "900",
  highest: "2500",
  humidity: "50",
};

describe("the airs of a chart", () => {
  it("stand at round values, no more than fit on a sheet", () => {
    expect(roundValues(5, 30, 12)).toEqual([5, 7.5, 10, 12.5, 15, 17.5, 20, 22.5, 25, 27.5, 30]);
    expect(roundValues(900, 2500, 18)).toHaveLength(17);
    expect(roundValues(-3, 44, 12)).toEqual([-5, 0, 5, 10, 15, 20, 25, 30, 35, 40, 45]);
    expect(roundValues(20, 20, 12)).toEqual([20]);
    for (const [from, to] of [
      [0.95, 1.3],
      [0, 5500],
      [-22, 131],
    ] as const)
      expect(roundValues(from, to, 12).length).toBeLessThanOrEqual(12);
  });
  it("are read in this device’s units", () => {
    const read = readChart(TEXTS, METRIC);
    if (!read.ok) throw new Error(JSON.stringify(read.fields));
    expect(read.grid.rows[0]).toBe(900);
    expect(read.grid.temperaturesK[0]).toBeCloseTo(278.15, 9);
    const feet = readChart({ ...TEXTS, lowest: "3000", highest: "8000" }, { ...METRIC, length: "ft" });
    if (!feet.ok) throw new Error(JSON.stringify(feet.fields));
    expect(feet.grid.rows[0]).toBeCloseTo(914.4, 6);
    const glass = readChart({ ...TEXTS, side: "pressure", lowest: "800", highest: "1030" }, METRIC);
    if (!glass.ok) throw new Error(JSON.stringify(glass.fields));
    expect(glass.grid.rows[0]).toBeGreaterThan(glass.grid.rows.at(-1)!);
  });
  it.each([
    [{ warmest: "4" }, { warmest: "Lower than the coldest." }],
    [{ highest: "10" }, { highest: "Lower than the lowest." }],
    [{ humidity: "" }, { humidity: expect.any(String) as string }],
    [{ lowest: "steep" }, { lowest: expect.any(String) as string }],
    [{ highest: "90000" }, { highest: expect.any(String) as string }],
  ])("of %j are refused at the field", (typed, fields) => {
    expect(readChart({ ...TEXTS, ...typed }, METRIC)).toEqual({ ok: false, fields });
  });
});

const cell = (main: number, density: number, safe = true): DrawnCell => ({
  row: 0,
  column: 0,
  air: { temperatureK: 288.15, pressurePa: 95_000, relativeHumidity: 0.5 },
  dryDensityKgM3: density,
  fit: {
    setting: { pilot: 45, screwTurns: 1.5, clip: 2, main, shimMm: 0 },
    dryDensityKgM3: density,
    right: 0.9,
    leanRisk: 0.01,
    safe,
    ...(!safe && { buyMain: 170 }),
  },
});

describe("the sheet", () => {
  it("has a letter for each setting, the one for the thickest air first", () => {
    const cells = [cell(155, 1), cell(158, 1.1), cell(155, 1.02), cell(162, 1.2)];
    expect(
      [...lettered(cells).values()].map(({ letter, setting, cells: n }) => [letter, setting.main, n]),
    ).toEqual([
      ["A", 162, 1],
      ["B", 158, 1],
      ["C", 155, 2],
    ]);
    expect(
      [...lettered(Array.from({ length: 28 }, (_, i) => cell(100 + i, 1 + i / 100))).values()].at(-1)?.letter,
    ).toBe("AB");
  });
  it("leaves as a table that a spreadsheet reads, with what to buy", () => {
    const { data } = Papa.parse<Record<string, string>>(chartCsv([cell(155, 1), cell(158, 1.1, false)]), {
      header: true,
    });
    expect(data).toHaveLength(2);
    expect(data[0]).toMatchObject({
      setting: "B",
      main: "155",
      safe: "yes",
      "buy main": "",
      "temperature °C": "15.0",
    });
    expect(data[1]).toMatchObject({ setting: "A", safe: "no", "buy main": "170" });
  });
  it("says what it rests on", () => {
    expect(restsOn({ looks: 8, days: 2 })).toBe("It rests on 8 looks on 2 days.");
    expect(restsOn({ looks: 0, days: 0 })).toContain("no look");
  });
});
