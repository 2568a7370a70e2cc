/** Accepted ranges of air quantities in SI, for core, log and forms. */

interface Domain {
  readonly min: number;
  readonly max: number;
}

/** -30 to 55 °C */
export const TEMPERATURE_DOMAIN_K: Domain = { min: 243.15, max: 328.15 };
/** at the engine, never reduced to sea level */
export const PRESSURE_DOMAIN_PA: Domain = { min: 50_000, max: 110_000 };
/** as weather reports give it */
export const SEA_LEVEL_DOMAIN_PA: Domain = { min: 85_000, max: 110_000 };
/** places a wheel can reach */
export const ELEVATION_DOMAIN_M: Domain = { min: -430, max: 5500 };
