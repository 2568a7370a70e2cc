/** Looks, runs and airs as tables for a spreadsheet: one row each, with what was fitted and what the air was. */
import { airsRead } from "#core/log/airs-read.ts";
import type { Present, SeenLook, SeenRun } from "#core/log/present.ts";
import type { AirEntry, Setting } from "#core/log/schema.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { RUNS } from "#app/ui/csv-cells.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { readingResult, readingWords } from "#app/vocabulary/readings.ts";
import { runFigure, runName } from "#app/vocabulary/runs.ts";

export const SHEETS = ["looks", "runs", "airs"] as const;
export type SheetName = (typeof SHEETS)[number];

type Cell = string | number;

interface Sheet {
  readonly fields: readonly string[];
  readonly data: readonly (readonly Cell[])[];
}

const AIR_FIELDS = [
  "place",
  "height m",
  "temperature C",
  "pressure hPa",
  "humidity %",
  "density kg/m3",
  "dry density kg/m3",
];
const SETTING_FIELDS = ["pilot", "screw turns", "clip", "shims mm", "main"];

const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

function airCells(air: AirEntry | undefined): Cell[] {
  if (!air) return AIR_FIELDS.map(() => "");
  const { temperatureK, pressurePa, relativeHumidity, densityKgM3, dryDensityKgM3 } = humidAirFromLog(air);
  return [
    air.place,
    air.elevationM ?? "",
    rounded(temperatureK - 273.15, 2),
    rounded(pressurePa / 100, 2),
    rounded(100 * relativeHumidity, 1),
    rounded(densityKgM3, 5),
    rounded(dryDensityKgM3, 5),
  ];
}

const settingCells = ({ pilot, screwTurns, clip, shimMm, main }: Setting): Cell[] => [
  pilot,
  screwTurns,
  clip,
  shimMm,
  main,
];

const seenCells = ({ setting, air }: SeenLook | SeenRun): Cell[] => [
  ...settingCells(setting),
  ...airCells(air),
];

/** @param stoichiometric - air-fuel ratio of the fuel in use at λ 1, for those who read AFR */
export function sheetOf(
  name: SheetName,
  present: Present,
  units: Preferences,
  stoichiometric: number,
): Sheet {
  const { looks, runs } = present;
  switch (name) {
    case "looks":
      return {
        fields: ["at", "look", "says", "cylinder", ...SETTING_FIELDS, ...AIR_FIELDS],
        data: looks.map((look) => {
          const { at, reading, cylinder } = look.entry;
          return [
            at,
            readingWords(reading),
            readingResult(reading, units, stoichiometric),
            cylinder ?? "",
            ...seenCells(look),
          ];
        }),
      };
    case "runs":
      return {
        fields: ["at", "run", "figure", ...SETTING_FIELDS, ...AIR_FIELDS],
        data: runs.map((run) => [
          run.entry.at,
          runName(run.entry.run, units),
          runFigure(run.entry.run, units),
          ...seenCells(run),
        ]),
      };
    case "airs":
      return {
        fields: ["at", ...AIR_FIELDS],
        data: airsRead(present).map((air) => [air.at, ...airCells(air)]),
      };
  }
}

/** @returns the text of a CSV file; what a spreadsheet would run is defused */
export async function sheetCsv(sheet: Sheet): Promise<string> {
  const { default: Papa } = await import("papaparse");
  return Papa.unparse(
    { fields: [...sheet.fields], data: sheet.data.map((row) => [...row]) },
    { escapeFormulae: RUNS },
  );
}
