/** The grid of a jetting chart: the air of each cell, and the order in which the cells are walked. */
import { standardPressure } from "../air/barometer.ts";
import { humidAir, type AirState } from "../air/humid-air.ts";
import { PRESSURE_DOMAIN_PA } from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";

/** What stands down the side: height in m, station pressure in Pa, dry density in kg/m³. */
export const SIDES = ["height", "pressure", "density"] as const;
export type Side = (typeof SIDES)[number];

/** Dry density that air on a hill or in a frost has, kg/m³. */
export const DRY_DENSITY_DOMAIN = { min: 0.6, max: 1.6 } as const;

export interface GridAsked {
  readonly side: Side;
  /** across */
  readonly temperaturesK: readonly number[];
  /** down, in the unit of the side */
  readonly rows: readonly number[];
  readonly relativeHumidity: number;
}

export interface GridCell {
  readonly row: number;
  readonly column: number;
  readonly air: AirState;
  readonly dryDensityKgM3: number;
}

const inDomain = (pressurePa: number): boolean =>
  pressurePa >= PRESSURE_DOMAIN_PA.min && pressurePa <= PRESSURE_DOMAIN_PA.max;

/** @returns the station pressure of so much dry air; nearly proportional, so three steps are exact to the digit */
function pressureOf(
  dryDensityKgM3: number,
  temperatureK: number,
  relativeHumidity: number,
): number | undefined {
  let pressurePa = 100_000;
  for (let step = 0; step < 3; step += 1) {
    const { dryDensityKgM3: is, vapourPressurePa } = humidAir({ temperatureK, pressurePa, relativeHumidity });
    pressurePa = vapourPressurePa + ((pressurePa - vapourPressurePa) * dryDensityKgM3) / is;
    if (!inDomain(pressurePa)) return undefined;
  }
  return pressurePa;
}

/**
 * @returns the cells whose air can be: row by row
 * @throws {RangeError} for a temperature, height or humidity that cannot be
 */
export function gridCells({ side, temperaturesK, rows, relativeHumidity }: GridAsked): GridCell[] {
  requireRange("columns", temperaturesK.length, 1, 30);
  requireRange("rows", rows.length, 1, 30);
  return rows.flatMap((value, row) =>
    temperaturesK.flatMap((temperatureK, column): GridCell[] => {
      const pressurePa =
        side === "height"
          ? standardPressure(value)
          : side === "pressure"
            ? value
            : pressureOf(value, temperatureK, relativeHumidity);
      if (pressurePa === undefined || !inDomain(pressurePa)) return [];
      const air = { temperatureK, pressurePa, relativeHumidity };
      return [{ row, column, air, dryDensityKgM3: humidAir(air).dryDensityKgM3 }];
    }),
  );
}

/** @returns the cells thinner than an air, and those as dense or denser: each from that air outwards */
export function walks(cells: readonly GridCell[], fromKgM3: number): readonly [GridCell[], GridCell[]] {
  const by = (sign: number) => (a: GridCell, b: GridCell) => sign * (a.dryDensityKgM3 - b.dryDensityKgM3);
  return [
    cells.filter(({ dryDensityKgM3 }) => dryDensityKgM3 < fromKgM3).sort(by(-1)),
    cells.filter(({ dryDensityKgM3 }) => dryDensityKgM3 >= fromKgM3).sort(by(1)),
  ];
}

/** @returns the cell nearest to an air, by temperature and density; none where the air is off the grid */
export function cellOf(
  cells: readonly GridCell[],
  { temperatureK, dryDensityKgM3 }: { readonly temperatureK: number; readonly dryDensityKgM3: number },
): GridCell | undefined {
  const far = (cell: GridCell): number =>
    Math.hypot(
      (cell.air.temperatureK - temperatureK) / 5,
      Math.log(cell.dryDensityKgM3 / dryDensityKgM3) / 0.02,
    );
  const nearest = cells.reduce<GridCell | undefined>(
    (best, cell) => (best && far(best) <= far(cell) ? best : cell),
    undefined,
  );
  return nearest && far(nearest) <= 1 ? nearest : undefined;
}
