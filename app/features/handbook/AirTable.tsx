/** Dry air against a mild day at the sea, computed by the formula that the card uses. */
import { fixed } from "#app/vocabulary/numerals.ts";
import { Amount } from "./Amount.tsx";
import { airAt, shareOfHome } from "./usual-air.ts";
import { WideTable } from "./WideTable.tsx";

const HEIGHTS_M = [0, 500, 1000, 1500, 2000] as const;
const TEMPERATURES_C = [0, 15, 30] as const;

export const AirTable = () => (
  <WideTable>
    <caption className="label">Dry air, half saturated, against 15 °C at the sea</caption>
    <thead>
      <tr>
        <th scope="col">Height</th>
        {TEMPERATURES_C.map((celsius) => (
          <th key={celsius} scope="col">
            <Amount of="temperature" is={273.15 + celsius} />
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {HEIGHTS_M.map((height) => (
        <tr key={height}>
          <th scope="row">
            <Amount of="length" is={height} />
          </th>
          {TEMPERATURES_C.map((celsius) => (
            <td key={celsius}>{fixed(shareOfHome(airAt(celsius, height)), 0)} %</td>
          ))}
        </tr>
      ))}
    </tbody>
  </WideTable>
);
