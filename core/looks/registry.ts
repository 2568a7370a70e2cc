/** Registry of all kinds of look. */
import type { Reading } from "../log/schema.ts";
import { BEST_IDLE } from "./best-idle.ts";
import { COMPARED } from "./compared.ts";
import { CROWN } from "./crown.ts";
import { HEADER } from "./header.ts";
import type { Instrument } from "./instruments.ts";
import { LAMBDA } from "./lambda.ts";
import type { LookContext, LookHow, LookKind, NextLook, Observation } from "./look-kind.ts";
import { PLUG } from "./plug.ts";
import { RIDE_REPORT } from "./ride-report.ts";
import { SYMPTOM } from "./symptom.ts";
import { TEMPERATURE } from "./temperature.ts";

const KINDS: { readonly [T in Reading["type"]]: LookKind<T> } = {
  plug: PLUG,
  crown: CROWN,
  header: HEADER,
  temperature: TEMPERATURE,
  lambda: LAMBDA,
  bestIdle: BEST_IDLE,
  symptom: SYMPTOM,
  compared: COMPARED,
  rideReport: RIDE_REPORT,
};

/** @returns what a look says, one item a zone it speaks of */
export function observationsOf(reading: Reading, context: LookContext): readonly Observation[] {
  const kind = KINDS[reading.type] as LookKind<typeof reading.type>;
  return kind.observe(reading, context);
}

/** @returns the instrument whose error a look shares with others; nothing where it shares none */
export function instrumentOf(reading: Reading): Instrument | undefined {
  const { instrument: kind } = KINDS[reading.type];
  if (!kind) return undefined;
  const name = "instrument" in reading ? reading.instrument : undefined;
  return { kind, name };
}

/** @returns whether it was felt in the saddle, not read off the engine or an instrument */
export const isByFeel = ({ type }: Reading): boolean => KINDS[type].byFeel === true;

/** @returns how such a look is asked for; nothing where none is */
export const askedAs = ({ type }: Reading): LookHow | undefined => KINDS[type].next?.how;

/** Every kind of look that can be asked for, with the instrument that it shares its error with. */
export const NEXT_LOOKS: readonly (NextLook & {
  readonly instrument: LookKind<"plug">["instrument"];
  readonly byFeel: boolean;
})[] = Object.values(KINDS).flatMap(({ next, instrument, byFeel = false }) =>
  next ? [{ ...next, instrument, byFeel }] : [],
);
