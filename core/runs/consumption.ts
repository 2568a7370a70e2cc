/** Fuel consumption of a distance in L/100 km and mpg. */
import { requirePositive } from "../units/guard.ts";

export interface Consumption {
  readonly litresPer100Km: number;
  readonly milesPerUsGallon: number;
  readonly milesPerImperialGallon: number;
}

const KM_PER_MILE = 1.609344;
const LITRES_PER_US_GALLON = 3.785411784;
const LITRES_PER_IMPERIAL_GALLON = 4.54609;

/** @throws {RangeError} if either is not above 0 */
export function consumption(litres: number, kilometres: number): Consumption {
  const perLitre = requirePositive("distance", kilometres) / requirePositive("fuel", litres);
  return {
    litresPer100Km: 100 / perLitre,
    milesPerUsGallon: (perLitre / KM_PER_MILE) * LITRES_PER_US_GALLON,
    milesPerImperialGallon: (perLitre / KM_PER_MILE) * LITRES_PER_IMPERIAL_GALLON,
  };
}
