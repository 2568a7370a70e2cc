/** Fuel properties that metering depends on: density, stoichiometric ratio, ethanol, premix oil. */
import { requirePositive, requireRange } from "../units/guard.ts";

export interface Fuel {
  /** density at 15 °C, kg/m³ */
  readonly density15KgM3: number;
  /** thermal expansion, 1/K */
  readonly expansionPerK: number;
  /** air-fuel ratio by mass at which both are used up */
  readonly stoichiometric: number;
  /** share of what passes the jet that burns in time: premixed oil takes the rest */
  readonly burntShare: number;
}

const PETROL: Fuel = { density15KgM3: 745, expansionPerK: 0.95e-3, stoichiometric: 14.6, burntShare: 1 };
const ETHANOL: Fuel = { density15KgM3: 789, expansionPerK: 1.07e-3, stoichiometric: 9.0, burntShare: 1 };

/** Fuels known by name; race petrol with oxygenate is typed in by its own data sheet. */
export const FUELS = {
  petrol: PETROL,
  methanol: { density15KgM3: 796, expansionPerK: 1.19e-3, stoichiometric: 6.45, burntShare: 1 },
} as const satisfies Record<string, Fuel>;

/**
 * Petrol with ethanol in it: density and expansion mix by volume, the air it needs by mass.
 * @param ethanolPercent - by volume, 0..100
 * @throws {RangeError} outside
 * @example petrolWith(10).stoichiometric // => 14.01, of E10
 */
export function petrolWith(ethanolPercent: number): Fuel {
  const share = requireRange("ethanol", ethanolPercent, 0, 100, "%") / 100;
  const byVolume = (of: (fuel: Fuel) => number) => (1 - share) * of(PETROL) + share * of(ETHANOL);
  const density15KgM3 = byVolume((fuel) => fuel.density15KgM3);
  const byMass = (share * ETHANOL.density15KgM3) / density15KgM3;
  return {
    density15KgM3,
    expansionPerK: byVolume((fuel) => fuel.expansionPerK),
    stoichiometric: (1 - byMass) * PETROL.stoichiometric + byMass * ETHANOL.stoichiometric,
    burntShare: 1,
  };
}

/** About half of the oil burns, late and partly; it may be a quarter or three. */
const OIL_BURNT = 0.5;
export const OIL_BURNT_SD = 0.25;

/** @param oilRatio - parts of fuel to one of oil, 10..200; @returns the share of the mix by volume that is oil */
export const oilShare = (oilRatio: number | undefined): number =>
  oilRatio === undefined ? 0 : 1 / (requireRange("premix", oilRatio, 10, 200) + 1);

/** @returns a fuel with oil mixed into it: the jet meters both, and more oil is leaner; @throws {RangeError} outside 10..200 */
export const withOil = (fuel: Fuel, oilRatio: number | undefined): Fuel => ({
  ...fuel,
  burntShare: 1 - (1 - OIL_BURNT) * oilShare(oilRatio),
});

/** @returns what a kilogram of all that passes the jet needs of air */
export const airNeeded = ({ stoichiometric, burntShare }: Fuel): number => stoichiometric * burntShare;

/**
 * What another tank does through the same jets.
 * @returns change of ln λ, + = leaner
 */
export const fuelShift = (from: Fuel, to: Fuel): number =>
  Math.log(airNeeded(from) / airNeeded(to)) + 0.5 * Math.log(from.density15KgM3 / to.density15KgM3);

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
