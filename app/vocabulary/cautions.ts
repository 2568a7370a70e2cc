/** Cautions at the step they belong to. */
import { fixed } from "./numerals.ts";
import type { Zone } from "#core/carburettor/zones.ts";

/** Before any hand goes to the carburettor. */
export const AT_THE_CARBURETTOR = "Tap off, engine cool, no flame near. Rule book and local law come first.";
export const LEAN_DESTROYS = "Lean at full throttle destroys engines";
export const EXTRAPOLATED_AIR = `The density formula was made for milder air than this. The extra error stays below ${fixed(0.1, 1)} %.`;

const HOT = "Plug, pipe and head are hot; keep hands and sleeves clear of chain, belt and wheels.";

export type Way = "plug" | "lambda" | "symptom" | "temperature" | "witness";

const METHANOL =
  "Methanol burns with a flame that cannot be seen and is poisonous: gloves, eyes, water at hand.";

export function zoneCaution(how: Way, zone: Zone, fuel = "petrol"): string {
  const caution = zoneCautionAlone(how, zone);
  return fuel === "methanol" ? `${caution} ${METHANOL}` : caution;
}

function zoneCautionAlone(how: Way, zone: Zone): string {
  if (how === "witness")
    return `Look with a light, never with a flame, and let the fuel’s vapour out of the cylinder first. ${HOT}`;
  if (zone === "top" && how === "plug")
    return `Full throttle and a clean cut only on a closed course with room to coast, never on a public road. Approach from rich. ${HOT}`;
  if (zone === "top")
    return `Full throttle only on a closed course or under load on a proper work stand. Come from the rich side. ${HOT}`;
  if (zone === "idle") return `Run the engine in the open: exhaust holds carbon monoxide. ${HOT}`;
  return `Hold the opening for some minutes before reading, where that is lawful and safe. ${HOT}`;
}
