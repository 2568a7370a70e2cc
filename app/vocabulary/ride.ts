/** A ride as it is told: its zones, and what too rich and too lean feel like from the seat. */
import type { Zone } from "#core/carburettor/zones.ts";
import { FELT, type Felt } from "#core/log/readings/ride-report.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "./parts.ts";

export const FEELS: Readonly<Record<Zone, Readonly<Record<Exclude<Felt, "clean">, string>>>> = {
  idle: {
    rich: "loads up, falls slowly after a blip, smells of fuel, wants the throttle to clear it",
    lean: "hangs high after a blip, hunts up and down, wants the choke for long",
  },
  low: {
    rich: "burbles as it comes off the stop, wet and lazy, then clears with a jerk",
    lean: "coughs or goes flat as the throttle is cracked open, surges at a trickle",
  },
  mid: {
    rich: "dull, stutters when held, sounds like it fires every second time",
    lean: "surges at a steady hand, dry and sharp, runs hot",
  },
  top: {
    rich: "will not rev out, breaks up, smokes; shutting a little clears it",
    lean: "pulls flat at the end, pings, is better a little shut: stop there and look at the plug",
  },
};

const FELT_WORDS: Readonly<Record<Felt, string>> = { rich: "Rich", clean: "Clean", lean: "Lean" };

/** The zones as a rider calls them, with where the throttle stands. */
export const rideZoneLabel = (zone: Zone): string => `${ZONE_NAMES[zone]} (${ZONE_OPENINGS[zone]})`;

/** Of each zone: what it felt like, or that it was not used. */
export const TOLD_OPTIONS: readonly { readonly value: Felt | "unused"; readonly text: string }[] = [
  ...FELT.map((value) => ({ value, text: FELT_WORDS[value] })),
  { value: "unused", text: "Not used" },
];
