import css from "./air.module.css";
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { useFormContext, useWatch } from "react-hook-form";
import { looksLikeSeaLevel } from "#core/air/barometer.ts";
import {
  pressureTrend,
  stationReading,
  warmedItself,
  type StationReading,
  type StationTraces,
} from "#core/instruments/station.ts";
import { readQuantity } from "#core/units/quantity.ts";
import { BluetoothStation, hasBluetooth } from "#app/devices/bluetooth.ts";
import { ConnectBar, SimulatedMark } from "#app/devices/ConnectBar.tsx";
import { SERIAL_PORT, SerialDevice } from "#app/devices/serial.ts";
import { seedOf } from "#app/devices/simulated-engine.ts";
import { SimulatedStation, STATION } from "#app/devices/simulated-station.ts";
import { useFeed } from "#app/devices/use-feed.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { takenTexts, type AirTexts } from "./form.ts";
import { trendWords } from "./words.ts";
import { fixed, formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";

/** What it shows now, large enough to be read from the machine. */
function LiveLine({ reading, trend }: { reading: StationReading; trend: number | undefined }) {
  const { preferences } = useRig();
  const { temperatureK, humidity, pressurePa } = reading;
  return (
    <dl className={css["live"]} aria-label="The station now">
      <div>
        <dt>Temperature</dt>
        <dd>{formatQuantity("temperature", temperatureK, preferences.temperature)}</dd>
      </div>
      <div>
        <dt>Humidity</dt>
        <dd>{fixed(100 * humidity, 0)} %</dd>
      </div>
      <div>
        <dt>Pressure</dt>
        <dd>
          {pressurePa === undefined
            ? "no barometer"
            : formatQuantity("pressure", pressurePa, preferences.pressure)}
        </dd>
        {pressurePa !== undefined && <dd className="quiet">{trendWords(trend, preferences.pressure)}</dd>}
      </div>
    </dl>
  );
}

interface DoubtsProps {
  readonly reading: StationReading;
  readonly traces: StationTraces;
  readonly elevationM: number | undefined;
}

/** What would make a reading worthless, found out before it is taken. */
function Doubts({ reading: { pressurePa }, traces, elevationM }: DoubtsProps) {
  const seaLevel =
    pressurePa !== undefined && elevationM !== undefined && looksLikeSeaLevel(pressurePa, elevationM);
  return (
    <>
      {warmedItself(traces) && (
        <Caution grave>
          The station warms up by itself: its temperature changes faster than air does. Put it in the shade,
          off hot ground, away from hands. Then wait five minutes.
        </Caution>
      )}
      {seaLevel && (
        <Caution grave>
          At this height no barometer shows that much: the station reduces its pressure to sea level. Take it,
          and say below that it is the weather app’s kind.
        </Caution>
      )}
    </>
  );
}

/** @returns the height that is typed below, or the last one of this rig */
function useElevation(): number | undefined {
  const { present } = useRig();
  const { control } = useFormContext<AirTexts>();
  const [text, unit] = useWatch({ control, name: ["elevation", "elevationUnit"] });
  const typed = readQuantity("length", text, unit);
  return typed.ok ? typed.valueSI : present.air?.elevationM;
}

function useStation() {
  const { header, present } = useRig();
  const { feed, state } = useFeed();
  const device = useRef<SimulatedStation>(undefined);
  const [inSun, setInSun] = useState(false);
  const simulated = () => {
    device.current = new SimulatedStation(present.air?.elevationM ?? 100, seedOf(`${header.id} station`));
    device.current.inSun = inSun;
    return device.current;
  };
  const lay = (sunny: boolean) => {
    setInSun(sunny);
    if (device.current) device.current.inSun = sunny;
  };
  return { feed, state, simulated, inSun, lay };
}

/** @returns the texts that a reading fills in, in the units that the form stands in */
function filledIn(reading: StationReading, texts: AirTexts): Partial<AirTexts> {
  const { temperatureK, humidity, pressurePa } = reading;
  return {
    temperature: formatNumber("temperature", temperatureK, texts.temperatureUnit),
    humidityKind: "relative",
    humidity: fixed(100 * humidity, 0),
    ...(pressurePa !== undefined && {
      pressureKind: "station",
      pressure: formatNumber("pressure", pressurePa, texts.pressureUnit),
      pressureSure: "no",
    }),
  };
}

/** A weather station, live: one tap takes what it says into the form. */
export function Station() {
  const form = useFormContext<AirTexts>();
  const elevationM = useElevation();
  const { feed, state, simulated, inSun, lay } = useStation();
  const { channels, status, about } = state;
  const reading = status === "off" ? undefined : stationReading(channels);
  const take = () => {
    if (!reading) return;
    const texts = form.getValues();
    const filled = filledIn(reading, texts);
    const marked =
      about?.simulated === true
        ? takenTexts({ ...texts, ...filled }, ["temperature", "humidity", "pressure"])
        : texts.simulatedTexts;
    for (const [name, value] of Object.entries({ ...filled, simulatedTexts: marked }))
      form.setValue(name as keyof AirTexts, value);
    void form.trigger();
  };
  return (
    <section className="stack tight" aria-label="Weather station">
      <h2 className="label flush">
        The station <SimulatedMark state={state} />
      </h2>
      <ConnectBar
        feed={feed}
        state={state}
        what="weather station"
        ways={[
          {
            text: "Connect a station by cord",
            device: () => new SerialDevice({ ...STATION, name: "Weather station" }),
            takes: SERIAL_PORT(),
          },
          {
            text: "Station by Bluetooth",
            device: () => new BluetoothStation(),
            takes: { what: "Bluetooth", there: hasBluetooth() },
          },
          { text: "Simulated weather station", device: simulated },
        ]}
      />
      {!reading && channels.size > 0 && (
        <p className="quiet flush" role="status">
          It has sent only one of temperature and humidity so far. Both are needed.
        </p>
      )}
      {reading && (
        <>
          <LiveLine reading={reading} trend={pressureTrend(channels)} />
          <Doubts reading={reading} traces={channels} elevationM={elevationM} />
          <div className="row">
            <Button variant="contained" onClick={take}>
              Take this reading
            </Button>
            <span className="quiet">Means over half a minute, into the fields below.</span>
          </div>
          {about?.simulated === true && status === "live" && (
            <Choice
              label="Where the simulated station is (a made-up day: an hour of it takes a minute)"
              value={inSun ? "sun" : "shade"}
              options={[
                { value: "shade", text: "In the shade" },
                { value: "sun", text: "In the sun" },
              ]}
              onChange={(value) => lay(value === "sun")}
            />
          )}
        </>
      )}
    </section>
  );
}
