/** What a drawn plug shows: the mixture of each place, heat range, deposits, fuel and light. */
import type { PlugFinding, PlugPlace } from "../log/parts.ts";
import type { LightName } from "./light.ts";

/** What burns: two-strokes leave warm browns, four-strokes greyer ones, alcohol hardly any colour. */
export const BURNS = ["twoStroke", "fourStroke", "methanol"] as const;
export type Burns = (typeof BURNS)[number];

export type PlugSpot = PlugPlace | "root";

export interface PlugScene {
  /** mixture error that each place shows, log, + lean */
  readonly shows: Readonly<Record<PlugSpot, number>>;
  /** a cut that was rolled off: the idle's error, painted over half of the nose */
  readonly painted?: number | undefined;
  /** steps colder than the right plug: its strap's colour breaks nearer the end */
  readonly colderSteps: number;
  readonly findings: readonly PlugFinding[];
  readonly burns: Burns;
  readonly light: LightName;
}

/** So much of the strap's colour is its heat, for each step of heat range. */
const STRAP_PER_STEP = 0.06;

/**
 * @param error - of the mixture where the throttle was held, log, + lean
 * @returns what a plug shows of it that was read with a clean cut in shade; change what is otherwise
 */
export function plugScene(error: number, changed: Partial<PlugScene> = {}): PlugScene {
  const colderSteps = changed.colderSteps ?? 0;
  const seen = error - 0.02 * colderSteps;
  return {
    shows: { root: seen, face: seen, strap: seen - STRAP_PER_STEP * colderSteps, ring: seen - 0.01 },
    colderSteps,
    findings: [],
    burns: "twoStroke",
    light: "shade",
    ...changed,
  };
}
