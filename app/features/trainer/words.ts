/** The plug trainer in words: a reader's bias, the lights, what a round came to. */
import type { LightName } from "#core/pictures/light.ts";
import type { Burns } from "#core/pictures/plug-scene.ts";
import { isOff, type ReaderBias } from "#core/trainer/reader-bias.ts";
import { per, toneSize } from "#app/vocabulary/instruments.ts";

export const LIGHT_WORDS: Readonly<Record<LightName | "mixed", string>> = {
  shade: "Shade",
  sun: "Sun",
  lamp: "Lamp",
  mixed: "All three",
};
/** Where a plug is held, within a sentence. */
export const IN_LIGHT: Readonly<Record<LightName, string>> = {
  shade: "in the shade",
  sun: "in the sun",
  lamp: "by lamp light",
};
export const BURNS_WORDS: Readonly<Record<Burns, string>> = {
  twoStroke: "Two-stroke",
  fourStroke: "Four-stroke",
  methanol: "Methanol",
};
/** Seconds a plug; none for no clock. */
export const CLOCKS = [
  { value: "0", text: "No clock" },
  { value: "10", text: "10 s a plug" },
  { value: "5", text: "5 s a plug" },
] as const;

/** Doubt as two sds: what holds the truth 19 times in 20. */
const giveOrTake = ({ sd }: ReaderBias): string => per(2 * sd);

/** @returns e.g. "You read half a tone too dark: 3 % rich, give or take 1 %." */
export function biasWords(bias: ReaderBias): string {
  if (!isOff(bias)) return `No bias found so far. You could be off by ${giveOrTake(bias)}.`;
  const [side, mixture] = bias.mean > 0 ? ["pale", "lean"] : ["dark", "rich"];
  return `You read ${toneSize(bias.mean)} too ${side}: ${per(bias.mean)} ${mixture}, give or take ${giveOrTake(bias)}.`;
}

/** @returns what a reader's practice counts for once it is taken over */
export const offsetEffect = (bias: ReaderBias): string =>
  `Tamis then allows for ${per(bias.mean)} too ${bias.mean > 0 ? "lean" : "rich"} in your plug readings, with doubt. What real plugs and meters show counts for more.`;
