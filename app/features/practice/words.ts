/** The debrief in words. */
import type { ReadOff, Stop } from "#core/practice/debrief.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import { atZone } from "#app/vocabulary/parts.ts";

/** @param error - log mixture, + lean */
export function mixtureShort(error: number): string {
  const percent = Math.round(100 * Math.abs(error));
  if (percent < 1) return "right";
  return `${percent} % ${error > 0 ? "lean" : "rich"}`;
}

export function stopTitle({ minutes, rides, looks }: Stop, at: number): string {
  const seen = [
    ...(rides > 0 ? [countWords(rides, "ride", "rides")] : []),
    ...(looks > 0 ? [`${countWords(looks, "reading", "readings")} written down`] : []),
  ];
  return `Stop ${at + 1}, after ${Math.round(minutes)} min: ${seen.length > 0 ? seen.join(", ") : "nothing looked at"}`;
}

/** @returns which reading was off, and to which side */
export function offWords({ type, zone, by }: ReadOff): string {
  const side = by > 0 ? "leaner" : "richer";
  return type === "plug"
    ? `You read the plug ${Math.abs(by)} tones ${side} than it was ${atZone(zone)}.`
    : `You felt it ${side} than it was ${atZone(zone)}.`;
}
