import clsx from "clsx";
import css from "./season.module.css";
import { useState } from "react";
import { useActionData, useSubmit } from "react-router";
import * as z from "zod/mini";
import { humidAir } from "#core/air/humid-air.ts";
import { placeKey } from "#core/log/day-schema.ts";
import { ClimateEntry } from "#core/log/schema.ts";
import { readClimate } from "#core/pack/climate-table.ts";
import type { SeasonMonth } from "#core/pack/pack-answer.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { rigAction, type Answer } from "#app/journal/rig-action.ts";
import { placeHref } from "#app/frame/places.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { FileButton } from "#app/ui/FileButton.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { Working } from "#app/ui/Working.tsx";
import { MONTH_NAMES } from "#app/vocabulary/days.ts";
import { files } from "#app/workers/client.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { rangeWords, sourceWords } from "./words.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

const ClimateSent = z.object({
  place: ClimateEntry.shape.place,
  elevationM: ClimateEntry.shape.elevationM,
  months: ClimateEntry.shape.months,
});

export const clientAction = rigAction({
  codec: ClimateSent,
  form: "season",
  what: "This table",
  entries: (climate) => [{ kind: "climate", ...climate }],
  then: (rigId) => placeHref(rigId, "season"),
});

interface Known {
  readonly name: string;
  readonly elevationM: number;
}

/** Every place whose height is known, the newest first. */
function useKnown(): Known[] {
  const { present } = useRig();
  const known = new Map<string, Known>();
  for (const { name, elevationM } of present.ahead.places.values())
    known.set(placeKey(name), { name, elevationM });
  for (const { entry, struck } of [...present.lines].reverse())
    if (
      entry.kind === "air" &&
      !struck &&
      entry.place !== "" &&
      entry.elevationM !== undefined &&
      !known.has(placeKey(entry.place))
    )
      known.set(placeKey(entry.place), { name: entry.place, elevationM: entry.elevationM });
  return [...known.values()];
}

function Year({ months }: { months: readonly SeasonMonth[] }) {
  const { build } = useRig();
  const base = humidAir(build.baseline.air).dryDensityKgM3;
  const share = (density: number) => fixed((100 * density) / base, 0);
  return (
    <div className="scroll-x">
      <table className={clsx("figures", css["year"])}>
        <caption className="label">
          The air, in per cent of the day your setting was right, and what you need four days in five
        </caption>
        <thead>
          <tr>
            <th scope="col">Month</th>
            <th scope="col">Air</th>
            <th scope="col">Main</th>
            <th scope="col">Clip</th>
            <th scope="col">Screw</th>
            <th scope="col">Known from</th>
          </tr>
        </thead>
        <tbody>
          {months.map(({ month, dry, list, ...known }) => (
            <tr key={month}>
              <th scope="row">{MONTH_NAMES[month - 1]}</th>
              <td>
                {share(dry.low)} to {share(dry.high)} %
              </td>
              <td>{rangeWords("main", list.wanted.main)}</td>
              <td>{rangeWords("clip", list.wanted.clip)}</td>
              <td>{rangeWords("screwTurns", list.wanted.screwTurns)}</td>
              <td className="quiet">{sourceWords(known)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

export default function SeasonRoute() {
  const { preferences } = useRig();
  const submit = useSubmit();
  const answered = useActionData<Answer>();
  const known = useKnown();
  const [name, setName] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const place = known.find((one) => one.name === name) ?? known[0];
  const { value: months, problem } = useJudge(
    place && { ask: "season", place: place.name, elevationM: place.elevationM },
  );
  const readTable = async (file: File) => {
    setWrong(undefined);
    try {
      const read = readClimate(await files.readTable(file));
      if (!place) return;
      const sent = { place: place.name, elevationM: place.elevationM, months: read };
      void submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  return (
    <div className="stack wide">
      <div>
        <h1>The season</h1>
        <p className="lead quiet">
          A year’s air at a place, month by month, and the parts you need for it. It comes from your readings
          there. Without them it comes from a climate table or the standard atmosphere.
        </p>
      </div>
      {!place && (
        <p className="quiet flush">
          No place with a height is known yet: read an air somewhere, or name one under Places.
        </p>
      )}
      {place && (
        <div className={css["fields"]}>
          <PickField
            label="Place"
            value={place.name}
            options={known.map(({ name: one, elevationM }) => [
              one,
              `${one}, ${formatQuantity("length", elevationM, preferences.length)}`,
            ])}
            onChange={({ target }) => setName(target.value)}
          />
        </div>
      )}
      {problem !== undefined && <Caution grave>The season could not be worked out: {problem}</Caution>}
      {place && !months && problem === undefined && <Working words="Twelve months of air…" />}
      {months && <Year months={months} />}
      {place && (
        <section className="stack tight" aria-label="Climate">
          <h2 className="label">Climate of {place.name}</h2>
          <div className="row">
            <FileButton
              words="Climate table"
              accept=".csv,.txt,.json,text/csv,application/json"
              label="Climate table"
              onFiles={([file]) => file && void readTable(file)}
            />
            <span className="quiet">CSV with month, low, high and humidity; °C, or °F in the heads.</span>
          </div>
          {wrong !== undefined && <Caution grave>{wrong} Nothing was changed.</Caution>}
          <Problem message={answered?.message} />
        </section>
      )}
    </div>
  );
}
