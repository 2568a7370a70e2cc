/** The plan of a day in a tuner's words. */
import type { AirSource } from "#core/day/air-source.ts";
import type { DayAnswer } from "#core/day/day-answer.ts";
import type { DayPlan, HeatCard } from "#core/day/plan-day.ts";
import { LEAST_GAIN } from "#core/advice/plan/plan.ts";
import { lossAsError } from "#app/vocabulary/changes.ts";
import type { UnexplainedLean } from "#core/advice/plan/unexplained-lean.ts";
import { percentWords } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

/** @returns how sure a change is and what it is worth, heat by heat */
export function gainWords({ gain, chanceBetter, safe, ridden: heats }: HeatCard): string {
  const worth =
    gain > 0
      ? `worth ${lossAsError(gain / heats)} of mixture in ${heats === 1 ? "this heat" : `each of ${heats} heats`}`
      : "for safety at full throttle";
  return `Better with ${percentWords(chanceBetter)}, ${worth}.${safe ? "" : " Still too likely past the lean limit at full throttle: start richer."}`;
}

/** Smaller misses are the instrument's own. */
const SAME_K = 0.5;
const SAME_PA = 60;

function learntWords({ learnt }: Pick<AirSource, "learnt">, units: Preferences): string {
  if (!learnt) return "";
  const { temperatureK, pressurePa } = learnt;
  const kelvin = units.temperature === "°F" ? temperatureK * 1.8 : temperatureK;
  const parts = [
    ...(Math.abs(temperatureK) < SAME_K
      ? []
      : [`${fixed(Math.abs(kelvin), 1)} ${units.temperature} ${kelvin > 0 ? "warmer" : "colder"}`]),
    ...(Math.abs(pressurePa) < SAME_PA
      ? []
      : [
          `${formatQuantity("pressure", Math.abs(pressurePa), units.pressure)} ${pressurePa > 0 ? "higher" : "lower"}`,
        ]),
  ];
  return parts.length === 0
    ? " It was right so far."
    : ` Your last reading was ${parts.join(" and ")} than the forecast. The plan uses your reading.`;
}

/** @returns where the air of the day is known from */
export function sourceWords(source: DayAnswer["source"], units: Preferences): string {
  const { kind, place = "", readings, short } = source;
  if (kind === "usual")
    return "No air was read and there is no forecast. The plan uses the air your setting was right in, with a day’s weather as doubt.";
  if (kind === "held")
    return `No forecast for that time. The plan uses your last reading${place === "" ? "" : ` at ${place}`}, less sure with every hour.`;
  const taken =
    readings === 0
      ? " No reading of the day yet."
      : ` ${readings === 1 ? "One reading" : `${readings} readings`} of the place counted.${learntWords(source, units)}`;
  return `By the forecast${place === "" ? "" : ` for ${place}`}.${taken}${short ? " The forecast misses part of the day. For the rest it keeps what it knew last, with more doubt." : ""}`;
}

/** @returns what the plan saves in work against following every air */
export function totalsWords({ changes, loss, heats }: DayPlan): string {
  const planned =
    changes.planned === 0
      ? "Nothing to change all day"
      : `${changes.planned} ${changes.planned === 1 ? "change" : "changes"} of parts all day`;
  if (changes.eachHeat <= changes.planned) return `${planned}.`;
  const apart = (loss.planned - loss.eachHeat) / Math.max(1, heats.length);
  const cost =
    apart < LEAST_GAIN ? "for a gain too small to notice" : `for ${lossAsError(apart)} of mixture a heat`;
  return `${planned}. Chasing every change of the air would take ${changes.eachHeat} ${changes.eachHeat === 1 ? "change" : "changes"}, ${cost}.`;
}

/** @returns `98.4 % ± 0.6`: the air that burns, of the baseline's */
export function airShare(dryDensityKgM3: number, baseKgM3: number, lnSd: number): string {
  return `${fixed((100 * dryDensityKgM3) / baseKgM3, 1)} % ± ${fixed(100 * lnSd, 1)}`;
}

/** What is asked before a change that the forecast alone asks for is one tap. */
export const onlyForecastWords = ({ leaned, wouldBe }: UnexplainedLean): string =>
  `This makes full throttle ${percentWords(leaned)} leaner, only because of the forecast. If the forecast is wrong, the engine ends ${percentWords(wouldBe)} too lean. Read the air first, or say that the forecast is right.`;
