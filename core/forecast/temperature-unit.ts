/** Infers the unit of a temperature column from head, readings of the day and season (Bayes). */
import { LAPSE_K_M } from "../air/barometer.ts";
import { TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { FORECAST_UNITS, kelvinOf } from "./columns.ts";
import {
  concluded,
  mean,
  nearestRow,
  normal,
  unitWeight,
  type Conclusion,
  type ForecastUse,
  type Known,
  type Rows,
  type Said,
  type Weighed,
} from "./weigh.ts";

/** Mean temperature of the northern year at the sea, K, and how far days lie from it. */
function seasonWeight(meanK: number, ms: number, elevationM: number): number {
  const month = Number.isFinite(ms) ? new Date(ms).getUTCMonth() + 0.5 : 6;
  const swing = 10 * Math.cos((2 * Math.PI * (month - 6.8)) / 12);
  const usual = 285 - LAPSE_K_M * elevationM;
  return 0.75 * normal(meanK, usual + swing, 7) + 0.25 * normal(meanK, usual - swing, 7) + 1e-7;
}

const RECENT_MS = 30 * 86_400_000;

/** @returns nothing where no unit makes air of its figures */
export function temperatureUnit(
  column: number,
  said: Said,
  rows: Rows,
  { readings, elevationM }: Known,
): Conclusion | undefined {
  const cells = rows.cells(column);
  const start = rows.ms.find(Number.isFinite) ?? Number.NaN;
  const near = readings.flatMap((reading) => {
    const row = nearestRow(rows, reading.ms);
    return row === undefined ? [] : [{ reading, row }];
  });
  const recent = readings.filter(({ ms }) => Math.abs(ms - start) < RECENT_MS);
  const weighed = FORECAST_UNITS.temperature.map((unit): Weighed => {
    const kelvins = cells.map((text) => kelvinOf(text, unit)).filter(Number.isFinite);
    const possible = kelvins.filter((k) => k >= TEMPERATURE_DOMAIN_K.min && k <= TEMPERATURE_DOMAIN_K.max);
    const meanK = mean(kelvins.length > 0 ? kelvins : [Number.NaN]);
    const use: ForecastUse = { role: "temperature", column, unit };
    const prior = unitWeight(unit, said.unit, FORECAST_UNITS.temperature);
    if (possible.length < 0.9 * kelvins.length || kelvins.length === 0)
      return { use, prior, weight: 0, densities: [] };
    const byDay = near.map(
      ({ reading, row }) => normal(kelvinOf(cells[row] ?? "", unit), reading.temperatureK, 4) + 1e-5,
    );
    const lately =
      recent.length > 0 ? normal(meanK, mean(recent.map((one) => one.temperatureK)), 8) + 1e-6 : 1;
    const usual =
      byDay.length > 0
        ? Math.min(...byDay)
        : recent.length > 0
          ? lately
          : seasonWeight(meanK, start, elevationM);
    return { use, prior, weight: usual * prior, densities: kelvins.map((k) => 1 / k) };
  });
  return concluded("temperature", weighed, ({ unit }) => {
    if (unit === said.unit) return { by: said.by };
    const [first] = near;
    if (first) return { by: "readings", readMs: first.reading.ms };
    return { by: "figures" };
  });
}
