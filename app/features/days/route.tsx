import css from "./days.module.css";
import Button from "@mui/material/Button";
import { useMemo } from "react";
import { Link } from "react-router";
import { daysLike, movedByAir, type PastDay } from "#core/day/days-like.ts";
import { changedParts } from "#core/log/settings.ts";
import { PARTS } from "#core/log/parts.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { changeHref } from "#app/frame/change-href.ts";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { airWords } from "#app/vocabulary/entries.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { readingResult, readingWords } from "#app/vocabulary/readings.ts";
import { differsWords, movedWords } from "./words.ts";

const MOST_DAYS = 8;
const MOST_LOOKS = 4;

function Seen({ day }: { day: PastDay }) {
  const { preferences, build } = useRig();
  const { stoichiometric } = fuelFromLog(build.fuel);
  const last = day.looks.slice(-MOST_LOOKS);
  return (
    <ul className={css["seen"]} aria-label="Seen that day">
      {last.map(({ entry }) => (
        <li key={entry.id}>
          {readingWords(entry.reading, entry.cylinder)}:{" "}
          <strong>{readingResult(entry.reading, preferences, stoichiometric)}</strong>
        </li>
      ))}
      {day.runs > 0 && <li>{day.runs === 1 ? "1 run" : `${day.runs} runs`} by the clock</li>}
      {day.proven && (
        <li>
          <strong>Said to be right.</strong>
        </li>
      )}
    </ul>
  );
}

function Day({ day }: { day: PastDay }) {
  const context = useRig();
  const { build, carburettor, fitted, present, preferences } = context;
  const setting = day.settings[carburettor] ?? day.settings[0];
  const { air: today } = present;
  const moved = useMemo(
    () => (setting && today ? movedByAir(build, setting, day.air, today) : undefined),
    [build, setting, day.air, today],
  );
  if (!setting) return null;
  const same = changedParts(fitted, setting).length === 0;
  return (
    <li className={css["day"]}>
      <h2>
        {dayTitle(day.air.at)}
        {day.air.place !== "" && <span className="quiet"> · {day.air.place}</span>}
      </h2>
      <p className="quiet flush">{airWords(day.air, preferences)}</p>
      <p className="flush">{differsWords(day, preferences)}</p>
      <dl className={css["setting"]}>
        {PARTS.filter((part) => part !== "shimMm" || setting.shimMm !== 0).map((part) => (
          <div key={part}>
            <dt>{PART_NAMES[part]}</dt>
            <dd>{partValue(part, setting[part])}</dd>
          </div>
        ))}
      </dl>
      <Seen day={day} />
      {moved && <p className="flush">{movedWords(moved)}</p>}
      {same ? (
        <p className="quiet flush">This is what is fitted.</p>
      ) : (
        <Button component={Link} to={changeHref(context, setting)} variant="outlined" className="start">
          Start from that day
        </Button>
      )}
    </li>
  );
}

function Days({ days }: { days: readonly PastDay[] }) {
  if (days.length === 0)
    return (
      <p className="quiet">
        No past day to compare with this one yet. A day counts once you read its air and logged a look, a run,
        or that all is right.
      </p>
    );
  return (
    <ol className={css["days"]} aria-label="Past days, the nearest first">
      {days.map((day) => (
        <Day key={day.day} day={day} />
      ))}
    </ol>
  );
}

export default function DaysRoute() {
  const { header, present, preferences } = useRig();
  const { air } = present;
  const days = useMemo(() => (air ? daysLike(present, air, MOST_DAYS) : []), [present, air]);
  return (
    <div className="stack">
      <div>
        <h1>Days like today</h1>
        <p className="lead quiet">
          {air
            ? `Compared with ${airWords(air, preferences)}. What counts: the air and its water, the place, and the work done since.`
            : "Compared with the air you read."}
        </p>
      </div>
      {air ? (
        <Days days={days} />
      ) : (
        <Button component={Link} to={placeHref(header.id, "air")} variant="contained" className="start">
          Read the air first
        </Button>
      )}
    </div>
  );
}
