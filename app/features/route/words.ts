/** A way and its settings in a tuner's words. */
import { LEAST_GAIN } from "#core/advice/plan/plan.ts";
import type { UnexplainedWay } from "#core/route/route-answer.ts";
import type { Height, RoutePlan, Stretch } from "#core/route/plan-route.ts";
import type { TrackNote } from "#core/route/track.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { fromSI } from "#core/units/quantity.ts";
import type { Asks } from "#app/ui/AskFirst.tsx";
import { changesWords, lossAsError } from "#app/vocabulary/changes.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { mixtureWords, percentWords, zoneInSentence } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

/** @returns what to fit for all of the way, and whether it is safe everywhere on it */
export function compromiseWords({ changes, chanceBetter, safe, leanRisk, loss }: RoutePlan): string {
  const danger = safe
    ? `The chance of being past the lean limit at full throttle is nowhere above ${percentWords(leanRisk)}.`
    : `Somewhere on the way the chance of being past the lean limit at full throttle is ${percentWords(leanRisk)}. Start richer.`;
  if (changes.length === 0) return `What is fitted is the best single setting for this way. ${danger}`;
  const saved = lossAsError(loss.asFitted - loss.oneSetting);
  return `${changesWords(changes)}: over the whole way better with ${percentWords(chanceBetter)}, worth ${saved} of mixture. ${danger}`;
}

/** @returns whether stopping on the way gains anything */
export function stopsWords({ stops, loss }: RoutePlan): string {
  const onTheWay = stops.filter(({ alongM }) => alongM > 0);
  if (onTheWay.length === 0)
    return "Stopping to change would gain too little to notice. One setting is enough.";
  const gain = loss.oneSetting - loss.withStops;
  const times = onTheWay.length === 1 ? "One stop" : `${onTheWay.length} stops`;
  return gain < LEAST_GAIN
    ? `${times} on the way could follow the height, but would gain hardly more than one setting.`
    : `${times} on the way would save what an error of ${lossAsError(gain)} costs.`;
}

/** What a tuner should know of a way that was read from a file. */
export function trackNoteWords(note: TrackNote): string {
  switch (note.what) {
    case "turnedRound":
      return note.segments === note.of
        ? "The times run backward: the way is turned round."
        : `${note.segments} of ${note.of} segments ran backward in time and are turned round.`;
    case "putInOrder":
      return "The segments were not in the order of time: they are put in order.";
    case "byTime":
      return "The points are put in the order of time.";
    case "asFiled":
      return "The order of the file counts, not its times.";
    case "stood":
      return `${Math.round(note.seconds / 60)} min standing still are left out.`;
    case "lost":
      return `${countWords(note.points, "point")} of ${note.of} could not be ridden, so they are left out.`;
    case "heightJumps":
      return `${countWords(note.points, "height")} jumped. The heights beside them count.`;
    case "heightless":
      return `${countWords(note.points, "point")} had no height. The way between their neighbours counts.`;
    case "wrongTimes":
      return "The times in it cannot be right: they follow from the speed.";
    case "noTimes":
      return "There are no times in it: they follow from the speed.";
  }
}

export const heightWords = (elevationM: number, { length }: Preferences): string =>
  formatQuantity("length", Math.round(elevationM), length);

/** @returns `6.2 km` or `3.9 mi` */
export const farWords = (metres: number, { speed }: Preferences): string =>
  speed === "mph" ? `${fixed(metres / 1609.344, 1)} mi` : `${fixed(metres / 1000, 1)} km`;

/** @returns the mixture of each zone at one height */
export function zonesAt({ judged }: Height): string {
  return ZONES.filter((zone) => zone !== "low")
    .map((zone) => `${zoneInSentence(zone)} ${mixtureWords(judged.zones[zone].mean)}`)
    .join(", ");
}

export interface Band {
  readonly fromM: number;
  readonly toM: number;
  readonly seconds: number;
}

const BANDS = 4;

/** @returns how long is ridden in each quarter of the climb, the lowest first */
export function timePerHeight(stretches: readonly Stretch[]): Band[] {
  const low = Math.min(...stretches.map(({ lowM }) => lowM));
  const high = Math.max(...stretches.map(({ highM }) => highM));
  const step = (high - low) / BANDS;
  if (!(step > 0))
    return [{ fromM: low, toM: high, seconds: stretches.reduce((sum, { seconds }) => sum + seconds, 0) }];
  return Array.from({ length: BANDS }, (_, i): Band => {
    const [fromM, toM] = [low + i * step, low + (i + 1) * step];
    const seconds = stretches.reduce((sum, stretch) => {
      const span = Math.max(1e-9, stretch.highM - stretch.lowM);
      const inside = Math.min(toM, stretch.highM) - Math.max(fromM, stretch.lowM);
      const level = stretch.highM === stretch.lowM && stretch.lowM >= fromM && stretch.lowM < toM;
      return sum + stretch.seconds * (level ? 1 : Math.max(0, inside) / span);
    }, 0);
    return { fromM, toM, seconds };
  });
}

export const minutesWords = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return minutes < 90
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, "0")}`;
};

/** A length in the unit of a chart's axis. */
export const kilometres = (metres: number, { speed }: Preferences): number =>
  speed === "mph" ? metres / 1609.344 : metres / 1000;

export const heightIn = (metres: number, { length }: Preferences): number =>
  Number(fromSI("length", metres, length).toFixed(0));

/** What is asked before a setting that the file alone asks for is one tap. */
export function fileAsks(odd: UnexplainedWay, units: Preferences): Asks {
  const { by, leaned, wouldBe, highestM, knownM } = odd;
  const figure =
    by === "forecast"
      ? "The forecast says thinner air than you can expect from your last reading."
      : `This file goes up to ${heightWords(highestM, units)}. ${
          knownM === undefined
            ? "No reading or place of this log has a height."
            : `The highest reading or place of this log is at ${heightWords(knownM, units)}.`
        }`;
  return {
    words: `${figure} This makes full throttle ${percentWords(leaned)} leaner. If the file is wrong, the engine ends ${percentWords(wouldBe)} too lean.`,
    yes: by === "heights" ? "The heights are right" : "The forecast is right",
  };
}
