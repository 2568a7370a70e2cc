/** The chart as a table for a spreadsheet: one row a cell, in metric units. */
import Papa from "papaparse";
import { lettered, type DrawnCell } from "#core/chart/letters.ts";
import { settingKey } from "#core/advice/judge/judge-setting.ts";

/** @returns a CSV; numbers with a point, as files have them */
export function chartCsv(cells: readonly DrawnCell[]): string {
  const settings = lettered(cells);
  return Papa.unparse(
    cells.map(({ air, dryDensityKgM3, fit }) => ({
      "temperature °C": (air.temperatureK - 273.15).toFixed(1),
      "station pressure hPa": (air.pressurePa / 100).toFixed(1),
      "humidity %": (100 * air.relativeHumidity).toFixed(0),
      "dry density kg/m3": dryDensityKgM3.toFixed(4),
      setting: settings.get(settingKey(fit.setting))?.letter ?? "",
      main: fit.setting.main,
      clip: fit.setting.clip,
      "washers mm": fit.setting.shimMm,
      "screw turns": fit.setting.screwTurns,
      pilot: fit.setting.pilot,
      "right %": (100 * fit.right).toFixed(0),
      "lean risk %": (100 * fit.leanRisk).toFixed(1),
      safe: fit.safe ? "yes" : "no",
      "buy main": fit.buyMain ?? "",
    })),
  );
}
