/** Which airs the chart has: as typed, and as the grid is asked. */
import { DRY_DENSITY_DOMAIN, SIDES, type GridAsked, type Side } from "#core/chart/grid.ts";
import { within } from "#core/log/measures-schema.ts";
import { ELEVATION_DOMAIN_M, PRESSURE_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "#core/units/domains.ts";
import { fromSI, toSI } from "#core/units/quantity.ts";
import { fieldReader, typedNumber, typedQuantity } from "#app/ui/typed.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export interface ChartTexts {
  readonly side: string;
  readonly coldest: string;
  readonly warmest: string;
  readonly lowest: string;
  readonly highest: string;
  readonly humidity: string;
}

export type ChartRead =
  | { readonly ok: true; readonly grid: GridAsked }
  | { readonly ok: false; readonly fields: Readonly<Partial<Record<keyof ChartTexts, string>>> };

const MOST_COLUMNS = 12;
const MOST_ROWS = 18;
const ROUND = [1, 2, 2.5, 5] as const;

/** @returns round values from one to another, no more than so many: the ends are in it, or just outside of it */
export function roundValues(from: number, to: number, most: number): number[] {
  if (!(to > from)) return [from];
  const least = (to - from) / (most - 1);
  const decade = 10 ** Math.floor(Math.log10(least));
  const steps = [decade, 10 * decade].flatMap((ten) => ROUND.map((one) => one * ten));
  for (const step of steps) {
    const [first, last] = [Math.floor(from / step + 1e-9), Math.ceil(to / step - 1e-9)];
    if (last - first + 1 <= most)
      return Array.from({ length: last - first + 1 }, (_, i) => Number(((first + i) * step).toFixed(6)));
  }
  return [from, to];
}

const clamped = (value: number, { min, max }: { min: number; max: number }) =>
  Math.min(max, Math.max(min, value));

/** @returns what is asked, or at each field what is wrong there */
export function readChart(texts: ChartTexts, { length, temperature, pressure }: Preferences): ChartRead {
  const { wrong: fields, read } = fieldReader<keyof ChartTexts>(texts);
  const side: Side = SIDES.find((one) => one === texts.side) ?? "height";
  const of = {
    height: {
      codec: typedQuantity("length", length, within(ELEVATION_DOMAIN_M)),
      shown: (si: number) => fromSI("length", si, length),
      si: (shown: number) => clamped(toSI("length", shown, length), ELEVATION_DOMAIN_M),
    },
    pressure: {
      codec: typedQuantity("pressure", pressure, within(PRESSURE_DOMAIN_PA)),
      shown: (si: number) => fromSI("pressure", si, pressure),
      si: (shown: number) => clamped(toSI("pressure", shown, pressure), PRESSURE_DOMAIN_PA),
    },
    density: {
      codec: typedNumber(within(DRY_DENSITY_DOMAIN)),
      shown: (si: number) => si,
      si: (shown: number) => shown,
    },
  }[side];
  const warmth = (name: keyof ChartTexts) =>
    read(name, typedQuantity("temperature", temperature, within(TEMPERATURE_DOMAIN_K)));
  const [coldest, warmest] = [warmth("coldest"), warmth("warmest")];
  const [lowest, highest] = [read("lowest", of.codec), read("highest", of.codec)];
  const relativeHumidity = read("humidity", typedQuantity("humidity", "%", within({ min: 0, max: 1 })));
  if (warmest < coldest) fields.warmest = "Lower than the coldest.";
  if (highest < lowest) fields.highest = "Lower than the lowest.";
  if (Object.keys(fields).length > 0) return { ok: false, fields };
  const kelvins = roundValues(
    fromSI("temperature", coldest, temperature),
    fromSI("temperature", warmest, temperature),
    MOST_COLUMNS,
  );
  const rows = roundValues(of.shown(lowest), of.shown(highest), MOST_ROWS).map(of.si);
  return {
    ok: true,
    grid: {
      side,
      temperaturesK: kelvins.map((shown) =>
        clamped(toSI("temperature", shown, temperature), TEMPERATURE_DOMAIN_K),
      ),
      // Thick air is at home below.
      rows: side === "height" ? rows : [...rows].reverse(),
      relativeHumidity,
    },
  };
}
