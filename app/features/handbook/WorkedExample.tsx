/** The numbers of the worked example, one after another. */
import { useLoaderData } from "react-router";
import { fixed } from "#app/vocabulary/numerals.ts";
import { Amount } from "./Amount.tsx";
import type { WorkedExample as Numbers } from "./worked-example.server.ts";
import { WideTable } from "./WideTable.tsx";

const percent = (ln: number): string => `${fixed(Math.abs(100 * ln), 1)} % ${ln > 0 ? "lean" : "rich"}`;

const AirRow = ({ day, air }: { day: string; air: Numbers["now"] }) => (
  <tr>
    <th scope="row">{day}</th>
    <td>
      <Amount of="temperature" is={air.temperatureK} />
    </td>
    <td>
      <Amount of="pressure" is={air.pressurePa} />
    </td>
    <td>{fixed(100 * air.humidity, 0)} %</td>
    <td>{fixed(air.dryKgM3, 3)} kg/m³</td>
  </tr>
);

export function WorkedExample() {
  const { then, now, byPhysics, looks, fitted, card } = useLoaderData<Numbers>();
  const less = 100 * (1 - now.dryKgM3 / then.dryKgM3);
  return (
    <>
      <h2>1. The air</h2>
      <WideTable>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Temperature</th>
            <th scope="col">Station pressure</th>
            <th scope="col">Humidity</th>
            <th scope="col">Dry air</th>
          </tr>
        </thead>
        <tbody>
          <AirRow day="It was right" air={then} />
          <AirRow day="Today" air={now} />
        </tbody>
      </WideTable>
      <p>So there is {fixed(less, 0)} % less air today.</p>
      <h2>2. The model</h2>
      <p>
        With nothing changed, that air makes full throttle {percent(byPhysics)}. It is less than{" "}
        {fixed(less, 0)} %, because the carburettor follows a part of the air by itself.
      </p>
      <h2>3. The log</h2>
      <p>
        The log holds {looks} looks. With them, main jet {fitted.main} is {percent(fitted.mean)} at full
        throttle. It could be off by {fixed(100 * fitted.sd, 1)} %.
      </p>
      <h2>4. The card</h2>
      <p>
        Main jet {card.main} is the best one in the box: {percent(card.mean)}. The chance of being past the
        lean limit is {fixed(100 * card.leanRisk, 1)} %, and 5 % would be too much. It is better than now with{" "}
        {fixed(100 * card.chanceBetter, 0)} %.
      </p>
    </>
  );
}
