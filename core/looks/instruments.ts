/**
 * Instruments and their shared bias. Looks of one instrument err together: what its error is stays unknown however
 * often it is used, until another instrument tells.
 */
export const INSTRUMENT_KINDS = ["reader", "lambda", "idle", "temperature", "ride"] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** Sd of an instrument's own error before anything is known of it, log mixture. */
export const OFFSET_SD: Readonly<Record<InstrumentKind, number>> = {
  reader: 0.02,
  lambda: 0.015,
  idle: 0.015,
  temperature: 0.03,
  ride: 0.02,
};

/** One instrument: its kind, and its name where the tuner gave it one. */
export interface Instrument {
  readonly kind: InstrumentKind;
  readonly name?: string | undefined;
}

export const instrumentKey = ({ kind, name }: Instrument): string =>
  name === undefined ? kind : `${kind}:${name}`;
