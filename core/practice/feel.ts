/** What a ride feels like in each zone, from the truth: what one would feel, never rich or lean. */
import type { Zone } from "../carburettor/zones.ts";
import type { Random } from "../numbers/random.ts";

export const FEELS = [
  "crisp",
  "hangsHigh",
  "loadsUp",
  "coughs",
  "burbles",
  "surges",
  "fourStrokes",
  "flat",
  "pings",
  "breaksUp",
] as const;
export type Feel = (typeof FEELS)[number];

export interface Felt {
  readonly zone: Zone;
  readonly feel: Feel;
  /** clear, or so slight that it takes a second ride to be sure */
  readonly strong: boolean;
}

const LEAN: Readonly<Record<Zone, Feel>> = { idle: "hangsHigh", low: "coughs", mid: "surges", top: "flat" };
const RICH: Readonly<Record<Zone, Feel>> = {
  idle: "loadsUp",
  low: "burbles",
  mid: "fourStrokes",
  top: "breaksUp",
};

/** Nobody feels less from the saddle, log mixture. */
const FELT_FROM = 0.045;
const STRONG_FROM = 0.1;
/** Full throttle this lean pings before it hurts. */
const PINGS_FROM = 0.04;
/** What one ride and the next differ by. */
const RIDE_SD = 0.02;

/** @param error - true mixture error of the zone, log, + lean */
export function feltIn(zone: Zone, error: number, random: Random): Felt {
  const seen = error + RIDE_SD * random.normal();
  if (zone === "top" && error > PINGS_FROM) return { zone, feel: "pings", strong: true };
  if (Math.abs(seen) < FELT_FROM) return { zone, feel: "crisp", strong: false };
  return { zone, feel: (seen > 0 ? LEAN : RICH)[zone], strong: Math.abs(seen) >= STRONG_FROM };
}
