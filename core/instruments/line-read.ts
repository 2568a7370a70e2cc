/** Result of parsing one line from an instrument. */
import { DOMAIN, type Quantity, type Sample } from "./sample.ts";

/** What a line says, before it is known when. */
export type Said = Omit<Sample, "atMs">;

export type LineRead =
  | { readonly kind: "samples"; readonly samples: readonly Said[] }
  | { readonly kind: "silent" }
  | { readonly kind: "noise"; readonly why: string };

export const SILENT: LineRead = { kind: "silent" };
export const noise = (why: string): LineRead => ({ kind: "noise", why });

const FIGURE = /^[+-]?\d{1,7}([.,]\d{1,6})?$/;

/** @returns the figure, with a point or a comma; NaN for anything else */
export const figure = (text: string | undefined): number =>
  text !== undefined && FIGURE.test(text) ? Number(text.replace(",", ".")) : NaN;

/** A station's figures each have a channel of their own. */
export const AIR_CHANNELS = { temperature: 1, humidity: 2, pressure: 3 } as const;

const OUT_OF: Readonly<Record<Quantity, string>> = {
  rpm: "any engine's range",
  depression: "any engine's range",
  lambda: "any engine's range",
  temperature: "what air can be",
  humidity: "what air can be",
  pressure: "what air can be",
};

/** @returns the samples, or the first that no instrument can mean */
export function saidOf(...samples: readonly Said[]): LineRead {
  const wrong = samples.find(({ quantity, value }) => {
    const { min, max } = DOMAIN[quantity];
    return !(value >= min && value <= max);
  });
  if (wrong)
    return noise(`${wrong.quantity} ${Number(wrong.value.toFixed(2))} is out of ${OUT_OF[wrong.quantity]}`);
  return samples.length === 0 ? SILENT : { kind: "samples", samples };
}
