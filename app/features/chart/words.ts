/** What a chart rests on, in words. */
import type { Side } from "#core/chart/grid.ts";
import type { ChartGround } from "#core/chart/jetting-chart.ts";
import { countWords } from "#app/vocabulary/counts.ts";

export const SIDE_WORDS: Readonly<Record<Side, string>> = {
  height: "height",
  pressure: "station pressure",
  density: "dry density",
};

export const VALID = "Valid until a part, the fuel or the carburettor’s state changes.";

/** @returns `It rests on 8 looks on 2 days.` */
export const restsOn = ({ looks, days }: Pick<ChartGround, "looks" | "days">): string =>
  looks === 0
    ? "It rests on your word that the setting was right, and on no look."
    : `It rests on ${countWords(looks, "look")} on ${countWords(days, "day")}.`;

export const GUESS =
  "Your setting is a guess, so there is no chart yet. Say that a setting was right, or look at idle, middle and full throttle.";
