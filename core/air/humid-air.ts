/**
 * Density of moist air, CIPM-2007: Picard, Davis, Gläser, Fujii, Metrologia 45 (2008) 149-155.
 * Its stated domain is 15-27 °C and 600-1100 hPa. Tamis accepts more and says so (`extrapolated`);
 * the error is expected to stay below 0.1 %.
 */
import { PRESSURE_DOMAIN_PA } from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";
import { saturationVapourPressure, ZERO_CELSIUS_K } from "./saturation-vapour-pressure.ts";

/** The air as the three numbers that fix it. */
export interface AirState {
  readonly temperatureK: number;
  readonly pressurePa: number;
  /** relative humidity, 0..1 */
  readonly relativeHumidity: number;
}

export interface HumidAir extends AirState {
  /** density of the air as it is: it pulls the fuel */
  readonly densityKgM3: number;
  /** density of its dry part: the engine burns with it */
  readonly dryDensityKgM3: number;
  readonly vapourPressurePa: number;
  readonly vapourMoleFraction: number;
  /** outside the formula's own stated domain */
  readonly extrapolated: boolean;
}

/** Molar gas constant as the CIPM-2007 paper uses it (CODATA 2006), J/(mol K). */
export const GAS_CONSTANT = 8.314472;
/** Molar mass of dry air with 400 ppm carbon dioxide, kg/mol. */
export const DRY_AIR_MOLAR_MASS = 28.96546e-3;

/** Enhancement factor: how much more vapour air holds than empty space does. */
function enhancement(pressurePa: number, temperatureC: number): number {
  return 1.00062 + 3.14e-8 * pressurePa + 5.6e-7 * temperatureC ** 2;
}

function compressibility(temperatureK: number, pressurePa: number, vapour: number): number {
  const t = temperatureK - ZERO_CELSIUS_K;
  const ratio = pressurePa / temperatureK;
  const first =
    1.58123e-6 -
    2.9331e-8 * t +
    1.1043e-10 * t * t +
    (5.707e-6 - 2.051e-8 * t) * vapour +
    (1.9898e-4 - 2.376e-6 * t) * vapour * vapour;
  return 1 - ratio * first + ratio * ratio * (1.83e-11 - 0.765e-8 * vapour * vapour);
}

/**
 * @param air - temperature (243.15..328.15 K), station pressure (50 000..110 000 Pa), humidity (0..1)
 * @returns densities in kg/m³ and the vapour's share
 * @throws {RangeError} if a value lies outside those ranges or is not a number
 * @example humidAir({ temperatureK: 293.15, pressurePa: 101325, relativeHumidity: 0.5 }).densityKgM3 // => 1.19931
 */
export function humidAir(air: AirState): HumidAir {
  const { temperatureK, relativeHumidity } = air;
  const saturation = saturationVapourPressure(temperatureK);
  const p = requireRange("pressure", air.pressurePa, PRESSURE_DOMAIN_PA.min, PRESSURE_DOMAIN_PA.max, "Pa");
  requireRange("humidity", relativeHumidity, 0, 1);
  const temperatureC = temperatureK - ZERO_CELSIUS_K;
  const vapour = (relativeHumidity * enhancement(p, temperatureC) * saturation) / p;
  const molarDensity = p / (compressibility(temperatureK, p, vapour) * GAS_CONSTANT * temperatureK);
  return {
    temperatureK,
    pressurePa: p,
    relativeHumidity,
    densityKgM3: molarDensity * DRY_AIR_MOLAR_MASS * (1 - 0.378 * vapour),
    dryDensityKgM3: molarDensity * DRY_AIR_MOLAR_MASS * (1 - vapour),
    vapourPressurePa: vapour * p,
    vapourMoleFraction: vapour,
    extrapolated: temperatureC < 15 || temperatureC > 27 || p < 60_000,
  };
}
