/** Where the air of the day comes from: a forecast's file, a simulated one, or none. */
import Button from "@mui/material/Button";
import * as z from "zod/mini";
import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { weatherOf } from "#core/forecast/air-ahead.ts";
import { airStateFromLog } from "#core/rig/from-build.ts";
import type { ForecastRead } from "#core/forecast/read-forecast.ts";
import { ForecastEntry } from "#core/log/schema.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { localInstant, wallClock } from "#app/journal/clock.ts";
import { Caution } from "#app/ui/Caution.tsx";
import type { ActionProblem } from "#app/journal/save.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { Simulated } from "#app/ui/Simulated.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { typedQuantity } from "#app/ui/typed.ts";
import { ForecastConclusions } from "./ForecastConclusions.tsx";
import { knownReadings, type ForecastSent } from "./form.ts";
import { ForecastColumns } from "./ForecastColumns.tsx";
import { useForecastFile } from "./use-forecast-file.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

const timeOf = (at: string): string => `${at.slice(8, 10)}. ${at.slice(11, 16)}`;

/** @param day - that the heats are on, `2026-05-23` */
export function ForecastPanel({
  place,
  elevationM,
  day,
}: {
  place: string;
  elevationM: number;
  day: string;
}) {
  const { header, present, preferences } = useRig();
  // Its answer is its own: the heats beside it have theirs.
  const fetcher = useFetcher<ActionProblem>();
  const saving = fetcher.state !== "idle";
  const [height, setHeight] = useState<string>();
  const field = typedQuantity("length", preferences.length, ForecastEntry.shape.elevationM);
  const shown = height ?? z.encode(field, elevationM);
  const typed = z.safeDecode(field, shown);
  const forM = typed.success ? typed.data : elevationM;
  const readings = useMemo(() => knownReadings(present.lines), [present]);
  const { opened, mapping, conclusions, asked, looked, problem, busy, ...act } = useForecastFile(
    forM,
    readings,
  );
  const simulate = async () => {
    const { simulatedForecast } = await import("#app/devices/simulated-forecast.ts");
    const midnight = new Date(`${day}T00:00`);
    const { air } = present;
    const blob = simulatedForecast({
      name: `${header.id} ${day}`,
      elevationM: forM,
      midnightMs: midnight.getTime(),
      offsetMin: -midnight.getTimezoneOffset(),
      ...(air && { read: { ms: Date.parse(air.at), weather: weatherOf(airStateFromLog(air)) } }),
    });
    await act.open(blob, `simulated-forecast-${day}.csv`);
  };
  const keep = () => {
    if (!opened || !looked?.read || !typed.success) return;
    act.keepMapping();
    const sent: ForecastSent = {
      place,
      elevationM: forM,
      file: opened.file.slice(-200),
      hours: [...looked.read.hours],
      simulated: opened.table.simulated === true,
    };
    void fetcher.submit(JSON.stringify(sent), {
      method: "post",
      encType: "application/json",
      action: "../forecast",
    });
  };
  return (
    <div className="stack">
      <div className="row">
        <FileButton
          words="Forecast’s file"
          accept=".csv,.txt,.json,text/csv,application/json"
          label="Forecast’s file"
          disabled={busy}
          onFiles={([file]) => file && void act.open(file, file.name)}
        />
        <Button variant="outlined" disabled={busy} onClick={() => void simulate()}>
          Simulated forecast
        </Button>
        <span className="quiet">CSV or JSON, one row an hour.</span>
      </div>
      {problem !== undefined && <Caution grave>{problem} Nothing was changed.</Caution>}
      {opened && mapping && (
        <section className="stack" aria-label="The forecast’s columns">
          <h3>
            {opened.file} {opened.table.simulated && <Simulated />}
          </h3>
          {opened.known && (
            <p className="quiet flush">Read as you chose for an earlier file with the same column names.</p>
          )}
          <ForecastConclusions
            conclusions={conclusions}
            mapping={mapping}
            asked={asked}
            onChoose={act.choose}
          />
          <TypedField
            label="Height it is for"
            value={shown}
            unit={preferences.length}
            keys="decimal"
            onChange={({ target }) => setHeight(target.value)}
            problem={typed.success ? undefined : typed.error.issues[0]?.message}
            hint="Its temperatures are for this height. So is its pressure, where that is station pressure."
          />
          <ForecastColumns table={opened.table} mapping={mapping} onMapping={act.setMapping} />
          {looked?.wrong !== undefined && <Caution>{looked.wrong}</Caution>}
          {looked?.read && <Summary read={looked.read} />}
          <Problem message={fetcher.data?.message} />
          <div className="row">
            <Button
              variant="contained"
              disabled={!looked?.read || !typed.success || saving || asked.length > 0}
              onClick={keep}
            >
              Keep this forecast
            </Button>
            <Button onClick={act.close}>Leave it</Button>
            {asked.length > 0 && <span>Answer what is asked above first.</span>}
            <span className="quiet">
              Kept for {place === "" ? "this place" : place},{" "}
              {formatQuantity("length", forM, preferences.length)}, as of {localInstant().slice(11, 16)} (
              {offsetWords()}).
            </span>
          </div>
        </section>
      )}
    </div>
  );
}

/** The clock that times without a zone are read by. */
function offsetWords(): string {
  const minutes = wallClock(Date.now());
  const sign = minutes < 0 ? "−" : "+";
  return `this device’s clock, UTC ${sign}${Math.abs(minutes) / 60}`;
}

function Summary({ read: { hours, notes } }: { read: ForecastRead }) {
  const { preferences } = useRig();
  const temperatures = hours.map(({ temperatureK }) => temperatureK);
  const [first, last] = [hours[0], hours.at(-1)];
  const warmth = (kelvin: number) => formatQuantity("temperature", kelvin, preferences.temperature);
  return (
    <>
      {first && last && (
        <p className="flush" role="status">
          {hours.length} hours, {timeOf(first.at)} to {timeOf(last.at)}, {warmth(Math.min(...temperatures))}{" "}
          to {warmth(Math.max(...temperatures))}.
        </p>
      )}
      {notes.map((note) => (
        <Caution key={note} plain>
          {note}
        </Caution>
      ))}
    </>
  );
}
