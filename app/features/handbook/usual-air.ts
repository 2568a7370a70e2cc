/** Air as most places have it: of the standard atmosphere at a height, against a mild day at the sea. */
import { standardPressure } from "#core/air/barometer.ts";
import { humidAir, type HumidAir } from "#core/air/humid-air.ts";

export const airAt = (celsius: number, heightM: number, percent = 50): HumidAir =>
  humidAir({
    temperatureK: 273.15 + celsius,
    pressurePa: standardPressure(heightM),
    relativeHumidity: percent / 100,
  });
const HOME = airAt(15, 0).dryDensityKgM3;

/** @returns dry air in per cent of that of 15 °C at the sea */
export const shareOfHome = ({ dryDensityKgM3 }: HumidAir): number => (100 * dryDensityKgM3) / HOME;
