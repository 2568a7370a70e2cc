/** Dry air against a standard day at sea level, computed by the formula that the card uses. */
import { humidAir } from "#core/air/humid-air.ts";
import { WideTable } from "./WideTable.tsx";

const HEIGHTS_M = [0, 500, 1000, 1500, 2000] as const;
const TEMPERATURES_C = [0, 15, 30] as const;
const FEET_PER_METRE = 3.28084;

/** Standard atmosphere. */
const pressureAt = (heightM: number): number => 101_325 * (1 - 2.25577e-5 * heightM) ** 5.25588;
const dryAir = (heightM: number, celsius: number): number =>
  humidAir({
    temperatureK: 273.15 + celsius,
    pressurePa: pressureAt(heightM),
    relativeHumidity: 0.5,
  }).dryDensityKgM3;

export function AirTable() {
  const home = dryAir(0, 15);
  return (
    <WideTable>
      <caption className="label">Dry air, half saturated, against 15 °C at sea level</caption>
      <thead>
        <tr>
          <th scope="col">Height</th>
          {TEMPERATURES_C.map((celsius) => (
            <th key={celsius} scope="col">
              {celsius} °C ({Math.round(32 + 1.8 * celsius)} °F)
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {HEIGHTS_M.map((height) => (
          <tr key={height}>
            <th scope="row">
              {height} m ({Math.round((FEET_PER_METRE * height) / 100) * 100} ft)
            </th>
            {TEMPERATURES_C.map((celsius) => (
              <td key={celsius}>{Math.round((100 * dryAir(height, celsius)) / home)} %</td>
            ))}
          </tr>
        ))}
      </tbody>
    </WideTable>
  );
}
