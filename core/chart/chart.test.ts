import fc from "fast-check";
import { humidAir } from "../air/humid-air.ts";
import { advise } from "../advice/card/advise.ts";
import { openCase } from "../advice/judge/case.ts";
import { demoMovedTo } from "../../demo/told.ts";
import { TOLD_DAY, TOLD_OFFSET } from "../../demo/told-day.ts";
import type { Change, Entry, Reading, Setting } from "../log/schema.ts";
import { chartCells, chartGround, wasRidden } from "./jetting-chart.ts";
import { cellOf, gridCells, walks, type GridAsked } from "./grid.ts";
import { lettered } from "./letters.ts";
import { usualHumidity } from "./usual-humidity.ts";
import { wholeChart } from "./whole-chart.ts";

const GRID: GridAsked = {
  side: "height",
  temperaturesK: [273.15, 283.15, 293.15, 303.15],
  rows: [0, 600, 1200, 1800],
  relativeHumidity: 0.5,
};
const logOf = (id: string): readonly Entry[] =>
  demoMovedTo(TOLD_DAY, TOLD_OFFSET).find(({ header }) => header.id === id)!.entries;
/** Its machine alone, as somebody describes it who knows no setting. */
const guessOf = (id: string): readonly Entry[] =>
  logOf(id).flatMap((entry): Entry[] =>
    entry.kind === "build"
      ? [{ ...entry, build: { ...entry.build, baseline: { ...entry.build.baseline, proven: "guess" } } }]
      : [],
  );
const changesTo = ({ pilot, screwTurns, clip, main, shimMm }: Setting): Change[] => [
  { part: "pilot", to: pilot },
  { part: "screwTurns", to: screwTurns },
  { part: "clip", to: clip },
  { part: "main", to: main },
  { part: "shimMm", to: shimMm },
];
const LATE = `${TOLD_DAY}T23:30:00${TOLD_OFFSET}`;

describe("the grid", () => {
  it("has the air of each cell: by height the standard atmosphere’s, by density that density", () => {
    const cells = gridCells(GRID);
    expect(cells).toHaveLength(16);
    expect(cells[4]!.air.pressurePa).toBeCloseTo(94_322, -1);
    for (const cell of gridCells({ ...GRID, side: "density", rows: [1.05, 1.2] }))
      expect(humidAir(cell.air).dryDensityKgM3).toBeCloseTo(cell.row === 0 ? 1.05 : 1.2, 6);
  });
  it("leaves out what no air can be, and refuses a grid without cells", () => {
    expect(gridCells({ ...GRID, side: "density", rows: [0.3, 1.1] }).map(({ row }) => row)).toEqual([
      1, 1, 1, 1,
    ]);
    expect(() => gridCells({ ...GRID, rows: [] })).toThrow("rows must be in 1..30");
    expect(() => gridCells({ ...GRID, rows: [9000] })).toThrow("elevation");
  });
  it("is walked from an air outwards, every cell once", () => {
    const cells = gridCells(GRID);
    const [thinner, denser] = walks(cells, 1.15);
    expect(thinner.length + denser.length).toBe(16);
    expect(thinner.map(({ dryDensityKgM3 }) => dryDensityKgM3)).toEqual(
      thinner.map(({ dryDensityKgM3 }) => dryDensityKgM3).sort((a, b) => b - a),
    );
    expect(denser[0]!.dryDensityKgM3).toBeGreaterThanOrEqual(1.15);
    const today = humidAir({ temperatureK: 292, pressurePa: 87_700, relativeHumidity: 0.5 });
    expect(cellOf(cells, today)).toMatchObject({ row: 2, column: 2 });
    expect(cellOf(cells, { temperatureK: 330, dryDensityKgM3: 1.2 })).toBeUndefined();
  });
});

describe("the usual humidity", () => {
  const AIR = {
    kind: "air",
    at: LATE,
    temperatureK: 293.15,
    pressure: { kind: "station", pressurePa: 100_000 },
  } as const;
  const read = (id: string, fraction: number, place: string): Entry => ({
    ...AIR,
    id: `air:${id}`,
    place,
    humidity: { kind: "relative", fraction },
  });
  const humidityOf = (...entries: Entry[]): number =>
    usualHumidity(openCase([...logOf("rig:demo-enduro"), ...entries]).present);
  const HERE = [read("shore-1", 0.9, "Shore"), read("hill-1", 0.2, "Hill"), read("shore-2", 0.7, " shore ")];

  it("is the mean of what was read at that place, however it is written", () => {
    expect(humidityOf(...HERE)).toBeCloseTo(0.8, 12);
  });
  it("is its climate table’s where there is one", () => {
    const months = [0.6, 0.64].map((humidity, i) => ({ month: i + 1, lowK: 280, highK: 290, humidity }));
    const table: Entry = {
      kind: "climate",
      id: "climate:shore",
      at: LATE,
      place: "Shore",
      elevationM: 4,
      months,
    };
    expect(humidityOf(...HERE, table)).toBeCloseTo(0.62, 12);
  });
});

describe("the chart", () => {
  it.each(["rig:demo-enduro", "rig:demo-kart", "rig:demo-twin"])(
    "of %s: a cell’s setting, fitted in that very air, is left alone by the card",
    (id) => {
      const entries = logOf(id);
      const open = openCase(entries);
      const cells = gridCells(GRID);
      const { today } = chartGround(open);
      for (const walk of walks(cells, today!.dryDensityKgM3)) {
        const found = chartCells(
          open,
          walk.map(({ air }) => air),
          undefined,
        );
        fc.assert(
          fc.property(fc.nat(Math.max(0, walk.length - 1)), (i) => {
            const [cell, { air } = { air: undefined }] = [found[i], walk[i]];
            if (!cell || !air) return;
            const there: Entry[] = [
              ...entries,
              {
                id: "air:late",
                at: LATE,
                kind: "air",
                temperatureK: air.temperatureK,
                humidity: { kind: "relative", fraction: air.relativeHumidity },
                pressure: { kind: "station", pressurePa: air.pressurePa },
                place: "elsewhere",
              },
              { id: "fit:late", at: LATE, kind: "fit", changes: changesTo(cell.setting), because: "own" },
            ];
            const advice = advise(there);
            expect(advice.fitted).toEqual(cell.setting);
            expect({ changes: advice.next.kind === "fit", safe: cell.safe }).toEqual({
              changes: false,
              safe: true,
            });
            expect(cell.leanRisk).toBeLessThanOrEqual(0.05);
          }),
          { seed: 39, numRuns: 6 },
        );
      }
    },
    60_000,
  );
  it("carries a setting on: the second half of a walk goes on where the first ended", () => {
    const open = openCase(logOf("rig:demo-enduro"));
    const [thinner] = walks(gridCells(GRID), 1.2);
    const airs = thinner.map(({ air }) => air);
    const whole = chartCells(open, airs, undefined);
    const first = chartCells(open, airs.slice(0, 5), undefined);
    expect([...first, ...chartCells(open, airs.slice(5), first.at(-1)!.setting)]).toEqual(whole);
  });
  it("says what to buy where no main jet of the box is safe, and calls nothing safe that is not", () => {
    const entries = logOf("rig:demo-enduro").map((entry) =>
      entry.kind === "build"
        ? { ...entry, build: { ...entry.build, box: { ...entry.build.box, mains: [150, 152, 155, 158] } } }
        : entry,
    );
    const cold = gridCells({ ...GRID, temperaturesK: [255], rows: [0] });
    const [cell] = chartCells(
      openCase(entries),
      cold.map(({ air }) => air),
      undefined,
    );
    expect(cell!.safe).toBe(false);
    expect(cell!.buyMain).toBeGreaterThan(158);
  });
  it("of a rig without a box has one setting, and says what to buy where that is not safe", () => {
    const entries = logOf("rig:demo-enduro").map((entry) =>
      entry.kind === "build"
        ? { ...entry, build: { ...entry.build, box: { pilots: [], mains: [], shimsMm: [] } } }
        : entry,
    );
    const cells = wholeChart(openCase(entries.filter(({ kind }) => kind !== "box")), GRID);
    expect(new Set(cells.map(({ fit }) => fit.setting.main)).size).toBe(1);
    for (const { fit } of cells) expect(fit.safe || fit.buyMain !== undefined).toBe(true);
  });
  it("begins in the air that the setting is known in where none was read", () => {
    const build = logOf("rig:demo-enduro")
      .filter(({ kind }) => kind === "build")
      .slice(0, 1);
    const ground = chartGround(openCase(build));
    expect(ground).toMatchObject({ guess: false, looks: 0, today: undefined });
    expect(ground.fromKgM3).toBeCloseTo(ground.ridden[0]!, 9);
  });
  it("leans no top that was only felt: once its plug is read it does", () => {
    const told = (id: string, reading: Reading): Entry => ({
      id: `look:${id}`,
      at: LATE,
      kind: "look",
      reading,
    });
    const soot = (zone: "idle" | "mid" | "top") =>
      told(`soot-${zone}`, { type: "plug", zone, tone: "soot", cut: "clean", colderSteps: 0 });
    const felt = told("felt", { type: "rideReport", felt: { idle: "rich", mid: "rich", top: "rich" } });
    const log = [...guessOf("rig:demo-enduro"), soot("idle"), soot("mid"), felt];
    const mainOf = (entries: readonly Entry[]) => {
      const open = openCase(entries);
      const { fitted } = chartGround(open);
      const [home] = chartCells(open, [open.build.baseline.air], undefined);
      return home!.setting.main - fitted.main;
    };
    expect(mainOf(log)).toBeGreaterThanOrEqual(0);
    expect(mainOf([...log, soot("top")])).toBeLessThan(0);
  });
  it("knows a guess, and which air was ridden", () => {
    const guess = guessOf("rig:demo-enduro");
    expect(chartGround(openCase(guess))).toMatchObject({ guess: true, looks: 0, days: 0, today: undefined });
    const ground = chartGround(openCase(logOf("rig:demo-enduro")));
    expect(ground.guess).toBe(false);
    expect(wasRidden(ground.ridden, ground.ridden[0]! * 1.01)).toBe(true);
    expect(wasRidden(ground.ridden, 0.8)).toBe(false);
    expect(() => wasRidden([], Number.NaN)).toThrow("dry density");
  });
});

describe("the chart for a file", () => {
  it("is whole, row by row, and the same as one that is drawn piece by piece; a guess has none", () => {
    const open = openCase(logOf("rig:demo-kart"));
    const cells = wholeChart(open, GRID);
    expect(cells.map(({ row, column }) => 4 * row + column)).toEqual(Array.from({ length: 16 }, (_, i) => i));
    const { today } = chartGround(open);
    const [thinner] = walks(gridCells(GRID), today!.dryDensityKgM3);
    const piece = chartCells(
      open,
      thinner.slice(0, 3).map(({ air }) => air),
      undefined,
    );
    piece.forEach((fit, i) => {
      const cell = thinner[i]!;
      expect(cells.find(({ row, column }) => row === cell.row && column === cell.column)!.fit).toEqual(fit);
    });
    const letters = [...lettered(cells).values()].map(({ letter }) => letter);
    expect(letters[0]).toBe("A");
    expect(new Set(letters).size).toBe(letters.length);
    expect(wholeChart(openCase(guessOf("rig:demo-kart")))).toEqual([]);
    // Its walk-round found a choke that is not off: like the card it is held back.
    expect(wholeChart(openCase(logOf("rig:demo-atv")))).toEqual([]);
  });
});
