/** Instruments and what is believed of them, in words a tuner would use. */
import type { InstrumentBelief } from "#core/advice/judge/instruments-known.ts";
import type { Worth } from "#core/advice/judge/step-worths.ts";
import type { CardRow } from "#core/advice/card/card-rows.ts";
import type { InstrumentKind } from "#core/looks/instruments.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export const INSTRUMENT_WORDS: Readonly<
  Record<InstrumentKind, { readonly name: string; readonly yours: string }>
> = {
  reader: { name: "Plug reader", yours: "your plugs" },
  lambda: { name: "λ sensor", yours: "your λ sensor" },
  idle: { name: "Idle bench", yours: "your idle bench" },
  temperature: { name: "Temperature probe", yours: "your probe" },
  ride: { name: "Rider", yours: "your ride reports" },
};

/** So much of mixture is one step of the seven tones. */
const TONE_STEP = 0.06;
const TONE_SIZES = [
  [0.2, "a shade"],
  [0.4, "a third of a tone"],
  [0.7, "half a tone"],
  [1.3, "a tone"],
  [Infinity, "more than a tone"],
] as const;

/** @returns how large an error is in tones of a plug: `half a tone` */
export const toneSize = (error: number): string =>
  TONE_SIZES.find(([upTo]) => Math.abs(error) / TONE_STEP < upTo)?.[1] ?? "a tone";

/** @returns an error of mixture as it is said of instruments: `3 %`, `0.5 %` */
export const per = (error: number): string =>
  `${fixed(100 * Math.abs(error), Math.abs(error) < 0.0095 ? 1 : 0)} %`;

function whose({ kind, name }: Pick<InstrumentBelief, "kind" | "name">): string {
  return name === undefined ? INSTRUMENT_WORDS[kind].yours : `“${name}”`;
}

/** @returns e.g. "Your plugs read half a tone dark (3 % rich)" */
export function offsetWords(belief: InstrumentBelief): string {
  const { kind, mean } = belief;
  const side = mean > 0 ? "lean" : "rich";
  const who = whose(belief);
  const subject = who.charAt(0).toUpperCase() + who.slice(1);
  const reads = belief.name === undefined && (kind === "reader" || kind === "ride") ? "read" : "reads";
  if (kind !== "reader") return `${subject} ${reads} ${per(mean)} ${side}`;
  return `${subject} ${reads} ${toneSize(mean)} ${mean > 0 ? "pale" : "dark"} (${per(mean)} ${side})`;
}

/** @returns e.g. "Readings differ 2.5 times as much as usual, so each counts for less" */
export const scatterWords = ({ scatter }: Pick<InstrumentBelief, "scatter">): string =>
  `Its readings differ ${scatter} times as much as usual, so each counts for less`;

/** What would tell an instrument's own error: never more of its own looks. */
export const SETTLED_BY: Readonly<Record<InstrumentKind, string>> = {
  reader: "one λ figure, a timed pair of two jets, or another reader",
  lambda: "a timed pair of two jets, or another sensor in the same pipe",
  idle: "a λ figure at idle, or a plug after a long idle",
  temperature: "a plug or a λ figure at the same setting",
  ride: "a plug after the same ride, or the stopwatch",
};

const STEP_OF: Readonly<Record<Worth["part"], string>> = {
  screwTurns: "A step of the screw",
  clip: "A groove",
  main: "A step of the main jet",
};

/** @returns e.g. "A groove is 7 % here, not 5", or how far it is from what is computed where no row says */
export function worthWords({ part, factor }: Worth, rows: readonly CardRow[]): string {
  const row = rows.find((one) => one.part === part);
  const here = Math.abs(row?.stepEffect ?? 0);
  const computed = Math.abs(row?.asComputed ?? 0);
  if (here < 0.002 || computed < 0.002)
    return `${STEP_OF[part]} is worth ${fixed(factor, 1)} times what its measures say`;
  const digits = Math.abs(here - computed) < 0.01 ? 1 : 0;
  return `${STEP_OF[part]} is ${fixed(100 * here, digits)} % here, not ${fixed(100 * computed, digits)}`;
}

export const WORTH_PARTS: Readonly<Record<Worth["part"], string>> = {
  screwTurns: "mixture screw",
  clip: "needle",
  main: "main jets",
};
