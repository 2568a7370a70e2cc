/**
 * Infers level and unit of a pressure column: the place's own, reduced to the sea with the day's air, or with the
 * standard atmosphere's as altimeters are set. A head may be wrong of it; weather at the sea and a barometer of the
 * day decide.
 */
import {
  LAPSE_K_M,
  meanSeaLevelPressure,
  standardPressure,
  stationPressureFromMean,
  stationPressureFromSetting,
} from "../air/barometer.ts";
import { PRESSURE_DOMAIN_PA, SEA_LEVEL_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { FORECAST_UNITS, pressureOf } from "./columns.ts";
import {
  concluded,
  mean,
  nearestRow,
  normal,
  unitWeight,
  type Conclusion,
  type Known,
  type Rows,
  type Said,
  type Weighed,
} from "./weigh.ts";

type Level = "seaLevel" | "altimeter" | "station";

/** How surely a head says which level its pressure is of. */
const LEVELS: readonly (readonly [RegExp, Readonly<Record<Level, number>>])[] = [
  [/msl|slp|qff/i, { seaLevel: 0.98, altimeter: 0.015, station: 0.005 }],
  [/qnh|altim/i, { seaLevel: 0.015, altimeter: 0.98, station: 0.005 }],
  [/sea.?level|reduced/i, { seaLevel: 0.75, altimeter: 0.2, station: 0.05 }],
  [/surface|station|qfe|absolute/i, { seaLevel: 0.01, altimeter: 0.01, station: 0.98 }],
  [/./, { seaLevel: 0.4, altimeter: 0.2, station: 0.4 }],
];

const within = (pa: number, { min, max }: { min: number; max: number }): number =>
  pa >= min && pa <= max ? pa : Number.NaN;

/** What the place's own pressure is, of a figure of that level; NaN where none can be. */
function stationOf(pa: number, level: Level, elevationM: number, temperatureK: number): number {
  if (level === "station") return within(pa, PRESSURE_DOMAIN_PA);
  if (Number.isNaN(within(pa, SEA_LEVEL_DOMAIN_PA))) return Number.NaN;
  return within(
    level === "altimeter"
      ? stationPressureFromSetting(pa, elevationM)
      : stationPressureFromMean(pa, elevationM, temperatureK),
    PRESSURE_DOMAIN_PA,
  );
}

/** Weather at the sea: most days, and a storm. */
const seaWeight = (pa: number): number => normal(pa, 101_400, 1000) + 1e-9 + 0.01 * normal(pa, 100_800, 2500);
/** Of a forecast and a pocket barometer together, and of one that was never set. */
const BAROMETER_PA = 350;

/** @param kelvins - of the rows; @returns nothing where no unit makes a pressure of its figures */
export function pressureLevel(
  column: number,
  name: string,
  said: Said,
  rows: Rows,
  kelvins: readonly number[],
  { elevationM, readings }: Known,
): Conclusion | undefined {
  const cells = rows.cells(column);
  const possible = kelvins.filter((k) => k >= TEMPERATURE_DOMAIN_K.min && k <= TEMPERATURE_DOMAIN_K.max);
  const warmth = possible.length > 0 ? mean(possible) : 288 - LAPSE_K_M * elevationM;
  const warmthAt = (i: number) =>
    possible.includes(kelvins[i] ?? Number.NaN) ? (kelvins[i] ?? warmth) : warmth;
  const byHead = LEVELS.find(([words]) => words.test(name))?.[1];
  const read = readings.flatMap(({ ms, pressurePa, elevationM: readM = elevationM }) => {
    const row = nearestRow(rows, ms);
    if (row === undefined || pressurePa === undefined) return [];
    return [{ ms, row, pa: (pressurePa * standardPressure(elevationM)) / standardPressure(readM) }];
  });
  const weighed: Weighed[] = [];
  for (const level of ["seaLevel", "station", "altimeter"] as const)
    for (const unit of FORECAST_UNITS.station) {
      const all = cells.map((text, i) => stationOf(pressureOf(text, unit), level, elevationM, warmthAt(i)));
      const pascals = all.filter(Number.isFinite);
      if (
        pascals.length < 0.9 * all.filter((_, i) => (cells[i] ?? "").trim() !== "").length ||
        pascals.length === 0
      )
        continue;
      const station = mean(pascals);
      const sea = seaWeight(meanSeaLevelPressure(station, elevationM, warmth));
      const barometer = read.map(({ row, pa }) => {
        const told = all[row] ?? Number.NaN;
        return (Number.isFinite(told) ? normal(told, pa, BAROMETER_PA) : 0) + 1e-7;
      });
      const prior = (byHead?.[level] ?? 0) * unitWeight(unit, said.unit, FORECAST_UNITS.station);
      const weight = prior * sea * (barometer.length > 0 ? Math.min(...barometer) : 1);
      weighed.push({ use: { role: level, column, unit }, prior, weight, densities: all });
    }
  return concluded("pressure", weighed, ({ role }) => {
    const [first] = read;
    if (first) return { by: "readings", readMs: first.ms };
    return { by: (byHead?.[role as Level] ?? 0) > 0.7 ? "head" : "figures" };
  });
}
