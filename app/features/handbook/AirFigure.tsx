/** Dry air at a temperature, height and humidity, by the formula that the card uses. */
import { useState } from "react";
import { densityAltitude } from "#core/air/air-worth.ts";
import { fixed } from "#app/vocabulary/numerals.ts";
import { Amount, useAmount } from "./Amount.tsx";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";
import { airAt, shareOfHome } from "./usual-air.ts";

export function AirFigure() {
  const [celsius, setCelsius] = useState(25);
  const [height, setHeight] = useState(800);
  const [humidity, setHumidity] = useState(50);
  const amount = useAmount();
  const air = airAt(celsius, height, humidity);
  const share = shareOfHome(air);
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox="0 0 560 46"
        role="img"
        aria-label={`${fixed(share, 0)} % of the dry air of 15 °C at the sea`}
      >
        <rect x={0} y={8} width={540} height={30} fill="var(--sheet)" stroke="var(--hairline)" />
        <rect x={0} y={8} width={Math.min(560, 5 * share)} height={30} fill="var(--layer-pilot)" />
        <text x={Math.min(500, 5 * share) - 8} y={29} textAnchor="end" style={{ fill: "var(--paper)" }}>
          {fixed(share, 0)} %
        </text>
      </svg>
      <Slider
        label="Temperature"
        words={amount("temperature", 273.15 + celsius)}
        value={celsius}
        range={[-10, 45]}
        step={1}
        onChange={setCelsius}
      />
      <Slider
        label="Height"
        words={amount("length", height)}
        value={height}
        range={[0, 3000]}
        step={50}
        onChange={setHeight}
      />
      <Slider
        label="Humidity"
        words={`${humidity} %`}
        value={humidity}
        range={[0, 100]}
        step={5}
        onChange={setHumidity}
      />
      <figcaption className="quiet" aria-live="polite">
        {fixed(share, 0)} % of the dry air of 15 °C (59 °F) at the sea. As thin as standard air at{" "}
        <Amount of="length" is={10 * Math.round(densityAltitude(air.densityKgM3) / 10)} />.
      </figcaption>
    </figure>
  );
}
