/** The fuel as the carburettor meters it: by density and by how much air a kilogram needs. */
import { requirePositive } from "../units/guard.ts";

export interface Fuel {
  /** density at 15 °C, kg/m³ */
  readonly density15KgM3: number;
  /** thermal expansion, 1/K */
  readonly expansionPerK: number;
  /** air-fuel ratio by mass at which both are used up */
  readonly stoichiometric: number;
}

/** Fuels known by name; race petrol with oxygenate is typed in by its own data sheet. */
export const FUELS = {
  petrol: { density15KgM3: 745, expansionPerK: 0.95e-3, stoichiometric: 14.6 },
  "petrol-e10": { density15KgM3: 748, expansionPerK: 0.97e-3, stoichiometric: 14.1 },
  e85: { density15KgM3: 781, expansionPerK: 1.05e-3, stoichiometric: 9.8 },
  methanol: { density15KgM3: 796, expansionPerK: 1.19e-3, stoichiometric: 6.45 },
} as const satisfies Record<string, Fuel>;

/**
 * @param temperatureK - of the fuel; Tamis takes the air's
 * @returns density in kg/m³
 * @throws {RangeError} if the result would not be a density
 */
export function fuelDensity(fuel: Fuel, temperatureK: number): number {
  return requirePositive(
    "fuel density",
    fuel.density15KgM3 * (1 - fuel.expansionPerK * (temperatureK - 288.15)),
  );
}
