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

export function zoneState({ mean, sd, looks, pRight }: ZoneAdvice): ZoneState {
  if (looks === 0 && sd > KNOWN_SD) return { text: "unseen", calm: true };
  if (Math.abs(mean) <= BISCUIT && pRight >= 0.5) return { text: "right", calm: true };
  return { text: mixtureWords(mean), calm: false };
}
