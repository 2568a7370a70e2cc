/** What too rich and too lean feel like from the seat, zone by zone. */
import type { Zone } from "#core/carburettor/zones.ts";
import type { Felt } from "#core/log/readings/ride-report.ts";

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

export const FELT_WORDS: Readonly<Record<Felt, string>> = { rich: "Rich", clean: "Clean", lean: "Lean" };
