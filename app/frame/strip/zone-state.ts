/** One word for a zone, for the strip's heads and the ribbon. */
import type { ZoneAdvice } from "#core/advice/judge/zone-advice.ts";
import { mixtureWords } from "#app/vocabulary/parts.ts";

/** A biscuit plug spans this much. */
const BISCUIT = 0.03;
/** Known from other zones' looks well enough to be called. */
const KNOWN_SD = 0.04;

export interface ZoneState {
  readonly text: string;
  /** right and unseen need nothing now */
  readonly calm: boolean;
}

/** Looked at, and yet as likely off as right: its middle alone would say that it is right. */
export const isUnclear = ({ mean, looks, pRight }: Pick<ZoneAdvice, "mean" | "looks" | "pRight">): boolean =>
  looks > 0 && Math.abs(mean) <= BISCUIT && pRight < 0.5;

export function zoneState(zone: ZoneAdvice): ZoneState {
  const { mean, sd, looks, pRight } = zone;
  if (looks === 0 && sd > KNOWN_SD) return { text: "unseen", calm: true };
  if (isUnclear(zone)) return { text: "not known", calm: false };
  if (Math.abs(mean) <= BISCUIT && pRight >= 0.5) return { text: "right", calm: true };
  return { text: mixtureWords(mean), calm: false };
}
