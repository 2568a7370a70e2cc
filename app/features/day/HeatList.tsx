/** A card for each heat: what changes before it and when that is worth its work. */
import css from "./day.module.css";
import clsx from "clsx";
import { humidAir } from "#core/air/humid-air.ts";
import { changedParts } from "#core/log/settings.ts";
import { PARTS } from "#core/log/parts.ts";
import type { DayAnswer } from "#core/day/day-answer.ts";
import type { DayPlan } from "#core/day/plan-day.ts";
import { FitButton } from "#app/frame/Taps.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { changesWords } from "#app/vocabulary/changes.ts";
import { countdownWords } from "#app/vocabulary/days.ts";
import { PART_NAMES, partValue } from "#app/vocabulary/parts.ts";
import { airShare, gainWords, onlyForecastWords } from "./words.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

interface HeatListProps {
  readonly plan: DayPlan;
  readonly unexplained: DayAnswer["unexplained"];
  readonly nowMs: number;
}

export function HeatList({ plan, unexplained, nowMs }: HeatListProps) {
  const context = useRig();
  const { build, preferences, carburettor, advice } = context;
  const { heats, fitted } = plan;
  const base = humidAir(build.baseline.air).dryDensityKgM3;
  const next = heats.findIndex(
    ({ heat }) => countdownWords(Date.parse(heat.at), heat.minutes, nowMs) !== undefined,
  );
  const several = (advice?.groups ?? 1) > 1;
  return (
    <ol className={css["heats"]} aria-label="The heats">
      {heats.map((card, i) => {
        const { heat, air, setting, changes } = card;
        const countdown = countdownWords(Date.parse(heat.at), heat.minutes, nowMs);
        const ahead = changedParts(fitted, setting);
        const odd = unexplained[i];
        return (
          <li
            key={`${heat.at} ${heat.name}`}
            className={clsx(countdown === undefined && css["over"], i === next && css["next"])}
          >
            <div className={css["clock"]}>
              <strong>{heat.at.slice(11, 16)}</strong>
              <span className="quiet">{countdown ?? "over"}</span>
            </div>
            <div className="stack tight">
              <h3>
                {heat.name}{" "}
                <span className="quiet">
                  {formatQuantity("temperature", air.air.temperatureK, preferences.temperature)} · air{" "}
                  {airShare(air.air.dryDensityKgM3, base, air.lnDrySd)}
                </span>
              </h3>
              {changes.length > 0 ? (
                <>
                  <p className={css["change"]}>{changesWords(changes)}</p>
                  <p className="quiet flush">{gainWords(card)}</p>
                </>
              ) : (
                <p className="quiet flush">As it is.</p>
              )}
              {i === next && ahead.length > 0 && (
                <div className="row">
                  <FitButton
                    context={context}
                    changes={ahead.map((part) => ({
                      part,
                      to: setting[part],
                      ...(several && { carburettor: carburettor + 1 }),
                    }))}
                    because="advice"
                    words="All fitted"
                    label={`All of ${heat.name} is fitted`}
                    contained
                    asks={odd && { words: onlyForecastWords(odd), yes: "The forecast is right" }}
                  />
                </div>
              )}
            </div>
            <dl className={css["setting"]}>
              {PARTS.filter((part) => part !== "shimMm" || setting.shimMm !== 0).map((part) => (
                <div key={part} className={clsx(changes.some((one) => one.part === part) && css["changed"])}>
                  <dt>{PART_NAMES[part]}</dt>
                  <dd>{partValue(part, setting[part])}</dd>
                </div>
              ))}
            </dl>
          </li>
        );
      })}
    </ol>
  );
}
